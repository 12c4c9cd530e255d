import type { Verdict } from '../api/client';

/** What people call each state of a link. */
export const verdictWords: Record<Verdict, string> = { fits: 'fits', look: 'look', toBuy: 'to buy', fails: 'fails' };
const ink: Record<Verdict, string> = { fits: 'text-fits', look: 'text-look', toBuy: 'text-soft', fails: 'text-fails' };

function Shape({ verdict }: { verdict: Verdict }) {
  if (verdict === 'fits') return <path d="M2 7.2 5.4 10.6 12 3.4" fill="none" strokeWidth="2.2" />;
  if (verdict === 'look') return <path d="M7 1.6 13 12.4H1Z" strokeWidth="1.6" fill="none" />;
  if (verdict === 'toBuy') return <circle cx="7" cy="7" r="5" fill="none" strokeWidth="1.6" strokeDasharray="3 2.2" />;
  return <path d="M2.5 2.5l9 9m0-9l-9 9" fill="none" strokeWidth="2.6" />;
}

/** Verdict in shape and word, never in colour alone. */
export function Mark({ verdict, wordless = false }: { verdict: Verdict; wordless?: boolean }) {
  return (
    <span
      className={`inline-flex items-center gap-1 whitespace-nowrap text-[max(0.85em,0.8rem)] font-semibold ${ink[verdict]}`}
    >
      <svg
        viewBox="0 0 14 14"
        className="size-[0.9em] shrink-0"
        stroke="currentColor"
        strokeLinecap="round"
        strokeLinejoin="round"
        aria-hidden="true"
      >
        <Shape verdict={verdict} />
        {verdict === 'look' && <path d="M7 5.4v3M7 10.3v.2" strokeWidth="1.6" />}
      </svg>
      {wordless ? <span className="sr-only">{verdictWords[verdict]}</span> : verdictWords[verdict]}
    </span>
  );
}

export function PinMark({ on }: { on: boolean }) {
  return (
    <svg
      viewBox="0 0 14 14"
      className="size-[1em] shrink-0"
      aria-hidden="true"
      stroke="currentColor"
      strokeWidth="1.4"
      strokeLinecap="round"
    >
      <circle cx="7" cy="4.5" r="3.4" fill={on ? 'currentColor' : 'none'} />
      <path d="M7 8v5.2" />
    </svg>
  );
}
