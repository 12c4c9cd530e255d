import { Collapsible } from 'radix-ui';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import type { BriefAnswer, LinkId, Pins, Solution, Verdict } from '../../api/client';
import { ChainDrawing } from '../../drawing/ChainDrawing';
import { ChainStrip } from '../../drawing/ChainStrip';
import { linkIds } from '../../drawing/outfit';
import { copyOf } from '../../state/briefs';
import { useChainKeys, useKeptBrief } from '../../state/atHand';
import { outfitFigures } from '../../state/figures';
import { useBrief, type BriefWork } from '../../state/useBrief';
import { useLatestUndo } from '../../ui/toast';
import { useNarrow, useStacked } from '../../ui/useMedia';
import { Lost } from '../../ui/Lost';
import { TextScope } from '../../ui/TextScope';
import { Bench } from '../bench/Bench';
import { Own } from '../chain/Own';
import { UrgentCautions } from '../chain/Cautions';
import { Contradiction } from '../chain/Contradiction';
import { OutfitWords } from '../chain/OutfitWords';
import { Ledger } from '../ledger/Ledger';
import { useRigIt } from '../rigging/useRigIt';
import { BriefPanel } from './BriefPanel';
import { Notices } from './Notices';
import { OutfitCard } from './OutfitCard';
import { useDay } from './useDay';
import { useBriefCommands } from './useBriefCommands';

export function BriefPage() {
  const { id } = useParams();
  const { data, error } = useKeptBrief(Number(id));
  if (error && !data) return <Lost words={error.message} to="/briefs" name="See the briefs that are here" />;
  if (!data) return <p className="p-6">Laying it out…</p>;
  return <Desk key={data.id} loaded={data} />;
}

const savingWords: Record<BriefWork['saving']['state'], string> = {
  typed: 'Typed',
  saving: 'Saving…',
  saved: 'Saved',
  waiting: 'Waiting to save',
  refused: 'Not saved',
  stale: 'Not saved',
};

function Desk({ loaded }: { loaded: BriefAnswer }) {
  const { link } = useParams();
  const navigate = useNavigate();
  const base = `/briefs/${loaded.id}`;
  const work = useBrief(loaded);
  const { solution, change, setPins } = work;
  const stacked = useStacked();
  const narrow = useNarrow();
  const leaveOut = useCallback(
    (rule: string, off: boolean) =>
      change(`off-${rule}`, (w) => ({ ...w, off: off ? [...w.off, rule] : w.off.filter((r) => r !== rule) })),
    [change],
  );
  const pinThis = useCallback((pins: Partial<Pins>) => setPins(`pin-${Object.keys(pins).join()}`, pins), [setPins]);
  const openBench = useCallback((to: string) => void navigate(`${base}/${to}`), [navigate, base]);
  const before = useBefore(solution, work.burst);
  const figures = useMemo(() => solution && outfitFigures(solution), [solution]);
  const open = linkIds.find((l) => l === link);
  const watch = () => void navigate(`${base}/hand?play=1`);
  const copyBrief = async () => {
    navigate(`/briefs/${(await copyOf(work)).id}`);
  };
  const letGo = useCallback(() => change('unpin', (w) => ({ ...w, pins: {} })), [change]);
  const pinned = Object.entries(work.pins).some(([field, value]) => field !== 'said' && value != null);

  const beside = useBeside(work, base, pinThis, pinned ? letGo : null, copyBrief);
  const { undo, undoes } = useUndo(work);
  useChainKeys(base, open);
  const rigIt = useRigIt(work);
  useBriefCommands(work, loaded.id, { undo, watch, rigIt, letGo: pinned ? letGo : null, copyBrief });

  if (!solution || !figures) return <NoAnswer work={work} onLetGo={letGo} />;
  if (link === 'card') return <OutfitCard work={work} solution={solution} figures={figures} base={base} />;

  return (
    <main
      id="main"
      className="mx-auto grid max-w-[112rem] grid-cols-1 gap-x-6 gap-y-4 px-4 py-3 lg:grid-cols-[19.5rem_minmax(0,1fr)_20rem]"
    >
      <TextScope name={`brief-${loaded.id}`}>
        <div role="group" aria-label="The day" className="lg:isolate lg:pr-2">
          {stacked ? <FoldedDay work={work} solution={solution} /> : <BriefPanel work={work} />}
        </div>

        <section
          aria-label={open ? 'Bench' : 'Chain'}
          id="chain"
          data-chain
          data-answers={Math.round(solution.brief.distanceM * 1000) / 1000}
          tabIndex={-1}
          className={`min-w-0 scroll-mt-12 outline-none ${open ? '' : 'lg:sticky lg:top-13 lg:self-start'}`}
        >
          <Head work={work} solution={solution} open={open} watch={watch} rigIt={rigIt} undo={undo} undoes={undoes} />

          <Notices work={work} onLetGo={letGo} />
          {solution.contradiction && (
            <Contradiction
              contradiction={solution.contradiction}
              onApply={(pins) => change('contradiction', (w) => ({ ...w, pins }))}
            />
          )}

          {solution.own && (
            <Own own={solution.own} onTake={(pins) => change('own', (w) => ({ ...w, pins: { ...w.pins, ...pins } }))} />
          )}

          {open ? (
            <>
              {/* It stays in view, so that nobody loses where they are in the work. */}
              <div className="z-10 bg-paper lg:sticky lg:top-11">
                <ChainStrip figures={figures} chain={solution.chain} base={base} />
              </div>
              {/* Fields of different benches go by the same name. */}
              <TextScope name={`brief-${loaded.id}-${open}`}>
                <Bench link={open} work={work} solution={solution} />
              </TextScope>
            </>
          ) : (
            <>
              {narrow && beside}
              <ChainDrawing figures={figures} chain={solution.chain} base={base}>
                {narrow ? null : beside}
              </ChainDrawing>
            </>
          )}
        </section>

        <div className="scroll-mt-12 lg:isolate lg:pl-1">
          <Ledger
            solution={solution}
            before={before}
            off={work.off}
            open={open}
            onOff={leaveOut}
            onOpen={openBench}
            onPin={pinThis}
          />
        </div>
      </TextScope>
    </main>
  );
}

/** Cautions and the outfit in words: what follows from the answer alone stands still while the next one is on its way. */
function useBeside(
  { solution, pins }: BriefWork,
  base: string,
  pinThis: (pins: Partial<Pins>) => void,
  letGo: (() => void) | null,
  copyBrief: () => Promise<void>,
) {
  const latestCopy = useRef(copyBrief);
  useEffect(() => {
    latestCopy.current = copyBrief;
  });
  return useMemo(
    () =>
      solution && (
        <>
          <UrgentCautions cautions={solution.cautions} />
          <OutfitWords
            solution={solution}
            base={base}
            pins={pins}
            onPin={pinThis}
            onLetGo={letGo}
            onCopy={() => void latestCopy.current()}
          />
        </>
      ),
    [solution, base, pins, pinThis, letGo],
  );
}

/** One way back for everything: the last thing done goes first, be it here or to a piece of gear. */
function useUndo(work: BriefWork): { undo: (() => unknown) | null; undoes: string | null } {
  const elsewhere = useLatestUndo();
  return elsewhere && elsewhere.at > work.changedAt
    ? { undo: elsewhere.undo, undoes: elsewhere.words }
    : { undo: work.undo, undoes: null };
}

function Head({
  work,
  solution,
  open,
  watch,
  rigIt,
  undo,
  undoes,
}: {
  work: BriefWork;
  solution: Solution;
  open: LinkId | undefined;
  watch: () => void;
  rigIt: () => unknown;
} & ReturnType<typeof useUndo>) {
  return (
    <header className="mb-1 flex flex-wrap items-baseline gap-x-3">
      <h1 className="text-xl font-semibold">{open ? 'Bench' : 'Chain'}</h1>
      <p className="order-last basis-full text-soft sm:order-none sm:flex-1 sm:basis-0">{verdictOf(solution)}</p>
      {!open && (
        <>
          <button className="quiet underline underline-offset-4" onClick={watch}>
            Watch the cast
          </button>
          <button className="quiet underline underline-offset-4" onClick={() => void rigIt()}>
            Rig it
          </button>
        </>
      )}
      <span className="rubric font-normal" role="status" data-saving={work.saving.state}>
        {work.answering && <span className="late">Working it out… </span>}
        {savingWords[work.saving.state]}
      </span>
      <button className="quiet" disabled={!undo} title={undoes ?? undefined} onClick={() => undo?.()}>
        Undo
      </button>
      <button className="quiet" disabled={!work.redo} onClick={() => work.redo?.()}>
        Again
      </button>
    </header>
  );
}

/** On a small screen the answer comes first: the day is one line until somebody wants to change it. */
function FoldedDay({ work, solution }: { work: BriefWork; solution: Solution }) {
  const [open, setOpen] = useState(false);
  const { brief } = solution;
  const { fly, far, wind } = useDay(work, brief);
  return (
    <Collapsible.Root open={open} onOpenChange={setOpen}>
      <Collapsible.Trigger className="flex min-h-11 w-full items-center gap-3 border-b border-ink text-left">
        <span className="min-w-0 flex-1">
          <span className="block truncate font-semibold">{work.name}</span>
          <span className="block text-[0.86rem] leading-tight text-soft">
            {fly}, {brief.species.name}, {far}, {wind}
          </span>
        </span>
        <span className="shrink-0 underline underline-offset-4">{open ? 'Fold away' : 'Change the day'}</span>
      </Collapsible.Trigger>
      <Collapsible.Content className="pt-3">
        <BriefPanel work={work} />
      </Collapsible.Content>
    </Collapsible.Root>
  );
}

function NoAnswer({ work, onLetGo }: { work: BriefWork; onLetGo: () => void }) {
  if (!work.failure)
    return (
      <main id="main" className="p-6">
        <p>Laying it out…</p>
      </main>
    );
  const { fields, message } = work.failure;
  return (
    <main id="main" className="p-6">
      <h1 className="text-xl font-semibold">{message}</h1>
      <ul>
        {Object.entries(fields).map(([field, words]) => (
          <li key={field}>{words}</li>
        ))}
      </ul>
      {Object.keys(fields).some((field) => field.startsWith('pins.')) && (
        <button className="btn mt-3" onClick={onLetGo}>
          Let go of the pins
        </button>
      )}
    </main>
  );
}

/** How the whole chain does, in one line. */
function verdictOf({ chain }: Solution) {
  const that = (verdict: Verdict) => chain.filter((l) => l.verdict === verdict);
  const [failing, looking, toBuy] = [that('fails'), that('look'), that('toBuy')];
  const does =
    failing.length > 0
      ? `${names(failing)} ${failing.length > 1 ? 'fail' : 'fails'}`
      : looking.length > 0
        ? `Works; look at ${names(looking)}`
        : toBuy.length > 0
          ? 'What is there fits'
          : 'Everything fits';
  return `${does}${toBuy.length > 0 ? `; ${names(toBuy)} to buy` : ''}`;
}

const names = (links: { name: string }[]) =>
  links
    .map((l) => l.name.toLowerCase())
    .join(', ')
    .replace(/, ([^,]*)$/, ' and $1');

/** The answer as it stood before the present burst of changes, to mark what moved. */
function useBefore(solution: Solution | undefined, burst: number) {
  const [marks, setMarks] = useState({ burst, before: null as Solution | null, now: solution });
  if (marks.burst !== burst) setMarks({ burst, before: marks.now ?? null, now: solution });
  else if (marks.now !== solution) setMarks({ ...marks, now: solution });
  return marks.before;
}
