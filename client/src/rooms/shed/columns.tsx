import type { ReactNode } from 'react';
import type { FlyLine, GearShed, Reel, Rod } from '../../api/client';
import { metres, named, rodLength, useUnits } from '../../ui/units';
import type { Column } from './GearList';

/** What the shed's lists say of each kind of piece: labels beside what was measured. */
export function useColumns(shed: GearShed | undefined) {
  const { show, standards } = useUnits();
  const classOf = (value: number | null | undefined, plusMinus: number | null = null) =>
    value == null ? '—' : show({ value, kind: 'lineClass', plusMinus });
  const mass = (value: number | null | undefined, kind: 'lineMass' | 'gearMass') =>
    value == null ? '—' : show(value, kind);
  const across = (m: number | null | undefined) => (m ? show(m, 'spoolSize') : '—');

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
    shed!.spools
      .filter((s) => s.reelId === reel.id && s.lineId !== null)
      .map((s) => `${s.isSpare ? `${s.name} ` : ''}${shed!.lines.find((l) => l.id === s.lineId)?.tag ?? 'a line'}`)
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
  return { rods, lines, reels };
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
