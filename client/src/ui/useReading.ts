import { createContext, useContext, useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { flushSync } from 'react-dom';
import { ApiError, isPassing } from '../api/client';
import { forget, recall, remember } from './remember';

const underWay = new Set<Promise<void>>();
const waiting = new Set<object>();
const listeners = new Set<() => void>();
const tell = () => listeners.forEach((listener) => listener());
const listen = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** Whether something typed is being read, or waits to be read because nobody answers. */
export const useEntries = () =>
  useSyncExternalStore(listen, () => (waiting.size > 0 ? 'waiting' : underWay.size > 0 ? 'reading' : 'read'));

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

/** Within this, what was typed and not read yet is kept in the browser under this name, and found again after a reload. */
export const EntryScope = createContext<string | null>(null);

/** How long until something typed is read, and until it is tried again when nobody answered, ms. */
const restMs = 120;
const againMs = 2500;

/**
 * What somebody types, read by the core a moment later. It stays as typed while the field has the focus or cannot be read;
 * leaving the field never loses an entry that is still being read, and one that nobody answered is tried again.
 */
export function useReading<T>(name: string, read: (text: string) => Promise<T>, onRead: (value: T) => void) {
  const scope = useContext(EntryScope);
  const place = scope && `entry-${scope}-${name}`;
  const [typed, setTyped] = useState<string | null>(() => (place ? recall(place) : null));
  const [unread, setUnread] = useState<string | null>(null);
  const [tries, setTries] = useState(0);
  const turn = useRef(0);
  // What was found again has been left long ago.
  const left = useRef(typed !== null);
  const done = useRef<string | null>(null);
  const waits = useRef({});
  useEffect(() => {
    const wait = waits.current;
    return () => {
      if (waiting.delete(wait)) tell();
    };
  }, []);

  useEffect(() => {
    if (typed === null || typed === done.current) return;
    const mine = ++turn.current;
    let begun = false;
    let settle = () => {};
    const reading = new Promise<void>((done) => (settle = done));
    const wait = waits.current;
    let again: ReturnType<typeof setTimeout> | undefined;
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
        waiting.delete(wait);
        if (place) forget(place);
        // At once, so that whoever waits for the entries sees none that is only still shown as unread.
        flushSync(() => {
          setUnread(null);
          onRead(value);
          if (left.current) setTyped(null);
        });
      } catch (error) {
        if (mine === turn.current && error instanceof ApiError) {
          flushSync(() => setUnread(error.fields.text ?? error.message));
          if (isPassing(error)) {
            waiting.add(wait);
            again = setTimeout(() => setTries((n) => n + 1), againMs);
          } else waiting.delete(wait);
        }
      } finally {
        end();
      }
    }, restMs);
    return () => {
      clearTimeout(timer);
      clearTimeout(again);
      if (!begun) end();
    };
    // The caller's functions are new at every render; only what was typed, or another try, starts a reading.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [typed, tries]);

  return {
    typed,
    unread,
    type: (text: string) => {
      left.current = false;
      done.current = null;
      if (place) remember(place, text);
      setTyped(text);
    },
    leave: () => {
      left.current = true;
      if (typed !== null && typed === done.current) setTyped(null);
    },
  };
}
