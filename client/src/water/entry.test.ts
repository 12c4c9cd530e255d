import { expect, test } from 'vitest';
import type { Frame } from '../rooms/briefs/frame';
import { beginning, document, entryOf, newKey } from './entry';

const frame = {
  base: { place: 'the ledge', rodId: 'R6', windMps: 6.17, windFromDeg: 315, casts: [] },
  place: 'zing-water-1',
  distance: { unit: 'ft', scale: 0.3048 },
  wind: { unit: 'kn', scale: 1852 / 3600 },
  choices: { windFrom: [], feel: [], loss: [], distanceBy: [{ id: 'guessed', name: 'by eye' }] },
} as unknown as Frame;

test('a day begins as it was planned, in the reader’s own units', () => {
  const day = beginning(frame, new Date(2026, 5, 3, 23, 50));
  expect(day).toMatchObject({ on: '2026-06-03', place: 'the ledge', wind: 12, from: 315, by: 'guessed', landed: 0 });
});

test('what is filled in is handed over in SI, with the pieces that were planned', () => {
  const day = beginning(frame, new Date(2026, 5, 3));
  const entry = entryOf(frame, { ...day, cast: 60, carry: 33, wind: 18, landed: 2, note: ' <b> ' }, 'k1');
  expect(entry).toMatchObject({ key: 'k1', rodId: 'R6', fish: [{ count: 2 }], note: '<b>', windFromDeg: 315 });
  const [cast] = entry.casts as { distanceM: number; carryM: number; allOut: boolean }[];
  expect(cast!.distanceM).toBeCloseTo(18.288, 9);
  expect(cast!.carryM).toBeCloseTo(10.0584, 9);
  expect(entry.windMps).toBeCloseTo(9.26, 9);
  // What nobody said is not in it.
  expect(Object.keys(entry)).not.toContain('losses');
  expect(JSON.parse(document([entry])).outings).toHaveLength(1);
});

test('no two entries go by the same key', () => {
  expect(new Set(Array.from({ length: 500 }, newKey)).size).toBe(500);
});
