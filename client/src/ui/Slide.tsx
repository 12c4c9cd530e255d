import type { Kind } from '../api/client';
import { MeasureField } from './TypedField';
import { useUnits } from './units';

/** A measure to type or to slide. */
export function Slide({
  label,
  kind,
  value,
  from,
  to,
  step,
  problem,
  onChange,
}: {
  label: string;
  kind: Kind;
  value: number;
  from: number;
  to: number;
  step: number;
  problem: string | undefined;
  onChange: (value: number) => void;
}) {
  const { show } = useUnits();
  return (
    <div className="min-w-0">
      <MeasureField label={label} kind={kind} value={value} problem={problem} onChange={onChange} />
      <input
        type="range"
        className="scrub w-full"
        aria-label={`${label}, slider`}
        aria-valuetext={show(value, kind)}
        min={from}
        max={to}
        step={step}
        value={value}
        onChange={(event) => onChange(Number(event.target.value))}
      />
    </div>
  );
}
