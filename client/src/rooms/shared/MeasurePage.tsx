import { useState, type ReactNode } from 'react';
import { useNavigate, useParams } from 'react-router';
import type { GearShed, Solution } from '../../api/client';
import { Pick } from '../../ui/Pick';
import { Tabs } from '../../ui/Tabs';
import { Lost } from '../../ui/Lost';
import { useToday } from '../../state/atHand';
import { ChainOfBrief } from '../chain/ChainOfBrief';
import { GearForm } from './GearForm';
import { useShed } from '../../state/gear';

type Kind = 'rods' | 'lines' | 'reels';

const names: Record<Kind, string> = { rods: 'Rod', lines: 'Line', reels: 'Reel' };
type Piece<K extends Kind> = GearShed[K][number];

/** A bench for one piece of the shed: what is known of it over the parts of measuring it, which start from the brief at hand. */
export function MeasurePage<K extends Kind>({
  kind,
  known,
  tabs,
}: {
  kind: K;
  known: (piece: Piece<K>) => ReactNode;
  tabs: (
    piece: Piece<K>,
    shed: GearShed,
    today: Solution | null,
  ) => { id: string; name: string; body: () => ReactNode }[];
}) {
  const { id } = useParams();
  const { data: shed } = useShed();
  const navigate = useNavigate();
  const { brief, today, waiting } = useToday();
  const [editing, setEditing] = useState(false);
  if (!shed) return <p className="p-6">Opening the shed…</p>;
  const one = kind.slice(0, -1);
  const pieces = shed[kind] as Piece<K>[];
  const piece = pieces.find((p) => p.id === Number(id));
  if (!piece) return <Lost words={`That ${one} is not in the shed.`} to="/shed" name="Back to the shed" />;
  return (
    <main id="main" className="mx-auto max-w-[84rem] px-5 py-3">
      {brief && <ChainOfBrief brief={brief} solution={today} />}
      <header className="flex flex-wrap items-end gap-x-4 gap-y-1">
        <div className="min-w-0 flex-1 basis-full sm:basis-0">
          <p className="rubric">{names[kind]} bench</p>
          <h1 className="text-2xl leading-tight font-semibold break-words">
            {piece.tag} {piece.name}
          </h1>
          <p className="text-soft">{known(piece)}</p>
        </div>
        <div className="w-64 max-w-full">
          <Pick
            label={`${names[kind]} on the bench`}
            value={String(piece.id)}
            options={pieces.map((p) => ({ id: String(p.id), name: `${p.tag} ${p.name}` }))}
            onChange={(next) => navigate({ pathname: `/${kind}/${next}`, search: window.location.search })}
          />
        </div>
        <button className="btn" onClick={() => setEditing(true)}>
          Change its figures
        </button>
      </header>
      {waiting ? (
        <p className="my-3 text-soft">Looking at the brief…</p>
      ) : (
        <Tabs key={piece.id} label={`Parts of the ${one} bench`} tabs={tabs(piece, shed, today)} />
      )}
      {editing && <GearForm kind={kind} id={piece.id} onClose={() => setEditing(false)} />}
    </main>
  );
}
