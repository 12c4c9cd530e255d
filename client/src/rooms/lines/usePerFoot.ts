import { useUnits } from '../../ui/units';

/** Mass per length as people say it: grains a foot, and grams a metre. */
export function usePerFoot() {
  const { standards } = useUnits();
  const scale = (kind: 'length' | 'lineMass') => standards.units.find((u) => u.kind === kind)!.trade.scale;
  return (kgPerM: number) =>
    `${((kgPerM * scale('length')) / scale('lineMass')).toFixed(2)} gr/ft (${(kgPerM * 1000).toFixed(2)} g/m)`;
}

export const offBy = (off: number) => `the rule is off by ${(off * 100).toFixed(1)} %`;
