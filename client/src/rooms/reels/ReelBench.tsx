import type { BenchProps } from '../shared/bench';
import { Candidates } from '../shared/Candidates';
import { SpoolView } from './SpoolView';

/** The reel and how full it is, among the reels of the shed. */
export function ReelBench({ work, solution }: BenchProps) {
  return (
    <>
      <SpoolView outfit={solution.outfit} />
      <Candidates
        kind="reels"
        link="reel"
        work={work}
        pinned={work.pins.reel}
        onPin={(reel) => work.setPins('reel', { reel })}
      />
    </>
  );
}
