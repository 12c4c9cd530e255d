import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { retryWhenBusy, useLastGood } from '../api/answers';
import { api, unwrap, ApiError, type BriefDraft, type FieldWords, type Pins, type Solution } from '../api/client';

export type Asked = { draft: BriefDraft; pins: Pins; off: string[] };

/**
 * The newest answer to a brief; the last good one stays while a new one is on its way or fails, and where it is known which brief it
 * is of, also for whoever goes away and comes back. Null asks nothing.
 */
export function useAnswer(asked: Asked | null, of?: number) {
  const { draft, pins, off } = asked ?? {};
  const { data, error, isFetching } = useQuery({
    queryKey: ['solve', draft, pins, off],
    queryFn: ({ signal }) => unwrap(api.POST('/api/matching/solve', { body: { brief: draft!, pins, off }, signal })),
    enabled: asked !== null,
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    gcTime: 10_000,
    retry: retryWhenBusy,
  });
  const queries = useQueryClient();
  const last = ['last answer', of];
  useEffect(() => {
    if (data && of !== undefined) queries.setQueryData(['last answer', of], data);
  }, [queries, data, of]);
  const solution = useLastGood(data) ?? (of === undefined ? undefined : queries.getQueryData<Solution>(last));
  const failure = error instanceof ApiError ? error : null;
  const problems: FieldWords = Object.fromEntries(
    Object.entries(failure?.fields ?? {}).map(([field, words]) => [field.replace(/^brief\./, ''), words]),
  );
  return { solution, problems, failure, answering: isFetching };
}
