import { useMemo } from 'react';
import { NavLink } from 'react-router';
import type { Link, LinkId } from '../api/client';
import { Mark, PinMark, verdictWords } from '../ui/Mark';
import { Say, useSayText } from '../ui/Say';
import { metres, useUnits } from '../ui/units';
import { FlyMark } from './FlyMark';
import { inkOf, toBuy } from './hollow';
import { laidOut, linkIds, type OutfitFigures } from './outfit';
import { lay, thickness } from './serpentine';
import { Spool } from './Spool';
import { useWidth } from './useWidth';

const labelWidth = 132;

/** The whole outfit laid out on the bench, from the fly to the hand, to scale along its length. */
export function ChainDrawing({ figures, chain, base }: { figures: OutfitFigures; chain: Link[]; base: string }) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { show, system, unitOf } = useUnits();
  const text = useSayText();
  const roomy = width >= 560;
  const g = useMemo(() => geometry(figures, width, roomy), [figures, width, roomy]);
  const { laid, spans, half, butt } = g;
  const { fly, carryM, shootM, distanceM } = figures;

  const step = unitOf('length').scale * (system === 'trade' ? 10 : 2);
  const ticks = Array.from({ length: Math.floor((g.totalM - g.leaderM) / step) }, (_, i) => (i + 1) * step);
  const labels = roomy ? placeLabels(chain, g, width) : [];
  const summary = chain.map((link) => `${link.name}: ${text(link.title)}, ${verdictWords[link.verdict]}`).join('; ');
  const sparse = Math.round(g.totalM);
  const hollow = (id: LinkId) => toBuy(chain, id);
  const lineInk = inkOf(hollow('head'), 'var(--signal)');

  return (
    <div ref={ref} className="relative">
      <svg
        width={width}
        height={g.height}
        viewBox={`0 0 ${width} ${g.height}`}
        role="img"
        aria-label={`The outfit from the fly to the hand, ${sparse} m laid to and fro. ${summary}`}
        className="answering block"
      >
        {/* A measuring line under the fly line, from its tip. */}
        {ticks.map((m, i) => {
          const p = laid.at(g.leaderM + m);
          const tall = system === 'trade' || (i + 1) % 5 === 0;
          return (
            <g key={m} stroke="var(--soft)" strokeWidth="1">
              {p.flat && <line x1={p.x} y1={p.y + 8} x2={p.x} y2={p.y + (tall ? 16 : 12)} />}
              {tall && p.flat && (
                <text x={p.x} y={p.y + 28} textAnchor="middle" fontSize="11" fill="var(--soft)" stroke="none">
                  {show(metres(m))}
                </text>
              )}
            </g>
          );
        })}

        <path d={laid.ribbon(spans.leader[0], spans.leader[1], half)} fill="var(--ink)" opacity="0.75" />
        <path d={laid.ribbon(spans.tippet[0], spans.tippet[1], half)} fill="var(--ink)" opacity="0.55" />
        {spans.running[1] > spans.running[0] && (
          <path d={laid.ribbon(spans.running[0], spans.running[1], half)} {...lineInk} opacity="0.75" />
        )}
        <path d={laid.ribbon(spans.head[0], spans.head[1], half)} {...lineInk} />

        <g transform={`translate(${laid.at(0).x},${laid.at(0).y})`}>
          <FlyMark kind={fly.kind.id} hook={fly.hook} bodyM={fly.bodyM} pxPerM={g.flyScale} />
        </g>

        <Flag at={laid.at(g.leaderM + carryM)} words={roomy ? 'held in the air' : ''} />
        {shootM > 0.3 && distanceM < g.totalM && (
          <Flag at={laid.at(distanceM)} words={roomy ? 'at the tip when the fly lands' : ''} />
        )}

        {/* Into the reel. */}
        <path
          d={g.intoReel}
          fill="none"
          stroke="var(--signal)"
          strokeOpacity="0.75"
          strokeWidth={hollow('head') ? 1.2 : Math.max(1.6, 2 * half(g.totalM))}
          strokeDasharray={hollow('head') ? '5 3' : undefined}
        />
        {hollow('reel') ? (
          <circle
            cx={g.reel.x}
            cy={g.reel.y}
            r={g.reel.r}
            fill="var(--paper)"
            stroke="var(--ink)"
            strokeWidth="1.6"
            strokeDasharray="6 4"
          />
        ) : (
          <Spool cx={g.reel.x} cy={g.reel.y} radius={g.reel.r} reel={figures.reel} fill={figures.fill} />
        )}
        <line x1={g.reel.x} y1={g.reel.y - g.reel.r} x2={g.reel.x} y2={g.rodY} stroke="var(--ink)" strokeWidth="3" />
        <path
          d={`M${butt},${g.rodY - 4}H${butt + g.gripPx + 26}L${butt + g.rodPx},${g.rodY - 0.8}V${g.rodY + 0.8}L${butt + g.gripPx + 26},${g.rodY + 4}H${butt}Z`}
          {...inkOf(hollow('rod'), 'var(--ink)')}
        />
        <rect
          x={butt + 24}
          y={g.rodY - 6.5}
          width={g.gripPx}
          height={13}
          rx="5"
          fill="var(--land)"
          stroke="var(--ink)"
          strokeWidth="1.2"
        />
        {Array.from({ length: 4 }, (_, i) => (
          <rect
            key={i}
            x={butt + 25 + (i * g.gripPx) / 4.3}
            y={g.rodY - 3}
            width={g.gripPx / 5}
            height={14}
            rx={g.gripPx / 10}
            fill="var(--sheet)"
            stroke="var(--ink)"
            strokeWidth="1.2"
          />
        ))}
        {Array.from({ length: 8 }, (_, i) => {
          const t = 1 - (1 - (i + 1) / 8) ** 1.25;
          const x = butt + g.gripPx + 34 + t * (g.rodPx - g.gripPx - 36);
          return (
            <circle
              key={i}
              cx={x}
              cy={g.rodY + 4.5 - t * 2}
              r={3 - t * 1.6}
              fill="none"
              stroke="var(--ink)"
              strokeWidth="1.1"
            />
          );
        })}

        {labels.map((label) => (
          <path key={label.link.id} d={label.lead} fill="none" stroke="var(--soft)" strokeWidth="0.9" />
        ))}
        {!roomy &&
          linkIds.map((id, i) => {
            const p = g.anchors[id];
            return (
              <g key={id}>
                <circle cx={p.x} cy={p.y - 17} r="8.5" fill="var(--paper)" stroke="var(--ink)" />
                <text x={p.x} y={p.y - 13} textAnchor="middle" fontSize="11.5" fontWeight="700" fill="var(--ink)">
                  {i + 1}
                </text>
              </g>
            );
          })}
      </svg>
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
      <p className="rubric mt-1 font-normal">
        Lengths to one scale; line {Math.round(g.thickScale / laid.pxPerM)} times too thick, fly{' '}
        {(g.flyScale / laid.pxPerM).toFixed(1)} times and reel {g.reelTimes} times too large, to be seen.
      </p>
    </div>
  );
}

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

function Flag({ at, words }: { at: { x: number; y: number; nx: number; ny: number; flat: boolean }; words: string }) {
  const inward = at.flat ? 0 : at.x > 300 ? -1 : 1;
  return (
    <g stroke="var(--ink)" strokeWidth="1.3" fill="none">
      <line x1={at.x + at.nx * 11} y1={at.y + at.ny * 11} x2={at.x - at.nx * 11} y2={at.y - at.ny * 11} />
      {words && (
        <text
          x={at.x + inward * 16}
          y={at.y + (at.flat ? 26 : -12)}
          textAnchor={inward === 0 ? 'middle' : inward > 0 ? 'start' : 'end'}
          fontSize="12.5"
          fontFamily="var(--font-chart)"
          fontStyle="italic"
          fill="var(--ink)"
          stroke="var(--paper)"
          strokeWidth="4"
          paintOrder="stroke"
        >
          {words}
        </text>
      )}
    </g>
  );
}

function geometry(figures: OutfitFigures, width: number, roomy: boolean) {
  const { spans, totalM, stretches } = laidOut(figures);
  const leaderM = spans.leader[1];
  const gap = roomy ? 104 : 62;
  const rows = roomy ? 4 : 4;
  const left = roomy ? 4 : 2;
  const { fly, reel: spool, rodM } = figures;
  // The fly hangs off the left end, so its drawn length is kept off the first row.
  const laid = lay({ totalM, rows, left, right: width - (roomy ? 4 : 2), top: roomy ? 74 : 40, gap });
  const flyScale = Math.min(Math.max(laid.pxPerM, 34 / Math.max(0.02, fly.bodyM)), laid.pxPerM * 8);
  const thickScale = (roomy ? 4.6 : 3.6) / 0.0014;
  const thick = thickness(stretches);
  const half = (m: number) => Math.max(0.7, thick(m) * thickScale);
  const r = gap / 2;
  const reelR = roomy ? 44 : 34;
  const dropX = left;
  const rodY = laid.end.y + (roomy ? 110 : 56);
  const reel = { x: dropX + reelR * 0.9, y: rodY + reelR + 12, r: reelR };
  const reelTimes = Math.max(1, Math.round(reelR / (((spool.rimM ?? 0.09) / 2) * laid.pxPerM)));
  const rodPx = rodM * laid.pxPerM;
  const gripPx = Math.max(24, 0.26 * laid.pxPerM);
  const butt = reel.x - 14;
  const middle = (span: [number, number]) => laid.straightMiddle(span[0], span[1]);
  return {
    laid,
    spans,
    totalM,
    leaderM,
    half,
    thickScale,
    flyScale,
    rodY,
    reel,
    reelTimes,
    rodPx,
    gripPx,
    butt,
    height: reel.y + reelR + (roomy ? 22 : 8),
    intoReel: `M${laid.end.x},${laid.end.y}A${r},${r} 0 0 0 ${dropX},${laid.end.y + r}V${reel.y}`,
    anchors: {
      fly: { ...laid.at(0), x: laid.at(0).x - (roomy ? 0 : 12) },
      tippet: middle(spans.tippet),
      leader: middle(spans.leader),
      head: middle(spans.head),
      running: middle(spans.running[1] > spans.running[0] ? spans.running : [totalM, totalM]),
      backing: { x: reel.x + reelR * 0.45, y: reel.y + reelR * 0.2 },
      reel: { x: reel.x + reelR * 0.9, y: reel.y - reelR * 0.4 },
      rod: { x: butt + rodPx * 0.62, y: rodY },
      hand: { x: butt + 24 + gripPx / 2, y: rodY - 8 },
    } as Record<LinkId, { x: number; y: number }>,
  };
}

type Placed = { link: Link; number: number; x: number; y: number; lead: string };

// Labels stand in the band above their row, pushed right until they clear each other; those of the reel stand beside it.
function placeLabels(chain: Link[], g: ReturnType<typeof geometry>, width: number): Placed[] {
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
