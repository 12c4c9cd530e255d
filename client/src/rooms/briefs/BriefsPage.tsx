import { useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, unwrap } from '../../api/client';
import { useBriefs } from '../../state/briefs';
import { useToast } from '../../ui/toast';

/** Every brief kept. */
export function BriefsPage() {
  const queries = useQueryClient();
  const toast = useToast();
  const { data } = useBriefs();
  const again = () => queries.invalidateQueries({ queryKey: ['briefs'] });
  return (
    <main className="mx-auto max-w-3xl px-5 py-4">
      <header className="flex items-baseline justify-between">
        <h1 className="text-2xl font-semibold">Briefs</h1>
        <Link className="btn" to="/briefs/new">
          New brief
        </Link>
      </header>
      {data?.length === 0 && (
        <p className="mt-4 text-lg text-soft">
          No brief yet. A brief is one day: a fly, a fish, a distance and a wind.
        </p>
      )}
      <ul className="mt-3 border-t border-ink">
        {data?.map((brief) => (
          <li key={brief.id} className="flex items-center gap-3 border-b border-hair py-2">
            <Link to={`/briefs/${brief.id}`} className="min-w-0 flex-1 truncate text-lg font-semibold hover:underline">
              {brief.name}
            </Link>
            <span className="rubric font-normal">
              changed {new Date(brief.changedAt).toLocaleDateString('en-GB', { day: 'numeric', month: 'long' })}
            </span>
            <button
              className="quiet"
              aria-label={`Put ${brief.name} away`}
              onClick={async () => {
                await unwrap(api.DELETE('/api/briefs/{id}', { params: { path: { id: brief.id } } }));
                await again();
                toast({
                  words: `“${brief.name}” was put away.`,
                  undo: async () => {
                    await unwrap(api.POST('/api/briefs/{id}/restore', { params: { path: { id: brief.id } } }));
                    await again();
                  },
                });
              }}
            >
              Put away
            </button>
          </li>
        ))}
      </ul>
    </main>
  );
}
