import { Link } from 'react-router';
import { api, unwrap, type CareItem } from '../../api/client';
import { useAttempt } from '../../api/useAttempt';
import { saidDay } from '../../ui/dates';
import { Message } from '../../ui/Message';
import { useDone } from '../../ui/toast';

type Done = { taskId: string; pieceId: number; on?: string; amountM?: number };

/** Notes that something was done, says so, and offers the way back. */
export function useCareDone() {
  const done = useDone();
  return async (body: Done, words: string) => {
    const kept = await unwrap(api.POST('/api/care/services', { body }));
    done(words, () => unwrap<unknown>(api.DELETE('/api/care/services/{id}', { params: { path: { id: kept.id } } })));
  };
}

/** How much of its time is over: a clock face that fills; due, it is full and says so. */
function Clock({ share, due }: { share: number; due: boolean }) {
  const turn = 2 * Math.PI * Math.min(0.999, share);
  return (
    <svg viewBox="-8 -8 16 16" className="mt-0.5 size-5 shrink-0" aria-hidden="true">
      <circle r="7" fill={due ? 'currentColor' : 'none'} stroke="currentColor" strokeWidth="1.4" />
      {due ? (
        <path d="M0-4v5M0 3.6v.4" stroke="var(--paper)" strokeWidth="2" strokeLinecap="round" />
      ) : (
        <path
          d={`M0 0V-7A7 7 0 ${share > 0.5 ? 1 : 0} 1 ${7 * Math.sin(turn)} ${-7 * Math.cos(turn)}Z`}
          fill="currentColor"
          opacity="0.55"
        />
      )}
    </svg>
  );
}

/** What to look after: what, of which piece, why, how, and a button for when it is done. */
export function CareRows({ items }: { items: CareItem[] }) {
  const done = useCareDone();
  const { attempt, words } = useAttempt();
  return (
    <>
      <ul>
        {items.map((item) => {
          const { task } = item;
          // Rods are tested and looked over on their own bench, which notes the day itself.
          const bench = task.bench && `/rods/${item.pieceId}?part=${task.bench}`;
          return (
            <li
              key={item.key}
              className={`flex flex-wrap items-start gap-x-3 gap-y-1 border-b border-hair py-2 ${item.state === 'due' ? 'text-fails' : item.state === 'soon' ? 'text-look' : ''}`}
              data-care={item.key}
            >
              <Clock share={item.share} due={item.state === 'due'} />
              <span className="min-w-0 flex-1 basis-60 text-ink wrap-anywhere">
                {item.state !== 'fine' && <span className="sr-only">{item.state}: </span>}
                <b>
                  {item.called}: {task.name}
                </b>
                <span className="block text-soft">
                  {item.why}
                  {item.dueOn && item.state !== 'due' && `; due ${saidDay(item.dueOn)}`}
                </span>
                <details>
                  <summary className="cursor-pointer text-soft">how</summary>
                  <p>{task.howTo}</p>
                  {task.mind && (
                    <p>
                      <b>Mind: </b>
                      {task.mind}
                    </p>
                  )}
                </details>
              </span>
              {bench ? (
                <Link className="btn no-print inline-flex min-h-[44px] items-center" to={bench}>
                  To its bench
                </Link>
              ) : (
                <button
                  className="btn no-print min-h-[44px]"
                  aria-label={`Done: ${item.called}, ${task.name}`}
                  onClick={() =>
                    void attempt(() =>
                      done({ taskId: task.id, pieceId: item.pieceId }, `${item.called}: ${task.done}, noted.`),
                    )
                  }
                >
                  Done
                </button>
              )}
            </li>
          );
        })}
      </ul>
      <Message>{words}</Message>
    </>
  );
}
