import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, unwrap, type CareAnswer, type CareItem } from '../../api/client';
import { key } from '../../api/keys';
import { useAttempt } from '../../api/useAttempt';
import { saidDay } from '../../ui/dates';
import { Choice, Day, Measure } from '../../ui/fields';
import { draftOf, useForm } from '../../ui/form';
import { Caution, Message } from '../../ui/Message';
import { Pick } from '../../ui/Pick';
import { useUnits } from '../../ui/units';
import { CareRows, useCareDone } from '../shared/CareRows';

const groups = [
  { state: 'due', name: 'To be done' },
  { state: 'soon', name: 'Soon' },
  { state: 'fine', name: 'Not for a while' },
] as const;

/** What to look after and why, what each piece has been through, and what was done. */
export function CarePage() {
  const { data, error } = useQuery({
    queryKey: key('care'),
    queryFn: ({ signal }) => unwrap(api.GET('/api/care', { signal })),
  });
  return (
    <main id="main" className="mx-auto max-w-[76rem] px-5 py-4">
      <header className="flex flex-wrap items-baseline gap-x-3 gap-y-2">
        <h1 className="flex-1 text-2xl font-semibold">Care</h1>
        <Link className="quiet underline" to="/log">
          The log
        </Link>
        <a className="btn inline-flex min-h-[44px] items-center" href="/api/care/calendar.ics" download>
          To the calendar
        </a>
      </header>
      <p className="text-soft">
        Counted from the log: outings, days in salt, falls; and from the calendar where only time counts. What was done
        is noted with one press.
      </p>
      {error && !data && <p className="mt-3 font-semibold">{error.message}</p>}
      {data && <Lists data={data} />}
    </main>
  );
}

function Lists({ data }: { data: CareAnswer }) {
  const { items } = data.list;
  return (
    <div className="mt-3 grid gap-x-10 gap-y-6 lg:grid-cols-[3fr_2fr] [&>*]:min-w-0">
      <div>
        {items.length === 0 && (
          <p className="text-lg text-soft">
            Nothing to look after yet: put gear into the{' '}
            <Link className="underline" to="/shed">
              shed
            </Link>{' '}
            and days into the{' '}
            <Link className="underline" to="/log">
              log
            </Link>
            .
          </p>
        )}
        {groups.map(({ state, name }) => {
          const its = items.filter((i) => i.state === state);
          if (its.length === 0) return null;
          return (
            <section key={state} aria-label={name} className="mb-5">
              <h2 className="border-b border-ink pb-1 text-lg font-semibold">
                {name} <span className="font-normal text-soft">{its.length}</span>
              </h2>
              {state === 'fine' ? <Folded items={its} /> : <CareRows items={its} />}
            </section>
          );
        })}
        <p className="text-sm text-soft">{data.source.note}. A maker’s own sheet goes before it.</p>
      </div>
      <div className="flex flex-col gap-6">
        <NoteOther data={data} />
        <Wear data={data} />
        <History data={data} />
      </div>
    </div>
  );
}

function Folded({ items }: { items: CareItem[] }) {
  const [open, setOpen] = useState(false);
  return open ? (
    <CareRows items={items} />
  ) : (
    <button className="quiet underline" onClick={() => setOpen(true)}>
      show all {items.length}
    </button>
  );
}

type Noted = { taskId: string; pieceId: number | null; on: string | null; amountM: number };

/** Anything that was done, due or not: a line cut back, hooks binned. */
function NoteOther({ data }: { data: CareAnswer }) {
  const done = useCareDone();
  const form = useForm<Noted>(draftOf('care', null), { taskId: 'line-cut', pieceId: null, on: null, amountM: 0.3 });
  const task = data.tasks.find((t) => t.id === form.values.taskId)!;
  const options = data.list.pieces.filter((p) => p.piece === task.piece).map((p) => ({ id: p.id, name: p.called }));
  const chosen = options.find((o) => o.id === form.values.pieceId) ?? options[0];
  return (
    <section aria-label="Note what was done">
      <h2 className="border-b border-ink pb-1 text-lg font-semibold">Note what was done</h2>
      <form
        {...form.area}
        className="mt-2 grid grid-cols-2 items-end gap-2"
        onSubmit={async (event) => {
          event.preventDefault();
          if (!chosen) return;
          const went = await form.keep(({ taskId, on, amountM }) =>
            done(
              { taskId, pieceId: chosen.id, ...(on ? { on } : {}), ...(task.byAmount ? { amountM } : {}) },
              `${chosen.name}: ${task.done}.`,
            ),
          );
          if (went) form.patch({ on: null });
        }}
      >
        <div className="col-span-2">
          <Choice of={form} at="taskId" label="What" options={data.tasks} />
        </div>
        <div className="col-span-2">
          <Pick
            label="To which piece"
            value={String(chosen?.id ?? '')}
            options={options.map((o) => ({ ...o, id: String(o.id) }))}
            problem={options.length === 0 ? 'There is no such piece yet.' : undefined}
            onChange={(id) => form.put('pieceId', Number(id))}
          />
        </div>
        <Day of={form} at="on" label="When" empty />
        {task.byAmount && <Measure of={form} at="amountM" label="How much came off" kind="length" />}
        <p className="col-span-2 text-sm">{task.howTo}</p>
        {task.mind && (
          <div className="col-span-2">
            <Caution>{task.mind}</Caution>
          </div>
        )}
        <button type="submit" className="btn min-h-[44px]" disabled={!chosen}>
          Note it
        </button>
        <div className="col-span-2">
          <Message>{form.words}</Message>
        </div>
      </form>
    </section>
  );
}

function Wear({ data: { list } }: { data: CareAnswer }) {
  const used = list.pieces.filter((p) => p.wear.outings > 0);
  if (used.length === 0) return null;
  return (
    <section aria-label="What each piece has been through">
      <h2 className="border-b border-ink pb-1 text-lg font-semibold">What each has been through</h2>
      <table className="w-full text-left">
        <thead>
          <tr className="rubric">
            <th className="py-1">Piece</th>
            <th className="text-right">Outings</th>
            <th className="text-right">Hours</th>
            <th className="text-right">In salt</th>
            <th className="text-right">Falls</th>
          </tr>
        </thead>
        <tbody className="tabular-nums">
          {used.map((p) => (
            <tr key={`${p.piece}-${p.id}`} className="border-t border-hair">
              <th scope="row" className="py-1 font-normal wrap-anywhere">
                {p.called}
              </th>
              <td className="text-right">{p.wear.outings}</td>
              <td className="text-right">{Math.round(p.wear.hours)}</td>
              <td className="text-right">{p.wear.saltDays}</td>
              <td className="text-right">{p.wear.drops}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function History({ data: { done } }: { data: CareAnswer }) {
  const { show } = useUnits();
  const { attempt, words } = useAttempt();
  if (done.length === 0) return null;
  return (
    <section aria-label="What was done">
      <h2 className="border-b border-ink pb-1 text-lg font-semibold">What was done</h2>
      <Message>{words}</Message>
      <ul className="max-h-96 overflow-y-auto">
        {done.map((s) => (
          <li key={s.id} className="flex flex-wrap items-baseline gap-x-2 border-b border-hair py-1">
            <span className="w-32 shrink-0 text-soft">{saidDay(s.on)}</span>
            <span className="min-w-0 flex-1 basis-40 wrap-anywhere">
              {s.called || 'a piece that is gone'}: {s.says}
              {s.amountM != null && `, ${show(s.amountM, 'length')}`}
              {s.note && <span className="block italic">{s.note}</span>}
            </span>
            <button
              className="quiet underline"
              aria-label={`Take back: ${s.called}, ${s.says}, ${saidDay(s.on)}`}
              onClick={() =>
                void attempt(async () => {
                  await unwrap<unknown>(api.DELETE('/api/care/services/{id}', { params: { path: { id: s.id } } }));
                })
              }
            >
              take back
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
