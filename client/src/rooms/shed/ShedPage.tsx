import { useDeferredValue } from 'react';
import { Link } from 'react-router';
import { useUnits } from '../../ui/units';
import { all, useAddress } from '../../ui/useAddress';
import { goesBy } from '../../ui/find';
import { Pick } from '../../ui/Pick';
import { GearForm } from '../shared/GearForm';
import { useShed, type GearKind } from '../../state/gear';
import { EmptyShed } from '../shared/EmptyShed';
import { useColumns } from './columns';
import { GearList, type Piece } from './GearList';
import { LabelEntry } from '../shared/LabelEntry';
import { ShedTabs } from './ShedTabs';

const any = all;

/** What is known of a piece, to look for: measured, only labelled, at odds with its label, or to see to. */
const conditions = [
  { id: any, name: 'any' },
  { id: 'measured', name: 'measured' },
  { id: 'label', name: 'label only' },
  { id: 'odd', name: 'not its label' },
  { id: 'mend', name: 'to see to' },
];

const isLike = (p: Piece, condition: string) =>
  condition === any ||
  (condition === 'measured' && p.isMeasured) ||
  (condition === 'label' && !p.isMeasured) ||
  (condition === 'odd' && p.labelDisagrees) ||
  (condition === 'mend' && p.toSeeTo);
const isOfClass = ({ classes }: Piece, wanted: string) =>
  wanted === any ||
  (classes != null && Math.round(classes.low) <= Number(wanted) && Number(wanted) <= Math.round(classes.high));

/** Everything there is to choose from, labels beside what was measured. */
export function ShedPage() {
  const { data } = useShed();
  const columns = useColumns(data);
  const address = useAddress();
  const asked = (name: string) => address.asked(name) ?? (name === 'find' ? '' : any);
  const ask = (name: string, value: string | null) =>
    address.ask({ [name]: value }, name === 'find' || name === 'edit');
  const words = useDeferredValue(asked('find'));
  if (!data) return <p className="p-6">Opening the shed…</p>;
  const [cls, density, condition] = [asked('class'), asked('density'), asked('is')];
  const like = <T extends Piece>(pieces: T[]) =>
    pieces.filter(
      (p) =>
        goesBy(words, `${p.tag} ${p.name} ${p.note ?? ''}`) &&
        isOfClass(p, cls) &&
        isLike(p, condition) &&
        (density === any || ('density' in p && p.density === density)),
    );
  const { rods, lines, reels } = columns;
  const edit = (kind: GearKind) => (id: number | null) => ask('edit', `${kind}-${id ?? 'new'}`);
  const [, kind, piece] = /^(rods|lines|reels)-(new|\d+)$/.exec(address.asked('edit') ?? '') ?? [];
  const count = data.rods.length + data.lines.length + data.reels.length;
  const found = { rods: like(data.rods), lines: like(data.lines), reels: like(data.reels) };
  return (
    <main id="main" className="mx-auto flex max-w-[84rem] flex-col gap-5 px-5 py-4">
      <header>
        <h1 className="text-2xl font-semibold">Shed</h1>
        <p className="text-soft">
          What is printed beside what was measured. The measured number does the matching.{' '}
          <Link className="underline" to="/data">
            Where this is kept
          </Link>
        </p>
      </header>
      <ShedTabs />
      {count === 0 && <EmptyShed />}
      <LabelEntry />
      {count > 0 && <Finder asked={asked} ask={ask} />}
      <GearList
        kind="rods"
        title="Rods"
        pieces={found.rods}
        all={data.rods.length}
        columns={rods}
        onEdit={edit('rods')}
      />
      <GearList
        kind="lines"
        title="Lines"
        pieces={found.lines}
        all={data.lines.length}
        columns={lines}
        onEdit={edit('lines')}
      />
      <GearList
        kind="reels"
        title="Reels"
        pieces={found.reels}
        all={data.reels.length}
        columns={reels}
        onEdit={edit('reels')}
      />
      {kind && (
        <GearForm
          key={`${kind}-${piece}`}
          kind={kind as GearKind}
          id={piece === 'new' ? null : Number(piece)}
          onClose={() => ask('edit', '')}
        />
      )}
    </main>
  );
}

/** What to look for among the pieces. */
function Finder({ asked, ask }: { asked: (name: string) => string; ask: (name: string, value: string) => void }) {
  const { standards } = useUnits();
  return (
    <div className="z-10 grid grid-cols-2 items-end gap-x-3 gap-y-1 border-b border-hair bg-paper pb-2 lg:sticky lg:top-11 lg:grid-cols-[minmax(0,2fr)_repeat(3,minmax(0,1fr))_auto] lg:pt-2">
      <label className="min-w-0 max-lg:col-span-2">
        <span className="rubric block">Find by tag, name or note</span>
        <input
          className="entry w-full"
          type="search"
          value={asked('find')}
          onChange={(event) => ask('find', event.target.value)}
        />
      </label>
      <Pick
        label="Class"
        value={asked('class')}
        options={[
          { id: any, name: 'any' },
          ...standards.lineClasses.map((c) => ({ id: String(c.class), name: String(c.class) })),
        ]}
        onChange={(id) => ask('class', id)}
      />
      <Pick
        label="Density"
        value={asked('density')}
        options={[{ id: any, name: 'any' }, ...standards.densities]}
        onChange={(id) => ask('density', id)}
      />
      <Pick label="Condition" value={asked('is')} options={conditions} onChange={(id) => ask('is', id)} />
      <nav aria-label="To the" className="flex gap-1">
        {(['rods', 'lines', 'reels'] as const).map((kind) => (
          <a key={kind} href={`#${kind}`} className="btn inline-flex items-center max-md:min-h-[44px]">
            {kind}
          </a>
        ))}
      </nav>
    </div>
  );
}
