import { useSearchParams } from 'react-router';
import type { GearShed, Reel, Solution } from '../../api/client';

/** What a reel's bench starts from: what somebody chose before, else what lies on its own spool, else the brief at hand. */
export function useStart(reel: Reel, shed: GearShed, today: Solution | null) {
  const [params] = useSearchParams();
  const own = shed.spools.find((s) => s.reelId === reel.id && !s.isSpare);
  const todays = today?.outfit.reel.id === reel.id ? today.outfit : null;
  const line = Number(params.get('line')) || todays?.line.id || own?.lineId || shed.lines[0]?.id || 0;
  return {
    lineId: line,
    backing: params.get('backing') ?? todays?.backing.id ?? own?.backing ?? 'poly20',
    backingM: Number(params.get('metres') ?? Number.NaN) || todays?.backingM || own?.backingM || 90,
    spool: params.get('spool') ?? '',
  };
}
