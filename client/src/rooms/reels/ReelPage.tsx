import type { GearShed, Reel, Solution } from '../../api/client';
import { useUnits } from '../../ui/units';
import { MeasurePage } from '../shared/MeasurePage';
import { FillTab } from './FillTab';
import { MeasureTab } from './MeasureTab';
import { SpoolsTab } from './SpoolsTab';

/** One reel: what goes on it, how its room is known, what lies on its spools. */
export function ReelPage() {
  return (
    <MeasurePage
      kind="reels"
      known={(reel) => <Known reel={reel} />}
      tabs={(reel: Reel, shed: GearShed, today: Solution | null) => [
        { id: 'fill', name: 'Fill it', body: () => <FillTab reel={reel} shed={shed} today={today} /> },
        { id: 'measure', name: 'Measure it', body: () => <MeasureTab reel={reel} shed={shed} today={today} /> },
        { id: 'spools', name: 'Spools and winding', body: () => <SpoolsTab reel={reel} shed={shed} today={today} /> },
      ]}
    />
  );
}

function Known({ reel }: { reel: Reel }) {
  const { show } = useUnits();
  const short = (value: number) => show(value, 'spoolSize');
  const cls = (value: number) => show(value, 'lineClass');
  return (
    <>
      {reel.classes == null
        ? 'no class on it'
        : reel.classes.low === reel.classes.high
          ? `label says ${cls(reel.classes.low)}`
          : `label says ${cls(reel.classes.low)} to ${cls(reel.classes.high)}`}
      ,{' '}
      {reel.arborM != null && reel.rimM != null && reel.widthM != null ? (
        <b className="text-ink">
          arbor {short(reel.arborM)}, rim {short(reel.rimM)}, width {short(reel.widthM)}
        </b>
      ) : reel.knownFill ? (
        <b className="text-ink">known by what it held</b>
      ) : (
        <b className="text-look">never measured</b>
      )}
      , {show(reel.massKg, 'gearMass')} empty
    </>
  );
}
