import { scaleLinear } from 'd3-scale';
import type { Leader } from '../api/client';
import { rodLength, useUnits } from '../ui/units';
import { useWidth } from './useWidth';

/** The leader to scale along its length beside the rod. */
export function LeaderDrawing({ leader, rodM }: { leader: Pick<Leader, 'pieces' | 'lengthM'>; rodM: number }) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { show } = useUnits();
  const span = Math.max(leader.lengthM, rodM) * 1.02;
  const x = scaleLinear([0, span], [8, width - 8]);
  const thickest = Math.max(...leader.pieces.map((p) => Math.max(p.startM, p.endM)));
  const y = (m: number) => (m / thickest) * 9;
  const from = leader.pieces.map((_, i) => leader.pieces.slice(0, i).reduce((sum, p) => sum + p.lengthM, 0));
  return (
    <div ref={ref}>
      <svg
        width={width}
        height={104}
        role="img"
        aria-label={`Leader of ${show(rodLength(leader.lengthM))} beside a rod of ${show(rodLength(rodM))}, to scale`}
        className="block"
      >
        {leader.pieces.map((p, i) => (
          <g key={p.name}>
            <path
              d={`M${x(from[i]!)},${34 - y(p.startM)}L${x(from[i]! + p.lengthM)},${34 - y(p.endM)}V${34 + y(p.endM)}L${x(from[i]!)},${34 + y(p.startM)}Z`}
              fill="var(--ink)"
              opacity={0.85 - i * 0.13}
            />
            <line x1={x(from[i]!)} x2={x(from[i]!)} y1="18" y2="50" stroke="var(--soft)" strokeWidth="0.8" />
            <text
              x={x(from[i]! + p.lengthM / 2)}
              y={i % 2 ? 14 : 60}
              fontSize="12.5"
              textAnchor="middle"
              fill="var(--ink)"
            >
              {p.name}
            </text>
          </g>
        ))}
        <path d={`M${x(0)},80H${x(0.3)}L${x(rodM)},83.5v1L${x(0.3)},88H${x(0)}Z`} fill="var(--ink)" />
        <text x={x(rodM / 2)} y="102" fontSize="12.5" textAnchor="middle" fill="var(--soft)">
          rod {show(rodLength(rodM))}
        </text>
      </svg>
      <p className="rubric font-normal">Length to scale, line end on the left; thickness exaggerated.</p>
    </div>
  );
}
