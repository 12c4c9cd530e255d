import { Link } from 'react-router';
import type { RodSuits } from '../../api/client';
import { LoadBar } from '../../drawing/LoadBar';
import { LongList } from '../../ui/LongList';
import { Mark } from '../../ui/Mark';
import { Say } from '../../ui/Say';
import { useMeasuringBench } from '../../state/atHand';

/** Rods of the shed for a line, best first, and why. */
export function RodsItSuits({ rods }: { rods: RodSuits[] }) {
  const bench = useMeasuringBench();
  return (
    <section aria-label="Rods it suits">
      <h2 className="border-b border-ink pb-1 text-lg font-semibold">Rods it suits, best first</h2>
      {rods.length === 0 && (
        <p className="py-2 text-soft">No rod of known class is in the shed, or nobody knows what the line weighs.</p>
      )}
      <LongList label="Rods it suits, best first" rows={rods} rowKey={(rod) => rod.rodId} rowHeight={52}>
        {(rod) => (
          <div className="grid grid-cols-[3rem_8rem_1fr] items-baseline gap-x-2 border-t border-hair py-1.5">
            <Link className="font-semibold underline" to={bench('rods', rod.rodId)}>
              {rod.tag}
            </Link>
            <LoadBar ratio={rod.load.lineRatio} ideal={rod.load.ideal} window={rod.load.window} />
            <span className="leading-snug">
              <Mark verdict={rod.verdict} />{' '}
              <span className="text-soft">
                <Say parts={rod.why} />
              </span>
            </span>
          </div>
        )}
      </LongList>
      <p className="rubric font-normal">
        Bar: the rod’s window; upright line: its ideal; diamond: this line, no fly on it.
      </p>
    </section>
  );
}
