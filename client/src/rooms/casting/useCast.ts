import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { retryWhenBusy, useLastGood } from '../../api/answers';
import { api, unwrap, type BriefDraft, type FlyLine, type Leader, type Rod } from '../../api/client';
import { key } from '../../api/keys';

export type Thrower = { brief: BriefDraft; rod: Rod; line: FlyLine; leader: Leader };

/** The cast of one outfit; the last one stays while the next is thrown. Null when there is nothing to throw. */
export function useCast(what: Thrower | null, gusts: { low: number; high: number } | null) {
  const { data, error } = useQuery({
    queryKey: key('cast', what, gusts),
    queryFn: ({ signal }) => unwrap(api.POST('/api/casting/reach', { body: { ...what!, gusts }, signal })),
    enabled: what !== null,
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    gcTime: 10_000,
    retry: retryWhenBusy,
  });
  return { data: useLastGood(data), error };
}

// A map over wind covers every wind and distance, so neither is a reason to work it out again.
const anyWind = (brief: BriefDraft): BriefDraft => ({ ...brief, windMps: null, windFromDeg: null, distanceM: null });
const anyDistance = (brief: BriefDraft): BriefDraft => ({ ...brief, distanceM: null });

/** Reach over wind or over class and wind. */
export function useCastMap(kind: 'wind' | 'classByWind' | 'carryBySpeed', what: Thrower | null) {
  const body = what && { ...what, brief: kind === 'carryBySpeed' ? anyDistance(what.brief) : anyWind(what.brief) };
  const { data } = useQuery({
    queryKey: key('castMap', kind, body),
    queryFn: ({ signal }) => unwrap(api.POST('/api/casting/map', { body: { ...body!, kind }, signal })),
    enabled: what !== null,
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    gcTime: 60_000,
    retry: retryWhenBusy,
  });
  return useLastGood(data);
}
