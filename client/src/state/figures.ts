import type { Solution } from '../api/client';
import type { OutfitFigures } from '../drawing/outfit';
import type { CastFigures } from '../drawing/ReachBar';

/** What the chain is drawn from. */
export const outfitFigures = ({ outfit, brief }: Solution): OutfitFigures => ({
  fly: brief.fly,
  leader: outfit.leader,
  headM: outfit.line.headM,
  lineM: outfit.line.lengthM,
  stretches: outfit.line.stretches,
  fill: outfit.fill,
  rodM: outfit.rod.lengthM,
  carryM: outfit.carryM,
  shootM: outfit.shootM,
  distanceM: brief.distanceM,
});

/** What the cast along the ground is drawn from. */
export const castFigures = ({ outfit, brief }: Solution): CastFigures => ({
  distanceM: brief.distanceM,
  shootM: outfit.shootM,
  carryM: outfit.carryM,
  leaderM: outfit.leader.lengthM,
  headM: outfit.line.headM,
  reach: outfit.reachM,
});

/** What the plan of the water is drawn from. */
export const planFigures = ({ outfit, brief }: Solution) => ({
  distanceM: brief.distanceM,
  windMps: brief.windMps,
  windFromDeg: brief.windFromDeg,
  hand: brief.hand,
  leaderM: outfit.leader.lengthM,
  reach: outfit.reachM,
});

/** What the section of the water is drawn from. */
export const depthFigures = ({ outfit, brief }: Solution) => ({
  depthM: brief.depthM,
  floats: outfit.line.density === 'floating',
});
