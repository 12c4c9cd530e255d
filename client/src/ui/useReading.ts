import { useEffect, useRef, useState } from 'react';
import { Trouble } from '../api/client';

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
    const timer = setTimeout(async () => {
      try {
        const value = await read(typed);
        if (mine !== turn.current) return;
        done.current = typed;
        setUnread(null);
        onRead(value);
        if (left.current) setTyped(null);
      } catch (error) {
        if (mine === turn.current && error instanceof Trouble) setUnread(error.fields.text ?? error.message);
      }
    }, 120);
    return () => clearTimeout(timer);
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
