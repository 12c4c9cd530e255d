import type { LoggedFish } from '../../api/client';
import type { FieldWords } from '../../api/client';
import { Pick } from '../../ui/Pick';
import { OptionalMeasureField } from '../../ui/TypedField';
import { useUnits } from '../../ui/units';
import { Count } from './parts';

const asOnTheDay = 'day';

/** Fish that came to hand: a press for each, and what one weighed, how long it took and whether it went back. */
export function FishList({
  fish,
  problems,
  onChange,
}: {
  fish: LoggedFish[];
  problems: FieldWords;
  onChange: (fish: LoggedFish[]) => void;
}) {
  const { standards } = useUnits();
  const put = (at: number, change: Partial<LoggedFish>) =>
    onChange(fish.map((f, i) => (i === at ? { ...f, ...change } : f)));
  const landed = fish.reduce((sum, f) => sum + f.count, 0);
  return (
    <section aria-label="Landed">
      <h2 className="rubric">Landed</h2>
      <div className="max-w-52">
        <Count
          label="a fish"
          value={landed}
          onChange={(count) => {
            const [first, ...rest] = fish;
            if (count === 0) return onChange([]);
            if (!first)
              return onChange([{ count, species: null, kg: null, lengthM: null, fightS: null, released: true }]);
            const others = rest.reduce((sum, f) => sum + f.count, 0);
            if (count > others) return onChange([{ ...first, count: count - others }, ...rest]);
            onChange(rest);
          }}
        />
      </div>
      {fish.map((f, i) => (
        <div key={i} className="mt-2 grid grid-cols-2 items-end gap-2 border-t border-hair pt-2 sm:grid-cols-5">
          <Pick
            label="Fish"
            value={f.species ?? asOnTheDay}
            options={[{ id: asOnTheDay, name: 'as meant' }, ...standards.species]}
            onChange={(id) => put(i, { species: id === asOnTheDay ? null : id })}
          />
          <OptionalMeasureField
            label="Weight"
            kind="fishMass"
            value={f.kg}
            problem={problems[`fish[${i}].kg`]}
            onChange={(kg) => put(i, { kg })}
          />
          <OptionalMeasureField
            label="Length"
            kind="shortLength"
            value={f.lengthM}
            problem={problems[`fish[${i}].lengthM`]}
            onChange={(lengthM) => put(i, { lengthM })}
          />
          <OptionalMeasureField
            label="Fight"
            kind="time"
            value={f.fightS}
            problem={problems[`fish[${i}].fightS`]}
            onChange={(fightS) => put(i, { fightS })}
          />
          <label className="flex min-h-[44px] items-center gap-2">
            <input
              type="checkbox"
              className="size-5"
              checked={f.released}
              onChange={(event) => put(i, { released: event.target.checked })}
            />
            went back
          </label>
        </div>
      ))}
      {fish.length > 0 && (
        <button
          type="button"
          className="quiet mt-1 underline"
          onClick={() =>
            onChange([...fish, { count: 1, species: null, kg: null, lengthM: null, fightS: null, released: true }])
          }
        >
          another kind or size
        </button>
      )}
    </section>
  );
}
