import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { metres, useUnits } from '../ui/units';

const W = 300;
const H = 132;
const surface = 26;

type Props = {
  depthM: number;
  /** The line floats: it lies on the water and the leader goes down from it. */
  floats: boolean;
  onDepth: (m: number) => void;
};

/** The water in section: how deep the fly fishes, to drag. */
export function DepthSection({ depthM, floats, onDepth }: Props) {
  const { show, unitOf, standards } = useUnits();
  const { low, high } = standards.limits.depthM;
  const svg = useRef<SVGSVGElement>(null);
  const held = useRef(false);
  const unitM = unitOf('length').scale;
  const step = [0.5, 1, 2, 3, 5, 10, 20].find((s) => 4 * s * unitM >= Math.max(1, depthM * 1.1)) ?? 25;
  const spanM = 4.3 * step * unitM;
  const pxPerM = (H - surface - 14) / spanM;
  const y = surface + depthM * pxPerM;
  const set = (m: number) => onDepth(Math.round(Math.min(high, Math.max(low, m)) * 20) / 20);
  const drag = (event: PointerEvent) => {
    if (!held.current) return;
    const box = svg.current!.getBoundingClientRect();
    set((((event.clientY - box.top) / box.height) * H - surface) / pxPerM);
  };
  const keys = (event: KeyboardEvent) => {
    const by = { ArrowDown: 0.25, ArrowRight: 0.25, ArrowUp: -0.25, ArrowLeft: -0.25, PageDown: 1, PageUp: -1 }[
      event.key
    ];
    if (by === undefined) return;
    event.preventDefault();
    set(depthM + by);
  };
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${W} ${H}`}
      className="block w-full touch-none border border-ink bg-sheet select-none"
      onPointerMove={drag}
      onPointerUp={() => (held.current = false)}
      onPointerCancel={() => (held.current = false)}
    >
      <rect x="0" y={surface} width={W} height={H - surface} fill="var(--water)" />
      <path
        d={`M0,${surface}${Array.from({ length: 20 }, (_, i) => `q${W / 80},${i % 2 ? 2 : -2} ${W / 40},0t${W / 40},0`).join('')}`}
        stroke="var(--ink)"
        strokeWidth="1"
        fill="none"
      />
      {[1, 2, 3, 4]
        .map((n) => n * step * unitM)
        .map((m) => (
          <g key={m}>
            <line x1={W - 10} x2={W} y1={surface + m * pxPerM} y2={surface + m * pxPerM} stroke="var(--soft)" />
            <text
              x={W - 13}
              y={surface + m * pxPerM + 4}
              textAnchor="end"
              fontSize="11"
              fill="var(--soft)"
              fontFamily="var(--font-chart)"
              fontStyle="italic"
            >
              {show(metres(m))}
            </text>
          </g>
        ))}
      <path
        d={
          floats
            ? `M${W - 70},${surface - 1}H150Q120,${surface} 96,${y}`
            : `M${W - 70},${surface - 1}Q190,${surface} 96,${y}`
        }
        fill="none"
        stroke="var(--signal)"
        strokeWidth="2.4"
      />
      <g
        role="slider"
        tabIndex={0}
        aria-label="Depth of the fly"
        aria-valuemin={low}
        aria-valuemax={high}
        aria-valuenow={depthM}
        aria-valuetext={show(metres(depthM))}
        onKeyDown={keys}
        className="cursor-ns-resize"
        onPointerDown={(event) => {
          held.current = true;
          event.currentTarget.setPointerCapture(event.pointerId);
        }}
      >
        <rect x="60" y={y - 16} width="70" height="32" fill="transparent" />
        <circle cx="92" cy={y} r="7" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="1.8" />
        <path d={`M92,${y}l-8,5`} stroke="var(--ink)" strokeWidth="1.8" />
        <text
          x="78"
          y={y + 5}
          textAnchor="end"
          fontSize="14"
          fontWeight="700"
          fill="var(--ink)"
          stroke="var(--water)"
          strokeWidth="3"
          paintOrder="stroke"
        >
          {depthM < 0.05 ? 'surface' : show(metres(depthM))}
        </text>
      </g>
    </svg>
  );
}
