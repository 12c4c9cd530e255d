import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, unwrap, type RunAnswer } from '../../api/client';
import { key } from '../../api/keys';
import { JointChain } from '../../drawing/JointChain';
import { Mark } from '../../ui/Mark';
import { Say } from '../../ui/Say';
import { useUnits } from '../../ui/units';

type Drag = RunAnswer['drag'];

/** What to set the drag to, from the weakest knot of the chain, and the spring scale to set it with. */
export function DragBench({ drag, mostN }: { drag: Drag; mostN: number | null }) {
  const { show } = useUnits();
  const force = (value: number) => show(value, 'force');
  return (
    <section aria-label="Drag" className="min-w-0">
      <h3 className="font-semibold">Set the drag</h3>
      <p className="text-2xl font-bold">
        {force(drag.setN)}{' '}
        <span className="text-base font-normal text-soft">
          ({force(drag.rangeN.low)} to {force(drag.rangeN.high)})
        </span>
      </p>
      <p>
        <Say parts={drag.says} />.
      </p>
      <JointChain drag={drag} />
      <details>
        <summary className="quiet inline-block cursor-pointer">What each knot stands</summary>
        <table>
          <tbody>
            {drag.joints.map((j) => (
              <tr key={j.at}>
                <th scope="row" className="pr-6 text-left font-normal">
                  {j.name}, knotted
                </th>
                <td>
                  {force(j.standsN)}
                  {j.weakest && ', goes first'}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
      <SpringScale drag={drag} mostN={mostN} />
    </section>
  );
}

/** The simulated spring scale and knob: turn, pull, read, until the drag is where it should be. */
function SpringScale({ drag, mostN }: { drag: Drag; mostN: number | null }) {
  const { show } = useUnits();
  const queries = useQueryClient();
  const [on, setOn] = useState(false);
  const [knob, setKnob] = useState(0.3);
  const aim = { setN: drag.setN, fromN: drag.rangeN.low, toN: drag.rangeN.high };
  const which = key('drag', aim);
  const { data, error } = useQuery({
    queryKey: which,
    queryFn: ({ signal }) => unwrap(api.GET('/api/devices/spring', { params: { query: aim }, signal })),
    enabled: on,
    refetchInterval: on ? 300 : false,
    gcTime: 5_000,
  });
  const pull = async (to: number) => {
    setKnob(to);
    await queries.cancelQueries({ queryKey: which });
    queries.setQueryData(which, await unwrap(api.POST('/api/devices/spring/pull', { body: { knob: to, mostN } })));
  };
  if (!on)
    return (
      <button
        className="btn mt-2"
        onClick={() => {
          setOn(true);
          void pull(knob);
        }}
      >
        Measure it with the simulated spring scale
      </button>
    );
  const force = (value: number) => show(value, 'force');
  return (
    <section aria-label="Spring scale" className="mt-3 max-w-md border border-ink bg-sheet p-3">
      {error && <p role="alert">The spring scale does not answer. {error.message}</p>}
      {data && (
        <>
          <p className="flex items-baseline gap-3">
            <output className="text-3xl font-bold" data-steady={data.refused ? undefined : data.steadyN.toFixed(2)}>
              {force(data.refused ? data.nowN : data.steadyN)}
            </output>
            {data.drag && <Mark verdict={data.drag.right ? 'fits' : 'look'} />}
          </p>
          <p aria-live="polite">
            {data.refused}
            {data.drag && (
              <>
                <Say parts={data.drag.says} />.{data.drag.right && ` It takes ${force(data.startN)} to start.`}
              </>
            )}
          </p>
        </>
      )}
      <label className="mt-1 block">
        <span className="rubric">Drag knob, simulated</span>
        <input
          type="range"
          className="scrub w-full"
          min={0}
          max={1}
          step={0.01}
          value={knob}
          aria-valuetext={`${Math.round(knob * 100)} of 100`}
          onChange={(e) => void pull(Number(e.target.value))}
        />
      </label>
      <p className="text-sm text-soft">
        Hook the scale into the line’s end, rod tip down, and walk away from it at an even pace; good to ±
        {force(data?.plusMinusN ?? 0.25)}.
      </p>
    </section>
  );
}
