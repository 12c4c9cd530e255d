import { expect, test } from 'vitest';
import { begin, change, mostSteps, redo, replace, sameStepMs, undo, type History } from './history';

const set = (h: History<string>, key: string, at: number, to: string) => change(h, key, at, () => to);
const first = () => set(set(begin('calm'), 'wind', 0, 'breeze'), 'fly', 5000, 'streamer');

test('undo goes back one change at a time, and redo forward again', () => {
  const back = undo(first());
  expect(back.now).toBe('breeze');
  expect(undo(back).now).toBe('calm');
  expect(redo(redo(undo(back))).now).toBe('streamer');
});

test('at either end nothing happens, and nothing is marked as changed', () => {
  const h = begin('calm');
  expect(undo(h)).toBe(h);
  expect(redo(h)).toBe(h);
});

test('a drag is one step: changes of one thing close together join', () => {
  let h = begin('calm');
  for (let i = 1; i <= 20; i++) h = set(h, 'wind', i * 50, `${i} kn`);
  expect(h.now).toBe('20 kn');
  expect(h.burst).toBe(1);
  expect(undo(h).now).toBe('calm');
});

test('the same thing again after a rest is another step; so is another thing at once', () => {
  const h = set(begin('calm'), 'wind', 0, 'breeze');
  expect(undo(set(h, 'wind', sameStepMs, 'gale')).now).toBe('breeze');
  expect(undo(set(h, 'hand', 1, 'left')).now).toBe('breeze');
});

test('what an instrument feeds in is one step however long it is listened to', () => {
  let h = begin('calm');
  for (let i = 0; i < 5; i++) h = set(h, 'live-wind', i * 10_000, `gust ${i}`);
  expect(undo(h).now).toBe('calm');
});

test('a change after an undo forgets what was undone', () => {
  const h = set(undo(first()), 'fly', 9000, 'nymph');
  expect(redo(h)).toBe(h);
  expect(h.past).toEqual(['calm', 'breeze']);
});

test('a change right after an undo is a step of its own, even of the same thing', () => {
  const h = set(undo(set(begin('calm'), 'wind', 0, 'breeze')), 'wind', 1, 'gale');
  expect(undo(h).now).toBe('calm');
});

test('a hundred steps are kept, the oldest go first', () => {
  let h = begin('0');
  for (let i = 1; i <= 150; i++) h = set(h, `key ${i}`, i, `${i}`);
  expect(h.past).toHaveLength(mostSteps);
  while (h.past.length > 0) h = undo(h);
  expect(h.now).toBe('50');
});

test('what was kept elsewhere begins a history anew and counts as changed', () => {
  const h = replace(first(), 'theirs');
  expect(h).toMatchObject({ past: [], now: 'theirs', future: [], burst: 3 });
});
