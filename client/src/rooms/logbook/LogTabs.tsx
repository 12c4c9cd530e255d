import { NavLink } from 'react-router';

const parts = [
  { to: '/log', name: 'Outings' },
  { to: '/log/answers', name: 'What it says' },
  { to: '/log/learning', name: 'What it teaches' },
];

/** The ways of looking at the log. */
export function LogTabs() {
  return (
    <nav aria-label="Ways of looking at the log" className="flex flex-wrap border-b border-ink">
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
      <span className="flex-1" />
      <NavLink className="quiet inline-flex min-h-[44px] items-center underline" to="/care">
        Care
      </NavLink>
    </nav>
  );
}
