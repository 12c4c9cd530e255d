import type { Coverage, TripCell } from '../api/client';
import { Mark, verdictWords } from '../ui/Mark';
import { Say, useSayText } from '../ui/Say';

/**
 * Days down, outfits across: which serves what. The outfit that is taken for a day fills its cell with the line's colour, as wide as the
 * day is worth with it; a cell left open is an outfit that does not go on that day.
 */
export function CoveragePicture({
  coverage,
  at,
  onAt,
}: {
  coverage: Coverage;
  at: { day: number; outfit: number } | null;
  onAt: (at: { day: number; outfit: number }) => void;
}) {
  const text = useSayText();
  const { outfits, days } = coverage;
  return (
    <div className="overflow-x-auto">
      <table className="w-full border-collapse" aria-label="Which outfit serves which day">
        <thead>
          <tr className="align-bottom">
            <th scope="col" className="rubric py-1 pr-3 text-left">
              day
            </th>
            {outfits.map((o, i) => (
              <th key={i} scope="col" className="min-w-24 px-1 pb-1 text-left font-semibold" data-outfit={i}>
                <span className="block leading-tight">{o.rod.toBuy ? o.rod.tag : <Say parts={o.rod.says} />}</span>
                <span className="block text-sm leading-tight font-normal text-soft">
                  {o.line.tag} on {o.reel.tag}
                </span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {days.map((day, d) => (
            <tr key={d} className="border-t border-hair" data-day={day.name}>
              <th scope="row" className="min-w-28 py-1 pr-3 text-left font-semibold wrap-anywhere">
                {day.name}
                {day.times > 1 && <span className="font-normal text-soft"> × {day.times}</span>}
                {day.best === null && <span className="block text-sm font-semibold text-fails">nothing goes</span>}
              </th>
              {day.cells.map((cell, o) => (
                <td key={o} className="p-0.5">
                  <Cell
                    cell={cell}
                    taken={day.best === o}
                    lit={at?.day === d && at.outfit === o}
                    label={`${day.name}, ${outfits[o]!.rod.tag} with ${outfits[o]!.line.tag}: ${
                      cell
                        ? `${verdictWords[cell.verdict]}${day.best !== o ? '' : cell.verdict === 'fails' ? ', the nearest there is' : ', taken'}; ${text(cell.says)}`
                        : 'does not go'
                    }`}
                    onPress={() => onAt({ day: d, outfit: o })}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Cell({
  cell,
  taken,
  lit,
  label,
  onPress,
}: {
  cell: TripCell | null;
  taken: boolean;
  lit: boolean;
  label: string;
  onPress: () => void;
}) {
  if (!cell)
    return (
      <span className="flex min-h-[44px] items-center px-2 text-soft" title={label}>
        <span aria-hidden="true">·</span>
        <span className="sr-only">does not go</span>
      </span>
    );
  return (
    <button
      type="button"
      className={`relative flex min-h-[44px] w-full min-w-24 items-center px-2 text-left ${lit ? 'outline-2 -outline-offset-2 outline-ink' : ''} ${taken ? 'bg-sheet' : ''}`}
      aria-label={label}
      aria-pressed={lit}
      data-taken={taken || undefined}
      data-verdict={cell.verdict}
      onClick={onPress}
    >
      {/* How much of the day is worth with it: a length of line. */}
      <span
        aria-hidden="true"
        className={`absolute bottom-1 left-2 ${taken && cell.verdict !== 'fails' ? 'h-1.5 bg-signal' : 'h-1 bg-hair'}`}
        style={{ width: `calc((100% - 1rem) * ${cell.worth.toFixed(3)})` }}
      />
      <Mark verdict={cell.verdict} />
      {/* What fails is no answer, only the nearest to one. */}
      {taken && <span className="ml-auto text-sm font-semibold">{cell.verdict === 'fails' ? 'nearest' : 'taken'}</span>}
    </button>
  );
}

/** What one cell says, for whoever pressed it; without a press, of the first day that is not served without a remark. */
export function CoverageWords({ coverage, at }: { coverage: Coverage; at: { day: number; outfit: number } | null }) {
  const day = at ? coverage.days[at.day] : undefined;
  const cell = at ? day?.cells[at.outfit] : undefined;
  const outfit = at ? coverage.outfits[at.outfit] : undefined;
  if (!day || !cell || !outfit) return <p className="text-soft">Press a cell to read why.</p>;
  return (
    <p aria-live="polite" data-cell-says>
      <b>
        {day.name}, {outfit.rod.tag} with {outfit.line.tag}:
      </b>{' '}
      <Mark verdict={cell.verdict} /> <Say parts={cell.says} />.
    </p>
  );
}
