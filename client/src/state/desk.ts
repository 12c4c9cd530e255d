import { forget, recallParts, remember } from '../ui/remember';
import type { History } from './history';

/** What lies on the desk of one brief in this browser: the work with its steps, and the version it is based on. */
export type Desk<T> = { version: number; ahead: boolean; history: History<T> };

const place = (id: number) => `desk-${id}`;

// Enough to go back an evening's work; the whole of it would fill what a browser gives.
const stepsKept = 40;

/** What was on the desk when it was left; null where nothing was, or nobody can read it. */
export function recallDesk<T>(id: number): Desk<T> | null {
  const desk = recallParts<Desk<T> | null>(place(id), null);
  return desk && Array.isArray(desk.history?.past) && Array.isArray(desk.history.future) ? desk : null;
}

export function rememberDesk<T>(id: number, { history, ...desk }: Desk<T>) {
  const { past, future } = history;
  if (past.length + future.length === 0 && !desk.ahead) return forget(place(id));
  const kept = { ...history, past: past.slice(-stepsKept), future: future.slice(0, stepsKept) };
  remember(place(id), JSON.stringify({ ...desk, history: kept }));
}
