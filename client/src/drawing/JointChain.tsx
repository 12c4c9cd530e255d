import type { RunAnswer } from '../api/client';
import { useUnits } from '../ui/units';
import { useWidth } from './useWidth';
import { Words } from './Words';

type Drag = RunAnswer['drag'];

/** The chain from fly to reel with its knots, the weakest large and named, and the pull the drag is set to on the reel. */
export function JointChain({ drag }: { drag: Drag }) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { show } = useUnits();
  const force = (value: number) => show(value, 'force');
  const x = (share: number) => 14 + share * (width - 84);
  const y = 34;
  // From the fly: tippet, leader, line, backing, each drawn as long as the others.
  const pieces = [
    { name: 'tippet', from: 0, to: 0.22, thick: 1.2, ink: 'var(--ink)' },
    { name: 'leader', from: 0.22, to: 0.44, thick: 1.8, ink: 'var(--ink)' },
    { name: 'line', from: 0.44, to: 0.76, thick: 4.5, ink: 'var(--signal)' },
    { name: 'backing', from: 0.76, to: 1, thick: 2.2, ink: 'var(--soft)' },
  ];
  const places: Record<Drag['joints'][number]['at'], number> = {
    tippet: 0.02,
    leaderToLine: 0.44,
    lineToBacking: 0.76,
  };
  return (
    <div ref={ref}>
      <svg
        width={width}
        height={86}
        role="img"
        className="block"
        aria-label={`The knots from fly to reel: ${drag.joints.map((j) => `${j.name} ${force(j.standsN)}${j.weakest ? ', goes first' : ''}`).join('; ')}`}
      >
        {pieces.map((p) => (
          <g key={p.name}>
            <line x1={x(p.from)} x2={x(p.to)} y1={y} y2={y} stroke={p.ink} strokeWidth={p.thick} />
            <Words x={(x(p.from) + x(p.to)) / 2} y="16" anchor="middle" soft>
              {p.name}
            </Words>
          </g>
        ))}
        <path d={`M${x(0)},${y}h-7a6,6 0 0 0 6,9`} fill="none" stroke="var(--ink)" strokeWidth="1.8" />
        {drag.joints.map((j) => (
          <g key={j.at}>
            <circle
              cx={x(places[j.at])}
              cy={y}
              r={j.weakest ? 8 : 5}
              fill={j.weakest ? 'var(--sheet)' : 'var(--ink)'}
              stroke={j.weakest ? 'var(--fails)' : 'var(--ink)'}
              strokeWidth="2.4"
            />
            <Words
              x={Math.max(4, x(places[j.at]) - (places[j.at] < 0.1 ? 10 : 0))}
              y="62"
              size={12.5}
              anchor={places[j.at] < 0.1 ? 'start' : 'middle'}
              fontWeight={j.weakest ? 700 : 400}
            >
              {force(j.standsN)}
            </Words>
            {j.weakest && (
              <Words
                x={Math.max(4, x(places[j.at]) - (places[j.at] < 0.1 ? 10 : 0))}
                y="78"
                anchor={places[j.at] < 0.1 ? 'start' : 'middle'}
                fill="var(--fails)"
              >
                goes first
              </Words>
            )}
          </g>
        ))}
        <circle cx={x(1) + 24} cy={y} r="22" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="2" />
        <circle cx={x(1) + 24} cy={y} r="9" fill="none" stroke="var(--ink)" />
        <Words x={x(1) + 24} y="74" size={13} bold anchor="middle">
          {force(drag.setN)}
        </Words>
      </svg>
    </div>
  );
}
