import { useQuery } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import { retryWhenBusy } from '../../api/answers';
import { api, unwrap, type BriefRow } from '../../api/client';
import { key } from '../../api/keys';
import { copyOf, useBriefs } from '../../state/briefs';
import { AwayList } from '../shared/AwayList';
import { Mark } from '../../ui/Mark';
import { Say } from '../../ui/Say';
import { useDone } from '../../ui/toast';
import { useUnits } from '../../ui/units';

/** Every brief kept, with what it comes to. */
export function BriefsPage() {
  const { data } = useBriefs();
  return (
    <main id="main" className="mx-auto max-w-4xl px-5 py-4">
      <header className="flex flex-wrap items-baseline gap-x-3">
        <h1 className="flex-1 text-2xl font-semibold">Briefs</h1>
        {(data?.length ?? 0) > 0 && (
          <Link className="quiet underline underline-offset-4" to="/compare">
            Compare two
          </Link>
        )}
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
          <Row key={brief.id} brief={brief} />
        ))}
      </ul>
      <AwayList
        what="briefs"
        list={() => unwrap(api.GET('/api/briefs/away'))}
        nameOf={(b) => b.name}
        bringBack={(id) => unwrap<unknown>(api.POST('/api/briefs/{id}/restore', { params: { path: { id } } }))}
      />
    </main>
  );
}

function Row({ brief }: { brief: BriefRow }) {
  const done = useDone();
  const navigate = useNavigate();
  const { showFigure } = useUnits();
  const path = { params: { path: { id: brief.id } } };
  const { data: comes, error } = useQuery({
    queryKey: key('outcome', brief.id, brief.changedAt),
    queryFn: ({ signal }) => unwrap(api.GET('/api/briefs/{id}/outcome', { ...path, signal })),
    retry: retryWhenBusy,
  });
  const duplicate = async () => {
    const copy = await copyOf(await unwrap(api.GET('/api/briefs/{id}', path)));
    navigate(`/briefs/${copy.id}`);
  };
  const putAway = async () => {
    await unwrap(api.DELETE('/api/briefs/{id}', path));
    done(`“${brief.name}” was put away.`, () => unwrap(api.POST('/api/briefs/{id}/restore', path)));
  };
  return (
    <li className="border-b border-hair py-2">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <Link
          to={`/briefs/${brief.id}`}
          className="min-w-0 flex-1 basis-60 text-lg font-semibold wrap-anywhere hover:underline"
        >
          {brief.name}
        </Link>
        {comes && (
          <span className="flex items-baseline gap-2">
            <strong>{showFigure(comes.class)}</strong>
            <Mark verdict={comes.verdict} />
          </span>
        )}
        <span className="rubric font-normal">
          changed {new Date(brief.changedAt).toLocaleDateString(undefined, { day: 'numeric', month: 'long' })}
        </span>
      </div>
      <div className="flex flex-wrap items-start gap-x-3">
        <p className="min-w-0 flex-1 basis-72 text-[0.92rem] leading-snug text-soft">
          {comes ? (
            <>
              <Say parts={comes.rod.says} />
              {comes.rod.toBuy && ' (to buy)'}; <Say parts={comes.line.says} />
              {comes.line.toBuy && ' (to buy)'}. It <Say parts={comes.reach} />.
            </>
          ) : error ? (
            error.message
          ) : (
            'Working it out…'
          )}
        </p>
        <span className="whitespace-nowrap">
          <button className="quiet underline" aria-label={`Copy ${brief.name}`} onClick={duplicate}>
            copy
          </button>
          <Link className="quiet underline" aria-label={`Compare ${brief.name}`} to={`/compare?a=${brief.id}`}>
            compare
          </Link>
          <button className="quiet underline" aria-label={`Put ${brief.name} away`} onClick={putAway}>
            put away
          </button>
        </span>
      </div>
    </li>
  );
}
