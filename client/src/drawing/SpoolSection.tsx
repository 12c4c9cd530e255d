import { useState, type KeyboardEvent } from 'react';
import type { SpoolFill, SpoolLayer } from '../api/client';
import { metres, rodLength, spooled, useUnits } from '../ui/units';
import { clamp, nextStep, steppedBy, useDrag } from './useDrag';
import { useWidth } from './useWidth';

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
  const keys = (event: KeyboardEvent) => {
    const by = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1, PageUp: 5, PageDown: -5 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    const step = stepOf('spooled', fill.backingM);
    change(clamp(nextStep(fill.backingM, step, by > 0) + (Math.abs(by) - 1) * Math.sign(by) * step, limits));
  };
  const short = (m: number) => show({ value: m, kind: 'spoolSize', plusMinus: null });
  const last = layers.at(-1);
  const over = fill.rimGapM < 0;
  const handleY = y(backing?.toM ?? spool.arborM / 2);
  // Names stand beside their layers, the thin ones pushed apart.
  const names = layers.reduceRight<{ layer: SpoolLayer; at: number }[]>((all, layer) => {
    const at = (y(layer.fromM) + y(layer.toM)) / 2 + 4;
    return [...all, { layer, at: Math.max(at, (all.at(-1)?.at ?? 0) + 17) }];
  }, []);
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
        <text x={(left + right) / 2} y={middle - 5} fontSize="12" textAnchor="middle" fill="var(--ink)">
          arbor
        </text>
        {names.map(({ layer, at }) => (
          <g key={layer.kind}>
            <path
              d={`M${right + 5},${(y(layer.fromM) + y(layer.toM)) / 2}L${right + 22},${at - 4}`}
              stroke="var(--hair)"
              fill="none"
            />
            <text x={right + 25} y={at} fontSize="13" fill="var(--ink)">
              {words[layer.kind]} <tspan fontWeight="700">{show(lying(layer))}</tspan>
            </text>
          </g>
        ))}
        <text x={right + 25} y={middle + rim * px - 2} fontSize="13" fill={over ? 'var(--fails)' : 'var(--ink)'}>
          {over ? `${short(-fill.rimGapM)} over the rim` : `${short(fill.rimGapM)} to the rim`}
        </text>
        {onBacking && (
          <g
            role="slider"
            tabIndex={0}
            aria-label="Edge of the backing"
            aria-orientation="vertical"
            aria-valuemin={limits.low}
            aria-valuemax={limits.high}
            aria-valuenow={fill.backingM}
            aria-valuetext={show(spooled(fill.backingM))}
            onKeyDown={keys}
            className="cursor-ns-resize"
            {...dragging.handle}
            onPointerDown={(event) => {
              setHeld(true);
              dragging.handle.onPointerDown(event);
            }}
            onLostPointerCapture={() => {
              setHeld(false);
              dragging.handle.onLostPointerCapture();
            }}
          >
            <rect x={left - 26} y={handleY - 16} width={right - left + 32} height="32" fill="transparent" />
            <line x1={left - 8} x2={right} y1={handleY} y2={handleY} stroke="var(--signal)" strokeWidth="2.4" />
            <path
              d={`M${left - 24},${handleY}l7,-9v5h9v8h-9v5z`}
              fill="var(--signal)"
              stroke="var(--ink)"
              strokeWidth="0.8"
            />
          </g>
        )}
        <g transform={`translate(${left},${H + 8})`}>
          <path d={`M0,-4V4M0,0H${scaleM * px}M${scaleM * px},-4V4`} stroke="var(--ink)" />
          <text x={scaleM * px + 6} y="4" fontSize="12" fill="var(--ink)">
            {short(scaleM)}
          </text>
        </g>
      </svg>
    </div>
  );
}
