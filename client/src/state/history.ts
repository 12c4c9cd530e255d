/** Undo and redo of anything that is replaced whole. Pure: every step gives a new history. */
export type History<T> = {
  past: readonly T[];
  now: T;
  future: readonly T[];
  /** What the last change was of, and when, ms: changes of one thing in quick succession are one step. */
  lastKey: string;
  lastAt: number;
  /** Counts steps, so that what changed since the last one can be marked. */
  burst: number;
};

/** Dragging makes many changes of one thing; within this long of each other they are one step to undo, ms. */
export const sameStepMs = 900;

/** Steps that can be taken back. */
export const mostSteps = 100;

// Whatever an instrument feeds in is one step, however long it is listened to.
const live = (key: string) => key.startsWith('live-');

export const begin = <T>(now: T): History<T> => ({ past: [], now, future: [], lastKey: '', lastAt: 0, burst: 0 });

/** The history after a change of the thing named by the key at a time, ms. */
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

/** Begins anew with what was kept elsewhere. */
export const replace = <T>(h: History<T>, now: T): History<T> => ({ ...begin(now), burst: h.burst + 1 });
