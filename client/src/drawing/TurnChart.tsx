import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { FillAnswer } from '../api/client';
import { metres, spooled, useUnits } from '../ui/units';
import { ticks } from './ticks';
import { useWidth } from './useWidth';
import { Words } from './Words';

type Curve = FillAnswer['turns'][number];
const dashes = [undefined, '2 4', '8 4'];

/** Line a turn from the full spool to the last wraps: this spool, and the same room on other arbors. */
export function TurnChart({ curves }: { curves: Curve[] }) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { show, unitOf } = useUnits();
  const end = curves[0]!.points.at(-1)!.outM;
  const high = Math.max(...curves.map((c) => c.points[0]!.perTurnM));
  const x = scaleLinear([0, end], [46, width - 96]);
  const y = scaleLinear([0, high * 1.05], [170, 12]);
  const ends = curves
    .map((c, i) => ({ name: c.name, i, at: y(c.points.at(-1)!.perTurnM) }))
    .sort((a, b) => a.at - b.at)
    .reduce<{ name: string; i: number; at: number }[]>(
      (all, c) => [...all, { ...c, at: Math.max(c.at, (all.at(-1)?.at ?? -20) + 15) }],
      [],
    );
  return (
    <div ref={ref}>
      <svg
        width={width}
        height={204}
        role="img"
        className="block"
        aria-label={`Line a turn over line out: ${curves.map((c) => `${c.name} from ${show(metres(c.points[0]!.perTurnM))} when full to ${show(metres(c.points.at(-1)!.perTurnM))} at the last wraps`).join('; ')}`}
      >
        {ticks(y, 4, unitOf('spoolSize').scale).map((t) => (
          <g key={t}>
            <line x1={x(0)} x2={x(end)} y1={y(t)} y2={y(t)} stroke="var(--hair)" />
            <Words x={x(0) - 6} y={y(t) + 4} anchor="end" soft>
              {show(t, 'spoolSize')}
            </Words>
          </g>
        ))}
        {ticks(x, Math.min(5, width / 110), unitOf('spooled').scale).map((t) => (
          <Words key={t} x={x(t)} y={187} anchor="middle" soft>
            {show(spooled(t))}
          </Words>
        ))}
        <Words x={x(end)} y={202} anchor="end" soft>
          line out
        </Words>
        {curves.map((c, i) => (
          <path
            key={c.name}
            d={
              line<Curve['points'][number]>(
                (p) => x(p.outM),
                (p) => y(p.perTurnM),
              )(c.points) ?? ''
            }
            fill="none"
            stroke={i === 0 ? 'var(--signal)' : 'var(--ink)'}
            strokeWidth={i === 0 ? 2.6 : 1.4}
            strokeDasharray={dashes[i]}
          />
        ))}
        {ends.map((c) => (
          <Words key={c.name} x={x(end) + 6} y={c.at + 4} size={12.5} fontWeight={c.i === 0 ? 700 : 400}>
            {c.name}
          </Words>
        ))}
      </svg>
    </div>
  );
}
