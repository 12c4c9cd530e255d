import { useState } from 'react';
import { ApiError } from './client';

/** Runs something that may be refused. The refusal stays until the next attempt. */
export function useAttempt() {
  const [failure, setFailure] = useState<ApiError | null>(null);
  const attempt = async (work: () => Promise<unknown>) => {
    try {
      await work();
      setFailure(null);
      return true;
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setFailure(error);
      return false;
    }
  };
  const fields = failure?.fields ?? {};
  return { attempt, fields, words: failure && (Object.values(fields)[0] ?? failure.message) };
}
