import { ClassScale } from '../../drawing/ClassScale';
import { useShed } from '../../state/gear';
import { MeasureField } from '../../ui/TypedField';
import { PinFields, type BenchProps } from '../shared/bench';
import { Candidates } from '../shared/Candidates';
import { RodToday } from './RodToday';

/** The rods of the shed on the scale of classes, and how the chosen one bends today. */
export function RodBench({ work, solution }: BenchProps) {
  const shed = useShed();
  const order = solution.rods.map((r) => r.id);
  const rods = (shed.data?.rods ?? [])
    .filter((r) => order.includes(r.id))
    .sort((a, b) => order.indexOf(a.id ?? 0) - order.indexOf(b.id ?? 0))
    .map((r) => ({
      id: r.id,
      tag: r.tag,
      printed: r.printedClass ?? null,
      measured: r.measuredClass ?? null,
      plusMinus: r.measuredPlusMinus ?? null,
    }));
  return (
    <>
      <ClassScale aim={solution.class} chosenId={solution.outfit.rod.id} rods={rods} />
      {shed.data && <RodToday solution={solution} />}
      <PinFields>
        <MeasureField
          label="Pin a class"
          kind="lineClass"
          value={work.pins.rodClass ?? solution.class.target}
          solved={work.pins.rodClass == null}
          problem={work.problems['pins.rodClass']}
          onChange={(rodClass) => work.setPins('rodClass', { rodClass })}
        />
        <MeasureField
          label="Pin a length"
          kind="length"
          value={work.pins.rodLengthM ?? solution.outfit.rod.lengthM}
          solved={work.pins.rodLengthM == null}
          problem={work.problems['pins.rodLengthM']}
          onChange={(rodLengthM) => work.setPins('rodLengthM', { rodLengthM })}
        />
      </PinFields>
      <Candidates
        kind="rods"
        rows={solution.rods}
        pinned={work.pins.rod}
        onPin={(rod) => work.setPins('rod', { rod })}
        figure="class"
      />
    </>
  );
}
