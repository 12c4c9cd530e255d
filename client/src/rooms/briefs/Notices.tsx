import type { BriefWork } from '../../state/useBrief';
import { foot } from '../../ui/foot';

/** What stands between the brief and its answer, or between the work and being kept, with the way on. */
export function Notices({ work, onLetGo }: { work: BriefWork; onLetGo: () => void }) {
  const { saving } = work;
  const pinWords = Object.entries(work.problems).find(([field]) => field.startsWith('pins.'))?.[1];
  return (
    <>
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
        <Notice unkept words={`${saving.words ?? 'Not saved.'} Until then it is kept in this browser.`} />
      )}
      {work.failure && (pinWords || (work.failure.status === 0 && saving.state !== 'waiting')) && (
        <Notice words={pinWords ?? work.failure.message}>
          {pinWords && (
            <button className="btn" onClick={onLetGo}>
              Let go of the pins
            </button>
          )}
        </Notice>
      )}
      {work.failure && !pinWords && work.failure.status !== 0 && (
        <Notice words="The answer below is the last one that worked; an entry in the brief needs another look." />
      )}
    </>
  );
}

/** Words above the chain. What is not kept concerns the whole brief: on a narrow screen it stays in sight wherever one is. */
function Notice({ words, unkept, children }: { words: string; unkept?: boolean; children?: React.ReactNode }) {
  return (
    <div
      role="alert"
      ref={unkept ? foot : undefined}
      className={`top-12 z-10 my-2 flex flex-wrap items-center gap-3 border-l-4 border-fails bg-sheet px-3 py-2 ${
        unkept ? 'max-lg:fixed max-lg:inset-x-2 max-lg:top-auto max-lg:bottom-2 max-lg:shadow-lg lg:sticky' : 'sticky'
      }`}
    >
      <span className="min-w-0 flex-1">{words}</span>
      {children}
    </div>
  );
}
