import { useLayoutEffect, useRef } from 'react';
import { settleEntries } from './useReading';

/**
 * For a button that acts on what was typed: waits until everything typed about it has been read, then hands over
 * the newest value. Does nothing when an entry cannot be read; the focus is on it then. The entries are those
 * within the nearest part marked data-entries.
 */
export function useSettled<T>(value: T) {
  const latest = useRef(value);
  useLayoutEffect(() => {
    latest.current = value;
  });
  return async (pressed: Element, act: (value: T) => unknown) => {
    const within = pressed.closest<HTMLElement>('[data-entries]') ?? document.body;
    if (await settleEntries(within)) return;
    // What was read is on the screen a frame later, and with it the newest value here.
    await new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
    await act(latest.current);
  };
}
