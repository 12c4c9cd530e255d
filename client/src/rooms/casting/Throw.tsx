import { memo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { CastDrawing, type Thrown } from '../../drawing/CastDrawing';
import { CastOverTime } from '../../drawing/CastCharts';
import { momentAt } from '../../drawing/castShape';
import { useCommands } from '../../ui/commands';
import { usePlay, wantsStill } from '../../ui/usePlay';
import { carried, distance, useUnits } from '../../ui/units';

const paces = [
  { name: 'as it goes', share: 1 },
  { name: 'a quarter', share: 0.25 },
  { name: 'a tenth', share: 0.1 },
];

/** The cast to watch, stop and pull back and forth, with its numbers on the same time below. */
export const Throw = memo(function Throw({ thrown, distanceM }: { thrown: Thrown[]; distanceM: number }) {
  const { show } = useUnits();
  const [still] = useState(wantsStill);
  // Whoever came to watch sees it go; with reduced motion it stands.
  const [toWatch] = useState(useSearchParams()[0].get('play') === '1' && !still);
  const answer = thrown[0]!.answer;
  const end = answer.moments.at(-1)!.timeS;

  const { share, pace, setPace, playing, toggle, holdAt } = usePlay(end, {
    share: toWatch ? 0 : 0.45,
    pace: 0.25,
    playing: toWatch,
  });
  useCommands([
    { id: 'throw', name: playing ? 'Hold the cast' : 'Throw the cast', keys: ['t'], group: 'Cast', run: toggle },
  ]);

  const timeS = share * end;
  const now = momentAt(answer.moments, timeS);
  const told = `${timeS.toFixed(2)} s · loop ${show(carried(now.bendM))} out · ${show(distance(now.shotM))} shot`;
  return (
    <section aria-label="The cast">
      <CastDrawing thrown={thrown} distanceM={distanceM} timeS={timeS} alone={still && !playing && share === 0.45} />
      <div className="mt-1 flex flex-wrap items-center gap-2">
        <button className="btn min-w-20" onClick={toggle} title="T">
          {playing ? 'Hold' : 'Throw'}
        </button>
        <fieldset className="flex items-center gap-1">
          <legend className="sr-only">Pace</legend>
          {paces.map((p) => (
            <button
              key={p.share}
              type="button"
              className={`quiet ${pace === p.share ? 'underline decoration-2 underline-offset-4' : ''}`}
              aria-pressed={pace === p.share}
              onClick={() => setPace(p.share)}
            >
              {p.name}
            </button>
          ))}
        </fieldset>
        <span className="w-full text-soft sm:w-auto sm:flex-1 sm:text-right" aria-hidden="true">
          {told}
        </span>
      </div>
      <input
        type="range"
        className="scrub mt-1 block w-full"
        aria-label="Moment of the cast"
        aria-valuetext={told}
        min={0}
        max={1}
        step={0.005}
        value={share}
        onChange={(event) => holdAt(Number(event.target.value))}
      />
      <CastOverTime answer={answer} timeS={timeS} />
    </section>
  );
});
