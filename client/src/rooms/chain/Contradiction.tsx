import { useEffect, useRef } from 'react';
import type { Pins, Solution } from '../../api/client';
import { Say } from '../../ui/Say';

/** Pins that cannot work together, why, and every smallest change that does. */
export function Contradiction({
  contradiction,
  onApply,
}: {
  contradiction: NonNullable<Solution['contradiction']>;
  onApply: (pins: Pins) => void;
}) {
  const box = useRef<HTMLDivElement>(null);
  // A remedy that was pressed goes away with its button; the focus stays with the chain.
  useEffect(() => {
    const here = box.current;
    return () => {
      if (here?.contains(document.activeElement)) document.querySelector<HTMLElement>('[data-chain]')?.focus();
    };
  }, []);
  return (
    <div ref={box} role="alert" className="my-2 border-l-4 border-fails bg-sheet px-3 py-2 lg:sticky lg:top-12 lg:z-10">
      <p className="font-semibold">What you pinned does not work together.</p>
      <p>
        <Say parts={contradiction.why} />.
      </p>
      {contradiction.remedies.length === 0 ? (
        <p>No change of pins helps: the brief itself has to give.</p>
      ) : (
        <ul className="mt-1 flex flex-col gap-1">
          {contradiction.remedies.map((remedy) => (
            <li key={remedy.letGo.join()} className="flex flex-wrap items-baseline gap-x-3">
              <button className="btn" onClick={() => onApply(remedy.pins)}>
                Do that
              </button>
              <span className="min-w-0 flex-1">
                <Say parts={remedy.says} />.
              </span>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
