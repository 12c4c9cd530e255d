import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { retryWhenBusy, useLastGood } from './answers';
import { ApiError, type FieldWords } from './client';

/**
 * The answer to a request that changes with every key. The last one stays while the next is computed and while an entry is refused;
 * problems come by field.
 */
export function useAsk<T>(
  key: readonly unknown[],
  ask: (signal: AbortSignal) => Promise<T>,
  enabled = true,
  /** Milliseconds until an interim answer is asked for again. */
  again?: (data: T) => number | false,
) {
  const { data, error } = useQuery({
    queryKey: key,
    queryFn: ({ signal }) => ask(signal),
    enabled,
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    gcTime: 10_000,
    retry: retryWhenBusy,
    refetchInterval: again && ((query) => (query.state.data === undefined ? false : again(query.state.data))),
  });
  const fields: FieldWords = error instanceof ApiError ? error.fields : {};
  return { data: useLastGood(enabled ? data : undefined), fields, error: enabled ? error : null };
}
