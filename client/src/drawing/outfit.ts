import type { FlyLine, LinkId, Solution } from '../api/client';

export const linkIds: LinkId[] = ['fly', 'tippet', 'leader', 'head', 'running', 'backing', 'reel', 'rod', 'hand'];

export type Stretch = { lengthM: number; startM: number; endM: number };

/** The stretches of a line from its tip, as its profile is described. */
export function lineStretches(line: FlyLine): Stretch[] {
  if (line.measured) return line.measured;
  const tip = line.tipDiameterM ?? 0.0009;
  const belly = line.bellyDiameterM ?? 0.0014;
  const running = line.runningDiameterM ?? 0.0009;
  const double = line.build === 'doubleTaper';
  const front = Math.min(line.frontTaperM ?? 2, line.headM);
  const rear = Math.min(double ? front : (line.rearTaperM ?? 1.5), line.headM - front);
  return [
    { lengthM: front, startM: tip, endM: belly },
    { lengthM: Math.max(0, line.headM - front - rear), startM: belly, endM: belly },
    { lengthM: rear, startM: belly, endM: double ? tip : running },
    { lengthM: Math.max(0, line.lengthM - line.headM), startM: running, endM: running },
  ].filter((s) => s.lengthM > 0);
}

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
    stretches: [...pieces, ...lineStretches(line)],
  };
}
