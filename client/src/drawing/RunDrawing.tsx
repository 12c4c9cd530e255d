import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import type { RunAnswer, RunMoment } from '../api/client';
import { spooled, useUnits } from '../ui/units';
import { ticks } from './ticks';
import { useWidth } from './useWidth';
import { Words } from './Words';

/** The moment at a time, between the two that are known. */
export function runAt(moments: RunMoment[], timeS: number): RunMoment {
  const next = Math.max(
    1,
    moments.findIndex((m) => m.timeS >= timeS),
  );
  const [a, b] = [moments[next - 1]!, moments[next] ?? moments.at(-1)!];
  const t = b.timeS > a.timeS ? Math.min(1, Math.max(0, (timeS - a.timeS) / (b.timeS - a.timeS))) : 0;
  const between = (of: (m: RunMoment) => number) => of(a) + t * (of(b) - of(a));
  return {
    timeS,
    speedMps: between((m) => m.speedMps),
    runM: between((m) => m.runM),
    outM: between((m) => m.outM),
    radiusM: between((m) => m.radiusM),
    dragN: between((m) => m.dragN),
    waterN: between((m) => m.waterN),
    pullN: between((m) => m.pullN),
  };
}

export const markWords: Record<RunAnswer['run']['marks'][number]['mark'], string> = {
  onTheReel: 'on the reel',
  backingShows: 'backing shows',
  halfGone: 'half the backing gone',
  hardest: 'hardest pull',
  tippetLimit: 'past the tippet',
  spooled: 'spooled',
};

/** The fish running, seen from the side: the line to it, the backing behind, and what is left on the spool. */
export function RunScene({
  answer,
  timeS,
  rimM,
  arborM,
}: {
  answer: RunAnswer;
  timeS: number;
  rimM: number;
  arborM: number;
}) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { show, unitOf } = useUnits();
  const { run, lineM, totalM } = answer;
  const now = runAt(run.moments, timeS);
  const endM = Math.max(run.mostOutM * 1.06, lineM * 0.5);
  const x = scaleLinear([0, endM], [118, width - 46]);
  const R = 44;
  const px = R / (rimM / 2);
  const backingOut = Math.max(0, now.outM - lineM);
  const broken = answer.run.marks.find((m) => m.mark === 'tippetLimit');
  const gone = broken !== undefined && timeS >= broken.timeS;
  return (
    <div ref={ref}>
      <svg
        width={width}
        height={142}
        role="img"
        className="block"
        aria-label={`After ${timeS.toFixed(0)} seconds ${show(spooled(now.outM))} are out, ${show(spooled(backingOut))} of it backing; ${show(spooled(totalM - now.outM))} left on the spool`}
      >
        <rect x="104" y="78" width={width - 104} height="44" fill="var(--water)" />
        <line x1="104" x2={width} y1="78" y2="78" stroke="var(--ink)" strokeWidth="0.8" />
        <circle cx="56" cy="72" r={R} fill="var(--sheet)" stroke="var(--ink)" strokeWidth="2" />
        <circle
          cx="56"
          cy="72"
          r={now.radiusM * px}
          fill={backingOut > 0 ? 'color-mix(in srgb, var(--soft) 45%, var(--sheet))' : 'var(--signal)'}
        />
        <circle cx="56" cy="72" r={(arborM / 2) * px} fill="var(--paper)" stroke="var(--ink)" />
        {backingOut > 0 && <line x1={x(0)} x2={x(backingOut)} y1="92" y2="92" stroke="var(--soft)" strokeWidth="2.2" />}
        <line
          x1={x(backingOut)}
          x2={x(now.outM)}
          y1="92"
          y2="92"
          stroke="var(--signal)"
          strokeWidth="3"
          opacity={gone ? 0.35 : 1}
        />
        {/* Off the spool, up to the tip and down into the water. */}
        <path d={`M98,88L${x(0) - 4},48`} stroke="var(--ink)" strokeWidth="2.6" />
        <path
          d={`M${56 + now.radiusM * px},72L98,84M${x(0) - 4},48L${x(0)},92`}
          stroke={backingOut > 0 ? 'var(--soft)' : 'var(--signal)'}
          strokeWidth="1.8"
          fill="none"
        />
        <path
          d={`M${x(now.outM)},92q12,-9 26,-2l9,-6v16l-9,-6q-14,7 -26,-2z`}
          fill="var(--ink)"
          opacity={gone ? 0.4 : 1}
        />
        {ticks(x, Math.min(7, width / 110), unitOf('spooled').scale).map((t) => (
          <g key={t}>
            <line x1={x(t)} x2={x(t)} y1="122" y2="127" stroke="var(--ink)" />
            <Words x={x(t)} y="140" anchor="middle" soft>
              {show(spooled(t))}
            </Words>
          </g>
        ))}
        <Words x={x(0) + 12} y="16" size={13}>
          <tspan fontWeight="700">{show(spooled(now.outM))}</tspan> out, {show(spooled(Math.max(0, totalM - now.outM)))}{' '}
          left on the spool
        </Words>
        <Words x={x(0) + 12} y="36" size={13} fill={gone ? 'var(--fails)' : 'var(--ink)'}>
          {gone
            ? 'past what the weakest knot stands: from here on, what would have followed'
            : `${show(now.speedMps, 'waterSpeed')}, pull ${show(now.pullN, 'force')}`}
        </Words>
      </svg>
    </div>
  );
}

/** Pull and speed over the time of the run: drag and water on top of each other, the weakest knot as a line. */
export function RunOverTime({ answer, timeS }: { answer: RunAnswer; timeS: number }) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { show } = useUnits();
  const { run, tippetN } = answer;
  const end = run.tookS || 1;
  const x = scaleLinear([0, end], [8, width - 8]);
  const high = Math.max(tippetN, run.hardestN) * 1.12;
  const y = scaleLinear([0, high], [150, 22]);
  const v = scaleLinear([0, run.fastestMps * 1.1], [224, 176]);
  const now = runAt(run.moments, timeS);
  const force = (value: number) => show(value, 'force');
  const layer = (from: (m: RunMoment) => number, to: (m: RunMoment) => number) =>
    area<RunMoment>()
      .x((m) => x(m.timeS))
      .y0((m) => y(from(m)))
      .y1((m) => y(to(m)))(run.moments) ?? '';
  return (
    <div ref={ref}>
      <svg
        width={width}
        height={250}
        role="img"
        className="block"
        aria-label={`Pull over ${end.toFixed(0)} seconds: ${force(run.hardestN)} at most; the weakest knot stands ${force(tippetN)}. Fastest ${show(run.fastestMps, 'waterSpeed')}`}
      >
        <path
          d={layer(
            () => 0,
            (m) => m.dragN,
          )}
          fill="var(--land)"
        />
        <path
          d={layer(
            (m) => m.dragN,
            (m) => m.pullN,
          )}
          fill="var(--water)"
          stroke="var(--ink)"
          strokeWidth="0.6"
        />
        <line
          x1={x(0)}
          x2={x(end)}
          y1={y(tippetN)}
          y2={y(tippetN)}
          stroke="var(--fails)"
          strokeDasharray="7 4"
          strokeWidth="1.6"
        />
        <Words x={x(end)} y={y(tippetN) - 5} anchor="end" size={12.5} fill="var(--fails)">
          weakest knot {force(tippetN)}
        </Words>
        <Words x={x(0) + 2} y="14" size={12.5}>
          pull <tspan fontWeight="700">{force(now.pullN)}</tspan>: drag and rings {force(now.dragN)} below, water on the
          line {force(now.waterN)} above
        </Words>
        <path
          d={
            line<RunMoment>(
              (m) => x(m.timeS),
              (m) => v(m.speedMps),
            )(run.moments) ?? ''
          }
          fill="none"
          stroke="var(--ink)"
          strokeWidth="1.6"
        />
        <line x1={x(0)} x2={x(end)} y1={v(0)} y2={v(0)} stroke="var(--hair)" />
        <Words x={x(0) + 2} y="170" size={12.5}>
          speed <tspan fontWeight="700">{show(now.speedMps, 'waterSpeed')}</tspan>
        </Words>
        <line x1={x(timeS)} x2={x(timeS)} y1="20" y2="226" stroke="var(--signal)" />
        {scaleLinear([0, end], [0, 1])
          .ticks(Math.min(6, width / 70))
          .map((t) => (
            <Words key={t} x={Math.min(width - 14, Math.max(10, x(t)))} y="244" anchor="middle" soft>
              {t} s
            </Words>
          ))}
      </svg>
    </div>
  );
}
