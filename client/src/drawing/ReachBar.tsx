import { scaleLinear } from 'd3-scale';
import type { Quantity } from '../api/client';
import { carried, distance, metres, rodLength, useUnits } from '../ui/units';
import { useWidth } from './useWidth';
import { Words } from './Words';

/** One cast along the ground, metres, with the farthest reach. */
export type CastFigures = {
  distanceM: number;
  shootM: number;
  carryM: number;
  leaderM: number;
  headM: number;
  reach: Quantity;
};

/** How far an axis must go to hold a cast, metres. */
export const reachSpan = ({ distanceM, shootM, carryM, leaderM, reach }: Omit<CastFigures, 'headM'>) =>
  Math.max(distanceM, shootM + carryM + leaderM, reach.value + (reach.plusMinus ?? 0)) * 1.06;

/** The cast along the ground: line held, line shot, leader, against the distance and the farthest reach, with the head marked. */
export function ReachBar({
  distanceM,
  shootM,
  carryM,
  leaderM,
  headM,
  reach,
  spanM,
}: CastFigures & {
  /** How far the axis goes, metres, where several stand on the same one. */
  spanM?: number;
}) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { show, unitOf } = useUnits();
  const far = spanM ?? reachSpan({ distanceM, shootM, carryM, leaderM, reach });
  const x = scaleLinear([0, far], [16, width - 12]);
  // Round figures in the reader's own unit.
  const unitM = unitOf('length').scale;
  const ticks = scaleLinear([0, far / unitM], [0, 1])
    .ticks(8)
    .map((n) => n * unitM);
  // All the line that is out, which lies a little farther than the fly when the cast climbs or lands in a heap.
  const out = shootM + carryM;
  const headFrom = x(Math.max(0, out - headM));
  const roomBeside = headFrom > 110;
  const parts = [
    { words: 'held in the air', from: shootM, to: out, fill: 'var(--signal)', h: 8, said: carried(carryM) },
    { words: 'shot', from: 0, to: shootM, fill: 'color-mix(in srgb, var(--signal) 45%, var(--paper))', h: 5 },
    { words: 'leader', from: out, to: out + leaderM, fill: 'var(--ink)', h: 2, said: rodLength(leaderM) },
  ];
  const worded = Math.abs(x(reach.value) - x(out) - 45) < 45;
  return (
    <div ref={ref}>
      <svg
        width={width}
        height={124}
        role="img"
        aria-label={`Of ${show(distance(distanceM))}: ${show(distance(shootM))} shot, ${show(carried(carryM))} held in the air, ${show(rodLength(leaderM))} of leader. Farthest today ${show(reach)}.`}
        className="block"
      >
        <rect
          x={x(reach.value - (reach.plusMinus ?? 0))}
          width={x(reach.value + (reach.plusMinus ?? 0)) - x(reach.value - (reach.plusMinus ?? 0))}
          y="14"
          height="62"
          fill="var(--water)"
        />
        {/* It is broken where the leader's words stand. */}
        <path
          d={`M${x(reach.value)},14${worded ? `V22M${x(reach.value)},38` : ''}V76`}
          stroke="var(--soft)"
          strokeDasharray="4 3"
        />
        <Words x={x(reach.value)} y="11" size={12.5} anchor="end">
          farthest {show(reach)}
        </Words>
        {parts
          .filter((p) => p.to - p.from > 0.05)
          .map((p) => (
            <g key={p.words}>
              <rect x={x(p.from)} width={x(p.to) - x(p.from)} y={48 - p.h / 2} height={p.h} fill={p.fill} />
              <line x1={x(p.from)} x2={x(p.from)} y1="36" y2="60" stroke="var(--ink)" />
              <text
                // A leader is short; its words begin where the head's line above them ends.
                x={p.words === 'leader' ? x(p.from) + 4 : (x(p.from) + x(p.to)) / 2}
                y={p.words === 'leader' ? 34 : 68}
                fontSize="12.5"
                textAnchor={p.words === 'leader' ? 'start' : 'middle'}
                fill="var(--ink)"
              >
                {p.words} {show(p.said ?? distance(p.to - p.from))}
              </text>
            </g>
          ))}
        <line x1={headFrom} x2={x(out)} y1="26" y2="26" stroke="var(--ink)" />
        {/* Beside its line where there is room, else above it. */}
        <Words
          x={roomBeside ? headFrom - 4 : headFrom}
          y={roomBeside ? 30 : 20}
          size={12.5}
          anchor={roomBeside ? 'end' : 'start'}
        >
          head {show(metres(headM))}
        </Words>
        <path d={`M${x(distanceM)},48l9,-7v14z`} fill="var(--sheet)" stroke="var(--ink)" />
        <line x1={x(0)} x2={x(far)} y1="88" y2="88" stroke="var(--ink)" />
        {ticks.map((m) => (
          <g key={m}>
            <line x1={x(m)} x2={x(m)} y1="88" y2="93" stroke="var(--ink)" />
            <Words x={x(m)} y="106" anchor="middle" soft>
              {show(distance(m))}
            </Words>
          </g>
        ))}
      </svg>
    </div>
  );
}
