import { useDeferredValue, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import type { Candidate, LinkId, Verdict } from '../../api/client';
import { useMeasuringBench } from '../../state/atHand';
import { useCandidates } from '../../state/candidates';
import type { Asked } from '../../state/useAnswer';
import { goesBy } from '../../ui/find';
import { LongList } from '../../ui/LongList';
import { Mark, PinMark, verdictWords } from '../../ui/Mark';
import { Pick } from '../../ui/Pick';
import { Say } from '../../ui/Say';
import { useUnits } from '../../ui/units';
import { EditButton } from './EditButton';
import { GearForm } from './GearForm';

type Props = {
  kind: 'rods' | 'lines' | 'reels';
  link: LinkId;
  work: Asked;
  pinned: number | null | undefined;
  onPin: (id: number | null) => void;
  drawing?: (c: Candidate) => ReactNode;
  legend?: string;
};

// From so many pieces on somebody wants to look for one.
const many = 8;
const any = 'any';

/** What the shed holds for this link, best first: every piece of it, to be found and pinned. */
export function Candidates({ kind, link, work, pinned, onPin, drawing, legend }: Props) {
  const { rows, waiting } = useCandidates(link, work);
  const [form, setForm] = useState<number | 'new' | null>(null);
  const [sought, seek] = useState('');
  const [verdict, setVerdict] = useState<Verdict | typeof any>(any);
  const words = useDeferredValue(sought);
  const found = rows.filter((r) => (verdict === any || r.verdict === verdict) && goesBy(words, `${r.tag} ${r.name}`));
  return (
    <section aria-label="In the shed" className="mt-4">
      <header className="flex flex-wrap items-baseline justify-between gap-x-3">
        <h3 className="text-lg font-semibold">
          In the shed, best first{' '}
          <span className="font-normal text-soft">
            {found.length === rows.length ? rows.length : `${found.length} of ${rows.length}`}
          </span>
        </h3>
        <button className="btn" onClick={() => setForm('new')}>
          Add a {kind.slice(0, -1)}
        </button>
      </header>
      {rows.length > many && (
        <div className="mt-1 flex flex-wrap items-end gap-3">
          <label className="min-w-0 flex-1 basis-40">
            <span className="rubric block">Find by tag or name</span>
            <input className="entry w-full" value={sought} onChange={(event) => seek(event.target.value)} />
          </label>
          <div className="w-36">
            <Pick
              label="How it would do"
              value={verdict}
              options={[
                { id: any, name: 'any' },
                ...(['fits', 'look', 'fails'] as const).map((v) => ({ id: v, name: verdictWords[v] })),
              ]}
              onChange={(id) => setVerdict(id as Verdict)}
            />
          </div>
        </div>
      )}
      {rows.length === 0 ? (
        !waiting && (
          <p className="my-3 text-soft">
            There are no {kind} in the shed. Until you add one, the chain above says what to look for.
          </p>
        )
      ) : found.length === 0 ? (
        <p className="my-3 text-soft">None of the {kind} goes by that.</p>
      ) : (
        <LongList label={`${kind}, best first`} rows={found} rowKey={(r) => r.id} rowHeight={64}>
          {(row) => (
            <Row
              row={row}
              kind={kind}
              pinned={pinned === row.id}
              onPin={onPin}
              onEdit={() => setForm(row.id)}
              drawing={drawing?.(row)}
            />
          )}
        </LongList>
      )}
      {legend && rows.length > 0 && <p className="rubric font-normal">{legend}</p>}
      {form !== null && <GearForm kind={kind} id={form === 'new' ? null : form} onClose={() => setForm(null)} />}
    </section>
  );
}

function Row({
  row,
  kind,
  pinned,
  onPin,
  onEdit,
  drawing,
}: {
  row: Candidate;
  kind: Props['kind'];
  pinned: boolean;
  onPin: Props['onPin'];
  onEdit: () => void;
  drawing: ReactNode;
}) {
  const { showFigure } = useUnits();
  const bench = useMeasuringBench();
  return (
    <div
      className={`grid grid-cols-[2.75rem_minmax(0,1fr)_auto] items-start gap-x-2 border-t border-l-4 border-t-hair py-1.5 pl-1.5 sm:grid-cols-[2.75rem_7.5rem_minmax(0,1fr)_auto] ${
        row.chosen ? 'border-l-signal bg-sheet' : 'border-l-transparent'
      }`}
      data-tag={row.tag}
      data-candidate={row.id}
    >
      <strong>{row.tag}</strong>
      <div className="min-w-0 max-sm:order-last max-sm:col-span-3 max-sm:pl-[3.25rem]">
        <span className="font-semibold">{showFigure(row.figure)}</span>
        {drawing}
      </div>
      <div className="min-w-0">
        <span className="flex flex-wrap items-baseline gap-x-2">
          <span className={`min-w-0 wrap-anywhere ${row.chosen ? 'font-semibold' : ''}`}>{row.name}</span>
          <Mark verdict={row.verdict} />
        </span>
        <span className="block leading-snug text-soft">
          <Say parts={row.why} />
        </span>
      </div>
      <div className="text-right sm:whitespace-nowrap">
        <button
          className="quiet"
          aria-pressed={pinned}
          aria-label={`Pin ${row.tag}`}
          title={pinned ? 'Let go' : 'Pin'}
          onClick={() => onPin(pinned ? null : row.id)}
        >
          <PinMark on={pinned} />
        </button>
        {kind !== 'reels' && (
          <Link className="quiet underline" to={bench(kind, row.id)} aria-label={`Measure ${row.tag}`}>
            measure
          </Link>
        )}
        <EditButton tag={row.tag} onPress={onEdit} />
      </div>
    </div>
  );
}
