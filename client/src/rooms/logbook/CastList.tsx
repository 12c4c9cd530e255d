import type { FieldWords, LoggedCast } from '../../api/client';
import { Pick } from '../../ui/Pick';
import { MeasureField, OptionalMeasureField } from '../../ui/TypedField';
import { useUnits } from '../../ui/units';

const unsaid = 'none';

/** Casts that were measured; those made as far as they go are what the log learns a hand from. */
export function CastList({
  casts,
  problems,
  onChange,
}: {
  casts: LoggedCast[];
  problems: FieldWords;
  onChange: (casts: LoggedCast[]) => void;
}) {
  const { standards } = useUnits();
  const put = (at: number, change: Partial<LoggedCast>) =>
    onChange(casts.map((c, i) => (i === at ? { ...c, ...change } : c)));
  return (
    <section aria-label="Casts">
      <h2 className="rubric">Casts that were measured, rod tip to fly</h2>
      {casts.map((c, i) => (
        <div
          key={i}
          className="grid grid-cols-2 items-end gap-2 border-b border-hair py-2 sm:grid-cols-[1fr_1fr_1fr_1fr_1fr_auto]"
          data-cast={i}
        >
          <MeasureField
            label="Distance"
            kind="distance"
            value={c.distanceM}
            problem={problems[`casts[${i}].distanceM`]}
            onChange={(distanceM) => put(i, { distanceM })}
          />
          <Pick
            label="Found by"
            value={c.by}
            options={standards.choices.distanceBy}
            onChange={(by) => put(i, { by: by as LoggedCast['by'] })}
          />
          <OptionalMeasureField
            label="Carried"
            kind="distance"
            value={c.carryM}
            problem={problems[`casts[${i}].carryM`]}
            onChange={(carryM) => put(i, { carryM })}
          />
          <Pick
            label="Came down"
            value={c.turned}
            options={standards.choices.turned}
            onChange={(turned) => put(i, { turned: turned as LoggedCast['turned'] })}
          />
          <Pick
            label="Rod felt"
            value={c.feel ?? unsaid}
            options={[{ id: unsaid, name: 'not said' }, ...standards.choices.feel]}
            onChange={(feel) => put(i, { feel: feel === unsaid ? null : (feel as NonNullable<LoggedCast['feel']>) })}
          />
          <button
            type="button"
            className="quiet underline"
            aria-label={`Take cast ${i + 1} out`}
            onClick={() => onChange(casts.filter((_, at) => at !== i))}
          >
            out
          </button>
          <label className="col-span-2 flex min-h-[44px] items-center gap-2">
            <input
              type="checkbox"
              className="size-5"
              checked={c.allOut}
              onChange={(event) => put(i, { allOut: event.target.checked })}
            />
            as far as I could
          </label>
        </div>
      ))}
      <button
        type="button"
        className="btn mt-2 min-h-[44px]"
        onClick={() => {
          const last = casts.at(-1);
          onChange([
            ...casts,
            {
              distanceM: last?.distanceM ?? 15,
              by: last?.by ?? 'paced',
              carryM: last?.carryM ?? null,
              windMps: null,
              windFromDeg: null,
              allOut: last?.allOut ?? true,
              turned: 'straight',
              feel: null,
            },
          ]);
        }}
      >
        {casts.length === 0 ? 'Add a cast' : 'Another cast'}
      </button>
    </section>
  );
}
