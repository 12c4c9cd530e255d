/** A value to step finely by thumb: a word less, the value, a word more. */
export function Stepper({
  label,
  less,
  more,
  value,
  onLess,
  onMore,
}: {
  label: string;
  less: string;
  more: string;
  value: string;
  onLess: () => void;
  onMore: () => void;
}) {
  const button = (words: string, sign: string, press: () => void) => (
    <button type="button" className="stepper" aria-label={`${label}: ${words}`} title={words} onClick={press}>
      {sign}
    </button>
  );
  return (
    <div className="flex min-w-0 items-center" role="group" aria-label={label}>
      {button(less, '−', onLess)}
      <span className="min-w-0 flex-1 truncate px-1 text-center text-[0.86rem] leading-tight">{value}</span>
      {button(more, '+', onMore)}
    </div>
  );
}
