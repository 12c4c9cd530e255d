import { ReachBar } from '../../drawing/ReachBar';
import { castFigures } from '../../state/figures';
import { Facts } from '../../ui/Facts';
import { carried, distance, metres, useUnits } from '../../ui/units';
import type { BenchProps } from '../shared/bench';

/** What is held, what is shot and what stays on the reel. */
export function RunningBench({ solution }: BenchProps) {
  const { outfit } = solution;
  const { show } = useUnits();
  const rest = Math.max(0, outfit.line.lengthM + outfit.leader.lengthM - solution.brief.distanceM);
  return (
    <>
      <ReachBar {...castFigures(solution)} />
      <Facts
        rows={[
          ['held in the air', show(carried(outfit.carryM))],
          ['shot', show(distance(outfit.shootM))],
          ['running line', show(metres(Math.max(0, outfit.line.lengthM - outfit.line.headM)))],
          ['line left on the reel', show(metres(rest))],
        ]}
      />
    </>
  );
}
