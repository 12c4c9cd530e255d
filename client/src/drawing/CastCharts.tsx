import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { CastAnswer, CastMoment, EnergyBudget, Kind } from '../api/client';
import { distance, useUnits } from '../ui/units';
import { momentAt } from './castShape';
import { useWidth } from './useWidth';
import { Words } from './Words';

type Trace = { name: string; value: (m: CastMoment) => number; kind: Kind; dashed?: boolean };

const rows: { name: string; traces: Trace[] }[] = [
  {
    name: 'speed',
    traces: [
      { name: 'fly leg', value: (m) => m.flyLegMps, kind: 'lineSpeed' },
      { name: 'rod leg', value: (m) => m.rodLegMps, kind: 'lineSpeed', dashed: true },
    ],
  },
  { name: 'pull', traces: [{ name: 'pull at the bend', value: (m) => m.tensionN, kind: 'pull' }] },
  { name: 'shot', traces: [{ name: 'line shot', value: (m) => m.shotM, kind: 'distance' }] },
];

const rowH = 54;

/** Speeds, pull and line shot over the time of the cast, under the drawing and on the slider's own axis. */
export function CastOverTime({ answer, timeS }: { answer: CastAnswer; timeS: number }) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { show } = useUnits();
  const end = answer.moments.at(-1)!.timeS;
  // The ends stand under the middle of the slider's knob.
  const x = scaleLinear([0, end], [8, width - 8]);
  const now = momentAt(answer.moments, timeS);
  return (
    <div ref={ref}>
      <svg
        width={width}
        height={rows.length * rowH + 22}
        role="img"
        aria-label={`Over ${end.toFixed(1)} seconds: speeds of both legs, pull at the bend and line shot`}
        className="block"
      >
        {rows.map((row, i) => {
          const top = i * rowH + 14;
          // The last flick of the leader would flatten everything before it.
          const high = Math.max(
            1e-6,
            ...row.traces.flatMap((t) =>
              answer.moments.filter((m) => m.upperM > answer.leaderM * 0.3).map((m) => t.value(m)),
            ),
          );
          const y = scaleLinear([0, high * 1.05], [top + rowH - 18, top]).clamp(true);
          return (
            <g key={row.name}>
              <line x1={x(0)} x2={x(end)} y1={y(0)} y2={y(0)} stroke="var(--hair)" />
              {row.traces.map((t) => (
                <path
                  key={t.name}
                  d={
                    line<CastMoment>(
                      (m) => x(m.timeS),
                      (m) => y(t.value(m)),
                    )(answer.moments) ?? ''
                  }
                  fill="none"
                  stroke="var(--ink)"
                  strokeWidth="1.6"
                  strokeDasharray={t.dashed ? '5 3' : undefined}
                />
              ))}
              <Words x={x(0) + 2} y={top - 2} size={12.5}>
                {row.traces.map((t) => (
                  <tspan key={t.name}>
                    {t.name}
                    {t.dashed ? ' (dashed)' : ''} <tspan fontWeight="700">{show(t.value(now), t.kind)}</tspan>
                    {'\u2003'}
                  </tspan>
                ))}
              </Words>
              {row.traces.map((t) => (
                <circle key={t.name} cx={x(now.timeS)} cy={y(t.value(now))} r="3" fill="var(--ink)" />
              ))}
            </g>
          );
        })}
        <line x1={x(now.timeS)} x2={x(now.timeS)} y1="16" y2={rows.length * rowH + 2} stroke="var(--signal)" />
        {scaleLinear([0, end], [0, 1])
          .ticks(Math.min(6, width / 70))
          .map((t) => (
            <Words key={t} x={x(t)} y={rows.length * rowH + 16} anchor={t === 0 ? 'start' : 'middle'} soft>
              {t.toFixed(end < 1 ? 2 : 1)} s
            </Words>
          ))}
      </svg>
    </div>
  );
}

export type Curve = { name: string; winds: readonly number[]; reachM: readonly number[] };

/** Farthest reach against wind, from behind on the left to in the face on the right. */
export function WindCurve({ curves, answer, distanceM }: { curves: Curve[]; answer: CastAnswer; distanceM: number }) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { show, unitOf } = useUnits();
  const height = 236;
  const winds = curves[0]!.winds;
  const { gusts } = answer;
  const most = Math.max(distanceM, ...curves.flatMap((c) => c.reachM)) * 1.1;
  const x = scaleLinear([winds[0]!, winds.at(-1)!], [46, width - 12]).clamp(true);
  const y = scaleLinear([0, most], [height - 40, 12]);
  const lengthUnit = unitOf('length').scale;
  const windUnit = unitOf('windSpeed').scale;
  const wind = (mps: number) => show(mps, 'windSpeed');
  const here = { x: x(answer.headwindMps), y: y(answer.reach.value) };
  // A wind off the scale is drawn at its edge, and says so.
  const beyond = answer.headwindMps < winds[0]! || answer.headwindMps > winds.at(-1)!;
  const wayOf = (mps: number) => (mps < 0 ? 'behind' : 'face');
  const first = curves[0]!;
  const band =
    first.reachM.map((r, i) => `${i ? 'L' : 'M'}${x(winds[i]!)},${y(r * (1 + answer.doubt))}`).join('') +
    [...first.reachM]
      .reverse()
      .map((r, i) => `L${x(winds[winds.length - 1 - i]!)},${y(r * (1 - answer.doubt))}`)
      .join('') +
    'Z';
  return (
    <div ref={ref}>
      <svg
        width={width}
        height={height}
        role="img"
        aria-label={`Reach against wind. Today, with ${wind(Math.abs(answer.headwindMps))} ${wayOf(answer.headwindMps) === 'face' ? 'in the face' : 'from behind'}, ${show(answer.reach)}.`}
        className="block"
      >
        {scaleLinear([0, most / lengthUnit], [0, 1])
          .ticks(5)
          .map((n) => (
            <g key={n}>
              <line x1="46" x2={width - 12} y1={y(n * lengthUnit)} y2={y(n * lengthUnit)} stroke="var(--hair)" />
              <Words x="42" y={y(n * lengthUnit) + 4} anchor="end" soft>
                {show(distance(n * lengthUnit))}
              </Words>
            </g>
          ))}
        {scaleLinear([winds[0]! / windUnit, winds.at(-1)! / windUnit], [0, 1])
          .ticks(Math.min(7, width / 75))
          .map((n) => (
            <Words key={n} x={x(n * windUnit)} y={height - 24} anchor="middle" soft>
              {n === 0 ? 'calm' : wind(Math.abs(n * windUnit))}
            </Words>
          ))}
        <Words x="46" y={height - 6}>
          ‹ from behind
        </Words>
        <Words x={width - 12} y={height - 6} anchor="end">
          in the face ›
        </Words>
        {gusts && (
          <rect
            x={x(gusts.headwindMps.low)}
            width={Math.max(2, x(gusts.headwindMps.high) - x(gusts.headwindMps.low))}
            y="12"
            height={height - 52}
            fill="var(--water)"
          />
        )}
        <path d={band} fill="var(--soft)" opacity="0.16" />
        <line x1="46" x2={width - 12} y1={y(distanceM)} y2={y(distanceM)} stroke="var(--ink)" strokeDasharray="2 4" />
        {curves.map((curve, i) => (
          <path
            key={curve.name}
            d={
              line<number>(
                (_, k) => x(curve.winds[k]!),
                (r) => y(r),
              )([...curve.reachM]) ?? ''
            }
            fill="none"
            stroke={i === 0 ? 'var(--signal)' : 'var(--ink)'}
            strokeWidth={i === 0 ? 2.6 : 1.8}
            strokeDasharray={i === 0 ? undefined : '7 3'}
          />
        ))}
        {gusts && (
          <line
            x1={here.x}
            x2={here.x}
            y1={y(gusts.reachM.low)}
            y2={y(gusts.reachM.high)}
            stroke="var(--ink)"
            strokeWidth="3"
          />
        )}
        <Words x={width - 14} y={y(distanceM) - 5} size={12.5} anchor="end" halo="paper">
          wanted {show(distance(distanceM))}
        </Words>
        <circle cx={here.x} cy={here.y} r="6" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="2" />
        <Words
          x={here.x + (here.x > width - 150 ? -11 : 11)}
          y={here.y - 9}
          size={13}
          bold
          anchor={here.x > width - 150 ? 'end' : 'start'}
          halo="paper"
        >
          {beyond ? 'off this scale ' : ''}today {show(answer.reach)}
        </Words>
      </svg>
    </div>
  );
}

const parts: { key: keyof EnergyBudget; name: string; shade: number }[] = [
  { key: 'skin', name: 'rubbed off along the line', shade: 85 },
  { key: 'bend', name: 'drag of the loop', shade: 62 },
  { key: 'fly', name: 'drag of the fly', shade: 40 },
  { key: 'guides', name: 'rings', shade: 26 },
  { key: 'pickUp', name: 'jerking running line along', shade: 74 },
  { key: 'check', name: 'taken when the line is stopped', shade: 50 },
  { key: 'left', name: 'left when it lands', shade: 12 },
];

/** Where the energy of the cast went, as shares of one bar. */
export function EnergyBar({ joules }: { joules: EnergyBudget }) {
  const { show } = useUnits();
  const shown = parts.filter((p) => joules[p.key] > joules.launch * 0.004);
  const shade = (p: (typeof parts)[number]) => `color-mix(in srgb, var(--ink) ${p.shade}%, var(--paper))`;
  return (
    <div>
      <div className="flex h-6 w-full border border-ink" aria-hidden="true">
        {shown.map((p) => (
          <div
            key={p.key}
            style={{ flexGrow: joules[p.key], background: shade(p) }}
            className="border-r border-paper"
          />
        ))}
      </div>
      <table className="mt-1 w-full max-w-md text-sm">
        <caption className="sr-only">Of {show(joules.launch, 'energy')} when the rod stops</caption>
        <tbody>
          {shown.map((p) => (
            <tr key={p.key}>
              <th scope="row" className="py-0.5 text-left font-normal">
                <span
                  className="mr-2 inline-block size-3 border border-ink align-[-1px]"
                  style={{ background: shade(p) }}
                  aria-hidden="true"
                />
                {p.name}
              </th>
              <td className="text-right">{show(joules[p.key], 'energy')}</td>
              <td className="w-14 text-right font-semibold">{Math.round((100 * joules[p.key]) / joules.launch)} %</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
