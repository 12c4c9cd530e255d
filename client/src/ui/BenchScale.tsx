import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useId, useState } from 'react';
import { api, unwrap } from '../api/client';
import { key } from '../api/keys';
import { Measure } from './fields';
import { useForm } from './form';
import { Message } from './Message';
import { useToast } from './toast';
import { useUnits } from './units';

/** A piece to put on the pan: its stated mass, and its name until it is weighed. */
export type OnPan = { kg: number; piece: string | null; words: string };

/** Uses a reading; returns an undo where there is one. */
export type Take = (kg: number, plusMinusKg: number) => (() => void) | undefined;

/** The bench scale: put on, tare, wait until it settles, take the reading. */
export function BenchScale({ pan, onTake }: { pan?: OnPan; onTake: Take }) {
  const { standards, chosen } = useUnits();
  const [said, setSaid] = useState<string | null>(null);
  const toast = useToast();
  const queries = useQueryClient();
  const [on, setOn] = useState(false);
  const form = useForm(null, { kg: 0.14 });
  // Readings are separate for two scales on one page.
  const which = key('scale', useId());
  const { data, error } = useQuery({
    queryKey: which,
    queryFn: ({ signal }) => unwrap(api.GET('/api/devices/scale', { signal })),
    enabled: on,
    refetchInterval: on ? 350 : false,
    gcTime: 10_000,
  });
  // A reading in progress is of the previous load; it must not arrive after this one.
  const change = async (work: () => Promise<NonNullable<typeof data>>) => {
    setSaid(null);
    await queries.cancelQueries({ queryKey: which });
    queries.setQueryData(which, await work());
  };
  const lay = (kg: number, piece: string | null, words: string | null) =>
    change(() => unwrap(api.POST('/api/devices/scale/lay', { body: { kg, piece, words } })));
  const read = (kg: number) => {
    const other = pan && data?.onPan && data.onPan !== pan.words ? data.onPan : null;
    const why = other ? `${other} lies on the pan, not ${pan!.words}. Lay ${pan!.words} on it first.` : data?.refused;
    setSaid(why ?? null);
    if (why) return;
    const undo = onTake(kg, data!.plusMinusKg);
    if (undo) toast({ words: `${first(kg)} taken from the simulated scale.`, undo });
  };
  const grain = standards.units.find((u) => u.kind === 'lineMass')!.trade.scale;
  const grams = (kg: number) => `${(kg * 1000).toFixed(2)} g`;
  const grains = (kg: number) => `${(kg / grain).toFixed(1)} gr`;
  const ounces = (kg: number) => `${(kg / (437.5 * grain)).toFixed(3)} oz`;
  // In the unit chosen first, with the other beside it.
  const [first, beside] =
    chosen.benchMass === 'gr' ? [grains, grams] : chosen.benchMass === 'oz' ? [ounces, grams] : [grams, grains];
  if (!on)
    return (
      <button className="btn" type="button" onClick={() => setOn(true)}>
        Use the simulated bench scale
      </button>
    );
  return (
    <section aria-label="Bench scale" {...form.area} className="max-w-md border border-ink bg-sheet p-3">
      {error && <p role="alert">The scale does not answer. {error.message}</p>}
      {data && (
        <>
          <p className="flex items-baseline gap-3" aria-live="off">
            <output className="text-3xl font-bold" data-settled={data.settled}>
              {first(data.kg)}
            </output>
            <span className="text-soft">{beside(data.kg)}</span>
            <span className={data.settled ? 'font-semibold text-fits' : 'text-look'}>
              {data.settled ? 'settled' : 'settling…'}
            </span>
          </p>
          <div className="mt-2 flex flex-wrap items-end gap-2">
            {pan ? (
              <button className="btn" type="button" onClick={() => void lay(pan.kg, pan.piece, pan.words)}>
                Lay {pan.words} on it, simulated
              </button>
            ) : (
              <>
                <div className="w-28">
                  <Measure of={form} at="kg" label="Weight to lay on" kind="benchMass" />
                </div>
                <button
                  className="btn"
                  type="button"
                  onClick={() => void form.keep(({ kg }) => lay(kg, null, 'the weight'))}
                >
                  Lay it on, simulated
                </button>
              </>
            )}
            <button className="btn" type="button" onClick={() => void lay(0, null, null)}>
              Clear the simulated pan
            </button>
            <button
              className="btn"
              type="button"
              onClick={() => void change(() => unwrap(api.POST('/api/devices/scale/tare')))}
            >
              Tare the simulated scale
            </button>
            <button
              className="btn bg-ink! text-paper!"
              type="button"
              disabled={!data.settled}
              onClick={() => read(data.kg)}
            >
              Take this {data.simulated ? 'simulated ' : ''}reading
            </button>
            <button className="quiet" type="button" onClick={() => setOn(false)}>
              Put it away
            </button>
          </div>
          <p className="mt-1">{data.onPan ? `On the pan: ${data.onPan}.` : 'The pan is empty.'}</p>
          <Message>{said}</Message>
          <p className="mt-2 text-sm text-soft">
            A {data.name}
            {data.simulated ? ': nothing real lies on it' : ''}. Good to ± {(data.plusMinusKg * 1000).toFixed(1)} g soon
            after taring; it wanders, so tare it empty before each weighing.
          </p>
        </>
      )}
    </section>
  );
}
