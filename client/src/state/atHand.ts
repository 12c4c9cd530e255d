import { useQuery } from '@tanstack/react-query';
import { useMatch, useNavigate, useSearchParams } from 'react-router';
import { retryWhenBusy } from '../api/answers';
import { api, unwrap, type LinkId } from '../api/client';
import { key } from '../api/keys';
import { linkIds } from '../drawing/outfit';
import { useAnswer } from './useAnswer';
import { useCommands } from '../ui/commands';

/** The brief being worked on: its own pages have it in their path, a measuring bench in ?brief=. */
export function useBriefAtHand() {
  const page = useMatch('/briefs/:id/*');
  const [params] = useSearchParams();
  const id = Number(page?.params.id ?? params.get('brief'));
  return id > 0 ? id : null;
}

/** A brief as stored when it was opened; it is edited on its own page. */
export const useKeptBrief = (id: number | null) =>
  useQuery({
    queryKey: key('brief', id),
    queryFn: () => unwrap(api.GET('/api/briefs/{id}', { params: { path: { id: id! } } })),
    enabled: id !== null,
    staleTime: Infinity,
    retry: retryWhenBusy,
  });

/** The current brief and its answer, for a bench to start from; null when there is none or it cannot be had. */
export function useToday() {
  const id = useBriefAtHand();
  const { data: brief, isError } = useKeptBrief(id);
  const { solution, failure } = useAnswer(brief ?? null);
  return {
    brief: brief ?? null,
    today: solution ?? null,
    waiting: id !== null && !isError && !solution && !failure,
  };
}

/** Path where a piece is measured, with the current brief. */
export function useMeasuringBench() {
  const brief = useBriefAtHand();
  return (kind: 'rods' | 'lines' | 'reels', id: number, part?: string) => {
    const search = new URLSearchParams({ ...(part && { part }), ...(brief && { brief: String(brief) }) }).toString();
    return `/${kind}/${id}${search && `?${search}`}`;
  };
}

/** Number keys and brackets move along the chain of a brief. */
export function useChainKeys(base: string, open?: LinkId) {
  const navigate = useNavigate();
  const step = (by: number, from: LinkId) => {
    const next = open ? linkIds.indexOf(open) + by : linkIds.indexOf(from);
    void navigate(`${base}/${linkIds[Math.min(8, Math.max(0, next))]}`);
  };
  useCommands([
    ...linkIds.map((l, i) => ({
      id: `link-${l}`,
      name: `Open the ${l === 'running' ? 'running line' : l}`,
      keys: [String(i + 1)],
      group: 'Chain',
      run: () => void navigate(`${base}/${l}`),
    })),
    {
      id: 'chain',
      name: 'Back to the whole chain',
      keys: ['0', 'Escape'],
      group: 'Chain',
      run: () => void navigate(base),
    },
    { id: 'next', name: 'Next link towards the hand', keys: [']'], group: 'Chain', run: () => step(1, 'fly') },
    { id: 'previous', name: 'Next link towards the fly', keys: ['['], group: 'Chain', run: () => step(-1, 'hand') },
  ]);
}
