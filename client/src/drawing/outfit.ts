import type { LinkId, Solution } from '../api/client';

export const linkIds: LinkId[] = ['fly', 'tippet', 'leader', 'head', 'running', 'backing', 'reel', 'rod', 'hand'];

/** Where each drawn link begins and ends along the line, metres from the fly, and how thick it is. */
export function laidOut(solution: Solution) {
  const { leader, line } = solution.outfit;
  const pieces = [...leader.pieces].reverse().map((p) => ({ lengthM: p.lengthM, startM: p.endM, endM: p.startM }));
  const leaderM = leader.lengthM;
  const tippetM = leader.tippetLengthM;
  return {
    spans: {
      tippet: [0, tippetM],
      leader: [tippetM, leaderM],
      head: [leaderM, leaderM + line.headM],
      running: [leaderM + line.headM, leaderM + line.lengthM],
    } as Record<'tippet' | 'leader' | 'head' | 'running', [number, number]>,
    totalM: leaderM + line.lengthM,
    stretches: [...pieces, ...(line.stretches ?? [])],
  };
}
