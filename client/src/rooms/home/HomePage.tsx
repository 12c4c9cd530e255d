import { Link, Navigate } from 'react-router';
import { useBriefs } from '../../state/briefs';
import { EmptyShed } from '../shared/EmptyShed';

/** Opens on the brief worked on last; with none, on a first one. */
export function HomePage() {
  const { data } = useBriefs();
  if (!data) return null;
  const last = [...data].sort((a, b) => b.changedAt.localeCompare(a.changedAt) || a.id - b.id)[0];
  if (last) return <Navigate replace to={`/briefs/${last.id}`} />;
  return (
    <main className="mx-auto flex max-w-2xl flex-col gap-5 px-5 py-10">
      <h1 className="text-3xl font-semibold">From the fly to the hand</h1>
      <p className="text-lg">
        Say what you want to throw, to which fish, how far and into what wind. Zing Cast lays out the whole outfit and
        says why.
      </p>
      <p>
        <Link className="btn inline-flex items-center bg-ink! text-lg text-paper!" to="/briefs/new">
          Start a brief
        </Link>
      </p>
      <EmptyShed />
    </main>
  );
}
