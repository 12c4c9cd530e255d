import { useState } from 'react';
import { ApiError } from './client';

/** Retries three times when nobody answered or the server was busy; a refusal is an answer. */
export const retryWhenBusy = (count: number, failure: Error) =>
  failure instanceof ApiError && [0, 503].includes(failure.status) && count < 3;

/** The newest answer; while an entry is refused, the last good one. */
export function useLastGood<T>(data: T | undefined): T | undefined {
  const [kept, setKept] = useState(data);
  if (data !== undefined && data !== kept) setKept(data);
  return data ?? kept;
}
