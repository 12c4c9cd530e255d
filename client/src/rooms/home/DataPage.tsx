import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, unwrap, type DataAnswer, type BackupChange, type BackupMerge } from '../../api/client';
import { key } from '../../api/keys';
import { useAttempt } from '../../api/useAttempt';
import { FileChoice } from '../../ui/FileChoice';
import { Message } from '../../ui/Message';
import { useToast } from '../../ui/toast';

const size = (bytes: number) =>
  bytes < 1e6 ? `${Math.max(1, Math.round(bytes / 1e3))} kB` : `${(bytes / 1e6).toFixed(1)} MB`;

const when = (at: string) => new Date(at).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' });

const why = {
  daily: 'a day had passed',
  before: 'before a new version changed the file',
  replaced: 'before something took its place',
};

/** Where everything is kept, how to take it along, bring it in and put it back. */
export function DataPage() {
  const { data, error } = useQuery({ queryKey: key('data'), queryFn: () => unwrap(api.GET('/api/data')), gcTime: 0 });
  const named = data && (/[^\w./-]/.test(data.folder) ? `'${data.folder.replaceAll("'", "'\\''")}'` : data.folder);
  return (
    <main id="main" className="mx-auto max-w-[72rem] px-5 py-4">
      <h1 className="text-2xl font-semibold">Your data</h1>
      <Message>{error?.message}</Message>
      {data?.gone && (
        <section aria-label="The file is gone" className="my-3 border-l-4 border-signal pl-3">
          <Message>{data.gone}</Message>
          <a
            className="btn mt-2 inline-flex min-h-[44px] items-center bg-ink! text-paper!"
            href="/api/data/rescue"
            download
          >
            Save what is still held
          </a>
        </section>
      )}
      {data && (
        <p className="max-w-3xl">
          Everything is one file, <strong>{data.file}</strong> ({size(data.bytes)}), in the folder{' '}
          <strong className="wrap-anywhere">{data.folder}</strong> on the machine that Zing Cast runs on. Nothing is
          kept anywhere else.
        </p>
      )}
      <div className="mt-4 grid gap-x-10 gap-y-8 lg:grid-cols-2 [&>*]:min-w-0">
        <section aria-label="Take it along">
          <h2 className="border-b border-ink pb-1 text-lg font-semibold">Take it along</h2>
          <p className="mt-2 flex flex-wrap gap-2">
            <a
              className="btn inline-flex min-h-[44px] items-center bg-ink! text-paper!"
              href="/api/backup/file"
              download
            >
              Save everything
            </a>
            <a className="btn inline-flex min-h-[44px] items-center" href="/api/data/copy" download>
              Save a copy of the file
            </a>
          </p>
          <p className="mt-2">
            The first is a document that any house can read, by tags and names, with a{' '}
            <a className="underline" href="/api/backup/schema">
              published schema
            </a>
            ; the second is the file itself.
          </p>
          <h3 className="mt-4 font-semibold">For a spreadsheet</h3>
          <p>
            {['rods', 'lines', 'reels'].map((name) => (
              <a key={name} className="mr-4 underline" href={`/api/shed/${name}.csv`} download>
                {name}
              </a>
            ))}
            <a className="mr-4 underline" href="/api/log/log.csv" download>
              log
            </a>
            <span className="text-soft">A line’s profile is saved on its bench.</span>
          </p>
          {named && (
            <p className="mt-4 text-soft">
              At the terminal: <Typed>./zing backup FILE --data {named}</Typed>, a document when FILE ends in .json; and{' '}
              <Typed>./zing restore FILE --data {named}</Typed>.
            </p>
          )}
        </section>
        <BringIn />
        <Copies copies={data?.copies ?? []} />
        <SheetIn />
        {data && data.setAside.length > 0 && <SetAside rows={data.setAside} />}
        <CameIn />
      </div>
      <p className="mt-8 border-t border-hair pt-3 text-soft">
        Zing Cast is made with the work of many others:{' '}
        <a className="underline" href="/third-party-notices.txt">
          whose, and on what terms
        </a>
        .
      </p>
    </main>
  );
}

/** Rows that did not hold together: shown nowhere else, and not lost. */
function SetAside({ rows }: { rows: DataAnswer['setAside'] }) {
  return (
    <section aria-label="Set aside">
      <h2 className="border-b border-ink pb-1 text-lg font-semibold">
        Set aside <span className="font-normal text-soft">{rows.length}</span>
      </h2>
      <p className="mt-2">
        These did not hold together, so no page shows them. Each can be saved as it stood. To have it back, enter it
        anew, or bring in a document that has it.
      </p>
      <ul>
        {rows.map((row) => (
          <li key={row.id} className="flex flex-wrap items-baseline gap-x-3 border-b border-hair py-1.5">
            <b className="wrap-anywhere">
              {row.list}: {row.named}
            </b>
            <span className="min-w-0 flex-1 basis-48 text-soft wrap-anywhere">{row.why}</span>
            <a className="underline" href={`/api/data/set-aside/${row.id}`} download>
              save it
            </a>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Browsers that came in with the key, where one is asked for; each can be sent out again. */
function CameIn() {
  const { data } = useQuery({ queryKey: key('sessions'), queryFn: () => unwrap(api.GET('/api/sessions')), gcTime: 0 });
  const { attempt, words } = useAttempt();
  const queries = useQueryClient();
  if (!data || data.length === 0) return null;
  const end = (id: number, own: boolean) =>
    attempt(async () => {
      await unwrap(api.DELETE('/api/sessions/{id}', { params: { path: { id } } }));
      if (own) window.location.assign('/');
      else await queries.invalidateQueries({ queryKey: key('sessions') });
    });
  return (
    <section aria-label="Who came in">
      <h2 className="border-b border-ink pb-1 text-lg font-semibold">Who came in with the key</h2>
      <Message>{words}</Message>
      <ul>
        {data.map((s) => (
          <li key={s.id} className="flex flex-wrap items-baseline gap-x-3 border-b border-hair py-1.5">
            <b>{s.own ? `${s.browser}, this one` : s.browser}</b>
            <span className="min-w-0 flex-1 basis-48 text-soft">
              since {when(s.began)}, last seen {when(s.seen)}
            </span>
            <button
              className="quiet min-h-[44px] underline"
              aria-label={s.own ? 'Leave on this browser' : `End ${s.browser}, since ${when(s.began)}`}
              onClick={() => void end(s.id, s.own)}
            >
              {s.own ? 'leave' : 'end'}
            </button>
          </li>
        ))}
      </ul>
      <p className="mt-2 text-soft">Whoever is sent out is asked for the key again. All end when Zing Cast stops.</p>
    </section>
  );
}

const ways: { id: BackupMerge; name: string; about: string }[] = [
  { id: 'mine', name: 'Add what is new', about: 'what both have stays as it is here' },
  { id: 'theirs', name: 'Add, and take theirs', about: 'what both have becomes as it is in the file' },
  { id: 'replace', name: 'Put it back', about: 'everything here is replaced by the file' },
];

/** A document from another house, or from a better day: looked at first, read all or none. */
function BringIn() {
  const [text, setText] = useState<{ name: string; text: string } | null>(null);
  const [merge, setMerge] = useState<BackupMerge>('mine');
  const { attempt, words } = useAttempt();
  const toast = useToast();
  const look = useQuery({
    queryKey: key('look', text?.name, text?.text.length, merge),
    enabled: text !== null,
    gcTime: 0,
    queryFn: ({ signal }) => unwrap(api.POST('/api/backup/look', { body: { text: text!.text, merge }, signal })),
  });
  const read = look.data?.read;
  const changes = read?.changes.filter((c) => merge === 'replace' || c.new.length + c.other.length > 0) ?? [];
  return (
    <section aria-label="Bring it in">
      <h2 className="border-b border-ink pb-1 text-lg font-semibold">Bring it in</h2>
      <p className="mt-2">
        A document that was saved here or in another house. You see what would change before anything does; with one
        fault nothing is read.
      </p>
      <FileChoice
        name="Choose a document"
        accept=".json,application/json"
        onFile={async (file) => setText({ name: file.name, text: await file.text() })}
      />
      {text && (
        <>
          <fieldset className="mt-3">
            <legend className="rubric">{text.name}</legend>
            {ways.map((w) => (
              <label key={w.id} className="flex min-h-[44px] items-center gap-2">
                <input
                  type="radio"
                  name="merge"
                  className="size-5"
                  checked={merge === w.id}
                  onChange={() => setMerge(w.id)}
                />
                <span>
                  <b>{w.name}</b>: {w.about}
                </span>
              </label>
            ))}
          </fieldset>
          <div aria-live="polite">
            {look.isFetching && <p className="text-soft">Looking…</p>}
            <Message>{look.error?.message ?? words}</Message>
            {read && read.faults.length > 0 && (
              <>
                <p className="font-semibold text-fails">
                  {read.faults.length === 1 ? 'One thing cannot' : `${read.faults.length} things cannot`} be read;
                  nothing is changed
                </p>
                <ul>
                  {read.faults.map((f, i) => (
                    <li key={i} className="border-b border-hair py-1 wrap-anywhere">
                      <b>
                        {f.list}, {f.list === 'file' ? 'line' : 'entry'} {f.row}, {f.field}:
                      </b>{' '}
                      {f.problem}
                    </li>
                  ))}
                </ul>
              </>
            )}
            {read && read.faults.length === 0 && (
              <>
                <Changes
                  changes={changes}
                  words={merge === 'mine' ? 'differ, and stay as they are here' : 'become as in the file'}
                  gone={merge === 'replace'}
                />
                {changes.length === 0 && <p className="font-semibold">Everything in it is here already.</p>}
                {read.notes.map((n) => (
                  <p key={n} className="text-soft">
                    {n}
                  </p>
                ))}
                <button
                  className="btn mt-2 min-h-[44px] bg-ink! text-paper!"
                  disabled={changes.length === 0}
                  onClick={() =>
                    void attempt(async () => {
                      const { kept } = await unwrap(api.POST('/api/backup/read', { body: { text: text.text, merge } }));
                      setText(null);
                      toast({
                        words: 'It is read in.',
                        ...(kept
                          ? {
                              undo: async () => {
                                await unwrap(
                                  api.POST('/api/backup/copies/{name}/restore', { params: { path: { name: kept } } }),
                                );
                              },
                            }
                          : {}),
                      });
                    })
                  }
                >
                  {merge === 'replace' ? 'Replace everything here' : 'Read it in'}
                </button>
              </>
            )}
          </div>
        </>
      )}
    </section>
  );
}

/** A few of them by name, and how many more. */
const some = (keys: string[]) =>
  keys.length <= 8 ? keys.join(', ') : `${keys.slice(0, 8).join(', ')} and ${keys.length - 8} more`;

function Changes({ changes, words, gone }: { changes: BackupChange[]; words: string; gone: boolean }) {
  return (
    <ul>
      {changes.map((c) => (
        <li key={c.list} className="border-b border-hair py-1 wrap-anywhere">
          <b>{c.one}:</b>{' '}
          {[
            c.new.length > 0 && `${c.new.length} new (${some(c.new)})`,
            c.other.length > 0 && `${c.other.length} ${words} (${some(c.other)})`,
            gone && c.gone.length > 0 && `${c.gone.length} go (${some(c.gone)})`,
            c.same > 0 && `${c.same} the same`,
          ]
            .filter(Boolean)
            .join('; ')}
        </li>
      ))}
    </ul>
  );
}

/** Copies that were made by themselves, what each has otherwise than now, and the way back to it. */
function Copies({ copies }: { copies: { name: string; kind: keyof typeof why; at: string; bytes: number }[] }) {
  const [open, setOpen] = useState<string | null>(null);
  const { attempt, words } = useAttempt();
  const toast = useToast();
  const differs = useQuery({
    queryKey: key('copy', open),
    enabled: open !== null,
    gcTime: 0,
    queryFn: ({ signal }) =>
      unwrap(api.GET('/api/backup/copies/{name}', { params: { path: { name: open! } }, signal })),
  });
  const putBack = (name: string) =>
    attempt(async () => {
      const { kept: before } = await unwrap(
        api.POST('/api/backup/copies/{name}/restore', { params: { path: { name } } }),
      );
      setOpen(null);
      toast({
        words: 'It is put back.',
        ...(before
          ? {
              undo: async () => {
                await unwrap(api.POST('/api/backup/copies/{name}/restore', { params: { path: { name: before } } }));
              },
            }
          : {}),
      });
    });
  return (
    <section aria-label="Copies beside it">
      <h2 className="border-b border-ink pb-1 text-lg font-semibold">
        Copies beside it <span className="font-normal text-soft">{copies.length}</span>
      </h2>
      <p className="mt-2">
        It is copied by itself once a day, before anything takes its place, and before a new version changes it. Kept
        are the last ten days, the last of each week for eight weeks, and the last ten of the others.
      </p>
      <Message>{words}</Message>
      {copies.length === 0 && <p className="text-soft">None yet: the first is made when the file is a day old.</p>}
      <ul>
        {copies.map((c) => (
          <li key={c.name} className="border-b border-hair py-1.5">
            <span className="flex flex-wrap items-baseline gap-x-3">
              <b className="min-w-40">{when(c.at)}</b>
              <span className="min-w-0 flex-1 basis-48 text-soft">
                {why[c.kind]}, {size(c.bytes)}
              </span>
              <button
                className="quiet underline"
                aria-expanded={open === c.name}
                onClick={() => setOpen(open === c.name ? null : c.name)}
              >
                what differs
              </button>
            </span>
            {open === c.name && (
              <div className="border-l-4 border-hair pl-3">
                {differs.isFetching && <p className="text-soft">Looking into it…</p>}
                <Message>{differs.error?.message}</Message>
                {differs.data?.differs.length === 0 && <p>Nothing: it is as things are now.</p>}
                <ul>
                  {differs.data?.differs.map((d) => (
                    <li key={d.list}>
                      <b>{d.one}:</b>{' '}
                      {[
                        d.new.length > 0 && `only in the copy: ${some(d.new)}`,
                        d.other.length > 0 && `otherwise: ${some(d.other)}`,
                        d.gone.length > 0 &&
                          `only here: ${d.gone.slice(0, 8).join(', ')}${d.gone.length > 8 ? ` and ${d.gone.length - 8} more` : ''}`,
                      ]
                        .filter(Boolean)
                        .join('; ')}
                    </li>
                  ))}
                </ul>
                {differs.data && differs.data.differs.length > 0 && (
                  <button className="btn mt-1" onClick={() => void putBack(c.name)}>
                    Put this copy back
                  </button>
                )}
              </div>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** A log that was kept in a spreadsheet. */
function SheetIn() {
  const [sheet, setSheet] = useState<{ name: string; text: string } | null>(null);
  const { attempt, words } = useAttempt();
  const toast = useToast();
  const look = useQuery({
    queryKey: key('look', sheet?.name, sheet?.text.length),
    enabled: sheet !== null,
    gcTime: 0,
    queryFn: ({ signal }) =>
      unwrap(api.POST('/api/log/csv/look', { body: { text: sheet!.text, theirs: false }, signal })),
  });
  const fresh = look.data?.changes.find((c) => c.list === 'outings');
  return (
    <section aria-label="A log from a spreadsheet">
      <h2 className="border-b border-ink pb-1 text-lg font-semibold">Sheets</h2>
      <p className="mt-2">
        Rods, lines and reels are{' '}
        <Link className="underline" to="/shed/paste">
          pasted into the shed
        </Link>
        . A log comes in from a file as the one that is saved above; only its day is asked for.
      </p>
      <FileChoice
        name="Choose a log"
        accept=".csv,.tsv,text/csv"
        onFile={async (file) => setSheet({ name: file.name, text: await file.text() })}
      />
      {sheet && (
        <div aria-live="polite">
          <p className="rubric mt-2">{sheet.name}</p>
          <Message>{look.error?.message ?? words}</Message>
          {look.data?.faults.map((f, i) => (
            <p key={i} className="border-b border-hair py-1">
              <b>
                Row {f.line}, {f.column}:
              </b>{' '}
              {f.problem}
            </p>
          ))}
          {look.data && look.data.faults.length === 0 && (
            <>
              <p>
                {fresh?.new.length ?? 0} new outings
                {fresh &&
                  fresh.same + fresh.other.length > 0 &&
                  `, ${fresh.same + fresh.other.length} in the log already`}
                .
              </p>
              {look.data.notes.slice(0, 20).map((n) => (
                <p key={n} className="text-soft">
                  {n}
                </p>
              ))}
              <button
                className="btn mt-2 min-h-[44px] bg-ink! text-paper!"
                disabled={(fresh?.new.length ?? 0) === 0}
                onClick={() =>
                  void attempt(async () => {
                    await unwrap(api.POST('/api/log/csv', { body: { text: sheet.text, theirs: false } }));
                    setSheet(null);
                    toast({ words: `${fresh!.new.length} outings are in the log.` });
                  })
                }
              >
                Read them in
              </button>
            </>
          )}
        </div>
      )}
    </section>
  );
}

function Typed({ children }: { children: React.ReactNode }) {
  return <code className="rounded bg-sheet px-1 py-0.5 text-[0.9em] wrap-anywhere">{children}</code>;
}
