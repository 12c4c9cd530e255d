/** Undo and redo of a value that is replaced as a whole. Pure: every step returns a new history. */
export type History<T> = {
  past: readonly T[];
  now: T;
  future: readonly T[];
  /** Key and time, ms, of the last change: quick changes with the same key are one step. */
  lastKey: string;
  lastAt: number;
  /** Counts steps, so that what changed since the last one can be marked. */
  burst: number;
};

/** Dragging makes many changes with one key; within this time of each other they are one undo step, ms. */
export const sameStepMs = 900;

/** Steps that can be undone. */
export const mostSteps = 100;

// Readings of an instrument are one step, however long it runs.
const live = (key: string) => key.startsWith('live-');

export const begin = <T>(now: T): History<T> => ({ past: [], now, future: [], lastKey: '', lastAt: 0, burst: 0 });

/** The history after a change under a key at a time, ms. */
export function change<T>(h: History<T>, key: string, at: number, to: (now: T) => T): History<T> {
  const joins = key === h.lastKey && (live(key) || at - h.lastAt < sameStepMs);
  return {
    past: joins ? h.past : [...h.past.slice(1 - mostSteps), h.now],
    now: to(h.now),
    future: [],
    lastKey: key,
    lastAt: at,
    burst: joins ? h.burst : h.burst + 1,
  };
}

export function undo<T>(h: History<T>): History<T> {
  if (h.past.length === 0) return h;
  return {
    ...begin(h.past.at(-1)!),
    past: h.past.slice(0, -1),
    future: [h.now, ...h.future],
    burst: h.burst + 1,
  };
}

export function redo<T>(h: History<T>): History<T> {
  const [next, ...rest] = h.future;
  if (next === undefined) return h;
  return { ...begin(next), past: [...h.past, h.now], future: rest, burst: h.burst + 1 };
}

/** Starts anew with what was saved elsewhere. */
export const replace = <T>(h: History<T>, now: T): History<T> => ({ ...begin(now), burst: h.burst + 1 });
