import { useState } from 'react';
import type { SpoolFill, SpoolLayer } from '../api/client';
import { metres, rodLength, spooled, useUnits } from '../ui/units';
import { Handle } from './Handle';
import { clamp, steppedBy, stepsOn, useDrag } from './useDrag';
import { useWidth } from './useWidth';
import { Words } from './Words';

const words: Record<SpoolLayer['kind'], string> = {
  backing: 'backing',
  running: 'running line',
  head: 'head',
  leader: 'leader',
};

const ink: Record<SpoolLayer['kind'], string> = {
  backing: 'color-mix(in srgb, var(--soft) 45%, var(--sheet))',
  running: 'color-mix(in srgb, var(--signal) 45%, var(--sheet))',
  head: 'var(--signal)',
  leader: 'var(--land)',
};

// Backing is counted in yards; line and leader are as long as their own pages say.
const lying = ({ kind, lengthM }: SpoolLayer) =>
  (kind === 'backing' ? spooled : kind === 'leader' ? rodLength : metres)(lengthM);

type Props = {
  fill: SpoolFill;
  /** What the backing may be, metres. */
  limits: { low: number; high: number };
  onBacking?: (metres: number) => void;
};

/** What of a length winds up between two radii: as far as the wound layer itself says. */
const metresPerM2 = (layer: SpoolLayer | undefined, fill: SpoolFill) => {
  const arbor = fill.spool.arborM / 2;
  if (layer) return layer.lengthM / (layer.toM ** 2 - layer.fromM ** 2);
  const full = fill.spool.rimM / 2 - fill.spool.gapM;
  return Math.max(1, fill.fitsBackingM) / (full ** 2 - arbor ** 2);
};

/** The fill as it is with another length of backing, as far as rings can tell: all that lies over it moves by the same area. */
function moved(fill: SpoolFill, metres: number): SpoolFill {
  const arbor = fill.spool.arborM / 2;
  const area =
    (metres - fill.backingM) /
    metresPerM2(
      fill.layers.find((l) => l.kind === 'backing'),
      fill,
    );
  const out = (r: number) => Math.sqrt(Math.max(arbor ** 2, r ** 2 + area));
  const layers = fill.layers.map((l) => ({
    ...l,
    lengthM: l.kind === 'backing' ? metres : l.lengthM,
    fromM: l.kind === 'backing' ? l.fromM : out(l.fromM),
    toM: out(l.toM),
    bandM: { low: out(l.bandM.low), high: out(l.bandM.high) },
  }));
  return { ...fill, backingM: metres, layers, rimGapM: fill.spool.rimM / 2 - (layers.at(-1)?.toM ?? arbor) };
}

/**
 * The spool cut through its axle, to scale: flanges, arbor, and what is wound on between them, layer by layer. The edge of the backing is
 * dragged; a hatched band tells how far a tight and a loose wind are apart.
 */
export function SpoolSection({ fill: answered, limits, onBacking }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>(420);
  const { show, stepOf, unitOf } = useUnits();
  // What the hand has moved is drawn at once; the answer takes its place when it has come.
  const [ahead, setAhead] = useState<{ metres: number; of: SpoolFill } | null>(null);
  const change = (metres: number) => {
    setAhead({ metres, of: answered });
    onBacking?.(metres);
  };
  const [held, setHeld] = useState(false);
  if (ahead && !held && ahead.of !== answered) setAhead(null);
  const fill = ahead && (held || ahead.of === answered) ? moved(answered, ahead.metres) : answered;
  const { spool, layers } = fill;
  const rim = spool.rimM / 2;
  // Room for what stands over the rim.
  const tallM = Math.max(rim, layers.at(-1)?.bandM.high ?? 0) + 0.003;
  // As large as the names beside it leave room for.
  const namesPx = 190;
  const px = Math.min(
    Math.min(170, Math.max(110, width * 0.36)) / tallM,
    Math.max(40, width - namesPx - 40) / spool.widthM,
  );
  const half = tallM * px;
  const middle = half + 8;
  const H = 2 * middle;
  const left = Math.max(32, Math.min((width - namesPx) / 2 - (spool.widthM * px) / 2, 160));
  const right = left + spool.widthM * px;
  const backing = layers.find((l) => l.kind === 'backing');
  const dragging = useDrag(
    { at: backing?.toM ?? spool.arborM / 2, perM2: metresPerM2(backing, fill), metres: fill.backingM, px },
    (from, _, dy) => {
      const to = Math.max(spool.arborM / 2, from.at - dy / from.px);
      const by = from.perM2 * (to ** 2 - from.at ** 2);
      const wanted = steppedBy(from.metres, by, stepOf('spooled', from.metres));
      change(clamp(wanted, limits));
      return wanted === clamp(wanted, limits);
    },
  );
  const y = (radiusM: number) => middle - radiusM * px;
  const short = (m: number) => show(m, 'spoolSize');
  const over = fill.rimGapM < 0;
  const handleY = y(backing?.toM ?? spool.arborM / 2);
  const { scale: unitM } = unitOf('spoolSize');
  const scaleM = unitM * ([50, 20, 10, 5, 2, 1, 0.5, 0.2].find((n) => n * unitM * px < width * 0.25) ?? 0.1);
  return (
    <div ref={ref}>
      <svg width={width} height={H + 22} className="block select-none">
        <title>
          {`The spool cut through its axle${spool.toScale ? ', to scale' : ', its shape assumed'}: ${layers
            .map((l) => `${words[l.kind]} ${show(lying(l))}`)
            .join(
              ', ',
            )}; ${over ? `it stands ${short(-fill.rimGapM)} over the rim` : `${short(fill.rimGapM)} to the rim`}`}
        </title>
        <Wound fill={fill} left={left} right={right} middle={middle} px={px} />
        <rect
          x={left}
          width={right - left}
          y={middle - (spool.arborM / 2) * px}
          height={spool.arborM * px}
          fill="var(--sheet)"
          stroke="var(--ink)"
          strokeDasharray={spool.toScale ? undefined : '4 3'}
        />
        <line
          x1={left - 18}
          x2={right + 18}
          y1={middle}
          y2={middle}
          stroke="var(--ink)"
          strokeDasharray="9 3 2 3"
          strokeWidth="0.9"
        />
        <Words x={(left + right) / 2} y={middle - 5} anchor="middle">
          arbor
        </Words>
        <Names fill={fill} from={right} y={y} foot={middle + rim * px - 2} />
        {onBacking && (
          <Handle
            name="Edge of the backing"
            value={fill.backingM}
            says={show(spooled(fill.backingM))}
            limits={limits}
            drag={{
              handle: {
                ...dragging.handle,
                onPointerDown: (event) => {
                  setHeld(true);
                  dragging.handle.onPointerDown(event);
                },
                onLostPointerCapture: () => {
                  setHeld(false);
                  dragging.handle.onLostPointerCapture();
                },
              },
            }}
            onStep={(more, steps) =>
              change(clamp(stepsOn(fill.backingM, stepOf('spooled', fill.backingM), more, steps), limits))
            }
          >
            <rect x={left - 26} y={handleY - 16} width={right - left + 32} height="32" fill="transparent" />
            <line x1={left - 8} x2={right} y1={handleY} y2={handleY} stroke="var(--signal)" strokeWidth="2.4" />
            <path
              d={`M${left - 24},${handleY}l7,-9v5h9v8h-9v5z`}
              fill="var(--signal)"
              stroke="var(--ink)"
              strokeWidth="0.8"
            />
          </Handle>
        )}
        <g transform={`translate(${left},${H + 8})`}>
          <path d={`M0,-4V4M0,0H${scaleM * px}M${scaleM * px},-4V4`} stroke="var(--ink)" />
          <Words x={scaleM * px + 6} y="4">
            {short(scaleM)}
          </Words>
        </g>
      </svg>
    </div>
  );
}

type Box = { fill: SpoolFill; left: number; right: number; middle: number; px: number };

/** What lies on it, layer by layer over and under the axle, between the flanges. */
function Wound({ fill: { spool, layers }, left, right, middle, px }: Box) {
  const rim = spool.rimM / 2;
  const last = layers.at(-1);
  return (
    <>
      <defs>
        <pattern id="wound" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="5" stroke="var(--ink)" strokeWidth="1.4" />
        </pattern>
      </defs>
      {[1, -1].map((side) => {
        const at = (r: number) => middle - side * r * px;
        const box = (from: number, to: number) => ({
          y: Math.min(at(from), at(to)),
          height: Math.abs(at(from) - at(to)),
        });
        return (
          <g key={side}>
            {layers.map((l) => (
              <g key={l.kind}>
                <rect x={left} width={right - left} {...box(l.fromM, l.toM)} fill={ink[l.kind]} />
                {Array.from(
                  { length: Math.floor(((l.toM - l.fromM) * px) / 5) },
                  (_, i) => l.fromM + ((i + 1) * 5) / px,
                ).map((r) => (
                  <line
                    key={r}
                    x1={left}
                    x2={right}
                    y1={at(r)}
                    y2={at(r)}
                    stroke="var(--ink)"
                    strokeWidth="0.5"
                    opacity="0.35"
                  />
                ))}
                <line x1={left} x2={right} y1={at(l.toM)} y2={at(l.toM)} stroke="var(--ink)" strokeWidth="0.8" />
              </g>
            ))}
            {last && (
              <rect
                x={left}
                width={right - left}
                {...box(last.bandM.low, last.bandM.high)}
                fill="url(#wound)"
                opacity="0.55"
              />
            )}
            {/* The flanges. */}
            <rect x={left - 5} width="5" {...box(0, rim)} fill="var(--ink)" />
            <rect x={right} width="5" {...box(0, rim)} fill="var(--ink)" />
            <line
              x1={left}
              x2={right}
              y1={at(rim - spool.gapM)}
              y2={at(rim - spool.gapM)}
              stroke="var(--ink)"
              strokeDasharray="3 3"
              strokeWidth="1"
            />
          </g>
        );
      })}
    </>
  );
}

/** Names beside their layers, those of thin ones pushed apart, and the room at the rim. */
function Names({
  fill,
  from,
  y,
  foot,
}: {
  fill: SpoolFill;
  from: number;
  y: (radiusM: number) => number;
  foot: number;
}) {
  const { show } = useUnits();
  const { layers, rimGapM } = fill;
  const over = rimGapM < 0;
  const names = layers.reduceRight<{ layer: SpoolLayer; at: number }[]>((all, layer) => {
    const at = (y(layer.fromM) + y(layer.toM)) / 2 + 4;
    return [...all, { layer, at: Math.max(at, (all.at(-1)?.at ?? 0) + 17) }];
  }, []);
  return (
    <>
      {names.map(({ layer, at }) => (
        <g key={layer.kind}>
          <path
            d={`M${from + 5},${(y(layer.fromM) + y(layer.toM)) / 2}L${from + 22},${at - 4}`}
            stroke="var(--hair)"
            fill="none"
          />
          <Words x={from + 25} y={at} size={13}>
            {words[layer.kind]} <tspan fontWeight="700">{show(lying(layer))}</tspan>
          </Words>
        </g>
      ))}
      <Words x={from + 25} y={foot} size={13} fill={over ? 'var(--fails)' : 'var(--ink)'}>
        {over ? `${show(-rimGapM, 'spoolSize')} over the rim` : `${show(rimGapM, 'spoolSize')} to the rim`}
      </Words>
    </>
  );
}
