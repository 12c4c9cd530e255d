import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { api, unwrap, type Trip } from '../api/client';
import { Autosave, type Saving } from './autosave';
import { begin, change, redo, replace, undo } from './history';

/** A kept trip while it is worked on: every change is kept a moment later, and can be taken back. */
export function useTrip(loaded: Trip) {
  const queries = useQueryClient();
  const { id } = loaded;
  const [history, step] = useState(() => begin(loaded));
  const { now } = history;
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
  useEffect(() => autosave.put(now), [autosave, now]);
  useEffect(() => {
    const leave = () => void autosave.leave();
    window.addEventListener('pagehide', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      leave();
    };
  }, [autosave]);
  return {
    trip: now,
    saving: saving.state === 'saved' && autosave.isAhead(now) ? ({ state: 'typed' } as Saving) : saving,
    /** Changes of the same parts within a moment are one step to take back. */
    set: (patch: Partial<Trip>) =>
      step((h) => change(h, Object.keys(patch).join(), Date.now(), (trip) => ({ ...trip, ...patch }))),
    undo: history.past.length > 0 ? () => step(undo) : null,
    redo: history.future.length > 0 ? () => step(redo) : null,
    /** What was changed elsewhere is overwritten, or taken instead of what is here. */
    settle: async (mine: boolean) => {
      const theirs = (await unwrap(api.GET('/api/trips/{id}', { params: { path: { id } } }))) as Trip;
      if (mine) return autosave.keepMine(theirs.version);
      autosave.takeTheirs(theirs, theirs.version);
      step((h) => replace(h, theirs));
    },
  };
}
