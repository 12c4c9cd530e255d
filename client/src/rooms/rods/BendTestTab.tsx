import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, unwrap, type BendFit, type BendTest, type Rod } from '../../api/client';
import { key } from '../../api/keys';
import { useAsk } from '../../api/useAsk';
import { TestDrawing } from '../../drawing/RodBends';
import { useKeeping } from '../../state/gear';
import { BenchScale } from '../../ui/BenchScale';
import { saidDay } from '../../ui/dates';
import { Facts } from '../../ui/Facts';
import { Again, Choice, Measure } from '../../ui/fields';
import { draftOf, useFaults, useForm, useRows, type Form } from '../../ui/form';
import { Caution, Message } from '../../ui/Message';
import { rodLength, useUnits } from '../../ui/units';
import { CalibrationPanel } from './Calibrations';

/** The one-third bend test, step by step, with the class it comes to. */
export function BendTestTab({ rod }: { rod: Rod }) {
  const { show } = useUnits();
  const [measured, setMeasured] = useState(rod.test != null);
  const { keep } = useKeeping('rods', rod);
  const start = rod.test ?? rod.usualTest;
  const form = useForm<BendTest>(draftOf('bend-test', rod.id), start, rod.version);
  const test = form.values;
  // The example weight is nobody's measurement: nothing is worked out until one was typed.
  const known = measured || test.readings.some((r) => r.massKg !== start.readings[0]!.massKg);
  const fit = useAsk(
    key('bendFit', rod.lengthM, test),
    (signal) => unwrap(api.POST('/api/rods/fit', { body: { rodLengthM: rod.lengthM, test }, signal })),
    known,
  );
  useFaults(form, fit.fields, 'test');
  const bad = Object.keys(fit.fields).length > 0;
  const same = rod.test != null && !form.dirty;
  const path = { params: { path: { id: rod.id } } };
  return (
    <div className="grid gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_25rem]">
      <section aria-label="The test on the wall" className="min-w-0">
        <TestDrawing
          lengthM={rod.lengthM}
          heldM={test.heldM}
          thirdM={rod.thirdM}
          bend={!bad && fit.data ? fit.data.atThird : null}
          readings={known ? test.readings.map((r) => ({ dropM: r.dropM, outM: r.outM ?? null })) : []}
        />
        {known ? (
          fit.data && <Fitted rod={rod} answer={fit.data} bad={bad} many={test.readings.length > 1} />
        ) : (
          <p className="text-lg">
            Type the weight that brought the tip to the mark, or take it from the scale: the class appears here.
          </p>
        )}
      </section>

      <section aria-label="Readings" {...form.area} className="min-w-0">
        <Again form={form} />
        <ol className="flex flex-col gap-4">
          <li>
            <h2 className="font-semibold">1 Clamp the handle level</h2>
            <p className="text-soft">On a shelf or bench, reel off, rings down.</p>
            <div className="w-44">
              <Measure of={form} at="heldM" label="Held in the clamp" kind="shortLength" />
            </div>
          </li>
          <li>
            <h2 className="font-semibold">2 Mark the wall</h2>
            <p>
              <b>{show(rod.thirdM, 'shortLength')}</b> below the unloaded tip: a third of {show(rodLength(rod.lengthM))}
              .
            </p>
          </li>
          <li>
            <h2 className="font-semibold">3 Hang weight on the tip until it touches the mark</h2>
            <p className="text-soft">
              Coins in a bag. Then weigh bag, hook and coins; read the angle of the last hand’s breadth.
            </p>
            <Caution>Cover your eyes, keep the weight low over something soft, and let it down slowly.</Caution>
            <Readings form={form} measured={known} onMeasured={setMeasured} />
          </li>
          <li>
            <h2 className="font-semibold">4 How well was it measured?</h2>
            <div className="grid grid-cols-3 gap-2">
              <Measure of={form} at="tapePlusMinusM" label="Tape, ±" kind="shortLength" />
              <Measure of={form} at="scalePlusMinusKg" label="Scale, ±" kind="benchMass" />
              <Measure of={form} at="anglePlusMinusDeg" label="Angle, ±" kind="angle" />
            </div>
            <ReadWith form={form} />
          </li>
        </ol>
        <Message>{form.words ?? (fit.error && !bad ? fit.error.message : null)}</Message>
        <button
          className="btn mt-4 bg-ink! text-paper!"
          disabled={!known || bad || !fit.data || same}
          onClick={() =>
            void form.keep((now) =>
              keep(
                () => unwrap(api.POST('/api/rods/{id}/test', { ...path, body: { ...now, on: null } })),
                `${rod.tag} is now known by its bend test.`,
              ),
            )
          }
        >
          Keep this test with {rod.tag}
        </button>
        {same && (
          <p className="text-sm text-soft">
            Kept{rod.test?.on ? ` on ${saidDay(rod.test.on)}` : ''}. Briefs and casts work with it.
          </p>
        )}
      </section>
    </div>
  );
}

/** What the test comes to. */
function Fitted({ rod, answer, bad, many }: { rod: Rod; answer: BendFit; bad: boolean; many: boolean }) {
  const { show } = useUnits();
  return (
    <div aria-live="polite" className={bad ? 'opacity-50' : ''}>
      <p className="text-3xl font-bold" data-measured-class={answer.class.value.toFixed(3)}>
        {show(answer.class)}
        <span className="ml-3 text-base font-normal text-soft">
          measured class
          {rod.printedClass != null && `; the label says ${show(rod.printedClass, 'lineClass')}`}
        </span>
      </p>
      {bad && <p className="text-look">This is from the readings before. Mend the entry that is marked.</p>}
      <Facts
        rows={[
          ['power, weight at a third', show(answer.power)],
          ['tip angle', `${show(answer.tipAngle)}${answer.angleRead ? '' : ', not read: usual taper'}`],
          ['of the ±, measuring', show(answer.measuredPlusMinus, 'lineClass')],
          ['of the ±, the table', show(answer.tablePlusMinus, 'lineClass')],
          [
            'stiffness at the butt',
            `${answer.model.buttNm2.toFixed(1)} N·m² ± ${Math.round(answer.stiffnessPlusMinus * 100)} %`,
          ],
          ['taper, tip to butt', show({ value: answer.model.taper, kind: 'ratio', plusMinus: answer.taperPlusMinus })],
        ]}
      />
      {answer.beyondTable && (
        <p className="text-look">
          Outside the table: carried on in proportion to the line weights. Less sure than it looks.
        </p>
      )}
      {many && (
        <table className="my-2">
          <caption className="rubric text-left">What the fitted rod makes of each reading</caption>
          <tbody>
            {answer.misses.map((miss, i) => (
              <tr key={i} className="border-t border-hair">
                <th scope="row" className="pr-4 text-left">
                  reading {i + 1}
                </th>
                <td>
                  drop off by {show(Math.abs(miss.dropM), 'shortLength')}
                  {miss.angleDeg != null && `, angle by ${Math.abs(miss.angleDeg).toFixed(1)}°`}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="text-sm text-soft">
        The number follows from the weight alone; the tip angle gives the action. Tolerances of scale, tape and angle
        are carried through, and add as squares. The rod’s own weight is left out: measure the drop from where the tip
        rests unloaded.
      </p>
    </div>
  );
}

type Part = { form: Form<BendTest> };

/** Each weight that was hung, its drop and how the tip lay. */
function Readings({
  form,
  measured,
  onMeasured,
}: Part & { measured: boolean; onMeasured: (measured: boolean) => void }) {
  const { rows, add, takeOut } = useRows(form, 'readings');
  const [weighing, setWeighing] = useState<string | null>(null);
  const many = rows.length > 1;
  const take = (at: `readings.${number}`, massKg: number, plusMinusKg: number) => {
    const was = structuredClone(form.lib.getValues());
    setWeighing(null);
    form.put('scalePlusMinusKg', Math.max(plusMinusKg, 0.0001));
    form.put(`${at}.massKg`, massKg);
    onMeasured(true);
    return () => {
      form.patch(was);
      onMeasured(measured);
    };
  };
  return (
    <>
      {rows.map(({ key, at }, i) => (
        <div key={key} className="mt-2 border-t border-hair pt-2">
          <div className="grid grid-cols-2 gap-2">
            <Measure
              of={form}
              at={`${at}.massKg`}
              label={`Weight${many ? ` ${i + 1}` : ''}`}
              kind="benchMass"
              assumed={!measured}
              then={() => onMeasured(true)}
            />
            <Measure of={form} at={`${at}.dropM`} label="Drop" kind="shortLength" />
            <Measure of={form} at={`${at}.angleDeg`} label="Tip angle below level" kind="angle" empty />
            <Measure of={form} at={`${at}.outM`} label="or clamp to tip, level" kind="shortLength" empty />
          </div>
          <div className="mt-1 flex gap-2">
            {weighing !== key && (
              <button className="quiet underline" type="button" onClick={() => setWeighing(key)}>
                Weigh it here
              </button>
            )}
            {many && (
              <button className="quiet underline" type="button" onClick={() => takeOut(i)}>
                Take reading {i + 1} out
              </button>
            )}
          </div>
          {weighing === key && <BenchScale onTake={(kg, plusMinusKg) => take(at, kg, plusMinusKg)} />}
        </div>
      ))}
      <button
        className="quiet mt-1 underline"
        type="button"
        onClick={() => {
          const last = form.lib.getValues('readings').at(-1)!;
          add({ ...last, massKg: last.massKg * 1.3, dropM: last.dropM * 1.2, angleDeg: null });
        }}
      >
        Add a reading at another weight
      </button>
    </>
  );
}

/** The table the class is read from. */
function ReadWith({ form }: Part) {
  const [open, setOpen] = useState(false);
  const { data } = useQuery({
    queryKey: key('calibrations'),
    queryFn: () => unwrap(api.GET('/api/rods/calibrations')),
  });
  const options = (data ?? []).map((c) => ({ id: c.name, name: c.name, about: `± ${c.plusMinus}` }));
  return (
    <div className="mt-2 flex items-end gap-2">
      <div className="min-w-0 flex-1">
        <Choice of={form} at="calibration" label="Read with" options={options} />
      </div>
      <button className="btn" type="button" onClick={() => setOpen(true)}>
        Look at the table
      </button>
      {open && data && (
        <CalibrationPanel
          all={data}
          name={form.values.calibration!}
          onClose={() => setOpen(false)}
          onRead={(name) => {
            form.put('calibration', name);
            setOpen(false);
          }}
        />
      )}
    </div>
  );
}
