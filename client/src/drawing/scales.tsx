import { scaleLinear } from 'd3-scale';
import type { Solution, Stretch } from '../api/client';
import { metres, useUnits } from '../ui/units';
import { useWidth } from './useWidth';

type Spread = { low: number; high: number };

/** Load of one line in the rod's grain window, as a bar to compare down a list. */
export function LoadBar({ ratio, ideal, window }: { ratio: number | null; ideal: number; window: Spread }) {
  const x = scaleLinear([0.5, 2], [0, 120]).clamp(true);
  return (
    <svg width="120" height="16" aria-hidden="true" className="block">
      <rect
        x={x(window.low)}
        y="5"
        width={x(window.high) - x(window.low)}
        height="6"
        fill="var(--water)"
        stroke="var(--soft)"
        strokeWidth="0.8"
      />
      <line x1={x(ideal)} x2={x(ideal)} y1="2" y2="14" stroke="var(--ink)" strokeWidth="1.2" />
      {ratio !== null && <path d={`M${x(ratio)},3l4.5,5l-4.5,5l-4.5,-5z`} fill="var(--ink)" />}
    </svg>
  );
}

/** Rods of the shed on one scale of classes: hollow is the label, filled is what was measured. */
export function ClassScale({
  solution,
  rods,
}: {
  solution: Solution;
  rods: { id: number; tag: string; printed: number | null; measured: number | null; plusMinus: number | null }[];
}) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { show } = useUnits();
  const x = scaleLinear([0, 12], [64, width - 16]);
  const { target, delivery, floor, fits } = solution.class;
  const rowH = 19;
  const top = 48;
  const height = top + rods.length * rowH + 8;
  const cls = (value: number) => show({ value, kind: 'lineClass', plusMinus: null });
  return (
    <div ref={ref}>
      <svg
        width={width}
        height={height}
        role="img"
        aria-label={`Rods by class. Aimed for ${cls(target)}, delivers from ${cls(delivery)}, fish asks for ${cls(floor)}.`}
        className="block"
      >
        {Array.from({ length: 13 }, (_, i) => (
          <g key={i}>
            <line x1={x(i)} x2={x(i)} y1={top - 8} y2={height - 4} stroke="var(--hair)" />
            <text x={x(i)} y={top - 12} textAnchor="middle" fontSize="12" fill="var(--soft)">
              {i}
            </text>
          </g>
        ))}
        <rect
          x={x(fits.low)}
          width={x(fits.high) - x(fits.low)}
          y={top - 6}
          height={height - top}
          fill="var(--signal)"
          opacity="0.12"
        />
        <line x1={x(target)} x2={x(target)} y1={18} y2={height - 4} stroke="var(--signal)" strokeWidth="2" />
        <text
          x={x(target) + 5}
          y={15}
          fontSize="13"
          fontWeight="700"
          fill="var(--ink)"
          textAnchor={target > 9 ? 'end' : 'start'}
        >
          aimed for {cls(target)}
        </text>
        <path d={`M${x(floor)},${top - 8}l-5,-7h10z`} fill="var(--soft)" />
        {rods.map((rod, i) => {
          const y = top + i * rowH + 8;
          const chosen = rod.id === solution.outfit.rod.id;
          return (
            <g key={rod.id}>
              <text x="4" y={y + 4} fontSize="13" fontWeight={chosen ? 700 : 400} fill="var(--ink)">
                {rod.tag}
                {chosen ? ' ◂' : ''}
              </text>
              {rod.printed !== null && rod.measured !== null && (
                <line
                  x1={x(rod.printed)}
                  x2={x(rod.measured)}
                  y1={y}
                  y2={y}
                  stroke="var(--ink)"
                  strokeWidth="1"
                  strokeDasharray="2 3"
                />
              )}
              {rod.measured !== null && rod.plusMinus !== null && (
                <line
                  x1={x(rod.measured - rod.plusMinus)}
                  x2={x(rod.measured + rod.plusMinus)}
                  y1={y}
                  y2={y}
                  stroke="var(--ink)"
                  strokeWidth="4"
                  opacity="0.35"
                />
              )}
              {rod.printed !== null && (
                <rect
                  x={x(rod.printed) - 4.5}
                  y={y - 4.5}
                  width="9"
                  height="9"
                  fill="var(--paper)"
                  stroke="var(--ink)"
                  strokeWidth="1.4"
                />
              )}
              {rod.measured !== null && <circle cx={x(rod.measured)} cy={y} r="5" fill="var(--ink)" />}
            </g>
          );
        })}
      </svg>
      <p className="rubric font-normal">
        Square: the label. Dot with bar: measured, with its tolerance. Small triangle: what the fish asks for.
      </p>
    </div>
  );
}

/** The cast along the ground: line held, line shot, leader, against the distance and the farthest reach, with the head marked. */
export function ReachBar({ solution }: { solution: Solution }) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { show, unitOf } = useUnits();
  const { outfit, brief } = solution;
  const { headM } = outfit.line;
  const far =
    Math.max(
      brief.distanceM,
      outfit.shootM + outfit.carryM + outfit.leader.lengthM,
      outfit.reachM.value + (outfit.reachM.plusMinus ?? 0),
    ) * 1.06;
  const x = scaleLinear([0, far], [16, width - 12]);
  // Round figures in the reader's own unit.
  const unitM = unitOf('length').scale;
  const ticks = scaleLinear([0, far / unitM], [0, 1])
    .ticks(8)
    .map((n) => n * unitM);
  const leader = outfit.leader.lengthM;
  // All the line that is out, which lies a little farther than the fly when the cast climbs or lands in a heap.
  const out = outfit.shootM + outfit.carryM;
  const carry = outfit.carryM;
  const headFrom = x(Math.max(0, out - headM));
  const roomBeside = headFrom > 110;
  const parts = [
    { words: 'held in the air', from: outfit.shootM, to: out, fill: 'var(--signal)', h: 8 },
    { words: 'shot', from: 0, to: outfit.shootM, fill: 'color-mix(in srgb, var(--signal) 45%, var(--paper))', h: 5 },
    { words: 'leader', from: out, to: out + leader, fill: 'var(--ink)', h: 2 },
  ];
  return (
    <div ref={ref}>
      <svg
        width={width}
        height={124}
        role="img"
        aria-label={`Of ${show(metres(brief.distanceM))}: ${show(metres(outfit.shootM))} shot, ${show(metres(carry))} held in the air, ${show(metres(leader))} of leader. Farthest today ${show(outfit.reachM)}.`}
        className="block"
      >
        <rect
          x={x(outfit.reachM.value - (outfit.reachM.plusMinus ?? 0))}
          width={
            x(outfit.reachM.value + (outfit.reachM.plusMinus ?? 0)) -
            x(outfit.reachM.value - (outfit.reachM.plusMinus ?? 0))
          }
          y="14"
          height="62"
          fill="var(--water)"
        />
        <line
          x1={x(outfit.reachM.value)}
          x2={x(outfit.reachM.value)}
          y1="14"
          y2="76"
          stroke="var(--soft)"
          strokeDasharray="4 3"
        />
        <text x={x(outfit.reachM.value)} y="11" fontSize="12.5" textAnchor="end" fill="var(--ink)">
          farthest {show(outfit.reachM)}
        </text>
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
                {p.words} {show(metres(p.to - p.from))}
              </text>
            </g>
          ))}
        <line x1={headFrom} x2={x(out)} y1="26" y2="26" stroke="var(--ink)" />
        {/* Beside its line where there is room, else above it. */}
        <text
          x={roomBeside ? headFrom - 4 : headFrom}
          y={roomBeside ? 30 : 20}
          fontSize="12.5"
          textAnchor={roomBeside ? 'end' : 'start'}
          fill="var(--ink)"
        >
          head {show(metres(headM))}
        </text>
        <path d={`M${x(brief.distanceM)},48l9,-7v14z`} fill="var(--sheet)" stroke="var(--ink)" />
        <line x1={x(0)} x2={x(far)} y1="88" y2="88" stroke="var(--ink)" />
        {ticks.map((m) => (
          <g key={m}>
            <line x1={x(m)} x2={x(m)} y1="88" y2="93" stroke="var(--ink)" />
            <text x={x(m)} y="106" fontSize="11.5" textAnchor="middle" fill="var(--soft)">
              {show(metres(m))}
            </text>
          </g>
        ))}
      </svg>
    </div>
  );
}

/** A line's head to scale along its length, thickness exaggerated, with the 30-ft mark. */
export function LineProfile({ stretches, headM, carryM }: { stretches: Stretch[]; headM: number; carryM: number }) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { show, standards } = useUnits();
  const span = Math.min(
    stretches.reduce((sum, s) => sum + s.lengthM, 0),
    Math.max(headM * 1.25, 12),
  );
  const belly = Math.max(...stretches.flatMap((s) => [s.startM, s.endM]));
  const x = scaleLinear([0, span], [6, width - 6]);
  const y = scaleLinear([0, belly], [0, 15]);
  const ends = stretches.map((_, i) => stretches.slice(0, i).reduce((sum, s) => sum + s.lengthM, 0));
  const path = stretches
    .map((s, i) => ({
      from: ends[i]!,
      to: Math.min(span, ends[i]! + s.lengthM),
      a: s.startM,
      b: s.endM,
      whole: s.lengthM,
    }))
    .filter((s) => s.from < span);
  const times = Math.round(30 / (belly * 1000) / ((width - 12) / (span * 1000)));
  const thirtyFeet = 30 * standards.units.find((u) => u.kind === 'length')!.trade.scale;
  return (
    <div ref={ref}>
      <svg
        width={width}
        height={86}
        role="img"
        aria-label={`Head of ${show(metres(headM))}, to scale along its length`}
        className="block"
      >
        {path.map((s, i) => {
          const b = s.a + ((s.b - s.a) * (s.to - s.from)) / s.whole;
          return (
            <path
              key={i}
              d={`M${x(s.from)},${36 - y(s.a)}L${x(s.to)},${36 - y(b)}V${36 + y(b)}L${x(s.from)},${36 + y(s.a)}Z`}
              fill="var(--signal)"
              opacity={s.from >= headM - 0.01 ? 0.6 : 1}
            />
          );
        })}
        {[
          { m: thirtyFeet, words: '30 ft', at: 66 },
          { m: carryM, words: 'held in the air', at: 82 },
          { m: headM, words: `head ${show(metres(headM))}`, at: 14 },
        ]
          .filter((mark) => mark.m <= span)
          .map((mark) => (
            <g key={mark.words}>
              <line
                x1={x(mark.m)}
                x2={x(mark.m)}
                y1="16"
                y2={mark.at > 40 ? mark.at - 11 : 56}
                stroke="var(--ink)"
                strokeWidth="1.2"
              />
              <text
                x={x(mark.m)}
                y={mark.at}
                fontSize="12.5"
                textAnchor={x(mark.m) > width - 60 ? 'end' : 'middle'}
                fill="var(--ink)"
              >
                {mark.words}
              </text>
            </g>
          ))}
      </svg>
      <p className="rubric font-normal">Length to scale, fly end on the left; thickness {times} times exaggerated.</p>
    </div>
  );
}
