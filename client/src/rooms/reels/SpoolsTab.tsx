import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { api, unwrap, type Spool } from '../../api/client';
import { taggedName } from '../../state/gear';
import { saidDay } from '../../ui/dates';
import { Again, Choice, Measure, Text } from '../../ui/fields';
import { draftOf, useForm } from '../../ui/form';
import { Message } from '../../ui/Message';
import { useDone } from '../../ui/toast';
import { spooled, useUnits } from '../../ui/units';
import type { TabProps } from './FillTab';
import { Tickets } from './WindingPage';
import { useStart } from './useStart';

type Lines = TabProps['shed']['lines'];
type On = { lineId: number | null; backing: string | null; backingM: number; hand: string };
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
  const done = useDone();
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
          {spool.woundOn ? `, wound ${saidDay(spool.woundOn)}` : ''}
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
            done(`${tag}’s ${spool.name} was put away.`, () =>
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
  const done = useDone();
  const { lineId, backing, backingM, rightHand } = spool;
  const start: On = { lineId, backing, backingM: backingM ?? 0, hand: rightHand ? 'right' : 'left' };
  const form = useForm(draftOf('spool', spool.id), start, spool.version);
  const keep = (body: Spool) => unwrap(api.POST('/api/reels/spools', { body }));
  return (
    <div className="grid w-full grid-cols-2 gap-2 border-l-4 border-signal bg-sheet p-3" {...form.area}>
      <Choice of={form} at="lineId" label="Line on it" options={lines.map(taggedName)} none="none" />
      <Choice of={form} at="hand" label="Wound in by the" options={hands} />
      <Choice
        of={form}
        at="backing"
        label="Backing under it"
        options={standards.backings}
        none="none"
        then={(id) => id === null && form.put('backingM', 0)}
      />
      <Measure of={form} at="backingM" label="How much of it" kind="spooled" />
      <div className="col-span-2">
        <Message>{form.words}</Message>
        <button
          className="btn bg-ink! text-paper!"
          onClick={() =>
            void form.keep(async ({ hand, ...now }, version) => {
              const kept = await keep({ ...spool, ...now, rightHand: hand === 'right', version });
              onDone();
              // The line is off the spool it lay on before; taken back it lies there again.
              const before = all.find((o) => o.id !== spool.id && o.lineId !== null && o.lineId === kept.lineId);
              done(`What lies on ${tag}’s ${spool.name} is noted.`, async () => {
                await keep({ ...spool, version: kept.version });
                const now = before && (await unwrap(api.GET('/api/shed'))).spools.find((o) => o.id === before.id);
                if (now && now.lineId === null) await keep({ ...now, lineId: before.lineId });
              });
            })
          }
        >
          Keep this note
        </button>
      </div>
    </div>
  );
}

function Spare({ reelId, tag }: { reelId: number; tag: string }) {
  const done = useDone();
  const form = useForm(draftOf('spare', reelId), { name: '' });
  return (
    <form
      {...form.area}
      className="mt-2 flex flex-wrap items-end gap-2"
      onSubmit={async (event) => {
        event.preventDefault();
        const went = await form.keep(async ({ name }) => {
          const body = { reelId, name: name.trim(), id: 0, version: 0 };
          const kept = await unwrap(api.POST('/api/reels/spools', { body }));
          done(`${tag} has a spool “${kept.name}”.`, () =>
            unwrap(api.DELETE('/api/reels/spools/{id}', { params: { path: { id: kept.id } } })),
          );
        });
        if (went) form.startOver();
      }}
    >
      <Text
        of={form}
        at="name"
        label="Another spool or cassette"
        className="w-56"
        placeholder="suggested when left empty"
      />
      <button className="btn" type="submit">
        Add it
      </button>
      <Message>{form.words}</Message>
    </form>
  );
}

function NewTicket({ reel, shed, today, spools }: TabProps & { spools: Spool[] }) {
  const { standards } = useUnits();
  const navigate = useNavigate();
  const { lineId, backing, backingM } = useStart(reel, shed, today);
  const usual = standards.beginnings.spool;
  const start = { spoolName: spools[0]?.name ?? usual, lineId, backing, backingM, hand: 'left' };
  const form = useForm(draftOf('ticket', reel.id), start);
  const names = [...new Set([usual, ...spools.map((s) => s.name)])];
  return (
    <section aria-label="A new winding ticket" {...form.area} className="min-w-0">
      <h2 className="text-lg font-semibold">Wind a spool</h2>
      <Again form={form} />
      <div className="my-2 grid grid-cols-2 gap-2">
        <Choice of={form} at="spoolName" label="Which spool" options={names.map((n) => ({ id: n, name: n }))} />
        <Choice of={form} at="hand" label="Wound in by the" options={hands} />
        <Choice of={form} at="lineId" label="Line" options={shed.lines.map(taggedName)} />
        <Choice of={form} at="backing" label="Backing" options={standards.backings} />
        <Measure of={form} at="backingM" label="How much backing" kind="spooled" />
      </div>
      <Message>{form.words}</Message>
      <button
        className="btn bg-ink! text-paper!"
        onClick={() =>
          void form.keep(async ({ hand, ...now }) => {
            const body = { reelId: reel.id, ...now, rightHand: hand === 'right' };
            const ticket = await unwrap(api.POST('/api/reels/tickets', { body }));
            const search = window.location.search.replace(/part=[^&]*&?/, '');
            await navigate({ pathname: `/winding/${ticket.id}`, search });
          })
        }
      >
        Write the ticket
      </button>
    </section>
  );
}
