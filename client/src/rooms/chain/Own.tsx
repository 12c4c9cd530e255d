import type { Pins, Solution } from '../../api/client';
import { Say } from '../../ui/Say';

/** What one's own gear would do, said before anything is to be bought. */
export function Own({ own, onTake }: { own: NonNullable<Solution['own']>; onTake: (pins: Pins) => void }) {
  return (
    <div className="my-2 flex flex-wrap items-baseline gap-x-3 border-l-4 border-hair bg-sheet px-3 py-2">
      <p className="min-w-0 flex-1">
        <strong>What you have:</strong> <Say parts={own.says} />.
      </p>
      <button className="btn" onClick={() => onTake(own.pins)}>
        Show it
      </button>
    </div>
  );
}
