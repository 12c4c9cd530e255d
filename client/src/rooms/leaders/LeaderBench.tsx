import { Link } from 'react-router';
import type { LeaderDraft, Solution, TiedLeader } from '../../api/client';
import { useBriefAtHand } from '../../state/atHand';
import { keepPiece, putAway, useShed } from '../../state/gear';
import { Text } from '../../ui/fields';
import { draftOf, useForm } from '../../ui/form';
import { Message } from '../../ui/Message';
import { PinMark } from '../../ui/Mark';
import { useDone } from '../../ui/toast';
import { distance, rodLength, useUnits } from '../../ui/units';
import type { BriefWork } from '../../state/useBrief';
import { PinFields, PinMeasure, type BenchProps } from '../shared/bench';
import { LayItOut, LeaderEditor } from './LeaderEditor';
import { useLeaderCheck, useTurnover } from './useLeader';

/** The leader of the day, piece by piece, beside the one the chain has. */
export function LeaderBench({ work, solution }: BenchProps) {
  const { outfit, brief } = solution;
  const { show } = useUnits();
  const { data: shed } = useShed();
  const form = useForm<LeaderDraft>(draftOf('leader-in-work', useBriefAtHand()), outfit.leader);
  const draft = form.dirty ? form.values : null;
  const on = { brief: work.draft, line: outfit.line, rod: outfit.rod };
  const { check, problem } = useLeaderCheck(form.values, on);
  const { check: chains } = useLeaderCheck(outfit.leader, on);
  const name = outfit.tied ? outfit.tied.tag : "the chain's";
  if (!check || !chains) return <p className="text-soft">Looking it over…</p>;
  return (
    <>
      <p className="mb-1">
        {draft ? (
          <>
            In work, beside {name}.{' '}
            <button className="quiet underline" onClick={form.startOver}>
              Back to {name}
            </button>
          </>
        ) : (
          'What is changed here is yours; the chain keeps its own until you pin yours.'
        )}
      </p>
      <LeaderEditor
        form={form}
        check={check}
        pocket={shed?.leaderSpools ?? []}
        rodM={outfit.rod.lengthM}
        beside={draft ? { name, check: chains } : null}
        problem={problem}
      />
      <LayItOut
        wish={{
          lengthM: outfit.leader.lengthM,
          lineTipM: outfit.line.tipDiameterM,
          tippetM: outfit.tippet.diameterM,
          guardM: outfit.tippet.guardM,
        }}
        brief={work.draft}
        onLeader={form.patch}
      />
      <TurnsOver solution={solution} work={work} draft={draft} name={name} />
      {draft && <KeepIt leader={draft} work={work} onKept={form.startOver} />}
      <KeptLeaders work={work} pinned={outfit.tied?.id ?? null} />
      <PinFields>
        <PinMeasure
          work={work}
          at="leaderM"
          label="Pin a length"
          kind="rodLength"
          value={outfit.leader.lengthM}
          also={{ leader: null }}
        />
      </PinFields>
      <p className="text-soft">
        {show(rodLength(outfit.leader.lengthM))} at {show(distance(brief.distanceM))}.{' '}
        <Link className="underline" to="/leaders">
          The pocket, kept leaders and the tying list
        </Link>
      </p>
    </>
  );
}

/** Thrown today: how it straightens, as well as it can and just as the other was thrown. */
function TurnsOver({
  solution,
  work,
  draft,
  name,
}: {
  solution: Solution;
  work: BriefWork;
  draft: LeaderDraft | null;
  name: string;
}) {
  const { show } = useUnits();
  const { outfit } = solution;
  const leaders = draft ? [outfit.leader, draft] : [outfit.leader];
  const answer = useTurnover(work.draft, outfit.line, outfit.rod, leaders);
  if (!answer || answer.leaders.length < leaders.length) return null;
  const speed = (value: number) => (value > 0 ? show(value, 'lineSpeed') : 'does not straighten');
  const rows = answer.leaders.slice(0, leaders.length).map((t, i) => ({ ...t, name: i === 0 ? name : 'yours' }));
  return (
    <section aria-label="Thrown today" className="my-3">
      <h3 className="rubric">Thrown today, in this wind</h3>
      <table className="w-full max-w-xl">
        <thead>
          <tr className="rubric text-left">
            <th scope="col">leader</th>
            <th scope="col">reaches</th>
            <th scope="col">fly, when it straightens</th>
            {draft && <th scope="col">thrown just alike</th>}
          </tr>
        </thead>
        <tbody>
          {rows.map((t) => (
            <tr key={t.name} className="border-t border-hair" data-leader={t.name}>
              <th scope="row" className="text-left font-normal">
                {t.name}
              </th>
              <td>
                {t.reachM > 0
                  ? show({ value: t.reachM, kind: 'distance', plusMinus: t.reachM * answer.doubt })
                  : 'nothing turns over'}
              </td>
              <td>{speed(t.flyMps)}</td>
              {draft && (
                <td>
                  {speed(t.sameMps)}
                  {t.sameShare !== null && t.sameShare !== 1 && `, ${faster(t.sameShare)}`}
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

const faster = (share: number) => `${Math.abs(100 * (share - 1)).toFixed(1)} % ${share > 1 ? 'faster' : 'slower'}`;

function KeepIt({ leader, work, onKept }: { leader: LeaderDraft; work: BriefWork; onKept: () => void }) {
  const form = useForm(null, { name: '' });
  const done = useDone();
  return (
    <form
      {...form.area}
      className="my-3 flex flex-wrap items-end gap-3 border-y border-hair py-3"
      onSubmit={(e) => {
        e.preventDefault();
        void form.keep(async ({ name }) => {
          const kept = await keepPiece('leaders', { tag: '', name, note: null, leader } as unknown as TiedLeader);
          work.setPins('leader', { leader: kept.id, leaderM: null, tippetM: null });
          onKept();
          done(`${kept.tag} ${kept.name} is kept and pinned.`, async () => {
            work.setPins('leader', { leader: null });
            await putAway('leaders', kept.id);
          });
        });
      }}
    >
      <Text
        of={form}
        at="name"
        label="Keep this leader, called"
        className="min-w-48 flex-1"
        maxLength={80}
        placeholder="suggested when left empty"
      />
      <button className="btn bg-ink! text-paper!" type="submit">
        Keep and pin it
      </button>
      <Message>{form.words}</Message>
    </form>
  );
}

function KeptLeaders({ work, pinned }: { work: BriefWork; pinned: number | null }) {
  const { data: shed } = useShed();
  const { show } = useUnits();
  if (!shed || shed.leaders.length === 0) return null;
  return (
    <section aria-label="Kept leaders" className="my-3">
      <h3 className="rubric">Kept leaders</h3>
      <ul>
        {shed.leaders.map((l) => (
          <li key={l.id} className="flex flex-wrap items-baseline gap-x-3 border-t border-hair py-1">
            <Link className="underline" to={`/leaders/${l.id}`}>
              <strong>{l.tag}</strong> {l.name}
            </Link>
            <span className="flex-1 text-soft">
              {show(rodLength(l.leader.lengthM))}, {show(l.leader.tippetM, 'tippet')}
            </span>
            <button
              className="quiet inline-flex items-center gap-1"
              aria-pressed={pinned === l.id}
              aria-label={`Pin ${l.tag}`}
              onClick={() =>
                work.setPins(
                  'leader',
                  pinned === l.id ? { leader: null } : { leader: l.id, leaderM: null, tippetM: null },
                )
              }
            >
              <PinMark on={pinned === l.id} />
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
