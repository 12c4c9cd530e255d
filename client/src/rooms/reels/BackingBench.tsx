import { Pick } from '../../ui/Pick';
import { MeasureField } from '../../ui/TypedField';
import { useUnits } from '../../ui/units';
import { PinFields, type BenchProps } from '../shared/bench';
import { Filling, Turning, useFill } from './Filling';
import { FishRuns } from './FishRuns';

/** Backing against the run it must outlast and the room there is. */
export function BackingBench({ work, solution }: BenchProps) {
  const { outfit, brief } = solution;
  const { standards } = useUnits();
  const { reel, line, leader } = outfit;
  const { data } = useFill(
    // What is pinned is drawn at once, before the rest of the chain has answered.
    { reel, line, backing: work.pins.backing ?? outfit.backing.id, backingM: work.pins.backingM ?? outfit.backingM },
    { leader, speciesId: brief.species.id },
  );
  const setKind = (id: string | null) => work.setPins('backing', { backing: id });
  return (
    <>
      <PinFields>
        <Pick
          label="Kind"
          value={work.pins.backing ?? 'free'}
          options={[{ id: 'free', name: 'as it fits' }, ...standards.backings]}
          onChange={(id) => setKind(id === 'free' ? null : id)}
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
      {data && (
        <Filling
          answer={data}
          backing={outfit.backing.id}
          onBacking={setKind}
          onLength={(backingM) => work.setPins('backingM', { backingM })}
        />
      )}
      <FishRuns solution={solution} onBacking={setKind} />
      {data && <Turning answer={data} />}
    </>
  );
}
