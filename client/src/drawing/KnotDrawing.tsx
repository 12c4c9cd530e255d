import { line } from 'd3-shape';
import type { KnotStep, KnotStrand } from '../api/client';
import { Words } from './Words';

const sheet = { w: 640, h: 300 };

const pen: Record<KnotStrand['role'], { width: number; ink: string; core: string | null; coreWidth: number }> = {
  standing: { width: 11, ink: 'var(--ink)', core: null, coreWidth: 0 },
  // Hollow, so that it is told from the rest without any colour.
  working: { width: 11, ink: 'var(--ink)', core: 'var(--sheet)', coreWidth: 6 },
  line: { width: 26, ink: 'var(--signal)', core: null, coreWidth: 0 },
  metal: { width: 9, ink: 'var(--soft)', core: null, coreWidth: 0 },
  drum: { width: 3, ink: 'var(--soft)', core: null, coreWidth: 0 },
  tube: { width: 20, ink: 'var(--soft)', core: 'var(--hair)', coreWidth: 15 },
};
const gap = 4.5;

type Point = KnotStrand['points'][number];
const through = line<Point>(
  (p) => p.x,
  (p) => p.y,
);

/** A step of a knot: the strand on top is whole, the one below has a gap; the end that moves is hollow and ends in an arrow. */
export function KnotDrawing({ step, label }: { step: KnotStep; label: string }) {
  return (
    <svg
      viewBox={`0 0 ${sheet.w} ${sheet.h}`}
      className="block w-full border border-hair bg-sheet"
      role="img"
      aria-label={label}
    >
      {step.strands.map((s, i) => (
        <Stroke key={i} strand={s} points={s.points} />
      ))}
      {step.crossings.map((c, i) => {
        const over = step.strands[c.over]!;
        const reach = pen[step.strands[c.under]!.role].width / 2 + 7;
        return (
          <g key={`over-${i}`}>
            <path
              d={through(around(over.points, c.overAt, reach)) ?? ''}
              fill="none"
              stroke="var(--sheet)"
              strokeWidth={pen[over.role].width + 2 * gap}
            />
            {/* A little longer than its gap, so that no seam shows. */}
            <Stroke strand={over} points={around(over.points, c.overAt, reach + 4)} cap="butt" />
          </g>
        );
      })}
      {step.strands.map((s, i) => s.ends && <Arrow key={`end-${i}`} points={s.points} />)}
      {step.labels.map((l) => (
        <Words key={l.text} x={l.x} y={l.y} size={20} halo="sheet">
          {l.text}
        </Words>
      ))}
    </svg>
  );
}

function Stroke({ strand, points, cap = 'round' }: { strand: KnotStrand; points: Point[]; cap?: 'round' | 'butt' }) {
  const { width, ink, core, coreWidth } = pen[strand.role];
  const d = through(points) ?? '';
  return (
    <g fill="none" strokeLinejoin="round">
      <path d={d} stroke={ink} strokeWidth={width} strokeLinecap={cap} />
      {core && <path d={d} stroke={core} strokeWidth={coreWidth} strokeLinecap={cap} />}
    </g>
  );
}

/** The stretch of a strand within so much of a place on it. */
function around(points: Point[], at: number, reach: number): Point[] {
  const walk = (from: number, by: 1 | -1) => {
    let [i, gone] = [from, 0];
    while (points[i + by] && gone < reach) {
      gone += Math.hypot(points[i + by]!.x - points[i]!.x, points[i + by]!.y - points[i]!.y);
      i += by;
    }
    return i;
  };
  const i = Math.floor(at);
  return points.slice(walk(i, -1), walk(Math.min(i + 1, points.length - 1), 1) + 1);
}

function Arrow({ points }: { points: Point[] }) {
  const end = points.at(-1)!;
  const before = points.at(-6) ?? points[0]!;
  const turn = (Math.atan2(end.y - before.y, end.x - before.x) * 180) / Math.PI;
  return (
    <path
      d="M24,0L-2,-13V13Z"
      transform={`translate(${end.x},${end.y}) rotate(${turn})`}
      fill="var(--sheet)"
      stroke="var(--ink)"
      strokeWidth="3"
      strokeLinejoin="round"
    />
  );
}
