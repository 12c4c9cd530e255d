import type { Rod } from '../../api/client';
import { named, rodLength, useUnits } from '../../ui/units';
import { MeasurePage } from '../shared/MeasurePage';
import { BalanceTab } from './BalanceTab';
import { BendTab } from './BendTab';
import { BendTestTab } from './BendTestTab';
import { InspectionTab } from './InspectionTab';

/** One rod, measured: bend test, how it bends, balance, inspection. */
export function RodPage() {
  return (
    <MeasurePage
      kind="rods"
      known={(rod) => <Known rod={rod} />}
      tabs={(rod, shed, today) => [
        { id: 'test', name: 'Bend test', body: () => <BendTestTab rod={rod} /> },
        { id: 'bend', name: 'How it bends', body: () => <BendTab rod={rod} shed={shed} today={today} /> },
        { id: 'balance', name: 'Balance and swing', body: () => <BalanceTab rod={rod} shed={shed} today={today} /> },
        { id: 'look', name: 'Look it over', body: () => <InspectionTab rod={rod} /> },
      ]}
    />
  );
}

/** Label beside measurement, in a line. */
function Known({ rod }: { rod: Rod }) {
  const { show, standards } = useUnits();
  const cls = (value: number, plusMinus: number | null = null) => show({ value, kind: 'lineClass', plusMinus });
  return (
    <>
      {show(rodLength(rod.lengthM))},{' '}
      {rod.printedClass == null ? 'no class on it' : `label says ${cls(rod.printedClass)}`},{' '}
      {rod.measuredClass == null ? (
        <b className="text-look">never bend-tested</b>
      ) : (
        <b className={rod.labelDisagrees ? 'text-look' : 'text-ink'}>
          measured {cls(rod.measuredClass, rod.measuredPlusMinus ?? null)}
        </b>
      )}
      {rod.tipAngleDeg != null &&
        `, tip at ${show(rod.tipAngleDeg, 'angle')}: ${rod.veryFast ? 'very fast, lined a class down' : named(standards.choices.action, rod.action)}`}
    </>
  );
}
