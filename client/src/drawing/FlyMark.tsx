/** A fly in outline at a given scale: the hook to measure, the dressing by family. Eye at (0,0), bend to the left. */
export function FlyMark({
  kind,
  hook,
  bodyM,
  pxPerM,
}: {
  kind: string;
  hook: { lengthM: number; gapeM: number; wireM: number };
  bodyM: number;
  pxPerM: number;
}) {
  const length = hook.lengthM * pxPerM;
  const gape = hook.gapeM * pxPerM;
  const wire = Math.max(1, hook.wireM * pxPerM);
  const body = Math.max(bodyM * pxPerM, length);
  const bend = length - gape / 2;
  const hookPath = `M0,0H${-bend}A${gape / 2},${gape / 2} 0 0 0 ${-bend},${gape}H${-bend + gape * 0.7}l${-gape * 0.18},${-gape * 0.16}`;
  return (
    <g>
      <Dressing kind={kind} body={body} shank={bend} gape={gape} />
      <path
        d={hookPath}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={wire}
        strokeLinejoin="round"
        strokeLinecap="round"
      />
      <circle cx={wire} cy={0} r={wire * 1.4} fill="none" stroke="var(--ink)" strokeWidth={wire * 0.8} />
    </g>
  );
}

function Dressing({ kind, body, shank, gape }: { kind: string; body: number; shank: number; gape: number }) {
  const soft = { stroke: 'var(--soft)', strokeWidth: 1, fill: 'color-mix(in srgb, var(--soft) 28%, var(--sheet))' };
  const hackle = (count: number, at: number, reach: number) =>
    Array.from({ length: count }, (_, i) => {
      const a = (Math.PI * (i + 0.5)) / count;
      return (
        <path
          key={i}
          d={`M${at},0L${at - Math.cos(a) * reach * 0.7},${-Math.sin(a) * reach}M${at},0L${at - Math.cos(a) * reach * 0.7},${Math.sin(a) * reach}`}
          stroke="var(--soft)"
          strokeWidth="0.9"
        />
      );
    });
  switch (kind) {
    case 'dry':
    case 'terrestrial':
      return (
        <g>
          <path
            d={`M${-shank},0q${-gape * 0.6},${-gape * 0.3} ${-gape * 1.1},${-gape * 0.5}M${-shank},0q${-gape * 0.6},0 ${-gape * 1.2},${-gape * 0.2}`}
            {...soft}
            fill="none"
          />
          <ellipse cx={-shank * 0.6} cy={0} rx={shank * 0.4} ry={gape * 0.16} {...soft} />
          {hackle(9, -shank * 0.16, gape * 0.85)}
        </g>
      );
    case 'midge':
    case 'beaded-nymph':
    case 'nymph-rig':
      return (
        <g>
          <path
            d={`M${-shank * 0.2},0Q${-shank * 0.4},${-gape * 0.34} ${-shank},0Q${-shank * 0.4},${gape * 0.34} ${-shank * 0.2},0`}
            {...soft}
          />
          <circle cx={-shank * 0.12} cy={0} r={gape * (kind === 'midge' ? 0.16 : 0.26)} {...soft} fill="var(--ink)" />
        </g>
      );
    case 'hair-bug':
      return (
        <g>
          <path d={`M${-shank * 0.75},0L${-body * 1.25},${-gape * 0.4}L${-body * 1.3},${gape * 0.3}Z`} {...soft} />
          <rect x={-shank * 0.75} y={-gape * 0.6} width={shank * 0.7} height={gape * 1.2} rx={gape * 0.4} {...soft} />
        </g>
      );
    case 'shrimp-crab':
      return (
        <g>
          <path
            d={`M${-shank * 0.1},${-gape * 0.1}Q${-shank * 0.5},${-gape * 0.6} ${-shank},${gape * 0.05}L${-shank * 0.2},${gape * 0.22}Z`}
            {...soft}
          />
          {hackle(5, -shank * 0.5, gape * 0.6)}
          <path d={`M0,${-gape * 0.1}q${gape},${-gape * 0.7} ${gape * 1.8},${-gape * 0.4}`} {...soft} fill="none" />
        </g>
      );
    default: {
      // Streamers and baitfish: a body of hair longer than the hook, an eye at the head.
      const deep =
        kind === 'slim-streamer' ? body * 0.055 : kind === 'predator' || kind === 'giant' ? body * 0.11 : body * 0.075;
      return (
        <g>
          <path
            d={`M0,0C${-body * 0.15},${-deep * 2.2} ${-body * 0.6},${-deep * 1.6} ${-body},${-deep * 0.5}L${-body * 0.9},0L${-body},${deep * 0.6}C${-body * 0.6},${deep * 1.3} ${-body * 0.15},${deep * 1.5} 0,0Z`}
            {...soft}
          />
          <path
            d={`M${-body * 0.12},${-deep * 0.5}L${-body * 0.82},${-deep * 0.3}M${-body * 0.12},${deep * 0.3}L${-body * 0.84},${deep * 0.25}`}
            stroke="var(--soft)"
            strokeWidth="0.8"
            fill="none"
          />
          <circle
            cx={-body * 0.07}
            cy={-deep * 0.35}
            r={Math.max(1.2, deep * 0.4)}
            fill="var(--sheet)"
            stroke="var(--ink)"
            strokeWidth="1"
          />
          {kind === 'weighted-baitfish' && (
            <circle
              cx={-body * 0.07}
              cy={-deep * 0.35}
              r={Math.max(2, deep * 0.6)}
              fill="none"
              stroke="var(--ink)"
              strokeWidth="2"
            />
          )}
        </g>
      );
    }
  }
}
