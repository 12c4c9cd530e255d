import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { retryWhenBusy, useLastGood } from '../api/answers';
import { api, unwrap, type LinkId } from '../api/client';
import { key } from '../api/keys';
import type { Asked } from './useAnswer';

/** Every piece of the shed that could take a link's place in the answer, best first. The last list stays while a new one is fetched. */
export function useCandidates(link: LinkId, { draft, pins, off }: Asked) {
  const { data, error } = useQuery({
    queryKey: key('candidates', link, draft, pins, off),
    queryFn: ({ signal }) =>
      unwrap(api.POST('/api/matching/candidates', { body: { link, brief: draft, pins, off }, signal })),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    gcTime: 10_000,
    retry: retryWhenBusy,
  });
  return { rows: useLastGood(data) ?? [], waiting: !data && !error };
}
