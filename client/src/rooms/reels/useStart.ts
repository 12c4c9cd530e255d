import { useSearchParams } from 'react-router';
import type { GearShed, Reel, Solution } from '../../api/client';
import { useUnits } from '../../ui/units';

/** What a reel's bench starts from: what somebody chose before, else the brief at hand, else what lies on its own spool, else what is usual. */
export function useStart(reel: Reel, shed: GearShed, today: Solution | null) {
  const [params] = useSearchParams();
  const { line } = useUnits().standards.beginnings;
  const own = shed.spools.find((s) => s.reelId === reel.id && !s.isSpare);
  const outfit = today?.outfit.reel.id === reel.id ? today.outfit : null;
  // The first that says it, in this order.
  const said = [
    {
      lineId: Number(params.get('line')),
      backing: params.get('backing'),
      backingM: Number(params.get('metres') ?? Number.NaN),
    },
    outfit && { lineId: outfit.line.id, backing: outfit.backing.id, backingM: outfit.backingM },
    own,
    { lineId: shed.lines[0]?.id, backing: reel.usualBacking, backingM: reel.usualBackingM },
  ];
  const first = <K extends 'lineId' | 'backing' | 'backingM'>(part: K) => said.map((s) => s?.[part]).find(Boolean);
  return {
    lineId: Number(first('lineId') ?? 0),
    backing: String(first('backing')),
    backingM: Number(first('backingM') ?? 0),
    /** A line of the shed, or an ordinary one where it has none like that. */
    lineOf: (id: number) => shed.lines.find((l) => l.id === id) ?? { ...line, tag: 'L', name: 'an ordinary line' },
  };
}
