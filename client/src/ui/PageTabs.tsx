import type { ReactNode } from 'react';
import { NavLink } from 'react-router';

/** Pages of one room, side by side; what else belongs there stands at the end of the row. */
export function PageTabs({
  label,
  pages,
  children,
}: {
  label: string;
  pages: { to: string; name: string }[];
  children?: ReactNode;
}) {
  return (
    <nav aria-label={label} className="flex flex-wrap border-b border-ink">
      {pages.map((p) => (
        <NavLink
          key={p.to}
          to={p.to}
          end
          className={({ isActive }) =>
            `-mb-px inline-flex min-h-[44px] items-center border-b-3 px-3 py-2 hover:bg-water ${isActive ? 'border-signal font-semibold' : 'border-transparent'}`
          }
        >
          {p.name}
        </NavLink>
      ))}
      {children}
    </nav>
  );
}
