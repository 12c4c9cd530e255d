import { scaleLinear } from 'd3-scale';
import type { Bend } from '../api/client';
import { metres, useUnits } from '../ui/units';
import { useWidth } from './useWidth';
import { Words } from './Words';

type Point = readonly [right: number, up: number];
export type Bent = { name: string; bend: Bend; heldM: number };

const path = (points: Point[], x: (m: number) => number, y: (m: number) => number) =>
  points.map(([right, up], i) => `${i ? 'L' : 'M'}${x(right).toFixed(1)},${y(up).toFixed(1)}`).join('');

/** A rod's places with the pull to the right, metres from the hand. The butt leans back by the angle to the pull. */
function laid({ bend, heldM }: Bent): Point[] {
  const [cos, sin] = [Math.cos(bend.angleRad), Math.sin(bend.angleRad)];
  return [
    [-heldM * cos, -heldM * sin],
    ...bend.shape.map(({ outM, downM }): Point => [outM * cos + downM * sin, outM * sin - downM * cos]),
  ];
}

/** Rods under the same pull, to one scale: the line runs off to the right, the hand is where they begin. */
export function PullDrawing({
  rods,
  label,
  line,
  height = 330,
  fan = [],
}: {
  rods: Bent[];
  label: string;
  line: string;
  height?: number;
  fan?: Bend[];
}) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { show, unitOf } = useUnits();
  const shapes = rods.map(laid);
  const faint = fan.map((bend) => laid({ name: '', bend, heldM: rods[0]!.heldM }));
  const all = [...shapes, ...faint].flat();
  const straight = rods.map(({ bend }): Point[] => {
    const length = bend.shape.at(-1)!.alongM;
    return [
      [0, 0],
      [length * Math.cos(bend.angleRad), length * Math.sin(bend.angleRad)],
    ];
  });
  const everything = [...all, ...straight.flat()];
  const [left, right] = [Math.min(...everything.map((p) => p[0])), Math.max(...everything.map((p) => p[0]))];
  const [low, high] = [Math.min(...everything.map((p) => p[1])), Math.max(...everything.map((p) => p[1]))];
  const room = 120;
  const px = Math.min((width - room - 24) / Math.max(0.5, right - left), (height - 44) / Math.max(0.5, high - low));
  const x = (m: number) => 14 + (m - left) * px;
  const y = (m: number) => 20 + (high - m) * px;
  // The scale bar is half a metre or two feet.
  const unit = unitOf('length').scale;
  const bar = unit * (unit < 0.5 ? 2 : 0.5);
  return (
    <div ref={ref}>
      <svg width={width} height={height} role="img" aria-label={label} className="block">
        <path d={path(straight[0]!, x, y)} stroke="var(--soft)" strokeDasharray="3 4" fill="none" />
        {faint.map((points, i) => (
          <path key={i} d={path(points, x, y)} stroke="var(--soft)" strokeWidth="1.1" fill="none" opacity="0.7" />
        ))}
        {shapes.map((points, i) => {
          const tip = points.at(-1)!;
          return (
            <g key={i}>
              <line
                x1={x(tip[0])}
                y1={y(tip[1])}
                x2={Math.max(x(tip[0]) + 40, width - 16)}
                y2={y(tip[1])}
                stroke="var(--signal)"
                strokeWidth={i ? 1.2 : 2.2}
                strokeDasharray={i ? '5 4' : undefined}
              />
              <path
                d={path(points, x, y)}
                stroke="var(--ink)"
                strokeWidth={i ? 1.8 : 3}
                strokeLinecap="round"
                strokeLinejoin="round"
                strokeDasharray={i ? '7 4' : undefined}
                fill="none"
              />
              <circle cx={x(tip[0])} cy={y(tip[1])} r={i ? 2.5 : 3.5} fill="var(--ink)" />
            </g>
          );
        })}
        <path
          d={path(shapes[0]!.slice(0, 2), x, y)}
          stroke="var(--ink)"
          strokeWidth="9"
          strokeLinecap="round"
          fill="none"
        />
        <Words x={width - 16} y={y(shapes[0]!.at(-1)![1]) - 8} anchor="end" size={13} fontWeight="650">
          {line}
        </Words>
        <g transform={`translate(${width - 16 - bar * px},${height - 12})`}>
          <path d={`M0,-4v8m0,-4h${bar * px}m0,-4v8`} stroke="var(--ink)" fill="none" />
          <Words x={(bar * px) / 2} y="-5" anchor="middle" soft>
            {show(metres(bar))}
          </Words>
        </g>
      </svg>
    </div>
  );
}

/** Where the bending energy sits: tip, middle, butt, one bar a rod. */
export function ThirdsBar({ rods }: { rods: Bent[] }) {
  const percent = (share: number) => `${Math.round(share * 100)} %`;
  return (
    <table className="w-full">
      <thead>
        <tr className="rubric text-left">
          <th scope="col">bends in the</th>
          <th scope="col">butt</th>
          <th scope="col">middle</th>
          <th scope="col">tip</th>
          <th className="sr-only">as a bar</th>
        </tr>
      </thead>
      <tbody>
        {rods.map(({ name, bend: { thirds } }, i) => (
          <tr key={i} className="border-t border-hair">
            <th scope="row" className="py-1 pr-2 text-left font-semibold">
              {name}
            </th>
            <td>{percent(thirds.butt)}</td>
            <td>{percent(thirds.middle)}</td>
            <td>{percent(thirds.tip)}</td>
            <td className="w-[38%]">
              <svg viewBox="0 0 100 12" preserveAspectRatio="none" className="block h-4 w-full" aria-hidden="true">
                <rect width={100 * thirds.butt} height="12" fill="var(--ink)" />
                <rect x={100 * thirds.butt} width={100 * thirds.middle} height="12" fill="var(--ink)" opacity="0.5" />
                <rect
                  x={100 * (thirds.butt + thirds.middle)}
                  width={100 * thirds.tip}
                  height="12"
                  fill="var(--ink)"
                  opacity="0.2"
                />
              </svg>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The bend test as it stands on the wall: clamp, mark at a third, the rod under its weight, the tip's angle. */
export function TestDrawing({
  lengthM,
  heldM,
  thirdM,
  bend,
  readings,
}: {
  lengthM: number;
  heldM: number;
  thirdM: number;
  bend: Bend | null;
  readings: { dropM: number; outM: number | null }[];
}) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { show } = useUnits();
  const free = lengthM - heldM;
  const deepest = Math.max(thirdM, ...readings.map((r) => r.dropM), bend?.shape.at(-1)?.downM ?? 0);
  const px = Math.min((width - 60) / (lengthM * 1.02), 300 / deepest);
  const height = 48 + deepest * px + 64;
  const x = scaleLinear([-heldM, -heldM + 1], [28, 28 + px]);
  const y = scaleLinear([0, 1], [48, 48 + px]);
  const tip = bend?.shape.at(-1);
  const slope = bend ? [Math.cos(bend.tipRad), Math.sin(bend.tipRad)] : null;
  const degrees = bend ? Math.round((bend.tipRad * 180) / Math.PI) : null;
  return (
    <div ref={ref}>
      <svg
        width={width}
        height={height}
        role="img"
        className="block"
        aria-label={
          bend
            ? `The rod clamped level, its tip ${show(metres(tip!.downM))} down at ${degrees} degrees, to scale`
            : `The rod clamped level with the mark ${show(metres(thirdM))} below its tip, to scale`
        }
      >
        {/* The wall mark: a third of the length below the level of the tip. */}
        <line x1={x(0)} x2={x(free)} y1={y(0)} y2={y(0)} stroke="var(--soft)" strokeDasharray="3 4" />
        <line
          x1={x(free * 0.35)}
          x2={width - 8}
          y1={y(thirdM)}
          y2={y(thirdM)}
          stroke="var(--ink)"
          strokeDasharray="10 4"
        />
        <path
          d={`M${width - 20},${y(0)}V${y(thirdM)}m-4,-7l4,7l4,-7M${width - 24},${y(0) + 7}l4,-7l4,7`}
          stroke="var(--ink)"
          fill="none"
        />
        <Words x={width - 8} y={y(0) - 12} anchor="end" size={14} fontWeight="650">
          mark at one third: {show(metres(thirdM))} down
        </Words>
        {/* The clamp on its shelf. */}
        <path
          d={`M${x(-heldM) - 12},${y(0) + 9}H${x(0)}v14H${x(-heldM) - 12}ZM${x(-heldM)},${y(0) - 18}H${x(0)}v9H${x(-heldM)}Z`}
          fill="var(--land)"
          stroke="var(--ink)"
        />
        <line x1={x(-heldM)} x2={x(0)} y1={y(0)} y2={y(0)} stroke="var(--ink)" strokeWidth="9" />
        {bend ? (
          <path
            d={bend.shape.map((p, i) => `${i ? 'L' : 'M'}${x(p.outM).toFixed(1)},${y(p.downM).toFixed(1)}`).join('')}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="3"
            strokeLinecap="round"
          />
        ) : (
          <line x1={x(0)} x2={x(free)} y1={y(0)} y2={y(0)} stroke="var(--ink)" strokeWidth="3" />
        )}
        {tip && slope && (
          <>
            <path
              d={`M${x(tip.outM)},${y(tip.downM)}v26m-9,0h18l4,22h-26z`}
              fill="var(--sheet)"
              stroke="var(--ink)"
              strokeWidth="1.4"
            />
            {/* The tip's own direction against level. */}
            <path
              d={`M${x(tip.outM)},${y(tip.downM)}h-64M${x(tip.outM)},${y(tip.downM)}l${-64 * slope[0]!},${-64 * slope[1]!}`}
              stroke="var(--soft)"
              fill="none"
            />
            <path
              d={`M${x(tip.outM) - 44},${y(tip.downM)}A44,44 0 0 1 ${x(tip.outM) - 44 * slope[0]!},${y(tip.downM) - 44 * slope[1]!}`}
              stroke="var(--signal)"
              strokeWidth="2"
              fill="none"
            />
            <Words x={x(tip.outM) - 72} y={y(tip.downM) - 12} anchor="end" size={14} fontWeight="650">
              {degrees}°
            </Words>
          </>
        )}
        {readings.map((r, i) => (
          <circle
            key={i}
            cx={x(r.outM ?? tip?.outM ?? free)}
            cy={y(r.dropM)}
            r="5"
            fill="none"
            stroke="var(--signal)"
            strokeWidth="2"
          />
        ))}
      </svg>
      <p className="rubric font-normal">To scale. Ring: the tip as you read it. Rod: the fitted bend.</p>
    </div>
  );
}
