import { Spool } from '../../drawing/Spool';
import type { Solution } from '../../api/client';
import { useUnits } from '../../ui/units';

/** The spool in section with what was measured of it. */
export function SpoolView({ outfit }: { outfit: Pick<Solution['outfit'], 'reel' | 'fill'> }) {
  const { show } = useUnits();
  const measured = outfit.reel.rimM && outfit.fill?.lineRadiusM;
  const mm = (m: number | null | undefined) =>
    m == null ? 'unknown' : show({ value: m, kind: 'shortLength', plusMinus: null });
  return (
    <figure className="m-0 flex flex-wrap items-center gap-6">
      <svg
        width={230}
        height={230}
        role="img"
        aria-label={
          measured ? 'The spool from the side, to scale: arbor, backing, line, rim' : 'A spool nobody measured'
        }
      >
        <Spool cx={115} cy={115} radius={106} reel={outfit.reel} fill={outfit.fill} />
      </svg>
      <figcaption className="max-w-56">
        {measured
          ? 'To scale from the side: open centre the arbor, grey the backing, coloured the line, outer ring the rim.'
          : 'Not to scale: nobody measured this spool. Put a ruler across arbor, rim and width.'}
        <span className="mt-2 block text-soft">
          arbor {mm(outfit.reel.arborM)}, rim {mm(outfit.reel.rimM)}, width {mm(outfit.reel.widthM)}
          {outfit.fill?.rimGapM != null && `; ${mm(outfit.fill.rimGapM)} free at the rim`}
        </span>
      </figcaption>
    </figure>
  );
}
