import { useState } from 'react';
import { Link } from 'react-router';
import { api, unwrap, type LeaderSpool } from '../../api/client';
import { bringBack, useShed, useShelving } from '../../state/gear';
import { leftOnSpool, named, useUnits } from '../../ui/units';
import { useAddress } from '../../ui/useAddress';
import { Say } from '../../ui/Say';
import { AwayList } from '../shared/AwayList';
import { EditButton } from '../shared/EditButton';
import { GearForm } from '../shared/GearForm';
import { BreakTest } from './BreakTest';
import { useLeaderCheck } from './useLeader';

/** The pocket with its spools, the leaders that are kept, and which of them are to be tied. */
export function LeadersPage() {
  const { data: shed } = useShed();
  const { asked, ask } = useAddress();
  const [chosen, setChosen] = useState<number[]>([]);
  if (!shed) return <p className="p-6">Opening the pocket…</p>;
  const show = (what: 'edit' | 'break', value: string | null) => ask({ [what]: value }, true);
  const [, kind, edited] = /^(leader-spools|leaders)-(new|\d+)$/.exec(asked('edit') ?? '') ?? [];
  const breaking = shed.leaderSpools.find((s) => String(s.id) === asked('break'));
  const tie = chosen.filter((id) => shed.leaders.some((l) => l.id === id));
  return (
    <main id="main" className="mx-auto flex max-w-[68rem] flex-col gap-6 px-5 py-4">
      <header>
        <h1 className="text-2xl font-semibold">Leaders</h1>
        <p className="text-soft">
          What is in the pocket, what is tied of it, and what to cut for the next ones. A leader is designed at the
          leader of a brief.
        </p>
      </header>
      <section aria-label="Kept leaders">
        <header className="flex flex-wrap items-baseline justify-between gap-2 border-b border-ink pb-1">
          <h2 className="text-lg font-semibold">
            Kept leaders <span className="font-normal text-soft">{shed.leaders.length}</span>
          </h2>
          {tie.length > 0 ? (
            <Link className="btn inline-flex items-center bg-ink! text-paper!" to={`/leaders/tying?of=${tie.join()}`}>
              Tying list for {tie.length}
            </Link>
          ) : (
            <span className="text-soft">tick some for a tying list</span>
          )}
        </header>
        {shed.leaders.length === 0 && (
          <p className="py-3 text-soft">None yet. Open a brief, press its leader, change it as you like and keep it.</p>
        )}
        <ul>
          {shed.leaders.map((l) => (
            <KeptLeader
              key={l.id}
              id={l.id}
              chosen={chosen.includes(l.id)}
              onChoose={(on) => setChosen((all) => (on ? [...all, l.id] : all.filter((id) => id !== l.id)))}
              onEdit={() => show('edit', `leaders-${l.id}`)}
            />
          ))}
        </ul>
        <AwayList
          what="leaders"
          list={() => unwrap(api.GET('/api/shed/leaders/away'))}
          nameOf={(l) => `${l.tag} ${l.name}`}
          bringBack={(id) => bringBack('leaders', id)}
        />
      </section>
      <section aria-label="In the pocket">
        <header className="flex items-baseline justify-between border-b border-ink pb-1">
          <h2 className="text-lg font-semibold">
            In the pocket <span className="font-normal text-soft">{shed.leaderSpools.length}</span>
          </h2>
          <button className="btn" onClick={() => show('edit', 'leader-spools-new')}>
            Add a spool
          </button>
        </header>
        {shed.leaderSpools.length === 0 && (
          <p className="py-3 text-soft">
            Nothing yet. Put in what hangs on your vest: thickness, material, how much is left.
          </p>
        )}
        <ul>
          {[...shed.leaderSpools]
            .sort((a, b) => b.diameterM - a.diameterM)
            .map((s) => (
              <Spool
                key={s.id}
                spool={s}
                onEdit={() => show('edit', `leader-spools-${s.id}`)}
                onBreak={() => show('break', String(s.id))}
              />
            ))}
        </ul>
        <AwayList
          what="spools"
          list={() => unwrap(api.GET('/api/shed/leader-spools/away'))}
          nameOf={(s) => `${s.tag} ${s.name}`}
          bringBack={(id) => bringBack('leader-spools', id)}
        />
      </section>
      {kind && (
        <GearForm
          key={`${kind}-${edited}`}
          kind={kind as 'leaders' | 'leader-spools'}
          id={edited === 'new' ? null : Number(edited)}
          onClose={() => show('edit', null)}
        />
      )}
      {breaking && <BreakTest key={breaking.id} spool={breaking} onClose={() => show('break', null)} />}
    </main>
  );
}

function KeptLeader({
  id,
  chosen,
  onChoose,
  onEdit,
}: {
  id: number;
  chosen: boolean;
  onChoose: (on: boolean) => void;
  onEdit: () => void;
}) {
  const { show } = useUnits();
  const { data: shed } = useShed();
  const { copy, away } = useShelving();
  const tied = shed!.leaders.find((l) => l.id === id)!;
  const { check } = useLeaderCheck(tied.leader, {});
  const weakest = check?.joints.find((j) => j.weakest);
  return (
    <li className="flex flex-wrap items-baseline gap-x-3 gap-y-1 border-t border-hair py-1.5" data-tag={tied.tag}>
      <input
        type="checkbox"
        className="size-5 self-center"
        aria-label={`Tie ${tied.tag}`}
        checked={chosen}
        onChange={(e) => onChoose(e.target.checked)}
      />
      <Link className="underline" to={`/leaders/${id}`}>
        <strong>{tied.tag}</strong> {tied.name}
      </Link>
      <span className="min-w-0 flex-1 basis-64 wrap-anywhere text-soft">
        {check && <Say parts={check.formula} />}
        {tied.note && <span className="block italic">{tied.note}</span>}
      </span>
      <span>{weakest && `goes first at ${show(weakest.standsN, 'force')}, ${weakest.knotName}`}</span>
      <span className="whitespace-nowrap">
        <EditButton tag={tied.tag} onPress={onEdit} />
        <button
          className="quiet max-md:min-h-[44px]"
          aria-label={`Copy ${tied.tag}`}
          onClick={() => void copy('leaders', tied)}
        >
          copy
        </button>
        <button
          className="quiet max-md:min-h-[44px]"
          aria-label={`Put ${tied.tag} away`}
          onClick={() => void away('leaders', tied)}
        >
          away
        </button>
      </span>
    </li>
  );
}

function Spool({ spool, onEdit, onBreak }: { spool: LeaderSpool; onEdit: () => void; onBreak: () => void }) {
  const { show, standards } = useUnits();
  const { away } = useShelving();
  const force = (value: number) => show(value, 'force');
  return (
    <li
      className="grid grid-cols-[3rem_minmax(0,1fr)_auto] items-baseline gap-x-3 border-t border-hair py-1.5 sm:grid-cols-[3rem_7.5rem_minmax(0,1.4fr)_6rem_minmax(0,1.5fr)_auto]"
      data-tag={spool.tag}
    >
      <strong>{spool.tag}</strong>
      <span className="flex items-center gap-2 self-center font-semibold">
        <Cross diameterM={spool.diameterM} wire={spool.material === 'wire'} />
        {show(spool.diameterM, 'tippet')}
      </span>
      <span className="wrap-anywhere max-sm:col-span-3">
        {named(standards.choices.leaderMaterial, spool.material)}, {spool.name}
        {spool.note && <span className="block text-sm leading-tight text-soft italic">{spool.note}</span>}
      </span>
      <span className="max-sm:col-span-3">
        {show(leftOnSpool(spool.leftM))} left{spool.statedN !== null && `, label says ${force(spool.statedN)}`}
      </span>
      <span className="max-sm:col-span-3">
        {spool.brokeN === null
          ? `about ${force(spool.knottedN)} knotted`
          : `${force(spool.brokeN)} in your hands, ${spool.breaks.length} ${spool.breaks.length === 1 ? 'break' : 'breaks'}`}
      </span>
      <span className="text-right whitespace-nowrap max-sm:col-span-3">
        <button className="quiet underline max-md:min-h-[44px]" aria-label={`Break ${spool.tag}`} onClick={onBreak}>
          break it
        </button>
        <EditButton tag={spool.tag} onPress={onEdit} />
        <button
          className="quiet max-md:min-h-[44px]"
          aria-label={`Put ${spool.tag} away`}
          onClick={() => void away('leader-spools', spool)}
        >
          away
        </button>
      </span>
    </li>
  );
}

/** A strand cut across, twenty times life size: thick and thin are seen at a glance. */
function Cross({ diameterM, wire }: { diameterM: number; wire: boolean }) {
  const r = Math.max(1, Math.min(11, (diameterM * 20 * 96) / 0.0254 / 2 / 3));
  return (
    <svg width="24" height="24" aria-hidden="true" className="shrink-0">
      <circle
        cx="12"
        cy="12"
        r={r}
        fill={wire ? 'none' : 'var(--ink)'}
        stroke="var(--ink)"
        strokeWidth={wire ? 2 : 0}
      />
    </svg>
  );
}
