import { expect, test } from '@playwright/test';
import type { CastMoment, Kind, Quantity } from '../../client/src/api/client';
import { lineAt, momentAt } from '../../client/src/drawing/castShape';
import { lay, thickness } from '../../client/src/drawing/serpentine';
import { formatQuantity } from '../../client/src/ui/quantity';

const laid = lay({ totalM: 32, rows: 4, left: 4, right: 616, top: 74, gap: 104 });

test('a line laid to and fro keeps its true length, turns included', () => {
  let length = 0;
  for (let i = 0; i < 6400; i++) {
    const [a, b] = [laid.at((i * 32) / 6400), laid.at(((i + 1) * 32) / 6400)];
    length += Math.hypot(b.x - a.x, b.y - a.y);
  }
  expect(length / laid.pxPerM).toBeCloseTo(32, 2);
});

test('it never jumps and its outline never changes sides', () => {
  const points = Array.from({ length: 3200 }, (_, i) => laid.at(i / 100));
  const pairs = points.slice(1).map((b, i) => [points[i]!, b] as const);
  expect(Math.max(...pairs.map(([a, b]) => Math.hypot(b.x - a.x, b.y - a.y)))).toBeLessThan(0.012 * laid.pxPerM);
  expect(Math.min(...pairs.map(([a, b]) => a.nx * b.nx + a.ny * b.ny))).toBeGreaterThan(0.9);
});

test('a label finds the longest straight part of its stretch', () => {
  const middle = laid.straightMiddle(2, 14);
  expect(middle.flat).toBe(true);
  expect(laid.straightMiddle(0, 1).row).toBe(0);
});

test('a line is as thick where it is drawn as its stretches say', () => {
  const thick = thickness([
    { lengthM: 2, startM: 0.0009, endM: 0.0014 },
    { lengthM: 10, startM: 0.0014, endM: 0.0014 },
    { lengthM: 15, startM: 0.0008, endM: 0.0008 },
  ]);
  expect(thick(0)).toBeCloseTo(0.0009, 9);
  expect(thick(1)).toBeCloseTo(0.00115, 9);
  expect(thick(6)).toBeCloseTo(0.0014, 9);
  expect(thick(26)).toBeCloseTo(0.0008, 9);
});

const unit = (name: string, scale: number, offset = 0) => ({ name, scale, offset });
const standards = {
  units: [
    { kind: 'length' as Kind, trade: unit('ft', 0.3048), metric: unit('m', 1) },
    { kind: 'lineMass' as Kind, trade: unit('gr', 64.79891e-6), metric: unit('g', 1e-3) },
    { kind: 'diameter' as Kind, trade: unit('thou', 25.4e-6), metric: unit('mm', 1e-3) },
    { kind: 'temperature' as Kind, trade: unit('°F', 1 / 1.8, -32 / 1.8), metric: unit('°C', 1) },
    { kind: 'lineClass' as Kind, trade: unit('#', 1), metric: unit('#', 1) },
  ],
  xNumber: unit('X', -25.4e-6, 11 * 25.4e-6),
};
const say = (value: number, kind: Kind, system: 'trade' | 'metric', plusMinus: number | null = null) =>
  formatQuantity({ value, kind, plusMinus } as Quantity, system, standards).replace(' ', ' ');

test('quantities are said as people say them', () => {
  expect(say(18.288, 'length', 'trade')).toBe('60 ft');
  expect(say(150, 'length', 'trade')).toBe('492 ft');
  expect(say(17.04, 'length', 'metric')).toBe('17 m');
  expect(say(0.0155517384, 'lineMass', 'trade')).toBe('240 gr');
  expect(say(0.00004, 'lineMass', 'trade')).toBe('0.62 gr');
  expect(say(0.0001778, 'diameter', 'trade')).toBe('4X');
  expect(say(0.0004, 'diameter', 'trade')).toBe('0.016 in');
  expect(say(0.0004, 'diameter', 'metric')).toBe('0.4 mm');
  expect(say(14, 'temperature', 'trade')).toBe('57°F');
  expect(say(7.3, 'lineClass', 'trade', 0.3)).toBe('7.3 ± 0.3');
});

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
