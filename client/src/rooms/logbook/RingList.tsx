import type { Outing } from '../../api/client';
import { Measure, Steps } from '../../ui/fields';
import { useRows, type Form } from '../../ui/form';
import { useRound } from '../../ui/units';

/** Throws at rings, by distance. */
export function RingList({ form }: { form: Form<Outing> }) {
  const { rows, add, takeOut } = useRows(form, 'rings');
  const { rings } = form.values;
  const begin = useRound()(30, 9);
  return (
    <section aria-label="Rings">
      <h2 className="rubric">Accuracy rings</h2>
      {rows.map(({ key, at }, i) => (
        <div key={key} className="grid grid-cols-[1fr_1fr_1fr_auto] items-start gap-2 border-b border-hair py-2">
          <Measure of={form} at={`${at}.distanceM`} label="At" kind="distance" />
          <Steps
            of={form}
            at={`${at}.throws`}
            label="Throws"
            from={1}
            words={(n) => `${n} throws`}
            then={(throws) => (rings[i]?.hits ?? 0) > throws && form.put(`${at}.hits`, throws)}
          />
          <Steps of={form} at={`${at}.hits`} label="Hits" to={rings[i]?.throws ?? 0} words={(n) => `${n} hits`} />
          <button
            type="button"
            className="quiet mt-5 underline"
            aria-label={`Take ring ${i + 1} out`}
            onClick={() => takeOut(i)}
          >
            out
          </button>
        </div>
      ))}
      <button
        type="button"
        className="btn mt-2 min-h-[44px]"
        onClick={() => add({ distanceM: form.lib.getValues('rings').at(-1)?.distanceM ?? begin, throws: 10, hits: 0 })}
      >
        Add a ring
      </button>
    </section>
  );
}
