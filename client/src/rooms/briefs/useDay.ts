import type { Solution } from '../../api/client';
import type { BriefWork } from '../../state/useBrief';
import { distance, useUnits } from '../../ui/units';

/** The fly, how far and the wind in words, as they were typed where they were. */
export function useDay({ draft }: Pick<BriefWork, 'draft'>, brief: Solution['brief']) {
  const { show } = useUnits();
  return {
    fly: `${brief.fly.sizeName} ${brief.fly.kind.name}`,
    far: draft.said?.distanceM ?? show(distance(brief.distanceM)),
    wind: draft.said?.windMps ?? show(brief.windMps, 'windSpeed'),
  };
}
