import { useCallback, useMemo, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { api, unwrap, type BriefAnswer, type Pins, type Solution } from '../../api/client';
import { ChainDrawing } from '../../drawing/ChainDrawing';
import { ChainStrip } from '../../drawing/ChainStrip';
import { linkIds } from '../../drawing/outfit';
import { useCommands } from '../../ui/commands';
import { Bench } from '../bench/Bench';
import { Own } from '../chain/Own';
import { UrgentCautions } from '../chain/Cautions';
import { Contradiction } from '../chain/Contradiction';
import { Ledger } from '../ledger/Ledger';
import { useChainKeys, useKeptBrief } from '../../state/atHand';
import { outfitFigures } from '../../state/figures';
import { BriefPanel } from './BriefPanel';
import { useBrief } from '../../state/useBrief';

export function BriefPage() {
  const { id } = useParams();
  const { data, error } = useKeptBrief(Number(id));
  if (error)
    return (
      <main className="p-6">
        <h1 className="text-xl font-semibold">{error.message}</h1>
        <p className="mt-2">
          <a className="underline" href="/briefs">
            See the briefs that are here
          </a>
        </p>
      </main>
    );
  if (!data) return <p className="p-6">Laying it out…</p>;
  return <Desk key={data.id} loaded={data} />;
}

function Desk({ loaded }: { loaded: BriefAnswer }) {
  const { link } = useParams();
  const navigate = useNavigate();
  const base = `/briefs/${loaded.id}`;
  const work = useBrief(loaded);
  const { solution, saving } = work;
  const { change } = work;
  const leaveOut = useCallback(
    (rule: string, off: boolean) =>
      change(`off-${rule}`, (w) => ({ ...w, off: off ? [...w.off, rule] : w.off.filter((r) => r !== rule) })),
    [change],
  );
  const { setPins } = work;
  const pinThis = useCallback((pins: Partial<Pins>) => setPins(`pin-${Object.keys(pins).join()}`, pins), [setPins]);
  const openBench = useCallback((to: string) => void navigate(`${base}/${to}`), [navigate, base]);
  const before = useBefore(solution, work.burst);
  const figures = useMemo(() => solution && outfitFigures(solution), [solution]);
  const open = linkIds.find((l) => l === link);

  useChainKeys(base, open);
  useCommands([
    { id: 'undo', name: 'Undo', keys: ['mod+z'], group: 'Work', run: work.undo },
    { id: 'redo', name: 'Do again', keys: ['mod+shift+z', 'mod+y'], group: 'Work', run: work.redo },
    {
      id: 'unpin',
      name: 'Let go of every pin',
      keys: [],
      group: 'Work',
      run: () => work.change('unpin', (w) => ({ ...w, pins: {} })),
    },
    {
      id: 'rules-on',
      name: 'Switch every rule on again',
      keys: [],
      group: 'Work',
      run: work.off.length > 0 ? () => work.change('rules', (w) => ({ ...w, off: [] })) : null,
    },
    {
      id: 'copy-brief',
      name: 'Copy this brief, to try something else',
      keys: ['c'],
      group: 'Work',
      run: async () => {
        const copy = await unwrap(
          api.POST('/api/briefs', {
            body: { name: `${work.name}, another way`.slice(0, 80), draft: work.draft, pins: work.pins, off: work.off },
          }),
        );
        navigate(`/briefs/${copy.id}`);
      },
    },
  ]);

  if (!solution || !figures)
    return (
      <main className="p-6">
        {work.failure ? (
          <>
            <h1 className="text-xl font-semibold">{work.failure.message}</h1>
            <ul>
              {Object.entries(work.failure.fields).map(([field, words]) => (
                <li key={field}>{words}</li>
              ))}
            </ul>
            {work.failure.fields['pins.rod'] || work.failure.fields['pins.line'] || work.failure.fields['pins.reel'] ? (
              <button className="btn mt-3" onClick={() => work.change('unpin', (w) => ({ ...w, pins: {} }))}>
                Let go of the pins
              </button>
            ) : null}
          </>
        ) : (
          <p>Laying it out…</p>
        )}
      </main>
    );

  const failing = solution.chain.filter((l) => l.verdict === 'fails');
  const looking = solution.chain.filter((l) => l.verdict === 'look');
  const toBuy = solution.chain.filter((l) => l.verdict === 'toBuy');
  const pinWords = Object.entries(work.problems).find(([field]) => field.startsWith('pins.'))?.[1];

  return (
    <main className="mx-auto grid max-w-[112rem] grid-cols-1 gap-x-6 gap-y-6 px-4 py-3 lg:grid-cols-[19.5rem_minmax(0,1fr)_20rem]">
      <nav aria-label="On this page" className="sticky top-0 z-20 -mx-4 flex border-b border-hair bg-paper lg:hidden">
        {['brief', 'chain', 'ledger'].map((part) => (
          <a key={part} href={`#${part}`} className="min-h-11 flex-1 py-2.5 text-center font-semibold capitalize">
            {part}
          </a>
        ))}
      </nav>
      <div
        className="lg:sticky lg:top-12 lg:max-h-[calc(100vh-3.2rem)] lg:overflow-y-auto lg:pr-2"
        role="group"
        aria-label="The day"
      >
        <BriefPanel work={work} />
      </div>

      <section aria-label={open ? 'Bench' : 'Chain'} id="chain" className="min-w-0 scroll-mt-12">
        <header className="mb-1 flex flex-wrap items-baseline gap-x-3">
          <h1 className="text-xl font-semibold">{open ? 'Bench' : 'Chain'}</h1>
          <p className="order-last basis-full text-soft sm:order-none sm:flex-1 sm:basis-0">
            {failing.length > 0
              ? `${names(failing)} ${failing.length > 1 ? 'fail' : 'fails'}`
              : looking.length > 0
                ? `Works; look at ${names(looking)}`
                : toBuy.length > 0
                  ? 'What is there fits'
                  : 'Everything fits'}
            {toBuy.length > 0 && `; ${names(toBuy)} to buy`}
          </p>
          {!open && (
            <button className="quiet underline underline-offset-4" onClick={() => openBench('hand')}>
              Watch the cast
            </button>
          )}
          <span className="rubric font-normal" role="status">
            {work.answering && <span className="late">Working it out… </span>}
            {saving.state === 'saved' ? 'Saved' : saving.state === 'saving' ? 'Saving…' : ''}
          </span>
          <button className="quiet" disabled={!work.undo} onClick={() => work.undo?.()}>
            Undo
          </button>
          <button className="quiet" disabled={!work.redo} onClick={() => work.redo?.()}>
            Again
          </button>
        </header>

        {saving.state === 'stale' && (
          <Notice unkept words={`${saving.words} Yours is still here and not yet kept.`}>
            <button className="btn" onClick={() => void work.keepMine()}>
              Keep mine
            </button>
            <button className="btn" onClick={() => void work.takeTheirs()}>
              Take the other
            </button>
          </Notice>
        )}
        {(saving.state === 'waiting' || (saving.state === 'refused' && !work.failure)) && (
          <Notice unkept words={saving.words ?? 'Not saved.'} />
        )}
        {work.failure && (pinWords || work.failure.status === 0) && (
          <Notice words={pinWords ?? work.failure.message}>
            {pinWords && (
              <button className="btn" onClick={() => work.change('unpin', (w) => ({ ...w, pins: {} }))}>
                Let go of the pins
              </button>
            )}
          </Notice>
        )}
        {work.failure && !pinWords && work.failure.status !== 0 && (
          <Notice words="The answer below is the last one that worked; an entry in the brief needs another look." />
        )}
        {solution.contradiction && (
          <Contradiction
            contradiction={solution.contradiction}
            onApply={(pins) => work.change('contradiction', (w) => ({ ...w, pins }))}
          />
        )}

        {solution.own && (
          <Own
            own={solution.own}
            onTake={(pins) => work.change('own', (w) => ({ ...w, pins: { ...w.pins, ...pins } }))}
          />
        )}

        {open ? (
          <>
            <ChainStrip figures={figures} chain={solution.chain} base={base} />
            <Bench link={open} work={work} solution={solution} />
          </>
        ) : (
          <>
            <ChainDrawing figures={figures} chain={solution.chain} base={base} />
            <UrgentCautions cautions={solution.cautions} />
          </>
        )}
      </section>

      <div className="scroll-mt-12 lg:sticky lg:top-12 lg:max-h-[calc(100vh-3.2rem)] lg:overflow-y-auto lg:pl-1">
        <Ledger
          solution={solution}
          before={before}
          off={work.off}
          onOff={leaveOut}
          onOpen={openBench}
          onPin={pinThis}
        />
      </div>
    </main>
  );
}

const names = (links: { name: string }[]) =>
  links
    .map((l) => l.name.toLowerCase())
    .join(', ')
    .replace(/, ([^,]*)$/, ' and $1');

/** Words above the chain. What is not kept concerns the whole brief: on a narrow screen it stays in sight wherever one is. */
function Notice({ words, unkept, children }: { words: string; unkept?: boolean; children?: React.ReactNode }) {
  return (
    <div
      role="alert"
      className={`top-12 z-10 my-2 flex flex-wrap items-center gap-3 border-l-4 border-fails bg-sheet px-3 py-2 ${
        unkept ? 'max-lg:fixed max-lg:inset-x-2 max-lg:top-auto max-lg:bottom-2 max-lg:shadow-lg lg:sticky' : 'sticky'
      }`}
    >
      <span className="min-w-0 flex-1">{words}</span>
      {children}
    </div>
  );
}

/** The answer as it stood before the present burst of changes, to mark what moved. */
function useBefore(solution: Solution | undefined, burst: number) {
  const [marks, setMarks] = useState({ burst, before: null as Solution | null, now: solution });
  if (marks.burst !== burst) setMarks({ burst, before: marks.now ?? null, now: solution });
  else if (marks.now !== solution) setMarks({ ...marks, now: solution });
  return marks.before;
}
