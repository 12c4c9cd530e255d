import { scaleLinear } from 'd3-scale';
import { curveMonotoneX, line } from 'd3-shape';
import type { LogWind, LossRow, ProgressDay, Quantity, SeasonDay } from '../api/client';
import { saidDay } from '../ui/dates';
import { distance, useUnits } from '../ui/units';
import { ticks } from './ticks';
import { useWidth } from './useWidth';
import { Words } from './Words';

/** What was lost to what: one mark for each loss, so that one is one and many are many. */
export function LossPicture({ losses, nameOf }: { losses: LossRow[]; nameOf: (cause: LossRow['cause']) => string }) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const rowH = 30;
  const left = Math.min(170, width * 0.42);
  const most = Math.max(1, ...losses.map((l) => l.count));
  const step = Math.min(18, (width - left - 40) / most);
  return (
    <div ref={ref}>
      <svg
        width={width}
        height={Math.max(1, losses.length) * rowH + 4}
        role="img"
        aria-label={`Losses by cause: ${losses.map((l) => `${nameOf(l.cause)} ${l.count}`).join(', ') || 'none'}`}
        className="block"
      >
        {losses.map((l, i) => (
          <g key={l.cause} transform={`translate(0 ${i * rowH + 4})`}>
            <Words x={left - 10} y="17" size={13.5} anchor="end">
              {nameOf(l.cause)}
            </Words>
            <line x1={left} x2={width - 4} y1="22" y2="22" stroke="var(--hair)" />
            {/* A broken hook-length for each. */}
            {Array.from({ length: l.count }, (_, n) => (
              <path
                key={n}
                transform={`translate(${left + 4 + n * step} 4)`}
                d="M2 0v7 M0 9l4 2 M3 12v3a2.6 2.6 0 0 1-5 0"
                fill="none"
                stroke="var(--ink)"
                strokeWidth="1.5"
                strokeLinecap="round"
              />
            ))}
            <Words x={left + 10 + l.count * step} y="17" size={13.5} bold>
              {l.count}
            </Words>
          </g>
        ))}
      </svg>
    </div>
  );
}

/** Casts over the wind, with the engine's own curve and its doubt under them. */
export function WindPicture({ data, title }: { data: LogWind; title: string }) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { show, unitOf } = useUnits();
  const height = 260;
  const { points, windsMps, reachM, tolerance } = data;
  const most = Math.max(5, ...points.map((p) => p.distanceM), ...reachM.map((r) => r * (1 + tolerance))) * 1.06;
  const x = scaleLinear([windsMps[0]!, windsMps.at(-1)!], [52, width - 12]).clamp(true);
  const y = scaleLinear([0, most], [height - 40, 12]);
  const at = (share: number) => reachM.map((r, i) => [x(windsMps[i]!), y(r * share)] as const);
  const path = (pts: readonly (readonly [number, number])[]) =>
    line<readonly [number, number]>(
      (p) => p[0],
      (p) => p[1],
    ).curve(curveMonotoneX)(pts as [number, number][]) ?? '';
  const upper = at(1 + tolerance);
  const lower = [...at(1 - tolerance)].reverse();
  const lengthUnit = unitOf('distance').scale;
  const wind = (mps: number) => show(Math.abs(mps), 'windSpeed');
  return (
    <div ref={ref}>
      <svg
        width={width}
        height={height}
        role="img"
        aria-label={`${title}: ${points.length} casts over the wind${reachM.length > 0 ? `, with what is worked out for ${data.caster}` : ''}`}
        className="block"
      >
        {ticks(y, 5, lengthUnit).map((t) => (
          <g key={t}>
            <line x1="52" x2={width - 12} y1={y(t)} y2={y(t)} stroke="var(--hair)" />
            <Words x="47" y={y(t) + 4} anchor="end" soft>
              {show(distance(t))}
            </Words>
          </g>
        ))}
        {reachM.length > 0 && (
          <>
            <path
              d={`${path(upper)} L${lower.map((p) => p.join(',')).join(' L')}Z`}
              fill="var(--water)"
              stroke="none"
            />
            <path d={path(at(1))} fill="none" stroke="var(--signal)" strokeWidth="2" />
          </>
        )}
        <line x1={x(0)} x2={x(0)} y1={y(0)} y2={y(most)} stroke="var(--soft)" strokeDasharray="2 4" />
        {points.map((p, i) => (
          <g key={i} transform={`translate(${x(p.headwindMps)} ${y(p.distanceM)})`}>
            <title>{`${saidDay(p.on)}: ${show(distance(p.distanceM))}, ${wind(p.headwindMps)} ${p.headwindMps < 0 ? 'from behind' : 'in the face'}`}</title>
            {p.turned === 'piled' ? (
              <path d="M-4-4l8 8m0-8l-8 8" stroke="var(--ink)" strokeWidth="1.6" />
            ) : (
              <circle r="4.5" fill={p.allOut ? 'var(--ink)' : 'none'} stroke="var(--ink)" strokeWidth="1.5" />
            )}
          </g>
        ))}
        {ticks(x, Math.min(7, width / 90), unitOf('windSpeed').scale || 1).map((t) => (
          <Words key={t} x={x(t)} y={height - 22} anchor="middle" soft>
            {wind(t)}
          </Words>
        ))}
        <Words x={x(windsMps[0]!)} y={height - 5} soft>
          from behind
        </Words>
        <Words x={width - 12} y={height - 5} anchor="end" soft>
          in the face
        </Words>
      </svg>
    </div>
  );
}

const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** A season as a wall calendar: a row for each month; a fish day is filled and as large as its catch, a blank one hollow. */
export function SeasonPicture({ days, year }: { days: SeasonDay[]; year: number }) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const left = 40;
  const cell = (width - left - 4) / 31;
  const rowH = Math.max(18, Math.min(26, cell));
  const its = days.filter((d) => d.on.startsWith(`${year}-`));
  const most = Math.max(3, ...its.map((d) => d.landed));
  return (
    <div ref={ref}>
      <svg
        width={width}
        height={12 * rowH + 20}
        role="img"
        aria-label={`${year}: ${its.reduce((n, d) => n + d.fishing, 0)} outings and ${its.reduce((n, d) => n + d.practice, 0)} practices on ${its.length} days`}
        className="block"
      >
        {[1, 5, 10, 15, 20, 25, 31].map((d) => (
          <Words key={d} x={left + (d - 0.5) * cell} y="11" anchor="middle" soft>
            {d}
          </Words>
        ))}
        {months.map((m, i) => (
          <g key={m}>
            <Words x={left - 8} y={i * rowH + 20 + rowH * 0.62} size={12.5} anchor="end">
              {m}
            </Words>
            <line
              x1={left}
              x2={left + new Date(year, i + 1, 0).getDate() * cell}
              y1={i * rowH + 20 + rowH / 2}
              y2={i * rowH + 20 + rowH / 2}
              stroke="var(--hair)"
            />
          </g>
        ))}
        {its.map((d) => {
          const [, month, day] = d.on.split('-').map(Number) as [number, number, number];
          const r = Math.min(cell, rowH) / 2 - 1;
          const size = d.landed === 0 ? r * 0.5 : r * (0.45 + 0.55 * Math.sqrt(d.landed / most));
          return (
            <g key={d.on} transform={`translate(${left + (day - 0.5) * cell} ${(month - 1) * rowH + 20 + rowH / 2})`}>
              <title>{`${saidDay(d.on)}: ${d.fishing > 0 ? `${d.landed} fish, ${d.lost} lost` : 'practice'}`}</title>
              {d.fishing > 0 ? (
                <circle
                  r={size}
                  fill={d.landed > 0 ? 'var(--ink)' : 'var(--paper)'}
                  stroke="var(--ink)"
                  strokeWidth="1.4"
                />
              ) : (
                <path
                  d={`M${-r * 0.6} ${r * 0.5}L0 ${-r * 0.6}L${r * 0.6} ${r * 0.5}Z`}
                  fill="var(--paper)"
                  stroke="var(--ink)"
                  strokeWidth="1.3"
                />
              )}
              {d.lost > 0 && <path d={`M${-r} ${r}h${2 * r}`} stroke="var(--fails)" strokeWidth="2" />}
            </g>
          );
        })}
      </svg>
    </div>
  );
}

/** A value before and after, each with how far it may be off, on one axis. */
export function DoubtPicture({ name, before, after }: { name: string; before: Quantity; after: Quantity }) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { show } = useUnits();
  const off = (q: Quantity) => q.plusMinus ?? 0;
  const low = Math.min(before.value - off(before), after.value - off(after));
  const high = Math.max(before.value + off(before), after.value + off(after));
  const pad = (high - low) * 0.08;
  const x = scaleLinear([low - pad, high + pad], [62, width - 8]);
  const row = (words: string, q: Quantity, top: number, strong: boolean) => (
    <g>
      <Words x="56" y={top + 4} size={12.5} anchor="end" fill={strong ? 'var(--ink)' : 'var(--soft)'}>
        {words}
      </Words>
      <line
        x1={x(q.value - off(q))}
        x2={x(q.value + off(q))}
        y1={top}
        y2={top}
        stroke={strong ? 'var(--ink)' : 'var(--soft)'}
        strokeWidth={strong ? 7 : 3}
        strokeLinecap="round"
        opacity={strong ? 0.25 : 0.5}
      />
      <circle
        cx={x(q.value)}
        cy={top}
        r="5"
        fill={strong ? 'var(--ink)' : 'var(--paper)'}
        stroke={strong ? 'var(--ink)' : 'var(--soft)'}
        strokeWidth="1.6"
      />
    </g>
  );
  return (
    <div ref={ref} className="min-w-0">
      <p className="rubric">
        {name} <span className="font-normal">{show(after)}</span>
      </p>
      <svg
        width={width}
        height="44"
        role="img"
        aria-label={`${name}: before ${show(before)}, now ${show(after)}`}
        className="block"
      >
        {row('before', before, 12, false)}
        {row('casts', after, 32, true)}
      </svg>
    </div>
  );
}

/** The middle of the casts made all out, day by day, with the farthest as a stroke above it. */
export function ProgressPicture({ days }: { days: ProgressDay[] }) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { show, unitOf } = useUnits();
  const height = 170;
  const its = days.filter((d) => d.middleM != null);
  if (its.length < 2) return null;
  const time = (d: ProgressDay) => Date.parse(d.on);
  const most = Math.max(...its.map((d) => d.farthestM ?? 0)) * 1.08;
  const x = scaleLinear([time(its[0]!), time(its.at(-1)!)], [56, width - 14]);
  const y = scaleLinear([0, most], [height - 24, 10]);
  return (
    <div ref={ref}>
      <svg
        width={width}
        height={height}
        role="img"
        aria-label={`Distance over time: from ${show(distance(its[0]!.middleM!))} to ${show(distance(its.at(-1)!.middleM!))}, middle of each day`}
        className="block"
      >
        {ticks(y, 4, unitOf('distance').scale).map((t) => (
          <g key={t}>
            <line x1="56" x2={width - 14} y1={y(t)} y2={y(t)} stroke="var(--hair)" />
            <Words x="50" y={y(t) + 4} anchor="end" soft>
              {show(distance(t))}
            </Words>
          </g>
        ))}
        {its.map((d, i) => (
          <g key={`${d.on}-${i}`} transform={`translate(${x(time(d))} 0)`}>
            <title>{`${saidDay(d.on)}: middle ${show(distance(d.middleM!))}, farthest ${show(distance(d.farthestM!))}`}</title>
            <line y1={y(d.middleM!)} y2={y(d.farthestM!)} stroke="var(--ink)" strokeWidth="1.3" />
            {d.kind === 'grass' ? (
              <path
                d={`M-5 ${y(d.middleM!) + 4}L0 ${y(d.middleM!) - 5}L5 ${y(d.middleM!) + 4}Z`}
                fill="var(--paper)"
                stroke="var(--ink)"
                strokeWidth="1.4"
              />
            ) : (
              <circle cy={y(d.middleM!)} r="4" fill="var(--ink)" />
            )}
          </g>
        ))}
        <Words x="56" y={height - 6} soft>
          {saidDay(its[0]!.on)}
        </Words>
        <Words x={width - 14} y={height - 6} anchor="end" soft>
          {saidDay(its.at(-1)!.on)}
        </Words>
      </svg>
    </div>
  );
}
