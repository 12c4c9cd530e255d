import { useQuery } from '@tanstack/react-query';
import { api, unwrap } from '../api/client';
import { key } from '../api/keys';
import { useUnits } from '../ui/units';

/** The named people. */
export const usePeople = () =>
  useQuery({ queryKey: key('people'), queryFn: () => unwrap(api.GET('/api/log/casters')), staleTime: 60_000 });

/** Everybody who can cast: the presets, then the named people; and the present caster, even if archived. */
export function useCasters(now?: { id: string; name: string }) {
  const { standards } = useUnits();
  const { data } = usePeople();
  const people = (data ?? []).map((p) => ({ id: p.casterId, name: p.name, about: 'of this house' }));
  const all = [...standards.casters, ...people];
  return !now || all.some((c) => c.id === now.id) ? all : [...all, { ...now, about: 'put away' }];
}
