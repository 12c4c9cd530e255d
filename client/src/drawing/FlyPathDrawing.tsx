import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { DepthAnswer, DepthLine, FlyPath } from '../api/client';
import { depth, distance, useUnits } from '../ui/units';
import { Handle } from './Handle';
import { ticks } from './ticks';
import { clamp, nextStep, steppedBy, useDrag } from './useDrag';
import { useWidth } from './useWidth';
import { Words } from './Words';

type Moment = FlyPath['moments'][number];
const surface = 46;
const foot = 268;
const dashes = { lighter: '2 4', this: undefined, heavier: '9 4' } as const;

type Props = {
  answer: DepthAnswer;
  currentMps: number;
  onTarget: (m: number) => void;
  onWater: (m: number) => void;
  onCurrent: (mps: number) => void;
};

/** The water in section: where the fly goes on this line, a lighter and a heavier one; fish, bottom and current to drag. */
export function FlyPathDrawing({ answer, currentMps, onTarget, onWater, onCurrent }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { show, unitOf, standards } = useUnits();
  const { lines, at, by, targetM, waterM } = answer;
  const beside = [
    { way: 'lighter' as const, l: lines[at - 1] },
    { way: 'this' as const, l: lines[at] },
    { way: 'heavier' as const, l: lines[at + 1] },
  ].filter((x): x is { way: keyof typeof dashes; l: DepthLine } => Boolean(x.l));
  // Towards the rod, down the current, or as it goes by.
  const along = (m: Moment) => (by === 'retrieve' ? m.awayM : by === 'drift' ? m.driftM : m.timeS);
  const far = Math.max(1, ...beside.flatMap((b) => b.l.path.moments.map(along)));
  const x = scaleLinear([0, far], [64, width - 92]);
  const deep = Math.max(waterM, targetM) * 1.06 + 0.1;
  const y = scaleLinear([0, deep], [surface, foot]);
  const draw = line<Moment>(
    (m) => x(along(m)),
    (m) => y(m.depthM),
  );
  const zone = [Math.max(0, targetM - answer.zoneM), Math.min(waterM, targetM + answer.zoneM)] as const;
  const mine = lines[at]!;
  const count = mine.path.moments.find((m) => m.timeS >= mine.countS) ?? mine.path.moments.at(-1)!;
  const axis =
    by === 'retrieve' ? 'from the rod’s tip' : by === 'drift' ? 'down from where it fell' : 'seconds since it fell';
  const heights = beside
    .map((b) => ({ ...b, end: b.l.path.moments.at(by === 'retrieve' ? 0 : -1)! }))
    .map((b) => ({ ...b, top: y(by === 'retrieve' ? b.l.path.countM : b.end.depthM) }))
    .sort((a, b) => a.top - b.top)
    .reduce<{ name: string; way: keyof typeof dashes; top: number }[]>(
      (all, b) => [...all, { name: b.l.name, way: b.way, top: Math.max(b.top, (all.at(-1)?.top ?? 0) + 15) }],
      [],
    );
  return (
    <div ref={ref}>
      <svg
        width={width}
        height={foot + 36}
        className="block border border-ink bg-sheet select-none"
        role="group"
        aria-label="The water in section"
      >
        <g
          role="img"
          aria-label={`Depth of the fly: ${beside.map((b) => `${b.l.name} held at about ${show(depth(b.l.path.heldM))}`).join('; ')}; fish at ${show(depth(targetM))}, bottom at ${show(depth(waterM))}`}
        >
          <Water
            y={y}
            width={width}
            waterM={waterM}
            zone={targetM > 0 ? zone : null}
            from={x.range()[0]!}
            to={x.range()[1]!}
          />
          {(by === 'swing' ? x.ticks(5) : ticks(x, Math.min(5, width / 120), unitOf('distance').scale)).map((t) => (
            <Words key={t} x={x(t)} y={foot + 18} anchor="middle" soft>
              {by === 'swing' ? `${Math.round(t)} s` : t === 0 ? '0' : show(distance(t))}
            </Words>
          ))}
          <Words x={x.range()[1]} y={foot + 32} anchor="end" soft>
            {axis}
          </Words>
          {beside.map((b) => (
            <path
              key={b.way}
              d={draw(b.l.path.moments) ?? ''}
              fill="none"
              stroke={b.way === 'this' ? 'var(--signal)' : 'var(--ink)'}
              strokeWidth={b.way === 'this' ? 2.8 : 1.3}
              strokeDasharray={dashes[b.way]}
            />
          ))}
          {heights.map((b) => (
            <Words key={b.way} x={width - 86} y={b.top + 4} size={12.5} fontWeight={b.way === 'this' ? 700 : 400}>
              {b.name}
            </Words>
          ))}
          <circle
            cx={x(along(count))}
            cy={y(count.depthM)}
            r="4"
            fill="var(--sheet)"
            stroke="var(--signal)"
            strokeWidth="2"
          />
          <Words x={x(along(count))} y={Math.max(surface + 14, y(count.depthM) - 9)} anchor="middle">
            {Math.round(mine.countS)} s
          </Words>
        </g>
        <Deep
          name="Where the fish are"
          word={`fish ${show(depth(targetM))}`}
          value={targetM}
          at={y(targetM)}
          left={x.range()[0]! + 8}
          perPx={deep / (foot - surface)}
          limits={standards.limits.depthM}
          onValue={onTarget}
          fish
        />
        <Deep
          name="The bottom"
          word={`bottom ${show(depth(waterM))}${answer.waterAssumed ? ', assumed' : ''}`}
          value={waterM}
          at={y(waterM)}
          left={x.range()[0]! + 120}
          perPx={deep / (foot - surface)}
          limits={answer.watersM}
          onValue={onWater}
        />
        <Current mps={currentMps} width={width} onCurrent={onCurrent} />
      </svg>
    </div>
  );
}

/** Water, bottom and the depth the fish keep to, with depths at its edge. */
function Water({
  y,
  width,
  waterM,
  zone,
  from,
  to,
}: {
  y: (m: number) => number;
  width: number;
  waterM: number;
  zone: readonly [number, number] | null;
  from: number;
  to: number;
}) {
  const { show, unitOf } = useUnits();
  const unitM = unitOf('depth').scale;
  const marks = scaleLinear([0, waterM / unitM], [0, 1])
    .ticks(5)
    .map((n) => n * unitM)
    .filter((t) => t > 0 && t < waterM)
    // In shallow water two ticks may be said alike.
    .filter((t, i, all) => i === 0 || show(depth(t)) !== show(depth(all[i - 1]!)));
  return (
    <>
      <rect x="0" y={surface} width={width} height={y(waterM) - surface} fill="var(--water)" />
      <rect x="0" y={y(waterM)} width={width} height={foot - y(waterM) + 2} fill="var(--land)" />
      <path
        d={`M0,${y(waterM)}${Array.from({ length: Math.ceil(width / 24) }, (_, i) => `q6,${i % 2 ? 4 : -3} 12,0t12,0`).join('')}`}
        fill="none"
        stroke="var(--soft)"
      />
      {zone && (
        <rect
          x={from}
          width={to - from}
          y={y(zone[0])}
          height={y(zone[1]) - y(zone[0])}
          fill="var(--sheet)"
          opacity="0.55"
        />
      )}
      <line x1="0" x2={width} y1={surface} y2={surface} stroke="var(--ink)" />
      {marks.map((t) => (
        <g key={t}>
          <line x1="0" x2="6" y1={y(t)} y2={y(t)} stroke="var(--soft)" />
          <Words x="9" y={y(t) + 4} soft>
            {show(depth(t))}
          </Words>
        </g>
      ))}
    </>
  );
}

function Deep({
  name,
  word,
  value,
  at,
  left,
  perPx,
  limits,
  onValue,
  fish = false,
}: {
  name: string;
  word: string;
  value: number;
  at: number;
  left: number;
  perPx: number;
  limits: { low: number; high: number };
  onValue: (m: number) => void;
  fish?: boolean;
}) {
  const { show, stepOf } = useUnits();
  const step = stepOf('depth', value);
  const drag = useDrag({ value, perPx }, (from, _, dy) => {
    const wanted = steppedBy(from.value, dy * from.perPx, step);
    onValue(clamp(wanted, limits));
    return wanted === clamp(wanted, limits);
  });
  return (
    <Handle
      name={name}
      value={value}
      says={show(depth(value))}
      limits={limits}
      drag={drag}
      down
      onStep={(more) => onValue(clamp(nextStep(value, step, more), limits))}
    >
      <rect x={left - 8} y={at - 16} width="112" height="32" fill="transparent" />
      {fish ? (
        <path
          d={`M${left},${at}q9,-8 20,0q-11,8 -20,0l-7,-5v10z`}
          fill="var(--sheet)"
          stroke="var(--ink)"
          strokeWidth="1.6"
        />
      ) : (
        <rect x={left} y={at - 5} width="16" height="10" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="1.6" />
      )}
      <Words
        x={left + 26}
        y={at + (fish ? 4 : 15)}
        size={12.5}
        bold
        stroke={fish ? 'var(--water)' : 'var(--land)'}
        strokeWidth="3"
        paintOrder="stroke"
      >
        {word}
      </Words>
    </Handle>
  );
}

// Pixels for a metre a second of current.
const pxPerMps = 70;

function Current({ mps, width, onCurrent }: { mps: number; width: number; onCurrent: (mps: number) => void }) {
  const { show, stepOf } = useUnits();
  const limits = { low: 0, high: Math.min(4, (width - 180) / pxPerMps) };
  const step = stepOf('waterSpeed', mps);
  const drag = useDrag({ mps }, (from, dx) => {
    const wanted = steppedBy(from.mps, dx / pxPerMps, step);
    onCurrent(clamp(wanted, limits));
    return wanted === clamp(wanted, limits);
  });
  const [from, to] = [84, 84 + mps * pxPerMps + 10];
  return (
    <Handle
      name="Current"
      value={mps}
      says={show(mps, 'waterSpeed')}
      limits={limits}
      drag={drag}
      className="cursor-ew-resize"
      onStep={(more) => onCurrent(clamp(nextStep(mps, step, more), limits))}
    >
      <rect x={to - 16} y="4" width="36" height="36" fill="transparent" />
      <Words x="10" y="27" size={12.5}>
        current
      </Words>
      <line x1={from} x2={to} y1="22" y2="22" stroke="var(--ink)" strokeWidth="2" />
      <path d={`M${to + 11},22l-13,-7v14z`} fill="var(--sheet)" stroke="var(--ink)" strokeWidth="1.8" />
      <Words x={to + 20} y="27" size={13} bold>
        {show(mps, 'waterSpeed')}
      </Words>
    </Handle>
  );
}
