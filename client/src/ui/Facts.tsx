import type { ReactNode } from 'react';
import { Glossed } from './Term';

/** Names and figures, two pairs to a row. */
export function Facts({ rows }: { rows: [string, ReactNode][] }) {
  return (
    <dl className="my-3 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 sm:grid-cols-[auto_1fr_auto_1fr]">
      {rows.map(([name, value]) => (
        <div key={name} className="contents">
          <dt className="text-soft">
            <Glossed>{name}</Glossed>
          </dt>
          <dd className="m-0 font-semibold">{value}</dd>
        </div>
      ))}
    </dl>
  );
}
