import { useQuery } from '@tanstack/react-query';
import { api, unwrap } from '../api/client';
import { useUnits } from '../ui/units';

/** The people of the house. */
export const usePeople = () =>
  useQuery({ queryKey: ['people'], queryFn: () => unwrap(api.GET('/api/log/casters')), staleTime: 60_000 });

/** Everybody who can cast: the presets, then the people of the house by name. */
export function useCasters() {
  const { standards } = useUnits();
  const { data } = usePeople();
  return [...standards.casters, ...(data ?? []).map((p) => ({ id: p.casterId, name: p.name, about: 'of this house' }))];
}
