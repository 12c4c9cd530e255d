import { useQueryClient } from '@tanstack/react-query';

/** Everything that goes by the log, by who casts or by what was looked after looks again. */
export function useRefreshLog() {
  const queries = useQueryClient();
  return async () => {
    for (const key of [
      'log',
      'people',
      'care',
      'away',
      'shed',
      'packing',
      'solve',
      'candidates',
      'outcome',
      'suits',
      'brief',
    ])
      await queries.invalidateQueries({ queryKey: [key] });
  };
}
