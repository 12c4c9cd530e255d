import { useUnits } from '../ui/units';
import { FlyMark } from './FlyMark';
import type { FlyFigures } from './outfit';
import { useWidth } from './useWidth';
import { Words } from './Words';

// A CSS millimetre: the ruler beside the fly lets anyone check what their screen makes of it.
const cssMm = 96 / 25.4;

/** The fly actual size beside a ruler; a giant is drawn smaller and says so. */
export function FlyActual({ fly }: { fly: FlyFigures }) {
  const [ref, width] = useWidth<HTMLElement>(292);
  const { system } = useUnits();
  const reach = Math.max(fly.bodyM, fly.hook.lengthM) * 1000;
  const shrink = [1, 2, 4].find((s) => (reach * cssMm) / s < width - 24) ?? 8;
  const pxPerMm = cssMm / shrink;
  const gape = fly.hook.gapeM * 1000 * pxPerMm;
  const over = Math.max(16, fly.bodyM * 1000 * pxPerMm * 0.2, gape * 0.8);
  const height = Math.ceil(over + gape + 44);
  const long = Math.floor((width - 14) / pxPerMm);
  const inches = system === 'trade';
  const marks = inches
    ? Array.from({ length: Math.floor(long / 25.4) * 8 + 1 }, (_, i) => ({
        mm: (i * 25.4) / 8,
        big: i % 8 === 0,
        n: i / 8,
      }))
    : Array.from({ length: long + 1 }, (_, i) => ({ mm: i, big: i % 10 === 0, n: i / 10 }));
  const ruler = height - 24;
  return (
    <figure ref={ref} className="m-0">
      <svg
        width={width}
        height={height}
        className="block max-w-full"
        role="img"
        aria-label={`A ${fly.kind.name}, ${Math.round(reach)} mm long${shrink > 1 ? `, drawn at one to ${shrink}` : ', actual size'}`}
      >
        <g transform={`translate(${Math.max(reach * pxPerMm + 8, 30)},${over + 4})`}>
          <FlyMark kind={fly.kind.id} hook={fly.hook} bodyM={fly.bodyM} pxPerM={pxPerMm * 1000} />
        </g>
        <rect x="4" y={ruler} width={width - 8} height="22" fill="var(--land)" stroke="var(--ink)" strokeWidth="0.8" />
        {marks.map(({ mm, big, n }) => (
          <g key={mm} stroke="var(--ink)" strokeWidth="0.8">
            <line
              x1={8 + mm * pxPerMm}
              x2={8 + mm * pxPerMm}
              y1={ruler}
              y2={ruler + (big ? 9 : shrink > 1 && !inches ? 0 : 4.5)}
            />
            {big && 8 + mm * pxPerMm < width - 36 && (
              <Words x={8 + mm * pxPerMm + 2} y={ruler + 19} stroke="none">
                {n}
              </Words>
            )}
          </g>
        ))}
        <Words x={width - 8} y={ruler + 18} anchor="end">
          {inches ? 'in' : 'cm'}
        </Words>
      </svg>
      <figcaption className="rubric font-normal">
        {shrink > 1 ? `Drawn at 1 : ${shrink}` : 'Actual size where your screen is true; hold a ruler to it.'}
      </figcaption>
    </figure>
  );
}
