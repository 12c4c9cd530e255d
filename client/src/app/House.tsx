import { Suspense, useState } from 'react';
import { Link, NavLink, Outlet, useLocation, useNavigate, useSearchParams } from 'react-router';
import { DataPanel } from '../rooms/home/DataPanel';
import { ReferencePanel } from '../rooms/reference/ReferencePanel';
import { useMeasuringBench } from '../state/atHand';
import { useBriefs } from '../state/briefs';
import { useShed } from '../state/gear';
import { useCommands } from '../ui/commands';
import { Palette } from '../ui/Palette';
import { currentTheme, setTheme } from '../ui/theme';
import { useUnits } from '../ui/units';
import { Keys } from './Keys';
import { MissingPage } from './MissingPage';
import { rooms } from './rooms';

/** The bar over every room, with what works everywhere. */
export function House() {
  const { system, toggle } = useUnits();
  const [theme, showTheme] = useState(currentTheme);
  const [params, setParams] = useSearchParams();
  // Not in the address: the router turns pages at its leisure, and the letters after Ctrl K must not fall through.
  const [sheet, setSheet] = useState<'commands' | 'keys' | null>(null);
  const { pathname } = useLocation();
  const shown = params.get('show');
  const show = (what: string | null) =>
    setParams((p) => {
      if (what) p.set('show', what);
      else {
        p.delete('show');
        p.delete('table');
      }
      return p;
    });
  const turn = () => {
    const next = theme === 'dusk' ? 'paper' : 'dusk';
    setTheme(next);
    showTheme(next);
  };
  const everywhere = (id: string, name: string, keys: string[], run: () => void) => ({
    id,
    name,
    keys,
    group: 'Everywhere',
    run,
  });
  useCommands([
    everywhere('palette', 'Find a command', ['mod+k', '/'], () => setSheet('commands')),
    everywhere('keys', 'List the keys', ['?'], () => setSheet('keys')),
    everywhere('reference', 'Open the reference', ['r'], () => show('reference')),
    everywhere('data', 'Where your data is', [], () => show('data')),
    everywhere('units', system === 'trade' ? 'Show metres and grams' : 'Show feet and grains', ['u'], toggle),
    everywhere('theme', theme === 'dusk' ? 'Paper, for daylight' : 'Dusk, for bad light', ['d'], turn),
  ]);
  useWays();
  const tab = (isActive: boolean) =>
    `border-b-2 px-2 py-2 ${isActive ? 'border-signal font-semibold' : 'border-transparent hover:border-hair'}`;
  return (
    <>
      <a href="#chain" className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-paper focus:p-2">
        Skip to the chain
      </a>
      <header className="no-print z-30 flex flex-wrap items-center gap-x-1 border-b border-ink bg-paper px-4 lg:sticky lg:top-0 lg:h-11">
        <Link to="/" className="mr-3 flex items-center gap-2 py-1 text-lg font-bold">
          <img src="/mark.svg" alt="" className="size-6 rounded-sm" />
          Zing Cast
        </Link>
        <nav aria-label="Rooms" className="flex">
          {rooms
            .filter((r) => r.name)
            .map((r) => (
              <NavLink
                key={r.path}
                to={r.path}
                className={({ isActive }) => tab(isActive || (r.also?.test(pathname) ?? false))}
              >
                {r.name}
              </NavLink>
            ))}
        </nav>
        <span className="flex-1" />
        <button className="quiet" onClick={() => show('reference')}>
          Reference
        </button>
        <button className="quiet" onClick={() => setSheet('commands')} title="Ctrl K">
          Commands
        </button>
        <button className="quiet" onClick={toggle} title="U">
          {system === 'trade' ? 'ft, grains' : 'm, grams'}
        </button>
        <button className="quiet" onClick={turn} title="D">
          {theme === 'dusk' ? 'Dusk' : 'Paper'}
        </button>
        <button className="quiet" onClick={() => setSheet('keys')} aria-label="List the keys">
          ?
        </button>
      </header>
      <MissingPage at={pathname}>
        <Suspense fallback={<p className="late p-6 text-soft">Opening…</p>}>
          <Outlet />
        </Suspense>
      </MissingPage>
      {shown === 'reference' && <ReferencePanel onClose={() => show(null)} />}
      {shown === 'data' && <DataPanel onClose={() => show(null)} />}
      {sheet === 'commands' && <Palette onClose={() => setSheet(null)} />}
      {sheet === 'keys' && <Keys onClose={() => setSheet(null)} />}
    </>
  );
}

/** Ways to every room, brief and piece, for the palette and the keys. */
function useWays() {
  const navigate = useNavigate();
  const bench = useMeasuringBench();
  const { data: briefs } = useBriefs();
  const { data: shed } = useShed();
  const to = (path: string) => () => void navigate(path);
  const measure = (kind: 'rods' | 'lines', group: string) =>
    (shed?.[kind] ?? []).map((p) => ({
      id: `${kind}-${p.id}`,
      name: `Measure ${p.tag} ${p.name}`,
      keys: [],
      group,
      run: to(bench(kind, p.id)),
    }));
  useCommands([
    ...rooms.flatMap((r) => (r.command ? [{ ...r.command, group: 'Go to', run: to(r.path) }] : [])),
    ...measure('rods', 'Rod bench'),
    ...measure('lines', 'Line bench'),
    ...(briefs ?? []).map((b) => ({
      id: `brief-${b.id}`,
      name: b.name,
      keys: [],
      group: 'Briefs',
      run: to(`/briefs/${b.id}`),
    })),
  ]);
}
