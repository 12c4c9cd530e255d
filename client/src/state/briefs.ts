import { useQuery } from '@tanstack/react-query';
import { api, unwrap } from '../api/client';

/** Every brief kept. */
export const useBriefs = () => useQuery({ queryKey: ['briefs'], queryFn: () => unwrap(api.GET('/api/briefs')) });
