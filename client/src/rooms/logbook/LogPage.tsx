import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Link } from 'react-router';
import { api, unwrap, type LogList, type LogRow } from '../../api/client';
import { key } from '../../api/keys';
import { useAttempt } from '../../api/useAttempt';
import { useShed } from '../../state/gear';
import { useCommands } from '../../ui/commands';
import { saidDay } from '../../ui/dates';
import { FileChoice } from '../../ui/FileChoice';
import { Message } from '../../ui/Message';
import { Pick } from '../../ui/Pick';
import { useDone } from '../../ui/toast';
import { named, useUnits } from '../../ui/units';
import { all, useAddress } from '../../ui/useAddress';
import { useStacked } from '../../ui/useMedia';
import { AwayList } from '../shared/AwayList';
import { LogTabs } from './LogTabs';

const pageRows = 50;
const filters = ['text', 'kind', 'place', 'since', 'until', 'rod', 'line', 'loss'] as const;

/** Every outing, latest first: to look for, to open, to add to. */
export function LogPage() {
  const address = useAddress();
  const asked = Object.fromEntries(filters.map((name) => [name, address.asked(name) ?? undefined]));
  const [shownRows, setShownRows] = useState(pageRows);
  const ask = (name: (typeof filters)[number], value: string) => {
    setShownRows(pageRows);
    address.ask({ [name]: value }, name === 'text');
  };
  const query = queryOf(asked);
  const filtered = Object.keys(query).length > 0;
  const { data, error } = useQuery({
    queryKey: key('log', query, shownRows),
    queryFn: ({ signal }) => unwrap(api.GET('/api/log', { params: { query: { ...query, take: shownRows } }, signal })),
    placeholderData: keepPreviousData,
  });
  const done = useDone();
  const away = async ({ outing }: LogRow) => {
    const path = { params: { path: { id: outing.id } } };
    await unwrap<unknown>(api.DELETE('/api/log/{id}', path));
    done(`The outing of ${saidDay(outing.on)} was put away.`, () =>
      unwrap<unknown>(api.POST('/api/log/{id}/restore', path)),
    );
  };
  return (
    <main id="main" className="mx-auto max-w-[68rem] px-5 py-4">
      <header className="flex flex-wrap items-baseline gap-x-3 gap-y-2">
        <h1 className="flex-1 text-2xl font-semibold">Log</h1>
        <Link className="btn inline-flex min-h-[44px] items-center" to="/log/new?kind=grass">
          Note practice
        </Link>
        <Link className="btn inline-flex min-h-[44px] items-center bg-ink! text-paper!" to="/log/new">
          Note an outing
        </Link>
      </header>
      <LogTabs />
      <Finder asked={asked} ask={ask} places={data?.places ?? []} />
      <Message>{error && !data ? error.message : null}</Message>
      {data && <Count of={data} filtered={filtered} />}
      <ul className="border-t border-ink" aria-label="Outings">
        {data?.rows.map((row) => (
          <Row key={row.outing.id} row={row} onAway={() => void away(row)} />
        ))}
      </ul>
      {data && data.total > data.rows.length && (
        <button className="btn mt-3" onClick={() => setShownRows((n) => n + 4 * pageRows)}>
          Show more of {data.total}
        </button>
      )}
      <AwayList
        what="outings"
        list={() => unwrap(api.GET('/api/log/away'))}
        nameOf={(o) => `${saidDay(o.on)}, ${o.place || 'somewhere'}`}
        bringBack={(id) => unwrap<unknown>(api.POST('/api/log/{id}/restore', { params: { path: { id } } }))}
      />
      <FromTheWater />
      <p className="mt-3 text-soft">
        <a className="underline" href="/api/log/log.csv" download>
          The log as a sheet
        </a>{' '}
        for a spreadsheet; it is read back under{' '}
        <Link className="underline" to="/data">
          Your data
        </Link>
        .
      </p>
    </main>
  );
}

type Asked = Partial<Record<(typeof filters)[number], string | undefined>>;

/** What the log is asked for, of what stands in the address. */
function queryOf({ text, kind, place, since, until, rod, line, loss }: Asked) {
  const query = {
    text: text?.trim() || undefined,
    grass: kind ? kind === 'grass' : undefined,
    place,
    since,
    until,
    rod: rod ? Number(rod) : undefined,
    line: line ? Number(line) : undefined,
    withLoss: loss ? true : undefined,
  };
  return Object.fromEntries(Object.entries(query).filter(([, value]) => value !== undefined)) as {
    [K in keyof typeof query]?: NonNullable<(typeof query)[K]>;
  };
}

function Finder({
  asked,
  ask,
  places,
}: {
  asked: Asked;
  ask: (name: (typeof filters)[number], value: string) => void;
  places: string[];
}) {
  const { standards } = useUnits();
  const { data: shed } = useShed();
  // On a phone the outings come first.
  const stacked = useStacked();
  const [unfolded, setUnfolded] = useState(false);
  const open = unfolded || !stacked || filters.some((name) => name !== 'text' && asked[name]);
  const { text, kind, place, since, until, rod, line, loss } = asked;
  return (
    <form
      role="search"
      className="mt-3 grid items-end gap-x-3 gap-y-2 grid-cols-2 lg:grid-cols-4"
      onSubmit={(event) => event.preventDefault()}
    >
      <label className="block min-w-0">
        <span className="rubric block">Words in it</span>
        <input
          className="entry w-full"
          type="search"
          value={text ?? ''}
          placeholder="place, note, tag, what was lost"
          onChange={(event) => ask('text', event.target.value)}
        />
      </label>
      {open ? (
        <>
          <Pick
            label="Kind"
            value={kind ?? all}
            options={[{ id: all, name: 'all' }, ...standards.choices.outing]}
            onChange={(id) => ask('kind', id)}
          />
          <Pick
            label="Rod"
            value={rod ?? all}
            options={[
              { id: all, name: 'any' },
              ...(shed?.rods ?? []).map((r) => ({ id: String(r.id), name: `${r.tag} ${r.name}` })),
            ]}
            onChange={(id) => ask('rod', id)}
          />
          <Pick
            label="Line"
            value={line ?? all}
            options={[
              { id: all, name: 'any' },
              ...(shed?.lines ?? []).map((l) => ({ id: String(l.id), name: `${l.tag} ${l.name}` })),
            ]}
            onChange={(id) => ask('line', id)}
          />
          <Pick
            label="Place"
            value={place ?? all}
            options={[{ id: all, name: 'anywhere' }, ...places.map((p) => ({ id: p, name: p }))]}
            onChange={(id) => ask('place', id)}
          />
          {[['since', 'Since', since] as const, ['until', 'Until', until] as const].map(([key, label, value]) => (
            <label key={key} className="block min-w-0">
              <span className="rubric block">{label}</span>
              <input
                className="entry w-full"
                type="date"
                value={value ?? ''}
                onChange={(event) => ask(key, event.target.value)}
              />
            </label>
          ))}
          <label className="flex min-h-[44px] items-center gap-2">
            <input
              type="checkbox"
              className="size-5"
              checked={loss !== undefined}
              onChange={(event) => ask('loss', event.target.checked ? 'yes' : '')}
            />
            something lost
          </label>
        </>
      ) : (
        <button type="button" className="btn min-h-[44px]" onClick={() => setUnfolded(true)}>
          Narrow it down
        </button>
      )}
    </form>
  );
}

function Count({ of: data, filtered }: { of: LogList; filtered: boolean }) {
  return (
    <>
      <p role="status" className="mt-2 text-soft">
        {data.outings === 0
          ? 'Nothing noted yet.'
          : filtered
            ? `${data.total} of ${data.outings} outings`
            : `${data.outings} outings`}
      </p>
      {data.outings === 0 && (
        <p className="mt-3 max-w-2xl text-lg">
          Note the day in under a minute: what felt right, what was lost and to what. From a brief, outfit and day stand
          there already. After five measured casts the log begins to teach.
        </p>
      )}
    </>
  );
}

function Row({ row: { outing: o, outfit }, onAway }: { row: LogRow; onAway: () => void }) {
  const { standards, show } = useUnits();
  const farthest = Math.max(0, ...o.casts.map((c) => c.distanceM));
  const facts = [
    o.windMps != null && `wind ${show(o.windMps, 'windSpeed')}`,
    o.feel && `felt ${named(standards.choices.feel, o.feel)}`,
    o.casts.length > 0 &&
      `${o.casts.length === 1 ? 'one cast' : `${o.casts.length} casts`}, farthest ${show(farthest, 'distance')}`,
    o.kind === 'water' && (o.landed === 0 ? 'no fish' : o.landed === 1 ? 'one fish' : `${o.landed} fish`),
    ...o.losses.map((l) => `lost: ${named(standards.choices.loss, l.cause)}${l.count > 1 ? ` × ${l.count}` : ''}`),
    ...o.rings.map((r) => `${r.hits} of ${r.throws} in the ring`),
  ].filter(Boolean);
  const name = `${saidDay(o.on)}, ${o.place || named(standards.choices.outing, o.kind)}`;
  return (
    <li className="flex flex-wrap items-baseline gap-x-3 border-b border-hair py-2" data-outing={o.id}>
      <span className="w-36 shrink-0 whitespace-nowrap text-soft">{saidDay(o.on)}</span>
      <span className="min-w-0 flex-1 basis-72 wrap-anywhere">
        <Link className="text-[1.05rem] font-semibold hover:underline" to={`/log/${o.id}`}>
          {o.place || named(standards.choices.outing, o.kind)}
        </Link>
        <span className="block text-soft">
          {o.kind === 'grass' && 'On grass. '}
          {outfit}
        </span>
        <span className="block">{facts.join(' · ')}</span>
        {o.note && <span className="block italic">{o.note}</span>}
      </span>
      <button className="quiet underline" aria-label={`Put the outing of ${name} away`} onClick={onAway}>
        put away
      </button>
    </li>
  );
}

/** What was noted on the saved outfit page at the water comes in as a file. */
function FromTheWater() {
  const done = useDone();
  const { attempt, words } = useAttempt();
  const [said, setSaid] = useState<string[]>([]);
  const input = useRef<HTMLInputElement>(null);
  const read = async (file: File) => {
    setSaid([]);
    await attempt(async () => {
      const text = await file.text();
      const body = { text, merge: 'mine' as const };
      const look = await unwrap(api.POST('/api/backup/look', { body }));
      const faults = look.read.faults.map((f) => `${f.list}, entry ${f.row}, ${f.field}: ${f.problem}`);
      if (faults.length > 0) return setSaid(faults);
      const fresh = look.read.changes.find((c) => c.list === 'outings')?.new ?? [];
      if (fresh.length === 0 || look.read.changes.some((c) => c.list !== 'outings'))
        return setSaid([
          fresh.length === 0
            ? 'Everything in this file is in the log already.'
            : 'This file holds more than outings: read it under Your data.',
        ]);
      const kept = await unwrap(api.POST('/api/backup/read', { body }));
      setSaid(kept.read.notes);
      done(`${fresh.length === 1 ? 'One outing' : `${fresh.length} outings`} came in from the water.`, async () => {
        const rows = (await unwrap(api.GET('/api/log', { params: { query: { take: 500 } } }))).rows;
        for (const { outing } of rows.filter((r) => fresh.includes(r.outing.key)))
          await unwrap<unknown>(api.DELETE('/api/log/{id}', { params: { path: { id: outing.id } } }));
      });
    });
  };
  useCommands([
    {
      id: 'from-water',
      name: 'Read entries from the water',
      words: 'import file phone',
      keys: [],
      group: 'Log',
      run: () => input.current?.click(),
    },
  ]);
  return (
    <section aria-label="From the water" className="mt-6 border-t border-ink pt-3">
      <h2 className="text-lg font-semibold">From the water</h2>
      <p className="max-w-2xl">
        The outfit card saved for the phone has a form for the day. It hands over a file; choose it here and its entries
        are in the log, once each.
      </p>
      <FileChoice name="Choose the file" accept=".json,application/json" input={input} onFile={read} />
      <Message>{words}</Message>
      {said.map((s) => (
        <p key={s} role="alert" className="font-semibold">
          {s}
        </p>
      ))}
    </section>
  );
}
