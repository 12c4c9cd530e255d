import { useState } from 'react';
import { api, onVersion, unwrap, type FillAnswer } from '../../api/client';
import { keepPiece, taggedName, useKeeping } from '../../state/gear';
import { Again, Choice, Measure, Text } from '../../ui/fields';
import { draftOf, useForm } from '../../ui/form';
import { Message } from '../../ui/Message';
import { Say } from '../../ui/Say';
import { spooled, useUnits } from '../../ui/units';
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

type OneReel = { reel: TabProps['reel'] };

function Ruler({ reel }: OneReel) {
  const { keep } = useKeeping('reels', reel);
  const { arborM, rimM, widthM } = reel;
  const form = useForm(draftOf('ruler', reel.id), { arborM, rimM, widthM }, reel.version);
  return (
    <section aria-label="By ruler" {...form.area} className="min-w-0">
      <h2 className="text-lg font-semibold">By ruler</h2>
      <p className="text-soft">
        Inside measures, to half a millimetre. How much that leaves open depends on the spool; it is said above.
      </p>
      <Again form={form} />
      <div className="my-2 grid grid-cols-3 gap-2">
        <Measure of={form} at="arborM" label="Arbor across" kind="spoolSize" empty />
        <Measure of={form} at="rimM" label="Rim across" kind="spoolSize" empty />
        <Measure of={form} at="widthM" label="Width inside" kind="spoolSize" empty />
      </div>
      <Message>{form.words}</Message>
      <button
        className="btn bg-ink! text-paper!"
        onClick={() =>
          void form.keep((now) =>
            keep(() => keepPiece('reels', { ...reel, ...now }), `Measures kept with ${reel.tag}.`),
          )
        }
      >
        Keep these measures
      </button>
    </section>
  );
}

function Held({ reel, shed, today }: TabProps) {
  const { show, standards } = useUnits();
  const trusted = useTrusted();
  const start = useStart(reel, shed, today);
  const { keep } = useKeeping('reels', reel);
  const form = useForm(
    draftOf('held', reel.id),
    {
      backing: reel.knownFill?.backing ?? start.backing,
      backingM: reel.knownFill?.backingM ?? start.backingM,
      lineId: (start.lineId || null) as number | null,
      gapM: reel.knownFill?.gapM ?? 0.003,
    },
    reel.version,
  );
  return (
    <section aria-label="By what it held" {...form.area} className="min-w-0">
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
      <Again form={form} />
      <div className="my-2 grid grid-cols-2 gap-2">
        <Choice of={form} at="backing" label="Backing that went on" options={standards.backings} />
        <Measure of={form} at="backingM" label="How much" kind="spooled" />
        <Choice of={form} at="lineId" label="Line over it" options={shed.lines.map(taggedName)} none="none" />
        <Measure of={form} at="gapM" label="Left to the rim" kind="spoolSize" />
      </div>
      <Message>{form.words}</Message>
      <button
        className="btn bg-ink! text-paper!"
        onClick={() =>
          void form.keep((now, version) =>
            keep(
              () => unwrap(api.POST('/api/reels/{id}/held', { ...onVersion(reel.id, version), body: now })),
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
  const { keep } = useKeeping('reels', reel);
  const trusted = useTrusted();
  const form = useForm(draftOf('printed', reel.id), { text: '' });
  return (
    <section aria-label="By what is printed" className="min-w-0">
      <h2 className="text-lg font-semibold">By what is printed</h2>
      <p className="text-soft">
        Box or foot, as it stands there. With line and backing {trusted('label')}, with classes alone{' '}
        {trusted('classes')}.
      </p>
      <form
        className="my-2"
        {...form.area}
        onSubmit={(event) => {
          event.preventDefault();
          void form.keep(async ({ text }) => {
            const label = await unwrap(api.POST('/api/reels/label', { body: { text } }));
            const stated = { statedLine: label.line, statedBackingM: label.backingM, statedBacking: label.backing };
            await keep(
              () => keepPiece('reels', { ...reel, ...stated, labelLow: label.low, labelHigh: label.high }),
              `The label is kept with ${reel.tag}.`,
            );
          });
        }}
      >
        <Text of={form} at="text" label="What is printed" placeholder="WF7F + 150 yd 20 lb" />
        <Message>{form.words}</Message>
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
