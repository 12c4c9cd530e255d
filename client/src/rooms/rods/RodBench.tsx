import { ClassScale } from '../../drawing/ClassScale';
import { useCandidates } from '../../state/candidates';
import { useShed } from '../../state/gear';
import { PinFields, PinMeasure, type BenchProps } from '../shared/bench';
import { Candidates } from '../shared/Candidates';
import { RodToday } from './RodToday';

/** The rods of the shed on the scale of classes, and how the chosen one bends today. */
export function RodBench({ work, solution }: BenchProps) {
  const shed = useShed();
  const { rows } = useCandidates('rod', work);
  const byId = new Map((shed.data?.rods ?? []).map((r) => [r.id, r]));
  // As many as can be told apart on one scale, best first.
  const rods = rows
    .flatMap((row) => byId.get(row.id) ?? [])
    .slice(0, 24)
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
        <PinMeasure work={work} at="rodClass" label="Pin a class" kind="lineClass" value={solution.class.target} />
        <PinMeasure
          work={work}
          at="rodLengthM"
          label="Pin a length"
          kind="rodLength"
          value={solution.outfit.rod.lengthM}
        />
      </PinFields>
      <Candidates
        kind="rods"
        link="rod"
        work={work}
        pinned={work.pins.rod}
        onPin={(rod) => work.setPins('rod', { rod })}
      />
    </>
  );
}
