import type { Outing, Standards } from '../../api/client';

/** A unit of the reader's, and what one of it is in SI. */
export type Unit = { unit: string; scale: number };

/** What a saved day knows: it is read by the page of its own under src/water. */
export type Frame = {
  /** What every entry made there begins with: the outing with its pieces by tag, as a document has it. */
  base: Record<string, unknown>;
  /** What its entries are kept under on the phone. */
  place: string;
  distance: Unit;
  wind: Unit;
  choices: Pick<Standards['choices'], 'windFrom' | 'feel' | 'loss' | 'distanceBy'>;
};

type Tagged = { id: number; tag: string }[] | undefined;

/** An outing as a document has it: pieces by tag, people by name, and nothing that follows from the rest. */
export function asEntry(
  fresh: Outing,
  brief: string,
  shed: { rods?: Tagged; lines?: Tagged; reels?: Tagged; leaders?: Tagged } | undefined,
  person: string | undefined,
) {
  const { landed, lost, id, version, key, on, rodId, lineId, reelId, leaderId, caster, briefId, ...rest } = fresh;
  void [landed, lost, id, version, key, on];
  const tag = (list: Tagged, of: number | null | undefined) => list?.find((p) => p.id === of)?.tag;
  const entry = {
    ...rest,
    rodId: tag(shed?.rods, rodId),
    lineId: tag(shed?.lines, lineId),
    reelId: tag(shed?.reels, reelId),
    leaderId: tag(shed?.leaders, leaderId),
    briefId: briefId ? brief : undefined,
    caster: person ? { person } : caster,
  };
  return Object.fromEntries(Object.entries(entry).filter(([, value]) => value !== null && value !== undefined));
}
