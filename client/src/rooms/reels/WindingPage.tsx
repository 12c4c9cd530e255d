import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, unwrap, type TicketAnswer } from '../../api/client';
import { key } from '../../api/keys';
import { AwayList } from '../shared/AwayList';
import { spooled, useUnits } from '../../ui/units';

export const useTickets = () =>
  useQuery({ queryKey: key('tickets'), queryFn: () => unwrap(api.GET('/api/reels/tickets')) });

/** All winding tickets. */
export function WindingPage() {
  return (
    <main id="main" className="mx-auto max-w-[60rem] px-5 py-3">
      <h1 className="text-2xl font-semibold">Winding tickets</h1>
      <p className="text-soft">
        From the bare arbor to the leader loop, step by step. A ticket is written at a reel, under “Spools and winding”.
      </p>
      <Tickets />
      <AwayList
        what="tickets"
        list={() => unwrap(api.GET('/api/reels/tickets/away'))}
        nameOf={(t) => `${t.reelWords}, ${t.lineWords}`}
        bringBack={(id) => unwrap(api.POST('/api/reels/tickets/{id}/restore', { params: { path: { id } } }))}
      />
    </main>
  );
}

/** Tickets in a list, in work first; of one reel when it is named. */
export function Tickets({ reelId }: { reelId?: number }) {
  const { data } = useTickets();
  const { show } = useUnits();
  if (!data) return <p className="text-soft">Looking…</p>;
  const mine = data.filter((t) => reelId === undefined || t.reelId === reelId);
  const sorted = [...mine.filter((t) => t.spoolId === null), ...mine.filter((t) => t.spoolId !== null)];
  if (sorted.length === 0) return <p className="py-2 text-soft">None yet.</p>;
  const where = (t: TicketAnswer) =>
    t.spoolId !== null ? 'wound' : `step ${t.at + 1} of ${t.steps.length}: ${t.steps[t.at]?.title.toLowerCase() ?? ''}`;
  return (
    <ul>
      {sorted.map((t) => (
        <li key={t.id} className="flex flex-wrap items-baseline gap-x-3 border-t border-hair py-1.5">
          <Link className="underline" to={`/winding/${t.id}`}>
            {t.reelWords}, {t.spoolName}
          </Link>
          <span className="min-w-0 flex-1">
            {t.lineWords} over {show(spooled(t.backingM))} of {t.backing}
          </span>
          <b className={t.spoolId === null ? 'text-look' : 'text-fits'}>{where(t)}</b>
        </li>
      ))}
    </ul>
  );
}
