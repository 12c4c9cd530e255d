import { createContext, useContext, useMemo, useState, type ReactNode } from 'react';
import type { Figure, Form, Kind, Quantity, Standards } from '../api/client';
import { recall, recallParts, remember } from './remember';
import { formatFigure, formatQuantity, formsOf, stepAt, type Tongue, type UnitSystem } from './quantity';

type Units = {
  system: UnitSystem;
  toggle: () => void;
  /** Unit chosen for a kind instead of the system's, by name. */
  chosen: NonNullable<Tongue['chosen']>;
  choose: (kind: Kind, unit: string | null) => void;
  standards: Standards;
  unitOf: (kind: Kind) => Form;
  /** Step in which a value of a kind is shown and dragged, in SI. */
  stepOf: (kind: Kind, si: number) => number;
  /** A quantity in words; or a number in SI, by what it is. */
  show: { (quantity: Quantity): string; (si: number, kind: Kind): string };
  showFigure: (figure: Figure) => string;
};

// For a test that visits the pages and listens to every figure shown.
const hearing = globalThis as { zingHears?: (quantity: Quantity, text: string) => void };

const UnitsContext = createContext<Units | null>(null);

const recallChosen = () => recallParts<Units['chosen']>('chosen-units', {});

export function UnitsProvider({ standards, children }: { standards: Standards; children: ReactNode }) {
  const [system, setSystem] = useState<UnitSystem>(() => (recall('units') === 'metric' ? 'metric' : 'trade'));
  const [chosen, setChosen] = useState(recallChosen);
  const value = useMemo<Units>(() => {
    const forms = formsOf({ system, chosen }, standards);
    const show = (of: Quantity | number, kind: Kind = 'ratio') => {
      const q = typeof of === 'number' ? { value: of, kind, plusMinus: null } : of;
      const text = formatQuantity(q, forms);
      hearing.zingHears?.(q, text);
      return text;
    };
    const unitOf = (kind: Kind) => forms.of.get(kind)!.form;
    return {
      system,
      chosen,
      standards,
      toggle: () => {
        const next = system === 'trade' ? 'metric' : 'trade';
        remember('units', next);
        setSystem(next);
      },
      choose: (kind, unit) => {
        const next = { ...chosen, [kind]: unit ?? undefined };
        remember('chosen-units', JSON.stringify(next));
        setChosen(next);
      },
      unitOf,
      stepOf: (kind, si) => {
        const form = unitOf(kind);
        // A Beaufort force is too coarse a step for dragging.
        if (form.shape === 'beaufort') return 0.5;
        return stepAt(form, (si - form.offset) / form.scale) * form.scale;
      },
      show,
      showFigure: (figure) => formatFigure(figure, show),
    };
  }, [system, chosen, standards]);
  return <UnitsContext value={value}>{children}</UnitsContext>;
}

export function useUnits() {
  const units = useContext(UnitsContext);
  if (!units) throw new Error('Units are asked for outside their provider.');
  return units;
}

/** A length to start with, round in the reader's units: feet, or metres. In SI. */
export function useRound() {
  const { system, standards } = useUnits();
  const foot = standards.thirtyFeetM / 30;
  return (feet: number, metres: number) => (system === 'metric' ? metres : feet * foot);
}

const of =
  (kind: Kind) =>
  (value: number): Quantity => ({ value, kind, plusMinus: null });

/** A length of line; how far; line held in the air; a rod's or a leader's length; backing; a depth. */
export const metres = of('length');
export const distance = of('distance');
export const carried = of('carry');
export const rodLength = of('rodLength');
export const spooled = of('spooled');
export const leftOnSpool = of('leftOnSpool');
export const depth = of('depth');

/** The name of an id in a list of choices. */
export const named = <T extends string>(list: readonly { id: T; name: string }[], id: T) =>
  list.find((x) => x.id === id)?.name ?? id;
