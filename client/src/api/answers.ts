import { useState } from 'react';
import { ApiError } from './client';

/** Asks again, three times, when nobody answered or all hands were full; a refusal is an answer. */
export const retryWhenBusy = (count: number, failure: Error) =>
  failure instanceof ApiError && [0, 503].includes(failure.status) && count < 3;

/** The newest of what has come: an entry that is refused leaves the last good answer standing. */
export function useLastGood<T>(data: T | undefined): T | undefined {
  const [kept, setKept] = useState(data);
  if (data !== undefined && data !== kept) setKept(data);
  return data ?? kept;
}
