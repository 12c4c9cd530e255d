import { useState } from 'react';
import { api, unwrap, type DepthAnswer, type DepthLine, type DepthWish } from '../../api/client';
import { key } from '../../api/keys';
import { useAsk } from '../../api/useAsk';
import { FlyPathDrawing } from '../../drawing/FlyPathDrawing';
import { Message } from '../../ui/Message';
import { Pick } from '../../ui/Pick';
import { Say } from '../../ui/Say';
import { Slide } from '../../ui/Slide';
import { MeasureField } from '../../ui/TypedField';
import { depth, distance, rodLength, useUnits } from '../../ui/units';
import type { BenchProps } from '../shared/bench';

/** The fly followed down through the water on every line: count-down, what it holds, bottom, where to pitch it. */
export function DepthBench({ work, solution }: BenchProps) {
  const { outfit, brief } = solution;
  const [wish, setWish] = useState<DepthWish>({ density: null });
  const body = {
    brief: work.draft,
    tippetM: outfit.tippet.diameterM,
    leaderM: work.pins.leaderM ?? outfit.tied?.leader.lengthM ?? null,
    wish,
  };
  const { data: answer, fields } = useAsk(key('depth', body), (signal) =>
    unwrap(api.POST('/api/depth/solve', { body, signal })),
  );
  const words = Object.values(fields)[0] ?? null;
  if (!answer) return words ? <Message>{words}</Message> : <p className="text-soft">Letting it sink…</p>;
  const set = (change: Partial<DepthWish>) => setWish((w) => ({ ...w, ...change }));
  const mine = answer.lines[answer.at];
  if (!mine)
    return (
      <section aria-label="Depth">
        <p className="text-lg font-semibold" data-depth-says>
          <Say parts={answer.says} />.
        </p>
        <Message>{words}</Message>
      </section>
    );
  return (
    <section aria-label="Depth">
      <p className="text-lg font-semibold" data-depth-says>
        <Say parts={answer.says} />.
      </p>
      {answer.others.length > 0 && (
        <ul className="mb-2">
          {answer.others.map((o, i) => (
            <li key={i}>
              <Say parts={o.says} />.
            </li>
          ))}
        </ul>
      )}
      <FlyPathDrawing
        // What is held goes with the finger; the way of the fly follows.
        answer={{
          ...answer,
          targetM: work.draft.depthM ?? answer.targetM,
          waterM: wish.waterM ?? answer.waterM,
          waterAssumed: wish.waterM == null,
        }}
        currentMps={brief.currentMps}
        onTarget={(depthM) => work.setDraft('depthM', { depthM })}
        onWater={(waterM) => set({ waterM })}
        onCurrent={(currentMps) => work.setDraft('currentMps', { currentMps })}
      />
      <Message>{words}</Message>
      <Wishes answer={answer} mine={mine} wish={wish} set={set} />
      <Lines answer={answer} onPick={(density) => set({ density })} />
      <p className="rubric mt-1 font-normal">{answer.source.note}.</p>
    </section>
  );
}

function Wishes({
  answer,
  mine,
  wish,
  set,
}: {
  answer: DepthAnswer;
  mine: DepthLine;
  wish: DepthWish;
  set: (change: Partial<DepthWish>) => void;
}) {
  const { standards } = useUnits();
  return (
    <div className="my-3 grid grid-cols-2 gap-3 sm:grid-cols-4">
      <Pick label="Line" value={mine.density} options={standards.densities} onChange={(density) => set({ density })} />
      <Pick
        label="Fished"
        value={answer.by}
        options={standards.choices.fishedBy}
        onChange={(by) => set({ by: by as DepthWish['by'] })}
      />
      <Slide
        label="Count down"
        kind="time"
        value={mine.countS}
        from={0}
        to={90}
        step={1}
        problem={undefined}
        onChange={(countS) => set({ countS })}
      />
      <MeasureField
        label="Fly, soaked"
        kind="lineMass"
        value={answer.flyKg}
        solved={wish.flyKg == null}
        onChange={(flyKg) => set({ flyKg })}
      />
      {answer.by === 'retrieve' && (
        <>
          <Slide
            label="A strip"
            kind="shortLength"
            value={answer.stripM}
            from={0}
            to={1}
            step={0.05}
            problem={undefined}
            onChange={(stripM) => set({ stripM })}
          />
          <Slide
            label="Pause"
            kind="time"
            value={answer.pauseS}
            from={0}
            to={10}
            step={0.5}
            problem={undefined}
            onChange={(pauseS) => set({ pauseS })}
          />
        </>
      )}
      <MeasureField
        label="Water, deep"
        kind="depth"
        value={answer.waterM}
        assumed={answer.waterAssumed}
        onChange={(waterM) => set({ waterM })}
      />
    </div>
  );
}

/** Every line, on the leader that goes with it. */
function Lines({ answer, onPick }: { answer: DepthAnswer; onPick: (density: string) => void }) {
  const { show } = useUnits();
  const seconds = (value: number) => show(Math.round(value), 'time');
  return (
    <table className="w-full [&_td]:pr-2 [&_th]:pr-2 [&_th]:align-bottom">
      <caption className="rubric text-left">Every line, on the leader that goes with it</caption>
      <thead>
        <tr className="rubric text-left">
          <th scope="col">line</th>
          <th scope="col" className="max-sm:hidden">
            leader
          </th>
          <th scope="col">count to the fish</th>
          <th scope="col">gets there</th>
          <th scope="col">holds about</th>
          <th scope="col">deepest</th>
          <th scope="col">to the bottom</th>
          {answer.by === 'drift' && <th scope="col">pitch upstream</th>}
        </tr>
      </thead>
      <tbody>
        {answer.lines.map((l, i) => (
          <tr key={l.density} className={`border-t border-hair ${i === answer.at ? 'bg-sheet font-bold' : ''}`}>
            <th scope="row" className="py-1 text-left font-normal">
              <button className="quiet -ml-1 underline" onClick={() => onPick(l.density)}>
                {l.name}
              </button>
              {l.wanted && <span className="ml-1 text-soft">wanted</span>}
            </th>
            <td className="max-sm:hidden">{show(rodLength(l.leaderM))}</td>
            <td>{l.path.countToS === null ? 'never' : seconds(l.path.countToS)}</td>
            <td>{l.reaches ? 'yes' : 'no'}</td>
            <td>{show(depth(l.path.heldM))}</td>
            <td>{show(depth(l.path.deepestM))}</td>
            <td>{l.path.bottomAtS === null ? show(rodLength(l.clearM)) : 'drags'}</td>
            {answer.by === 'drift' && <td>{l.path.pitchM === null ? '—' : show(distance(l.path.pitchM))}</td>}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
