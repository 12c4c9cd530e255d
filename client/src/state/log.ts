import { useQueryClient } from '@tanstack/react-query';
import { useRefreshGear } from './gear';

/** Everything that goes by the log, by who casts or by what was looked after looks again: what shows gear, and the people. */
export function useRefreshLog() {
  const queries = useQueryClient();
  const gear = useRefreshGear();
  return async () => {
    await gear();
    for (const key of ['people', 'brief']) await queries.invalidateQueries({ queryKey: [key] });
  };
}
