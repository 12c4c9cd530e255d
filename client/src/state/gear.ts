import { useQuery } from '@tanstack/react-query';
import {
  api,
  onVersion,
  unwrap,
  ApiError,
  type FlyLine,
  type GearShed,
  type LeaderSpool,
  type Reel,
  type Rod,
  type Scrap,
  type Solution,
  type TiedLeader,
} from '../api/client';
import { key } from '../api/keys';
import { draftOf, endDraft } from '../ui/form';
import { useDone } from '../ui/toast';

type Gear = {
  rods: Rod;
  lines: FlyLine;
  reels: Reel;
  scraps: Scrap;
  'leader-spools': LeaderSpool;
  leaders: TiedLeader;
};
export type GearKind = keyof Gear;

export const useShed = () => useQuery({ queryKey: key('shed'), queryFn: () => unwrap(api.GET('/api/shed')) });

/** A piece as it stands in a list of choices. */
export const taggedName = ({ id, tag, name }: { id: number; tag: string; name: string }) => ({
  id,
  name: `${tag} ${name}`,
});

/** The line a bench starts with: today's when it is in the shed and of known mass, otherwise the first of known mass. */
export const lineToStart = ({ lines }: GearShed, today: Solution | null) => {
  const weighed = lines.filter((l) => (l.massKg ?? null) !== null);
  return weighed.find((l) => l.id === today?.outfit.line.id) ?? weighed[0];
};

// The paths of all gear differ by one word, which the generated types cannot express.
const shelf = (kind: GearKind) => `/api/shed/${kind}` as '/api/shed/rods';

/** The pieces of a kind in the shed; scraps are in the drawer. */
export const inShed = (shed: GearShed, kind: Exclude<GearKind, 'scraps'>) =>
  kind === 'leader-spools' ? shed.leaderSpools : shed[kind];

/** A piece as stored now; undefined when it was archived. */
export async function current<K extends GearKind>(kind: K, id: number): Promise<Gear[K] | undefined> {
  const pieces: Gear[GearKind][] =
    kind === 'scraps' ? await unwrap(api.GET('/api/shed/scraps')) : inShed(await unwrap(api.GET('/api/shed')), kind);
  return pieces.find((p) => p.id === id) as Gear[K] | undefined;
}

/** Adds a piece, or updates it when it has an id; refused (412) when it was changed since the version it carries. */
export const keepPiece = <K extends GearKind>(kind: K, piece: Gear[K]) =>
  unwrap(
    piece.id
      ? api.PUT(`${shelf(kind)}/{id}`, { ...onVersion(piece.id, piece.version), body: piece as Rod })
      : api.POST(shelf(kind), { body: piece as Rod }),
  ) as Promise<Gear[K]>;

/** Stores a copy of a piece under the next free tag, with its measurements. */
const duplicate = <K extends GearKind>(kind: K, piece: Gear[K]) =>
  keepPiece(kind, { ...piece, id: 0, version: 0, tag: '', name: `${piece.name}, copy`.slice(0, 80) });

export const putAway = (kind: GearKind, which: number): Promise<unknown> =>
  unwrap<unknown>(api.DELETE(`${shelf(kind)}/{id}`, { params: { path: { id: which } } }));

export const bringBack = (kind: GearKind, which: number): Promise<unknown> =>
  unwrap<unknown>(api.POST(`${shelf(kind)}/{id}/restore`, { params: { path: { id: which } } }));

/** Adds, copies and archives pieces: refetches what depends on them, reports it, and offers undo. */
export function useShelving() {
  const done = useDone();
  return {
    copy: async (kind: GearKind, piece: Gear[GearKind]) => {
      const made = await duplicate(kind, piece as Rod & FlyLine & Reel & Scrap & LeaderSpool & TiedLeader);
      done(`${made.tag} is a copy of ${piece.tag}.`, () => putAway(kind, made.id));
    },
    away: async (kind: GearKind, { id, tag }: { id: number; tag: string }) => {
      await putAway(kind, id);
      endDraft(draftOf(kind, id));
      done(`${tag} was put away.`, () => bringBack(kind, id));
    },
    /** Reports a piece that is new in the shed. */
    added: (kind: GearKind, { id, tag, name }: { id: number; tag: string; name: string }) =>
      done(`${tag} ${name} is in the shed.`, () => putAway(kind, id)),
  };
}

const alike = (a: object, b: object) => JSON.stringify({ ...a, version: 0 }) === JSON.stringify({ ...b, version: 0 });

/** Undoes one change, unless the piece was changed again. */
async function takeBack<K extends GearKind>(kind: K, before: Gear[K], left: Gear[K]) {
  const now = await current(kind, before.id);
  if (!now || !alike(now, left)) throw new ApiError(`${before.tag} was changed again since, so this stays.`, 412, {});
  await keepPiece(kind, { ...before, version: now.version });
}

/** Stores a measurement with a piece, reports it, and offers undo. Throws what is refused. */
export function useKeeping<K extends GearKind>(kind: K, piece: Gear[K]) {
  const done = useDone();
  const keep = async (work: () => Promise<Gear[K]>, said: string) => {
    const left = await work();
    done(said, () => takeBack(kind, piece, left));
    return left;
  };
  return { keep };
}
