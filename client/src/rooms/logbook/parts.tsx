/** How often something was: one more with every press, one less on its own button. */
export function Count({ label, value, onChange }: { label: string; value: number; onChange: (value: number) => void }) {
  return (
    <span className="flex min-w-0" role="group" aria-label={label}>
      <button
        type="button"
        className={`btn min-h-[48px] flex-1 px-2 leading-tight ${value > 0 ? 'rounded-r-none bg-ink! text-paper!' : ''}`}
        aria-label={`${label}: one more, now ${value}`}
        onClick={() => onChange(Math.min(99, value + 1))}
      >
        {label}
        {value > 0 && <b> {value}</b>}
      </button>
      {value > 0 && (
        <button
          type="button"
          className="btn min-h-[48px] rounded-l-none px-3"
          aria-label={`${label}: one less`}
          onClick={() => onChange(value - 1)}
        >
          −
        </button>
      )}
    </span>
  );
}
