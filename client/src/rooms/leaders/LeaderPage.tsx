import { Link, useParams } from 'react-router';
import type { LeaderDraft, TiedLeader } from '../../api/client';
import { current, keepPiece, useKeeping, useShed } from '../../state/gear';
import { Again, Refused } from '../../ui/fields';
import { draftOf, useForm } from '../../ui/form';
import { Lost } from '../../ui/Lost';
import { LeaderEditor } from './LeaderEditor';
import { useLeaderCheck } from './useLeader';

/** A kept leader by itself, on an ordinary line. */
export function LeaderPage() {
  const { data: shed } = useShed();
  const id = Number(useParams().id);
  const tied = shed?.leaders.find((l) => l.id === id);
  if (!shed) return <p className="p-6">Opening the pocket…</p>;
  if (!tied) return <Lost words="There is no such leader any more." to="/leaders" name="All leaders" />;
  return <Kept key={id} tied={tied} />;
}

function Kept({ tied }: { tied: TiedLeader }) {
  const { data: shed } = useShed();
  const form = useForm<LeaderDraft>(draftOf('tied', tied.id), tied.leader, tied.version);
  const { check, problem } = useLeaderCheck(form.values, {});
  const { keep } = useKeeping('leaders', tied);
  if (!check) return <p className="p-6">Looking it over…</p>;
  const keepIt = () =>
    form.keep((leader, version) =>
      keep(() => keepPiece('leaders', { ...tied, leader, version } as TiedLeader), `${tied.tag} is kept as it is now.`),
    );
  const theirs = async () => {
    const now = await current('leaders', tied.id);
    return now ? { values: now.leader as LeaderDraft, version: now.version } : null;
  };
  return (
    <main id="main" className="mx-auto max-w-[60rem] px-5 py-4">
      <header className="mb-2 flex flex-wrap items-baseline gap-3">
        <h1 className="min-w-0 flex-1 text-2xl font-semibold wrap-anywhere">
          {tied.tag} {tied.name}
        </h1>
        <Link className="quiet underline" to={`/leaders/tying?of=${tied.id}`}>
          Tying list
        </Link>
        <Link className="quiet underline" to="/leaders">
          All leaders
        </Link>
      </header>
      <Again form={form} />
      <LeaderEditor form={form} check={check} pocket={shed!.leaderSpools} rodM={null} beside={null} problem={problem} />
      {form.dirty && (
        <div className="mt-3 flex flex-wrap gap-3">
          <button className="btn bg-ink! text-paper!" onClick={() => void keepIt()}>
            Keep it so
          </button>
          <button className="btn" onClick={form.startOver}>
            Back to what is kept
          </button>
        </div>
      )}
      <Refused form={form} theirs={theirs} again={keepIt} />
      <p className="mt-3 text-soft">
        On an ordinary line tip, without a fly: at a brief it is looked over for the day.
      </p>
    </main>
  );
}
