import type { Outing } from '../../api/client';
import { Choice, Measure, Tick } from '../../ui/fields';
import { useRows, type Form } from '../../ui/form';
import { useRound, useUnits } from '../../ui/units';

/** Casts that were measured; those made as far as they go are what the log learns a hand from. */
export function CastList({ form }: { form: Form<Outing> }) {
  const { standards } = useUnits();
  const { rows, add, takeOut } = useRows(form, 'casts');
  const begin = useRound()(50, 15);
  return (
    <section aria-label="Casts">
      <h2 className="rubric">Casts that were measured, rod tip to fly</h2>
      {rows.map(({ key, at }, i) => (
        <div
          key={key}
          className="grid grid-cols-2 items-start gap-2 border-b border-hair py-2 sm:grid-cols-[1fr_1fr_1fr_1fr_1fr_auto]"
          data-cast={i}
        >
          <Measure of={form} at={`${at}.distanceM`} label="Distance" kind="distance" />
          <Choice of={form} at={`${at}.by`} label="Found by" options={standards.choices.distanceBy} />
          <Measure of={form} at={`${at}.carryM`} label="Carried" kind="carry" empty />
          <Choice of={form} at={`${at}.turned`} label="Came down" options={standards.choices.turned} />
          <Choice of={form} at={`${at}.feel`} label="Rod felt" options={standards.choices.feel} none="not said" />
          <button
            type="button"
            className="quiet mt-5 underline"
            aria-label={`Take cast ${i + 1} out`}
            onClick={() => takeOut(i)}
          >
            out
          </button>
          <Tick of={form} at={`${at}.allOut`} label="as far as I could" className="col-span-2 min-h-[44px]" />
        </div>
      ))}
      <button
        type="button"
        className="btn mt-2 min-h-[44px]"
        onClick={() => {
          const last = form.lib.getValues('casts').at(-1);
          const first = { distanceM: begin, by: 'paced' as const, carryM: null, allOut: true };
          add({ ...first, ...last, windMps: null, windFromDeg: null, turned: 'straight', feel: null });
        }}
      >
        {rows.length === 0 ? 'Add a cast' : 'Another cast'}
      </button>
    </section>
  );
}
