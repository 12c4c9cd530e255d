import { Toast } from 'radix-ui';
import { createContext, useCallback, useContext, useEffect, useState, type ReactNode } from 'react';
import { ApiError } from '../api/client';

type Message = { words: string; undo?: () => Promise<unknown> | void };

const ToastContext = createContext<((message: Message) => void) | null>(null);

/** A word at the foot of the page about what just happened, with the way back. */
export function ToastProvider({ children }: { children: ReactNode }) {
  const [messages, setMessages] = useState<(Message & { id: number })[]>([]);
  const toast = useCallback(
    (message: Message) => setMessages((all) => [...all.slice(-2), { ...message, id: Date.now() + Math.random() }]),
    [],
  );
  // What a button tried and nobody else had words for is said here, never lost in silence.
  useEffect(() => {
    const unsaid = (event: PromiseRejectionEvent) => {
      if (!(event.reason instanceof ApiError)) return;
      event.preventDefault();
      toast({ words: event.reason.message });
    };
    window.addEventListener('unhandledrejection', unsaid);
    return () => window.removeEventListener('unhandledrejection', unsaid);
  }, [toast]);
  const takeBack = async ({ undo }: Message) => {
    try {
      await undo?.();
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      toast({ words: error.message });
    }
  };
  return (
    <ToastContext value={toast}>
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
        <Toast.Viewport className="fixed bottom-4 left-1/2 z-50 flex -translate-x-1/2 flex-col gap-2" />
      </Toast.Provider>
    </ToastContext>
  );
}

export function useToast() {
  const toast = useContext(ToastContext);
  if (!toast) throw new Error('Toasts are asked for outside their provider.');
  return toast;
}
