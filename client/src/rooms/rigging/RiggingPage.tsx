import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, unwrap } from '../../api/client';
import { key } from '../../api/keys';
import { AwayList } from '../shared/AwayList';

/** All rigging tickets. */
export function RiggingPage() {
  const { data } = useQuery({ queryKey: key('rigs'), queryFn: () => unwrap(api.GET('/api/rigging/tickets')) });
  const sorted = [...(data ?? [])].sort((a, b) => Number(a.at >= a.steps.length) - Number(b.at >= b.steps.length));
  return (
    <main id="main" className="mx-auto max-w-[60rem] px-5 py-4">
      <header className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="flex-1 text-2xl font-semibold">Rigging</h1>
        <Link className="quiet underline" to="/knots">
          The book of knots
        </Link>
      </header>
      <p className="text-soft">
        An outfit put together from the drum to the fly, the hook last. A ticket is begun at a brief, with “Rig it”.
      </p>
      {data && sorted.length === 0 && <p className="py-2 text-soft">None yet.</p>}
      <ul className="mt-2">
        {sorted.map((t) => (
          <li key={t.id} className="flex flex-wrap items-baseline gap-x-3 border-t border-hair py-2">
            <Link className="min-w-0 flex-1 underline wrap-anywhere" to={`/rigging/${t.id}`}>
              {t.name}
            </Link>
            <b className={t.at < t.steps.length ? 'text-look' : 'text-fits'}>
              {t.at < t.steps.length
                ? `step ${t.at + 1} of ${t.steps.length}: ${t.steps[t.at]!.title.toLowerCase()}`
                : 'rigged'}
            </b>
          </li>
        ))}
      </ul>
      <AwayList
        what="tickets for rigging"
        list={() => unwrap(api.GET('/api/rigging/tickets/away'))}
        nameOf={(t) => t.name}
        bringBack={(id) => unwrap(api.POST('/api/rigging/tickets/{id}/restore', { params: { path: { id } } }))}
      />
    </main>
  );
}
