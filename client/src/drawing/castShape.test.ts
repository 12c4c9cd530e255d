import { expect, test } from 'vitest';
import type { CastMoment } from '../api/client';
import { lineAt, momentAt } from './castShape';

const thrown = { loopM: 1, tipHeightM: 2.8, leaderM: 2.5, headM: 11, angleRad: 0.1 };
const moment = (timeS: number, upperM: number, bendM: number, heightM: number): CastMoment => ({
  timeS,
  upperM,
  bendM,
  heightM,
  flyLegMps: 20,
  rodLegMps: 2,
  tensionN: 0.05,
  shotM: 0,
});

test('a cast begins with the whole line behind the rod and ends with the fly at the bend', () => {
  const start = lineAt(thrown, moment(0, 13.5, 0, 2.8));
  expect(start.fly.x).toBeCloseTo(-13.5 * Math.cos(0.1), 6);
  expect(start.head.at(-1)!.x).toBeLessThanOrEqual(0.5);
  const end = lineAt(thrown, moment(1.4, 0, 16, 0));
  expect(end.fly).toEqual({ x: 16 * Math.cos(0.1), z: 0 });
});

test('in between the loop joins both legs, and leader, head and running line meet end to end', () => {
  const middle = lineAt(thrown, moment(0.6, 6, 9, 2.9));
  expect(middle.leader.at(-1)).toEqual(middle.head[0]);
  expect(middle.head.at(-1)!.x).toBeCloseTo(middle.running[0]!.x, 6);
  const rightmost = Math.max(...middle.head.map((p) => p.x));
  expect(rightmost).toBeGreaterThan(9 * Math.cos(0.1));
  expect(middle.running.at(-1)!.x).toBeCloseTo(0, 6);
  expect(middle.running.at(-1)!.z).toBeCloseTo(2.8, 6);
});

test('a moment between two that are known lies between them, and the ends hold', () => {
  const moments = [moment(0, 13, 0, 2.8), moment(0.2, 11, 2, 3)];
  expect(momentAt(moments, 0.1).upperM).toBeCloseTo(12, 9);
  expect(momentAt(moments, -1)).toEqual(moments[0]);
  expect(momentAt(moments, 9)).toEqual(moments[1]);
});
