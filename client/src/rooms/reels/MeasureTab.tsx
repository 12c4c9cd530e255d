import { useState } from 'react';
import { api, unwrap, type FillAnswer } from '../../api/client';
import { useAttempt } from '../../api/useAttempt';
import { keepPiece, useKeeping } from '../../state/gear';
import { Message } from '../../ui/Message';
import { Pick } from '../../ui/Pick';
import { Problem } from '../../ui/Problem';
import { Say } from '../../ui/Say';
import { MeasureField, OptionalMeasureField } from '../../ui/TypedField';
import { spooled, useUnits } from '../../ui/units';
import { useSettled } from '../../ui/useSettled';
import type { TabProps } from './FillTab';
import { useFill } from './Filling';
import { useStart } from './useStart';

/** Three ways to know a spool's room: a ruler, something it held, what is printed on it. */
export function MeasureTab({ reel, shed, today }: TabProps) {
  const start = useStart(reel, shed, today);
  const { data } = useFill({
    reel,
    line: start.lineOf(start.lineId),
    backing: start.backing,
    backingM: start.backingM,
  });
  return (
    <>
      {data && (
        <p className="mb-3 text-lg" data-known={data.fill.spool.known}>
          <b>{data.fill.spool.source.note}</b>: its room is known to ±{Math.round(data.fill.spool.plusMinus * 100)} %.
        </p>
      )}
      <div className="grid gap-x-8 gap-y-6 lg:grid-cols-3">
        <Ruler reel={reel} />
        <Held reel={reel} shed={shed} today={today} />
        <Printed reel={reel} />
      </div>
      {data && (
        <section aria-label="The reverse fill" className="mt-6 max-w-3xl">
          <h2 className="text-lg font-semibold">Without arithmetic: fill it the wrong way round first</h2>
          <ReverseFill steps={data.reverseFill} />
        </section>
      )}
    </>
  );
}

/** How far a room may be off that is known in this way. */
function useTrusted() {
  const { standards } = useUnits();
  return (known: string) =>
    `±${Math.round(100 * (standards.spoolTrust.find((t) => t.known === known)?.plusMinus ?? 0))} %`;
}

function Ruler({ reel }: OneReel) {
  const { keep, problems, words } = useKeeping('reels', reel);
  const [at, setAt] = useState({ arborM: reel.arborM, rimM: reel.rimM, widthM: reel.widthM });
  const settled = useSettled(at);
  return (
    <section aria-label="By ruler" data-entries className="min-w-0">
      <h2 className="text-lg font-semibold">By ruler</h2>
      <p className="text-soft">
        Inside measures, to half a millimetre. How much that leaves open depends on the spool; it is said above.
      </p>
      <div className="my-2 grid grid-cols-3 gap-2">
        <OptionalMeasureField
          label="Arbor across"
          kind="spoolSize"
          value={at.arborM}
          problem={problems.arborM}
          onChange={(arborM) => setAt((a) => ({ ...a, arborM }))}
        />
        <OptionalMeasureField
          label="Rim across"
          kind="spoolSize"
          value={at.rimM}
          problem={problems.rimM}
          onChange={(rimM) => setAt((a) => ({ ...a, rimM }))}
        />
        <OptionalMeasureField
          label="Width inside"
          kind="spoolSize"
          value={at.widthM}
          problem={problems.widthM}
          onChange={(widthM) => setAt((a) => ({ ...a, widthM }))}
        />
      </div>
      <Message>{Object.keys(problems).length ? null : words}</Message>
      <button
        className="btn bg-ink! text-paper!"
        onClick={(e) =>
          void settled(e.currentTarget, (now) =>
            keep(() => keepPiece('reels', { ...reel, ...now }), `Measures kept with ${reel.tag}.`),
          )
        }
      >
        Keep these measures
      </button>
    </section>
  );
}

type OneReel = { reel: TabProps['reel'] };

function Held({ reel, shed, today }: TabProps) {
  const { show, standards } = useUnits();
  const trusted = useTrusted();
  const start = useStart(reel, shed, today);
  const { keep, problems, words } = useKeeping('reels', reel);
  const [held, setHeld] = useState({
    backing: reel.knownFill?.backing ?? start.backing,
    backingM: reel.knownFill?.backingM ?? start.backingM,
    lineId: String(start.lineId || 'none'),
    gapM: reel.knownFill?.gapM ?? 0.003,
  });
  const settled = useSettled(held);
  const set = (next: Partial<typeof held>) => setHeld((h) => ({ ...h, ...next }));
  return (
    <section aria-label="By what it held" data-entries className="min-w-0">
      <h2 className="text-lg font-semibold">By what it held</h2>
      <p className="text-soft">
        The surest: it takes in tapered and pierced arbors and how you wind. {trusted('knownFill')}.
        {reel.knownFill && (
          <>
            {' '}
            Kept: {show(spooled(reel.knownFill.backingM))} under {reel.knownFill.line || 'no line'}.
          </>
        )}
      </p>
      <div className="my-2 grid grid-cols-2 gap-2">
        <Pick
          label="Backing that went on"
          value={held.backing}
          options={standards.backings}
          problem={problems.backing}
          onChange={(backing) => set({ backing })}
        />
        <MeasureField
          label="How much"
          kind="spooled"
          value={held.backingM}
          problem={problems.backingM}
          onChange={(backingM) => set({ backingM })}
        />
        <Pick
          label="Line over it"
          value={held.lineId}
          options={[
            { id: 'none', name: 'none' },
            ...shed.lines.map((l) => ({ id: String(l.id), name: `${l.tag} ${l.name}` })),
          ]}
          problem={problems.lineId}
          onChange={(lineId) => set({ lineId })}
        />
        <MeasureField
          label="Left to the rim"
          kind="spoolSize"
          value={held.gapM}
          problem={problems.gapM}
          onChange={(gapM) => set({ gapM })}
        />
      </div>
      <Message>{Object.keys(problems).length ? null : words}</Message>
      <button
        className="btn bg-ink! text-paper!"
        onClick={(e) =>
          void settled(e.currentTarget, (now) =>
            keep(
              () =>
                unwrap(
                  api.POST('/api/reels/{id}/held', {
                    params: { path: { id: reel.id } },
                    body: {
                      ...now,
                      lineId: now.lineId === 'none' ? null : Number(now.lineId),
                      version: reel.version,
                    },
                  }),
                ),
              `${reel.tag} is known by what it held.`,
            ),
          )
        }
      >
        It held that
      </button>
      {reel.knownFill && (
        <button
          className="btn ml-2"
          onClick={() =>
            void keep(
              () => keepPiece('reels', { ...reel, knownFill: null }),
              `${reel.tag} is no longer known by what it held.`,
            )
          }
        >
          Forget it
        </button>
      )}
    </section>
  );
}

function Printed({ reel }: OneReel) {
  const { keep, words } = useKeeping('reels', reel);
  const { attempt, fields } = useAttempt();
  const trusted = useTrusted();
  const [text, setText] = useState('');
  return (
    <section aria-label="By what is printed" className="min-w-0">
      <h2 className="text-lg font-semibold">By what is printed</h2>
      <p className="text-soft">
        Box or foot, as it stands there. With line and backing {trusted('label')}, with classes alone{' '}
        {trusted('classes')}.
      </p>
      <form
        className="my-2"
        onSubmit={async (event) => {
          event.preventDefault();
          let label: Awaited<ReturnType<typeof read>> | null = null;
          const read = () => unwrap(api.POST('/api/reels/label', { body: { text } }));
          if (!(await attempt(async () => void (label = await read()))) || !label) return;
          const { low, high, line, backingM, backing } = label as Awaited<ReturnType<typeof read>>;
          await keep(
            () =>
              keepPiece('reels', {
                ...reel,
                labelLow: low,
                labelHigh: high,
                statedLine: line,
                statedBackingM: backingM,
                statedBacking: backing,
              }),
            `The label is kept with ${reel.tag}.`,
          );
        }}
      >
        <label className="block">
          <span className="rubric block">What is printed</span>
          <input
            className="entry w-full"
            value={text}
            placeholder="WF7F + 150 yd 20 lb"
            aria-invalid={fields.text ? true : undefined}
            onChange={(e) => setText(e.target.value)}
          />
        </label>
        <Problem words={fields.text} />
        <Message>{words}</Message>
        <button className="btn mt-2 bg-ink! text-paper!" type="submit">
          Read and keep it
        </button>
      </form>
    </section>
  );
}

/** The reverse fill, one step at a time. */
function ReverseFill({ steps }: { steps: FillAnswer['reverseFill'] }) {
  const [done, setDone] = useState(0);
  return (
    <ol className="mt-1">
      {steps.map((step, i) => (
        <li key={i} className={`border-t border-hair py-1.5 ${i < done ? 'text-soft' : ''}`}>
          <label className="flex gap-3">
            <input
              type="checkbox"
              className="mt-1 size-5 shrink-0"
              checked={i < done}
              disabled={i > done}
              onChange={(e) => setDone(e.target.checked ? i + 1 : i)}
            />
            <span className={i === done ? 'font-semibold' : ''}>
              <Say parts={step.says} />.
            </span>
          </label>
        </li>
      ))}
    </ol>
  );
}
