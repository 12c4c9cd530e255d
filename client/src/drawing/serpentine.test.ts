import { expect, test } from 'vitest';
import { lay, thickness } from './serpentine';

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
