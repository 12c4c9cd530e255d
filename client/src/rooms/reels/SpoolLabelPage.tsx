import { Link, useParams } from 'react-router';
import { useShed } from '../../state/gear';
import { saidDay } from '../../ui/dates';
import { metres, named, spooled, useUnits } from '../../ui/units';
import { Lost } from '../../ui/Lost';
import './ticket.css';

/** What to stick on a spool, to print. */
export function SpoolLabelPage() {
  const id = Number(useParams().id);
  const { data: shed } = useShed();
  const { show, standards } = useUnits();
  if (!shed) return <p className="p-6">Opening the shed…</p>;
  const spool = shed.spools.find((s) => s.id === id);
  const reel = shed.reels.find((r) => r.id === spool?.reelId);
  const line = shed.lines.find((l) => l.id === spool?.lineId);
  if (!spool || !reel) return <Lost words="That spool is not in the shed." to="/shed" name="Back to the shed" />;
  const cls = line?.classes;
  const backing = standards.backings.find((b) => b.id === spool.backing);
  const rows: [string, string][] = [
    ['reel', `${reel.tag} ${reel.name}, ${spool.name}`],
    ...(line
      ? ([
          // As it would stand on a box.
          ['class', cls ? String(Math.round(cls.low * 2) / 2) : 'nobody knows'],
          ['head', `${show(metres(line.headM))}${line.massKg == null ? '' : `, ${show(line.massKg, 'lineMass')}`}`],
          ['density', named(standards.densities, line.density ?? 'floating')],
        ] as [string, string][])
      : []),
    ['backing', backing ? `${show(spooled(spool.backingM ?? 0))} of ${backing.name}` : 'none noted'],
    [
      'wound',
      `${spool.woundOn ? saidDay(spool.woundOn) : 'nobody noted when'}, ${spool.rightHand ? 'right' : 'left'} hand`,
    ],
    ['owner', ''],
  ];
  return (
    <main id="main" className="mx-auto max-w-[60rem] px-5 py-4">
      <div className="mb-4 flex flex-wrap items-center gap-3 print:hidden">
        <h1 className="min-w-0 flex-1 text-2xl font-semibold">Spool label</h1>
        <Link className="btn" to={`/reels/${reel.id}?part=spools`}>
          The reel
        </Link>
        <button className="btn bg-ink! text-paper!" onClick={() => window.print()}>
          Print
        </button>
      </div>
      <article className="label" aria-label="Spool label">
        <p className="text-xl leading-tight font-bold">{line ? `${line.tag} ${line.name}` : 'no line'}</p>
        <dl>
          {rows.map(([name, value]) => (
            <div key={name} className="contents">
              <dt>{name}</dt>
              <dd className={value ? '' : 'border-b border-ink'}>{value || '\u00a0'}</dd>
            </div>
          ))}
        </dl>
        <p className="mt-1 text-sm">Thin end to the backing, this end to the leader.</p>
      </article>
    </main>
  );
}
