import { useState } from 'react';
import { Trouble } from './client';

/** Does something that may be refused. What was said against it stays until the next attempt. */
export function useAttempt() {
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const attempt = async (work: () => Promise<unknown>) => {
    try {
      await work();
      setTrouble(null);
      return true;
    } catch (error) {
      if (!(error instanceof Trouble)) throw error;
      setTrouble(error);
      return false;
    }
  };
  const fields = trouble?.fields ?? {};
  return { attempt, fields, words: trouble && (Object.values(fields)[0] ?? trouble.message) };
}
