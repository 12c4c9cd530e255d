import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { Lost } from '../../ui/Lost';
import { api, unwrap } from '../../api/client';
import { key } from '../../api/keys';
import { KnotFacts, KnotSteps, useKnot } from './KnotSteps';

/** The book of knots, from the drum to the fly. */
export function KnotsPage() {
  const { data } = useQuery({
    queryKey: key('knots'),
    queryFn: ({ signal }) => unwrap(api.GET('/api/rigging/knots', { signal })),
    staleTime: Infinity,
  });
  return (
    <main id="main" className="mx-auto max-w-[60rem] px-5 py-4">
      <h1 className="text-2xl font-semibold">Knots</h1>
      <p className="text-soft">In the order of the work, from the drum to the fly.</p>
      <ul className="mt-2">
        {(data ?? []).map(({ knot, for: use, steps }) => (
          <li key={knot.id} className="flex flex-wrap items-baseline gap-x-4 border-t border-hair py-2">
            <Link className="min-h-[28px] text-lg font-semibold underline" to={`/knots/${knot.id}`}>
              {knot.name}
            </Link>
            <span className="flex-1">{use}</span>
            <span className="text-soft">{steps} steps</span>
          </li>
        ))}
      </ul>
    </main>
  );
}

/** One knot. */
export function KnotPage() {
  const id = useParams().id ?? '';
  const { data, error } = useKnot(id);
  if (error && !data) return <Lost words={error.message} to="/knots" name="All knots" />;
  return (
    <main id="main" className="mx-auto max-w-[60rem] px-5 py-4">
      <header className="mb-2 flex flex-wrap items-baseline gap-x-4">
        <h1 className="flex-1 text-2xl font-semibold first-letter:uppercase">{data?.knot.name ?? 'Knot'}</h1>
        <Link className="quiet underline" to="/knots">
          All knots
        </Link>
      </header>
      <p className="text-soft">{data?.lesson.for}</p>
      <KnotSteps key={id} id={id} />
      <KnotFacts id={id} />
    </main>
  );
}
