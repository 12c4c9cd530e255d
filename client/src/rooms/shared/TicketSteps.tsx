import { useEffect, useRef, type ReactNode } from 'react';
import type { Part } from '../../api/client';
import { Say } from '../../ui/Say';

type Step = { title: string; says: Part[] };

/** The steps of a ticket: what is done, what comes now, what is still to come. After a step the eye, and a screen reader, go on to the next. */
export function TicketSteps<S extends Step>({
  steps,
  at,
  nameOf,
  did,
  children,
}: {
  steps: readonly S[];
  at: number;
  nameOf: (step: S) => string;
  /** What was done in a step, beside its title. */
  did: (step: S) => ReactNode;
  /** What is pressed or typed in the step at hand. */
  children: (step: S) => ReactNode;
}) {
  const head = useRef<HTMLHeadingElement>(null);
  const shownAt = useRef(at);
  useEffect(() => {
    if (shownAt.current !== at) {
      head.current?.focus({ preventScroll: true });
      head.current?.scrollIntoView({ block: 'start' });
    }
    shownAt.current = at;
  }, [at]);
  return (
    <ol className="mt-2">
      {steps.map((step, i) => (
        <li
          key={nameOf(step)}
          data-step={nameOf(step)}
          aria-current={i === at ? 'step' : undefined}
          className={`scroll-mt-14 border-t border-hair py-2 ${i === at ? 'now border-l-4 border-l-signal bg-sheet pl-3' : ''}`}
        >
          <div className="flex gap-3">
            <span className="tick w-6 shrink-0 text-right text-soft" aria-hidden="true">
              {i < at ? '✓' : i + 1}
            </span>
            <div className="min-w-0 flex-1">
              <h2
                className={`scroll-mt-16 font-semibold outline-none ${i < at ? 'text-soft' : ''} ${i === at ? 'text-xl' : ''}`}
                tabIndex={-1}
                ref={i === at ? head : undefined}
              >
                {step.title}
                {i < at && did(step)}
              </h2>
              <p className={i < at ? 'hidden print:block' : i === at ? 'text-lg' : 'text-soft'}>
                <Say parts={step.says} />.
              </p>
              {i === at && children(step)}
            </div>
          </div>
        </li>
      ))}
    </ol>
  );
}
