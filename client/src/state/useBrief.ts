import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useReducer, useState } from 'react';
import { api, unwrap, type BriefAnswer, type BriefDraft, type Pins } from '../api/client';
import { useEntriesUnderWay } from '../ui/useReading';
import { Autosave, type Saving } from './autosave';
import { begin, change, redo, replace, undo, type History } from './history';
import { useAnswer } from './useAnswer';

export type Working = { name: string; draft: BriefDraft; pins: Pins; off: string[] };

type Step =
  | { type: 'change'; key: string; at: number; to: (now: Working) => Working }
  | { type: 'undo' }
  | { type: 'redo' }
  | { type: 'replace'; now: Working };

function reduce(history: History<Working>, step: Step): History<Working> {
  switch (step.type) {
    case 'change':
      return change(history, step.key, step.at, step.to);
    case 'undo':
      return undo(history);
    case 'redo':
      return redo(history);
    case 'replace':
      return replace(history, step.now);
  }
}

const workingOf = ({ name, draft, pins, off }: BriefAnswer): Working => ({ name, draft, pins, off });

/** A kept brief while it is worked on: changes with undo, the live answer, and keeping it. */
export function useBrief(loaded: BriefAnswer) {
  const [history, step] = useReducer(reduce, loaded, (brief) => begin(workingOf(brief)));
  const { now } = history;

  const makeChange = useCallback(
    (key: string, to: (w: Working) => Working) => step({ type: 'change', key, at: Date.now(), to }),
    [],
  );
  const setDraft = useCallback(
    (key: string, patch: Partial<BriefDraft>) => makeChange(key, (w) => ({ ...w, draft: { ...w.draft, ...patch } })),
    [makeChange],
  );
  const setPins = useCallback(
    (key: string, patch: Partial<Pins>) => makeChange(key, (w) => ({ ...w, pins: { ...w.pins, ...patch } })),
    [makeChange],
  );

  const answer = useAnswer(now);
  const { saving, keepMine, takeTheirs } = useSaving(loaded, now);

  return {
    ...now,
    ...answer,
    burst: history.burst,
    saving,
    keepMine,
    takeTheirs: async () => step({ type: 'replace', now: await takeTheirs() }),
    change: makeChange,
    setDraft,
    setPins,
    undo: history.past.length > 0 ? () => step({ type: 'undo' }) : null,
    redo: history.future.length > 0 ? () => step({ type: 'redo' }) : null,
  };
}

export type BriefWork = ReturnType<typeof useBrief>;

function useSaving(loaded: BriefAnswer, now: Working) {
  const { id } = loaded;
  const queries = useQueryClient();
  const [saving, setSaving] = useState<Saving>({ state: 'saved' });
  const [autosave] = useState(
    () =>
      new Autosave<Working, BriefAnswer>(
        workingOf(loaded),
        loaded.version,
        (body, version, keepalive) =>
          unwrap(
            api.PUT('/api/briefs/{id}', {
              params: { path: { id }, header: { 'If-Match': `"${version}"` } },
              body,
              keepalive,
            }),
          ),
        setSaving,
        (fresh) => {
          queries.setQueryData(['brief', id], fresh);
          void queries.invalidateQueries({ queryKey: ['briefs'] });
        },
      ),
  );
  useEffect(() => autosave.put(now), [autosave, now]);

  // Leaving the page does not wait for the timer.
  useEffect(() => {
    const leave = () => void autosave.leave();
    window.addEventListener('pagehide', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      leave();
    };
  }, [autosave]);

  const current = () => unwrap(api.GET('/api/briefs/{id}', { params: { path: { id } } }));
  const entering = useEntriesUnderWay();
  const ahead = saving.state === 'saved' && (entering || autosave.isAhead(now));
  return {
    saving: ahead ? { state: 'saving' as const } : saving,
    keepMine: async () => autosave.keepMine((await current()).version),
    takeTheirs: async () => {
      const fresh = await current();
      autosave.takeTheirs(workingOf(fresh), fresh.version);
      return workingOf(fresh);
    },
  };
}
