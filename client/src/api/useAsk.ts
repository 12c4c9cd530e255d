import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { patient, useKept } from './asking';
import { Trouble, type FieldWords } from './client';

/**
 * An answer that follows what is asked, key by key. The last one stays while the next is worked out and while an entry is refused; the words of a
 * refusal come by field.
 */
export function useAsk<T>(key: readonly unknown[], ask: (signal: AbortSignal) => Promise<T>, enabled = true) {
  const { data, error } = useQuery({
    queryKey: key,
    queryFn: ({ signal }) => ask(signal),
    enabled,
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    gcTime: 10_000,
    retry: patient,
  });
  const fields: FieldWords = error instanceof Trouble ? error.fields : {};
  return { data: useKept(enabled ? data : undefined), fields, error: enabled ? error : null };
}
