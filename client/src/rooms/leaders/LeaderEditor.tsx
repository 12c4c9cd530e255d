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
import { Choice, Measure, Tick } from '../../ui/fields';
import { useRows, type Form } from '../../ui/form';
import { Mark } from '../../ui/Mark';
import { Message } from '../../ui/Message';
import { Say } from '../../ui/Say';
import { OptionalMeasureField } from '../../ui/TypedField';
import { useUnits } from '../../ui/units';

type Props = {
  form: Form<LeaderDraft>;
  check: LeaderCheck;
  pocket: LeaderSpool[];
  rodM: number | null;
  beside: { name: string; check: LeaderCheck } | null;
  /** What cannot be, in words. */
  problem: string | null;
};

/** Each dropper hangs from a piece by its number; they go on hanging where they hung when the one at `out` is taken out. */
const without = (droppers: LeaderDraft['droppers'], out: number) =>
  (droppers ?? []).filter((d) => d.piece !== out).map((d) => (d.piece > out ? { ...d, piece: d.piece - 1 } : d));

/** A leader drawn and in pieces: everything can be dragged or typed, and what it comes to stands below. */
export function LeaderEditor({ form, check, pocket, rodM, beside, problem }: Props) {
  const { standards } = useUnits();
  const leader = form.values;
  const { rows, add, takeOut } = useRows(form, 'pieces');
  const joins = standards.knots.filter((k) => k.use === 'join');
  const flyKnots = standards.knots.filter((k) => k.use === 'fly' || k.use === 'wire');
  const lineKnots = standards.knots.filter((k) => k.use === 'lineEnd' || k.use === 'loops');
  const remove = (at: number) => {
    form.put('droppers', without(form.lib.getValues('droppers'), at));
    takeOut(at);
    form.put('pieces.0.knot', null);
  };
  return (
    <div {...form.area}>
      <LeaderDrawing
        leader={leader}
        check={check}
        rodM={rodM}
        beside={beside}
        onLength={(at, lengthM) => form.put(`pieces.${at}.lengthM`, lengthM)}
      />
      <Message>{problem}</Message>
      {/* What was seen before says nothing of what cannot be. */}
      {problem === null && <Findings check={check} />}
      <section aria-label="Pieces" className="mt-3">
        <h3 className="rubric">From the line to the fly</h3>
        <div className="my-1 grid grid-cols-2 gap-x-3 gap-y-1 sm:grid-cols-4">
          <Choice of={form} at="lineKnot" label="Line to leader" options={lineKnots} />
        </div>
        <ol>
          {rows.map(({ key, at }, i) => (
            <Piece
              key={key}
              form={form}
              at={at}
              i={i}
              pocket={pocket}
              joins={joins}
              onRemove={rows.length > 1 ? () => remove(i) : null}
            />
          ))}
        </ol>
        <div className="my-1 grid grid-cols-2 gap-x-3 gap-y-1 border-t border-hair pt-2 sm:grid-cols-4">
          <Choice of={form} at="flyKnot" label="At the fly" options={flyKnots} />
          <Measure of={form} at="indicatorM" label="Float, above the fly" kind="rodLength" empty />
          <Measure of={form} at="shotM" label="Shot, above the fly" kind="shortLength" empty />
          {leader.pieces.some((p) => p.material === 'coated') && (
            <Measure of={form} at="sinkMps" label="Coat sinks at" kind="sinkRate" empty />
          )}
        </div>
        <div className="mt-2 flex flex-wrap items-center gap-3">
          <button
            className="btn"
            type="button"
            onClick={() => {
              const last = form.lib.getValues('pieces').at(-1)!;
              add({ ...last, startM: last.endM, knot: joins[0]!.id });
            }}
          >
            Add a piece
          </button>
          <Tick of={form} at="ring" label="tippet on a small ring" className="" />
        </div>
      </section>
    </div>
  );
}

function Piece({
  form,
  at,
  i,
  pocket,
  joins,
  onRemove,
}: {
  form: Form<LeaderDraft>;
  at: `pieces.${number}`;
  i: number;
  pocket: LeaderSpool[];
  joins: { id: string; name: string }[];
  onRemove: (() => void) | null;
}) {
  const { show, standards } = useUnits();
  const piece = form.values.pieces[i];
  if (!piece) return null;
  const tapers = piece.startM !== piece.endM;
  const put = (change: Partial<LeaderPiece>) => form.put(at, { ...form.lib.getValues(at), ...change } as LeaderPiece);
  const hang = (lengthM: number | null) => {
    const others = (form.lib.getValues('droppers') ?? []).filter((d) => d.piece !== i);
    const all = lengthM === null ? others : [...others, { piece: i, lengthM }];
    form.put(
      'droppers',
      all.sort((a, b) => a.piece - b.piece),
    );
  };
  return (
    <li className="border-t border-hair py-1.5">
      {i > 0 && (
        <div className="grid grid-cols-2 gap-x-3 sm:grid-cols-4">
          <Choice of={form} at={`${at}.knot`} label={`Knot ${i}`} options={joins} none="none, it runs on" />
          {piece.knot != null && (
            <OptionalMeasureField
              label="Dropper here"
              at={`${at}.dropper`}
              texts={form.texts}
              kind="shortLength"
              value={form.values.droppers?.find((d) => d.piece === i)?.lengthM ?? null}
              onChange={hang}
            />
          )}
        </div>
      )}
      <div className="grid grid-cols-2 items-end gap-x-3 gap-y-1 sm:grid-cols-[1fr_1fr_1fr_1.2fr_1.2fr_auto]">
        <Choice of={form} at={`${at}.part`} label={`Piece ${i + 1}`} options={standards.choices.leaderPart} />
        <Measure of={form} at={`${at}.lengthM`} label="Length" kind="rodLength" />
        <Measure
          of={form}
          at={`${at}.endM`}
          label={tapers ? 'Thick, to' : 'Thick'}
          kind="tippet"
          then={(m) => !tapers && put({ startM: m!, spoolId: null, ownN: null })}
        />
        <Choice
          of={form}
          at={`${at}.material`}
          label="Of"
          options={standards.choices.leaderMaterial}
          then={() => put({ spoolId: null, ownN: null })}
        />
        <Choice
          of={form}
          at={`${at}.spoolId`}
          label="From the pocket"
          options={pocket.map((s) => ({
            id: s.id,
            name: `${s.tag}, ${show(s.diameterM, 'tippet')}`,
          }))}
          none={tapers ? 'a packet' : 'not said'}
          then={(id) => {
            const spool = pocket.find((s) => s.id === id);
            if (!spool) return put({ ownN: null });
            const { material, diameterM: startM, diameterM: endM, ownN } = spool;
            put({ material, startM, endM, ownN });
          }}
        />
        <span className="text-right">
          {onRemove && (
            <button className="quiet" type="button" aria-label={`Take piece ${i + 1} out`} onClick={onRemove}>
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
