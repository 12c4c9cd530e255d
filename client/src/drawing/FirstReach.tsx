import { scaleLinear } from 'd3-scale';
import type { FirstOutfit } from '../api/client';
import { useSayText } from '../ui/Say';
import { distance, useUnits } from '../ui/units';
import { FishMark } from './FishMark';
import { useWidth } from './useWidth';
import { Words } from './Words';

const rowPx = 46;

/** How far a learner gets on each day, along the ground, with the fish where it lies. */
export function FirstReach({ reach }: { reach: FirstOutfit['reach'] }) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { show, unitOf } = useUnits();
  const text = useSayText();
  const far = Math.max(...reach.map((r) => r.reach.value + (r.reach.plusMinus ?? 0))) * 1.04;
  const x = scaleLinear([0, far], [10, width - 12]);
  const unitM = unitOf('distance').scale;
  const ticks = scaleLinear([0, far / unitM], [0, 1])
    .ticks(6)
    .map((n) => n * unitM);
  const foot = reach.length * rowPx + 8;
  return (
    <div ref={ref}>
      <svg
        width={width}
        height={foot + 26}
        role="img"
        aria-label={reach
          .map((r) => `${r.name}: wanted ${show(r.wanted)}, reached ${show(r.reach)}; ${text(r.says)}`)
          .join('. ')}
        className="block"
      >
        {reach.map((r, i) => {
          const [low, high] = [r.reach.value - (r.reach.plusMinus ?? 0), r.reach.value + (r.reach.plusMinus ?? 0)];
          const y = i * rowPx + 30;
          return (
            <g key={r.name}>
              <Words x={x(0)} y={y - 14} size={12.5}>
                {r.name}: {text(r.says)}
              </Words>
              <rect x={x(low)} y={y - 8} width={x(high) - x(low)} height="16" fill="var(--water)" />
              <line x1={x(0)} x2={x(r.reach.value)} y1={y} y2={y} stroke="var(--signal)" strokeWidth="3" />
              <path d={`M${x(r.reach.value)},${y - 8}v16`} stroke="var(--soft)" strokeDasharray="3 3" />
              <FishMark kind={r.fish} px={34} at={[x(r.wanted.value), y]} />
            </g>
          );
        })}
        <line x1={x(0)} x2={x(far)} y1={foot} y2={foot} stroke="var(--ink)" />
        {ticks.map((m) => (
          <g key={m}>
            <line x1={x(m)} x2={x(m)} y1={foot} y2={foot + 5} stroke="var(--ink)" />
            <Words x={x(m)} y={foot + 19} anchor={m === 0 ? 'start' : 'middle'} soft>
              {show(distance(m))}
            </Words>
          </g>
        ))}
      </svg>
    </div>
  );
}
