import { scaleLinear } from 'd3-scale';
import { useRef, type KeyboardEvent } from 'react';
import type { LineReading, Standards, Stretch } from '../api/client';
import { metres, useUnits } from '../ui/units';
import { clamp, useDrag } from './useDrag';
import { useWidth } from './useWidth';
import { Words } from './Words';

/** Where each stretch begins, and where the last one ends. */
export const edges = (stretches: { lengthM: number }[]) => {
  const at = [0];
  for (const s of stretches) at.push(at.at(-1)! + s.lengthM);
  return at;
};

// Closer together two handles cannot be told apart.
const shortestM = 0.1;

// The middle of the line, px down.
const mid = 62;

type Handle = { edge: number; m: number; thickM: number };

/**
 * A line to scale along its length, thickness exaggerated; every end of a stretch is a handle to drag along and
 * thick or thin. Under it the mass summed from the fly, with the 30-ft mark and the classes it passes there.
 */
export function LineDrawing({
  stretches,
  reading,
  thickM,
  headM,
  carryM,
  onChange,
}: {
  stretches: Stretch[];
  reading: LineReading | undefined;
  thickM: { low: number; high: number } | undefined;
  headM: number;
  carryM: number;
  onChange: (stretches: Stretch[]) => void;
}) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { show, standards, unitOf } = useUnits();
  const starts = edges(stretches);
  const length = starts.at(-1)!;
  const thirtyM = standards.thirtyFeetM;
  const scaleOf = (drawn: Stretch[]) => {
    const span = Math.max(Math.min(edges(drawn).at(-1)!, Math.max(headM * 1.2, thirtyM * 1.15)), 1);
    const most = Math.max(...drawn.flatMap((s) => [s.startM, s.endM]));
    return { span, x: scaleLinear([0, span], [44, width - 14]), y: scaleLinear([0, most], [0, 34]) };
  };
  const heldEdge = useRef(0);
  const free = { stretches, ...scaleOf(stretches) };
  const shaping = useDrag(free, (from, dx, dy) => {
    const edge = heldEdge.current;
    const byM = edge === 0 ? 0 : from.x.invert(from.x(0) + dx);
    onChange(
      moved(edge, from.stretches, Math.round(byM * 50) / 50, Math.round(from.y.invert(-dy) * 1e5) / 1e5, thickM),
    );
  });
  const { span, x, y } = shaping.held ?? free;
  const times = Math.round(y(0.001) / (x(0.001) - x(0)));
  const handles: Handle[] = starts
    .map((m, edge) => ({ edge, m, thickM: edge === 0 ? stretches[0]!.startM : stretches[edge - 1]!.endM }))
    .filter((h) => h.m <= span + 1e-6);
  const key = (event: KeyboardEvent, edge: number) => {
    const step = event.shiftKey ? 5 : 1;
    const by = { ArrowLeft: [-0.02, 0], ArrowRight: [0.02, 0], ArrowUp: [0, 0.00001], ArrowDown: [0, -0.00001] }[
      event.key
    ];
    if (!by) return;
    event.preventDefault();
    onChange(moved(edge, stretches, edge === 0 ? 0 : by[0]! * step, by[1]! * step, thickM));
  };

  return (
    <div ref={ref}>
      <svg
        width={width}
        height={128}
        className="block"
        role="group"
        aria-label={`The line, ${show(metres(length))}, to scale along its length`}
      >
        {stretches.map((s, i) =>
          starts[i]! >= span ? null : (
            <path
              key={i}
              d={`M${x(starts[i]!)},${mid - y(s.startM)}L${x(Math.min(span, starts[i + 1]!))},${mid - y(end(s, starts[i]!, span))}V${mid + y(end(s, starts[i]!, span))}L${x(starts[i]!)},${mid + y(s.startM)}Z`}
              fill="var(--signal)"
              opacity={starts[i]! >= headM - 0.01 ? 0.5 : 1}
            />
          ),
        )}
        <Words x="4" y={mid + 4} size={12.5} soft>
          fly
        </Words>
        {handles.map((at) => (
          <Edge
            key={at.edge}
            at={at}
            x={x(at.m)}
            half={y(at.thickM)}
            lengthM={length}
            drag={{
              ...shaping.handle,
              onPointerDown: (e) => {
                heldEdge.current = at.edge;
                shaping.handle.onPointerDown(e);
              },
            }}
            onKey={(e) => key(e, at.edge)}
          />
        ))}
      </svg>
      {reading && (
        <SumChart
          reading={reading}
          x={x}
          width={width}
          span={span}
          headM={headM}
          carryM={carryM}
          thirtyM={thirtyM}
          standards={standards}
          grain={unitOf('lineMass')}
        />
      )}
      {reading && (
        <details>
          <summary className="quiet inline-block cursor-pointer">As a table</summary>
          <SumTable
            reading={reading}
            everyM={unitOf('length').scale * (unitOf('length').scale < 0.5 ? 3 : 1)}
            toM={span}
          />
        </details>
      )}
      <p className="rubric font-normal">
        Length to scale, thickness {times} times exaggerated. Drag a ring along the line, or up and down to make it
        thicker; arrow keys do the same.
      </p>
    </div>
  );
}

function Edge({
  at: { edge, m, thickM },
  x,
  half,
  lengthM,
  drag,
  onKey,
}: {
  at: Handle;
  x: number;
  /** Half its thickness as drawn, px. */
  half: number;
  lengthM: number;
  drag: ReturnType<typeof useDrag>['handle'];
  onKey: (event: KeyboardEvent) => void;
}) {
  const { show } = useUnits();
  const top = mid - half - 12;
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={edge === 0 ? 'Fly end' : `End of stretch ${edge}`}
      aria-valuenow={Math.round(m * 100) / 100}
      aria-valuemin={0}
      aria-valuemax={Math.round(lengthM * 100) / 100}
      aria-valuetext={`${show(metres(m))}, ${show(thickM, 'diameter')} thick`}
      className="cursor-grab"
      {...drag}
      onKeyDown={onKey}
    >
      <rect x={x - 12} y={mid - 50} width="24" height="100" fill="transparent" />
      <line x1={x} x2={x} y1={top} y2={mid + half + 12} stroke="var(--ink)" strokeWidth="1" />
      <circle cx={x} cy={top} r="5.5" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="1.6" />
    </g>
  );
}

type Limits = { low: number; high: number } | undefined;

/** The stretches with one of their ends moved along the line, and made thicker or thinner. */
function moved(edge: number, from: Stretch[], byM: number, byThickM: number, thickM: Limits) {
  const clampD = (d: number) => (thickM ? clamp(d, thickM) : d);
  return from.map((s, i) => {
    const next = { ...s };
    if (i === edge - 1) {
      const room = from[edge] ? from[edge].lengthM - shortestM : Infinity;
      next.lengthM = Math.max(shortestM, s.lengthM + Math.min(byM, room));
      next.endM = clampD(s.endM + byThickM);
    }
    if (i === edge && edge > 0)
      next.lengthM = Math.max(shortestM, s.lengthM - Math.max(byM, shortestM - from[edge - 1]!.lengthM));
    // Two stretches that meet in one thickness go on meeting.
    if (i === edge && (edge === 0 || Math.abs(s.startM - from[edge - 1]!.endM) < 1e-9))
      next.startM = clampD(s.startM + byThickM);
    return next;
  });
}

const end = (s: Stretch, from: number, span: number) =>
  s.startM + (s.endM - s.startM) * Math.min(1, (span - from) / s.lengthM);

// Even stretches have only their ends; between two points everything runs straight.
function at(points: LineReading['points'], m: number) {
  const after = points.findIndex((p) => p.positionM >= m - 1e-6);
  const [a, b] = [points[Math.max(0, after - 1)], points[after]];
  if (!a || !b) return points.at(-1)!;
  const t = (m - a.positionM) / Math.max(1e-9, b.positionM - a.positionM);
  return {
    positionM: m,
    diameterM: a.diameterM + (b.diameterM - a.diameterM) * t,
    kgPerM: a.kgPerM + (b.kgPerM - a.kgPerM) * t,
    sumKg: a.sumKg + (b.sumKg - a.sumKg) * t,
  };
}

function SumTable({ reading, everyM, toM }: { reading: LineReading; everyM: number; toM: number }) {
  const { show } = useUnits();
  const places = Array.from({ length: Math.floor(toM / everyM) + 1 }, (_, i) => i * everyM);
  return (
    <table className="my-1">
      <thead>
        <tr className="rubric text-left">
          <th scope="col" className="pr-6">
            from the fly
          </th>
          <th scope="col" className="pr-6">
            thick
          </th>
          <th scope="col">mass so far</th>
        </tr>
      </thead>
      <tbody>
        {places.map((m) => {
          const p = at(reading.points, m);
          return (
            <tr key={m} className="border-t border-hair">
              <td className="pr-6">{show(metres(m))}</td>
              <td className="pr-6">{show(p.diameterM, 'diameter')}</td>
              <td>{show(p.sumKg, 'lineMass')}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** Mass from the fly end on, with the 30-ft mark, the class ranges there, the head's end and what is carried. */
function SumChart({
  reading,
  x,
  width,
  span,
  headM,
  carryM,
  thirtyM,
  standards,
  grain,
}: {
  reading: LineReading;
  x: (m: number) => number;
  width: number;
  span: number;
  headM: number;
  carryM: number;
  thirtyM: number;
  standards: Standards;
  grain: { scale: number; unit: string };
}) {
  const { show } = useUnits();
  // The last stretch may run on beyond the edge of the drawing.
  const points = [...reading.points.filter((p) => p.positionM < span), at(reading.points, span)];
  const most = Math.max(...points.map((p) => p.sumKg)) * 1.08;
  const height = 216;
  const y = scaleLinear([0, most], [height - 26, 12]);
  const ranges = standards.lineClasses.filter((r) => r.lowKg < most);
  const inUnits = scaleLinear([0, most / grain.scale], [0, 1]).ticks(5);
  const mass = (kg: number) => show(kg, 'lineMass');
  const sum = (m: number) => at(reading.points, m).sumKg;
  return (
    <svg
      width={width}
      height={height}
      className="block"
      role="img"
      aria-label={`Mass from the fly end: ${mass(sum(headM))} of head${thirtyM <= span ? `, ${mass(sum(thirtyM))} at 30 ft` : ''}, ${mass(sum(carryM))} carried`}
    >
      {inUnits.map((n) => (
        <g key={n}>
          <line x1={x(0)} x2={width - 14} y1={y(n * grain.scale)} y2={y(n * grain.scale)} stroke="var(--hair)" />
          <Words x={x(0) - 5} y={y(n * grain.scale) + 4} anchor="end" soft>
            {n}
          </Words>
        </g>
      ))}
      <Words x={x(0) + 3} y="12" soft>
        {grain.unit} from the fly
      </Words>
      {thirtyM <= span && (
        <>
          {/* Ranges of the classes stand on the mark they are weighed to. */}
          {ranges.map((r) => (
            <g key={r.class}>
              <rect
                x={x(thirtyM)}
                width="13"
                y={y(Math.min(most, r.highKg))}
                height={Math.max(2, y(r.lowKg) - y(Math.min(most, r.highKg)))}
                fill="var(--water)"
                stroke="var(--soft)"
                strokeWidth="0.8"
              />
              <Words x={x(thirtyM) + 17} y={y((r.lowKg + Math.min(most, r.highKg)) / 2) + 4}>
                {r.class}
              </Words>
            </g>
          ))}
          <line x1={x(thirtyM)} x2={x(thirtyM)} y1="12" y2={height - 26} stroke="var(--ink)" strokeWidth="1.4" />
          <Words x={x(thirtyM) - 4} y="22" size={12.5} anchor="end" fontWeight="650">
            30 ft
          </Words>
        </>
      )}
      <path
        d={points.map((p, i) => `${i ? 'L' : 'M'}${x(p.positionM).toFixed(1)},${y(p.sumKg).toFixed(1)}`).join('')}
        fill="none"
        stroke="var(--signal)"
        strokeWidth="2.4"
      />
      {[
        { m: headM, words: 'head' },
        { m: carryM, words: 'carried' },
      ]
        .filter((mark) => mark.m <= span)
        .map((mark) => (
          <g key={mark.words}>
            <circle
              cx={x(mark.m)}
              cy={y(sum(mark.m))}
              r="4.5"
              fill="var(--paper)"
              stroke="var(--ink)"
              strokeWidth="1.6"
            />
            <path d={`M${x(mark.m)},${y(sum(mark.m)) + 5}V${height - 24}`} stroke="var(--ink)" strokeDasharray="2 3" />
            <Words
              x={x(mark.m)}
              y={height - (mark.words === 'head' ? 2 : 12)}
              anchor={x(mark.m) > width - 70 ? 'end' : 'middle'}
            >
              {mark.words} {mass(sum(mark.m))}
            </Words>
          </g>
        ))}
    </svg>
  );
}

/** A weighed class on the ruler of classes: the ranges of the standard, gaps between them, and the reading with its tolerance. */
export function ClassRuler({
  spread,
  thirtyKg,
  plusMinusKg,
}: {
  spread: { low: number; high: number };
  thirtyKg: number;
  plusMinusKg: number;
}) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { show, standards } = useUnits();
  const rows = standards.lineClasses;
  // As many classes either side as there is room for their figures.
  const beside = width < 560 ? 1.1 : 2.6;
  const near = rows.filter((r) => r.class >= spread.low - beside && r.class <= spread.high + beside);
  const [from, to] = [
    Math.min(near[0]!.lowKg, thirtyKg - plusMinusKg) * 0.98,
    Math.max(near.at(-1)!.highKg, thirtyKg + plusMinusKg) * 1.02,
  ];
  const x = scaleLinear([from, to], [10, width - 10]);
  const mass = (kg: number) => show(kg, 'lineMass');
  return (
    <div ref={ref}>
      <svg
        width={width}
        height={112}
        className="block"
        role="img"
        aria-label={`${mass(thirtyKg)} on the ruler of classes; between the ranges lie gaps that belong to no class`}
      >
        <line x1="10" x2={width - 10} y1="66" y2="66" stroke="var(--soft)" />
        {near.map((r) => (
          <g key={r.class}>
            <rect
              x={x(r.lowKg)}
              width={x(r.highKg) - x(r.lowKg)}
              y="52"
              height="28"
              fill="var(--water)"
              stroke="var(--soft)"
            />
            <Words x={x((r.lowKg + r.highKg) / 2)} y="71" anchor="middle" size={15} fontWeight="650">
              {r.class}
            </Words>
            <Words x={x((r.lowKg + r.highKg) / 2)} y="98" anchor="middle" soft>
              {mass(r.lowKg)}–{mass(r.highKg)}
            </Words>
          </g>
        ))}
        <rect
          x={x(thirtyKg - plusMinusKg)}
          width={Math.max(2, x(thirtyKg + plusMinusKg) - x(thirtyKg - plusMinusKg))}
          y="36"
          height="8"
          fill="var(--ink)"
          opacity="0.35"
        />
        <path d={`M${x(thirtyKg)},50l-6,-11h12z`} fill="var(--signal)" />
        <Words x={x(thirtyKg)} y="26" anchor="middle" size={14} bold>
          {mass(thirtyKg)}
        </Words>
      </svg>
    </div>
  );
}
