import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { api, unwrap, type Trip } from '../api/client';
import { Autosave, type Saving } from './autosave';

/** A kept trip while it is worked on: every change is kept a moment later, and can be taken back. */
export function useTrip(loaded: Trip) {
  const queries = useQueryClient();
  const { id } = loaded;
  const [trip, setTrip] = useState(loaded);
  const latest = useRef(loaded);
  const [past, setPast] = useState<Trip[]>([]);
  const [saving, setSaving] = useState<Saving>({ state: 'saved' });
  const [autosave] = useState(
    () =>
      new Autosave<Trip, Trip>(
        loaded,
        loaded.version,
        (body, version, keepalive) =>
          unwrap(
            api.PUT('/api/trips/{id}', { params: { path: { id } }, body: { ...body, version }, keepalive }),
          ) as Promise<Trip>,
        setSaving,
        (fresh) => {
          queries.setQueryData(['trip', id], fresh);
          void queries.invalidateQueries({ queryKey: ['trips'] });
        },
      ),
  );
  useEffect(() => {
    const leave = () => void autosave.leave();
    window.addEventListener('pagehide', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      leave();
    };
  }, [autosave]);
  const show = useCallback(
    (next: Trip) => {
      latest.current = next;
      setTrip(next);
      if (autosave.isAhead(next)) setSaving({ state: 'typed' });
      autosave.put(next);
    },
    [autosave],
  );
  return {
    trip,
    saving,
    set: (change: Partial<Trip>) => {
      const before = latest.current;
      setPast((all) => [...all.slice(-99), before]);
      show({ ...latest.current, ...change });
    },
    undo:
      past.length > 0
        ? () => {
            show(past.at(-1)!);
            setPast((all) => all.slice(0, -1));
          }
        : null,
    /** What was changed elsewhere is overwritten, or taken instead of what is here. */
    settle: async (mine: boolean) => {
      const theirs = (await unwrap(api.GET('/api/trips/{id}', { params: { path: { id } } }))) as Trip;
      if (mine) return autosave.keepMine(theirs.version);
      autosave.takeTheirs(theirs, theirs.version);
      latest.current = theirs;
      setTrip(theirs);
    },
  };
}
