import { useState } from 'react';
import { Link, useParams } from 'react-router';
import type { LeaderDraft, TiedLeader } from '../../api/client';
import { keepPiece, useKeeping, useShed } from '../../state/gear';
import { Message } from '../../ui/Message';
import { EntryScope } from '../../ui/useReading';
import { LeaderEditor } from './LeaderEditor';
import { useLeaderCheck } from './useLeader';

/** A kept leader by itself, on an ordinary line. */
export function LeaderPage() {
  const { data: shed } = useShed();
  const id = Number(useParams().id);
  const tied = shed?.leaders.find((l) => l.id === id);
  if (!shed) return <p className="p-6">Opening the pocket…</p>;
  if (!tied)
    return (
      <main id="main" className="p-6">
        <h1 className="text-xl font-semibold">There is no such leader any more.</h1>
        <Link className="underline" to="/leaders">
          All leaders
        </Link>
      </main>
    );
  return <Kept key={id} tied={tied} />;
}

function Kept({ tied }: { tied: TiedLeader }) {
  const { data: shed } = useShed();
  const [draft, setDraft] = useState<LeaderDraft | null>(null);
  const leader = draft ?? tied.leader;
  const { check, problem } = useLeaderCheck(leader, {});
  const { keep, words } = useKeeping('leaders', tied);
  if (!check) return <p className="p-6">Looking it over…</p>;
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
      <EntryScope value={`leader-${tied.id}`}>
        <LeaderEditor
          leader={leader}
          check={check}
          pocket={shed!.leaderSpools}
          rodM={null}
          beside={null}
          problem={problem}
          onChange={setDraft}
        />
      </EntryScope>
      {draft && (
        <div className="mt-3 flex flex-wrap gap-3">
          <button
            className="btn bg-ink! text-paper!"
            onClick={() =>
              void keep(async () => {
                const kept = await keepPiece('leaders', { ...tied, leader: draft } as TiedLeader);
                setDraft(null);
                return kept;
              }, `${tied.tag} is kept as it is now.`)
            }
          >
            Keep it so
          </button>
          <button className="btn" onClick={() => setDraft(null)}>
            Back to what is kept
          </button>
        </div>
      )}
      <Message>{words}</Message>
      <p className="mt-3 text-soft">
        On an ordinary line tip, without a fly: at a brief it is looked over for the day.
      </p>
    </main>
  );
}
