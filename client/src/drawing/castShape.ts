import type { CastAnswer, CastMoment } from '../api/client';

/** Metres over the water from below the rod tip, and metres above the water. */
export type Point = { x: number; z: number };

type Shape = Pick<CastAnswer, 'loopM' | 'tipHeightM' | 'leaderM' | 'headM'> & { angleRad: number };

export const shapeOf = (answer: CastAnswer): Shape => ({ ...answer, angleRad: answer.cast.angleRad });

/** The moment at a time between two that are known; the ends hold beyond them. */
export function momentAt(moments: CastMoment[], timeS: number): CastMoment {
  const after = moments.findIndex((m) => m.timeS >= timeS);
  if (after <= 0) return after === 0 ? moments[0]! : moments.at(-1)!;
  const [a, b] = [moments[after - 1]!, moments[after]!];
  const t = (timeS - a.timeS) / Math.max(1e-9, b.timeS - a.timeS);
  const mix = (key: keyof CastMoment) => a[key] + (b[key] - a[key]) * t;
  return {
    timeS,
    upperM: mix('upperM'),
    bendM: mix('bendM'),
    heightM: mix('heightM'),
    flyLegMps: mix('flyLegMps'),
    rodLegMps: mix('rodLegMps'),
    tensionN: mix('tensionN'),
    shotM: mix('shotM'),
  };
}

/** The line at one moment as runs of points: leader, head and running line, each from the fly towards the rod. */
export function lineAt(shape: Shape, m: CastMoment) {
  const { cos, sin } = { cos: Math.cos(shape.angleRad), sin: Math.sin(shape.angleRad) };
  const outM = m.upperM + m.bendM;
  const bend: Point = { x: m.bendM * cos, z: m.heightM };
  // The loop closes as the last of the fly leg runs through it.
  const loop = Math.min(shape.loopM, m.upperM * 0.8);
  const upper = (s: number): Point => {
    const back = m.upperM - s;
    return { x: bend.x - back * cos, z: Math.max(0, bend.z + loop - back * sin) };
  };
  // The rod holds the line up at the tip; further out it has fallen as far as the loop has.
  const fallen = shape.tipHeightM + m.bendM * sin - m.heightM;
  const lower = (s: number): Point => {
    const t = m.bendM <= 0 ? 0 : Math.max(0, (outM - s) / m.bendM);
    return { x: bend.x * t, z: Math.max(0, shape.tipHeightM + m.bendM * sin * t - fallen * t ** 0.65) };
  };
  const rodLeg = (from: number, to: number) =>
    Array.from({ length: 13 }, (_, i) => lower(from + ((to - from) * i) / 12));
  const turn = Array.from({ length: 9 }, (_, i) => {
    const a = Math.PI / 2 - (Math.PI * (i + 1)) / 10;
    return { x: bend.x + (loop / 2) * Math.cos(a), z: bend.z + loop / 2 + (loop / 2) * Math.sin(a) };
  });
  const run = (from: number, to: number): Point[] => {
    const end = Math.min(to, outM);
    if (end <= from) return [];
    if (end <= m.upperM) return [upper(from), upper(end)];
    if (from >= m.upperM) return rodLeg(from, end);
    return [upper(from), upper(m.upperM), ...turn, ...rodLeg(m.upperM, end)];
  };
  return {
    fly: upper(0),
    leader: run(0, shape.leaderM),
    head: run(shape.leaderM, shape.leaderM + shape.headM),
    running: run(shape.leaderM + shape.headM, Infinity),
  };
}
