import type { Source } from '../../api/client';
import { Panel } from '../../ui/Panel';
import { useUnits } from '../../ui/units';
import { useAddress } from '../../ui/useAddress';

const markWords: Partial<Record<Source['mark'], string>> = {
  published: 'Published',
  memory: 'From memory',
  practice: 'Common practice',
  assumption: 'Our estimate',
  computed: 'Worked out',
  yours: 'Yours',
};

/** The tables and rules that everything is worked out from, with how far each can be trusted. */
export function ReferencePanel({ onClose }: { onClose: () => void }) {
  const { standards, showFigure } = useUnits();
  const { asked, ask } = useAddress();
  const wanted = asked('table') ?? 'line-weights';
  const choose = (table: string) => ask({ table }, true);
  const table = standards.tables.find((t) => t.id === wanted);
  return (
    <Panel
      side
      title="Reference"
      about="What the numbers are worked out from, and how far to trust each."
      onClose={onClose}
    >
      <nav aria-label="Tables" className="mb-4 flex flex-wrap gap-1">
        {[...standards.tables.map((t) => ({ id: t.id, title: t.title })), { id: 'rules', title: 'Rules' }].map((t) => (
          <button
            key={t.id}
            className={`btn text-sm ${t.id === wanted ? 'bg-ink! text-paper!' : ''}`}
            aria-pressed={t.id === wanted}
            onClick={() => choose(t.id)}
          >
            {t.title}
          </button>
        ))}
      </nav>
      {table && (
        <>
          <h3 className="text-lg font-semibold">{table.title}</h3>
          <p>{table.about}</p>
          <p className="rubric mb-2 font-normal">
            <strong>{markWords[table.source.mark]}</strong>: {table.source.note}
          </p>
          <table className="w-full">
            <thead>
              <tr className="rubric text-left">
                {table.columns.map((c) => (
                  <th key={c} scope="col" className="border-b border-ink pr-3 font-semibold">
                    {c}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {table.rows.map((row, i) => (
                <tr key={i} className="border-b border-hair align-top">
                  {row.map((cell, j) =>
                    j === 0 ? (
                      <th key={j} scope="row" className="py-1 pr-3 text-left font-semibold">
                        {showFigure(cell)}
                      </th>
                    ) : (
                      <td key={j} className="py-1 pr-3">
                        {showFigure(cell)}
                      </td>
                    ),
                  )}
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
      {wanted === 'rules' && (
        <ol className="flex flex-col gap-3">
          {standards.rules.map((rule) => (
            <li key={rule.id}>
              <h3 className="font-semibold">{rule.title}</h3>
              <p>{rule.explains}</p>
              <p className="rubric font-normal">
                <strong>{markWords[rule.source.mark] ?? rule.source.mark}</strong>: {rule.source.note}.{' '}
                {rule.canSwitchOff ? 'Can be left out.' : ''}
              </p>
            </li>
          ))}
        </ol>
      )}
    </Panel>
  );
}
