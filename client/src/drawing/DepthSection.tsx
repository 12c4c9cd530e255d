import { useState } from 'react';
import { Stepper } from '../ui/Stepper';
import { depth, useUnits } from '../ui/units';
import { Handle } from './Handle';
import { clamp, steppedBy, stepsOn, useDrag } from './useDrag';
import { Words } from './Words';

const W = 300;
const H = 132;
const surface = 26;

type Props = {
  depthM: number;
  /** The line floats: it lies on the water and the leader goes down from it. */
  floats: boolean;
  /** What was typed for the depth, to be shown as it was. */
  said?: string | null | undefined;
  /** `said` is what was typed for it, where it is back at that. */
  onDepth: (m: number, said?: string) => void;
};

// How far down the picture goes.
const deepPx = H - surface - 8;

const pxPerMOf = (stepM: number) => (H - surface - 14) / (4.3 * stepM);

/** The water in section: how deep the fly fishes, to drag. */
export function DepthSection({ depthM, floats, said, onDepth }: Props) {
  const { show, unitOf, stepOf, standards } = useUnits();
  const limits = standards.limits.depthM;
  const unitM = unitOf('depth').scale;
  // The scale changes only when the fly leaves the picture, never under the finger.
  const fitting = () => [0.5, 1, 2, 3, 5, 10, 20].find((s) => 4 * s * unitM >= Math.max(1, depthM * 1.1)) ?? 25;
  const [drawn, setDrawn] = useState(() => ({ unitM, step: fitting() }));
  const free = { depthM, step: drawn.step, pxPerM: pxPerMOf(drawn.step * unitM), said };
  const sinking = useDrag(free, (from, _, dy) => {
    const seen = Math.min(limits.high, deepPx / from.pxPerM);
    const wanted = steppedBy(from.depthM, dy / from.pxPerM, stepOf('depth', from.depthM));
    const to = clamp(wanted, { low: limits.low, high: Math.max(seen, from.depthM) });
    onDepth(to, to === from.depthM && from.said ? from.said : undefined);
    return to === wanted;
  });
  const leaves = depthM * free.pxPerM > deepPx + 1e-6;
  if (!sinking.held && (leaves || drawn.unitM !== unitM)) setDrawn({ unitM, step: fitting() });
  const { step, pxPerM } = sinking.held ?? free;
  const y = surface + depthM * pxPerM;
  const deep = depthM < 0.05 ? show(depth(0)) : (said ?? show(depth(depthM)));
  const deeper = (more: boolean, steps = 1) =>
    onDepth(clamp(stepsOn(depthM, stepOf('depth', depthM), more, steps), limits));
  return (
    <figure className="m-0">
      <svg viewBox={`0 0 ${W} ${H}`} className="block w-full border border-ink bg-sheet select-none">
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
              <Words
                x={W - 13}
                y={surface + m * pxPerM + 4}
                anchor="end"
                size={13}
                soft
                fontFamily="var(--font-chart)"
                fontStyle="italic"
              >
                {show(depth(m))}
              </Words>
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
        <Handle
          name="Depth of the fly"
          value={depthM}
          says={show(depth(depthM))}
          limits={limits}
          drag={sinking}
          down
          onStep={deeper}
          id="depth"
        >
          <rect x="60" y={y - 16} width="70" height="32" fill="transparent" />
          <circle cx="92" cy={y} r="7" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="1.8" />
          <path d={`M92,${y}l-8,5`} stroke="var(--ink)" strokeWidth="1.8" />
          <Words x="78" y={y + 5} anchor="end" size={14} bold halo="water">
            {deep}
          </Words>
        </Handle>
      </svg>
      <div className="mt-1 grid grid-cols-2 gap-x-3">
        <Stepper
          label="Depth of the fly"
          less="shallower"
          more="deeper"
          value={`fly at ${deep}`}
          onLess={() => deeper(false)}
          onMore={() => deeper(true)}
        />
      </div>
    </figure>
  );
}
