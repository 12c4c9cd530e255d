import type { FieldWords, RingRound } from '../../api/client';
import { Problem } from '../../ui/Problem';
import { MeasureField } from '../../ui/TypedField';
import { Stepper } from '../../ui/Stepper';

/** Throws at rings, by distance. */
export function RingList({
  rings,
  problems,
  onChange,
}: {
  rings: RingRound[];
  problems: FieldWords;
  onChange: (rings: RingRound[]) => void;
}) {
  const put = (at: number, change: Partial<RingRound>) =>
    onChange(rings.map((r, i) => (i === at ? { ...r, ...change } : r)));
  return (
    <section aria-label="Rings">
      <h2 className="rubric">Accuracy rings</h2>
      {rings.map((r, i) => (
        <div key={i} className="grid grid-cols-[1fr_1fr_1fr_auto] items-end gap-2 border-b border-hair py-2">
          <MeasureField
            label="At"
            kind="distance"
            value={r.distanceM}
            problem={problems[`rings[${i}].distanceM`]}
            onChange={(distanceM) => put(i, { distanceM })}
          />
          <Stepper
            label="Throws"
            less="one less"
            more="one more"
            value={`${r.throws} throws`}
            onLess={() => put(i, { throws: Math.max(1, r.throws - 1), hits: Math.min(r.hits, r.throws - 1) })}
            onMore={() => put(i, { throws: r.throws + 1 })}
          />
          <Stepper
            label="Hits"
            less="one less"
            more="one more"
            value={`${r.hits} hits`}
            onLess={() => put(i, { hits: Math.max(0, r.hits - 1) })}
            onMore={() => put(i, { hits: Math.min(r.throws, r.hits + 1) })}
          />
          <button
            type="button"
            className="quiet underline"
            aria-label={`Take ring ${i + 1} out`}
            onClick={() => onChange(rings.filter((_, at) => at !== i))}
          >
            out
          </button>
          <Problem words={problems[`rings[${i}].hits`] ?? problems[`rings[${i}].throws`]} />
        </div>
      ))}
      <button
        type="button"
        className="btn mt-2 min-h-[44px]"
        onClick={() => onChange([...rings, { distanceM: rings.at(-1)?.distanceM ?? 9, throws: 10, hits: 0 }])}
      >
        Add a ring
      </button>
    </section>
  );
}
