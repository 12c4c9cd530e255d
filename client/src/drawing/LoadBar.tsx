import { scaleLinear } from 'd3-scale';

type Spread = { low: number; high: number };

/** Load of one line in the rod's grain window, as a bar to compare down a list. */
export function LoadBar({ ratio, ideal, window }: { ratio: number | null; ideal: number; window: Spread }) {
  const x = scaleLinear([0.5, 2], [0, 120]).clamp(true);
  return (
    <svg width="120" height="16" aria-hidden="true" className="block">
      <rect
        x={x(window.low)}
        y="5"
        width={x(window.high) - x(window.low)}
        height="6"
        fill="var(--water)"
        stroke="var(--soft)"
        strokeWidth="0.8"
      />
      <line x1={x(ideal)} x2={x(ideal)} y1="2" y2="14" stroke="var(--ink)" strokeWidth="1.2" />
      {ratio !== null && <path d={`M${x(ratio)},3l4.5,5l-4.5,5l-4.5,-5z`} fill="var(--ink)" />}
    </svg>
  );
}
