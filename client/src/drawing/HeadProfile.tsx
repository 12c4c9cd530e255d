import { scaleLinear } from 'd3-scale';
import type { Stretch } from '../api/client';
import { metres, useUnits } from '../ui/units';
import { useWidth } from './useWidth';
import { Words } from './Words';

/** How much of a line shows its head and what follows it, metres. */
export const headSpan = (headM: number) => Math.max(headM * 1.25, 12);

/** A line's head to scale along its length, thickness exaggerated, with the 30-ft mark. */
export function HeadProfile({
  stretches,
  headM,
  carryM,
  axes,
}: {
  stretches: Stretch[];
  headM: number;
  carryM: number;
  /** Length and thickness that the axes hold, metres, where several heads stand on the same ones. */
  axes?: { lengthM: number; thickM: number };
}) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { show, standards } = useUnits();
  const span = Math.min(
    stretches.reduce((sum, s) => sum + s.lengthM, 0),
    axes?.lengthM ?? headSpan(headM),
  );
  const belly = axes?.thickM ?? Math.max(...stretches.flatMap((s) => [s.startM, s.endM]));
  const x = scaleLinear([0, axes?.lengthM ?? span], [6, width - 6]);
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
  const times = Math.round(30 / (belly * 1000) / ((width - 12) / ((axes?.lengthM ?? span) * 1000)));
  const thirtyFeet = standards.thirtyFeetM;
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
              <Words x={x(mark.m)} y={mark.at} size={12.5} anchor={x(mark.m) > width - 60 ? 'end' : 'middle'}>
                {mark.words}
              </Words>
            </g>
          ))}
      </svg>
      <p className="rubric font-normal">Length to scale, fly end on the left; thickness {times} times exaggerated.</p>
    </div>
  );
}
