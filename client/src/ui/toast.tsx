import { Toast } from 'radix-ui';
import { createContext, useCallback, useContext, useEffect, useMemo, useState, type ReactNode } from 'react';
import { ApiError } from '../api/client';

type Message = { words: string; undo?: () => Promise<unknown> | void };
type Said = Message & { id: number; at: number };

type Toasts = {
  toast: (message: Message) => void;
  /** The last action that can be undone, however long ago its message went away. */
  latest: { words: string; at: number; undo: () => void } | null;
};

const ToastContext = createContext<Toasts | null>(null);

// Undo goes back no further than this.
const mostUndone = 20;

/** A message at the foot of the page about what just happened, with undo. */
export function ToastProvider({ children }: { children: ReactNode }) {
  const [messages, setMessages] = useState<Said[]>([]);
  const [done, setDone] = useState<Said[]>([]);
  const toast = useCallback((message: Message) => {
    const said = { ...message, id: Date.now() + Math.random(), at: Date.now() };
    setMessages((all) => [...all.slice(-2), said]);
    if (message.undo) setDone((all) => [...all.slice(1 - mostUndone), said]);
  }, []);
  // Errors of a button that nothing else reports are shown here.
  useEffect(() => {
    const unsaid = (event: PromiseRejectionEvent) => {
      if (!(event.reason instanceof ApiError)) return;
      event.preventDefault();
      toast({ words: event.reason.message });
    };
    window.addEventListener('unhandledrejection', unsaid);
    return () => window.removeEventListener('unhandledrejection', unsaid);
  }, [toast]);
  const takeBack = useCallback(
    async ({ id, undo }: Said) => {
      setDone((all) => all.filter((m) => m.id !== id));
      setMessages((all) => all.filter((m) => m.id !== id));
      try {
        await undo?.();
      } catch (error) {
        if (!(error instanceof ApiError)) throw error;
        toast({ words: error.message });
      }
    },
    [toast],
  );
  const last = done.at(-1);
  const value = useMemo<Toasts>(
    () => ({ toast, latest: last ? { words: last.words, at: last.at, undo: () => void takeBack(last) } : null }),
    [toast, last, takeBack],
  );
  return (
    <ToastContext value={value}>
      <Toast.Provider duration={9000}>
        {children}
        {messages.map((message) => (
          <Toast.Root
            key={message.id}
            className="flex items-center gap-4 rounded border border-ink bg-ink px-4 py-2 text-paper"
            onOpenChange={(open) => !open && setMessages((all) => all.filter((m) => m.id !== message.id))}
          >
            <Toast.Title>{message.words}</Toast.Title>
            {message.undo && (
              <Toast.Action altText="Undo" className="font-bold underline" onClick={() => void takeBack(message)}>
                Undo
              </Toast.Action>
            )}
          </Toast.Root>
        ))}
        <Toast.Viewport className="fixed bottom-[calc(1rem+var(--foot,0px))] left-1/2 z-50 flex w-max max-w-[92vw] -translate-x-1/2 flex-col gap-2" />
      </Toast.Provider>
    </ToastContext>
  );
}

function useToasts() {
  const toasts = useContext(ToastContext);
  if (!toasts) throw new Error('Toasts are asked for outside their provider.');
  return toasts;
}

export const useToast = () => useToasts().toast;

export const useLatestUndo = () => useToasts().latest;

/** Reports what was done, and offers undo. */
export function useDone() {
  const toast = useToast();
  return (words: string, undo: () => Promise<unknown>) => toast({ words, undo });
}
