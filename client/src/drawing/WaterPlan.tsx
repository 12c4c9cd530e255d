import { useId, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import type { Quantity } from '../api/client';
import { metres, useUnits } from '../ui/units';

type Props = {
  distanceM: number;
  windMps: number;
  windFromDeg: number;
  hand: 'left' | 'right';
  leaderM: number;
  /** Farthest reach, with how far it may be off. */
  reach: Quantity;
  onWind: (mps: number, fromDeg: number) => void;
  onDistance: (m: number) => void;
};

const W = 300;
const H = 292;
const stand = { x: W / 2, y: H - 46 };
const reachPx = 196;
const windAt = { x: 240, y: 66 };
const niceSteps = [2, 3, 5, 8, 10, 15, 20, 25, 30, 40, 50];

/** The water from above: the caster below, the fish ahead, the wind as an arrow to swing. */
export function WaterPlan({ distanceM, windMps, windFromDeg, hand, leaderM, reach, onWind, onDistance }: Props) {
  const { show, unitOf, standards } = useUnits();
  const { limits } = standards;
  const eighths = standards.choices.windFrom;
  const windWords = eighths[Math.round(windFromDeg / (360 / eighths.length)) % eighths.length]!.name;
  const svg = useRef<SVGSVGElement>(null);
  const clip = useId();
  const held = useRef<'wind' | 'fish' | null>(null);
  // Where the plan lay when it was taken hold of: words above may wrap anew while the hand moves.
  const ground = useRef<DOMRect | null>(null);
  // Four rings of a round step in the reader's unit, so that the scale does not creep while dragging.
  const unitM = unitOf('length').scale;
  const step = niceSteps.find((s) => 4 * s * unitM >= Math.max(distanceM, 4) * 1.06) ?? 50;
  const pxPerM = reachPx / (4 * step * unitM);
  const rings = [1, 2, 3, 4].map((n) => n * step * unitM);
  const rad = (windFromDeg * Math.PI) / 180;
  const arrow = 18 + Math.min(26, windMps * 1.9);
  const tail = { x: windAt.x + Math.sin(rad) * arrow, y: windAt.y - Math.cos(rad) * arrow };
  const tip = { x: windAt.x - Math.sin(rad) * arrow, y: windAt.y + Math.cos(rad) * arrow };
  const fish = { x: stand.x, y: stand.y - distanceM * pxPerM };
  const [near, far] = [reach.value - (reach.plusMinus ?? 0), reach.value + (reach.plusMinus ?? 0)];

  const toPlan = (event: PointerEvent) => {
    const box = ground.current!;
    return { x: ((event.clientX - box.left) / box.width) * W, y: ((event.clientY - box.top) / box.height) * H };
  };
  const drag = (event: PointerEvent) => {
    if (!held.current) return;
    const p = toPlan(event);
    if (held.current === 'fish') onDistance(clamp((stand.y - p.y) / pxPerM, limits.distanceM));
    else {
      const [dx, dy] = [p.x - windAt.x, windAt.y - p.y];
      const deg = (Math.atan2(dx, dy) * 180) / Math.PI;
      onWind(
        clamp((Math.hypot(dx, dy) - 18) / 1.9, { low: limits.windMps.low, high: 25 }),
        Math.round(((deg + 360) % 360) / 5) * 5,
      );
    }
  };
  const grab = (what: 'wind' | 'fish', event: PointerEvent) => {
    held.current = what;
    ground.current = svg.current!.getBoundingClientRect();
    // The pointer stays with the handle when it leaves it.
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
  };
  const release = () => (held.current = null);
  const windKeys = (event: KeyboardEvent) => {
    const turn = { ArrowLeft: -5, ArrowRight: 5 }[event.key];
    const blow = { ArrowUp: 0.5, ArrowDown: -0.5 }[event.key];
    if (turn === undefined && blow === undefined) return;
    event.preventDefault();
    onWind(clamp(windMps + (blow ?? 0), limits.windMps), (windFromDeg + (turn ?? 0) + 360) % 360);
  };
  const fishKeys = (event: KeyboardEvent) => {
    const by = { ArrowUp: 0.5, ArrowRight: 0.5, ArrowDown: -0.5, ArrowLeft: -0.5, PageUp: 3, PageDown: -3 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    onDistance(clamp(distanceM + by, limits.distanceM));
  };
  // Middle of what can be seen of the left half of the reach, as a share of the arc.
  const seen = (Math.acos(Math.min(1, (W / 2 - 6) / (reach.value * pxPerM))) / Math.PI + 0.4) / 2;
  const arc = (m: number) =>
    `M${stand.x - m * pxPerM},${stand.y}A${m * pxPerM},${m * pxPerM} 0 0 1 ${stand.x + m * pxPerM},${stand.y}`;

  return (
    <figure className="m-0">
      <svg
        ref={svg}
        viewBox={`0 0 ${W} ${H}`}
        className="block w-full touch-none border border-ink bg-water select-none"
        onPointerMove={drag}
        onPointerUp={release}
        onPointerCancel={release}
      >
        <defs>
          <clipPath id={clip}>
            <path d={`M0,0H${W}V${H - 34}Q${W * 0.7},${H - 22} ${W * 0.5},${H - 30}T0,${H - 40}Z`} />
          </clipPath>
        </defs>
        <path
          d={`M0,${H - 40}Q${W * 0.3},${H - 40} ${W * 0.5},${H - 30}T${W},${H - 34}V${H}H0Z`}
          fill="var(--land)"
          stroke="var(--ink)"
          strokeWidth="1"
        />
        <g clipPath={`url(#${clip})`}>
          {/* Estimated reach with its doubt, as a band across the water. */}
          <path
            d={`${arc(far)}L${stand.x + near * pxPerM},${stand.y}A${near * pxPerM},${near * pxPerM} 0 0 0 ${stand.x - near * pxPerM},${stand.y}Z`}
            fill="var(--soft)"
            opacity="0.17"
          />
          <path d={arc(reach.value)} fill="none" stroke="var(--soft)" strokeWidth="1.2" strokeDasharray="5 4" />
          {rings.map((m) => (
            <g key={m}>
              <path d={arc(m)} fill="none" stroke="var(--soft)" strokeWidth="0.6" />
              <text
                x={stand.x + 6}
                y={stand.y - m * pxPerM - 3}
                fontSize="11"
                fill="var(--soft)"
                fontFamily="var(--font-chart)"
                fontStyle="italic"
              >
                {show(metres(m))}
              </text>
            </g>
          ))}
        </g>
        <path id={`${clip}-reach`} d={arc(reach.value)} fill="none" />
        {/* A short arc has no room for words. */}
        {reach.value * pxPerM > 60 && (
          <text
            dy="-4"
            fontSize="11.5"
            fill="var(--ink)"
            fontFamily="var(--font-chart)"
            fontStyle="italic"
            stroke="var(--water)"
            strokeWidth="2.5"
            paintOrder="stroke"
            clipPath={`url(#${clip})`}
          >
            <textPath href={`#${clip}-reach`} startOffset={`${seen * 100}%`} textAnchor="middle">
              reach today
            </textPath>
          </text>
        )}

        {/* The line in the air, then what is shot, then the leader. */}
        <line x1={stand.x} y1={stand.y} x2={fish.x} y2={fish.y} stroke="var(--signal)" strokeWidth="2.6" />
        <line
          x1={fish.x}
          y1={fish.y + Math.min(leaderM, distanceM) * pxPerM}
          x2={fish.x}
          y2={fish.y}
          stroke="var(--water)"
          strokeWidth="2.6"
        />
        <line
          x1={fish.x}
          y1={fish.y + Math.min(leaderM, distanceM) * pxPerM}
          x2={fish.x}
          y2={fish.y}
          stroke="var(--ink)"
          strokeWidth="1"
        />
        <g transform={`translate(${stand.x},${stand.y + 4})`} stroke="var(--ink)" fill="var(--sheet)" strokeWidth="1.4">
          <ellipse rx="10" ry="5" />
          <circle r="4.4" fill="var(--ink)" />
          <path
            d={hand === 'right' ? 'M9,0Q13,-4 8,-9' : 'M-9,0Q-13,-4 -8,-9'}
            fill="none"
            strokeWidth="2.4"
            strokeLinecap="round"
          />
        </g>

        <g
          role="slider"
          tabIndex={0}
          aria-label="Distance to the fish"
          aria-valuemin={limits.distanceM.low}
          aria-valuemax={limits.distanceM.high}
          aria-valuenow={Math.round(distanceM * 10) / 10}
          aria-valuetext={show(metres(distanceM))}
          onPointerDown={(event) => grab('fish', event)}
          onKeyDown={fishKeys}
          className="cursor-ns-resize"
        >
          <rect x={fish.x - 26} y={fish.y - 20} width="52" height="34" fill="transparent" />
          <path
            d={`M${fish.x - 15},${fish.y - 7}q13,-10 25,0l7,-5v11l-7,-5q-12,9 -25,-1z`}
            fill="var(--sheet)"
            stroke="var(--ink)"
            strokeWidth="1.4"
            strokeLinejoin="round"
          />
          <circle cx={fish.x - 9} cy={fish.y - 7.6} r="1.2" fill="var(--ink)" />
          <text
            x={fish.x - 24}
            y={fish.y}
            fontSize="14"
            fontWeight="700"
            textAnchor="end"
            fill="var(--ink)"
            stroke="var(--water)"
            strokeWidth="3.5"
            paintOrder="stroke"
          >
            {show(metres(distanceM))}
          </text>
        </g>

        <g
          role="slider"
          tabIndex={0}
          aria-label="Wind: left and right turn it, up and down change its strength"
          aria-valuemin={0}
          aria-valuemax={360}
          aria-valuenow={Math.round(windFromDeg)}
          aria-valuetext={`${show({ value: windMps, kind: 'windSpeed', plusMinus: null })} ${windWords}`}
          onPointerDown={(event) => grab('wind', event)}
          onKeyDown={windKeys}
          className="cursor-grab"
        >
          <circle
            cx={windAt.x}
            cy={windAt.y}
            r="48"
            fill="var(--sheet)"
            opacity="0.72"
            stroke="var(--soft)"
            strokeWidth="0.8"
          />
          {Array.from({ length: 24 }, (_, i) => (
            <line
              key={i}
              x1={windAt.x}
              y1={windAt.y - 48}
              x2={windAt.x}
              y2={windAt.y - (i % 6 === 0 ? 41 : 45)}
              stroke="var(--soft)"
              strokeWidth="0.8"
              transform={`rotate(${i * 15} ${windAt.x} ${windAt.y})`}
            />
          ))}
          <line
            x1={tail.x}
            y1={tail.y}
            x2={tip.x}
            y2={tip.y}
            stroke="var(--ink)"
            strokeWidth="2.6"
            strokeLinecap="round"
          />
          <path
            d="M0,0l-5.5,-11h11z"
            transform={`translate(${tip.x},${tip.y}) rotate(${windFromDeg})`}
            fill="var(--ink)"
          />
          <circle cx={tail.x} cy={tail.y} r="6" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="1.8" />
          <text
            x={windAt.x}
            y={windAt.y + 64}
            fontSize="14"
            fontWeight="700"
            textAnchor="middle"
            fill="var(--ink)"
            stroke="var(--water)"
            strokeWidth="3.5"
            paintOrder="stroke"
          >
            {show({ value: windMps, kind: 'windSpeed', plusMinus: null })}
          </text>
        </g>
        <ScaleBar x={12} y={14} pxPerM={pxPerM} />
      </svg>
      <figcaption className="rubric mt-0.5 font-normal">
        Drag the fish and the wind, or use the arrow keys on them.
      </figcaption>
    </figure>
  );
}

/** A chart's scale bar in the reader's units. */
function ScaleBar({ x, y, pxPerM }: { x: number; y: number; pxPerM: number }) {
  const { scale: unitM, name } = useUnits().unitOf('length');
  const span = [40, 30, 20, 10, 5, 2].find((n) => n * unitM * pxPerM <= 96) ?? 1;
  const half = (span * unitM * pxPerM) / 2;
  return (
    <g fontSize="11" fill="var(--ink)">
      <rect x={x} y={y} width={half} height="4" fill="var(--ink)" />
      <rect x={x} y={y} width={2 * half} height="4" fill="none" stroke="var(--ink)" strokeWidth="1" />
      <text x={x} y={y + 16}>
        0
      </text>
      <text x={x + 2 * half} y={y + 16} textAnchor="middle">
        {span} {name}
      </text>
    </g>
  );
}

const clamp = (value: number, { low, high }: { low: number; high: number }) => Math.min(high, Math.max(low, value));
