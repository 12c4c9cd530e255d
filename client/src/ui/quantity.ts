import type { Quantity, Standards } from '../api/client';

export type UnitSystem = 'trade' | 'metric';

function round(value: number, places: number) {
  // Two figures at least, so a small fly does not weigh nothing.
  const small = Math.abs(value) > 1e-9 && Math.abs(value) < 10 ** -places * 9.5;
  const fixed = small ? Number(value.toPrecision(2)).toString() : value.toFixed(places);
  return fixed.includes('.') && !small ? fixed.replace(/\.?0+$/, '') : fixed;
}

/** A quantity in the reader's units, with as many places as people use. */
export function formatQuantity(
  q: Quantity,
  system: UnitSystem,
  standards: Pick<Standards, 'units' | 'xNumber'>,
): string {
  const { asKnown, [system]: unit } = standards.units.find((u) => u.kind === q.kind)!;
  const places = unit.decimals;
  if (q.kind === 'diameter' && system === 'trade') {
    const x = (q.value - standards.xNumber.offset) / standards.xNumber.scale;
    // X numbers are whole; what lies between is said in inches.
    if (x > -0.2 && x < 8.2 && Math.abs(x - Math.round(x)) < 0.12) return `${Math.round(x)}X`;
    return `${round(q.value / unit.scale / 1000, 3)} in`;
  }
  const number = (q.value - unit.offset) / unit.scale;
  // Nobody strips off a tenth of a foot of a hundred.
  const far = q.kind === 'length' && Math.abs(number) >= 100;
  // A pendulum is timed to hundredths, a sinking line to seconds.
  const usual = far ? 0 : q.kind === 'time' && Math.abs(number) < 10 ? 2 : places;
  const off = (q.plusMinus ?? 0) / Math.abs(unit.scale);
  // What was measured is shown no finer than it is known.
  const known = off > 0 && asKnown ? Math.max(0, Math.ceil(-Math.log10(off) - 1e-9)) : usual;
  const kept = Math.min(usual, known);
  const tight = unit.name.startsWith('°');
  const name = unit.name === '' || unit.name === '#' ? '' : tight ? unit.name : ` ${unit.name}`;
  const spread =
    off > 0 ? ` ± ${off >= 0.5 * 10 ** -kept ? round(Number(off.toFixed(kept)), kept + 1) : round(off, kept)}` : '';
  return `${round(number, kept)}${spread}${name}`.replace(' ', ' ');
}
