import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, unwrap, type LogAnswers } from '../../api/client';
import { key } from '../../api/keys';
import { LossPicture, SeasonPicture, WindPicture } from '../../drawing/LogPictures';
import { saidDay } from '../../ui/dates';
import { Pick } from '../../ui/Pick';
import { distance, named, useUnits } from '../../ui/units';
import { useAddress } from '../../ui/useAddress';
import { LogTabs } from './LogTabs';

const percent = (share: number) => `${Math.round(100 * share)} %`;

/** Questions people ask of a log: lost to what, which line in wind, what stays at home, what a water took. */
export function AnswersPage() {
  const { asked, ask } = useAddress();
  const year = Number(asked('year')) || null;
  const { data, error } = useQuery({
    queryKey: key('logAnswers', year),
    queryFn: ({ signal }) =>
      unwrap(api.GET('/api/log/answers', { params: { query: year === null ? {} : { year } }, signal })),
    placeholderData: keepPreviousData,
  });
  return (
    <main id="main" className="mx-auto max-w-[76rem] px-5 py-4">
      <h1 className="text-2xl font-semibold">Log</h1>
      <LogTabs />
      {error && !data && <p className="mt-3 font-semibold">{error.message}</p>}
      {data && data.outings + data.sessions === 0 && (
        <p className="mt-4 max-w-2xl text-lg text-soft">
          Nothing noted yet, so nothing to say.{' '}
          <Link className="underline" to="/log/new">
            Note an outing
          </Link>
        </p>
      )}
      {data && data.outings + data.sessions > 0 && (
        <Answers data={data} onYear={(next) => ask({ year: next === null ? null : String(next) })} />
      )}
    </main>
  );
}

function Answers({ data, onYear }: { data: LogAnswers; onYear: (year: number) => void }) {
  const { standards } = useUnits();
  const lossName = (cause: LogAnswers['losses'][number]['cause']) => named(standards.choices.loss, cause);
  const never = data.stayHome.filter((p) => p.outings === 0);
  const [worst] = data.losses;
  return (
    <>
      <p className="mt-3 text-lg">
        {data.outings} outings and {data.sessions} practices, {Math.round(data.hours)} hours noted; {data.landed} of{' '}
        {data.hooked} fish that were hooked came to hand.
      </p>
      <div className="mt-4 grid gap-x-10 gap-y-8 lg:grid-cols-2 [&>*]:min-w-0">
        <div className="flex min-w-0 flex-col gap-8">
          <section aria-label="Lost to what">
            <h2 className="border-b border-ink pb-1 text-lg font-semibold">What did I lose fish and flies to?</h2>
            {worst ? (
              <>
                <LossPicture losses={data.losses} nameOf={lossName} />
                <p>
                  Most: <b>{lossName(worst.cause)}</b>. {worst.helps}
                </p>
              </>
            ) : (
              <p className="py-2 text-soft">Nothing was lost.</p>
            )}
          </section>
          <section aria-label="What waters took">
            <h2 className="border-b border-ink pb-1 text-lg font-semibold">What did the water cost me?</h2>
            <div className="overflow-x-auto">
              <table className="w-full text-left">
                <thead>
                  <tr className="rubric">
                    <th className="py-1 pr-3">Place</th>
                    <th className="pr-3 text-right">Outings</th>
                    <th className="pr-3 text-right">Landed</th>
                    <th className="pr-3 text-right">Fish lost</th>
                    <th className="pr-3 text-right">Flies and leaders</th>
                    <th className="text-right">Falls</th>
                  </tr>
                </thead>
                <tbody>
                  {data.waters.map((w) => (
                    <tr key={w.place} className="border-t border-hair">
                      <th scope="row" className="py-1 pr-3 font-semibold wrap-anywhere">
                        <Link className="hover:underline" to={`/log?place=${encodeURIComponent(w.place)}`}>
                          {w.place}
                        </Link>
                      </th>
                      <td className="pr-3 text-right tabular-nums">{w.outings}</td>
                      <td className="pr-3 text-right tabular-nums">{w.landed}</td>
                      <td className="pr-3 text-right tabular-nums">{w.fishLost}</td>
                      <td className="pr-3 text-right tabular-nums">{w.fliesLost}</td>
                      <td className="text-right tabular-nums">{w.dropped}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
          </section>
        </div>
        <section aria-label="The season">
          <header className="flex items-baseline gap-3 border-b border-ink pb-1">
            <h2 className="flex-1 text-lg font-semibold">The season</h2>
            {data.years.length > 1 && (
              <span className="w-28">
                <Pick
                  inline
                  label="Year"
                  value={String(data.year)}
                  options={data.years.map((y) => ({ id: String(y), name: String(y) }))}
                  onChange={(y) => onYear(Number(y))}
                />
              </span>
            )}
          </header>
          <SeasonPicture days={data.days} year={data.year} />
          <p className="text-sm text-soft">
            Filled: fish, larger for more. Hollow: none. Triangle: practice on grass. Underlined: something was lost.
          </p>
        </section>
        <InTheWind data={data} />
        <section aria-label="What stays at home" className="lg:col-span-2">
          <h2 className="border-b border-ink pb-1 text-lg font-semibold">What never comes along?</h2>
          {never.length > 0 && (
            <p className="mt-2">Never out since there is a log: {never.map((p) => `${p.tag} ${p.name}`).join(', ')}.</p>
          )}
          <ul className="mt-2 grid gap-x-8 sm:grid-cols-2 lg:grid-cols-3">
            {data.stayHome
              .filter((p) => p.lastOn)
              .map((p) => (
                <li key={`${p.kind}-${p.id}`} className="flex gap-2 border-b border-hair py-1">
                  <span className="min-w-0 flex-1 wrap-anywhere">
                    <b>{p.tag}</b> {p.name}
                  </span>
                  <span className="text-soft">
                    {p.outings} ×, last {saidDay(p.lastOn!)}
                  </span>
                </li>
              ))}
          </ul>
        </section>
      </div>
    </>
  );
}

/** Which line in which wind, and one outfit's casts over the wind with the engine's curve under them. */
function InTheWind({ data }: { data: LogAnswers }) {
  const { show } = useUnits();
  const [chosen, setChosen] = useState<string | null>(null);
  const keyOf = (p: LogAnswers['pairs'][number]) => `${p.rodId}-${p.lineId}`;
  const pair = data.pairs.find((p) => keyOf(p) === chosen) ?? data.pairs[0];
  const { data: wind } = useQuery({
    queryKey: key('logWind', pair && keyOf(pair)),
    enabled: pair !== undefined,
    queryFn: ({ signal }) =>
      unwrap(api.GET('/api/log/wind', { params: { query: { rod: pair!.rodId, line: pair!.lineId } }, signal })),
  });
  const band = (name: string, from: number) => `${name}${from > 0 ? `, from ${show(from, 'windSpeed')}` : ''}`;
  return (
    <section aria-label="In the wind" className="lg:col-span-2">
      <h2 className="border-b border-ink pb-1 text-lg font-semibold">Which line in the wind?</h2>
      <div className="mt-2 grid gap-x-10 gap-y-4 lg:grid-cols-2 [&>*]:min-w-0">
        <div className="overflow-x-auto">
          <table className="w-full text-left">
            <thead>
              <tr className="rubric">
                <th className="py-1 pr-3">Line</th>
                {data.bands.map((b) => (
                  <th key={b.name} className="pr-3">
                    {band(b.name, b.fromMps)}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {data.inWind.map((l) => (
                <tr key={l.lineId} className="border-t border-hair align-top">
                  <th scope="row" className="py-1 pr-3 font-semibold wrap-anywhere">
                    {l.tag} {l.name}
                  </th>
                  {l.bands.map((b, i) => (
                    <td key={i} className="py-1 pr-3">
                      {b.outings + b.casts === 0 ? (
                        <span className="text-soft">–</span>
                      ) : (
                        <>
                          {b.middleM != null && <b>{show(distance(b.middleM))} </b>}
                          <span className="text-soft">
                            {b.outings} ×{b.right != null && `, right ${percent(b.right)}`}
                            {b.straight != null && `, straight ${percent(b.straight)}`}
                          </span>
                        </>
                      )}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
          <p className="mt-1 text-sm text-soft">
            The middle of the casts measured there, how often it was out, and how often rod and cast were right.
          </p>
        </div>
        <div>
          {pair && wind ? (
            <>
              <Pick
                label="Casts of"
                value={keyOf(pair)}
                options={data.pairs.map((p) => ({ id: keyOf(p), name: `${p.called}: ${p.casts} casts` }))}
                onChange={setChosen}
              />
              <WindPicture data={wind} title={pair.called} />
              <p className="text-sm text-soft">
                {wind.reachM.length > 0
                  ? `Line: what is worked out for ${wind.caster}, ±${percent(wind.tolerance)}. `
                  : 'Nobody knows this rod’s class or the line’s weight, so there is no curve. '}
                Filled: as far as it went. Hollow: as far as the fish was. Cross: in a heap.
              </p>
            </>
          ) : (
            <p className="text-soft">Measure a cast or two, and they stand here over the wind.</p>
          )}
        </div>
      </div>
    </section>
  );
}
