import { useEffect, useRef, useState } from 'react';
import { Trouble } from '../api/client';

/**
 * What somebody types, read by the core a moment later. Text that cannot be read stays where it is, with words about it,
 * until it is mended.
 */
export function useReading<T>(read: (text: string) => Promise<T>, onRead: (value: T) => void) {
  const [typed, setTyped] = useState<string | null>(null);
  const [unread, setUnread] = useState<string | null>(null);
  const turn = useRef(0);

  useEffect(() => {
    if (typed === null) return;
    const mine = ++turn.current;
    const timer = setTimeout(async () => {
      try {
        const value = await read(typed);
        if (mine !== turn.current) return;
        setUnread(null);
        onRead(value);
      } catch (error) {
        if (mine === turn.current && error instanceof Trouble) setUnread(error.fields.text ?? error.message);
      }
    }, 140);
    return () => clearTimeout(timer);
    // The caller's functions are new at every render; only what was typed starts a reading.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [typed]);

  return { typed, unread, type: setTyped, leave: () => unread === null && setTyped(null) };
}
