import type { Pins, Solution } from '../../api/client';
import { Say } from '../../ui/Say';

/** Pins that cannot work together, why, and the nearest change that does. */
export function Contradiction({
  contradiction,
  onApply,
}: {
  contradiction: NonNullable<Solution['contradiction']>;
  onApply: (pins: Pins) => void;
}) {
  return (
    <div role="alert" className="sticky top-12 z-10 my-2 border-l-4 border-fails bg-sheet px-3 py-2">
      <p className="font-semibold">What you pinned does not work together.</p>
      <p>
        <Say parts={contradiction.why} />.
      </p>
      <p>
        <Say parts={contradiction.nearest} />.
      </p>
      {contradiction.working && (
        <button className="btn mt-1" onClick={() => onApply(contradiction.working!)}>
          Do that
        </button>
      )}
    </div>
  );
}
