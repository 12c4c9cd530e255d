import { useState } from 'react';
import { api, unwrap, type FlyLine, type ClassifyAnswer, type Weighing } from '../../api/client';
import { key } from '../../api/keys';
import { useAsk } from '../../api/useAsk';
import { ClassRuler } from '../../drawing/LineDrawing';
import { useKeeping } from '../../state/gear';
import { BenchScale } from '../../ui/BenchScale';
import { Facts } from '../../ui/Facts';
import { Again, Measure } from '../../ui/fields';
import { draftOf, useFaults, useForm } from '../../ui/form';
import { Message } from '../../ui/Message';
import { Say } from '../../ui/Say';
import { metres, useUnits } from '../../ui/units';
import { RodsItSuits } from './RodsItSuits';
import { offBy, usePerFoot } from './usePerFoot';

/** The class of a line from the scale, as surely as the scale can tell. */
export function WeighTab({ line }: { line: FlyLine }) {
  const { thirtyFeetM: thirty, beginnings } = useUnits().standards;
  const start: Weighing = {
    ...beginnings.weighing,
    massKg: line.massKg ?? beginnings.weighing.massKg,
    lengthM: line.headM,
    wholeHead: true,
    frontTaperM: line.frontTaperM,
    rearTaperM: line.rearTaperM,
  };
  const form = useForm<Weighing>(draftOf('weighing', line.id), start, line.version);
  const on = form.values;
  // Only a mass that was typed or taken from the scale is a measurement.
  const [weighed, setWeighed] = useState(line.massKg != null);
  const measured = weighed || on.massKg !== start.massKg;
  const { keep } = useKeeping('lines', line);
  const answer = useAsk(
    key('suits', 'weigh', on, line),
    (signal) => unwrap(api.POST('/api/lines/classify', { body: { weighing: on, line }, signal })),
    measured,
  );
  useFaults(form, answer.fields, 'weighing');
  const bad = Object.keys(answer.fields).length > 0;
  const take = (massKg: number, scalePlusMinusKg: number) => {
    const was = { ...form.lib.getValues() };
    form.patch({ massKg, scalePlusMinusKg });
    setWeighed(true);
    return () => {
      form.patch(was);
      setWeighed(weighed);
    };
  };
  return (
    <div className="grid gap-x-8 gap-y-5 lg:grid-cols-[25rem_minmax(0,1fr)]">
      <section aria-label="On the scale" {...form.area}>
        <Again form={form} />
        <fieldset className="mb-2">
          <legend className="rubric">What lies on the scale?</legend>
          {[
            { wholeHead: true, lengthM: line.headM, name: 'the whole head' },
            { wholeHead: false, lengthM: thirty, name: 'the first part of the line' },
          ].map(({ name, ...o }) => (
            <label key={name} className="mr-4 inline-flex min-h-7 items-center gap-1.5">
              <input
                type="radio"
                name="what"
                className="size-4 accent-(--ink)"
                checked={on.wholeHead === o.wholeHead}
                onChange={() => form.patch(o)}
              />
              {name}
            </label>
          ))}
        </fieldset>
        <p className="mb-2 text-soft">
          A class is weighed to the 30-ft mark, level tip left out. Coil the rest beside the scale, not on it.
        </p>
        <div className="grid grid-cols-2 gap-2">
          <Measure
            of={form}
            at="massKg"
            label="Mass"
            kind="lineMass"
            assumed={!measured}
            then={() => setWeighed(true)}
          />
          <Measure of={form} at="lengthM" label="Length of it" kind="length" />
          <Measure of={form} at="frontTaperM" label="Front taper, if known" kind="length" empty />
          {on.wholeHead && <Measure of={form} at="rearTaperM" label="Rear taper, if known" kind="length" empty />}
          <Measure of={form} at="scalePlusMinusKg" label="Scale, ±" kind="benchMass" />
        </div>
        <div className="mt-3">
          <BenchScale
            pan={{ kg: on.massKg, piece: line.headKg == null ? line.tag : null, words: line.tag }}
            onTake={take}
          />
        </div>
        <Message>{form.words}</Message>
        <button
          className="btn mt-4 bg-ink! text-paper!"
          disabled={!measured || bad}
          onClick={() =>
            void form.keep((now) =>
              keep(
                () => unwrap(api.POST('/api/lines/{id}/weighing', { params: { path: { id: line.id } }, body: now })),
                `${line.tag} is known by its weight.`,
              ),
            )
          }
        >
          Keep this weighing with {line.tag}
        </button>
      </section>
      <section aria-label="What it is" className={`min-w-0 ${bad ? 'opacity-50' : ''}`} aria-live="polite">
        {!measured && (
          <p className="text-lg">Lay the line on the scale, or type what it weighs. Nothing is guessed until then.</p>
        )}
        {measured && answer.data && <Classed answer={answer.data} />}
      </section>
    </div>
  );
}

/** The class the scale comes to, with its spread and the rods it suits. */
function Classed({ answer: read }: { answer: ClassifyAnswer }) {
  const { show, standards } = useUnits();
  const perFoot = usePerFoot();
  const { class: cls } = read;
  const thirty: [string, string][] = cls.thirty
    ? [[`first ${show(metres(standards.thirtyFeetM))}`, show(cls.thirty)]]
    : [];
  const belly: [string, string][] = read.belly
    ? [
        ['belly by the third rule', perFoot(read.belly.ruleKgPerM)],
        ['exactly, from its thickness', `${perFoot(read.belly.exactKgPerM)}; ${offBy(read.belly.off)}`],
      ]
    : [];
  return (
    <>
      <p className="text-3xl font-bold" data-class={cls.class?.value.toFixed(2) ?? 'none'}>
        {cls.class ? show(cls.class) : 'No class'}
      </p>
      <p className="mb-2 text-lg">
        <Say parts={cls.says} />.
      </p>
      {cls.thirty && cls.spread && (
        <ClassRuler spread={cls.spread} thirtyKg={cls.thirty.value} plusMinusKg={cls.thirty.plusMinus ?? 0} />
      )}
      <Facts rows={[['on the scale', show(cls.head)], ...thirty, ['how it is known', cls.source.note], ...belly]} />
      <RodsItSuits rods={read.rods} />
    </>
  );
}
