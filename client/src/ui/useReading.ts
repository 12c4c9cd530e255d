import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { ApiError } from '../api/client';

const underWay = new Set<Promise<void>>();
const listeners = new Set<() => void>();
const tell = () => listeners.forEach((listener) => listener());
const listen = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** True while something typed has not been read yet. */
export const useEntriesUnderWay = () => useSyncExternalStore(listen, () => underWay.size > 0);

/**
 * Waits until everything typed so far has been read. Resolves to the first field of the form that could not be, with the
 * focus on it, or to null.
 */
export async function settleEntries(form: HTMLElement): Promise<HTMLElement | null> {
  while (underWay.size > 0) await Promise.all(underWay);
  const unread = form.querySelector<HTMLElement>('[data-unread]');
  unread?.focus();
  return unread;
}

/**
 * What somebody types, read by the core a moment later. It stays as typed while the field has the focus or cannot be read;
 * leaving the field never loses an entry that is still being read.
 */
export function useReading<T>(read: (text: string) => Promise<T>, onRead: (value: T) => void) {
  const [typed, setTyped] = useState<string | null>(null);
  const [unread, setUnread] = useState<string | null>(null);
  const turn = useRef(0);
  const left = useRef(false);
  const done = useRef<string | null>(null);

  useEffect(() => {
    if (typed === null || typed === done.current) return;
    const mine = ++turn.current;
    let begun = false;
    let settle = () => {};
    const reading = new Promise<void>((done) => (settle = done));
    underWay.add(reading);
    tell();
    const end = () => {
      underWay.delete(reading);
      tell();
      settle();
    };
    const timer = setTimeout(async () => {
      begun = true;
      try {
        const value = await read(typed);
        if (mine !== turn.current) return;
        done.current = typed;
        setUnread(null);
        onRead(value);
        if (left.current) setTyped(null);
      } catch (error) {
        if (mine === turn.current && error instanceof ApiError) setUnread(error.fields.text ?? error.message);
      } finally {
        // A moment for the screen to take it up.
        setTimeout(end);
      }
    }, 120);
    return () => {
      clearTimeout(timer);
      if (!begun) end();
    };
    // The caller's functions are new at every render; only what was typed starts a reading.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [typed]);

  return {
    typed,
    unread,
    type: (text: string) => {
      left.current = false;
      done.current = null;
      setTyped(text);
    },
    leave: () => {
      left.current = true;
      if (typed !== null && typed === done.current) setTyped(null);
    },
  };
}
