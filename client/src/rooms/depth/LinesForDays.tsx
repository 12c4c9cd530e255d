import { useQuery } from '@tanstack/react-query';
import { api, unwrap } from '../../api/client';
import { retryWhenBusy } from '../../api/answers';
import { key } from '../../api/keys';
import { Mark } from '../../ui/Mark';
import { Say } from '../../ui/Say';

/** Which lines serve all the kept briefs, and which to buy first. */
export function LinesForDays() {
  const { data, error } = useQuery({
    queryKey: key('linesForDays'),
    queryFn: ({ signal }) => unwrap(api.GET('/api/depth/lines', { signal })),
    retry: retryWhenBusy,
  });
  if (error && !data) return <p role="alert">{error.message}</p>;
  if (!data) return <p className="text-soft">Going through the briefs…</p>;
  const nth = ['first', 'second', 'third', 'fourth', 'fifth'];
  return (
    <section aria-label="Lines for all briefs">
      <p>
        All kept briefs together, each a day. A line serves a day whose rod it loads, whose depth it fishes and whose
        water it stands.
      </p>
      <h3 className="mt-3 text-lg font-semibold">Here already</h3>
      {data.have.length === 0 && <p className="text-soft">No line of the shed serves a brief without a remark.</p>}
      <ul>
        {data.have.map((l) => (
          <li key={l.line} className="border-t border-hair py-1">
            <Mark verdict="fits" wordless />{' '}
            <strong>
              <Say parts={l.says} />
            </strong>
            : {days(l.days)}
          </li>
        ))}
      </ul>
      <h3 className="mt-3 text-lg font-semibold">To buy</h3>
      {data.buy.length === 0 && <p className="text-soft">Nothing: what is here serves them all.</p>}
      <ol>
        {data.buy.map((l, i) => (
          <li key={i} className="border-t border-hair py-1" data-buy={i}>
            <Mark verdict="toBuy" wordless /> {nth[i] ?? `${i + 1}th`}:{' '}
            <strong>
              <Say parts={l.says} />
            </strong>
            , {days(l.days)}
          </li>
        ))}
      </ol>
    </section>
  );
}

const days = (names: string[]) =>
  `${names.length === 1 ? 'one day' : `${names.length} days`}: ${names.map((n) => `“${n}”`).join(', ')}`;
