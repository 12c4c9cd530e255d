import { api, unwrap, type BriefDraft, type FlyLine, type LeaderDraft, type Rod } from '../../api/client';
import { key } from '../../api/keys';
import { useAsk } from '../../api/useAsk';

export type LeaderOn = { brief?: BriefDraft | null; line?: FlyLine | null; rod?: Rod | null };

/** A leader looked over, live; what cannot be is said and the last good look stays. */
export function useLeaderCheck(leader: LeaderDraft, { brief = null, line = null, rod = null }: LeaderOn) {
  const body = { leader, brief, line, rod };
  const { data, fields } = useAsk(key('leaderCheck', body), (signal) =>
    unwrap(api.POST('/api/leaders/check', { body, signal })),
  );
  return { check: data, problem: Object.values(fields)[0] ?? null };
}

/** How leaders turn over on one cast, the first beside the others; nothing while nobody knows what the line weighs. */
export function useTurnover(brief: BriefDraft, line: FlyLine, rod: Rod, leaders: LeaderDraft[]) {
  const body = { brief, line, rod, leaders };
  return useAsk(
    key('turnover', body),
    (signal) => unwrap(api.POST('/api/leaders/turnover', { body, signal })),
    (line.massKg ?? null) !== null,
  ).data;
}
