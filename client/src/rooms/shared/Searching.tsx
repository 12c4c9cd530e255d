import type { StillSearching } from '../../api/client';

/** How soon to ask how a search goes on, ms; not any more when it is at its end or somebody stopped it. */
export const askAgain = (stopped: boolean) => (answer: { searching?: StillSearching | null }) =>
  answer.searching && !stopped ? 500 : false;

/** What stands is the best so far: how much better anything can be, how far the search is, and the way to stop it. */
export function Searching({
  at,
  what,
  stopped,
  onStop,
}: {
  at: StillSearching | null | undefined;
  /** What is looked for, in the plural. */
  what: string;
  stopped: boolean;
  onStop: (stop: boolean) => void;
}) {
  if (!at) return null;
  const better = Math.ceil(100 * at.betterAtMost);
  return (
    <div
      role="status"
      className="flex flex-wrap items-center gap-x-3 gap-y-1 border-l-4 border-signal pl-2"
      data-searching
    >
      <p>
        {better > 0 ? (
          <>
            Best found so far; <b>at most {better > 99 ? 'twice as good' : `${better} % better`}</b> exists.
          </>
        ) : (
          <>Nothing better exists. What else there is to say is still being worked out.</>
        )}{' '}
        <span className="text-soft">
          {at.thrown.toLocaleString('en')} {what} tried{stopped ? '; stopped.' : ', going on…'}
        </span>
      </p>
      {!stopped && <progress aria-label={`Trying ${what}`} className="w-24" />}
      <button className="quiet underline" onClick={() => onStop(!stopped)}>
        {stopped ? 'Go on' : 'Stop'}
      </button>
    </div>
  );
}
