import type { Outing } from '../../api/client';
import { Choice, Measure, Tick } from '../../ui/fields';
import { useRows, type Form } from '../../ui/form';
import { useUnits } from '../../ui/units';
import { Count } from './parts';

const one = { count: 1, species: null, kg: null, lengthM: null, fightS: null, released: true };

/** Fish that came to hand: a press for each, and what one weighed, how long it took and whether it went back. */
export function FishList({ form }: { form: Form<Outing> }) {
  const { standards } = useUnits();
  const { rows, add, takeOut } = useRows(form, 'fish');
  const { fish } = form.values;
  const count = (landed: number) => {
    const others = fish.slice(1).reduce((sum, f) => sum + f.count, 0);
    if (fish.length === 0) add({ ...one, count: landed });
    else if (landed > others) form.put('fish.0.count', landed - others);
    else takeOut(0);
  };
  return (
    <section aria-label="Landed">
      <h2 className="rubric">Landed</h2>
      <div className="max-w-52">
        <Count label="a fish" value={fish.reduce((sum, f) => sum + f.count, 0)} onChange={count} />
      </div>
      {rows.map(({ key, at }) => (
        <div key={key} className="mt-2 grid grid-cols-2 items-start gap-2 border-t border-hair pt-2 sm:grid-cols-5">
          <Choice of={form} at={`${at}.species`} label="Fish" options={standards.species} none="as meant" />
          <Measure of={form} at={`${at}.kg`} label="Weight" kind="fishMass" empty />
          <Measure of={form} at={`${at}.lengthM`} label="Length" kind="shortLength" empty />
          <Measure of={form} at={`${at}.fightS`} label="Fight" kind="time" empty />
          <Tick of={form} at={`${at}.released`} label="went back" className="mt-3 min-h-[44px]" />
        </div>
      ))}
      {rows.length > 0 && (
        <button type="button" className="quiet mt-1 underline" onClick={() => add(one)}>
          another kind or size
        </button>
      )}
    </section>
  );
}
