import { useState } from 'react';
import { Link } from 'react-router';
import { api, unwrap, type PasteAnswer } from '../../api/client';
import { key } from '../../api/keys';
import { useAsk } from '../../api/useAsk';
import { useAttempt } from '../../api/useAttempt';
import { Message } from '../../ui/Message';
import { recall, remember, forget } from '../../ui/remember';
import { useDone } from '../../ui/toast';
import { metres, named, rodLength, useUnits } from '../../ui/units';
import { ShedTabs } from './ShedTabs';

const place = 'pasted';
const example =
  'label\tname\tcondition\tprice\n9ft 6 4pc fast\tthe blue one\tworn\t90\nWF6F\tsand line\tgood\t35\n7/8\tbig black\tgood\t60';

/** Many pieces at once, from a spreadsheet: looked at first, kept all or none. */
export function PastePage() {
  const [text, setText] = useState(() => recall(place) ?? '');
  const { system } = useUnits();
  const done = useDone();
  const { attempt, words } = useAttempt();
  const body = { text, metric: system === 'metric' };
  const { data: seen, error } = useAsk(
    key('pasted', body),
    (signal) => unwrap(api.POST('/api/shed/paste/look', { body, signal })),
    text.trim() !== '',
  );
  const put = (next: string) => {
    setText(next);
    remember(place, next);
  };
  const shown = text.trim() === '' ? undefined : seen;
  const count = shown ? shown.rods.length + shown.lines.length + shown.reels.length : 0;
  const keep = async () => {
    await attempt(async () => {
      const kept = await unwrap(api.POST('/api/shed/paste', { body }));
      if (kept.faults.length > 0) return;
      forget(place);
      setText('');
      const ids = (all: { id?: number }[]) => all.map((p) => p.id!);
      done(`${kept.rods.length + kept.lines.length + kept.reels.length} pieces are in the shed.`, () =>
        unwrap<unknown>(
          api.POST('/api/shed/paste/undo', {
            body: { rods: ids(kept.rods), lines: ids(kept.lines), reels: ids(kept.reels) },
          }),
        ),
      );
    });
  };
  return (
    <main id="main" className="mx-auto flex max-w-[84rem] flex-col gap-3 px-5 py-4">
      <h1 className="text-2xl font-semibold">Shed</h1>
      <ShedTabs />
      <p>
        Copy rows out of a spreadsheet and paste them here. The first row names the columns; a column called{' '}
        <b>label</b> holds what stands on the piece. Nothing is kept before you have seen what it comes to.
      </p>
      <div className="grid gap-x-8 gap-y-4 lg:grid-cols-2">
        <div>
          <label className="block">
            <span className="rubric block">Rows</span>
            <textarea
              className="entry h-64 w-full font-mono text-sm"
              value={text}
              spellCheck={false}
              wrap="off"
              aria-invalid={(shown?.faults.length ?? 0) > 0 || undefined}
              onChange={(event) => put(event.target.value)}
            />
          </label>
          <div className="mt-2 flex flex-wrap gap-2">
            <button className="btn bg-ink! text-paper!" disabled={!shown || count === 0} onClick={() => void keep()}>
              {count > 0 ? `Keep all ${count}` : 'Keep them'}
            </button>
            <button className="btn" onClick={() => put(text.trim() === '' ? example : '')}>
              {text.trim() === '' ? 'Show me an example' : 'Begin anew'}
            </button>
          </div>
          <Message>{words ?? (error && !seen ? error.message : null)}</Message>
          <p className="mt-2 text-sm text-soft">
            Columns there are: {(seen?.columns ?? ['label', 'kind', 'tag', 'name', 'note', 'and more']).join(', ')}.
            Leave out what you do not know; tags that you do not give are the next free ones.
          </p>
        </div>
        <section aria-label="What it comes to" aria-live="polite">
          {!shown ? (
            <p className="text-soft">What the rows come to stands here.</p>
          ) : shown.faults.length > 0 ? (
            <Faults faults={shown.faults} />
          ) : (
            <Pieces of={shown} count={count} />
          )}
          <p className="mt-3">
            One piece at a time is quicker{' '}
            <Link className="underline" to="/shed">
              by its label
            </Link>
            .
          </p>
        </section>
      </div>
    </main>
  );
}

function Faults({ faults }: { faults: PasteAnswer['faults'] }) {
  return (
    <>
      <h2 className="border-b border-ink pb-1 text-lg font-semibold text-fails">
        {faults.length === 1 ? 'One cell needs' : `${faults.length} cells need`} another look; nothing is kept
      </h2>
      <ul>
        {faults.slice(0, 100).map((f, i) => (
          <li key={i} className="border-b border-hair py-1" data-fault={`${f.line} ${f.column}`}>
            <b>
              Row {f.line}, {f.column}:
            </b>{' '}
            {f.problem}
          </li>
        ))}
      </ul>
    </>
  );
}

function Pieces({ of, count }: { of: PasteAnswer; count: number }) {
  const { show, standards } = useUnits();
  return (
    <>
      <h2 className="border-b border-ink pb-1 text-lg font-semibold">
        {count === 1 ? 'One piece' : `${count} pieces`} to keep
      </h2>
      <ul>
        {of.rods.map((r) => (
          <li key={r.tag} className="border-b border-hair py-1">
            <b>{r.tag}</b> {r.name}: rod, {show(rodLength(r.lengthM))}, {r.pieces} pieces,{' '}
            {named(standards.choices.action, r.action)}
          </li>
        ))}
        {of.lines.map((l) => (
          <li key={l.tag} className="border-b border-hair py-1">
            <b>{l.tag}</b> {l.name}: line, head {show(metres(l.headM))}, {named(standards.densities, l.density)}
            {l.massKg == null ? ', nobody knows what it weighs' : `, ${show(l.massKg, 'lineMass')}`}
          </li>
        ))}
        {of.reels.map((r) => (
          <li key={r.tag} className="border-b border-hair py-1">
            <b>{r.tag}</b> {r.name}: reel, {show(r.massKg ?? 0, 'gearMass')}
          </li>
        ))}
      </ul>
    </>
  );
}
