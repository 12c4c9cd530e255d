import { useQuery } from '@tanstack/react-query';
import { api, unwrap } from '../../api/client';
import { Panel } from '../../ui/Panel';
import { Message } from '../../ui/Message';

const size = (bytes: number) =>
  bytes < 1e6 ? `${Math.max(1, Math.round(bytes / 1e3))} kB` : `${(bytes / 1e6).toFixed(1)} MB`;

/** Where everything is kept, how to save it and how to put it back. */
export function DataPanel({ onClose }: { onClose: () => void }) {
  const { data, error } = useQuery({ queryKey: ['data'], queryFn: () => unwrap(api.GET('/api/data')), gcTime: 0 });
  const named = data && (/[^\w./-]/.test(data.folder) ? `'${data.folder.replaceAll("'", "'\\''")}'` : data.folder);
  return (
    <Panel title="Where your data is" onClose={onClose}>
      <div className="flex flex-col gap-4">
        <Message>{error?.message}</Message>
        {data && (
          <>
            <p>
              Briefs, shed and drawer are one file, <strong>{data.file}</strong> ({size(data.bytes)}), in the folder{' '}
              <strong className="wrap-anywhere">{data.folder}</strong> on the machine that Zing Cast runs on. Nothing is
              kept anywhere else.
            </p>
            <section>
              <h3 className="font-semibold">Save it</h3>
              <p>Take everything along as one file, now, while Zing Cast goes on:</p>
              <p className="my-2">
                <a className="btn inline-flex items-center" href="/api/data/copy" download>
                  Save a copy
                </a>
              </p>
              <p>
                Or at the terminal: <Typed>./zing backup FILE --data {named}</Typed>. When Zing Cast is stopped, or has
                been left alone for some seconds, copying the folder does as well.
              </p>
            </section>
            <section>
              <h3 className="font-semibold">Put it back</h3>
              <p>
                At the terminal: <Typed>./zing restore FILE --data {named}</Typed>. What is there now is kept beside it
                under another name.
              </p>
            </section>
            {data.copies.length > 0 && (
              <section>
                <h3 className="font-semibold">Copies in the folder</h3>
                <p className="text-soft">Made before a new version changed the file, or when something was put back.</p>
                {/* Focusable, so that a long list can be scrolled without a mouse. */}
                {/* eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex */}
                <ul className="mt-1 max-h-40 overflow-y-auto" tabIndex={0} aria-label="Copies in the folder">
                  {data.copies.map((copy) => (
                    <li key={copy} className="border-t border-hair py-0.5 wrap-anywhere">
                      {copy}
                    </li>
                  ))}
                </ul>
              </section>
            )}
          </>
        )}
        <p className="border-t border-hair pt-3 text-soft">
          Zing Cast is made with the work of many others:{' '}
          <a className="underline" href="/third-party-notices.txt">
            whose, and on what terms
          </a>
          .
        </p>
      </div>
    </Panel>
  );
}

function Typed({ children }: { children: React.ReactNode }) {
  return <code className="rounded bg-sheet px-1 py-0.5 text-[0.9em] wrap-anywhere">{children}</code>;
}
