import { createContext, useContext, useMemo, useState, type ReactNode } from 'react';
import type { DisplayUnit, Figure, Kind, Quantity, Standards } from '../api/client';
import { recall, remember } from './remember';
import { formatQuantity, type UnitSystem } from './quantity';

type Units = {
  system: UnitSystem;
  toggle: () => void;
  standards: Standards;
  unitOf: (kind: Kind) => DisplayUnit;
  show: (quantity: Quantity) => string;
  showFigure: (figure: Figure) => string;
};

const UnitsContext = createContext<Units | null>(null);

export function UnitsProvider({ standards, children }: { standards: Standards; children: ReactNode }) {
  const [system, setSystem] = useState<UnitSystem>(() => (recall('units') === 'metric' ? 'metric' : 'trade'));
  const value = useMemo<Units>(() => {
    const show = (q: Quantity) => formatQuantity(q, system, standards);
    return {
      system,
      standards,
      toggle: () => {
        const next = system === 'trade' ? 'metric' : 'trade';
        remember('units', next);
        setSystem(next);
      },
      unitOf: (kind) => standards.units.find((u) => u.kind === kind)![system],
      show,
      showFigure: (figure) => figure.word ?? (figure.quantity ? show(figure.quantity) : ''),
    };
  }, [system, standards]);
  return <UnitsContext value={value}>{children}</UnitsContext>;
}

export function useUnits() {
  const units = useContext(UnitsContext);
  if (!units) throw new Error('Units are asked for outside their provider.');
  return units;
}

export const metres = (value: number): Quantity => ({ value, kind: 'length', plusMinus: null });

/** The word for one of a list of choices. */
export const named = <T extends string>(list: readonly { id: T; name: string }[], id: T) =>
  list.find((x) => x.id === id)?.name ?? id;
