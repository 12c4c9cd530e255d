import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { retryWhenBusy, useLastGood } from '../../api/answers';
import {
  api,
  unwrap,
  type BriefDraft,
  type FlyLine,
  type LeaderDraft,
  type LeaderPiece,
  type Rod,
} from '../../api/client';

export type LeaderOn = { brief?: BriefDraft | null; line?: FlyLine | null; rod?: Rod | null };

/** A leader looked over, live; the last good look stays while the next is on its way or an entry is refused. */
export function useLeaderCheck(leader: LeaderDraft | null, { brief = null, line = null, rod = null }: LeaderOn) {
  const body = leader && { leader, brief, line, rod };
  const { data, error } = useQuery({
    queryKey: ['leader check', body],
    queryFn: ({ signal }) => unwrap(api.POST('/api/leaders/check', { body: body!, signal })),
    enabled: leader !== null,
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    gcTime: 10_000,
    retry: retryWhenBusy,
  });
  return { check: useLastGood(data), error };
}

/** How leaders turn over on one cast, the first beside the others. */
export function useTurnover(on: Required<Pick<LeaderOn, 'brief' | 'line' | 'rod'>>, leaders: LeaderDraft[]) {
  const { brief, line, rod } = on;
  const known = brief && rod && line && (line.massKg ?? null) !== null;
  const { data } = useQuery({
    queryKey: ['turnover', brief, line, rod, leaders],
    queryFn: ({ signal }) =>
      unwrap(api.POST('/api/leaders/turnover', { body: { brief: brief!, line: line!, rod: rod!, leaders }, signal })),
    enabled: Boolean(known),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    gcTime: 10_000,
    retry: retryWhenBusy,
  });
  return useLastGood(data);
}

/** A leader in work beside a brief: it stays while somebody looks elsewhere, until it is kept or thrown away. */
export function useLeaderInWork(brief: number) {
  const queries = useQueryClient();
  const key = ['leader in work', brief];
  const { data } = useQuery<LeaderDraft | null>({
    queryKey: key,
    queryFn: () => null,
    initialData: null,
    staleTime: Infinity,
    gcTime: Infinity,
  });
  return [data, (next: LeaderDraft | null) => queries.setQueryData(key, next)] as const;
}

/** The leader with one of its pieces changed, or without it. */
export const withPiece = (leader: LeaderDraft, at: number, change: Partial<LeaderPiece>): LeaderDraft => ({
  ...leader,
  pieces: leader.pieces.map((p, i) => (i === at ? { ...p, ...change } : p)),
});
