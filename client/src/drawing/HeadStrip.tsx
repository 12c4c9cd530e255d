import type { CutPlan, Stretch } from '../api/client';
import { metres, useUnits } from '../ui/units';
import { edges } from './LineDrawing';
import { useWidth } from './useWidth';
import { Words } from './Words';

/** A head of several pieces to scale along its length, its joints marked, hinging ones with a word. */
export function HeadStrip({
  profile,
  joints,
  spanM,
  names,
  wantedM,
}: {
  profile: Stretch[];
  joints: CutPlan['joints'];
  spanM: number;
  names: string[];
  wantedM?: number;
}) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { show } = useUnits();
  const starts = edges(profile);
  const length = starts.at(-1)!;
  const px = (width - 16) / spanM;
  const thickest = Math.max(...profile.flatMap((s) => [s.startM, s.endM]));
  const y = (m: number) => (m / thickest) * 10;
  const bounds = [0, ...joints.map((j) => j.atM), length];
  return (
    <div ref={ref}>
      <svg
        width={width}
        height={62}
        className="block"
        role="img"
        aria-label={`${names.join(', then ')}, fly end first, ${show(metres(length))}, to scale`}
      >
        {profile.map((s, i) => {
          const a = 6 + starts[i]! * px;
          const b = a + s.lengthM * px;
          return (
            <path
              key={i}
              d={`M${a},${34 - y(s.startM)}L${b},${34 - y(s.endM)}V${34 + y(s.endM)}L${a},${34 + y(s.startM)}Z`}
              fill="var(--signal)"
            />
          );
        })}
        {names.map((name, i) => (
          <Words key={i} x={6 + ((bounds[i]! + bounds[i + 1]!) / 2) * px} y="60" anchor="middle">
            {name}
          </Words>
        ))}
        {joints.map((j, i) => (
          <g key={i}>
            <path d={`M${6 + j.atM * px},16V52`} stroke="var(--ink)" strokeWidth="2" />
            {(j.hinges || j.backwards || j.inTaper) && (
              <Words x={6 + j.atM * px} y="12" anchor="middle" fontWeight="650">
                {j.hinges ? 'hinges' : j.backwards ? 'heavy before light' : 'in a taper'}
              </Words>
            )}
          </g>
        ))}
        {wantedM !== undefined && (
          <path
            d={`M${6 + wantedM * px},14v40m-4,-34l4,-6l4,6`}
            stroke="var(--ink)"
            strokeDasharray="3 3"
            fill="none"
          />
        )}
      </svg>
    </div>
  );
}
