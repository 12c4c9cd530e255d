import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { api, unwrap, type Spool } from '../../api/client';
import { useAttempt } from '../../api/useAttempt';
import { useRefreshGear } from '../../state/gear';
import { useDone } from '../../ui/toast';
import { Message } from '../../ui/Message';
import { Pick } from '../../ui/Pick';
import { MeasureField } from '../../ui/TypedField';
import { spooled, useUnits } from '../../ui/units';
import { useSettled } from '../../ui/useSettled';
import type { TabProps } from './FillTab';
import { Tickets } from './WindingPage';
import { useStart } from './useStart';

type Lines = TabProps['shed']['lines'];
const none = 'none';
const hands = [
  { id: 'left', name: 'left hand' },
  { id: 'right', name: 'right hand' },
];

/** What lies on which spool of this reel, and a ticket to wind one. */
export function SpoolsTab({ reel, shed, today }: TabProps) {
  const spools = shed.spools.filter((s) => s.reelId === reel.id);
  return (
    <div className="grid gap-x-8 gap-y-6 lg:grid-cols-2">
      <section aria-label="Its spools" className="min-w-0">
        <h2 className="text-lg font-semibold">What lies on which spool</h2>
        {spools.length === 0 && <p className="text-soft">Nobody noted what lies on it.</p>}
        <ul>
          {spools.map((s) => (
            <OneSpool key={s.id} spool={s} all={shed.spools} lines={shed.lines} tag={reel.tag} />
          ))}
        </ul>
        <Spare reelId={reel.id} tag={reel.tag} />
      </section>
      <NewTicket reel={reel} shed={shed} today={today} spools={spools} />
      <section aria-label="Tickets" className="min-w-0 lg:col-span-2">
        <h2 className="text-lg font-semibold">Tickets of {reel.tag}</h2>
        <Tickets reelId={reel.id} />
      </section>
    </div>
  );
}

function OneSpool({ spool, all, lines, tag }: { spool: Spool; all: Spool[]; lines: Lines; tag: string }) {
  const { show, standards } = useUnits();
  const done = useDone(useRefreshGear());
  const [noting, setNoting] = useState(false);
  const line = lines.find((l) => l.id === spool.lineId);
  const backing = standards.backings.find((b) => b.id === spool.backing);
  const path = { params: { path: { id: spool.id } } };
  return (
    <li className="flex flex-wrap items-baseline gap-x-3 border-t border-hair py-1.5">
      <b className="w-24">{spool.name}</b>
      <span className="min-w-0 flex-1">
        {line ? `${line.tag} ${line.name}` : 'no line'}
        {backing ? ` over ${show(spooled(spool.backingM ?? 0))} of ${backing.name}` : ', no backing noted'}
        <span className="text-soft">
          {spool.woundOn ? `, wound ${spool.woundOn}` : ''}
          {line ? `, ${spool.rightHand ? 'right' : 'left'} hand` : ''}
        </span>
      </span>
      <button
        className="quiet"
        aria-expanded={noting}
        aria-label={`Note what lies on ${tag}’s ${spool.name}`}
        onClick={() => setNoting(!noting)}
      >
        note
      </button>
      {line && (
        <Link className="quiet underline" to={`/spools/${spool.id}`}>
          label
        </Link>
      )}
      <button
        className="quiet"
        aria-label={`Put ${tag}’s ${spool.name} away`}
        onClick={() =>
          void (async () => {
            await unwrap(api.DELETE('/api/reels/spools/{id}', path));
            await done(`${tag}’s ${spool.name} was put away.`, () =>
              unwrap(api.POST('/api/reels/spools/{id}/restore', path)),
            );
          })()
        }
      >
        away
      </button>
      {noting && <Noted spool={spool} all={all} lines={lines} tag={tag} onDone={() => setNoting(false)} />}
    </li>
  );
}

/** What lies on a spool that was wound elsewhere, or long ago. */
function Noted({
  spool,
  all,
  lines,
  tag,
  onDone,
}: {
  spool: Spool;
  all: Spool[];
  lines: Lines;
  tag: string;
  onDone: () => void;
}) {
  const { standards } = useUnits();
  const done = useDone(useRefreshGear());
  const { attempt, fields, words } = useAttempt();
  const [noted, setNoted] = useState({
    lineId: String(spool.lineId ?? none),
    backing: spool.backing ?? none,
    backingM: spool.backingM ?? 0,
    hand: spool.rightHand ? 'right' : 'left',
  });
  const settled = useSettled(noted);
  const set = (next: Partial<typeof noted>) => setNoted((n) => ({ ...n, ...next }));
  const keep = (body: Spool) => unwrap(api.POST('/api/reels/spools', { body }));
  return (
    <div className="grid w-full grid-cols-2 gap-2 border-l-4 border-signal bg-sheet p-3" data-entries>
      <Pick
        label="Line on it"
        value={noted.lineId}
        options={[{ id: none, name: none }, ...lines.map((l) => ({ id: String(l.id), name: `${l.tag} ${l.name}` }))]}
        problem={fields.lineId}
        onChange={(lineId) => set({ lineId })}
      />
      <Pick label="Wound in by the" value={noted.hand} options={hands} onChange={(hand) => set({ hand })} />
      <Pick
        label="Backing under it"
        value={noted.backing}
        options={[{ id: none, name: none }, ...standards.backings]}
        problem={fields.backing}
        onChange={(backing) => set({ backing, ...(backing === none && { backingM: 0 }) })}
      />
      <MeasureField
        label="How much of it"
        kind="spooled"
        value={noted.backingM}
        problem={fields.backingM}
        onChange={(backingM) => set({ backingM })}
      />
      <div className="col-span-2">
        <Message>{Object.keys(fields).length ? null : words}</Message>
        <button
          className="btn bg-ink! text-paper!"
          onClick={(e) =>
            void settled(e.currentTarget, ({ lineId, backing, backingM, hand }) =>
              attempt(async () => {
                const kept = await keep({
                  ...spool,
                  lineId: lineId === none ? null : Number(lineId),
                  backing: backing === none ? null : backing,
                  backingM,
                  rightHand: hand === 'right',
                });
                onDone();
                // The line is off the spool it lay on before; taken back it lies there again.
                const before = all.find((o) => o.id !== spool.id && o.lineId !== null && o.lineId === kept.lineId);
                await done(`What lies on ${tag}’s ${spool.name} is noted.`, async () => {
                  await keep({ ...spool, version: kept.version });
                  const now = before && (await unwrap(api.GET('/api/shed'))).spools.find((o) => o.id === before.id);
                  if (now && now.lineId === null) await keep({ ...now, lineId: before.lineId });
                });
              }),
            )
          }
        >
          Keep this note
        </button>
      </div>
    </div>
  );
}

function Spare({ reelId, tag }: { reelId: number; tag: string }) {
  const done = useDone(useRefreshGear());
  const { attempt, fields, words } = useAttempt();
  const [name, setName] = useState('');
  return (
    <form
      className="mt-2 flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        void attempt(async () => {
          const kept = await unwrap(
            api.POST('/api/reels/spools', {
              body: { reelId, name: name.trim(), id: 0, version: 0 },
            }),
          );
          setName('');
          await done(`${tag} has a spool “${kept.name}”.`, () =>
            unwrap(api.DELETE('/api/reels/spools/{id}', { params: { path: { id: kept.id } } })),
          );
        });
      }}
    >
      <label className="w-56">
        <span className="rubric block">Another spool or cassette</span>
        <input
          className="entry w-full"
          value={name}
          placeholder="suggested when left empty"
          aria-invalid={fields.name ? true : undefined}
          onChange={(e) => setName(e.target.value)}
        />
      </label>
      <button className="btn" type="submit">
        Add it
      </button>
      <Message>{words}</Message>
    </form>
  );
}

function NewTicket({ reel, shed, today, spools }: TabProps & { spools: Spool[] }) {
  const { standards } = useUnits();
  const navigate = useNavigate();
  const start = useStart(reel, shed, today);
  const { attempt, fields, words } = useAttempt();
  const [asked, setAsked] = useState({
    spoolName: spools[0]?.name ?? standards.beginnings.spool,
    lineId: String(start.lineId),
    backing: start.backing,
    backingM: start.backingM,
    hand: 'left',
  });
  const settled = useSettled(asked);
  const set = (next: Partial<typeof asked>) => setAsked((a) => ({ ...a, ...next }));
  const names = [...new Set([standards.beginnings.spool, ...spools.map((s) => s.name)])];
  return (
    <section aria-label="A new winding ticket" data-entries className="min-w-0">
      <h2 className="text-lg font-semibold">Wind a spool</h2>
      <div className="my-2 grid grid-cols-2 gap-2">
        <Pick
          label="Which spool"
          value={asked.spoolName}
          options={names.map((n) => ({ id: n, name: n }))}
          problem={fields.spoolName}
          onChange={(spoolName) => set({ spoolName })}
        />
        <Pick label="Wound in by the" value={asked.hand} options={hands} onChange={(hand) => set({ hand })} />
        <Pick
          label="Line"
          value={asked.lineId}
          options={shed.lines.map((l) => ({ id: String(l.id), name: `${l.tag} ${l.name}` }))}
          problem={fields.lineId}
          onChange={(lineId) => set({ lineId })}
        />
        <Pick
          label="Backing"
          value={asked.backing}
          options={standards.backings}
          problem={fields.backing}
          onChange={(backing) => set({ backing })}
        />
        <MeasureField
          label="How much backing"
          kind="spooled"
          value={asked.backingM}
          problem={fields.backingM}
          onChange={(backingM) => set({ backingM })}
        />
      </div>
      <Message>{Object.keys(fields).length ? null : words}</Message>
      <button
        className="btn bg-ink! text-paper!"
        onClick={(e) =>
          void settled(e.currentTarget, ({ hand, lineId, ...rest }) =>
            attempt(async () => {
              const ticket = await unwrap(
                api.POST('/api/reels/tickets', {
                  body: { reelId: reel.id, ...rest, lineId: Number(lineId), rightHand: hand === 'right' },
                }),
              );
              await navigate({
                pathname: `/winding/${ticket.id}`,
                search: window.location.search.replace(/part=[^&]*&?/, ''),
              });
            }),
          )
        }
      >
        Write the ticket
      </button>
    </section>
  );
}
