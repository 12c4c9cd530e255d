import type { Solution } from '../api/client';
import type { OutfitFigures } from '../drawing/outfit';
import type { CastFigures } from '../drawing/ReachBar';

/** An answer as the chain is drawn from it. */
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

/** An answer as its cast is drawn along the ground. */
export const castFigures = ({ outfit, brief }: Solution): CastFigures => ({
  distanceM: brief.distanceM,
  shootM: outfit.shootM,
  carryM: outfit.carryM,
  leaderM: outfit.leader.lengthM,
  headM: outfit.line.headM,
  reach: outfit.reachM,
});

/** An answer as the plan of the water is drawn from it. */
export const planFigures = ({ outfit, brief }: Solution) => ({
  distanceM: brief.distanceM,
  windMps: brief.windMps,
  windFromDeg: brief.windFromDeg,
  hand: brief.hand,
  leaderM: outfit.leader.lengthM,
  reach: outfit.reachM,
});

/** An answer as the section of the water is drawn from it. */
export const depthFigures = ({ outfit, brief }: Solution) => ({
  depthM: brief.depthM,
  floats: outfit.line.density === 'floating',
});
