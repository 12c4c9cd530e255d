import { Link } from 'react-router';
import { api, unwrap } from '../../api/client';
import { key } from '../../api/keys';
import { useAsk } from '../../api/useAsk';
import { useMeasuringBench } from '../../state/atHand';
import { useUnits } from '../../ui/units';
import type { BenchProps } from '../shared/bench';
import { Candidates } from '../shared/Candidates';
import { DragBench } from './DragBench';
import { Filling, useFill } from './Filling';

/** The reel and how full it is, its drag, how it hangs on the rod, among the reels of the shed. */
export function ReelBench({ work, solution }: BenchProps) {
  const { outfit, brief } = solution;
  const bench = useMeasuringBench();
  const { reel, line, leader } = outfit;
  const { data } = useFill(
    // What is pinned is drawn at once, before the rest of the chain has answered.
    { reel, line, backing: work.pins.backing ?? outfit.backing.id, backingM: work.pins.backingM ?? outfit.backingM },
    { leader, speciesId: brief.species.id },
  );
  return (
    <>
      {reel.id > 0 && (
        <p className="mb-2">
          <Link className="underline" to={bench('reels', reel.id)}>
            Measure {reel.tag}, wind it, see what lies on its spools
          </Link>
        </p>
      )}
      {data && (
        <Filling
          answer={data}
          backing={outfit.backing.id}
          onBacking={(backing) => work.setPins('backing', { backing })}
          onLength={(backingM) => work.setPins('backingM', { backingM })}
        />
      )}
      <div className="@container mt-5">
        <div className="grid gap-x-8 gap-y-4 @4xl:grid-cols-2">
          <DragBench drag={outfit.drag} mostN={reel.dragN ?? null} />
          <InTheHand solution={solution} />
        </div>
      </div>
      <Candidates
        kind="reels"
        link="reel"
        work={work}
        pinned={work.pins.reel}
        onPin={(id) => work.setPins('reel', { reel: id })}
      />
    </>
  );
}

/** The whole outfit over the forefinger: reel, what lies on it, and the line outside. */
function InTheHand({ solution }: Pick<BenchProps, 'solution'>) {
  const { outfit } = solution;
  const { show, standards } = useUnits();
  const { castsADay, strokesACast } = standards.beginnings.load;
  const { rod, reel, line } = outfit;
  const body = {
    rod,
    balance: rod.balance ?? rod.usualBalance,
    reel,
    line,
    outsideM: Math.min(outfit.carryM, line.lengthM),
    backing: outfit.backing.id,
    backingM: outfit.backingM,
    castsADay,
    strokesACast,
  };
  const { data } = useAsk(key('balance', body), (signal) => unwrap(api.POST('/api/rods/balance', { body, signal })));
  if (!data) return null;
  const gear = (value: number) => show(value, 'gearMass');
  const { balance: b, load } = data;
  return (
    <section aria-label="In the hand" className="min-w-0">
      <h3 className="font-semibold">In the hand</h3>
      <p className="text-lg">
        {b.word === 'in balance'
          ? 'In balance'
          : `${b.word === 'tip-heavy' ? 'Tip-heavy' : 'Reel-heavy'} by ${gear(Math.abs(b.residualKg))} at the butt`}
        , with {gear(load.reelKg)} of loaded reel and {gear(load.outsideKg)} of line outside.
      </p>
      <p>
        <b>Balance at the grip:</b> a loaded reel of {gear(b.balancingReelKg)} would do it; yours is{' '}
        {show(b.reelToRod, 'ratio')} times the rod, {b.usualRatio.low} to {b.usualRatio.high} is usual.
      </p>
      <p>
        <b>As light as possible:</b> {gear(b.totalKg)} in the hand in all; the rod swings like {gear(b.tipKg)} at its
        tip, and one ounce more comes to {show(b.ounceDayKg, 'fishMass')} lifted in a day.
      </p>
      <p className="text-sm text-soft">
        {rod.balance
          ? 'The rod’s balance point was measured.'
          : 'The rod’s balance point is assumed: lay it over a finger.'}{' '}
        {b.swingSource.note}.
      </p>
    </section>
  );
}
