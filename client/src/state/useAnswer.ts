import { keepPreviousData, queryOptions, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useLayoutEffect } from 'react';
import { retryWhenBusy, useLastGood } from '../api/answers';
import { api, unwrap, ApiError, type BriefDraft, type FieldWords, type Pins, type Solution } from '../api/client';
import { key } from '../api/keys';

export type Asked = { draft: BriefDraft; pins: Pins; off: string[] };

/**
 * The newest answer to a brief; the last good one stays while a new one is fetched or fails and, when `of` names the brief, also after
 * leaving the page. Null asks nothing.
 */
export function useAnswer(asked: Asked | null, of?: number) {
  const { draft, pins, off } = asked ?? {};
  const queries = useQueryClient();
  const question = queryOptions({
    queryKey: key('solve', draft, pins, off),
    queryFn: ({ signal }) => unwrap(api.POST('/api/matching/solve', { body: { brief: draft!, pins, off }, signal })),
    staleTime: Infinity,
    gcTime: 10_000,
    retry: retryWhenBusy,
  });
  const { data, error, isFetching } = useQuery({
    ...question,
    enabled: asked !== null,
    placeholderData: keepPreviousData,
  });
  // Sent before the page is painted; by itself it would be sent after.
  useLayoutEffect(() => {
    if (draft) void queries.prefetchQuery(question);
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [queries, draft, pins, off]);
  const last = key('lastAnswer', of);
  useEffect(() => {
    if (data && of !== undefined) queries.setQueryData(key('lastAnswer', of), data);
  }, [queries, data, of]);
  const solution = useLastGood(data) ?? (of === undefined ? undefined : queries.getQueryData<Solution>(last));
  const failure = error instanceof ApiError ? error : null;
  const problems: FieldWords = Object.fromEntries(
    Object.entries(failure?.fields ?? {}).map(([field, words]) => [field.replace(/^brief\./, ''), words]),
  );
  return { solution, problems, failure, answering: isFetching };
}
