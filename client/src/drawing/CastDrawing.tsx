import { scaleLinear } from 'd3-scale';
import type { CastAnswer } from '../api/client';
import { carried, distance, useUnits } from '../ui/units';
import { lineAt, momentAt, shapeOf, type Point } from './castShape';
import { useWidth } from './useWidth';
import { Words } from './Words';

export type Thrown = { name: string; answer: CastAnswer };

const ghosts = [0, 0.25, 0.5, 0.75, 1];

/** The cast from the side, to scale: the line at one moment, and faintly where it was and will be. */
export function CastDrawing({
  thrown,
  distanceM,
  timeS,
  alone,
}: {
  thrown: Thrown[];
  distanceM: number;
  timeS: number;
  /** No moment of its own: only the row of moments, for people who want no motion. */
  alone: boolean;
}) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { show, unitOf } = useUnits();
  const first = thrown[0]!.answer;
  const back = Math.max(...thrown.map((t) => t.answer.moments[0]!.upperM * Math.cos(t.answer.cast.angleRad)));
  const far = Math.max(distanceM, ...thrown.map((t) => Math.max(t.answer.cast.reachM, t.answer.reach.value))) * 1.04;
  const top = Math.max(
    ...thrown.flatMap((t) => t.answer.moments.map((m) => m.heightM + Math.min(t.answer.loopM, m.upperM * 0.8))),
  );
  const pxPerM = (width - 16) / (back + far);
  const height = Math.ceil((top + 0.5) * pxPerM) + 46;
  const water = height - 44;
  const x = (m: number) => 8 + (m + back) * pxPerM;
  const z = (m: number) => water - m * pxPerM;
  const path = (points: Point[]) =>
    points.length < 2 ? '' : `M${points.map((p) => `${x(p.x).toFixed(1)},${z(p.z).toFixed(1)}`).join('L')}`;
  const unitM = unitOf('length').scale;
  const ticks = scaleLinear([0, far / unitM], [0, 1])
    .ticks(Math.min(8, ((far / (back + far)) * width) / 58))
    .map((n) => n * unitM);
  const reach = first.reach;
  const told = momentAt(first.moments, timeS);
  const says = `The cast from the side. ${first.can ? 'It gets to' : 'It does not get to'} ${show(distance(distanceM))}; farthest ${show(reach)}. At ${timeS.toFixed(1)} seconds the loop is ${show(carried(told.bendM))} out and ${show(distance(told.shotM))} of line has been shot.`;
  return (
    <div ref={ref}>
      <svg width={width} height={height} role="img" aria-label={says} className="block" data-cast={timeS.toFixed(3)}>
        <rect x={x(-0.2)} width={width - x(-0.2)} y={water} height="44" fill="var(--water)" />
        <rect x="0" width={x(-0.2)} y={water} height="44" fill="var(--land)" />
        <line x1="0" x2={width} y1={water} y2={water} stroke="var(--soft)" />
        <rect
          x={x(Math.max(0, reach.value - (reach.plusMinus ?? 0)))}
          width={2 * (reach.plusMinus ?? 0) * pxPerM}
          y={water}
          height="7"
          fill="var(--soft)"
          opacity="0.45"
        />
        <Caster x={x} z={z} px={pxPerM} tipM={first.tipHeightM} />
        {ticks.map((m) => (
          <g key={m}>
            <line x1={x(m)} x2={x(m)} y1={water} y2={water + 6} stroke="var(--ink)" />
            <Words x={x(m)} y={water + 20} anchor={x(m) > width - 18 ? 'end' : 'middle'}>
              {show(distance(m))}
            </Words>
          </g>
        ))}
        <g>
          <line
            x1={x(distanceM)}
            x2={x(distanceM)}
            y1={water}
            y2={z(top) + 4}
            stroke="var(--ink)"
            strokeDasharray="2 4"
          />
          <Words
            x={x(distanceM) + (x(distanceM) > width - 90 ? -6 : 6)}
            y={z(top) + 12}
            size={12.5}
            bold
            anchor={x(distanceM) > width - 90 ? 'end' : 'start'}
          >
            wanted {show(distance(distanceM))}
          </Words>
        </g>
        <Words x={8} y={height - 6}>
          ‹ back cast
        </Words>
        <Words x={Math.min(width - 8, x(reach.value) + 60)} y={height - 6} size={12.5} anchor="end">
          {`farthest ${show(reach)}`}
        </Words>
        {[...thrown].reverse().map(({ name, answer }, i) => {
          const main = i === thrown.length - 1;
          const colour = main ? 'var(--signal)' : 'var(--soft)';
          const shape = shapeOf(answer);
          const end = answer.moments.at(-1)!.timeS;
          const now = lineAt(shape, momentAt(answer.moments, timeS));
          return (
            <g key={name} fill="none" strokeLinejoin="round" strokeLinecap="round">
              {main &&
                ghosts.map((share) => {
                  const then = lineAt(shape, momentAt(answer.moments, share * end));
                  return (
                    <g key={share} opacity={alone ? 0.85 : 0.28}>
                      <path d={path(then.running)} stroke={colour} strokeWidth="0.9" />
                      <path d={path(then.head)} stroke={colour} strokeWidth={alone ? 2.4 : 1.6} />
                      <path d={path(then.leader)} stroke="var(--ink)" strokeWidth="0.9" />
                    </g>
                  );
                })}
              {!alone && (
                <g strokeDasharray={main ? undefined : '7 3'}>
                  <path d={path(now.running)} stroke={colour} strokeWidth="1.5" />
                  <path d={path(now.head)} stroke={colour} strokeWidth={main ? 3.6 : 2.6} />
                  <path d={path(now.leader)} stroke={main ? 'var(--ink)' : 'var(--soft)'} strokeWidth="1.4" />
                  <circle cx={x(now.fly.x)} cy={z(now.fly.z)} r="4" fill={main ? 'var(--ink)' : 'var(--soft)'} />
                </g>
              )}
            </g>
          );
        })}
      </svg>
    </div>
  );
}

/** Somebody with the rod stopped, as tall as people are. */
function Caster({ x, z, px, tipM }: { x: (m: number) => number; z: (m: number) => number; px: number; tipM: number }) {
  const hand = { x: -Math.min(1.9, tipM * 0.68), z: Math.min(1.75, tipM * 0.62) };
  const body = hand.x - 0.28;
  const stands = hand.z - 1.45;
  return (
    <g stroke="var(--ink)" fill="none" strokeLinecap="round" strokeWidth={Math.max(1.6, 0.09 * px)}>
      <path
        d={`M${x(hand.x)},${z(hand.z)}Q${x(hand.x * 0.45)},${z(hand.z + (tipM - hand.z) * 0.68)} ${x(0)},${z(tipM)}`}
        strokeWidth={1.6}
      />
      <path d={`M${x(body)},${z(stands + 1.4)}L${x(hand.x)},${z(hand.z)}`} />
      <path
        d={`M${x(body)},${z(stands + 1.45)}V${z(stands + 0.82)}L${x(body - 0.2)},${z(stands)}M${x(body)},${z(stands + 0.82)}L${x(body + 0.24)},${z(stands)}`}
      />
      <circle cx={x(body)} cy={z(stands + 1.62)} r={0.13 * px} fill="var(--ink)" stroke="none" />
    </g>
  );
}
