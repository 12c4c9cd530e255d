import { useState } from 'react';
import { api, unwrap, type FlyLine, type Weighing } from '../../api/client';
import { useAsk } from '../../api/useAsk';
import { ClassRuler } from '../../drawing/LineDrawing';
import { Facts } from '../../ui/Facts';
import { Say } from '../../ui/Say';
import { BenchScale } from '../../ui/BenchScale';
import { MeasureField, OptionalMeasureField } from '../../ui/TypedField';
import { metres, useUnits } from '../../ui/units';
import { useSettled } from '../../ui/useSettled';
import { Message } from '../../ui/Message';
import { useKeeping } from '../../state/gear';
import { RodsItSuits } from './RodsItSuits';
import { offBy, usePerFoot } from './usePerFoot';

/** The class of a line from the scale, as surely as the scale can tell. */
export function WeighTab({ line }: { line: FlyLine }) {
  const { show, standards } = useUnits();
  const { thirtyFeetM: thirty, beginnings } = standards;
  const [on, setOn] = useState<Weighing>(() => ({
    ...beginnings.weighing,
    massKg: line.massKg ?? beginnings.weighing.massKg,
    lengthM: line.headM,
    wholeHead: true,
    frontTaperM: line.frontTaperM,
    rearTaperM: line.rearTaperM,
  }));
  const [measured, setMeasured] = useState(line.massKg != null);
  const { keep, words } = useKeeping('lines', line);
  const settled = useSettled(on);
  const answer = useAsk(
    ['suits', 'weigh', on, line],
    (signal) => unwrap(api.POST('/api/lines/classify', { body: { weighing: on, line }, signal })),
    measured,
  );
  const set = (next: Partial<Weighing>) => {
    // Only a mass that was typed or taken from the scale is a measurement.
    if (next.massKg !== undefined) setMeasured(true);
    setOn((w) => ({ ...w, ...next }));
  };
  const word = (f: string) => answer.fields[`weighing.${f}`];
  const bad = Object.keys(answer.fields).length > 0;
  const read = answer.data;
  const perFoot = usePerFoot();
  return (
    <div className="grid gap-x-8 gap-y-5 lg:grid-cols-[25rem_minmax(0,1fr)]">
      <section aria-label="On the scale" data-entries>
        <fieldset className="mb-2">
          <legend className="rubric">What lies on the scale?</legend>
          {[
            { whole: true, name: 'the whole head' },
            { whole: false, name: 'the first part of the line' },
          ].map((o) => (
            <label key={o.name} className="mr-4 inline-flex min-h-7 items-center gap-1.5">
              <input
                type="radio"
                name="what"
                className="size-4 accent-(--ink)"
                checked={on.wholeHead === o.whole}
                onChange={() =>
                  set(o.whole ? { wholeHead: true, lengthM: line.headM } : { wholeHead: false, lengthM: thirty })
                }
              />
              {o.name}
            </label>
          ))}
        </fieldset>
        <p className="mb-2 text-soft">
          A class is weighed to the 30-ft mark, level tip left out. Coil the rest beside the scale, not on it.
        </p>
        <div className="grid grid-cols-2 gap-2">
          <MeasureField
            label="Mass"
            kind="lineMass"
            value={on.massKg}
            assumed={!measured}
            problem={word('massKg')}
            onChange={(massKg) => set({ massKg })}
          />
          <MeasureField
            label="Length of it"
            kind="length"
            value={on.lengthM}
            problem={word('lengthM')}
            onChange={(lengthM) => set({ lengthM })}
          />
          <OptionalMeasureField
            label="Front taper, if known"
            kind="length"
            value={on.frontTaperM}
            problem={word('frontTaperM')}
            onChange={(frontTaperM) => set({ frontTaperM })}
          />
          {on.wholeHead && (
            <OptionalMeasureField
              label="Rear taper, if known"
              kind="length"
              value={on.rearTaperM}
              problem={word('rearTaperM')}
              onChange={(rearTaperM) => set({ rearTaperM })}
            />
          )}
          <MeasureField
            label="Scale, ±"
            kind="benchMass"
            value={on.scalePlusMinusKg}
            problem={word('scalePlusMinusKg')}
            onChange={(scalePlusMinusKg) => set({ scalePlusMinusKg })}
          />
        </div>
        <div className="mt-3">
          <BenchScale
            pan={{ kg: on.massKg, piece: line.headKg == null ? line.tag : null, words: line.tag }}
            onTake={(massKg, scalePlusMinusKg) => {
              const was = { on, measured };
              set({ massKg, scalePlusMinusKg });
              return () => {
                setOn(was.on);
                setMeasured(was.measured);
              };
            }}
          />
        </div>
        <Message>{words}</Message>
        <button
          className="btn mt-4 bg-ink! text-paper!"
          disabled={!measured || bad}
          onClick={(e) =>
            void settled(e.currentTarget, (now) =>
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
        {measured && read && (
          <>
            <p className="text-3xl font-bold" data-class={read.class.class?.value.toFixed(2) ?? 'none'}>
              {read.class.class ? show(read.class.class) : 'No class'}
            </p>
            <p className="mb-2 text-lg">
              <Say parts={read.class.says} />.
            </p>
            {read.class.thirty && read.class.spread && (
              <ClassRuler
                spread={read.class.spread}
                thirtyKg={read.class.thirty.value}
                plusMinusKg={read.class.thirty.plusMinus ?? 0}
              />
            )}
            <Facts
              rows={[
                ['on the scale', show(read.class.head)],
                ...(read.class.thirty
                  ? ([[`first ${show(metres(thirty))}`, show(read.class.thirty)]] as [string, string][])
                  : []),
                ['how it is known', read.class.source.note],
                ...(read.belly
                  ? ([
                      ['belly by the third rule', perFoot(read.belly.ruleKgPerM)],
                      ['exactly, from its thickness', `${perFoot(read.belly.exactKgPerM)}; ${offBy(read.belly.off)}`],
                    ] as [string, string][])
                  : []),
              ]}
            />
            <RodsItSuits rods={read.rods} />
          </>
        )}
      </section>
    </div>
  );
}
