import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import type { Candidate } from '../../api/client';
import { useMeasuringBench } from '../../state/atHand';
import type { GearKind } from '../../state/gear';
import { Mark, PinMark } from '../../ui/Mark';
import { Say } from '../../ui/Say';
import { useUnits } from '../../ui/units';
import { EditButton } from './EditButton';
import { GearForm } from './GearForm';

type Props = {
  kind: Exclude<GearKind, 'scraps'>;
  rows: Candidate[];
  pinned: number | null | undefined;
  onPin: (id: number | null) => void;
  figure: string;
  drawing?: (c: Candidate) => ReactNode;
  legend?: string;
};

/** What the shed holds for this link, best first. */
export function Candidates({ kind, rows, pinned, onPin, figure, drawing, legend }: Props) {
  const { showFigure } = useUnits();
  const bench = useMeasuringBench();
  const [form, setForm] = useState<number | 'new' | null>(null);
  return (
    <section aria-label="In the shed" className="mt-4">
      <header className="flex items-baseline justify-between">
        <h3 className="text-lg font-semibold">In the shed, best first</h3>
        <button className="btn" onClick={() => setForm('new')}>
          Add a {kind.slice(0, -1)}
        </button>
      </header>
      {rows.length === 0 ? (
        <p className="my-3 text-soft">
          There are no {kind} in the shed. Until you add one, the chain above says what to look for.
        </p>
      ) : (
        <table className="mt-1 w-full">
          <thead className="sr-only">
            <tr>
              <th>Tag</th>
              <th>{figure}</th>
              <th>How it would do</th>
              <th>Pin</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr
                key={row.id}
                className={`border-t border-hair align-top ${row.chosen ? 'bg-sheet' : ''}`}
                data-tag={row.tag}
              >
                <th
                  scope="row"
                  className={`w-14 border-l-4 py-1.5 pr-2 pl-1.5 text-left ${row.chosen ? 'border-signal' : 'border-transparent'}`}
                >
                  {row.tag}
                </th>
                <td className="w-24 py-1.5">
                  <span className="font-semibold whitespace-nowrap">{showFigure(row.figure)}</span>
                  {drawing?.(row)}
                </td>
                <td className="py-1.5">
                  <span className="flex flex-wrap items-baseline gap-x-2">
                    <span className={row.chosen ? 'font-semibold' : ''}>{row.name}</span>
                    <Mark verdict={row.verdict} />
                  </span>
                  <span className="block leading-snug text-soft">
                    <Say parts={row.why} />
                  </span>
                </td>
                <td className="w-16 py-1 text-right sm:w-auto sm:whitespace-nowrap">
                  {kind !== 'reels' && (
                    <Link className="quiet underline" to={bench(kind, row.id)} aria-label={`Measure ${row.tag}`}>
                      measure
                    </Link>
                  )}
                  <EditButton tag={row.tag} onPress={() => setForm(row.id)} />
                  <button
                    className="quiet"
                    aria-pressed={pinned === row.id}
                    aria-label={`Pin ${row.tag}`}
                    title={pinned === row.id ? 'Let go' : 'Pin'}
                    onClick={() => onPin(pinned === row.id ? null : row.id)}
                  >
                    <PinMark on={pinned === row.id} />
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {legend && rows.length > 0 && <p className="rubric font-normal">{legend}</p>}
      {form !== null && <GearForm kind={kind} id={form === 'new' ? null : form} onClose={() => setForm(null)} />}
    </section>
  );
}
