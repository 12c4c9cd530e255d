import { useEffect, useRef } from 'react';
import { useNavigate } from 'react-router';
import { useBriefs } from '../state/briefs';
import { useShed } from '../state/gear';
import { keysAreTaken } from '../ui/commands';
import { foot } from '../ui/foot';
import { useTour } from '../ui/tour';
import { BorrowShed } from '../rooms/shared/EmptyShed';

type Stop = {
  title: string;
  says: string;
  to: (ids: { brief: number; rod: number; line: number; trip: number }) => string;
};

const stops: Stop[] = [
  {
    title: 'A day on the Skerries',
    to: ({ brief }) => `/briefs/${brief}`,
    says: 'The brief is a sentence, the chain its answer, from the fly to the hand. Every link says in shape and word whether it fits. Drag the wind in the sentence’s plan and watch the links answer; undo brings it back.',
  },
  {
    title: 'Why that rod',
    to: ({ brief }) => `/briefs/${brief}/rod`,
    says: 'Press a link and its bench opens. The ledger gives each reason with its figure and how far it can be trusted; a reason can be switched off or pinned.',
  },
  {
    title: 'The number on the rod',
    to: ({ rod }) => `/rods/${rod}?part=test`,
    says: 'R3 is marked 6. A bag of coins, a tape and a wall say 7.3. From here on it is lined as the seven it is.',
  },
  {
    title: 'The line on the scale',
    to: ({ line }) => `/lines/${line}`,
    says: 'L11 lost its box. What its first thirty feet weigh gives it a class again, as close as scale and tape allow.',
  },
  {
    title: 'Which goes with which',
    to: () => '/shed/matrix',
    says: 'Every line on every rod: where it sits in the window. Look along a row before you buy another line.',
  },
  {
    title: 'Leaders and knots',
    to: () => '/leaders',
    says: 'What is in the pocket, what is tied of it, and lengths to cut. Knots are drawn step by step, to be read at arm’s length.',
  },
  {
    title: 'A week away',
    to: ({ trip }) => `/trips/${trip}`,
    says: 'Which two rods cover the week? Drag a limit and the kit follows, found exactly; the packing list, winding tickets and calendar come from it.',
  },
  {
    title: 'What it was like',
    to: () => '/log',
    says: 'Ina’s log. A minute on the phone each evening, or on the saved outfit page where there is no network.',
  },
  {
    title: 'What the log teaches',
    to: () => '/log/learning',
    says: 'Her casts say she is faster than a club caster and her loop wider. Accept it, and every reach is worked out for her hand; take it back whenever you like.',
  },
  {
    title: 'What wants care',
    to: () => '/care',
    says: 'Counted from the log: the line to clean, the reel to rinse, the rod to look over. That was the evening. Start with your own gear, or say your own day.',
  },
];

/** Escape lets go, where nothing lies on top and no field has it. */
function useEscape(leave: (() => void) | null) {
  useEffect(() => {
    if (!leave) return;
    const press = (event: KeyboardEvent) => {
      if (event.key !== 'Escape' || event.defaultPrevented || keysAreTaken(event.target as HTMLElement)) return;
      event.preventDefault();
      leave();
    };
    window.addEventListener('keydown', press, true);
    return () => window.removeEventListener('keydown', press, true);
  }, [leave]);
}

/** An evening's walk through the house, in a strip at the foot of the page; nothing is changed by it. */
export function TourGuide() {
  const { stop, go, leave } = useTour();
  const navigate = useNavigate();
  const { data: briefs } = useBriefs();
  const { data: shed } = useShed();
  const heading = useRef<HTMLHeadingElement>(null);
  const brief = briefs?.find((b) => b.name.includes('Skerries'))?.id;
  const rod = shed?.rods.find((r) => r.tag === 'R3')?.id;
  const line = shed?.lines.find((l) => l.tag === 'L11')?.id;
  const demo = brief !== undefined && rod !== undefined && line !== undefined;
  const at = stop === null ? null : stops[Math.min(stop, stops.length - 1)]!;
  const address = at && demo ? at.to({ brief, rod, line, trip: 1 }) : null;
  useEscape(stop === null ? null : leave);
  useEffect(() => {
    if (address) void navigate(address);
    heading.current?.focus({ preventScroll: true });
    // Only a new stop leads somewhere; between stops people look around.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [stop, demo]);
  if (stop === null || !at) return null;
  return (
    <aside
      ref={foot}
      aria-label="Tour"
      className="no-print sticky bottom-0 z-30 border-t-2 border-signal bg-sheet px-4 py-3 shadow-xl"
    >
      <div className="mx-auto flex max-w-[72rem] flex-wrap items-end gap-x-6 gap-y-2">
        <div className="min-w-0 flex-1 basis-80" aria-live="polite">
          <p className="rubric">
            Stop {stop + 1} of {stops.length}
          </p>
          <h2 ref={heading} tabIndex={-1} className="text-lg font-semibold outline-none">
            {at.title}
          </h2>
          {demo ? (
            <p>{at.says}</p>
          ) : (
            <p>
              The tour goes through the loan shed of Marram Quay, a place that does not exist. Borrow it first:{' '}
              <BorrowShed />
            </p>
          )}
        </div>
        <span className="flex gap-2">
          <button className="btn min-h-[44px]" disabled={stop === 0} onClick={() => go(stop - 1)}>
            Back
          </button>
          {stop + 1 < stops.length ? (
            <button className="btn min-h-[44px] bg-ink! text-paper!" disabled={!demo} onClick={() => go(stop + 1)}>
              On
            </button>
          ) : (
            <button className="btn min-h-[44px] bg-ink! text-paper!" onClick={leave}>
              Done
            </button>
          )}
          <button className="btn min-h-[44px]" onClick={leave}>
            Leave
          </button>
        </span>
      </div>
    </aside>
  );
}
