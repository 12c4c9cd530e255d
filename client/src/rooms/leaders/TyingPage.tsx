import { useQuery } from '@tanstack/react-query';
import { Link, useSearchParams } from 'react-router';
import { api, unwrap, type TyingList } from '../../api/client';
import { key } from '../../api/keys';
import { Caution } from '../../ui/Message';
import { useCommands } from '../../ui/commands';
import { Say } from '../../ui/Say';
import { leftOnSpool, metres, named, rodLength, useUnits } from '../../ui/units';
import { Lost } from '../../ui/Lost';

/** What to cut for several leaders, knots and all; on paper beside the vise. */
export function TyingPage() {
  const [params] = useSearchParams();
  const leaders = (params.get('of') ?? '').split(',').map(Number).filter(Boolean);
  const { data, error } = useQuery({
    queryKey: key('tying', leaders),
    queryFn: ({ signal }) => unwrap(api.POST('/api/leaders/tying', { body: { leaders }, signal })),
  });
  useCommands([
    { id: 'print', name: 'Print this list', words: 'paper pdf', keys: [], group: 'Tying', run: () => window.print() },
  ]);
  if (error && !data) return <Lost words={error.message} to="/leaders" name="All leaders" />;
  if (!data) return <p className="p-6">Measuring it out…</p>;
  return (
    <main id="main" className="paper-list mx-auto max-w-[52rem] px-5 py-4">
      <header className="flex flex-wrap items-baseline gap-3">
        <h1 className="flex-1 text-2xl font-semibold">Tying list</h1>
        <Link className="btn no-print inline-flex items-center" to="/leaders">
          All leaders
        </Link>
        <button className="btn no-print" onClick={() => window.print()}>
          Print
        </button>
      </header>
      <p className="text-soft">Cut lengths hold what each knot eats: its turns, and room for the fingers.</p>
      {data.leaders.map((l) => (
        <OneLeader key={l.tag} leader={l} />
      ))}
      <Used list={data} />
      <Caution>
        Blades are sharp, cut ends fly: cut away from the hand, eyes covered. Test what you tied by a steady pull.
      </Caution>
    </main>
  );
}

function OneLeader({ leader }: { leader: TyingList['leaders'][number] }) {
  const { show, standards } = useUnits();
  const cut = (m: number) => show(m, 'shortLength');
  return (
    <section aria-label={leader.tag} className="my-4 break-inside-avoid">
      <h2 className="text-lg font-semibold">
        {leader.tag} {leader.name}{' '}
        <span className="font-normal text-soft">{show(rodLength(leader.lengthM))} when tied</span>
      </h2>
      <table className="w-full [&_td]:pr-2 [&_th]:pr-2">
        <thead>
          <tr className="rubric text-left">
            <th scope="col">
              <span className="sr-only">done</span>
            </th>
            <th scope="col">cut</th>
            <th scope="col">of</th>
            <th scope="col">from</th>
            <th scope="col">joined by</th>
            <th scope="col">comes to</th>
          </tr>
        </thead>
        <tbody>
          {leader.cuts.map((c) => (
            <tr key={c.piece} className="border-t border-hair align-baseline" data-cut={c.piece}>
              <td className="w-7 py-1">
                <span className="inline-block size-4 border border-ink" aria-hidden="true" />
              </td>
              <td className="text-lg font-bold whitespace-nowrap">{c.bought ? '—' : cut(c.cutM)}</td>
              <td>
                {show(c.diameterM, 'tippet')} {named(standards.choices.leaderMaterial, c.material)}, {c.name}
              </td>
              <td>{c.bought ? 'a packet' : (c.spool ?? 'not in the pocket')}</td>
              <td>{c.joined}</td>
              <td>
                {show(rodLength(c.lengthM))}
                {c.dropperM > 0 && ` and a dropper of ${cut(c.dropperM)}`}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p>Fly: {leader.flyKnot}.</p>
    </section>
  );
}

function Used({ list }: { list: TyingList }) {
  const { show, standards } = useUnits();
  return (
    <section aria-label="Off the spools" className="my-4 break-inside-avoid">
      <h2 className="text-lg font-semibold">Off the spools</h2>
      <ul>
        {list.spools.map((s) => (
          <li key={s.tag} className="border-t border-hair py-1">
            <strong>{s.tag}</strong> {show(s.diameterM, 'tippet')} {named(standards.choices.leaderMaterial, s.material)}
            : {show(metres(s.usedM))},{' '}
            {s.enough ? (
              `${show(leftOnSpool(s.leftM))} left after it`
            ) : (
              <strong className="text-fails">{show(metres(-s.leftM))} too little on it</strong>
            )}
          </li>
        ))}
      </ul>
      {list.missing.length > 0 && (
        <>
          <h3 className="mt-2 font-semibold">Not from the pocket</h3>
          <ul className="list-disc pl-5">
            {list.missing.map((m, i) => (
              <li key={i}>
                <Say parts={m.says} />
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}
