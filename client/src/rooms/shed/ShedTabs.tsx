import { NavLink } from 'react-router';

const parts = [
  { to: '/shed', name: 'Gear' },
  { to: '/shed/matrix', name: 'Which goes with which' },
  { to: '/shed/days', name: 'What it can do' },
  { to: '/shed/paste', name: 'Paste many' },
];

/** The ways of looking at the shed. */
export function ShedTabs() {
  return (
    <nav aria-label="Ways of looking at the shed" className="flex flex-wrap border-b border-ink">
      {parts.map((p) => (
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
    </nav>
  );
}
