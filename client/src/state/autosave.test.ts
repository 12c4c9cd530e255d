import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { ApiError } from '../api/client';
import { againMs, Autosave, restMs, type Saving } from './autosave';

type Brief = { name: string };
type Written = { name: string; version: number; leaving: boolean };

/** A keeper of briefs with a version, which can be made to fail. */
function keeper(fails: ApiError[] = []) {
  const written: Written[] = [];
  const told: Saving[] = [];
  let version = 7;
  let wait = Promise.resolve();
  const autosave = new Autosave<Brief, { version: number }>(
    { name: 'as opened' },
    version,
    async (now, given, leaving) => {
      await wait;
      const failure = fails.shift();
      if (failure) throw failure;
      written.push({ name: now.name, version: given, leaving });
      return { version: (version = given + 1) };
    },
    (saving) => told.push(saving),
    () => {},
  );
  return {
    autosave,
    written,
    last: () => told.at(-1),
    states: () => told.map((s) => s.state),
    hold: () => {
      let go = () => {};
      wait = new Promise((done) => (go = done));
      return go;
    },
  };
}

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());
const rest = (ms = restMs) => vi.advanceTimersByTimeAsync(ms);

test('what is typed in a row is written once, when the hands rest', async () => {
  const { autosave, written, states } = keeper();
  for (const name of ['p', 'pi', 'pik', 'pike']) {
    autosave.put({ name });
    await rest(restMs - 1);
  }
  expect(written).toEqual([]);
  await rest(1);
  expect(written).toEqual([{ name: 'pike', version: 7, leaving: false }]);
  expect(states()).toEqual(['saving', 'saved']);
});

test('what is as it was kept is not written again', async () => {
  const { autosave, written } = keeper();
  autosave.put({ name: 'as opened' });
  await rest();
  expect(written).toEqual([]);
  expect(autosave.isAhead({ name: 'as opened' })).toBe(false);
  expect(autosave.isAhead({ name: 'other' })).toBe(true);
});

test('one write at a time, each with the version the last one made', async () => {
  const { autosave, written, hold } = keeper();
  const go = hold();
  autosave.put({ name: 'first' });
  await rest();
  autosave.put({ name: 'second' });
  await rest();
  expect(written).toEqual([]);
  go();
  await rest();
  expect(written.map((w) => [w.name, w.version])).toEqual([
    ['first', 7],
    ['second', 8],
  ]);
});

test('leaving the page does not wait', async () => {
  const { autosave, written } = keeper();
  autosave.put({ name: 'in a hurry' });
  await autosave.leave();
  expect(written).toEqual([{ name: 'in a hurry', version: 7, leaving: true }]);
  await rest();
  expect(written).toHaveLength(1);
});

test.each([0, 401, 503, 507])('a failure that passes (%i) is tried again until it is kept', async (status) => {
  const { autosave, written, last } = keeper([new ApiError('No room.', status, {})]);
  autosave.put({ name: 'patience' });
  await rest();
  expect(last()?.state).toBe('waiting');
  expect(last()?.words).toContain('trying again');
  await rest(againMs);
  expect(last()?.state).toBe('saved');
  expect(written).toHaveLength(1);
});

test('a refused entry says why at once and is tried again only when it is changed', async () => {
  const { autosave, written, last } = keeper([new ApiError('Look again.', 400, { name: 'This cannot be empty.' })]);
  autosave.put({ name: '' });
  await rest();
  expect(last()).toEqual({ state: 'refused', words: 'This cannot be empty.' });
  await rest(10 * againMs);
  expect(written).toEqual([]);
  autosave.put({ name: 'named' });
  await rest();
  expect(last()?.state).toBe('saved');
});

test('changed elsewhere: mine goes over theirs, under their version', async () => {
  const { autosave, written, last } = keeper([new ApiError('Changed elsewhere.', 412, {})]);
  autosave.put({ name: 'mine' });
  await rest();
  expect(last()).toEqual({ state: 'stale', words: 'Changed elsewhere.' });
  autosave.keepMine(12);
  await rest();
  expect(written).toEqual([{ name: 'mine', version: 12, leaving: false }]);
});

test('changed elsewhere: theirs is taken, and nothing is written over it', async () => {
  const { autosave, written, last } = keeper([new ApiError('Changed elsewhere.', 412, {})]);
  autosave.put({ name: 'mine' });
  await rest();
  autosave.takeTheirs({ name: 'theirs' }, 12);
  autosave.put({ name: 'theirs' });
  await rest(again());
  expect(written).toEqual([]);
  expect(last()).toEqual({ state: 'saved' });
});

const again = () => againMs + restMs;

test('a fault without words is said to be one, and tried again', async () => {
  const { autosave, last } = keeper([new TypeError('a hole') as unknown as ApiError]);
  autosave.put({ name: 'mine' });
  await rest();
  expect(last()?.state).toBe('waiting');
});
