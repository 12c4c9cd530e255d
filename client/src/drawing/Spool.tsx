import type { SpoolFigures } from './outfit';

/** A spool seen from the side, rings to the radii that backing and line fill it to. Dashed when nobody measured it. */
export function Spool({
  cx,
  cy,
  radius,
  reel,
  fill,
}: {
  cx: number;
  cy: number;
  radius: number;
} & SpoolFigures) {
  const rim = (reel.rimM ?? 0) / 2;
  const measured = rim > 0 && reel.arborM && fill?.backingRadiusM && fill.lineRadiusM;
  const px = measured ? radius / rim : 0;
  const arbor = measured ? (reel.arborM! / 2) * px : radius * 0.4;
  const backing = measured ? Math.min(fill!.backingRadiusM! * px, radius) : radius * 0.6;
  const line = measured ? Math.min(fill!.lineRadiusM! * px, radius * 1.06) : radius * 0.82;
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
        strokeDasharray={measured ? undefined : '4 3'}
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
