import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useReducer, useRef, useState } from 'react';
import { api, isPassing, need, Trouble, type BriefAnswer, type BriefDraft, type Pins } from '../../api/client';
import { useEntriesUnderWay } from '../../ui/useReading';
import { useAnswer } from './useAnswer';

export type Working = { name: string; draft: BriefDraft; pins: Pins; off: string[] };

type History = { past: Working[]; now: Working; future: Working[]; lastKey: string; lastAt: number; burst: number };
type Step =
  | { type: 'set'; key: string; at: number; change: (w: Working) => Working }
  | { type: 'undo' }
  | { type: 'redo' }
  | { type: 'load'; working: Working };

// Dragging makes many changes of one thing; together they are one step to undo. So is whatever an instrument feeds in.
const sameStepMs = 900;
const live = (key: string) => key.startsWith('live-');

function reduce(h: History, step: Step): History {
  switch (step.type) {
    case 'load':
      return { past: [], now: step.working, future: [], lastKey: '', lastAt: 0, burst: h.burst + 1 };
    case 'set': {
      const now = step.change(h.now);
      const joins = step.key === h.lastKey && (live(step.key) || step.at - h.lastAt < sameStepMs);
      return {
        past: joins ? h.past : [...h.past.slice(-99), h.now],
        now,
        future: [],
        lastKey: step.key,
        lastAt: step.at,
        burst: joins ? h.burst : h.burst + 1,
      };
    }
    case 'undo': {
      const before = h.past.at(-1);
      return before
        ? {
            past: h.past.slice(0, -1),
            now: before,
            future: [h.now, ...h.future],
            lastKey: '',
            lastAt: 0,
            burst: h.burst + 1,
          }
        : h;
    }
    case 'redo': {
      const [next, ...rest] = h.future;
      return next
        ? { past: [...h.past, h.now], now: next, future: rest, lastKey: '', lastAt: 0, burst: h.burst + 1 }
        : h;
    }
  }
}

export type Saving = { state: 'saved' | 'saving' | 'waiting' | 'refused' | 'stale'; words?: string };

/** A kept brief while it is worked on: changes with undo, the live answer, and keeping it. */
export function useBrief(loaded: BriefAnswer) {
  const queries = useQueryClient();
  const [history, step] = useReducer(reduce, loaded, (brief): History => ({
    past: [],
    now: workingOf(brief),
    future: [],
    lastKey: '',
    lastAt: 0,
    burst: 0,
  }));
  const { now } = history;

  const change = useCallback(
    (key: string, to: (w: Working) => Working) => step({ type: 'set', key, at: Date.now(), change: to }),
    [],
  );
  const setDraft = useCallback(
    (key: string, patch: Partial<BriefDraft>) => change(key, (w) => ({ ...w, draft: { ...w.draft, ...patch } })),
    [change],
  );
  const setPins = useCallback(
    (key: string, patch: Partial<Pins>) => change(key, (w) => ({ ...w, pins: { ...w.pins, ...patch } })),
    [change],
  );

  const answer = useAnswer(now);
  const saving = useSaving(loaded, now, (fresh) => {
    queries.setQueryData(['brief', loaded.id], fresh);
    void queries.invalidateQueries({ queryKey: ['briefs'] });
  });

  return {
    ...now,
    ...answer,
    burst: history.burst,
    saving: saving.saving,
    keepMine: saving.keepMine,
    takeTheirs: async () => {
      const fresh = await saving.takeTheirs();
      step({ type: 'load', working: workingOf(fresh) });
    },
    change,
    setDraft,
    setPins,
    undo: history.past.length > 0 ? () => step({ type: 'undo' }) : null,
    redo: history.future.length > 0 ? () => step({ type: 'redo' }) : null,
  };
}

export type BriefWork = ReturnType<typeof useBrief>;

const workingOf = (brief: BriefAnswer): Working => ({
  name: brief.name,
  draft: brief.draft,
  pins: brief.pins,
  off: brief.off,
});

function useSaving(loaded: BriefAnswer, now: Working, onKept: (fresh: BriefAnswer) => void) {
  const [saving, setSaving] = useState<Saving>({ state: 'saved' });
  const [retry, setRetry] = useState(0);
  const version = useRef(loaded.version);
  const [keptText, setKeptText] = useState(() => JSON.stringify(workingOf(loaded)));
  const kept = useRef(keptText);
  const queue = useRef(Promise.resolve());
  const latest = useRef({ now, onKept });
  useEffect(() => {
    latest.current = { now, onKept };
  });

  // One write at a time: the next needs the version that the last one made.
  const save = useCallback(
    (keepalive: boolean) => {
      queue.current = queue.current.then(async () => {
        const { now } = latest.current;
        const text = JSON.stringify(now);
        if (text === kept.current) return;
        setSaving({ state: 'saving' });
        try {
          const fresh = await need(
            api.PUT('/api/briefs/{id}', {
              params: { path: { id: loaded.id }, header: { 'If-Match': `"${version.current}"` } },
              body: { name: now.name, draft: now.draft, pins: now.pins, off: now.off },
              keepalive,
            }),
          );
          version.current = fresh.version;
          kept.current = text;
          setKeptText(text);
          setSaving({ state: 'saved' });
          latest.current.onKept(fresh);
        } catch (error) {
          const failure = error instanceof Trouble ? error : new Trouble('Not saved.', 0, {});
          if (failure.status === 412) setSaving({ state: 'stale', words: failure.message });
          else if (isPassing(failure)) {
            const why = failure.status === 0 ? '' : `${failure.message} `;
            setSaving({ state: 'waiting', words: `${why}Not saved yet: trying again.` });
            setTimeout(() => setRetry((n) => n + 1), 2500);
          } else setSaving({ state: 'refused', words: Object.values(failure.fields)[0] ?? failure.message });
        }
      });
    },
    [loaded.id],
  );

  useEffect(() => {
    const timer = setTimeout(() => save(false), 450);
    return () => clearTimeout(timer);
  }, [now, retry, save]);

  // Leaving the page does not wait for the timer.
  useEffect(() => {
    const leave = () => save(true);
    window.addEventListener('pagehide', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      leave();
    };
  }, [save]);

  const current = async () => need(api.GET('/api/briefs/{id}', { params: { path: { id: loaded.id } } }));
  const entering = useEntriesUnderWay();
  const ahead = saving.state === 'saved' && (entering || JSON.stringify(now) !== keptText);
  return {
    saving: ahead ? { state: 'saving' as const } : saving,
    keepMine: async () => {
      version.current = (await current()).version;
      setRetry((n) => n + 1);
    },
    takeTheirs: async () => {
      const fresh = await current();
      version.current = fresh.version;
      kept.current = JSON.stringify(workingOf(fresh));
      setKeptText(kept.current);
      setSaving({ state: 'saved' });
      return fresh;
    },
  };
}
