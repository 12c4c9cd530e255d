import { Link } from 'react-router';
import { api, unwrap, type Coverage } from '../../api/client';
import { key } from '../../api/keys';
import { useAsk } from '../../api/useAsk';
import { Mark } from '../../ui/Mark';
import { Say } from '../../ui/Say';
import { askAgain } from '../shared/Searching';

/** Which lines serve all the kept briefs, and which to buy: what the shed's own page says, line by line. */
export function LinesForDays() {
  const { data, error } = useAsk(
    key('shedDays', {}),
    (signal) => unwrap(api.GET('/api/shed/review', { params: { query: {} }, signal })),
    true,
    askAgain(false),
  );
  if (error && !data) return <p role="alert">{error.message}</p>;
  if (!data) return <p className="text-soft">Going through the briefs…</p>;
  const lines = linesOf(data.coverage);
  const buy = data.purchases.filter((p) => p.kind === 'head');
  const weigh = data.measure.filter((m) => m.kind === 'head');
  return (
    <section aria-label="Lines for all briefs">
      <p>
        All kept briefs together, each with the outfit of the shed that serves it best.{' '}
        <Link className="underline" to="/shed/days">
          Rods and reels as well
        </Link>
        .
      </p>
      <h3 className="mt-3 text-lg font-semibold">Here already</h3>
      {lines.length === 0 && <p className="text-soft">No line of the shed serves a brief.</p>}
      <ul>
        {lines.map((l) => (
          <li key={l.id} className="border-t border-hair py-1">
            <strong>
              <Say parts={l.says} />
            </strong>
            <ul>
              {l.days.map((d) => (
                <li key={d.name}>
                  <Mark verdict={d.verdict} /> “{d.name}”
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
      {weigh.length > 0 && (
        <>
          <h3 className="mt-3 text-lg font-semibold">Weigh first</h3>
          <ul>
            {weigh.map((m) => (
              <li key={m.id} className="border-t border-hair py-1">
                <Link className="underline" to={`/lines/${m.id}`}>
                  <Say parts={m.says} />
                </Link>
                .
              </li>
            ))}
          </ul>
        </>
      )}
      <h3 className="mt-3 text-lg font-semibold">To buy</h3>
      {buy.length === 0 && !data.searching && <p className="text-soft">No line would be felt on these days.</p>}
      <ol>
        {buy.map((p) => (
          <li key={p.piece.id} className="border-t border-hair py-1" data-buy={p.kind}>
            <Mark verdict="toBuy" wordless />{' '}
            <strong>
              <Say parts={p.piece.says} />
            </strong>
            :{' '}
            {p.serves.length > 0
              ? `opens ${p.serves.map((n) => `“${n}”`).join(', ')}`
              : 'opens no day, but betters some'}
          </li>
        ))}
      </ol>
    </section>
  );
}

/** The lines of the best outfits, each with its days. */
function linesOf({ outfits, days }: Coverage) {
  const lines = new Map<number, { id: number; says: Coverage['outfits'][number]['line']['says']; days: Day[] }>();
  for (const day of days) {
    const at = day.best;
    const line = at === null ? null : outfits[at]?.line;
    if (at === null || !line) continue;
    const found = lines.get(line.id) ?? { id: line.id, says: line.says, days: [] };
    found.days.push({ name: day.name, verdict: day.cells[at]!.verdict });
    lines.set(line.id, found);
  }
  return [...lines.values()];
}

type Day = { name: string; verdict: NonNullable<Coverage['days'][number]['cells'][number]>['verdict'] };
