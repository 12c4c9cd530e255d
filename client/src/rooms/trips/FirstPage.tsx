import { Link } from 'react-router';
import { api, unwrap, type FirstOutfit, type PlannedDay } from '../../api/client';
import { key } from '../../api/keys';
import { useAsk } from '../../api/useAsk';
import { useBriefs } from '../../state/briefs';
import { draftOf, useForm } from '../../ui/form';
import { Caution, Message } from '../../ui/Message';
import { Say } from '../../ui/Say';
import { CoverageTable } from '../shared/CoverageTable';
import { DayList } from './DayEditor';

const none = { days: [] };

/** For somebody who owns nothing: the days to expect, and the one rod, line and reel that covers most of them. */
export function FirstPage() {
  const { data: briefs } = useBriefs();
  const form = useForm<{ days: PlannedDay[] }>(draftOf('first', null), none);
  const { days } = form.values;
  const { data, fields, error } = useAsk(
    key('firstOutfit', days),
    (signal) => unwrap(api.POST('/api/trips/first', { body: { days }, signal })),
    days.length > 0,
  );
  const words = Object.values(fields)[0] ?? (error && !data ? error.message : null);
  return (
    <main id="main" className="mx-auto max-w-[84rem] px-5 py-4">
      <h1 className="text-2xl font-semibold">A first outfit</h1>
      <p className="text-soft">
        You own nothing yet. Say which days you expect and how often; here stands the one rod, line and reel that serves
        most of them, and what a second would add.
      </p>
      <div className="mt-3 grid gap-x-8 gap-y-5 lg:grid-cols-[minmax(18rem,24rem)_minmax(0,1fr)]">
        <DayList days={days} briefs={briefs ?? []} onChange={(next) => form.put('days', next)} />
        <div className="min-w-0">
          <Message>{words}</Message>
          {days.length === 0 ? (
            <p className="text-lg text-soft">
              Begin with the day you dream of: “Say another day”. A fish and a fly are enough, the rest is assumed.
            </p>
          ) : data?.outfit ? (
            <First outfit={data.outfit} />
          ) : data ? (
            <p className="text-lg font-semibold">
              No outfit that can be bought serves any of these days. Bring one of them nearer, or wait for less wind.
            </p>
          ) : (
            !words && <p className="text-lg text-soft">Trying what there is to buy on every day…</p>
          )}
        </div>
      </div>
    </main>
  );
}

function First({ outfit }: { outfit: FirstOutfit }) {
  return (
    <>
      <p className="text-xl font-semibold" data-first-says aria-live="polite">
        <Say parts={outfit.says} />.
      </p>
      <div className="mt-2">
        <CoverageTable coverage={outfit.coverage} />
      </div>
      <div className="mt-4 grid gap-x-8 gap-y-4 md:grid-cols-2">
        <section aria-label="Shopping list">
          <h2 className="border-b border-ink pb-1 text-lg font-semibold">To ask for in a shop</h2>
          <dl>
            {outfit.shopping
              .filter((l) => l.name !== 'fly' && l.name !== 'tippet')
              .map((l) => (
                <div key={l.link} className="grid grid-cols-[5rem_1fr] gap-2 border-b border-hair py-1">
                  <dt className="font-semibold">{l.name}</dt>
                  <dd>
                    <Say parts={l.says} />
                  </dd>
                </div>
              ))}
          </dl>
          <h3 className="mt-3 font-semibold">Flies and tippet</h3>
          <ul>
            {outfit.flies.map((f) => (
              <li key={f.title} className="border-b border-hair py-1">
                {f.title}: <Say parts={f.says} />.
              </li>
            ))}
          </ul>
        </section>
        <section aria-label="What comes next">
          <h2 className="border-b border-ink pb-1 text-lg font-semibold">What a second would add</h2>
          {outfit.next.length === 0 && <p className="py-1 text-soft">Nothing that would be felt.</p>}
          <ul>
            {outfit.next.map((n, i) => (
              <li key={i} className="border-b border-hair py-1">
                <b>
                  <Say parts={n.says} />.
                </b>
                <ul className="list-disc pl-5">
                  {n.pieces.map((p) => (
                    <li key={`${p.tag}${p.id}`}>
                      <Say parts={p.says} />
                    </li>
                  ))}
                </ul>
              </li>
            ))}
          </ul>
          <h2 className="mt-4 border-b border-ink pb-1 text-lg font-semibold">Learning</h2>
          <ul>
            {outfit.lessons.map((l, i) => (
              <li key={i} className="border-b border-hair py-1">
                <Say parts={l.says} />.
              </li>
            ))}
          </ul>
        </section>
        <section aria-label="Putting it together" className="md:col-span-2">
          <h2 className="border-b border-ink pb-1 text-lg font-semibold">Putting it together</h2>
          <ol className="list-decimal pl-6">
            {outfit.setUp.map((s, i) => (
              <li key={i} className="border-b border-hair py-1">
                <b>{s.title}</b>: <Say parts={s.says} />.
              </li>
            ))}
          </ol>
          <p className="mt-1">
            How each knot is tied stands in the{' '}
            <Link className="underline" to="/knots">
              book of knots
            </Link>
            .
          </p>
          <Caution>
            Eyes covered, a brim on, barbs flattened. These are planning aids: a shop hand, a guide and the local rules
            go before them.
          </Caution>
        </section>
      </div>
    </>
  );
}
