import { forget, forgetAll, recallParts, remember } from '../ui/remember';

/** What was entered of a piece and not kept yet: the fields that were changed, and the version they were changed on. */
export type Unkept = { version: number; changed: Record<string, unknown> };

/** The entries of one piece of gear, or of one that is new, as they wait in this browser to be kept. */
export function unkept(kind: string, id: number | null) {
  const name = `gear-${kind}-${id ?? 'new'}`;
  return {
    name,
    recall(): Unkept | null {
      const left = recallParts<Unkept | null>(name, null);
      return left && typeof left.changed === 'object' && Number.isInteger(left.version) ? left : null;
    },
    remember: (left: Unkept) => remember(name, JSON.stringify(left)),
    /** Also what was typed into its fields and could not be read. */
    forget() {
      forget(name);
      forgetAll(`entry-${name}-`);
    },
  };
}
