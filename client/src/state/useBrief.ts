import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useReducer, useRef, useState } from 'react';
import { api, onVersion, unwrap, type BriefAnswer, type BriefDraft, type Pins } from '../api/client';
import { key } from '../api/keys';
import { useEntries } from '../ui/useReading';
import { Autosave, type Saving } from './autosave';
import { recallDesk, rememberDesk, type Desk } from './desk';
import { begin, change, redo, replace, undo, type History } from './history';
import { changed, type Said } from './said';
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
const alike = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/** The work left in this browser, if it still belongs to the stored brief or holds unsaved changes. */
function deskOf(loaded: BriefAnswer): Desk<Working> {
  const left = recallDesk<Working>(loaded.id);
  if (left && alike(left.history.now, workingOf(loaded))) return { ...left, version: loaded.version, ahead: false };
  // Saved as it is here, or not saved yet. What was saved elsewhere since takes precedence over what was saved from here.
  if (left && (left.ahead || left.version === loaded.version)) return left;
  return { version: loaded.version, ahead: false, history: begin(workingOf(loaded)) };
}

/** A stored brief being edited: changes with undo, the live answer, and saving. */
export function useBrief(loaded: BriefAnswer) {
  const [desk] = useState(() => deskOf(loaded));
  const [history, step] = useReducer(reduce, desk.history);
  const { now } = history;

  const makeChange = useCallback(
    (key: string, to: (w: Working) => Working) => step({ type: 'change', key, at: Date.now(), to }),
    [],
  );
  const setDraft = useCallback(
    (key: string, patch: Partial<BriefDraft>, said?: Said) =>
      makeChange(key, (w) => ({ ...w, draft: changed(w.draft, patch, said) })),
    [makeChange],
  );
  const setPins = useCallback(
    (key: string, patch: Partial<Pins>, said?: string) =>
      makeChange(key, (w) => ({ ...w, pins: changed(w.pins, patch, said) })),
    [makeChange],
  );

  const answer = useAnswer(now, loaded.id);
  const { saving, keepMine, takeTheirs, follow } = useSaving(loaded, desk, history);
  // Changed in another window while nothing is unsaved here: follow it. Unsaved changes are asked about when they are saved.
  useEffect(() => {
    if (follow(loaded)) step({ type: 'replace', now: workingOf(loaded) });
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [loaded.version]);

  return {
    ...now,
    ...answer,
    burst: history.burst,
    /** Time of the last change that can be undone, ms; 0 when there is none. */
    changedAt: history.past.length > 0 ? history.lastAt || 1 : 0,
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

function useSaving(loaded: BriefAnswer, desk: Desk<Working>, history: History<Working>) {
  const { id } = loaded;
  const { now } = history;
  const queries = useQueryClient();
  const [saving, setSaving] = useState<Saving>({ state: 'saved' });
  const [autosave] = useState(
    () =>
      new Autosave<Working, BriefAnswer>(
        desk.ahead ? workingOf(loaded) : desk.history.now,
        desk.version,
        (body, version, keepalive) =>
          unwrap(api.PUT('/api/briefs/{id}', { ...onVersion(id, version), body, keepalive })),
        setSaving,
        (fresh) => void queries.setQueryData(key('brief', id), fresh),
      ),
  );
  useEffect(() => autosave.put(now), [autosave, now]);

  // Kept in this browser at once, so that it survives whatever happens to server, page or machine.
  const latest = useRef(history);
  const putBy = useCallback(() => {
    const { current } = latest;
    rememberDesk(id, { version: autosave.version, ahead: autosave.isAhead(current.now), history: current });
  }, [autosave, id]);
  useEffect(() => {
    latest.current = history;
    const timer = setTimeout(putBy, 60);
    return () => clearTimeout(timer);
  }, [putBy, history, saving]);

  // Leaving the page does not wait for the timer.
  useEffect(() => {
    const leave = () => {
      putBy();
      void autosave.leave().then(putBy);
    };
    window.addEventListener('pagehide', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      leave();
    };
  }, [autosave, putBy]);

  const current = () => unwrap(api.GET('/api/briefs/{id}', { params: { path: { id } } }));
  const entries = useEntries();
  const typed = entries === 'reading' || autosave.isAhead(now);
  const shown: Saving =
    saving.state !== 'saved'
      ? saving
      : entries === 'waiting'
        ? { state: 'waiting', words: 'What you typed waits to be read: trying again.' }
        : typed
          ? { state: 'typed' }
          : saving;
  return {
    saving: shown,
    keepMine: async () => autosave.keepMine((await current()).version),
    follow: (fresh: BriefAnswer) => autosave.follow(workingOf(fresh), fresh.version),
    takeTheirs: async () => {
      const fresh = await current();
      autosave.takeTheirs(workingOf(fresh), fresh.version);
      return workingOf(fresh);
    },
  };
}
