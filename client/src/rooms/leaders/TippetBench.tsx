import { TippetDrawing } from '../../drawing/TippetDrawing';
import { PinMark } from '../../ui/Mark';
import { useUnits } from '../../ui/units';
import { PinFields, PinMeasure, type BenchProps } from '../shared/bench';

/** Tippet beside the hook wire, and the tables it is picked from. */
export function TippetBench({ work, solution }: BenchProps) {
  const { standards, showFigure } = useUnits();
  const tables = standards.tables.filter((t) => t.id === 'tippet' || t.id === 'heavy-tippet');
  const now = solution.outfit.leader.tippetM;
  return (
    <>
      <TippetDrawing wireM={solution.brief.fly.hook.wireM} tippet={solution.outfit.tippet} />
      <PinFields>
        <PinMeasure
          work={work}
          at="tippetM"
          label="Pin a thickness"
          kind="tippet"
          value={now}
          also={{ leader: null }}
        />
      </PinFields>
      <div className="grid gap-6 sm:grid-cols-2">
        {tables.map((table) => (
          <table key={table.id} className="h-min w-full">
            <caption className="rubric text-left">{table.title}</caption>
            <thead>
              <tr className="rubric">
                {table.columns.map((c) => (
                  <th key={c} scope="col" className="text-left font-semibold">
                    {c}
                  </th>
                ))}
                <th className="sr-only">Pin</th>
              </tr>
            </thead>
            <tbody>
              {table.rows.map((cells, i) => {
                const thick = cells.find((c) => c.quantity?.kind === 'diameter')!.quantity!.value;
                const here = Math.abs(thick - now) < 6e-6;
                return (
                  <tr key={i} className={`border-t border-hair ${here ? 'bg-sheet font-bold' : ''}`}>
                    {cells.map((cell, j) => (
                      <td key={j} className="py-1">
                        {showFigure(cell)}
                      </td>
                    ))}
                    <td className="text-right">
                      <button
                        className="quiet"
                        aria-label={`Pin ${showFigure(cells[0]!)}`}
                        onClick={() => work.setPins('tippetM', { tippetM: thick, leader: null })}
                      >
                        <PinMark on={work.pins.tippetM != null && here} />
                      </button>
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        ))}
      </div>
    </>
  );
}
