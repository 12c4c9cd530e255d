import { useId, useState, type KeyboardEvent } from 'react';
import type { Quantity } from '../api/client';
import { Stepper } from '../ui/Stepper';
import { distance, useUnits } from '../ui/units';
import { Handle } from './Handle';
import { clamp, nextStep, steppedBy, stepsOn, useDrag } from './useDrag';
import { Words } from './Words';

type Props = {
  distanceM: number;
  windMps: number;
  windFromDeg: number;
  hand: 'left' | 'right';
  leaderM: number;
  /** Farthest reach, with how far it may be off. */
  reach: Quantity;
  /** What was typed, by field, to be shown as it was. */
  said?: Record<string, string> | null | undefined;
  /** `said` is what was typed for it, where it is back at that. */
  onWind: (mps: number, fromDeg: number, said?: Record<string, string>) => void;
  onDistance: (m: number, said?: Record<string, string>) => void;
};

const W = 300;
const H = 292;
const stand = { x: W / 2, y: H - 46 };
const reachPx = 196;
const windAt = { x: 240, y: 66 };
const turnDeg = 5;
// How far up the plan goes.
const topPx = stand.y - 12;
const niceSteps = [2, 3, 5, 10, 15, 20, 25, 30, 40, 50];

const calmPx = 18;
const pxPerMps = 1.9;

/** What was typed for a field, where it is back at that. */
const back = (field: string, same: boolean, said: string | undefined) => (same && said ? { [field]: said } : undefined);

/** The water from above: the caster below, the fish ahead, the wind as an arrow to swing. */
export function WaterPlan({ distanceM, windMps, windFromDeg, hand, leaderM, reach, said, onWind, onDistance }: Props) {
  const { show, unitOf, stepOf, standards } = useUnits();
  const { limits } = standards;
  const eighths = standards.choices.windFrom;
  const windWords = eighths[Math.round(windFromDeg / (360 / eighths.length)) % eighths.length]!.name;
  // Four rings of a round step in the reader's unit. The scale changes only when the fish leaves the plan, never under the finger.
  const unitM = unitOf('distance').scale;
  const scaleOf = (step: number) => reachPx / (4 * step * unitM);
  const fitting = () => niceSteps.find((s) => 4 * s * unitM >= Math.max(distanceM, 4) * 1.06) ?? 50;
  const [plan, setPlan] = useState(() => ({ unitM, step: fitting() }));
  const free = { distanceM, pxPerM: scaleOf(plan.step), said: said?.distanceM };
  const fishing = useDrag(free, (from, _, dy) => {
    // No farther than the plan shows.
    const seen = Math.min(limits.distanceM.high, topPx / from.pxPerM);
    const wanted = steppedBy(from.distanceM, -dy / from.pxPerM, stepOf('distance', from.distanceM));
    const to = clamp(wanted, { low: limits.distanceM.low, high: Math.max(seen, from.distanceM) });
    onDistance(to, back('distanceM', to === from.distanceM, from.said));
    return to === wanted;
  });
  const leaves = distanceM * free.pxPerM > topPx + 1e-6;
  if (!fishing.held && (leaves || plan.unitM !== unitM)) setPlan({ unitM, step: fitting() });
  const { pxPerM } = fishing.held ?? free;
  const rings = [1, 2, 3, 4].map((n) => (n * reachPx) / 4 / pxPerM);
  const rad = (windFromDeg * Math.PI) / 180;
  const arrow = calmPx + Math.min(26, windMps * pxPerMps);
  const tail = { x: windAt.x + Math.sin(rad) * arrow, y: windAt.y - Math.cos(rad) * arrow };
  const tip = { x: windAt.x - Math.sin(rad) * arrow, y: windAt.y + Math.cos(rad) * arrow };
  const fish = { x: stand.x, y: stand.y - distanceM * pxPerM };
  const wind = show(windMps, 'windSpeed');
  const fishSaid = said?.distanceM ?? show(distance(distanceM));
  const windSaid = said?.windMps ?? wind;

  const calm = { windMps, windFromDeg, x: tail.x - windAt.x, y: tail.y - windAt.y, said: said?.windMps };
  const blowing = useDrag(calm, (from, dx, dy) => {
    const [toX, toY] = [from.x + dx, from.y + dy];
    const turn = ((Math.atan2(toX, -toY) - Math.atan2(from.x, -from.y)) * 180) / Math.PI;
    const blow = (Math.hypot(toX, toY) - Math.hypot(from.x, from.y)) / pxPerMps;
    const wanted = steppedBy(from.windMps, blow, stepOf('windSpeed', from.windMps));
    const mps = clamp(wanted, limits.windMps);
    const deg = (steppedBy(from.windFromDeg, turn, turnDeg) + 360) % 360;
    onWind(mps, deg, back('windMps', mps === from.windMps, from.said));
    return mps === wanted;
  });
  const blowMore = (more: boolean) =>
    onWind(clamp(nextStep(windMps, stepOf('windSpeed', windMps), more), limits.windMps), windFromDeg);
  const turnTo = (right: boolean) => onWind(windMps, (nextStep(windFromDeg, turnDeg, right) + 360) % 360);
  const goFarther = (more: boolean, steps = 1) =>
    onDistance(clamp(stepsOn(distanceM, stepOf('distance', distanceM), more, steps), limits.distanceM));
  const windKeys = (event: KeyboardEvent) => {
    if (!['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown'].includes(event.key)) return;
    event.preventDefault();
    if (event.key === 'ArrowLeft' || event.key === 'ArrowRight') turnTo(event.key === 'ArrowRight');
    else blowMore(event.key === 'ArrowUp');
  };
  return (
    <figure className="m-0">
      <svg viewBox={`0 0 ${W} ${H}`} className="block w-full border border-ink bg-water select-none">
        <Water reach={reach} distanceM={distanceM} rings={rings} pxPerM={pxPerM} />

        <Outfit fish={fish} leaderPx={Math.min(leaderM, distanceM) * pxPerM} hand={hand} />
        <Handle
          name="Distance to the fish"
          value={distanceM}
          says={show(distance(distanceM))}
          limits={limits.distanceM}
          drag={fishing}
          onStep={goFarther}
          id="fish"
        >
          <rect x={fish.x - 30} y={fish.y - 27} width="60" height="48" fill="transparent" />
          <path
            d={`M${fish.x - 15},${fish.y - 7}q13,-10 25,0l7,-5v11l-7,-5q-12,9 -25,-1z`}
            fill="var(--sheet)"
            stroke="var(--ink)"
            strokeWidth="1.4"
            strokeLinejoin="round"
          />
          <circle cx={fish.x - 9} cy={fish.y - 7.6} r="1.2" fill="var(--ink)" />
          <Words x={fish.x - 24} y={fish.y} size={14} bold anchor="end" halo="water">
            {fishSaid}
          </Words>
        </Handle>

        <Rose tail={tail} tip={tip} fromDeg={windFromDeg} />
        <Vane
          at={tail}
          fromDeg={windFromDeg}
          says={`${windSaid} ${windWords}`}
          drag={blowing.handle}
          onKey={windKeys}
        />
        <Words x={windAt.x} y={windAt.y + 64} size={14} bold anchor="middle" halo="water">
          {windSaid}
        </Words>
        <ScaleBar x={12} y={14} pxPerM={pxPerM} />
      </svg>
      <figcaption className="sr-only">
        The fish and the ring on the wind’s arrow can be dragged, moved with the arrow keys, or stepped below.
      </figcaption>
      <div className="mt-1 grid grid-cols-2 gap-x-3 gap-y-1">
        <Stepper
          label="Fish"
          less="nearer"
          more="farther"
          value={fishSaid}
          onLess={() => goFarther(false)}
          onMore={() => goFarther(true)}
        />
        <Stepper
          label="Wind"
          less="less wind"
          more="more wind"
          value={windSaid}
          onLess={() => blowMore(false)}
          onMore={() => blowMore(true)}
        />
      </div>
    </figure>
  );
}

type Point = { x: number; y: number };

/** Shore and water, rings about the caster, and how far the cast goes today with its doubt. */
function Water({
  reach,
  distanceM,
  rings,
  pxPerM,
}: {
  reach: Quantity;
  distanceM: number;
  rings: number[];
  pxPerM: number;
}) {
  const { show } = useUnits();
  const clip = useId();
  const [near, far] = [reach.value - (reach.plusMinus ?? 0), reach.value + (reach.plusMinus ?? 0)];
  // Middle of what can be seen of the left half of the reach, as a share of the arc.
  const seen = (Math.acos(Math.min(1, (W / 2 - 6) / (reach.value * pxPerM))) / Math.PI + 0.4) / 2;
  const arc = (m: number) =>
    `M${stand.x - m * pxPerM},${stand.y}A${m * pxPerM},${m * pxPerM} 0 0 1 ${stand.x + m * pxPerM},${stand.y}`;
  return (
    <>
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
            {/* Under the fish nobody could read it. */}
            {Math.abs(m - distanceM) * pxPerM > 17 && (
              <Words
                x={stand.x + 6}
                y={stand.y - m * pxPerM - 3}
                size={13}
                soft
                fontFamily="var(--font-chart)"
                fontStyle="italic"
              >
                {show(distance(m))}
              </Words>
            )}
          </g>
        ))}
      </g>
      <path id={`${clip}-reach`} d={arc(reach.value)} fill="none" />
      {/* A short arc has no room for words. */}
      {reach.value * pxPerM > 60 && (
        <Words
          dy="-4"
          size={13}
          fontFamily="var(--font-chart)"
          fontStyle="italic"
          halo="water"
          clipPath={`url(#${clip})`}
        >
          <textPath href={`#${clip}-reach`} startOffset={`${seen * 100}%`} textAnchor="middle">
            reach today
          </textPath>
        </Words>
      )}
    </>
  );
}

/** The line in the air, the leader at its end, and the caster seen from above. */
function Outfit({ fish, leaderPx, hand }: { fish: Point; leaderPx: number; hand: 'left' | 'right' }) {
  return (
    <>
      <line x1={stand.x} y1={stand.y} x2={fish.x} y2={fish.y} stroke="var(--signal)" strokeWidth="2.6" />
      <line x1={fish.x} y1={fish.y + leaderPx} x2={fish.x} y2={fish.y} stroke="var(--water)" strokeWidth="2.6" />
      <line x1={fish.x} y1={fish.y + leaderPx} x2={fish.x} y2={fish.y} stroke="var(--ink)" strokeWidth="1" />
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
    </>
  );
}

/** Where the wind comes from, on a rose of twenty-four points. */
function Rose({ tail, tip, fromDeg }: { tail: Point; tip: Point; fromDeg: number }) {
  return (
    <>
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
      <line x1={tail.x} y1={tail.y} x2={tip.x} y2={tip.y} stroke="var(--ink)" strokeWidth="2.6" strokeLinecap="round" />
      <path d="M0,0l-5.5,-11h11z" transform={`translate(${tip.x},${tip.y}) rotate(${fromDeg})`} fill="var(--ink)" />
    </>
  );
}

/** The tail of the wind's arrow, to swing and to draw out. */
function Vane({
  at,
  fromDeg,
  says,
  drag,
  onKey,
}: {
  at: Point;
  fromDeg: number;
  says: string;
  drag: ReturnType<typeof useDrag>['handle'];
  onKey: (event: KeyboardEvent) => void;
}) {
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label="Wind: left and right turn it, up and down change its strength"
      aria-valuemin={0}
      aria-valuemax={360}
      aria-valuenow={Math.round(fromDeg)}
      aria-valuetext={says}
      {...drag}
      onKeyDown={onKey}
      className="cursor-grab"
      data-handle="wind"
    >
      <circle cx={at.x} cy={at.y} r="22" fill="transparent" />
      <circle cx={at.x} cy={at.y} r="6" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="1.8" />
    </g>
  );
}

/** A chart's scale bar in the reader's units. */
function ScaleBar({ x, y, pxPerM }: { x: number; y: number; pxPerM: number }) {
  const { scale: unitM, unit } = useUnits().unitOf('distance');
  const span = [40, 30, 20, 10, 5, 2].find((n) => n * unitM * pxPerM <= 96) ?? 1;
  const half = (span * unitM * pxPerM) / 2;
  return (
    <g fontSize="13" fill="var(--ink)">
      <rect x={x} y={y} width={half} height="4" fill="var(--ink)" />
      <rect x={x} y={y} width={2 * half} height="4" fill="none" stroke="var(--ink)" strokeWidth="1" />
      <text x={x} y={y + 16}>
        0
      </text>
      <text x={x + 2 * half} y={y + 16} textAnchor="middle">
        {span} {unit}
      </text>
    </g>
  );
}
