import type { ReactNode } from 'react';
import type { Link, LinkId } from '../api/client';
import { verdictWords } from '../ui/Mark';
import { useSayText } from '../ui/Say';
import { metres, useUnits } from '../ui/units';
import { FlyMark } from './FlyMark';
import { inkOf, toBuy } from './hollow';
import { laidOut, linkIds, type OutfitFigures } from './outfit';
import { lay, thickness } from './serpentine';
import { Spool } from './Spool';
import { Words } from './Words';

/** How wide a link's label is where it stands on the drawing, px. */
export const labelWidth = 132;

/** The outfit from the fly to the hand, to scale along its length; with numbers on it where its labels stand elsewhere. */
export function ChainPicture({
  figures,
  chain,
  width,
  roomy,
  g,
  children,
}: {
  figures: OutfitFigures;
  chain: Link[];
  width: number;
  roomy: boolean;
  g: ChainGeometry;
  /** Lines from labels to what they speak of. */
  children?: ReactNode;
}) {
  const { show, system, unitOf } = useUnits();
  const text = useSayText();
  const { laid, spans, half } = g;
  const { fly, carryM, shootM, distanceM } = figures;

  const step = unitOf('length').scale * (system === 'trade' ? 10 : 5);
  const ticks = Array.from({ length: Math.floor((g.totalM - g.leaderM) / step) }, (_, i) => (i + 1) * step);
  const summary = chain.map((link) => `${link.name}: ${text(link.title)}, ${verdictWords[link.verdict]}`).join('; ');
  const hollow = (id: LinkId) => toBuy(chain, id);
  const lineInk = inkOf(hollow('head'), 'var(--signal)');
  const flags = [
    { at: laid.at(g.leaderM + carryM), words: 'held in the air' },
    ...(shootM > 0.3 && distanceM < g.totalM
      ? [{ at: laid.at(distanceM), words: 'at the tip when the fly lands' }]
      : []),
  ];
  // A flag's words, or on a small drawing the number of a link, lie where a tick's words would; the tick's give way.
  const covered = (p: { x: number; y: number }) =>
    roomy
      ? flags.some((f) => Math.abs(f.at.y - p.y) < 12 && Math.abs(f.at.x - p.x) < 3.1 * f.words.length + 20)
      : linkIds.some((id) => Math.abs(g.anchors[id].x - p.x) < 24 && Math.abs(g.anchors[id].y - 17 - (p.y + 24)) < 14);

  return (
    <svg
      width={width}
      height={g.height}
      viewBox={`0 0 ${width} ${g.height}`}
      role="img"
      aria-label={`The outfit from the fly to the hand, ${show(metres(g.totalM))} laid to and fro. ${summary}`}
      className="answering block"
    >
      {/* A measuring line under the fly line, from its tip. */}
      {ticks.map((m) => {
        const p = laid.at(g.leaderM + m);
        return (
          <g key={m} stroke="var(--soft)" strokeWidth="1">
            {p.flat && <line x1={p.x} y1={p.y + 8} x2={p.x} y2={p.y + 16} />}
            {p.flat && !covered(p) && (
              <Words x={p.x} y={p.y + 28} anchor="middle" soft stroke="none">
                {show(metres(m))}
              </Words>
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

      {flags.map((f) => (
        <Flag key={f.words} at={f.at} words={roomy ? f.words : ''} />
      ))}

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
        <Spool cx={g.reel.x} cy={g.reel.y} radius={g.reel.r} fill={figures.fill} />
      )}
      <line x1={g.reel.x} y1={g.reel.y - g.reel.r} x2={g.reel.x} y2={g.rodY} stroke="var(--ink)" strokeWidth="3" />
      <Rod g={g} hollow={hollow('rod')} />

      {children}
      {!roomy && <Numbers g={g} />}
    </svg>
  );
}

function Rod({ g, hollow }: { g: ChainGeometry; hollow: boolean }) {
  const { butt } = g;
  return (
    <>
      <path
        d={`M${butt},${g.rodY - 4}H${butt + g.gripPx + 26}L${butt + g.rodPx},${g.rodY - 0.8}V${g.rodY + 0.8}L${butt + g.gripPx + 26},${g.rodY + 4}H${butt}Z`}
        {...inkOf(hollow, 'var(--ink)')}
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
    </>
  );
}

/** The numbers of the links, where their labels stand elsewhere. */
const Numbers = ({ g }: { g: ChainGeometry }) => (
  <>
    {linkIds.map((id, i) => {
      const p = g.anchors[id];
      return (
        <g key={id}>
          <circle cx={p.x} cy={p.y - 17} r="8.5" fill="var(--paper)" stroke="var(--ink)" />
          <Words x={p.x} y={p.y - 13} anchor="middle" bold>
            {i + 1}
          </Words>
        </g>
      );
    })}
  </>
);

function Flag({ at, words }: { at: { x: number; y: number; nx: number; ny: number; flat: boolean }; words: string }) {
  const inward = at.flat ? 0 : at.x > 300 ? -1 : 1;
  return (
    <g stroke="var(--ink)" strokeWidth="1.3" fill="none">
      <line x1={at.x + at.nx * 11} y1={at.y + at.ny * 11} x2={at.x - at.nx * 11} y2={at.y - at.ny * 11} />
      {words && (
        <Words
          x={at.x + inward * 16}
          y={at.y + (at.flat ? 26 : -12)}
          anchor={inward === 0 ? 'middle' : inward > 0 ? 'start' : 'end'}
          size={12.5}
          fontFamily="var(--font-chart)"
          fontStyle="italic"
          halo="paper"
        >
          {words}
        </Words>
      )}
    </g>
  );
}

export type ChainGeometry = ReturnType<typeof chainGeometry>;

/** Where everything of the chain lies in a drawing of this width, px. */
export function chainGeometry(figures: OutfitFigures, width: number, roomy: boolean) {
  const { spans, totalM, stretches } = laidOut(figures);
  const leaderM = spans.leader[1];
  const gap = roomy ? 104 : 62;
  const rows = 4;
  // The reel hangs a little over the line that runs into it.
  const left = roomy ? 8 : 6;
  const { fly, rodM } = figures;
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
  const reelTimes = Math.max(1, Math.round(reelR / ((figures.fill.spool.rimM / 2) * laid.pxPerM)));
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
    beside: { x: reel.x + reelR + 26 + labelWidth + 12, y: rodY + 14 },
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
