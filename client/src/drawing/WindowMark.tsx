import type { Verdict } from '../api/client';

// Shares of the class that are drawn; what lies outside stands at the edge.
const from = 0.5;
const to = 1.75;

/**
 * Where a line sits in a rod's window: the window as a bar, what feels best as a notch in it, the line as a mark whose shape says how
 * well.
 */
export function WindowMark({
  load,
  ideal,
  verdict,
  low,
  high,
}: {
  load: number;
  ideal: number;
  verdict: Verdict;
  low: number;
  high: number;
}) {
  const x = (share: number) => 3 + ((Math.min(to, Math.max(from, share)) - from) / (to - from)) * 54;
  const at = x(load);
  return (
    <svg viewBox="0 0 60 20" className="h-5 w-[3.75rem]" aria-hidden="true">
      <rect x={x(low)} y="12.5" width={x(high) - x(low)} height="3" className="fill-hair" />
      <path d={`M${x(ideal)} 10.5v7`} className="stroke-ink" strokeWidth="1.2" />
      {verdict === 'fits' && <circle cx={at} cy="14" r="4.2" className="fill-fits" />}
      {verdict === 'look' && (
        <path d={`M${at} 9.5l4.6 8.2h-9.2z`} className="fill-paper stroke-look" strokeWidth="1.6" />
      )}
      {verdict === 'fails' && <path d={`M${at - 3} 11l6 6m0-6l-6 6`} className="stroke-fails" strokeWidth="1.6" />}
    </svg>
  );
}
