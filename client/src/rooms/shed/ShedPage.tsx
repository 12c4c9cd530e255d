import { useDeferredValue, type ReactNode } from 'react';
import { Link } from 'react-router';
import type { FlyLine, Reel, Rod } from '../../api/client';
import { metres, named, rodLength, useUnits } from '../../ui/units';
import { all, useAddress } from '../../ui/useAddress';
import { goesBy } from '../../ui/find';
import { Pick } from '../../ui/Pick';
import { GearForm } from '../shared/GearForm';
import { useShed, type GearKind } from '../../state/gear';
import { EmptyShed } from '../shared/EmptyShed';
import { GearList, type Column, type Piece } from './GearList';
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
  const { show, standards } = useUnits();
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
  const classOf = (value: number | null | undefined, plusMinus: number | null = null) =>
    value == null ? '—' : show({ value, kind: 'lineClass', plusMinus });
  const mass = (value: number | null | undefined, kind: 'lineMass' | 'gearMass') =>
    value == null ? '—' : show({ value, kind, plusMinus: null });
  const across = (m: number | null | undefined) => (m ? show({ value: m, kind: 'spoolSize', plusMinus: null }) : '—');

  const rods: Column<Rod>[] = [
    { head: 'length', cell: (r) => show(rodLength(r.lengthM)), by: (r) => r.lengthM },
    { head: 'label', cell: (r) => classOf(r.printedClass), by: (r) => r.printedClass ?? null },
    {
      head: 'measured',
      cell: (r) => (
        <Disagree on={r.labelDisagrees ?? false}>{classOf(r.measuredClass, r.measuredPlusMinus ?? null)}</Disagree>
      ),
      by: (r) => r.measuredClass ?? null,
    },
    { head: 'action', cell: (r) => named(standards.choices.action, r.action), by: (r) => r.tipAngleDeg ?? null },
    { head: 'mass', cell: (r) => mass(r.massKg, 'gearMass'), by: (r) => r.massKg ?? null },
  ];
  const lines: Column<FlyLine>[] = [
    { head: 'label', cell: (l) => classOf(l.printedClass), by: (l) => l.printedClass ?? null },
    { head: 'head', cell: (l) => show(metres(l.headM)), by: (l) => l.headM },
    {
      head: 'weighed',
      cell: (l) => <Disagree on={l.labelDisagrees ?? false}>{mass(l.headKg, 'lineMass')}</Disagree>,
      by: (l) => l.headKg ?? null,
    },
    {
      head: 'density',
      cell: (l) => named(standards.densities, l.density),
      by: (l) => standards.densities.findIndex((d) => d.id === l.density),
    },
    {
      head: 'coating',
      cell: (l) => named(standards.coatings, l.coating) + (l.saltRated ? ', salt' : ''),
      by: (l) => standards.coatings.findIndex((c) => c.id === l.coating),
    },
  ];
  // "L8; spare L11".
  const liesOn = (reel: Reel) =>
    data.spools
      .filter((s) => s.reelId === reel.id && s.lineId !== null)
      .map((s) => `${s.isSpare ? `${s.name} ` : ''}${data.lines.find((l) => l.id === s.lineId)?.tag ?? 'a line'}`)
      .join('; ') || '—';
  const reels: Column<Reel>[] = [
    {
      head: 'label',
      cell: (r) => (r.labelLow == null ? '—' : `${classOf(r.labelLow)}–${classOf(r.labelHigh)}`),
      by: (r) => r.labelLow ?? null,
    },
    { head: 'rim', cell: (r) => across(r.rimM), by: (r) => r.rimM ?? null },
    { head: 'arbor', cell: (r) => across(r.arborM), by: (r) => r.arborM ?? null },
    { head: 'lies on it', cell: liesOn },
    { head: 'mass', cell: (r) => mass(r.massKg, 'gearMass'), by: (r) => r.massKg ?? null },
    { head: 'salt', cell: (r) => (r.saltProof ? 'yes' : 'no') },
  ];
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
      {count > 0 && (
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
            value={cls}
            options={[
              { id: any, name: 'any' },
              ...standards.lineClasses.map((c) => ({ id: String(c.class), name: String(c.class) })),
            ]}
            onChange={(id) => ask('class', id)}
          />
          <Pick
            label="Density"
            value={density}
            options={[{ id: any, name: 'any' }, ...standards.densities]}
            onChange={(id) => ask('density', id)}
          />
          <Pick label="Condition" value={condition} options={conditions} onChange={(id) => ask('is', id)} />
          <nav aria-label="To the" className="flex gap-1">
            {(['rods', 'lines', 'reels'] as const).map((kind) => (
              <a key={kind} href={`#${kind}`} className="btn inline-flex items-center max-md:min-h-[44px]">
                {kind}
              </a>
            ))}
          </nav>
        </div>
      )}
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

function Disagree({ on, children }: { on: boolean; children: ReactNode }) {
  return on ? (
    <span className="font-bold">
      {children} <span className="font-semibold text-look">not the label</span>
    </span>
  ) : (
    children
  );
}
