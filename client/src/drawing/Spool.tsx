import type { SpoolFigures } from './outfit';

/** A spool seen from the side, rings to the radii that backing and line fill it to. Dashed when nobody measured it. */
export function Spool({
  cx,
  cy,
  radius,
  fill,
}: {
  cx: number;
  cy: number;
  radius: number;
} & SpoolFigures) {
  const px = (radius * 2) / fill.spool.rimM;
  const arbor = (fill.spool.arborM / 2) * px;
  const layers = fill.layers.filter((l) => l.kind !== 'leader');
  const backing = Math.min((layers.find((l) => l.kind === 'backing')?.toM ?? fill.spool.arborM / 2) * px, radius);
  const line = Math.min((layers.at(-1)?.toM ?? 0) * px, radius * 1.06);
  const rings = (from: number, to: number) =>
    Array.from({ length: Math.max(0, Math.floor((to - from) / 2.6)) }, (_, i) => from + 2.6 * (i + 0.5));
  return (
    <g>
      <circle
        cx={cx}
        cy={cy}
        r={radius}
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth="2"
        strokeDasharray={fill.spool.toScale ? undefined : '4 3'}
      />
      <circle cx={cx} cy={cy} r={line} fill="var(--signal)" opacity="0.9" />
      {rings(backing, line).map((r) => (
        <circle key={r} cx={cx} cy={cy} r={r} fill="none" stroke="var(--sheet)" strokeWidth="0.6" opacity="0.6" />
      ))}
      <circle cx={cx} cy={cy} r={backing} fill="color-mix(in srgb, var(--soft) 45%, var(--sheet))" />
      {rings(arbor, backing).map((r) => (
        <circle key={r} cx={cx} cy={cy} r={r} fill="none" stroke="var(--ink)" strokeWidth="0.5" opacity="0.55" />
      ))}
      <circle cx={cx} cy={cy} r={arbor} fill="var(--paper)" stroke="var(--ink)" strokeWidth="1.2" />
      <circle cx={cx} cy={cy} r={2.2} fill="var(--ink)" />
    </g>
  );
}
