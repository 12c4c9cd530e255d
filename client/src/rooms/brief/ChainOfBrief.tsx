import { Link } from 'react-router';
import type { BriefAnswer } from '../../api/client';
import { ChainStrip } from '../../drawing/ChainStrip';
import { useChainKeys, useKeptBrief } from './atHand';
import { useAnswer } from './useAnswer';

/** The chain of the brief a piece is measured for, so that nobody loses where they are in the work and what is measured shows in it. */
export function ChainOfBrief({ id }: { id: number }) {
  const { data } = useKeptBrief(id);
  return data ? <Strip brief={data} /> : null;
}

function Strip({ brief }: { brief: BriefAnswer }) {
  const { solution } = useAnswer(brief);
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
      {solution && <ChainStrip solution={solution} base={base} />}
    </div>
  );
}
