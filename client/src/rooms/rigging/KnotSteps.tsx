import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, unwrap } from '../../api/client';
import { key } from '../../api/keys';
import { KnotDrawing } from '../../drawing/KnotDrawing';
import { useCommands } from '../../ui/commands';
import { Facts } from '../../ui/Facts';
import { useUnits } from '../../ui/units';

export const useKnot = (id: string) =>
  useQuery({
    queryKey: key('knot', id),
    queryFn: ({ signal }) => unwrap(api.GET('/api/rigging/knots/{id}', { params: { path: { id } }, signal })),
    staleTime: Infinity,
    gcTime: Infinity,
  });

/** A knot, one large step at a time, by thumb or arrow key. */
export function KnotSteps({ id }: { id: string }) {
  const { data, error } = useKnot(id);
  const [at, setAt] = useState(0);
  const steps = data?.lesson.steps ?? [];
  const go = (by: number) => setAt((i) => Math.min(steps.length - 1, Math.max(0, i + by)));
  useCommands([
    {
      id: 'knot-on',
      name: 'Next step of the knot',
      keys: ['ArrowRight'],
      group: 'Knot',
      run: at < steps.length - 1 ? () => go(1) : null,
    },
    { id: 'knot-back', name: 'Step back', keys: ['ArrowLeft'], group: 'Knot', run: at > 0 ? () => go(-1) : null },
  ]);
  if (error && !data) return <p role="alert">{error.message}</p>;
  const step = steps[at];
  if (!data || !step) return <p className="text-soft">Laying the strands…</p>;
  return (
    <section aria-label={`How to tie: ${data.knot.name}`} className="max-w-[44rem]">
      <KnotDrawing step={step} label={`${data.knot.name}, step ${at + 1} of ${steps.length}: ${step.says}`} />
      <p className="min-h-14 text-lg leading-snug" aria-live="polite" data-knot-step={at + 1}>
        <b>
          {at + 1}/{steps.length}
        </b>{' '}
        {step.says}
      </p>
      <div className="flex gap-3">
        <button className="btn min-h-[48px] flex-1" disabled={at === 0} onClick={() => go(-1)}>
          Back
        </button>
        <button className="btn min-h-[48px] flex-1" disabled={at === steps.length - 1} onClick={() => go(1)}>
          Next step
        </button>
      </div>
      <p className="rubric mt-1 font-normal">
        Hollow with an arrow: the end you lead. Solid: what stays. Where two cross, the whole one lies on top.
      </p>
    </section>
  );
}

/** What a knot takes and keeps. */
export function KnotFacts({ id }: { id: string }) {
  const { data } = useKnot(id);
  const { show } = useUnits();
  if (!data) return null;
  const { knot, source } = data;
  const ratio = (value: number) => show(value, 'ratio');
  return (
    <>
      <Facts
        rows={[
          ['turns', knot.turns === 0 ? 'none' : String(knot.turns)],
          ['tag', knot.tag],
          ['seat', knot.seat],
          [
            'keeps',
            knot.share.high > 0
              ? `${ratio(knot.share.low)} to ${ratio(knot.share.high)} of the strand`
              : 'nothing by itself',
          ],
        ]}
      />
      <p className="rubric font-normal">{source.note}.</p>
    </>
  );
}
