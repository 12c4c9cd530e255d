import { forget, recallParts, remember } from '../ui/remember';
import type { History } from './history';

/** Work on one brief kept in this browser: its undo steps, and the version it is based on. */
export type Desk<T> = { version: number; ahead: boolean; history: History<T> };

const place = (id: number) => `desk-${id}`;

// Undo steps kept: enough for an evening; all of them would fill the browser's storage.
const stepsKept = 40;

/** The work as it was left; null when there is none, or it cannot be read. */
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
