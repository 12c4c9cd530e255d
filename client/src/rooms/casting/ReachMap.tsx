import type { CastMap } from '../../api/client';
import { useUnits } from '../../ui/units';

export type Axis = {
  name: string;
  here: number | null;
  words: (value: number) => string;
  short: (value: number) => string;
};

/** Place of the value nearest to this one; none when there is nothing to be near to. */
const nearest = (values: readonly number[], value: number | null) =>
  value === null
    ? -1
    : values.reduce((best, v, i) => (Math.abs(v - value) < Math.abs(values[best]! - value) ? i : best), 0);

/** Farthest reach over two axes: a table whose cells darken with reach; a heavy line goes round those that get the distance. */
export function ReachMap({
  map,
  wantedM,
  down,
  across,
}: {
  map: CastMap;
  /** Distance with a tenth in hand. */
  wantedM: number;
  down: Axis;
  across: Axis;
}) {
  const { unitOf } = useUnits();
  const unitM = unitOf('length').scale;
  const most = Math.max(1, ...map.reachM.flat());
  const column = nearest(map.across, across.here);
  const row = nearest(map.down, down.here);
  const gets = (r: number, c: number) => (map.reachM[r]?.[c] ?? 0) >= wantedM;
  return (
    // Focusable, so that it can be scrolled on a narrow screen without a mouse.
    <div
      className="relative overflow-x-auto"
      // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
      tabIndex={0}
      role="group"
      aria-label={`Map of ${down.name} by ${across.name}`}
    >
      <table className="w-full min-w-[34rem] border-collapse text-center text-[0.8rem] leading-none">
        <caption className="sr-only">
          Farthest reach in {unitOf('distance').unit} by {down.name} and {across.name}
        </caption>
        <thead>
          <tr>
            <th className="pr-1 pb-1 text-right font-normal text-soft">{down.name}</th>
            {map.across.map((value, c) => (
              <th key={value} scope="col" className={`pb-1 ${c === column ? 'font-bold' : 'font-normal text-soft'}`}>
                {c % 3 === 2 || c === column ? (
                  <span className="whitespace-nowrap">{across.short(value)}</span>
                ) : (
                  <span className="sr-only">{across.words(value)}</span>
                )}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {map.down
            .map((_, r) => r)
            .reverse()
            .map((r) => (
              <tr key={map.down[r]}>
                <th
                  scope="row"
                  className={`pr-1 text-right whitespace-nowrap ${r === row ? 'font-bold' : 'font-normal text-soft'}`}
                >
                  {down.short(map.down[r]!)}
                </th>
                {map.across.map((value, c) => {
                  const reach = map.reachM[r]![c]!;
                  const here = r === row && c === column;
                  // A line stands where a cell that gets there meets one that does not; the map's own rim is no such place.
                  const edge = (inside: boolean, r2: number, c2: number) =>
                    inside && gets(r, c) && !gets(r2, c2) ? '2px solid var(--ink)' : undefined;
                  return (
                    <td
                      key={value}
                      className={`h-[1.15rem] ${gets(r, c) ? 'font-bold' : ''} ${here ? 'outline-3 -outline-offset-1 outline-signal' : ''}`}
                      style={{
                        background: `color-mix(in srgb, var(--ink) ${Math.round((34 * reach) / most)}%, var(--paper))`,
                        borderTop: edge(r + 1 < map.down.length, r + 1, c),
                        borderBottom: edge(r > 0, r - 1, c),
                        borderRight: edge(c + 1 < map.across.length, r, c + 1),
                        borderLeft: edge(c > 0, r, c - 1),
                      }}
                    >
                      {reach > 0 ? Math.round(reach / unitM) : <span aria-label="does not turn over">·</span>}
                    </td>
                  );
                })}
              </tr>
            ))}
        </tbody>
      </table>
      <p className="rubric pt-1 text-right font-normal">{across.name}</p>
    </div>
  );
}
