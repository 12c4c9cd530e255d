import { useSearchParams } from 'react-router';
import type { GearShed, Reel, Solution } from '../../api/client';
import { useUnits } from '../../ui/units';

/** What a reel's bench starts from: what somebody chose before, else the brief at hand, else what lies on its own spool, else what is usual. */
export function useStart(reel: Reel, shed: GearShed, today: Solution | null) {
  const [params] = useSearchParams();
  const { line } = useUnits().standards.beginnings;
  const own = shed.spools.find((s) => s.reelId === reel.id && !s.isSpare);
  const todays = today?.outfit.reel.id === reel.id ? today.outfit : null;
  return {
    lineId: Number(params.get('line')) || todays?.line.id || own?.lineId || shed.lines[0]?.id || 0,
    backing: params.get('backing') ?? todays?.backing.id ?? own?.backing ?? reel.usualBacking,
    backingM: Number(params.get('metres') ?? Number.NaN) || todays?.backingM || own?.backingM || reel.usualBackingM,
    /** A line of the shed, or an ordinary one where it has none like that. */
    lineOf: (id: number) => shed.lines.find((l) => l.id === id) ?? { ...line, tag: 'L', name: 'an ordinary line' },
  };
}
