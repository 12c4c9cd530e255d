import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { retryWhenBusy, useLastGood } from '../api/answers';
import { api, unwrap, ApiError, type BriefDraft, type FieldWords, type Pins } from '../api/client';

export type Asked = { draft: BriefDraft; pins: Pins; off: string[] };

/** The newest answer to a brief; the last good one stays while a new one is on its way or fails. Null asks nothing. */
export function useAnswer(asked: Asked | null) {
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
  const solution = useLastGood(data);
  const failure = error instanceof ApiError ? error : null;
  const problems: FieldWords = Object.fromEntries(
    Object.entries(failure?.fields ?? {}).map(([field, words]) => [field.replace(/^brief\./, ''), words]),
  );
  return { solution, problems, failure, answering: isFetching };
}
