import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, unwrap, type BendReading, type BendTest, type Rod } from '../../api/client';
import { useAsk } from '../../api/useAsk';
import { TestDrawing } from '../../drawing/RodBends';
import { Facts } from '../../ui/Facts';
import { Pick } from '../../ui/Pick';
import { BenchScale } from '../../ui/BenchScale';
import { MeasureField, OptionalMeasureField } from '../../ui/TypedField';
import { rodLength, useUnits } from '../../ui/units';
import { useSettled } from '../../ui/useSettled';
import { Caution, Message } from '../../ui/Message';
import { CalibrationPanel } from './Calibrations';
import { useKeeping } from '../../state/gear';

/** The one-third bend test, step by step, with the class it comes to. */
export function BendTestTab({ rod }: { rod: Rod }) {
  const { show } = useUnits();
  const queries = useQueryClient();
  const third = rod.thirdM;
  const [test, setTest] = useState<BendTest>(rod.test ?? rod.usualTest);
  const [weighing, setWeighing] = useState<number | null>(null);
  const [table, setTable] = useState(false);
  const [measured, setMeasured] = useState(rod.test != null);
  const { keep, words } = useKeeping('rods', rod);
  const settled = useSettled(test);
  const calibrations = useQuery({
    queryKey: ['calibrations'],
    queryFn: () => unwrap(api.GET('/api/rods/calibrations')),
  });
  // The example weight is nobody's measurement: nothing is worked out until something was typed.
  const fit = useAsk(
    ['fit', rod.lengthM, test],
    (signal) => unwrap(api.POST('/api/rods/fit', { body: { rodLengthM: rod.lengthM, test }, signal })),
    measured,
  );
  const change = (next: Partial<BendTest>) => setTest((t) => ({ ...t, ...next }));
  const read = (i: number, next: Partial<BendReading>) => {
    if (next.massKg !== undefined) setMeasured(true);
    setTest((t) => ({ ...t, readings: t.readings.map((r, k) => (k === i ? { ...r, ...next } : r)) }));
  };
  const bad = Object.keys(fit.fields).length > 0;
  const answer = fit.data;
  const same = JSON.stringify(test) === JSON.stringify(rod.test);

  return (
    <div className="grid gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_25rem]">
      <section aria-label="The test on the wall" className="min-w-0">
        <TestDrawing
          lengthM={rod.lengthM}
          heldM={test.heldM}
          thirdM={third}
          bend={!bad && answer ? answer.atThird : null}
          readings={measured ? test.readings.map((r) => ({ dropM: r.dropM, outM: r.outM ?? null })) : []}
        />
        {!measured && (
          <p className="text-lg">
            Type the weight that brought the tip to the mark, or take it from the scale: the class appears here.
          </p>
        )}
        {measured && answer && (
          <div aria-live="polite" className={bad ? 'opacity-50' : ''}>
            <p className="text-3xl font-bold" data-measured-class={answer.class.value.toFixed(3)}>
              {show(answer.class)}
              <span className="ml-3 text-base font-normal text-soft">
                measured class
                {rod.printedClass != null &&
                  `; the label says ${show({ value: rod.printedClass, kind: 'lineClass', plusMinus: null })}`}
              </span>
            </p>
            {bad && <p className="text-look">This is from the readings before. Mend the entry that is marked.</p>}
            <Facts
              rows={[
                ['power, weight at a third', show(answer.power)],
                ['tip angle', `${show(answer.tipAngle)}${answer.angleRead ? '' : ', not read: usual taper'}`],
                ['of the ±, measuring', show({ value: answer.measuredPlusMinus, kind: 'lineClass', plusMinus: null })],
                ['of the ±, the table', show({ value: answer.tablePlusMinus, kind: 'lineClass', plusMinus: null })],
                [
                  'stiffness at the butt',
                  `${answer.model.buttNm2.toFixed(1)} N·m² ± ${Math.round(answer.stiffnessPlusMinus * 100)} %`,
                ],
                [
                  'taper, tip to butt',
                  show({ value: answer.model.taper, kind: 'ratio', plusMinus: answer.taperPlusMinus }),
                ],
              ]}
            />
            {answer.beyondTable && (
              <p className="text-look">
                Outside the table: carried on in proportion to the line weights. Less sure than it looks.
              </p>
            )}
            {test.readings.length > 1 && (
              <table className="my-2">
                <caption className="rubric text-left">What the fitted rod makes of each reading</caption>
                <tbody>
                  {answer.misses.map((miss, i) => (
                    <tr key={i} className="border-t border-hair">
                      <th scope="row" className="pr-4 text-left">
                        reading {i + 1}
                      </th>
                      <td>
                        drop off by {show({ value: Math.abs(miss.dropM), kind: 'shortLength', plusMinus: null })}
                        {miss.angleDeg != null && `, angle by ${Math.abs(miss.angleDeg).toFixed(1)}°`}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            )}
            <p className="text-sm text-soft">
              The number follows from the weight alone; the tip angle gives the action. Tolerances of scale, tape and
              angle are carried through, and add as squares. The rod’s own weight is left out: measure the drop from
              where the tip rests unloaded.
            </p>
          </div>
        )}
      </section>

      <section aria-label="Readings" data-entries className="min-w-0">
        <ol className="flex flex-col gap-4">
          <li>
            <h2 className="font-semibold">1 Clamp the handle level</h2>
            <p className="text-soft">On a shelf or bench, reel off, rings down.</p>
            <div className="w-44">
              <MeasureField
                label="Held in the clamp"
                kind="shortLength"
                value={test.heldM}
                problem={fit.fields['test.heldM']}
                onChange={(heldM) => change({ heldM })}
              />
            </div>
          </li>
          <li>
            <h2 className="font-semibold">2 Mark the wall</h2>
            <p>
              <b>{show({ value: third, kind: 'shortLength', plusMinus: null })}</b> below the unloaded tip: a third of{' '}
              {show(rodLength(rod.lengthM))}.
            </p>
          </li>
          <li>
            <h2 className="font-semibold">3 Hang weight on the tip until it touches the mark</h2>
            <p className="text-soft">
              Coins in a bag. Then weigh bag, hook and coins; read the angle of the last hand’s breadth.
            </p>
            <Caution>Cover your eyes, keep the weight low over something soft, and let it down slowly.</Caution>
            {test.readings.map((r, i) => (
              <div key={i} className="mt-2 border-t border-hair pt-2">
                <div className="grid grid-cols-2 gap-2">
                  <MeasureField
                    label={`Weight${test.readings.length > 1 ? ` ${i + 1}` : ''}`}
                    kind="benchMass"
                    value={r.massKg}
                    assumed={!measured}
                    problem={fit.fields[`test.readings[${i}].massKg`]}
                    onChange={(massKg) => read(i, { massKg })}
                  />
                  <MeasureField
                    label="Drop"
                    kind="shortLength"
                    value={r.dropM}
                    problem={fit.fields[`test.readings[${i}].dropM`]}
                    onChange={(dropM) => read(i, { dropM })}
                  />
                  <OptionalMeasureField
                    label="Tip angle below level"
                    kind="angle"
                    value={r.angleDeg}
                    problem={fit.fields[`test.readings[${i}].angleDeg`]}
                    onChange={(angleDeg) => read(i, { angleDeg })}
                  />
                  <OptionalMeasureField
                    label="or clamp to tip, level"
                    kind="shortLength"
                    value={r.outM}
                    problem={fit.fields[`test.readings[${i}].outM`]}
                    onChange={(outM) => read(i, { outM })}
                  />
                </div>
                <div className="mt-1 flex gap-2">
                  {weighing !== i && (
                    <button className="quiet underline" type="button" onClick={() => setWeighing(i)}>
                      Weigh it here
                    </button>
                  )}
                  {test.readings.length > 1 && (
                    <button
                      className="quiet underline"
                      type="button"
                      onClick={() => change({ readings: test.readings.filter((_, k) => k !== i) })}
                    >
                      Take reading {i + 1} out
                    </button>
                  )}
                </div>
                {weighing === i && (
                  <BenchScale
                    onTake={(massKg, scalePlusMinusKg) => {
                      const was = { test, measured };
                      setWeighing(null);
                      change({ scalePlusMinusKg: Math.max(scalePlusMinusKg, 0.0001) });
                      read(i, { massKg });
                      return () => {
                        setTest(was.test);
                        setMeasured(was.measured);
                      };
                    }}
                  />
                )}
              </div>
            ))}
            <button
              className="quiet mt-1 underline"
              type="button"
              onClick={() => {
                const last = test.readings.at(-1)!;
                change({
                  readings: [
                    ...test.readings,
                    { ...last, massKg: last.massKg * 1.3, dropM: last.dropM * 1.2, angleDeg: null },
                  ],
                });
              }}
            >
              Add a reading at another weight
            </button>
          </li>
          <li>
            <h2 className="font-semibold">4 How well was it measured?</h2>
            <div className="grid grid-cols-3 gap-2">
              <MeasureField
                label="Tape, ±"
                kind="shortLength"
                value={test.tapePlusMinusM!}
                problem={fit.fields['test.tapePlusMinusM']}
                onChange={(tapePlusMinusM) => change({ tapePlusMinusM })}
              />
              <MeasureField
                label="Scale, ±"
                kind="benchMass"
                value={test.scalePlusMinusKg!}
                problem={fit.fields['test.scalePlusMinusKg']}
                onChange={(scalePlusMinusKg) => change({ scalePlusMinusKg })}
              />
              <MeasureField
                label="Angle, ±"
                kind="angle"
                value={test.anglePlusMinusDeg!}
                problem={fit.fields['test.anglePlusMinusDeg']}
                onChange={(anglePlusMinusDeg) => change({ anglePlusMinusDeg })}
              />
            </div>
            <div className="mt-2 flex items-end gap-2">
              <div className="min-w-0 flex-1">
                <Pick
                  label="Read with"
                  value={test.calibration!}
                  options={(calibrations.data ?? []).map((c) => ({
                    id: c.name,
                    name: c.name,
                    about: `± ${c.plusMinus}`,
                  }))}
                  problem={fit.fields['test.calibration']}
                  onChange={(calibration) => change({ calibration })}
                />
              </div>
              <button className="btn" type="button" onClick={() => setTable(true)}>
                Look at the table
              </button>
            </div>
          </li>
        </ol>
        <Message>{words ?? (fit.error && !bad ? fit.error.message : null)}</Message>
        <button
          className="btn mt-4 bg-ink! text-paper!"
          disabled={!measured || bad || !answer || same}
          onClick={(e) =>
            void settled(e.currentTarget, (now) =>
              keep(
                () =>
                  unwrap(
                    api.POST('/api/rods/{id}/test', {
                      params: { path: { id: rod.id } },
                      body: { ...now, on: null },
                    }),
                  ),
                `${rod.tag} is now known by its bend test.`,
              ),
            )
          }
        >
          Keep this test with {rod.tag}
        </button>
        {same && (
          <p className="text-sm text-soft">
            Kept{rod.test?.on ? ` on ${rod.test.on}` : ''}. Briefs and casts work with it.
          </p>
        )}
      </section>
      {table && calibrations.data && (
        <CalibrationPanel
          all={calibrations.data}
          name={test.calibration!}
          onClose={() => setTable(false)}
          onRead={async (name) => {
            await queries.invalidateQueries({ queryKey: ['calibrations'] });
            await queries.invalidateQueries({ queryKey: ['fit'] });
            change({ calibration: name });
            setTable(false);
          }}
        />
      )}
    </div>
  );
}
