import { NavLink } from 'react-router';
import type { Figure, Link } from '../api/client';
import { Mark, PinMark, verdictWords } from '../ui/Mark';
import { useSayText } from '../ui/Say';
import { useUnits } from '../ui/units';
import { laidOut, type OutfitFigures } from './outfit';
import { inkOf, toBuy } from './hollow';
import { thickness } from './serpentine';
import { useWidth } from './useWidth';

// In so little room the tolerance is left to the bench.
const bare = (figure: Figure): Figure =>
  figure.quantity ? { ...figure, quantity: { ...figure.quantity, plusMinus: null } } : figure;

/** The chain in one row, to scale, kept in view while a bench is open. */
export function ChainStrip({ figures, chain, base }: { figures: OutfitFigures; chain: Link[]; base: string }) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { showFigure } = useUnits();
  const text = useSayText();
  const { spans, totalM, stretches } = laidOut(figures);
  const { rodM } = figures;
  const pxPerM = (width - 60) / (totalM + rodM);
  const thick = thickness(stretches);
  const x = (m: number) => 6 + m * pxPerM;
  const ribbon = ([from, to]: [number, number]) => {
    const steps = Array.from({ length: 41 }, (_, i) => from + ((to - from) * i) / 40);
    const h = (m: number) => Math.max(0.7, thick(m) * 2200);
    return `M${steps.map((m) => `${x(m)},${14 - h(m)}`).join('L')}L${[...steps]
      .reverse()
      .map((m) => `${x(m)},${14 + h(m)}`)
      .join('L')}Z`;
  };
  const reelX = x(totalM) + 16;
  const lineInk = inkOf(toBuy(chain, 'head'), 'var(--signal)');
  const rodInk = inkOf(toBuy(chain, 'rod'), 'var(--ink)');
  return (
    <nav aria-label="Chain, from the fly to the hand" ref={ref} className="border-b border-hair pb-2">
      <svg width={width} height={30} aria-hidden="true" className="block">
        <path d={ribbon(spans.leader)} fill="var(--ink)" />
        <path d={ribbon(spans.tippet)} fill="var(--ink)" opacity="0.6" />
        {spans.running[1] > spans.running[0] && <path d={ribbon(spans.running)} {...lineInk} opacity="0.75" />}
        <path d={ribbon(spans.head)} {...lineInk} />
        <path d={`M6,14h-3m3,0l-4,5`} stroke="var(--ink)" strokeWidth="1.5" fill="none" />
        <circle
          cx={reelX}
          cy={16}
          r={11}
          fill="var(--sheet)"
          stroke="var(--ink)"
          strokeWidth="1.5"
          strokeDasharray={toBuy(chain, 'reel') ? '3 2' : undefined}
        />
        {!toBuy(chain, 'reel') && (
          <>
            <circle cx={reelX} cy={16} r={7.5} fill="var(--signal)" />
            <circle cx={reelX} cy={16} r={4.5} fill="var(--soft)" />
          </>
        )}
        <path d={`M${reelX - 10},4h34L${reelX + 16 + rodM * pxPerM},3.2v1.2L${reelX + 24},7.4h-34z`} {...rodInk} />
      </svg>
      <ul className="grid grid-cols-3 gap-px sm:grid-cols-[repeat(9,auto)]">
        {chain.map((link, i) => (
          <li key={link.id} className="min-w-0">
            <NavLink
              to={`${base}/${link.id}`}
              data-link={link.id}
              aria-label={`${i + 1} ${link.name}: ${text(link.title)}. ${showFigure(link.figure)}. ${verdictWords[link.verdict]}${link.pinned ? '. Pinned' : ''}`}
              className={({ isActive }) =>
                `block h-full border-t-4 px-1 py-0.5 text-[0.84rem] leading-tight hover:bg-water ${isActive ? 'border-signal bg-sheet' : 'border-transparent'}`
              }
            >
              <span className="flex items-center gap-1">
                <span className="truncate">
                  {i + 1} {link.name.replace('Running line', 'Running')}
                </span>
                {link.pinned && <PinMark on />}
              </span>
              <span className="flex items-center gap-1">
                <span className="truncate">{showFigure(bare(link.figure))}</span>
                <Mark verdict={link.verdict} wordless />
              </span>
            </NavLink>
          </li>
        ))}
      </ul>
    </nav>
  );
}
