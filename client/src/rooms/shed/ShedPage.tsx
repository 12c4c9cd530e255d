import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import type { FlyLine, Reel, Rod } from '../../api/client';
import { metres, named, useUnits } from '../../ui/units';
import { EditButton } from '../shared/EditButton';
import { GearForm } from '../shared/GearForm';
import { useShed, type GearKind } from '../../state/gear';
import { EmptyShed } from '../shared/EmptyShed';

/** Everything there is to choose from, labels beside what was measured. */
export function ShedPage() {
  const { data } = useShed();
  const { show, standards } = useUnits();
  const [form, setForm] = useState<{ kind: GearKind; id: number | null } | null>(null);
  if (!data) return <p className="p-6">Opening the shed…</p>;
  const cls = (value: number | null | undefined, plusMinus: number | null = null) =>
    value == null ? '—' : show({ value, kind: 'lineClass', plusMinus });
  const mass = (value: number | null | undefined, kind: 'lineMass' | 'gearMass') =>
    value == null ? '—' : show({ value, kind, plusMinus: null });
  const section = <T extends Rod | FlyLine | Reel>(
    kind: GearKind,
    title: string,
    pieces: T[],
    heads: string[],
    cells: (piece: T) => ReactNode[],
  ) => (
    <section aria-label={title} className="min-w-0">
      <header className="flex items-baseline justify-between border-b border-ink pb-1">
        <h2 className="text-lg font-semibold">
          {title} <span className="font-normal text-soft">{pieces.length}</span>
        </h2>
        <button className="btn" onClick={() => setForm({ kind, id: null })}>
          Add a {kind.slice(0, -1)}
        </button>
      </header>
      {pieces.length === 0 ? (
        <p className="py-3 text-soft">Nothing here yet.</p>
      ) : (
        // Focusable, so that the table can be scrolled sideways without a mouse.
        // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
        <div className="relative overflow-x-auto" tabIndex={0} role="group" aria-label={`${title}, table`}>
          <table className="w-full">
            <thead>
              <tr className="rubric text-left">
                {['tag', 'name', ...heads].map((h) => (
                  <th key={h} scope="col" className="pr-4 font-semibold">
                    {h}
                  </th>
                ))}
                <th className="sr-only">measure or change</th>
              </tr>
            </thead>
            <tbody>
              {pieces.map((piece) => (
                <tr key={piece.id} className="border-t border-hair">
                  <th scope="row" className="py-1 pr-3 text-left">
                    {piece.tag}
                  </th>
                  <td className="pr-4">
                    {piece.name}
                    {piece.note && <span className="block text-sm leading-tight text-soft italic">{piece.note}</span>}
                  </td>
                  {cells(piece).map((cell, i) => (
                    <td key={i} className="pr-4 whitespace-nowrap">
                      {cell}
                    </td>
                  ))}
                  <td className="text-right whitespace-nowrap">
                    {kind !== 'reels' && (
                      <Link className="quiet underline" to={`/${kind}/${piece.id}`} aria-label={`Measure ${piece.tag}`}>
                        measure
                      </Link>
                    )}
                    <EditButton tag={piece.tag} onPress={() => setForm({ kind, id: piece.id })} />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
  return (
    <main className="mx-auto flex max-w-[84rem] flex-col gap-7 px-5 py-4">
      <header>
        <h1 className="text-2xl font-semibold">Shed</h1>
        <p className="text-soft">
          What is printed beside what was measured. The measured number does the matching.{' '}
          <Link className="underline" to="?show=data">
            Where this is kept
          </Link>
        </p>
      </header>
      {data.rods.length + data.lines.length + data.reels.length === 0 && <EmptyShed />}
      {section('rods', 'Rods', data.rods, ['length', 'label', 'measured', 'action', 'mass'], (r) => [
        show(metres(r.lengthM)),
        cls(r.printedClass),
        <Disagree key="m" on={r.labelDisagrees ?? false}>
          {cls(r.measuredClass, r.measuredPlusMinus ?? null)}
        </Disagree>,
        named(standards.choices.action, r.action),
        mass(r.massKg, 'gearMass'),
      ])}
      {section('lines', 'Lines', data.lines, ['label', 'head', 'weighed', 'density', 'coating'], (l) => [
        cls(l.printedClass),
        show(metres(l.headM)),
        mass(l.headKg, 'lineMass'),
        named(standards.densities, l.density),
        named(standards.coatings, l.coating) + (l.saltRated ? ', salt' : ''),
      ])}
      {section('reels', 'Reels', data.reels, ['label', 'rim', 'arbor', 'width', 'mass', 'salt'], (r) => [
        r.labelLow == null ? '—' : `${cls(r.labelLow)}–${cls(r.labelHigh)}`,
        r.rimM ? show({ value: r.rimM, kind: 'shortLength', plusMinus: null }) : '—',
        r.arborM ? show({ value: r.arborM, kind: 'shortLength', plusMinus: null }) : '—',
        r.widthM ? show({ value: r.widthM, kind: 'shortLength', plusMinus: null }) : '—',
        mass(r.massKg, 'gearMass'),
        r.saltProof ? 'yes' : 'no',
      ])}
      {form && <GearForm kind={form.kind} id={form.id} onClose={() => setForm(null)} />}
    </main>
  );
}

function Disagree({ on, children }: { on: boolean; children: ReactNode }) {
  return on ? (
    <span className="font-bold">
      {children} <span className="font-semibold text-look max-sm:block">not the label</span>
    </span>
  ) : (
    children
  );
}
