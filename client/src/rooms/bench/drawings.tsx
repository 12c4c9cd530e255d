import { scaleLinear } from 'd3-scale';
import type { Solution } from '../../api/client';
import { useWidth } from '../../drawing/useWidth';
import { metres, useUnits } from '../../ui/units';

/** Hook wire and tippet cut across, enlarged alike, with the band in which tippet neither spins nor drags. */
export function TippetDrawing({ wireM, tippet }: { wireM: number; tippet: Solution['outfit']['tippet'] }) {
  const { diameterM: tippetM, bandFromM, bandToM } = tippet;
  const { show } = useUnits();
  const px = 96 / Math.max(wireM, tippetM);
  const wire = (wireM * px) / 2;
  const tip = (tippetM * px) / 2;
  const times = Math.round(px / (96 / 25.4 / 0.001));
  const mm = (value: number) => show({ value, kind: 'diameter', plusMinus: null });
  return (
    <figure className="m-0">
      <svg
        width={430}
        height={140}
        className="block max-w-full"
        role="img"
        aria-label={`Hook wire ${mm(wireM)} and tippet ${mm(tippetM)} cut across, to one scale`}
      >
        <circle cx={70} cy={58} r={wire} fill="color-mix(in srgb, var(--ink) 75%, var(--paper))" />
        <text x={70} y={130} textAnchor="middle" fontSize="13.5" fill="var(--ink)">
          hook wire {mm(wireM)}
        </text>
        <circle cx={220} cy={58} r={(bandToM * px) / 2} fill="var(--water)" stroke="var(--soft)" />
        <circle cx={220} cy={58} r={(bandFromM * px) / 2} fill="var(--paper)" stroke="var(--soft)" />
        <circle cx={220} cy={58} r={tip} fill="none" stroke="var(--signal)" strokeWidth="2.4" />
        <text x={220} y={130} textAnchor="middle" fontSize="13.5" fill="var(--ink)">
          tippet {mm(tippetM)}
        </text>
        <text x={305} y={48} fontSize="12.5" fill="var(--soft)">
          shaded: the share
        </text>
        <text x={305} y={64} fontSize="12.5" fill="var(--soft)">
          of the wire at which it
        </text>
        <text x={305} y={80} fontSize="12.5" fill="var(--soft)">
          turns over well
        </text>
      </svg>
      <figcaption className="rubric font-normal">Cut across, {times} times life size.</figcaption>
    </figure>
  );
}

/** The leader to scale along its length beside the rod. */
export function LeaderDrawing({ leader, rodM }: { leader: Solution['outfit']['leader']; rodM: number }) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { show } = useUnits();
  const span = Math.max(leader.lengthM, rodM) * 1.02;
  const x = scaleLinear([0, span], [8, width - 8]);
  const thickest = Math.max(...leader.pieces.map((p) => Math.max(p.startM, p.endM)));
  const y = (m: number) => (m / thickest) * 9;
  const from = leader.pieces.map((_, i) => leader.pieces.slice(0, i).reduce((sum, p) => sum + p.lengthM, 0));
  return (
    <div ref={ref}>
      <svg
        width={width}
        height={104}
        role="img"
        aria-label={`Leader of ${show(metres(leader.lengthM))} beside a rod of ${show(metres(rodM))}, to scale`}
        className="block"
      >
        {leader.pieces.map((p, i) => (
          <g key={p.name}>
            <path
              d={`M${x(from[i]!)},${34 - y(p.startM)}L${x(from[i]! + p.lengthM)},${34 - y(p.endM)}V${34 + y(p.endM)}L${x(from[i]!)},${34 + y(p.startM)}Z`}
              fill="var(--ink)"
              opacity={0.85 - i * 0.13}
            />
            <line x1={x(from[i]!)} x2={x(from[i]!)} y1="18" y2="50" stroke="var(--soft)" strokeWidth="0.8" />
            <text
              x={x(from[i]! + p.lengthM / 2)}
              y={i % 2 ? 14 : 60}
              fontSize="12.5"
              textAnchor="middle"
              fill="var(--ink)"
            >
              {p.name}
            </text>
          </g>
        ))}
        <path d={`M${x(0)},80H${x(0.3)}L${x(rodM)},83.5v1L${x(0.3)},88H${x(0)}Z`} fill="var(--ink)" />
        <text x={x(rodM / 2)} y="102" fontSize="12.5" textAnchor="middle" fill="var(--soft)">
          rod {show(metres(rodM))}
        </text>
      </svg>
      <p className="rubric font-normal">Length to scale, line end on the left; thickness exaggerated.</p>
    </div>
  );
}
