import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';

/** A sheet laid over the bench: from the right for reading, in the middle for filling in. */
export function Panel({
  title,
  about,
  onClose,
  side = false,
  children,
}: {
  title: string;
  about?: string;
  onClose: () => void;
  side?: boolean;
  children: ReactNode;
}) {
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <Dialog.Content
          aria-describedby={undefined}
          className={`fixed z-40 flex flex-col overflow-hidden border-ink bg-paper text-ink shadow-xl ${
            side
              ? 'inset-y-0 right-0 w-[min(44rem,100vw)] border-l'
              : 'top-[6vh] left-1/2 max-h-[88vh] w-[min(40rem,96vw)] -translate-x-1/2 rounded border'
          }`}
        >
          <header className="flex items-start gap-3 border-b border-hair px-5 py-3">
            <div className="min-w-0 flex-1">
              <Dialog.Title className="text-xl font-semibold">{title}</Dialog.Title>
              {about && <p className="text-soft">{about}</p>}
            </div>
            <Dialog.Close className="quiet" aria-label="Close">
              Close
            </Dialog.Close>
          </header>
          {/* Focusable, so that a long sheet can be scrolled without a mouse. */}
          {/* eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex */}
          <div className="relative min-h-0 flex-1 overflow-auto px-5 py-4" tabIndex={0} role="group" aria-label={title}>
            {children}
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
