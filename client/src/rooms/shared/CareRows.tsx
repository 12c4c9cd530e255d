import { Link } from 'react-router';
import { api, unwrap, type CareItem } from '../../api/client';
import { useAttempt } from '../../api/useAttempt';
import { useRefreshLog } from '../../state/log';
import { saidDay } from '../../ui/dates';
import { Message } from '../../ui/Message';
import { useDone } from '../../ui/toast';

type Done = { taskId: string; pieceId: number; on?: string; amountM?: number };

/** Notes that something was done, says so, and offers the way back. */
export function useCareDone() {
  const done = useDone(useRefreshLog());
  return async (body: Done, words: string) => {
    const kept = await unwrap(api.POST('/api/care/services', { body }));
    await done(words, () =>
      unwrap<unknown>(api.DELETE('/api/care/services/{id}', { params: { path: { id: kept.id } } })),
    );
  };
}

/** How far a task has come, as a glass that fills; over the brim when it is late. */
function Glass({ share, due }: { share: number; due: boolean }) {
  const full = Math.min(1, share);
  return (
    <svg viewBox="0 0 14 18" className="h-5 w-4 shrink-0 self-start" aria-hidden="true">
      <path d="M2 2h10l-1.2 14H3.2Z" fill="none" stroke="currentColor" strokeWidth="1.4" strokeLinejoin="round" />
      <path
        d={`M${2.2 + (1 - full) * 1.1} ${2 + (1 - full) * 14}H${11.8 - (1 - full) * 1.1}L10.8 16H3.2Z`}
        fill="currentColor"
        opacity={due ? 1 : 0.45}
      />
      {due && <path d="M0.5 1h3M10.5 1h3" stroke="currentColor" strokeWidth="1.4" />}
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
          const bench =
            task.piece === 'rod' && `/rods/${item.pieceId}?part=${task.id === 'rod-test' ? 'test' : 'look'}`;
          return (
            <li
              key={item.key}
              className={`flex flex-wrap items-baseline gap-x-3 gap-y-1 border-b border-hair py-2 ${item.state === 'due' ? 'text-fails' : item.state === 'soon' ? 'text-look' : ''}`}
              data-care={item.key}
            >
              <Glass share={item.share} due={item.state === 'due'} />
              <span className="min-w-0 flex-1 basis-60 text-ink wrap-anywhere">
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
