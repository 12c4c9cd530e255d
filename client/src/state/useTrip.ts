import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useReducer, useState } from 'react';
import { api, onVersion, unwrap, type Trip } from '../api/client';
import { key } from '../api/keys';
import { Autosave, type Saving } from './autosave';
import { begin, change, redo, replace, undo, type History } from './history';

type Step = (history: History<Trip>) => History<Trip>;
const stepped = (history: History<Trip>, step: Step) => step(history);

/** A stored trip being edited: every change is saved a moment later, and can be undone. */
export function useTrip(loaded: Trip) {
  const queries = useQueryClient();
  const { id } = loaded;
  const [history, step] = useReducer(stepped, loaded, begin<Trip>);
  const { now } = history;
  const [saving, setSaving] = useState<Saving>({ state: 'saved' });
  const [autosave] = useState(
    () =>
      new Autosave<Trip, Trip>(
        loaded,
        loaded.version,
        (body, version, keepalive) =>
          unwrap(api.PUT('/api/trips/{id}', { ...onVersion(id, version), body, keepalive })) as Promise<Trip>,
        setSaving,
        (fresh) => void queries.setQueryData(key('trip', id), fresh),
      ),
  );
  useEffect(() => autosave.put(now), [autosave, now]);
  // Changed in another window while nothing is unsaved here: follow it.
  useEffect(() => {
    if (autosave.follow(loaded, loaded.version)) step((h) => replace(h, loaded));
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [loaded.version]);
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
    /** Changes of the same parts within a moment are one undo step. */
    set: (patch: Partial<Trip> | ((trip: Trip) => Partial<Trip>)) =>
      step((h) => {
        const parts = typeof patch === 'function' ? patch(h.now) : patch;
        return change(h, Object.keys(parts).join(), Date.now(), (trip) => ({ ...trip, ...parts }));
      }),
    undo: history.past.length > 0 ? () => step(undo) : null,
    redo: history.future.length > 0 ? () => step(redo) : null,
    /** Overwrites what was changed elsewhere, or takes it instead. */
    settle: async (mine: boolean) => {
      const theirs = (await unwrap(api.GET('/api/trips/{id}', { params: { path: { id } } }))) as Trip;
      if (mine) return autosave.keepMine(theirs.version);
      autosave.takeTheirs(theirs, theirs.version);
      step((h) => replace(h, theirs));
    },
  };
}
