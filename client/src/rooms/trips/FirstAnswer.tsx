import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { FirstOutfit } from '../../api/client';
import { FirstReach } from '../../drawing/FirstReach';
import { copyText } from '../../ui/files';
import { Mark } from '../../ui/Mark';
import { Caution } from '../../ui/Message';
import { Say, useSayText } from '../../ui/Say';
import { useToast } from '../../ui/toast';
import { CoverageTable } from '../shared/CoverageTable';

type Props = {
  outfit: FirstOutfit;
  /** Room or money were not said. */
  assumed: boolean;
};

/** The outfit to begin with: what to ask for, how far it gets, what it costs, what comes next. */
export function FirstAnswer({ outfit, assumed }: Props) {
  return (
    <>
      <p className="text-xl font-semibold" data-first-says aria-live="polite">
        <Say parts={outfit.says} />.
      </p>
      <p>
        <Say parts={outfit.trade.usual} />. <Say parts={outfit.trade.why} />.
      </p>
      {assumed && <p className="text-sm text-soft">Room behind and money count as enough until you say.</p>}
      <div className="mt-3 grid gap-x-8 gap-y-4 xl:grid-cols-2">
        <Shopping outfit={outfit} />
        <Part name="How far a learner gets with it">
          <FirstReach reach={outfit.reach} />
          <p className="text-sm text-soft">
            The line is the reach of the middle one of many learners, the pale band nineteen of twenty. Fish stand where
            eight of ten get the fly.
          </p>
        </Part>
        <Part name="What it costs">
          <p className="py-1 font-semibold">
            <Say parts={outfit.money.says} />.
          </p>
          <dl>
            {outfit.money.costs.map((c) => (
              <div key={c.name} className="grid grid-cols-[1fr_4rem_4rem] gap-2 border-b border-hair py-1">
                <dt>{c.name}</dt>
                <dd className="text-soft">{c.grade}</dd>
                <dd className="text-right tabular-nums">{c.price}</dd>
              </div>
            ))}
          </dl>
          <p className="text-sm text-soft">Prices are examples of ours, in your money; the shop’s go before them.</p>
        </Part>
        <Part name="What comes next">
          {outfit.next.length === 0 && <p className="py-1 text-soft">Nothing that would be felt.</p>}
          <ul>
            {outfit.next.map((n, i) => (
              <li key={i} className="border-b border-hair py-1">
                <b>
                  <Say parts={n.says} />.
                </b>
                <ul className="list-disc pl-5">
                  {n.pieces.map((p) => (
                    <li key={`${p.tag}${p.id}`}>
                      <Say parts={p.says} />
                    </li>
                  ))}
                </ul>
              </li>
            ))}
          </ul>
        </Part>
        <Part name="Learning">
          <ul>
            {outfit.lessons.map((l, i) => (
              <li key={i} className="border-b border-hair py-1">
                <Say parts={l.says} />.
              </li>
            ))}
          </ul>
          <Caution>
            Eyes covered, a brim on, barbs flattened. These are planning aids: a shop hand, a guide and the local rules
            go before them.
          </Caution>
        </Part>
        <Part name="Flies and leaders, day by day">
          <ul>
            {outfit.flies.map((f) => (
              <li key={f.title} className="border-b border-hair py-1">
                {f.title}: <Say parts={f.says} />.
              </li>
            ))}
          </ul>
        </Part>
        <Part name="Putting it together" wide>
          <ol className="list-decimal pl-6">
            {outfit.setUp.map((s, i) => (
              <li key={i} className="border-b border-hair py-1">
                <b>{s.title}</b>: <Say parts={s.says} />.
              </li>
            ))}
          </ol>
          <p className="mt-1">
            How each knot is tied stands in the{' '}
            <Link className="underline" to="/knots">
              book of knots
            </Link>
            .
          </p>
        </Part>
        <Part name="Day by day" wide>
          <CoverageTable coverage={outfit.coverage} />
        </Part>
      </div>
    </>
  );
}

function Part({ name, wide = false, children }: { name: string; wide?: boolean; children: ReactNode }) {
  return (
    <section aria-label={name} className={`min-w-0 ${wide ? 'xl:col-span-2' : ''}`}>
      <h2 className="border-b border-ink pb-1 text-lg font-semibold">{name}</h2>
      {children}
    </section>
  );
}

/** Everything to buy, in the words of a shop, to be copied or printed. */
function Shopping({ outfit }: { outfit: FirstOutfit }) {
  const text = useSayText();
  const toast = useToast();
  const copy = async () => {
    await copyText(
      outfit.shopping
        .map((l) => `${l.name}: ${text(l.says)}${l.small.length > 0 ? ` (${text(l.small)})` : ''}`)
        .join('\n'),
    );
    toast({ words: 'The shopping list is copied as text.' });
  };
  return (
    <Part name="To ask for in a shop">
      <dl>
        {outfit.shopping.map((l) => (
          <div key={l.link} className="grid grid-cols-[1.4rem_4.4rem_1fr] gap-x-1 border-b border-hair py-1">
            <dd>
              <Mark verdict="toBuy" wordless />
            </dd>
            <dt className="font-semibold">{l.name}</dt>
            <dd>
              <Say parts={l.says} />
              {l.small.length > 0 && (
                <span className="block text-sm text-soft">
                  <Say parts={l.small} />
                </span>
              )}
            </dd>
          </div>
        ))}
      </dl>
      <p className="no-print mt-2 flex gap-2">
        <button type="button" className="btn" onClick={() => void copy()}>
          Copy the list
        </button>
        <button type="button" className="btn" onClick={() => window.print()}>
          Print
        </button>
      </p>
    </Part>
  );
}
