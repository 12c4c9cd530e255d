import { memo, useMemo, type ReactNode } from 'react';
import { NavLink } from 'react-router';
import type { Link, LinkId } from '../api/client';
import { Mark, PinMark, verdictWords } from '../ui/Mark';
import { Say, useSayText } from '../ui/Say';
import { useUnits } from '../ui/units';
import { chainGeometry, ChainPicture, labelWidth, type ChainGeometry } from './ChainPicture';
import type { OutfitFigures } from './outfit';
import { useWidth } from './useWidth';

/** The whole outfit laid out on the bench, from the fly to the hand, to scale along its length. */
// It stands still until there is a new answer.
export const ChainDrawing = memo(function ChainDrawing({
  figures,
  chain,
  base,
  children,
}: {
  figures: OutfitFigures;
  chain: Link[];
  base: string;
  /** What stands in the room that the drawing leaves beside the reel. */
  children?: ReactNode;
}) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const roomy = width >= 560;
  const g = useMemo(() => chainGeometry(figures, width, roomy), [figures, width, roomy]);
  const labels = roomy ? placeLabels(chain, g, width) : [];

  return (
    <div ref={ref} className="relative">
      <ChainPicture figures={figures} chain={chain} width={width} roomy={roomy} g={g}>
        {labels.map((label) => (
          <path key={label.link.id} d={label.lead} fill="none" stroke="var(--soft)" strokeWidth="0.9" />
        ))}
      </ChainPicture>
      {roomy ? (
        labels.map(({ link, number, x, y }) => (
          <div key={link.id} className="absolute" style={{ left: x, top: y, width: labelWidth }}>
            <LinkLabel link={link} number={number} base={base} />
          </div>
        ))
      ) : (
        <ol className="mt-2 grid grid-cols-1 gap-x-4 border-t border-hair sm:grid-cols-2">
          {chain.map((link, i) => (
            <li key={link.id} className="border-b border-hair py-1">
              <LinkLabel link={link} number={i + 1} base={base} wide />
            </li>
          ))}
        </ol>
      )}
      {children && (
        <div
          className="relative"
          style={
            roomy ? { marginTop: g.beside.y - g.height, marginLeft: g.beside.x, minHeight: g.height - g.beside.y } : {}
          }
        >
          {children}
        </div>
      )}
      <p className="rubric mt-1 font-normal">
        Lengths to one scale; line {Math.round(g.thickScale / g.laid.pxPerM)} times too thick, fly{' '}
        {(g.flyScale / g.laid.pxPerM).toFixed(1)} times and reel {g.reelTimes} times too large, to be seen.
      </p>
    </div>
  );
});

function LinkLabel({ link, number, base, wide = false }: { link: Link; number: number; base: string; wide?: boolean }) {
  const { showFigure } = useUnits();
  const text = useSayText();
  return (
    <NavLink
      to={`${base}/${link.id}`}
      data-link={link.id}
      aria-label={`${number} ${link.name}: ${text(link.title)}. ${showFigure(link.figure)}. ${verdictWords[link.verdict]}: ${text(link.why)}${link.pinned ? '. Pinned' : ''}`}
      title={text(link.why)}
      className={`block rounded px-1 leading-tight hover:bg-water ${wide ? 'min-h-11 py-1' : ''}`}
    >
      <span className="flex items-center gap-1.5 text-[0.86rem]">
        <span className="font-bold">{number}</span>
        <span>{link.name}</span>
        {link.pinned && <PinMark on />}
        <Mark verdict={link.verdict} />
      </span>
      <span className={`flex gap-x-2 ${wide ? 'flex-row items-baseline' : 'flex-col'}`}>
        <strong className="text-[1.12rem] leading-tight whitespace-nowrap">{showFigure(link.figure)}</strong>
        <span className={`text-[0.82rem] text-soft ${wide ? '' : 'line-clamp-1'}`}>
          <Say parts={link.title} />
        </span>
      </span>
    </NavLink>
  );
}

type Placed = { link: Link; number: number; x: number; y: number; lead: string };

// Labels stand in the band above their row, pushed right until they clear each other; those of the reel stand beside it.
function placeLabels(chain: Link[], g: ChainGeometry, width: number): Placed[] {
  const taken = new Map<number, number>();
  const placed: Placed[] = [];
  const onLine: LinkId[] = ['fly', 'tippet', 'leader', 'head', 'running'];
  const byX = chain
    .map((link, i) => ({ link, number: i + 1, anchor: g.anchors[link.id] }))
    .filter(({ link }) => onLine.includes(link.id))
    .sort((a, b) => a.anchor.y - b.anchor.y || a.anchor.x - b.anchor.x);
  for (const { link, number, anchor } of byX) {
    const row = Math.max(
      0,
      Math.min(g.laid.rows - 1, Math.round((anchor.y - g.laid.rowY(0)) / (g.laid.rowY(1) - g.laid.rowY(0)))),
    );
    const y = g.laid.rowY(row) - 72;
    const x = Math.min(
      width - labelWidth,
      Math.max(anchor.x - labelWidth / 2, taken.get(row) ?? 0, row === 0 ? 0 : 40),
    );
    taken.set(row, x + labelWidth + 6);
    placed.push({
      link,
      number,
      x,
      y,
      lead: `M${Math.min(x + labelWidth - 10, Math.max(x + 10, anchor.x))},${y + 57}L${anchor.x},${anchor.y - 8}`,
    });
  }
  const beside = (id: LinkId, x: number, y: number, lead: (a: { x: number; y: number }) => string) => {
    const i = chain.findIndex((l) => l.id === id);
    placed.push({ link: chain[i]!, number: i + 1, x, y, lead: lead(g.anchors[id]) });
  };
  const right = g.reel.x + g.reel.r;
  beside('hand', right - 6, g.rodY - 76, (a) => `M${right + 8},${g.rodY - 19}L${a.x},${a.y}`);
  beside(
    'rod',
    right + labelWidth + 24,
    g.rodY - 76,
    (a) => `M${right + labelWidth + 40},${g.rodY - 19}L${Math.min(a.x, right + labelWidth + 90)},${a.y - 3}`,
  );
  beside('reel', right + 26, g.rodY + 9, (a) => `M${right + 25},${g.rodY + 24}L${a.x},${a.y}`);
  beside('backing', right + 26, g.rodY + 66, (a) => `M${right + 25},${g.rodY + 84}L${a.x},${a.y}`);
  return placed;
}
