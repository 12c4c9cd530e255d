import type { Leader, LinkId, SpoolFill, Stretch } from '../api/client';

export const linkIds: LinkId[] = ['fly', 'tippet', 'leader', 'head', 'running', 'backing', 'reel', 'rod', 'hand'];

/** A fly as it is drawn. Lengths in metres. */
export type FlyFigures = {
  kind: { id: string; name: string };
  hook: { lengthM: number; gapeM: number; wireM: number };
  bodyM: number;
};

/** A spool as it is drawn. */
export type SpoolFigures = { fill: SpoolFill };

/** What the chain is drawn from: lengths in metres, of any outfit, whoever put it together. */
export type OutfitFigures = SpoolFigures & {
  fly: FlyFigures;
  leader: Pick<Leader, 'pieces' | 'lengthM' | 'tippetLengthM'>;
  headM: number;
  lineM: number;
  stretches: Stretch[];
  rodM: number;
  carryM: number;
  shootM: number;
  distanceM: number;
};

/** Where each drawn link begins and ends along the line, metres from the fly, and how thick it is. */
export function laidOut({ leader, headM, lineM, stretches }: OutfitFigures) {
  const pieces = [...leader.pieces].reverse().map((p) => ({ lengthM: p.lengthM, startM: p.endM, endM: p.startM }));
  const leaderM = leader.lengthM;
  const tippetM = leader.tippetLengthM;
  return {
    spans: {
      tippet: [0, tippetM],
      leader: [tippetM, leaderM],
      head: [leaderM, leaderM + headM],
      running: [leaderM + headM, leaderM + lineM],
    } as Record<'tippet' | 'leader' | 'head' | 'running', [number, number]>,
    totalM: leaderM + lineM,
    stretches: [...pieces, ...stretches],
  };
}
