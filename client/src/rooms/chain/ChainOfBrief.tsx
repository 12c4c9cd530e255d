import { Link } from 'react-router';
import type { BriefAnswer, Solution } from '../../api/client';
import { ChainStrip } from '../../drawing/ChainStrip';
import { useChainKeys } from '../../state/atHand';
import { outfitFigures } from '../../state/figures';

/** The chain of the brief a piece is measured for, so that nobody loses where they are in the work and what is measured shows in it. */
export function ChainOfBrief({ brief, solution }: { brief: BriefAnswer; solution: Solution | null }) {
  const base = `/briefs/${brief.id}`;
  useChainKeys(base);
  return (
    <div className="mb-2">
      <p className="rubric font-normal">
        for{' '}
        <Link className="underline" to={base}>
          {brief.name}
        </Link>
      </p>
      {solution && <ChainStrip figures={outfitFigures(solution)} chain={solution.chain} base={base} />}
    </div>
  );
}
