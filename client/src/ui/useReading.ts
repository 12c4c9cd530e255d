import { createContext, useContext, useEffect, useLayoutEffect, useRef, useState, useSyncExternalStore } from 'react';
import { flushSync } from 'react-dom';
import { ApiError, isPassing } from '../api/client';
import type { Texts } from './texts';

const underWay = new Set<Promise<void>>();
const waiting = new Set<object>();
const listeners = new Set<() => void>();
const tell = () => listeners.forEach((listener) => listener());
const listen = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** Whether typed text is being read, or waits because nobody answers. */
export const useEntries = () =>
  useSyncExternalStore(listen, () => (waiting.size > 0 ? 'waiting' : underWay.size > 0 ? 'reading' : 'read'));

/** Waits until everything typed so far was read. Resolves to the first field of the form that could not be read, focused, or to null. */
export async function settleEntries(form: HTMLElement): Promise<HTMLElement | null> {
  while (underWay.size > 0) await Promise.all(underWay);
  const unread = form.querySelector<HTMLElement>('[data-unread]');
  unread?.focus();
  return unread;
}

/** Where unread texts are kept; without it they last until the page is left. */
export const TextsContext = createContext<Texts | null>(null);

/** Pause before typed text is read, and before it is tried again when nobody answered, ms. */
const restMs = 120;
const againMs = 2500;

/** The newest value, for work that outlives the render that started it. */
function useNewest<T>(value: T) {
  const newest = useRef(value);
  useLayoutEffect(() => {
    newest.current = value;
  });
  return newest;
}

/** The text of one field at its path in the form. */
function useText(at: string, texts: Texts | null, reset: () => void) {
  const [field] = useState(() => ({}));
  const now = useNewest({ at, reset });
  // The path may change while it is mounted; mounting happens once.
  useLayoutEffect(() => {
    texts?.came(field, now.current.at, () => now.current.reset());
    return () => texts?.went(field);
  }, [field, texts, now]);
  useLayoutEffect(() => texts?.moved(field, at), [field, texts, at]);
  return (text: string | null) => texts?.put(field, text);
}

/**
 * Typed text, read by the core a moment later. It stays as typed while the field has the focus or cannot be read; leaving the field never
 * loses text that is still being read, and text that nobody answered is tried again. What was read is applied to the field as it is then.
 */
export function useReading<T>(
  at: string,
  read: (text: string) => Promise<T>,
  onRead: (value: T) => void,
  own?: Texts | undefined,
) {
  const around = useContext(TextsContext);
  const texts = own ?? around;
  const [typed, setTyped] = useState<string | null>(() => texts?.leftAt(at) ?? null);
  const turn = useRef(0);
  const [unread, setUnread] = useState<string | null>(null);
  const keep = useText(at, texts, () => {
    turn.current++;
    setTyped(null);
    setUnread(null);
  });
  const [tries, setTries] = useState(0);
  // A restored text counts as left.
  const left = useRef(typed !== null);
  const done = useRef<string | null>(null);
  const waits = useRef({});
  const newest = useNewest({ read, onRead, keep });
  useEffect(() => {
    const [wait, turns] = [waits.current, turn];
    return () => {
      // An unmounted field takes nothing in any more.
      turns.current++;
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
        const value = await newest.current.read(typed);
        if (mine !== turn.current) return;
        done.current = typed;
        waiting.delete(wait);
        newest.current.keep(null);
        // At once, so that whoever waits for the entries does not see this one as unread.
        flushSync(() => {
          setUnread(null);
          newest.current.onRead(value);
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
  }, [typed, tries, newest]);

  return {
    typed,
    unread,
    type: (text: string) => {
      left.current = false;
      done.current = null;
      keep(text);
      setTyped(text);
    },
    leave: () => {
      left.current = true;
      if (typed !== null && typed === done.current) setTyped(null);
    },
  };
}
