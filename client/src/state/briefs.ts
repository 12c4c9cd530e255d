import { useQuery } from '@tanstack/react-query';
import { api, unwrap } from '../api/client';
import { key } from '../api/keys';
import type { Working } from './useBrief';

/** Every stored brief. */
export const useBriefs = () => useQuery({ queryKey: key('briefs'), queryFn: () => unwrap(api.GET('/api/briefs')) });

/** Stores a copy of a brief, to try another way. */
export const copyOf = ({ name, draft, pins, off }: Working) =>
  unwrap(api.POST('/api/briefs', { body: { name: `${name}, another way`.slice(0, 80), draft, pins, off } }));
