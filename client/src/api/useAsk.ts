import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { retryWhenBusy, useLastGood } from './answers';
import { ApiError, type FieldWords } from './client';

/**
 * An answer that follows what is asked, key by key. The last one stays while the next is worked out and while an
 * entry is refused; the words of a refusal come by field.
 */
export function useAsk<T>(
  key: readonly unknown[],
  ask: (signal: AbortSignal) => Promise<T>,
  enabled = true,
  /** In how many milliseconds an answer that is not the last is asked for again. */
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
