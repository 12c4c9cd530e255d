import type { ReactNode } from 'react';
import type { Solution } from '../../api/client';
import type { BriefWork } from '../../state/useBrief';

/** What every bench of a link gets: the brief in work and what it comes to. */
export type BenchProps = { work: BriefWork; solution: Solution };

/** The fields by which a link is pinned. */
export function PinFields({ children }: { children: ReactNode }) {
  return (
    <div className="my-3 grid max-w-xl grid-cols-2 gap-3 border-t border-hair pt-3 sm:grid-cols-3">{children}</div>
  );
}
