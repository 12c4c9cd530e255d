import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { LeaderCheck, LeaderDraft } from '../api/client';
import { named, rodLength, useUnits } from '../ui/units';
import { Handle } from './Handle';
import { clamp, nextStep, steppedBy, useDrag } from './useDrag';
import { useWidth } from './useWidth';
import { Words } from './Words';

const body = 58;
const curve = { top: 120, foot: 186 };
const limits = { low: 0.05, high: 9 };

type Props = {
  leader: LeaderDraft;
  check: LeaderCheck;
  rodM: number | null;
  /** Another one to set it beside. */
  beside: { name: string; check: LeaderCheck } | null;
  /** Moves the fly end of a piece; the drawing stands still without it. */
  onLength?: (piece: number, lengthM: number) => void;
};

/** The leader to scale along its length: every piece with its end to drag, its knots, and what a metre of it weighs, above the rod. */
export function LeaderDrawing({ leader, check, rodM, beside, onLength }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { show, standards } = useUnits();
  const { pieces } = leader;
  const lengthM = pieces.reduce((sum, p) => sum + p.lengthM, 0);
  const span = Math.max(lengthM, rodM ?? 0, beside?.check.lengthM ?? 0) * 1.04;
  const x = scaleLinear([0, span], [10, width - 12]);
  const from = pieces.map((_, i) => pieces.slice(0, i).reduce((sum, p) => sum + p.lengthM, 0));
  const heaviest = Math.max(...[check, beside?.check].flatMap((c) => c?.masses.map((m) => m.kgPerM) ?? []));
  const mass = scaleLinear([0, heaviest], [curve.foot, curve.top]);
  const path = (c: LeaderCheck) =>
    line<LeaderCheck['masses'][number]>(
      (m) => x(m.fromLineM),
      (m) => mass(m.kgPerM),
    )(c.masses) ?? '';
  const force = (value: number) => show(value, 'force');
  const height = rodM === null ? curve.foot + 12 : curve.foot + 52;
  const weakest = check.joints.find((j) => j.weakest);
  const placeOf = (piece: number) => x(from[piece] ?? lengthM);
  return (
    <div ref={ref}>
      <svg width={width} height={height} className="block select-none" role="group" aria-label="Leader, to scale">
        <g
          role="img"
          aria-label={`Leader of ${show(rodLength(lengthM))}${rodM === null ? '' : ` above a rod of ${show(rodLength(rodM))}`}, to scale; goes first: ${weakest?.name ?? ''} at ${force(weakest?.standsN ?? 0)}`}
        >
          <Pieces pieces={pieces} from={from} x={x} />
          <Joints joints={check.joints} placeOf={placeOf} width={width} />
          {(leader.droppers ?? []).map((d) => (
            <path
              key={d.piece}
              d={`M${placeOf(d.piece)},${body}q6,22 ${Math.max(14, x(d.lengthM) - x(0))},26`}
              fill="none"
              stroke="var(--ink)"
              strokeWidth="2"
            />
          ))}
          {leader.indicatorM != null && (
            <circle
              cx={x(Math.max(0, lengthM - leader.indicatorM))}
              cy={body - 8}
              r="7"
              fill="var(--sheet)"
              stroke="var(--ink)"
              strokeWidth="2"
            />
          )}
          {leader.shotM != null && (
            <circle cx={x(Math.max(0, lengthM - leader.shotM))} cy={body} r="4.5" fill="var(--ink)" />
          )}
          <line x1={x(0)} x2={x(span)} y1={curve.foot} y2={curve.foot} stroke="var(--hair)" />
          {beside && <path d={path(beside.check)} fill="none" stroke="var(--soft)" strokeDasharray="5 4" />}
          <path d={path(check)} fill="none" stroke="var(--ink)" strokeWidth="2" />
          <Words x={x(0) + 4} y={curve.top - 6} soft>
            what a metre weighs{beside ? `; broken line: ${beside.name}` : ''}
          </Words>
          {rodM !== null && (
            <>
              <path
                d={`M${x(0)},${curve.foot + 20}H${x(0.3)}L${x(rodM)},${curve.foot + 23.5}v1L${x(0.3)},${curve.foot + 28}H${x(0)}Z`}
                fill="var(--ink)"
              />
              <Words x={x(0)} y={curve.foot + 46} size={12.5} soft>
                rod {show(rodLength(rodM))}
                {check.outsideM ? `; ${show(rodLength(check.outsideM))} of leader stays outside it at the net` : ''}
              </Words>
            </>
          )}
        </g>
        {onLength &&
          pieces.map((p, i) => (
            <EndHandle
              key={i}
              name={`${named(standards.choices.leaderPart, p.part)} ${i + 1}, length`}
              at={x(from[i]! + p.lengthM)}
              lengthM={p.lengthM}
              perPx={span / (width - 22)}
              onLength={(m) => onLength(i, m)}
            />
          ))}
      </svg>
      <p className="rubric font-normal">
        Length to scale, line end on the left; thickness exaggerated.
        {onLength ? ' Drag a square to lengthen a piece.' : ''}
      </p>
    </div>
  );
}

type At = (m: number) => number;

function Pieces({ pieces, from, x }: { pieces: LeaderDraft['pieces']; from: number[]; x: At }) {
  const { show, standards } = useUnits();
  const thickest = Math.max(...pieces.map((p) => Math.max(p.startM, p.endM)));
  const thick = (m: number) => Math.max(0.8, (m / thickest) * 11);
  return (
    <>
      {pieces.map((p, i) => {
        const [a, b] = [x(from[i]!), x(from[i]! + p.lengthM)];
        const room = b - a;
        const coated = p.material === 'coated';
        return (
          <g key={i}>
            <path
              d={`M${a},${body - thick(p.startM)}L${b},${body - thick(p.endM)}V${body + thick(p.endM)}L${a},${body + thick(p.startM)}Z`}
              fill={p.part === 'guard' || coated ? 'var(--paper)' : 'var(--ink)'}
              stroke="var(--ink)"
              strokeWidth="1.2"
            />
            {room > 34 && (
              <Words x={(a + b) / 2} y={body - 20} size={12.5} anchor="middle">
                {room > 70 ? named(standards.choices.leaderPart, p.part) : ''}
              </Words>
            )}
            {room > 60 && (
              <Words x={(a + b) / 2} y={body - 36} anchor="middle" soft>
                {show(p.endM, p.part === 'tippet' ? 'tippet' : 'diameter')}
              </Words>
            )}
          </g>
        );
      })}
    </>
  );
}

function Joints({ joints, placeOf, width }: { joints: LeaderCheck['joints']; placeOf: At; width: number }) {
  const { show } = useUnits();
  return (
    <>
      {joints.map((j) => {
        const at = placeOf(j.piece);
        const near = at > width - 90;
        return (
          <g key={`${j.at}-${j.piece}`}>
            <circle
              cx={at}
              cy={body}
              r={j.weakest ? 7.5 : 4.5}
              fill="var(--sheet)"
              stroke={j.weakest ? 'var(--fails)' : 'var(--ink)'}
              strokeWidth={j.weakest ? 2.6 : 1.8}
            />
            {j.weakest && (
              <Words
                x={near ? at + 8 : at}
                y={body + 30}
                size={12.5}
                bold
                fill="var(--fails)"
                anchor={near ? 'end' : at < 60 ? 'start' : 'middle'}
              >
                goes first, {show(j.standsN, 'force')}
              </Words>
            )}
          </g>
        );
      })}
    </>
  );
}

function EndHandle({
  name,
  at,
  lengthM,
  perPx,
  onLength,
}: {
  name: string;
  at: number;
  lengthM: number;
  perPx: number;
  onLength: (m: number) => void;
}) {
  const { show, stepOf } = useUnits();
  const step = stepOf('rodLength', lengthM);
  const drag = useDrag({ lengthM, perPx }, (from, dx) => {
    const wanted = steppedBy(from.lengthM, dx * from.perPx, step);
    onLength(clamp(wanted, limits));
    return wanted === clamp(wanted, limits);
  });
  return (
    <Handle
      name={name}
      value={lengthM}
      says={show(rodLength(lengthM))}
      limits={limits}
      drag={drag}
      className="cursor-ew-resize"
      onStep={(more) => onLength(clamp(nextStep(lengthM, step, more), limits))}
    >
      <rect x={at - 13} y={body + 6} width="26" height="44" fill="transparent" />
      <rect
        x={at - 5}
        y={body + 38}
        width="10"
        height="10"
        fill="var(--sheet)"
        stroke={drag.held ? 'var(--signal)' : 'var(--ink)'}
        strokeWidth="1.8"
      />
      <line x1={at} x2={at} y1={body + 13} y2={body + 38} stroke="var(--soft)" strokeDasharray="2 3" />
    </Handle>
  );
}
