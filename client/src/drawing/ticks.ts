import { scaleLinear, type ScaleLinear } from 'd3-scale';

/** Round ticks of a scale in SI where the reader counts in units of so much. */
export const ticks = (scale: ScaleLinear<number, number>, count: number, unit: number) => {
  const [from = 0, to = 1] = scale.domain();
  return scaleLinear([from / unit, to / unit], [0, 1])
    .ticks(count)
    .map((t) => t * unit);
};
