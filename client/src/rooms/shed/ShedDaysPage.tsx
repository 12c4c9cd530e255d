import { useState } from 'react';
import { Link } from 'react-router';
import { api, unwrap, type Purchase, type ShedReview } from '../../api/client';
import { key } from '../../api/keys';
import { useAsk } from '../../api/useAsk';
import { Mark } from '../../ui/Mark';
import { Message } from '../../ui/Message';
import { Sum } from '../../ui/fields';
import { draftOf, useFaults, useForm } from '../../ui/form';
import { Say } from '../../ui/Say';
import { useUnits } from '../../ui/units';
import { CoverageTable } from '../shared/CoverageTable';
import { askAgain, Searching } from '../shared/Searching';
import { ShedTabs } from './ShedTabs';

type Money = Record<'budget' | 'rod' | 'line' | 'reel', number | null>;

/** What the shed can do for the kept briefs, what is missing, and what to look at before buying it. */
export function ShedDaysPage() {
  const { trip } = useUnits().standards.beginnings;
  const form = useForm<Money>(draftOf('money', null), {
    budget: null,
    rod: trip.rodPrice,
    line: trip.linePrice,
    reel: trip.reelPrice,
  });
  const money = form.values;
  const query = {
    ...(money.budget !== null && { budget: money.budget }),
    rodPrice: money.rod ?? 0,
    linePrice: money.line ?? 0,
    reelPrice: money.reel ?? 0,
  };
  const [stopped, setStopped] = useState(false);
  const { data, fields, error } = useAsk(
    key('shedDays', query),
    (signal) => unwrap(api.GET('/api/shed/review', { params: { query }, signal })),
    true,
    askAgain(stopped),
  );
  const words = Object.values(fields)[0] ?? (error && !data ? error.message : null);
  useFaults(form, fields);
  return (
    <main id="main" className="mx-auto flex max-w-[84rem] flex-col gap-3 px-5 py-4">
      <h1 className="text-2xl font-semibold">Shed</h1>
      <ShedTabs />
      <Message>{words}</Message>
      {!data && !words && <p className="text-lg text-soft">Trying every outfit on every brief…</p>}
      {data && (
        <>
          <p className="text-xl font-semibold" data-review-says>
            <Say parts={data.says} />.
          </p>
          <Searching at={data.searching} what="outfits" stopped={stopped} onStop={setStopped} />
          {data.coverage.days.length === 0 ? (
            <p>
              <Link className="underline" to="/briefs/new">
                Start a brief
              </Link>
              , and what is here is held against it.
            </p>
          ) : (
            data.coverage.outfits.length === 0 && (
              <p>
                Own nothing yet? See{' '}
                <Link className="underline" to="/first">
                  a first outfit
                </Link>
                .
              </p>
            )
          )}
          <CoverageTable coverage={data.coverage} />
          {data.coverage.days.length > 0 && (
            <div className="grid gap-x-8 gap-y-4 md:grid-cols-2">
              <section aria-label="What to buy">
                <MeasureFirst pieces={data.measure} />
                <h2 className="border-b border-ink pb-1 text-lg font-semibold">One piece to buy</h2>
                <div className="my-2 grid grid-cols-4 items-end gap-2">
                  <Sum of={form} at="budget" label="May be spent" placeholder="no limit" />
                  <Sum of={form} at="rod" label="a rod costs" />
                  <Sum of={form} at="line" label="a line" />
                  <Sum of={form} at="reel" label="a reel" />
                </div>
                <p className="text-sm text-soft">Prices are examples until you say what they are where you buy.</p>
                {data.purchases.length === 0 && !data.searching && (
                  <p className="py-1 text-soft">No single piece would be felt on these days.</p>
                )}
                <ol>
                  {data.purchases.slice(0, 6).map((p) => (
                    <Buy key={`${p.kind}${p.piece.id}`} purchase={p} />
                  ))}
                </ol>
              </section>
              <section aria-label="Where the money belongs">
                <h2 className="border-b border-ink pb-1 text-lg font-semibold">Where the money belongs</h2>
                <ul>
                  {data.money.map((m, i) => (
                    <li key={i} className="border-b border-hair py-1">
                      <Say parts={m.says} />.
                    </li>
                  ))}
                </ul>
                <h2 className="mt-4 border-b border-ink pb-1 text-lg font-semibold">Before you pay for a used one</h2>
                <dl>
                  {data.checklist.map((c) => (
                    <div key={c.id} className="grid grid-cols-[7.5rem_1fr] gap-2 border-b border-hair py-1">
                      <dt className="font-semibold">{c.name}</dt>
                      <dd>{c.look}</dd>
                    </div>
                  ))}
                </dl>
              </section>
              {data.leftOut.length > 0 && (
                <section aria-label="Left out">
                  <h2 className="border-b border-ink pb-1 text-lg font-semibold">Left out</h2>
                  <ul>
                    {data.leftOut.map((l, i) => (
                      <li key={i} className="border-b border-hair py-1 first-letter:uppercase">
                        <Say parts={l.says} />.
                      </li>
                    ))}
                  </ul>
                </section>
              )}
            </div>
          )}
        </>
      )}
    </main>
  );
}

/** What costs nothing, before what does. */
function MeasureFirst({ pieces }: { pieces: ShedReview['measure'] }) {
  if (pieces.length === 0) return null;
  return (
    <>
      <h2 className="border-b border-ink pb-1 text-lg font-semibold">Measure first: it costs nothing</h2>
      <ul className="mb-3">
        {pieces.map((m) => (
          <li key={`${m.kind}${m.id}`} className="border-b border-hair py-1">
            <Link className="underline" to={`/${m.kind === 'rod' ? 'rods' : 'lines'}/${m.id}`}>
              <Say parts={m.says} />
            </Link>
            .
          </li>
        ))}
      </ul>
    </>
  );
}

const kinds: Record<string, string> = { rod: 'a rod', head: 'a line', reel: 'a reel' };

function Buy({ purchase: p }: { purchase: Purchase }) {
  return (
    <li className={`border-b border-hair py-1.5 ${p.affordable ? '' : 'text-soft'}`} data-buy={p.kind}>
      <Mark verdict="toBuy" wordless />{' '}
      <b>
        {kinds[p.kind]}, <Say parts={p.piece.says} />
      </b>
      , about {p.piece.price}
      {!p.affordable && ', more than may be spent'}:{' '}
      {p.serves.length > 0 ? `opens ${p.serves.map((s) => `“${s}”`).join(', ')}` : 'opens no day, but betters some'}.
    </li>
  );
}
