import { Facts } from '../../ui/Facts';
import { Pick } from '../../ui/Pick';
import { MeasureField } from '../../ui/TypedField';
import { spooled, useUnits } from '../../ui/units';
import { PinFields, type BenchProps } from '../shared/bench';
import { SpoolView } from './SpoolView';

/** Backing against the run it must outlast and the room there is. */
export function BackingBench({ work, solution }: BenchProps) {
  const { outfit } = solution;
  const { show, standards } = useUnits();
  return (
    <>
      <Facts
        rows={[
          ['planned', `${show(spooled(outfit.backingM))}`],
          ['longest run to expect', show(spooled(solution.brief.species.group.runM))],
          ['strength', show({ value: outfit.backing.strengthN, kind: 'force', plusMinus: null })],
          ['would fit under this line', outfit.fill ? show(spooled(outfit.fill.fitsBackingM)) : 'unknown'],
        ]}
      />
      <PinFields>
        <Pick
          label="Kind"
          value={work.pins.backing ?? 'free'}
          options={[{ id: 'free', name: 'as it fits' }, ...standards.backings]}
          onChange={(id) => work.setPins('backing', { backing: id === 'free' ? null : id })}
        />
        <MeasureField
          label="Pin a length"
          kind="spooled"
          value={work.pins.backingM ?? outfit.backingM}
          solved={work.pins.backingM == null}
          problem={work.problems['pins.backingM']}
          said={work.pins.said?.backingM}
          onChange={(backingM, said) => work.setPins('backingM', { backingM }, said)}
        />
      </PinFields>
      <SpoolView outfit={outfit} />
    </>
  );
}
