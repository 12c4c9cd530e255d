import { useQuery } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import { api, unwrap, type KitShort, type Pieces, type Trip, type TripLimits, type TripPlan } from '../../api/client';
import { key } from '../../api/keys';
import { useAsk } from '../../api/useAsk';
import { useBriefs } from '../../state/briefs';
import { useShed } from '../../state/gear';
import { useTrip } from '../../state/useTrip';
import { useCommands } from '../../ui/commands';
import { Message } from '../../ui/Message';
import { MoneyField } from '../../ui/TypedField';
import { Say } from '../../ui/Say';
import { OptionalMeasureField } from '../../ui/TypedField';
import { useUnits } from '../../ui/units';
import { TextScope } from '../../ui/TextScope';
import { Lost } from '../../ui/Lost';
import { CoverageTable } from '../shared/CoverageTable';
import { askAgain, Searching } from '../shared/Searching';
import { DayList } from './DayEditor';
import { daysOf } from './TripsPage';

/** A trip: its days and limits on the left, the kit that serves them best on the right, live. */
export function TripPage() {
  const id = Number(useParams().id);
  const { data: trip, error } = useQuery({
    queryKey: key('trip', id),
    queryFn: async () => (await unwrap(api.GET('/api/trips/{id}', { params: { path: { id } } }))) as Trip,
    refetchOnWindowFocus: false,
  });
  if (error && !trip) return <Lost words={error.message} to="/trips" name="All trips" />;
  if (!trip) return <p className="p-6">Looking for the trip…</p>;
  return <Work key={id} loaded={trip} />;
}

function Work({ loaded }: { loaded: Trip }) {
  const { trip, saving, set, undo, redo, settle } = useTrip(loaded);
  const { standards } = useUnits();
  const { data: briefs } = useBriefs();
  const days = trip.days ?? [];
  const limits = { ...standards.beginnings.trip, ...trip.limits };
  const setLimits = (change: Partial<TripLimits>) =>
    set((now) => ({ limits: { ...standards.beginnings.trip, ...now.limits, ...change } }));
  const held = { rods: [], lines: [], reels: [], ...trip.held };
  const body = { days, limits, held };
  const usable = trip.name.trim() !== '' && days.length > 0;
  // The kit first, then what else there is to say about it.
  const asked = JSON.stringify(body);
  const [stopped, setStopped] = useState<string | null>(null);
  const isStopped = stopped === asked;
  const { data: quick, fields } = useAsk(
    key('tripPlan', body),
    (signal) => unwrap(api.POST('/api/trips/solve', { body: { ...body, further: false }, signal })),
    usable,
    askAgain(isStopped),
  );
  const { data: further } = useAsk(
    key('tripFurther', body),
    (signal) => unwrap(api.POST('/api/trips/solve', { body: { ...body, further: true }, signal })),
    usable && quick !== undefined && !quick.searching,
    askAgain(isStopped),
  );
  useCommands([
    { id: 'trip-undo', name: 'Take the last change back', words: 'undo', keys: ['mod+z'], group: 'Trip', run: undo },
    {
      id: 'trip-redo',
      name: 'Do it again',
      words: 'redo',
      keys: ['mod+shift+z', 'mod+y'],
      group: 'Trip',
      run: redo,
    },
  ]);
  const words = Object.values(fields)[0] ?? null;
  return (
    <main id="main" className="mx-auto max-w-[84rem] px-5 py-4">
      <header className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <label className="min-w-0 flex-1 basis-60">
          <span className="rubric block">Trip</span>
          <input
            className="entry w-full text-xl font-semibold"
            value={trip.name}
            maxLength={80}
            aria-invalid={trip.name.trim() === '' || undefined}
            onChange={(event) => set({ name: event.target.value })}
          />
        </label>
        <label>
          <span className="rubric block">Leaving on</span>
          <input
            className="entry"
            type="date"
            value={trip.leavesOn ?? ''}
            onChange={(event) => set({ leavesOn: event.target.value || null })}
          />
        </label>
        <button className="btn" disabled={!undo} onClick={() => undo?.()}>
          Undo
        </button>
        <Link className="btn inline-flex items-center bg-ink! text-paper!" to={`/trips/${trip.id}/packing`}>
          Pack for it
        </Link>
      </header>
      <Saving saving={saving} onSettle={settle} />
      <div className="mt-2 grid gap-x-8 gap-y-5 lg:grid-cols-[minmax(18rem,24rem)_minmax(0,1fr)]">
        <div className="flex flex-col gap-5 max-lg:order-2">
          <DayList days={days} briefs={briefs ?? []} onChange={(d) => set({ days: d })} />
          <TextScope name={`trip-${trip.id}`}>
            <Limits limits={limits} problems={fields} onChange={setLimits} />
          </TextScope>
          <Held held={held} onChange={(h) => set({ held: h })} />
        </div>
        <div className="min-w-0 max-lg:order-1">
          {/* What cannot be kept is said at its field and beside “kept”. */}
          <Message>{saving.state === 'refused' ? null : words}</Message>
          {!usable ? (
            <p className="text-lg text-soft">
              {days.length === 0 ? 'Add a day, and the kit for it stands here.' : 'Give the trip a name.'}
            </p>
          ) : quick ? (
            <Answer
              searching={
                <Searching
                  at={quick.searching ?? further?.searching}
                  what="outfits"
                  stopped={isStopped}
                  onStop={(stop) => setStopped(stop ? asked : null)}
                />
              }
              plan={quick}
              further={further}
              limits={limits}
              onTake={(kit) =>
                set({
                  held: {
                    rods: kit.rods.filter((p) => !p.toBuy).map((p) => p.id),
                    lines: kit.lines.filter((p) => !p.toBuy).map((p) => p.id),
                    reels: [...new Set(kit.reels.filter((p) => !p.toBuy).map((p) => p.id))],
                  },
                })
              }
            />
          ) : (
            !words && <p className="late text-lg text-soft">Trying rods and lines on every day…</p>
          )}
        </div>
      </div>
    </main>
  );
}

function Saving({
  saving,
  onSettle,
}: {
  saving: ReturnType<typeof useTrip>['saving'];
  onSettle: (mine: boolean) => unknown;
}) {
  return (
    <p className="min-h-5 text-sm text-soft" role="status">
      {{ typed: 'Changed…', saving: 'Saving…', saved: 'Kept.', waiting: '', refused: '', stale: '' }[saving.state]}
      {saving.state !== 'saved' && saving.words && <b className="text-fails">{saving.words}</b>}
      {saving.state === 'stale' && (
        <>
          <button className="quiet underline" onClick={() => void onSettle(true)}>
            Keep mine
          </button>
          <button className="quiet underline" onClick={() => void onSettle(false)}>
            Take the other
          </button>
        </>
      )}
    </p>
  );
}

function Limits({
  limits,
  problems,
  onChange,
}: {
  limits: TripLimits;
  problems: Record<string, string>;
  onChange: (change: Partial<TripLimits>) => void;
}) {
  const count = (key: 'rods' | 'lines' | 'reels', label: string) => (
    <label className="block">
      <span className="rubric flex justify-between">
        {label} <b className="text-base text-ink">{limits[key]}</b>
      </span>
      <input
        type="range"
        className="scrub w-full"
        min={1}
        max={8}
        value={Math.min(8, limits[key] ?? 1)}
        onChange={(event) => onChange({ [key]: Number(event.target.value) })}
      />
    </label>
  );
  const buys = limits.budget != null && limits.budget > 0;
  return (
    <section aria-label="Limits">
      <h2 className="border-b border-ink pb-1 text-lg font-semibold">What may come along</h2>
      <div className="mt-2 grid grid-cols-3 gap-3">
        {count('rods', 'Rods')}
        {count('lines', 'Lines, on spools')}
        {count('reels', 'Reels')}
      </div>
      <div className="mt-2 grid grid-cols-3 items-start gap-3">
        <OptionalMeasureField
          label="Gear weighs"
          kind="gearMass"
          value={limits.massKg}
          problem={problems['limits.massKg']}
          onChange={(massKg) => onChange({ massKg })}
        />
        <OptionalMeasureField
          label="Tube, inside"
          kind="rodLength"
          value={limits.tubeM}
          problem={problems['limits.tubeM']}
          onChange={(tubeM) => onChange({ tubeM })}
        />
        <MoneyField
          label="May be spent"
          value={limits.budget}
          placeholder="nothing"
          problem={problems['limits.budget']}
          onChange={(budget) => onChange({ budget })}
        />
      </div>
      {buys && (
        <div className="mt-2">
          <p className="rubric">What pieces cost where you buy: examples until you say so</p>
          <div className="grid grid-cols-3 gap-3">
            <MoneyField label="a rod" value={limits.rodPrice} onChange={(v) => onChange({ rodPrice: v ?? 0 })} />
            <MoneyField label="a line" value={limits.linePrice} onChange={(v) => onChange({ linePrice: v ?? 0 })} />
            <MoneyField label="a reel" value={limits.reelPrice} onChange={(v) => onChange({ reelPrice: v ?? 0 })} />
          </div>
        </div>
      )}
    </section>
  );
}

/** Pieces that come along whatever the days say. */
function Held({ held, onChange }: { held: Required<Pieces>; onChange: (held: Pieces) => void }) {
  const { data: shed } = useShed();
  const kinds = ['rods', 'lines', 'reels'] as const;
  const all = kinds.flatMap((kind) =>
    held[kind].map((id) => ({ kind, id, piece: shed?.[kind].find((p) => p.id === id) })),
  );
  if (all.length === 0) return null;
  return (
    <section aria-label="Packed already">
      <h2 className="border-b border-ink pb-1 text-lg font-semibold">Packed already</h2>
      <ul>
        {all.map(({ kind, id, piece }) => (
          <li key={`${kind}${id}`} className="flex items-baseline gap-2 border-b border-hair py-1">
            <span className="min-w-0 flex-1 wrap-anywhere">
              {piece ? `${piece.tag} ${piece.name}` : 'a piece that was put away'}
            </span>
            <button
              className="quiet underline"
              aria-label={`Let go of ${piece?.tag ?? 'it'}`}
              onClick={() => onChange({ ...held, [kind]: held[kind].filter((x) => x !== id) })}
            >
              let go
            </button>
          </li>
        ))}
      </ul>
      <button className="quiet underline" onClick={() => onChange({ rods: [], lines: [], reels: [] })}>
        let go of all
      </button>
    </section>
  );
}

function Answer({
  searching,
  plan,
  further,
  limits,
  onTake,
}: {
  searching: ReactNode;
  plan: TripPlan;
  further: TripPlan | undefined;
  limits: TripLimits;
  onTake: (kit: KitShort) => void;
}) {
  const { show } = useUnits();
  const { kit, coverage } = plan;
  return (
    <>
      <p className="text-xl font-semibold" data-plan-says aria-live="polite">
        <Say parts={plan.says} />.
      </p>
      {kit && (
        <p className="text-soft">
          {show(plan.massKg, 'gearMass')} of rods, reels and lines
          {kit.price > 0 && `; about ${kit.price} to spend`}.
        </p>
      )}
      {searching}
      <div className="mt-2">
        <CoverageTable coverage={coverage} />
      </div>
      {further?.kit && (
        <div className="mt-4 grid gap-x-8 gap-y-4 md:grid-cols-2">
          <section aria-label="Rods one by one">
            <h2 className="border-b border-ink pb-1 text-lg font-semibold">What each rod adds</h2>
            <Steps steps={further.rods} of={coverage.of} at={limits.rods ?? 2} />
          </section>
          <section aria-label="What the limits cost">
            <h2 className="border-b border-ink pb-1 text-lg font-semibold">What the limits cost</h2>
            {further.costs.length === 0 && <p className="py-1 text-soft">Nothing that would be felt.</p>}
            <ul>
              {further.costs.map((c) => (
                <li key={c.limit} className="border-b border-hair py-1" data-limit={c.limit}>
                  <Say parts={c.says} />.
                </li>
              ))}
            </ul>
          </section>
          <section aria-label="Other kits">
            <h2 className="border-b border-ink pb-1 text-lg font-semibold">Next best kits</h2>
            {further.others.length === 0 && <p className="py-1 text-soft">None with other rods.</p>}
            <ul>
              {further.others.map((other, i) => (
                <li key={i} className="flex items-baseline gap-2 border-b border-hair py-1">
                  <span className="min-w-0 flex-1">
                    {other.rods.map((p) => p.tag).join(', ')} with {other.lines.map((p) => p.tag).join(', ')}:{' '}
                    {other.served} of {daysOf(coverage.of)}
                  </span>
                  <button className="quiet underline" onClick={() => onTake(other)}>
                    take this one
                  </button>
                </li>
              ))}
            </ul>
          </section>
          {plan.leftOut.length > 0 && (
            <section aria-label="Left at home">
              <h2 className="border-b border-ink pb-1 text-lg font-semibold">Left at home</h2>
              <ul>
                {plan.leftOut.map((l, i) => (
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
  );
}

/** Bars for one rod, two, three: what all days are worth with them. */
function Steps({ steps, of, at }: { steps: TripPlan['rods']; of: number; at: number }) {
  return (
    <ul>
      {steps.map((s) => (
        <li key={s.rods} className="grid grid-cols-[5rem_1fr_9rem] items-center gap-2 border-b border-hair py-1">
          <span className={s.rods === at ? 'font-bold' : ''}>{s.rods === 1 ? 'one rod' : `${s.rods} rods`}</span>
          <span className="h-2 bg-land" aria-hidden="true">
            <span
              className={`block h-2 ${s.rods === at ? 'bg-signal' : 'bg-soft'}`}
              style={{ width: `${(100 * s.value).toFixed(1)}%` }}
            />
          </span>
          <span className="text-right">
            {s.served} of {of} days
          </span>
        </li>
      ))}
    </ul>
  );
}
