import {
  api,
  unwrap,
  type BriefDraft,
  type LeaderCheck,
  type LeaderDraft,
  type LeaderPiece,
  type LeaderSpool,
} from '../../api/client';
import { useAttempt } from '../../api/useAttempt';
import { LeaderDrawing } from '../../drawing/LeaderDrawing';
import { Mark } from '../../ui/Mark';
import { Message } from '../../ui/Message';
import { Pick } from '../../ui/Pick';
import { Say } from '../../ui/Say';
import { MeasureField, OptionalMeasureField } from '../../ui/TypedField';
import { useUnits } from '../../ui/units';
import { withPiece } from './useLeader';

type Props = {
  leader: LeaderDraft;
  check: LeaderCheck;
  pocket: LeaderSpool[];
  rodM: number | null;
  beside: { name: string; check: LeaderCheck } | null;
  /** What cannot be, in words. */
  problem: string | null;
  onChange: (next: LeaderDraft) => void;
};

const none = 'none';

/** A leader drawn and in pieces: everything can be dragged or typed, and what it comes to stands below. */
export function LeaderEditor({ leader, check, pocket, rodM, beside, problem, onChange }: Props) {
  const { standards } = useUnits();
  const { pieces } = leader;
  const change = (at: number, to: Partial<LeaderPiece>) => onChange(withPiece(leader, at, to));
  const remove = (at: number) =>
    onChange({
      ...leader,
      pieces: pieces.filter((_, i) => i !== at).map((p, i) => (i === 0 ? { ...p, knot: null } : p)),
      droppers: (leader.droppers ?? []).filter((d) => d.piece !== at && d.piece < pieces.length - 1),
    });
  const add = () => {
    const last = pieces.at(-1)!;
    onChange({ ...leader, pieces: [...pieces, { ...last, startM: last.endM, knot: joins[0]!.id }] });
  };
  const joins = standards.knots.filter((k) => k.use === 'join');
  const flyKnots = standards.knots.filter((k) => k.use === 'fly' || k.use === 'wire');
  const lineKnots = standards.knots.filter((k) => k.use === 'lineEnd' || k.use === 'loops');
  return (
    <>
      <LeaderDrawing
        leader={leader}
        check={check}
        rodM={rodM}
        beside={beside}
        onLength={(at, lengthM) => change(at, { lengthM })}
      />
      <Message>{problem}</Message>
      {/* What was seen before says nothing of what cannot be. */}
      {problem === null && <Findings check={check} />}
      <section aria-label="Pieces" className="mt-3">
        <h3 className="rubric">From the line to the fly</h3>
        <div className="my-1 grid grid-cols-2 gap-x-3 gap-y-1 sm:grid-cols-4">
          <Pick
            label="Line to leader"
            value={leader.lineKnot ?? lineKnots[0]!.id}
            options={lineKnots}
            onChange={(lineKnot) => onChange({ ...leader, lineKnot })}
          />
        </div>
        <ol>
          {pieces.map((p, i) => (
            <Piece
              key={i}
              at={i}
              piece={p}
              pocket={pocket}
              joins={joins}
              dropper={leader.droppers?.find((d) => d.piece === i)?.lengthM ?? null}
              onDropper={(lengthM) =>
                onChange({
                  ...leader,
                  droppers: [
                    ...(leader.droppers ?? []).filter((d) => d.piece !== i),
                    ...(lengthM === null ? [] : [{ piece: i, lengthM }]),
                  ].sort((a, b) => a.piece - b.piece),
                })
              }
              onChange={(to) => change(i, to)}
              onRemove={pieces.length > 1 ? () => remove(i) : null}
            />
          ))}
        </ol>
        <div className="my-1 grid grid-cols-2 gap-x-3 gap-y-1 border-t border-hair pt-2 sm:grid-cols-4">
          <Pick
            label="At the fly"
            value={leader.flyKnot ?? flyKnots[0]!.id}
            options={flyKnots}
            onChange={(flyKnot) => onChange({ ...leader, flyKnot })}
          />
          <OptionalMeasureField
            label="Float, above the fly"
            kind="rodLength"
            value={leader.indicatorM}
            onChange={(indicatorM) => onChange({ ...leader, indicatorM })}
          />
          <OptionalMeasureField
            label="Shot, above the fly"
            kind="shortLength"
            value={leader.shotM}
            onChange={(shotM) => onChange({ ...leader, shotM })}
          />
          {pieces.some((p) => p.material === 'coated') && (
            <OptionalMeasureField
              label="Coat sinks at"
              kind="sinkRate"
              value={leader.sinkMps}
              onChange={(sinkMps) => onChange({ ...leader, sinkMps })}
            />
          )}
        </div>
        <div className="mt-2 flex flex-wrap items-center gap-3">
          <button className="btn" onClick={add}>
            Add a piece
          </button>
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              className="size-5"
              checked={leader.ring ?? false}
              onChange={(e) => onChange({ ...leader, ring: e.target.checked })}
            />
            tippet on a small ring
          </label>
        </div>
      </section>
    </>
  );
}

function Piece({
  at,
  piece,
  pocket,
  joins,
  dropper,
  onDropper,
  onChange,
  onRemove,
}: {
  at: number;
  piece: LeaderPiece;
  pocket: LeaderSpool[];
  joins: { id: string; name: string }[];
  dropper: number | null;
  onDropper: (lengthM: number | null) => void;
  onChange: (to: Partial<LeaderPiece>) => void;
  onRemove: (() => void) | null;
}) {
  const { show, standards } = useUnits();
  const tapers = piece.startM !== piece.endM;
  const thick = (value: number) => show({ value, kind: 'tippet', plusMinus: null });
  const spools = pocket.map((s) => ({ id: String(s.id), name: `${s.tag}, ${thick(s.diameterM)}` }));
  return (
    <li className="border-t border-hair py-1.5">
      {at > 0 && (
        <div className="grid grid-cols-2 gap-x-3 sm:grid-cols-4">
          <Pick
            label={`Knot ${at}`}
            value={piece.knot ?? none}
            options={[{ id: none, name: 'none, it runs on' }, ...joins]}
            onChange={(id) => onChange({ knot: id === none ? null : id })}
          />
          {piece.knot != null && (
            <OptionalMeasureField label="Dropper here" kind="shortLength" value={dropper} onChange={onDropper} />
          )}
        </div>
      )}
      <div className="grid grid-cols-2 items-end gap-x-3 gap-y-1 sm:grid-cols-[1fr_1fr_1fr_1.2fr_1.2fr_auto]">
        <Pick
          label={`Piece ${at + 1}`}
          value={piece.part}
          options={standards.choices.leaderPart}
          onChange={(part) => onChange({ part: part as LeaderPiece['part'] })}
        />
        <MeasureField
          label="Length"
          kind="rodLength"
          value={piece.lengthM}
          onChange={(lengthM) => onChange({ lengthM })}
        />
        <MeasureField
          label={tapers ? 'Thick, to' : 'Thick'}
          kind="tippet"
          value={piece.endM}
          onChange={(m) => onChange(tapers ? { endM: m } : { startM: m, endM: m, spoolId: null, ownN: null })}
        />
        <Pick
          label="Of"
          value={piece.material ?? standards.choices.leaderMaterial[0]!.id}
          options={standards.choices.leaderMaterial}
          onChange={(material) =>
            onChange({ material: material as LeaderPiece['material'], spoolId: null, ownN: null })
          }
        />
        <Pick
          label="From the pocket"
          value={piece.spoolId ? String(piece.spoolId) : none}
          options={[{ id: none, name: tapers ? 'a packet' : 'not said' }, ...spools]}
          onChange={(id) => {
            const spool = pocket.find((s) => String(s.id) === id);
            onChange(
              spool
                ? {
                    spoolId: spool.id,
                    material: spool.material,
                    startM: spool.diameterM,
                    endM: spool.diameterM,
                    ownN: spool.ownN,
                  }
                : { spoolId: null, ownN: null },
            );
          }}
        />
        <span className="text-right">
          {onRemove && (
            <button className="quiet" aria-label={`Take piece ${at + 1} out`} onClick={onRemove}>
              take out
            </button>
          )}
        </span>
      </div>
    </li>
  );
}

/** What was seen at a leader, and what each knot stands. */
function Findings({ check }: { check: LeaderCheck }) {
  const { show } = useUnits();
  const force = (value: number, plusMinus: number | null = null) => show({ value, kind: 'force', plusMinus });
  return (
    <section aria-label="What it does" className="mt-2">
      <ul>
        {check.findings.map((f, i) => (
          <li key={`${f.id}-${i}`} className="flex gap-2" data-finding={f.id}>
            <span className="w-16 shrink-0">
              <Mark verdict={f.verdict} />
            </span>
            <span>
              <Say parts={f.says} />
            </span>
          </li>
        ))}
      </ul>
      <details>
        <summary className="quiet inline-block cursor-pointer">What each knot stands</summary>
        <table>
          <tbody>
            {check.joints.map((j) => (
              <tr key={`${j.at}-${j.piece}`}>
                <th scope="row" className="pr-6 text-left font-normal">
                  {j.name}, {j.knotName}
                </th>
                <td>
                  {force(j.standsN, j.plusMinusN)}
                  {j.tried ? ', by your own breaks' : ''}
                  {j.weakest ? ', goes first' : ''}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        {check.sources.map((s) => (
          <p key={s.note} className="rubric font-normal">
            {s.note}.
          </p>
        ))}
      </details>
    </section>
  );
}

export type Wish = { lengthM: number; lineTipM: number; tippetM: number; guardM: number };

/** Lays a leader out anew by one of the schools. */
export function LayItOut({
  wish,
  brief,
  onLeader,
}: {
  wish: Wish;
  brief: BriefDraft | null;
  onLeader: (next: LeaderDraft) => void;
}) {
  const { standards } = useUnits();
  const { attempt, words } = useAttempt();
  const lay = (school: (typeof standards.choices.leaderSchool)[number]['id'], guard: 'wire' | 'fluorocarbon') =>
    attempt(async () =>
      onLeader(
        await unwrap(api.POST('/api/leaders/design', { body: { ...wish, school, guard, sinkMps: null, brief } })),
      ),
    );
  return (
    <div className="my-2">
      <p className="rubric">Lay it out anew</p>
      <div className="flex flex-wrap gap-2">
        {standards.choices.leaderSchool.map((s) => (
          <button key={s.id} className="btn" onClick={() => void lay(s.id, 'fluorocarbon')}>
            {s.name}
          </button>
        ))}
        {wish.guardM > 0 && (
          <button className="btn" onClick={() => void lay('tapered', 'wire')}>
            with wire last
          </button>
        )}
      </div>
      <Message>{words}</Message>
    </div>
  );
}
