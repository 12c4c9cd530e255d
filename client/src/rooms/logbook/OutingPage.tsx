import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { api, unwrap, type Outing } from '../../api/client';
import { useAttempt } from '../../api/useAttempt';
import { useBriefs } from '../../state/briefs';
import { useCasters } from '../../state/casters';
import { useShed } from '../../state/gear';
import { useRefreshLog } from '../../state/log';
import { Message } from '../../ui/Message';
import { NumberField } from '../../ui/NumberField';
import { forget, forgetAll, recallParts, remember } from '../../ui/remember';
import { Pick } from '../../ui/Pick';
import { Problem } from '../../ui/Problem';
import { useDone } from '../../ui/toast';
import { OptionalMeasureField } from '../../ui/TypedField';
import { EntryScope, settleEntries } from '../../ui/useReading';
import { useUnits } from '../../ui/units';
import { CastList } from './CastList';
import { FishList } from './FishList';
import { Choose, Count } from './parts';
import { RingList } from './RingList';

type Draft = Omit<Outing, 'landed' | 'lost'>;

const unsaved = 'outing-in-work';
const nobody = 'none';

/** One outing: a new one from a brief or from nothing, or one that is kept. What is entered stays in the browser until it is kept. */
export function OutingPage() {
  const { id } = useParams();
  const [params] = useSearchParams();
  const isNew = id === undefined;
  const brief = params.get('brief');
  const grass = params.get('kind') === 'grass';
  const [anew, setAnew] = useState(0);
  const { data, error } = useQuery({
    queryKey: ['log', isNew ? 'new' : 'one', id ?? brief ?? (grass ? 'grass' : '')],
    queryFn: () =>
      isNew
        ? unwrap(
            api.GET('/api/log/new', {
              params: { query: { ...(brief ? { brief: Number(brief) } : {}), ...(grass ? { grass } : {}) } },
            }),
          )
        : unwrap(api.GET('/api/log/{id}', { params: { path: { id: Number(id) } } })),
    // A new one is laid out once; what is typed since is not to be overwritten.
    staleTime: isNew ? Infinity : 0,
    gcTime: 0,
  });
  if (error && !data)
    return (
      <main id="main" className="p-6">
        <h1 className="text-xl font-semibold">{error.message}</h1>
        <Link className="underline" to="/log">
          The log
        </Link>
      </main>
    );
  if (!data) return <p className="p-6">Opening…</p>;
  const place = isNew ? `${unsaved}-${brief ?? (grass ? 'grass' : 'free')}` : `${unsaved}-${id}-${data.version}`;
  return <Form key={`${place} ${anew}`} start={data} place={place} beginAnew={() => setAnew(anew + 1)} />;
}

function Form({ start, place, beginAnew }: { start: Draft; place: string; beginAnew: () => void }) {
  const { standards } = useUnits();
  const { data: shed } = useShed();
  const { data: briefs } = useBriefs();
  const casters = useCasters();
  const navigate = useNavigate();
  const [draft, setDraft] = useState<Draft>(() => recallParts(place, start));
  const form = useRef<HTMLFormElement>(null);
  const done = useDone(useRefreshLog());
  const { attempt, fields, words } = useAttempt();
  const [busy, setBusy] = useState(false);
  useEffect(() => {
    if (draft !== start) remember(place, JSON.stringify(draft));
  }, [draft, start, place]);
  const put = (change: Partial<Draft>) => setDraft((d) => ({ ...d, ...change }));
  const grass = draft.kind === 'grass';
  const isNew = start.id === 0;
  const change = (outing: Draft) =>
    unwrap(api.PUT('/api/log/{id}', { params: { path: { id: outing.id } }, body: outing }));
  const keep = async () => {
    if (form.current && (await settleEntries(form.current))) return;
    setBusy(true);
    try {
      const went = await attempt(async () => {
        const latest = recallParts<Draft>(place, draft);
        const kept = isNew ? await unwrap(api.POST('/api/log', { body: latest })) : await change(latest);
        forget(place);
        await navigate('/log');
        await done(isNew ? 'The outing is in the log.' : 'The outing is changed.', () =>
          isNew
            ? unwrap<unknown>(api.DELETE('/api/log/{id}', { params: { path: { id: kept.id } } }))
            : change({ ...start, version: kept.version }),
        );
      });
      // To the field that needs another look, clear of the bar at the foot.
      if (!went)
        setTimeout(() => {
          const odd = form.current?.querySelector<HTMLElement>('[aria-invalid="true"]');
          odd?.focus({ preventScroll: true });
          odd?.scrollIntoView({ block: 'center' });
        });
    } finally {
      setBusy(false);
    }
  };
  const pieces = (list: { id: number; tag: string; name: string }[] | undefined) => [
    { id: nobody, name: 'not said' },
    ...(list ?? []).map((p) => ({ id: String(p.id), name: `${p.tag} ${p.name}` })),
  ];
  const piece = (
    label: string,
    key: 'rodId' | 'lineId' | 'reelId' | 'leaderId',
    list: Parameters<typeof pieces>[0],
  ) => (
    <Pick
      label={label}
      value={draft[key] ? String(draft[key]) : nobody}
      options={pieces(list)}
      problem={fields[key]}
      onChange={(id) => put({ [key]: id === nobody ? null : Number(id) })}
    />
  );
  const gear = [
    shed?.rods.find((r) => r.id === draft.rodId),
    shed?.lines.find((l) => l.id === draft.lineId),
    shed?.reels.find((r) => r.id === draft.reelId),
  ];
  const outfit = gear.flatMap((p) => (p ? [`${p.tag} ${p.name}`] : [])).join(', ');
  return (
    <EntryScope value={place}>
      <main id="main" className="mx-auto max-w-[46rem] px-4 py-4 sm:px-5">
        <form
          ref={form}
          onSubmit={(event) => {
            event.preventDefault();
            void keep();
          }}
          className="flex flex-col gap-5"
        >
          <header>
            <Link className="quiet -ml-1 underline" to="/log">
              The log
            </Link>
            <h1 className="text-2xl font-semibold">
              {isNew ? (grass ? 'An hour on grass' : 'A day out') : grass ? 'Practice' : 'An outing'}
            </h1>
          </header>
          {isNew && !grass && (briefs?.length ?? 0) > 0 && (
            <Pick
              label="It followed the brief"
              value={draft.briefId ? String(draft.briefId) : nobody}
              options={[{ id: nobody, name: 'no brief' }, ...briefs!.map((b) => ({ id: String(b.id), name: b.name }))]}
              onChange={(id) => {
                forget(place);
                void navigate(id === nobody ? '/log/new' : `/log/new?brief=${id}`, { replace: true });
              }}
            />
          )}
          <section aria-label="The day" className="grid grid-cols-2 gap-3 sm:grid-cols-4">
            <label className="block min-w-0">
              <span className="rubric block">Day</span>
              <input
                className="entry w-full"
                type="date"
                value={draft.on}
                onChange={(event) => event.target.value && put({ on: event.target.value })}
              />
              <Problem words={fields.on} />
            </label>
            <NumberField
              label="Hours"
              value={draft.hours}
              like="Type hours, such as 3 or 2.5."
              problem={fields.hours}
              onChange={(hours) => put({ hours })}
            />
            <label className="col-span-2 block min-w-0">
              <span className="rubric block">Place</span>
              <input
                className="entry w-full"
                value={draft.place}
                maxLength={80}
                onChange={(event) => put({ place: event.target.value })}
              />
              <Problem words={fields.place} />
            </label>
            <div className="sm:col-span-2">
              <OptionalMeasureField
                label="Wind"
                kind="windSpeed"
                value={draft.windMps}
                problem={fields.windMps}
                onChange={(windMps) => put({ windMps })}
              />
            </div>
            <div className="sm:col-span-2">
              <Pick
                label="It came"
                value={String((Math.round((draft.windFromDeg ?? 0) / 45) * 45) % 360)}
                options={standards.choices.windFrom.map((w) => ({ id: String(w.deg), name: w.ofMe }))}
                onChange={(deg) => put({ windFromDeg: Number(deg) })}
              />
            </div>
          </section>
          <details className="border-y border-hair py-2" open={outfit === ''}>
            <summary className="cursor-pointer">
              <b>With</b> {outfit || 'an outfit nobody named yet'}
            </summary>
            <div className="mt-2 grid grid-cols-2 gap-3 sm:grid-cols-3">
              {piece('Rod', 'rodId', shed?.rods)}
              {piece('Line', 'lineId', shed?.lines)}
              {piece('Reel', 'reelId', shed?.reels)}
              {piece('Kept leader', 'leaderId', shed?.leaders)}
              <OptionalMeasureField
                label="Leader"
                kind="rodLength"
                value={draft.leaderM}
                problem={fields.leaderM}
                onChange={(leaderM) => put({ leaderM })}
              />
              <OptionalMeasureField
                label="Tippet"
                kind="tippet"
                value={draft.tippetM}
                problem={fields.tippetM}
                onChange={(tippetM) => put({ tippetM })}
              />
              <Pick
                label="Fly"
                value={draft.flyKind ?? nobody}
                options={[{ id: nobody, name: 'not said' }, ...standards.flyKinds]}
                onChange={(id) => put({ flyKind: id === nobody ? null : id, hookSize: null })}
              />
              <Pick
                label="Who cast"
                value={draft.caster}
                options={casters}
                problem={fields.caster}
                onChange={(caster) => put({ caster })}
              />
              <label className="flex min-h-[44px] items-center gap-2 self-end">
                <input
                  type="checkbox"
                  className="size-5"
                  checked={draft.salt}
                  onChange={(event) => put({ salt: event.target.checked })}
                />
                salt water
              </label>
            </div>
          </details>
          <Choose
            label="How the rod felt"
            options={standards.choices.feel}
            value={draft.feel ?? null}
            onChange={(feel) => put({ feel })}
          />
          {grass ? (
            <>
              <Choose
                label="What was practised"
                options={standards.choices.drill}
                value={draft.drill ?? null}
                onChange={(drill) => put({ drill })}
              />
              <RingList rings={draft.rings} problems={fields} onChange={(rings) => put({ rings })} />
            </>
          ) : (
            <>
              <FishList fish={draft.fish} problems={fields} onChange={(fish) => put({ fish })} />
              <section aria-label="Lost">
                <h2 className="rubric">Lost, and why</h2>
                <div className="grid grid-cols-2 gap-2 sm:grid-cols-4">
                  {standards.choices.loss.map((cause) => (
                    <Count
                      key={cause.id}
                      label={cause.name}
                      value={draft.losses.find((l) => l.cause === cause.id)?.count ?? 0}
                      onChange={(count) =>
                        put({
                          losses: [
                            ...draft.losses.filter((l) => l.cause !== cause.id),
                            ...(count > 0
                              ? [
                                  {
                                    cause: cause.id,
                                    count,
                                    what: draft.losses.find((l) => l.cause === cause.id)?.what ?? null,
                                  },
                                ]
                              : []),
                          ],
                        })
                      }
                    />
                  ))}
                  <Count label="wind knots" value={draft.windKnots} onChange={(windKnots) => put({ windKnots })} />
                </div>
              </section>
            </>
          )}
          <CastList casts={draft.casts} problems={fields} onChange={(casts) => put({ casts })} />
          <section aria-label="And">
            <label className="block">
              <span className="rubric block">Note</span>
              <textarea
                className="entry min-h-20 w-full"
                value={draft.note ?? ''}
                maxLength={2000}
                onChange={(event) => put({ note: event.target.value || null })}
              />
              <Problem words={fields.note} />
            </label>
            <fieldset className="mt-2 flex flex-wrap items-center gap-x-5">
              <legend className="rubric">It fell</legend>
              {standards.choices.dropped.map((d) => (
                <label key={d.id} className="flex min-h-[44px] items-center gap-2">
                  <input
                    type="checkbox"
                    className="size-5"
                    checked={draft.dropped.includes(d.id)}
                    onChange={(event) =>
                      put({
                        dropped: event.target.checked
                          ? [...draft.dropped, d.id]
                          : draft.dropped.filter((x) => x !== d.id),
                      })
                    }
                  />
                  the {d.name}
                </label>
              ))}
            </fieldset>
          </section>
          <footer className="sticky bottom-0 -mx-4 border-t border-ink bg-paper px-4 py-2">
            <Message>{words}</Message>
            <button
              type="submit"
              className="btn min-h-[48px] w-full bg-ink! text-lg text-paper! sm:w-auto"
              disabled={busy}
            >
              {isNew ? 'Keep it' : 'Keep the change'}
            </button>
            <span className="ml-3 text-sm text-soft">What you enter stays here until it is kept.</span>
            {draft !== start && (
              <button
                type="button"
                className="quiet ml-3 underline"
                onClick={() => {
                  forget(place);
                  forgetAll(`entry-${place}`);
                  beginAnew();
                }}
              >
                {isNew ? 'begin anew' : 'back to what is kept'}
              </button>
            )}
          </footer>
        </form>
      </main>
    </EntryScope>
  );
}
