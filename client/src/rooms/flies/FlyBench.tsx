import { FlyActual } from '../../drawing/FlyActual';
import { Facts } from '../../ui/Facts';
import { Pick } from '../../ui/Pick';
import { HookField } from '../../ui/TypedField';
import { useUnits } from '../../ui/units';
import { DayMeasure, PinFields, type BenchProps } from '../shared/bench';

/** The fly at life size, what it weighs soaked and how it pulls in the air. */
export function FlyBench({ work, solution }: BenchProps) {
  const { fly } = solution.brief;
  const { show, standards } = useUnits();
  return (
    <>
      <FlyActual fly={fly} />
      <Facts
        rows={[
          ['soaked', show(fly.wetKg, 'lineMass')],
          ['against the air', `${fly.bulk} (${show(fly.areaM2, 'area')} of drag area)`],
          ['hook wire', show(fly.hook.wireM, 'diameter')],
          ['length over all', show(fly.bodyM, 'shortLength')],
        ]}
      />
      <PinFields>
        <Pick
          label="Family"
          value={fly.kind.id}
          options={standards.flyKinds}
          onChange={(flyKind) => work.setDraft('flyKind', { flyKind, hookSize: null, flyWetKg: null })}
        />
        <HookField
          label="Hook"
          hook={fly.sizeName ?? ''}
          problem={work.problems.hookSize}
          onChange={(hookSize) => work.setDraft('hookSize', { hookSize })}
        />
        <DayMeasure work={work} at="flyWetKg" label="Weighed, soaked" kind="lineMass" value={fly.wetKg} />
      </PinFields>
    </>
  );
}
