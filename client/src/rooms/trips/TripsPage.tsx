import { useQuery } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import { api, unwrap, type Trip } from '../../api/client';
import { key } from '../../api/keys';
import { saidDay } from '../../ui/dates';
import { useDone } from '../../ui/toast';
import { AwayList } from '../shared/AwayList';

/** Every trip kept. */
export function TripsPage() {
  const navigate = useNavigate();
  const { data } = useQuery({ queryKey: key('trips'), queryFn: () => unwrap(api.GET('/api/trips')) });
  const done = useDone();
  const begin = async (body: Partial<Trip> & { name: string }) => {
    const made = await unwrap(api.POST('/api/trips', { body }));
    await navigate(`/trips/${made.id}`);
  };
  return (
    <main id="main" className="mx-auto max-w-4xl px-5 py-4">
      <header className="flex flex-wrap items-baseline gap-x-3">
        <h1 className="flex-1 text-2xl font-semibold">Trips</h1>
        <Link className="quiet underline" to="/first">
          A first outfit
        </Link>
        <button className="btn" onClick={() => void begin({ name: 'A trip' })}>
          New trip
        </button>
      </header>
      <p className="text-soft">
        Days that are to come, and what may come along: the rods, lines and reels that serve them best, exactly.
      </p>
      {data?.length === 0 && <p className="mt-4 text-lg text-soft">No trip yet.</p>}
      <ul className="mt-3 border-t border-ink">
        {data?.map((trip) => (
          <li key={trip.id} className="flex flex-wrap items-baseline gap-x-3 border-b border-hair py-2">
            <Link
              to={`/trips/${trip.id}`}
              className="min-w-0 flex-1 basis-60 text-lg font-semibold wrap-anywhere hover:underline"
            >
              {trip.name}
            </Link>
            <span className="text-soft">
              {daysOf(trip.days.reduce((sum, d) => sum + d.times, 0))}
              {trip.leavesOn && `, leaving ${saidDay(trip.leavesOn)}`}
            </span>
            <span className="whitespace-nowrap">
              <Link className="quiet underline" aria-label={`Pack for ${trip.name}`} to={`/trips/${trip.id}/packing`}>
                pack
              </Link>
              <button
                className="quiet underline"
                aria-label={`Copy ${trip.name}`}
                onClick={() =>
                  void begin({ ...(trip as Trip), name: `${trip.name}, copy`.slice(0, 80), packed: [], back: [] })
                }
              >
                copy
              </button>
              <button
                className="quiet underline"
                aria-label={`Put ${trip.name} away`}
                onClick={async () => {
                  const path = { params: { path: { id: trip.id } } };
                  await unwrap<unknown>(api.DELETE('/api/trips/{id}', path));
                  done(`“${trip.name}” was put away.`, () =>
                    unwrap<unknown>(api.POST('/api/trips/{id}/restore', path)),
                  );
                }}
              >
                put away
              </button>
            </span>
          </li>
        ))}
      </ul>
      <AwayList
        what="trips"
        list={() => unwrap(api.GET('/api/trips/away'))}
        nameOf={(t) => t.name}
        bringBack={(id) => unwrap<unknown>(api.POST('/api/trips/{id}/restore', { params: { path: { id } } }))}
      />
    </main>
  );
}

export const daysOf = (n: number) => (n === 1 ? 'one day' : `${n} days`);
