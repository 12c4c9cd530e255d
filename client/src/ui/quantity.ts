import type { Figure, Form, Kind, Quantity, Standards } from '../api/client';

export type UnitSystem = 'trade' | 'metric';

/** The reader's own way of saying figures: the system, and the unit chosen instead for a kind, by its name. */
export type Tongue = { system: UnitSystem; chosen?: Partial<Record<Kind, string>> };

type Table = Pick<Standards, 'units' | 'xNumber' | 'beaufortFromMps'>;

/** How a reader sees each kind, looked up once: a page says hundreds of figures. */
export type Forms = Pick<Table, 'xNumber' | 'beaufortFromMps'> & {
  of: ReadonlyMap<Kind, { form: Form; asKnown: boolean }>;
};

export function formsOf({ system, chosen }: Tongue, { units, xNumber, beaufortFromMps }: Table): Forms {
  const of = units.map((said) => {
    const form = said.byChoice.find((f) => f.unit === chosen?.[said.kind]) ?? said[system];
    return [said.kind, { form, asKnown: said.asKnown }] as const;
  });
  return { of: new Map(of), xNumber, beaufortFromMps };
}

/** The step in which a number is said, in the form's unit. */
export const stepAt = (form: Form, number: number) =>
  (form.steps.findLast((s) => s.from <= Math.abs(number)) ?? form.steps[0]!).of;

// As many decimals as the step has.
const decimalsOf = (step: number) =>
  [0, 1, 2].find((d) => Math.abs(step * 10 ** d - Math.round(step * 10 ** d)) < 1e-6) ?? 3;

function inSteps(number: number, step: number, down = false) {
  const decimals = decimalsOf(step);
  const steps = number / step;
  const fixed = ((down ? Math.floor(steps + 1e-6) : Math.round(steps)) * step).toFixed(decimals);
  // Thousandths are said in full.
  const spoken = fixed.includes('.') && decimals < 3 ? fixed.replace(/\.?0+$/, '') : fixed;
  return spoken.replace(/^-0$/, '0');
}

function feetAndInches(feet: number) {
  const all = Math.round(Math.abs(feet) * 12);
  const [whole, inches] = [Math.floor(all / 12), all % 12];
  const sign = feet < 0 && all > 0 ? '-' : '';
  if (inches === 0) return `${sign}${whole} ft`;
  return whole === 0 ? `${sign}${inches} in` : `${sign}${whole}'${inches}"`;
}

/** A quantity as its reader says it. */
export function formatQuantity(q: Quantity, forms: Forms): string {
  const { form, asKnown } = forms.of.get(q.kind)!;
  if (form.shape === 'xNumber') {
    const x = (q.value - forms.xNumber.offset) / forms.xNumber.scale;
    // X numbers are whole; what lies between is said in inches.
    if (x > -0.2 && x < 8.2 && Math.abs(x - Math.round(x)) < 0.12) return `${Math.round(x)}X`;
  }
  if (form.shape === 'beaufort') {
    const force = forms.beaufortFromMps.findLastIndex((from) => from <= q.value);
    return force > 0 ? `F${force}` : form.nought!;
  }
  const number = (q.value - form.offset) / form.scale;
  if (form.shape === 'feetInches') return feetAndInches(number).replace(' ', ' ');
  const off = (q.plusMinus ?? 0) / Math.abs(form.scale);
  const usual = stepAt(form, number);
  // What was measured is shown no finer than it is known.
  const step = off > 0 && asKnown ? Math.max(usual, 10 ** Math.floor(Math.log10(off) + 1e-9)) : usual;
  const spread = off === 0 ? '' : ` ± ${off >= step / 2 ? inSteps(off, step) : inSteps(off, step / 10)}`;
  const said = inSteps(number, step, form.down);
  if (said === '0' && off === 0 && form.nought) return form.nought;
  const tight = form.unit.startsWith('°');
  const unit = form.unit === '' || form.unit === '#' ? '' : tight ? form.unit : ` ${form.unit}`;
  return `${said}${spread}${unit}`.replace(' ', ' ');
}

/** A figure with what it is: "fill 0.91", "class 7.3", "load 1.44 of class 7.3"; a word has its number behind it. */
export function formatFigure(figure: Figure, show: (q: Quantity) => string): string {
  const { quantity, word, name, ofClass } = figure;
  if (!quantity) return word ?? '';
  if (word) return `${word} (${show(quantity)})`;
  return `${name ? `${name} ` : ''}${show(quantity)}${ofClass ? ` of class ${show(ofClass)}` : ''}`;
}
