import { useState } from 'react';
import { api, unwrap, type RunAnswer, type RunHold, type Solution } from '../../api/client';
import { key } from '../../api/keys';
import { useAsk } from '../../api/useAsk';
import { RunOverTime, RunScene, markWords, runAt } from '../../drawing/RunDrawing';
import { Caution } from '../../ui/Message';
import { useCommands } from '../../ui/commands';
import { Say } from '../../ui/Say';
import { Slide } from '../../ui/Slide';
import { useToast } from '../../ui/toast';
import { metres, spooled, useUnits } from '../../ui/units';
import { usePlay, wantsStill } from '../../ui/usePlay';

const ends: Record<RunAnswer['run']['end'], string> = {
  stops: 'The fish stops',
  breaks: 'The weakest knot goes',
  spools: 'The spool is empty',
};

/** The fish of the brief runs: to watch, to pull back and forth, and what would change it most. */
export function FishRuns({ solution, onBacking }: { solution: Solution; onBacking: (id: string) => void }) {
  const { outfit, brief } = solution;
  const { show, standards } = useUnits();
  const toast = useToast();
  const [own, setOwn] = useState<Partial<RunHold>>({});
  const hold = { ...standards.beginnings.hold, dragN: outfit.drag.setN, outM: brief.distanceM, ...own };
  const body = {
    reel: outfit.reel,
    line: outfit.line,
    backing: outfit.backing.id,
    backingM: outfit.backingM,
    leader: outfit.leader,
    speciesId: brief.species.id,
    fishKg: brief.fishKg,
    hold,
    rod: outfit.rod,
    floor: solution.class.floor,
  };
  const { data, fields } = useAsk(key('run', body), (signal) => unwrap(api.POST('/api/reels/run', { body, signal })));
  const set = (next: Partial<RunHold>) => setOwn((o) => ({ ...o, ...next }));
  const force = (value: number) => show(value, 'force');
  if (!data) return <p className="my-4 text-soft">Hooking a fish…</p>;
  const { run } = data;
  const helps = data.changes.filter((c) => c.helps);
  const others = data.changes.filter((c) => !c.helps);
  const take = (c: RunAnswer['changes'][number]) => {
    const before = own;
    if (c.kind === 'thinnerBacking') {
      const was = outfit.backing.id;
      onBacking(c.backing);
      toast({ words: 'Changed.', undo: () => onBacking(was) });
      return;
    }
    setOwn(c.hold);
    toast({ words: 'Changed.', undo: () => setOwn(before) });
  };
  const row = (c: RunAnswer['changes'][number]) => <Change key={c.kind} change={c} onTry={() => take(c)} />;
  return (
    <section aria-label="A fish runs" className="my-5 border-t border-ink pt-3">
      <h3 className="text-lg font-semibold">
        A {brief.species.name} of {show(brief.fishKg, 'fishMass')} runs
      </h3>
      <p className="text-lg" aria-live="polite" data-end={run.end}>
        <b className={run.end === 'stops' ? '' : 'text-fails'}>{ends[run.end]}</b>
        {run.end === 'breaks' ? ', or would' : ''} after {show(spooled(run.runM))} and {run.tookS.toFixed(0)} s, as fast
        as {show(run.fastestMps, 'waterSpeed')}. The hardest pull is {force(run.hardestN)},{' '}
        <b>{show(run.tippetShare, 'ratio')}</b> of what the weakest knot stands; {show(spooled(run.leftM))} left on the
        spool.
      </p>
      <Watch key={run.end} answer={data} spool={outfit.fill.spool} />
      <Hold hold={hold} tippetN={data.tippetN} problems={fields} onChange={set} />
      <div className="@container">
        <div className="mt-3 grid gap-x-8 gap-y-3 @4xl:grid-cols-2">
          <div>
            <h4 className="font-semibold">What eases it most</h4>
            <table className="w-full">
              <caption className="sr-only">Changes and what each does to the run</caption>
              <tbody>
                {helps.map(row)}
                {helps.length === 0 && (
                  <tr>
                    <td>Nothing that can be changed here makes it safer.</td>
                  </tr>
                )}
              </tbody>
            </table>
            {others.length > 0 && (
              <details>
                <summary className="quiet inline-block cursor-pointer">What would not ({others.length})</summary>
                <table className="w-full">
                  <tbody>{others.map(row)}</tbody>
                </table>
              </details>
            )}
          </div>
          <AndThen answer={data} />
        </div>
      </div>
    </section>
  );
}

function Change({ change: c, onTry }: { change: RunAnswer['changes'][number]; onTry: () => void }) {
  const { show } = useUnits();
  return (
    <tr className="border-t border-hair align-baseline" data-change={c.kind}>
      <td className="py-1.5 leading-snug">
        <Say parts={c.says} />
        <span className="text-soft">
          {' '}
          · then {show(spooled(c.runM))}, {show(c.tippetShare, 'ratio')} of the weakest knot, {show(spooled(c.leftM))}{' '}
          left
        </span>
      </td>
      <td className="py-1 text-right">
        <button className="btn whitespace-nowrap" onClick={onTry}>
          Try it
        </button>
      </td>
    </tr>
  );
}

function Hold({
  hold,
  tippetN,
  problems,
  onChange: set,
}: {
  hold: RunHold;
  tippetN: number;
  problems: Record<string, string>;
  onChange: (next: Partial<RunHold>) => void;
}) {
  return (
    <div className="mt-2 grid grid-cols-2 gap-x-4 gap-y-2 md:grid-cols-4">
      <Slide
        label="Drag"
        kind="force"
        value={hold.dragN}
        from={0.5}
        to={Math.max(30, 0.6 * tippetN)}
        step={0.25}
        problem={problems['hold.dragN']}
        onChange={(dragN) => set({ dragN })}
      />
      <Slide
        label="Rod to line"
        kind="angle"
        value={hold.rodAngleDeg}
        from={0}
        to={120}
        step={1}
        problem={problems['hold.rodAngleDeg']}
        onChange={(rodAngleDeg) => set({ rodAngleDeg })}
      />
      <Slide
        label="Follow at"
        kind="waterSpeed"
        value={hold.followMps}
        from={0}
        to={4}
        step={0.1}
        problem={problems['hold.followMps']}
        onChange={(followMps) => set({ followMps })}
      />
      <Slide
        label="Loose line"
        kind="length"
        value={hold.slackM}
        from={0}
        to={15}
        step={0.25}
        problem={problems['hold.slackM']}
        onChange={(slackM) => set({ slackM })}
      />
    </div>
  );
}

function AndThen({ answer: data }: { answer: RunAnswer }) {
  const { show } = useUnits();
  return (
    <div>
      <h4 className="font-semibold">And then</h4>
      <p>
        {data.repeatsM.length > 1
          ? `Runs again: ${data.repeatsM.map((m) => show(spooled(m))).join(', ')}.`
          : 'One run, and it is led in.'}
      </p>
      {data.fight && (
        <p className={data.fight.underFloor ? 'font-semibold text-look' : ''}>
          <Say parts={data.fight.says} />.{' '}
          <span className="text-sm font-normal text-soft">{data.fight.source.note}.</span>
        </p>
      )}
      <p>
        Money for this fish belongs to the <b>{data.wantsReel ? 'reel and backing' : 'rod'}</b>.
      </p>
      <p className="text-sm text-soft">
        {data.source.note}. Drag grows as the spool empties; rings add by the rod’s angle; water drags on{' '}
        {show(metres(data.lineM))} of line and whatever backing is out.
      </p>
      <Caution>
        Fingers off the line and the handle while a fish runs: line and gel-spun cut, a handle breaks fingers, and a
        hook that pulls out comes back at your eyes.
      </Caution>
    </div>
  );
}

function Watch({ answer, spool }: { answer: RunAnswer; spool: { rimM: number; arborM: number } }) {
  const { show } = useUnits();
  const { run } = answer;
  const end = run.tookS || 1;
  const { share, pace, setPace, playing, toggle, holdAt } = usePlay(end, { share: 1, pace: 4 });
  // Who wants no motion sees it in quarters.
  const go = () => (wantsStill() ? holdAt(share >= 1 ? 0.25 : Math.min(1, share + 0.25)) : toggle());
  useCommands([
    { id: 'run', name: playing ? 'Hold the fish' : 'Let the fish run', keys: ['t'], group: 'Reel', run: go },
  ]);
  const timeS = share * end;
  const now = runAt(run.moments, timeS);
  const told = `${timeS.toFixed(0)} s · ${show(spooled(now.outM))} out · ${show(now.pullN, 'force')}`;
  return (
    <div>
      <RunScene answer={answer} timeS={timeS} rimM={spool.rimM} arborM={spool.arborM} />
      <div className="mt-1 flex flex-wrap items-center gap-2">
        <button className="btn min-w-20" onClick={go} title="T">
          {playing ? 'Hold' : 'Let it run'}
        </button>
        <fieldset className="flex items-center gap-1">
          <legend className="sr-only">Pace</legend>
          {[
            { by: 1, name: 'as it goes' },
            { by: 4, name: 'four times' },
            { by: 12, name: 'twelve times' },
          ].map((p) => (
            <button
              key={p.by}
              type="button"
              className={`quiet ${pace === p.by ? 'underline decoration-2 underline-offset-4' : ''}`}
              aria-pressed={pace === p.by}
              onClick={() => setPace(p.by)}
            >
              {p.name}
            </button>
          ))}
        </fieldset>
        <span className="flex flex-wrap gap-x-3 text-sm" aria-label="Marks of the run">
          {run.marks.map((m) => (
            <button
              key={m.mark}
              className={`quiet underline ${m.mark === 'tippetLimit' || m.mark === 'spooled' ? 'font-semibold text-fails' : ''}`}
              onClick={() => holdAt(Math.min(1, m.timeS / end))}
            >
              {markWords[m.mark]} {m.timeS.toFixed(0)} s
            </button>
          ))}
        </span>
      </div>
      <input
        type="range"
        className="scrub mt-1 block w-full"
        aria-label="Moment of the run"
        aria-valuetext={told}
        min={0}
        max={1}
        step={0.005}
        value={share}
        onChange={(event) => holdAt(Number(event.target.value))}
      />
      <RunOverTime answer={answer} timeS={timeS} />
    </div>
  );
}
