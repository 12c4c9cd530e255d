import { useQuery, useQueryClient } from '@tanstack/react-query';
import {
  api,
  unwrap,
  type BriefDraft,
  type FlyLine,
  type LeaderDraft,
  type LeaderPiece,
  type Rod,
} from '../../api/client';
import { useAsk } from '../../api/useAsk';

export type LeaderOn = { brief?: BriefDraft | null; line?: FlyLine | null; rod?: Rod | null };

/** A leader looked over, live; what cannot be is said and the last good look stays. */
export function useLeaderCheck(leader: LeaderDraft, { brief = null, line = null, rod = null }: LeaderOn) {
  const body = { leader, brief, line, rod };
  const { data, fields } = useAsk(['leader check', body], (signal) =>
    unwrap(api.POST('/api/leaders/check', { body, signal })),
  );
  return { check: data, problem: Object.values(fields)[0] ?? null };
}

/** How leaders turn over on one cast, the first beside the others; nothing while nobody knows what the line weighs. */
export function useTurnover(brief: BriefDraft, line: FlyLine, rod: Rod, leaders: LeaderDraft[]) {
  const body = { brief, line, rod, leaders };
  return useAsk(
    ['turnover', body],
    (signal) => unwrap(api.POST('/api/leaders/turnover', { body, signal })),
    (line.massKg ?? null) !== null,
  ).data;
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

/** The leader with one of its pieces changed. */
export const withPiece = (leader: LeaderDraft, at: number, change: Partial<LeaderPiece>): LeaderDraft => ({
  ...leader,
  pieces: leader.pieces.map((p, i) => (i === at ? { ...p, ...change } : p)),
});
