import { scaleLinear } from 'd3-scale';
import type { Solution } from '../api/client';
import { useUnits } from '../ui/units';
import { useWidth } from './useWidth';
import { Words } from './Words';

/** Rods of the shed on one scale of classes: hollow is the label, filled is what was measured. */
export function ClassScale({
  aim,
  chosenId,
  rods,
}: {
  aim: Solution['class'];
  /** The rod in the chain. */
  chosenId: number;
  rods: { id: number; tag: string; printed: number | null; measured: number | null; plusMinus: number | null }[];
}) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { show } = useUnits();
  const x = scaleLinear([0, 12], [64, width - 16]);
  const { target, delivery, floor, fits } = aim;
  const rowH = 19;
  const top = 48;
  const height = top + rods.length * rowH + 8;
  const cls = (value: number) => show(value, 'lineClass');
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
            <Words x={x(i)} y={top - 12} anchor="middle" soft>
              {i}
            </Words>
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
        <Words x={x(target) + 5} y={15} size={13} bold anchor={target > 9 ? 'end' : 'start'}>
          aimed for {cls(target)}
        </Words>
        <path d={`M${x(floor)},${top - 8}l-5,-7h10z`} fill="var(--soft)" />
        {rods.map((rod, i) => {
          const y = top + i * rowH + 8;
          const chosen = rod.id === chosenId;
          return (
            <g key={rod.id}>
              <Words x="4" y={y + 4} size={13} fontWeight={chosen ? 700 : 400}>
                {rod.tag}
                {chosen ? ' ◂' : ''}
              </Words>
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
