import { useState } from 'react';
import { Trouble } from './client';

/** Asks again, three times, when nobody answered or all hands were full; a refusal is an answer. */
export const patient = (count: number, failure: Error) =>
  failure instanceof Trouble && [0, 503].includes(failure.status) && count < 3;

/** The newest of what has come: an entry that is refused leaves the last good answer standing. */
export function useKept<T>(data: T | undefined): T | undefined {
  const [kept, setKept] = useState(data);
  if (data !== undefined && data !== kept) setKept(data);
  return data ?? kept;
}
