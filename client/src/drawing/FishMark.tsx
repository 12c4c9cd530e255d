/** What tells a fish from others in outline: how deep it is of its length, its tail and its fins. */
type Shape = {
  deep: number;
  /** How far its tail is forked, 0 to 1. */
  fork: number;
  /** Fins on its back, each from where to where, and how high, as shares of its length. */
  fins: [from: number, to: number, high: number][];
  /** Snout, as a share of its length. */
  beak?: number;
  bars?: boolean;
};

const oneFin: Shape['fins'] = [[0.4, 0.55, 0.09]];
const twoFins: Shape['fins'] = [
  [0.34, 0.52, 0.1],
  [0.56, 0.74, 0.07],
];
const salmonid: Shape = { deep: 0.23, fork: 0.25, fins: [...oneFin, [0.74, 0.78, 0.04]] };
const runner: Shape = { deep: 0.27, fork: 1, fins: twoFins };

const shapes: Record<string, Shape> = {
  grayling: { ...salmonid, fork: 0.5, fins: [[0.3, 0.52, 0.17], [0.74, 0.78, 0.04]] }, // prettier-ignore
  perch: { deep: 0.34, fork: 0.35, fins: twoFins, bars: true },
  panfish: { deep: 0.5, fork: 0.25, fins: [[0.3, 0.7, 0.1]] },
  chub: { deep: 0.25, fork: 0.4, fins: oneFin },
  'black-bass': { deep: 0.33, fork: 0.3, fins: twoFins },
  carp: { deep: 0.36, fork: 0.55, fins: [[0.34, 0.7, 0.09]] },
  barbel: { deep: 0.21, fork: 0.6, fins: oneFin },
  pike: { deep: 0.17, fork: 0.5, fins: [[0.7, 0.84, 0.08]], beak: 0.06 },
  'giant-esox': { deep: 0.18, fork: 0.5, fins: [[0.7, 0.84, 0.08]], beak: 0.06 },
  zander: { deep: 0.21, fork: 0.4, fins: twoFins, bars: true },
  mullet: { deep: 0.23, fork: 0.6, fins: [[0.4, 0.48, 0.08], [0.62, 0.7, 0.07]] }, // prettier-ignore
  bonefish: { deep: 0.22, fork: 0.9, fins: oneFin, beak: 0.03 },
  redfish: { deep: 0.29, fork: 0.05, fins: twoFins },
  barramundi: { deep: 0.33, fork: 0, fins: twoFins },
  'sea-bass': { deep: 0.26, fork: 0.5, fins: twoFins },
  'striped-bass': { deep: 0.28, fork: 0.5, fins: twoFins, bars: true },
  'big-bass': { deep: 0.3, fork: 0.5, fins: twoFins },
  pollack: { deep: 0.26, fork: 0.2, fins: [[0.26, 0.38, 0.08], [0.42, 0.58, 0.08], [0.62, 0.76, 0.06]] }, // prettier-ignore
  garfish: { deep: 0.08, fork: 0.6, fins: [[0.76, 0.86, 0.04]], beak: 0.16 },
  bonito: runner,
  permit: { deep: 0.5, fork: 1, fins: [[0.42, 0.5, 0.14], [0.5, 0.78, 0.04]] }, // prettier-ignore
  snook: { deep: 0.24, fork: 0.5, fins: twoFins, beak: 0.04 },
  'small-tarpon': { deep: 0.26, fork: 0.9, fins: [[0.48, 0.58, 0.11]] },
  'big-tarpon': { deep: 0.27, fork: 0.9, fins: [[0.48, 0.58, 0.11]] },
  'small-trevally': { deep: 0.38, fork: 1, fins: [[0.42, 0.5, 0.11], [0.5, 0.78, 0.04]] }, // prettier-ignore
  trevally: { deep: 0.4, fork: 1, fins: [[0.42, 0.5, 0.11], [0.5, 0.78, 0.04]] }, // prettier-ignore
  bluefish: { deep: 0.25, fork: 0.7, fins: twoFins },
  bluewater: runner,
};

/** A fish in outline, its head to the right, so many pixels long. */
export function FishMark({ kind, px, at = [0, 0] }: { kind: string; px: number; at?: [x: number, y: number] }) {
  const { deep, fork, fins, beak = 0, bars } = shapes[kind] ?? salmonid;
  const half = (deep * px) / 2;
  const x = (share: number) => share * px;
  // The body from the snout at the right to the root of the tail; the tail behind it.
  const [nose, root] = [x(1 - beak), x(0.16)];
  const tail = half * 0.9 + px * 0.04;
  const body =
    `M${x(1)},0 L${nose},${-half * 0.28} C${x(0.82)},${-half * 1.05} ${x(0.55)},${-half * 1.15} ${root},${-half * 0.2}` +
    ` L0,${-tail} Q${x(0.02 + 0.1 * fork)},0 0,${tail} L${root},${half * 0.2}` +
    ` C${x(0.55)},${half * 1.15} ${x(0.82)},${half} ${nose},${half * 0.3} Z`;
  // How high its back is there.
  const back = (share: number) => -half * Math.sin(Math.PI * Math.min(1, (share - 0.08) / 0.92)) * 0.94;
  return (
    <g transform={`translate(${at[0]},${at[1]})`} stroke="var(--ink)" strokeWidth="1" strokeLinejoin="round">
      {fins.map(([from, to, high]) => (
        <path
          key={from}
          fill="var(--land)"
          d={`M${x(1 - from)},${back(1 - from)} L${x(1 - from - (to - from) * 0.35)},${back(1 - from) - high * px} L${x(1 - to)},${back(1 - to)} Z`}
        />
      ))}
      <path
        fill="var(--land)"
        d={`M${x(0.42)},${half * 0.85} L${x(0.34)},${half * 0.85 + px * 0.06} L${x(0.3)},${half * 0.66} Z`}
      />
      <path d={body} fill="var(--sheet)" />
      {bars &&
        [0.4, 0.5, 0.6, 0.7].map((share) => (
          <path
            key={share}
            d={`M${x(share)},${back(share) * 0.9} L${x(share)},${half * 0.25}`}
            strokeWidth="2"
            stroke="var(--soft)"
          />
        ))}
      <path d={`M${x(0.78)},${-half * 0.6} Q${x(0.74)},0 ${x(0.78)},${half * 0.6}`} fill="none" />
      <circle cx={x(0.88 - beak * 0.6)} cy={-half * 0.18} r={Math.max(1, px * 0.014)} fill="var(--ink)" />
    </g>
  );
}
