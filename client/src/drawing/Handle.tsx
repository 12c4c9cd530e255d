import type { KeyboardEvent, ReactNode } from 'react';
import type { useDrag } from './useDrag';

const along: Record<string, number> = { ArrowRight: 1, ArrowLeft: -1 };
const upwards: Record<string, number> = { ArrowUp: 1, ArrowDown: -1, PageUp: 5, PageDown: -5 };

/** Something in a drawing to drag, and to move by arrow keys in the same steps. */
export function Handle({
  name,
  value,
  says,
  limits,
  drag,
  down = false,
  onStep,
  id,
  className = 'cursor-ns-resize',
  children,
}: {
  name: string;
  value: number;
  /** The value as it is said. */
  says: string;
  limits: { low: number; high: number };
  drag: Pick<ReturnType<typeof useDrag>, 'handle'>;
  /** More lies farther down. */
  down?: boolean;
  onStep: (more: boolean, steps: number) => void;
  id?: string;
  className?: string;
  children: ReactNode;
}) {
  const keys = (event: KeyboardEvent) => {
    const by = along[event.key] ?? (upwards[event.key] ?? 0) * (down ? -1 : 1);
    if (by === 0) return;
    event.preventDefault();
    onStep(by > 0, Math.abs(by));
  };
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={name}
      aria-valuemin={limits.low}
      aria-valuemax={limits.high}
      aria-valuenow={Math.round(value * 1000) / 1000}
      aria-valuetext={says}
      onKeyDown={keys}
      className={className}
      data-handle={id}
      {...drag.handle}
    >
      {children}
    </g>
  );
}
