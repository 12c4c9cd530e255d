import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState, type ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import { api, unwrap, type PackingAnswer, type PackItem } from '../../api/client';
import { retryWhenBusy } from '../../api/answers';
import { key } from '../../api/keys';
import { useAttempt } from '../../api/useAttempt';
import { askAgain } from '../shared/Searching';
import { useCommands } from '../../ui/commands';
import { savePage } from '../../ui/files';
import { Caution, Message } from '../../ui/Message';
import { Say, useSayText } from '../../ui/Say';
import { useToast } from '../../ui/toast';
import { useUnits, named } from '../../ui/units';
import { saidDay } from '../../ui/dates';
import { Lost } from '../../ui/Lost';
import { CareRows } from '../shared/CareRows';

/** What to take, wind and tie for a trip, and when; ticked off at home, and again on leaving the water. */
export function PackingPage() {
  const id = Number(useParams().id);
  const path = { params: { path: { id } } };
  const { data, error } = useQuery({
    queryKey: key('packing', id),
    queryFn: ({ signal }) => unwrap(api.GET('/api/trips/{id}/packing', { ...path, signal })),
    retry: retryWhenBusy,
    // The trip may have been changed a moment ago, next door.
    staleTime: 0,
    refetchInterval: (query) => (query.state.data ? askAgain(false)(query.state.data.plan) : false),
  });
  if (error && !data) return <Lost words={error.message} to="/trips" name="All trips" />;
  if (!data) return <p className="p-6">Laying it out…</p>;
  return <List answer={data} />;
}

const phonePaper = `body{font-family:system-ui,sans-serif;margin:1rem;color:#16232d;background:#fff;font-size:17px;line-height:1.4}
h1{font-size:1.4rem}h2{font-size:1.1rem;border-bottom:1px solid #16232d;margin:1.2rem 0 .3rem}ul,ol{list-style:none;margin:0;padding:0}
li{border-bottom:1px solid #cdc3ab;padding:.5rem 0;display:flex;gap:.6rem}input{width:1.3rem;height:1.3rem}button,a,.no-print{display:none!important}`;

function List({ answer }: { answer: PackingAnswer }) {
  const { trip, plan, list } = answer;
  const toast = useToast();
  const text = useSayText();
  const { attempt, words } = useAttempt();
  const [leaving, setLeaving] = useState(false);
  const page = useRef<HTMLDivElement>(null);
  const { isTicked, tick } = useTicks(answer, leaving, attempt);
  const items = list.groups.flatMap((g) => g.items);
  const gone = items.filter((i) => isTicked(i.key)).length;
  const save = () => {
    const name = savePage(trip.name, 'trip', phonePaper, `<h1>Packing list</h1>${page.current!.innerHTML}`);
    toast({ words: `${name} is saved; it opens on a phone without a network.` });
  };
  useCommands([
    { id: 'print', name: 'Print this list', words: 'paper pdf', keys: [], group: 'Packing', run: () => window.print() },
    { id: 'save-list', name: 'Save the list for the phone', words: 'html file', keys: [], group: 'Packing', run: save },
  ]);
  return (
    <main id="main" className="paper-list mx-auto max-w-[60rem] px-5 py-4">
      <header className="flex flex-wrap items-end gap-x-3 gap-y-2">
        <div className="min-w-0 flex-1 basis-60">
          <p className="rubric">Packing list</p>
          <h1 className="text-2xl leading-tight font-semibold wrap-anywhere">{trip.name}</h1>
        </div>
        <span className="no-print flex flex-wrap gap-2">
          <Link className="btn inline-flex min-h-[44px] items-center" to={`/trips/${trip.id}`}>
            The trip
          </Link>
          <button className="btn min-h-[44px]" onClick={() => window.print()}>
            Print
          </button>
          <button className="btn min-h-[44px]" onClick={save}>
            Save for the phone
          </button>
          {trip.leavesOn && (
            <a
              className="btn inline-flex min-h-[44px] items-center"
              href={`/api/trips/${trip.id}/calendar.ics`}
              download
            >
              To the calendar
            </a>
          )}
        </span>
      </header>
      {plan.searching && (
        <p role="status" className="no-print text-soft">
          The best kit found so far: better ones are still being looked for, and this list may change.
        </p>
      )}
      <p className="mt-1">
        <Say parts={plan.says} />.
      </p>
      <Message>{words}</Message>
      {items.length === 0 ? (
        <p className="text-lg text-soft">
          Nothing to pack yet.{' '}
          <Link className="underline" to={`/trips/${trip.id}`}>
            Add days to the trip
          </Link>
        </p>
      ) : (
        <>
          <Where leaving={leaving} onLeaving={setLeaving}>
            {gone} of {items.length} {leaving ? 'back' : 'packed'}
          </Where>
          <div ref={page} className="mt-2 grid gap-x-8 md:grid-cols-2">
            {list.groups.map((g) => (
              <Group key={g.name} group={g} isTicked={isTicked} onTick={tick} />
            ))}
            <Care answer={answer} />
            <SpoolPlan answer={answer} />
            <Timetable answer={answer} />
            <Tying answer={answer} />
            <section aria-label="Mind" className="mt-3 break-inside-avoid">
              <h2 className="border-b border-ink text-lg font-semibold">Mind</h2>
              {list.mind.map((m, i) => (
                <Caution key={i}>{text(m.says)}</Caution>
              ))}
              <Caution>Local rules go before all of this; a licensed guide knows the water.</Caution>
            </section>
          </div>
        </>
      )}
    </main>
  );
}

/** Ticks of what is packed or back: shown at once, and not taken back by an answer that was asked for before them. */
function useTicks({ trip }: PackingAnswer, leaving: boolean, attempt: ReturnType<typeof useAttempt>['attempt']) {
  const queries = useQueryClient();
  const [ahead, setAhead] = useState<Record<string, boolean>>({});
  const of = (key: string) => `${leaving ? 'back' : 'packed'} ${key}`;
  const isTicked = (key: string) => ahead[of(key)] ?? (leaving ? trip.back : trip.packed).includes(key);
  const tick = async (item: PackItem, on: boolean) => {
    const which = key('packing', trip.id);
    const tickOf = of(item.key);
    setAhead((all) => ({ ...all, [tickOf]: on }));
    // Shown at once, and on its way even if the page is left that moment.
    queries.setQueryData<PackingAnswer>(which, (now) => {
      if (!now) return now;
      const put = (ticks: string[]) => (on ? [...ticks, item.key] : ticks.filter((t) => t !== item.key));
      return {
        ...now,
        trip: leaving ? { ...now.trip, back: put(now.trip.back) } : { ...now.trip, packed: put(now.trip.packed) },
      };
    });
    const went = await attempt(() =>
      unwrap(
        api.POST('/api/trips/{id}/packed', {
          params: { path: { id: trip.id } },
          body: { key: item.key, on, leaving },
          keepalive: true,
        }),
      ),
    );
    if (!went) await queries.invalidateQueries({ queryKey: which });
    setAhead((all) => Object.fromEntries(Object.entries(all).filter(([tick, is]) => tick !== tickOf || is !== on)));
  };
  return { isTicked, tick };
}

function Group({
  group: g,
  isTicked,
  onTick,
}: {
  group: PackingAnswer['list']['groups'][number];
  isTicked: (key: string) => boolean;
  onTick: (item: PackItem, on: boolean) => Promise<void>;
}) {
  return (
    <section aria-label={g.name} className="mt-3 break-inside-avoid">
      <h2 className="border-b border-ink text-lg font-semibold">{g.name}</h2>
      <ul>
        {g.items.map((item) => (
          <li key={item.key} className="border-b border-hair" data-item={item.key}>
            <label className="flex min-h-[44px] items-center gap-3 py-1 print:min-h-0">
              <input
                type="checkbox"
                className="size-5 shrink-0"
                checked={isTicked(item.key)}
                onChange={(event) => void onTick(item, event.target.checked)}
              />
              <span className={isTicked(item.key) ? 'text-soft line-through print:no-underline' : ''}>
                <Say parts={item.says} />
                {item.toBuy && <b> (to buy)</b>}
              </span>
            </label>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Where({
  leaving,
  onLeaving,
  children,
}: {
  leaving: boolean;
  onLeaving: (is: boolean) => void;
  children: ReactNode;
}) {
  return (
    <div className="no-print mt-2 flex flex-wrap items-center gap-2" role="group" aria-label="Where">
      {[
        { name: 'At home', on: !leaving, set: false },
        { name: 'On leaving the water', on: leaving, set: true },
      ].map((b) => (
        <button
          key={b.name}
          className={`btn min-h-[44px] ${b.on ? 'bg-ink! text-paper!' : ''}`}
          aria-pressed={b.on}
          onClick={() => onLeaving(b.set)}
        >
          {b.name}
        </button>
      ))}
      <span role="status" className="font-semibold">
        {children}
      </span>
    </div>
  );
}

function Care({ answer: { list } }: { answer: PackingAnswer }) {
  if (list.care.length === 0) return null;
  return (
    <section aria-label="See to first" className="mt-3 break-inside-avoid">
      <h2 className="border-b border-ink text-lg font-semibold">See to first</h2>
      <CareRows items={list.care} />
    </section>
  );
}

function SpoolPlan({ answer: { list } }: { answer: PackingAnswer }) {
  const { attempt, words } = useAttempt();
  const toast = useToast();
  const [begun, setBegun] = useState<string[]>([]);
  return (
    <section aria-label="Spools" className="mt-3 break-inside-avoid">
      <h2 className="border-b border-ink text-lg font-semibold">Which line on which reel</h2>
      <ul>
        {list.spools.map((s) => {
          const key = `${s.reel.tag} ${s.line.tag}`;
          return (
            <li
              key={key}
              className="flex flex-wrap items-baseline gap-x-2 border-b border-hair py-1.5"
              data-spool={key}
            >
              <span className="min-w-0 flex-1 basis-52">
                <b>
                  {s.line.tag} on {s.reel.tag}
                </b>
                {s.rods.length > 0 && `, for ${s.rods.join(' and ')}`}
                {s.minutes > 0 ? `: ${s.minutes} minutes, ` : ': '}
                <Say parts={s.says} />.
              </span>
              {s.toWind && !s.line.toBuy && !s.reel.toBuy && (
                <button
                  className="quiet no-print underline"
                  disabled={begun.includes(key)}
                  aria-label={`Write a winding ticket for ${s.line.tag} on ${s.reel.tag}`}
                  onClick={() =>
                    void attempt(async () => {
                      await unwrap(
                        api.POST('/api/reels/tickets', {
                          body: {
                            reelId: s.reel.id,
                            lineId: s.line.id,
                            backing: s.backing,
                            backingM: s.backingM,
                            rightHand: false,
                          },
                        }),
                      );
                      setBegun((all) => [...all, key]);
                      toast({ words: `A winding ticket for ${s.line.tag} on ${s.reel.tag} is written.` });
                    })
                  }
                >
                  {begun.includes(key) ? 'ticket written' : 'winding ticket'}
                </button>
              )}
            </li>
          );
        })}
      </ul>
      <Message>{words}</Message>
    </section>
  );
}

function Timetable({ answer: { trip, list } }: { answer: PackingAnswer }) {
  return (
    <section aria-label="When" className="mt-3 break-inside-avoid">
      <h2 className="border-b border-ink text-lg font-semibold">When</h2>
      <ol>
        {list.tasks.map((t) => (
          <li key={t.key} className="grid grid-cols-[8.5rem_1fr] gap-2 border-b border-hair py-1.5">
            <b>{t.on ? saidDay(t.on) : before(t.before)}</b>
            <span>
              <Say parts={t.says} />
            </span>
          </li>
        ))}
      </ol>
      {!trip.leavesOn && (
        <p className="text-sm text-soft">Say on which day you leave, and these become dates for a calendar.</p>
      )}
    </section>
  );
}

const before = (days: number) =>
  days === 0 ? 'the day' : days < 0 ? 'afterwards' : days === 1 ? 'the day before' : `${days} days before`;

function Tying({ answer: { list } }: { answer: PackingAnswer }) {
  const { show, standards } = useUnits();
  const { leaders, spools, missing } = list.tying;
  if (leaders.length === 0) return null;
  // Two of each are tied: what is cut is written once.
  const each = leaders.filter((l, i) => leaders.findIndex((o) => o.tag === l.tag) === i);
  return (
    <section aria-label="Leaders to tie" className="mt-3 break-inside-avoid md:col-span-2">
      <h2 className="border-b border-ink text-lg font-semibold">Leaders to tie</h2>
      <ul>
        {each.map((l) => (
          <li key={l.tag} className="border-b border-hair py-1.5">
            <span>
              <b>
                {leaders.filter((o) => o.tag === l.tag).length} × {l.name}
              </b>
              , {show(l.lengthM, 'rodLength')}. Cut{' '}
              {l.cuts
                .map((c) =>
                  c.bought
                    ? `a packet’s taper down to ${show(c.diameterM, 'tippet')}`
                    : `${show(c.cutM, 'shortLength')} of ${show(c.diameterM, 'tippet')}${c.spool ? ` (${c.spool})` : ''}${c.material === 'nylon' ? '' : ` ${named(standards.choices.leaderMaterial, c.material)}`}`,
                )
                .join('; ')}
              .
            </span>
          </li>
        ))}
      </ul>
      {spools.some((s) => !s.enough) && (
        <p className="font-semibold text-fails">
          Too little left on{' '}
          {spools
            .filter((s) => !s.enough)
            .map((s) => s.tag)
            .join(', ')}
          .
        </p>
      )}
      {missing.length > 0 && <p className="text-soft">Some pieces come from no spool in the pocket: see Leaders.</p>}
    </section>
  );
}
