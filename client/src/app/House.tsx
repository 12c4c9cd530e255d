import { useQuery } from '@tanstack/react-query';
import { Suspense, useEffect, useState } from 'react';
import { Link, NavLink, Outlet, useLocation, useMatch, useNavigate } from 'react-router';
import { api, unwrap } from '../api/client';
import { key } from '../api/keys';
import { ReferencePanel } from '../rooms/reference/ReferencePanel';
import { useMeasuringBench } from '../state/atHand';
import { useBriefs } from '../state/briefs';
import { useShed } from '../state/gear';
import { useCommands } from '../ui/commands';
import { Palette } from '../ui/Palette';
import { currentTheme, setTheme } from '../ui/theme';
import { useLatestUndo } from '../ui/toast';
import { useTour } from '../ui/tour';
import { useUnits } from '../ui/units';
import { useAddress } from '../ui/useAddress';
import { Keys } from './Keys';
import { MissingPage } from './MissingPage';
import { Pictures } from './Pictures';
import { rooms } from './rooms';
import { TourGuide } from './TourGuide';
import { UnitsMenu } from './UnitsMenu';

/** Interval of asking whether anything was written in another window, ms. */
const othersMs = 2000;

type Sheet = 'commands' | 'keys' | 'pictures' | null;

/** The bar over every page, with the commands that work everywhere. */
export function House() {
  // Not in the address, so that it opens within the press and letters after Ctrl K do not fall through.
  const [sheet, setSheet] = useState<Sheet>(null);
  const { pathname } = useLocation();
  const { asked, ask } = useAddress();
  const [theme, showTheme] = useState(currentTheme);
  const turn = () => {
    const next = theme === 'dusk' ? 'paper' : 'dusk';
    setTheme(next);
    showTheme(next);
  };
  const reference = (table?: string) => ask({ show: 'reference', ...(table && { table }) });
  useEverywhere({ setSheet, turn, dusk: theme === 'dusk', reference });
  useNewPage(pathname);
  useWhatOthersWrote();
  useWays();
  return (
    <>
      <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-paper focus:p-2">
        Skip to the page
      </a>
      <header className="no-print z-30 flex flex-wrap items-center gap-x-1 border-b border-ink bg-paper px-4 lg:sticky lg:top-0 lg:h-11">
        <Link to="/" className="mr-3 flex items-center gap-2 py-1 text-lg font-bold">
          <img src="/mark.svg" alt="" className="size-6 rounded-sm" />
          Zing Cast
        </Link>
        <RoomLinks pathname={pathname} />
        <span className="flex-1" />
        <button className="quiet" onClick={() => reference()}>
          Reference
        </button>
        <button className="quiet" onClick={() => setSheet('commands')} title="Ctrl K">
          Commands
        </button>
        <Undo />
        <UnitsMenu />
        <button className="quiet" onClick={turn} title="D">
          {theme === 'dusk' ? 'Dusk' : 'Paper'}
        </button>
        <Link className="quiet" to="/help">
          Help
        </Link>
      </header>
      <MissingPage at={pathname}>
        <Suspense fallback={<p className="late p-6 text-soft">Opening…</p>}>
          <Outlet />
        </Suspense>
      </MissingPage>
      {asked('show') === 'reference' && <ReferencePanel onClose={() => ask({ show: null, table: null })} />}
      <TourGuide />
      {sheet === 'commands' && <Palette onClose={() => setSheet(null)} />}
      {sheet === 'pictures' && <Pictures onClose={() => setSheet(null)} />}
      {sheet === 'keys' && <Keys onClose={() => setSheet(null)} />}
    </>
  );
}

function RoomLinks({ pathname }: { pathname: string }) {
  const tab = (on: boolean) =>
    `border-b-2 px-2 py-2 ${on ? 'border-signal font-semibold' : 'border-transparent hover:border-hair'}`;
  return (
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
  );
}

/** A brief has its own undo, which includes what was done elsewhere. */
function useAtBrief() {
  const id = useMatch('/briefs/:id/:link?')?.params.id;
  return id !== undefined && id !== 'new';
}

function Undo() {
  const undo = useLatestUndo();
  if (useAtBrief() || !undo) return null;
  return (
    <button className="quiet" onClick={undo.undo} title={undo.words}>
      Undo
    </button>
  );
}

/** Commands that work on every page. */
function useEverywhere({
  setSheet,
  turn,
  dusk,
  reference,
}: {
  setSheet: (sheet: Sheet) => void;
  turn: () => void;
  dusk: boolean;
  reference: (table?: string) => void;
}) {
  const { system, toggle, standards } = useUnits();
  const undo = useLatestUndo();
  const tour = useTour();
  const atBrief = useAtBrief();
  const everywhere = (id: string, name: string, words: string, keys: string[], run: (() => void) | null) => ({
    id,
    name,
    words,
    keys,
    group: 'Everywhere',
    run,
  });
  const units = system === 'trade' ? 'Show metres and grams' : 'Show feet and grains';
  const themes = dusk ? 'Paper, for daylight' : 'Dusk, for bad light';
  useCommands([
    everywhere('palette', 'Find a command', 'search palette', ['mod+k', '/'], () => setSheet('commands')),
    everywhere('keys', 'List the keys', 'shortcuts keyboard help', ['?'], () => setSheet('keys')),
    everywhere('reference', 'Open the reference', 'tables rules standards', ['r'], () => reference()),
    everywhere('pictures', 'Save a picture', 'svg png drawing image export', [], () => setSheet('pictures')),
    everywhere('tour', 'Take the tour', 'guide help learn begin', [], tour.begin),
    everywhere('units', units, 'units metric imperial trade', ['u'], toggle),
    everywhere('theme', themes, 'dark light night bright theme mode', ['d'], turn),
    ...(atBrief ? [] : [everywhere('undo', 'Undo', 'take back reverse', ['mod+z'], undo?.undo ?? null)]),
    ...standards.tables.map((t) => ({
      id: `table-${t.id}`,
      name: `Look up: ${t.title}`,
      words: 'reference table',
      keys: [],
      group: 'Reference',
      run: () => reference(t.id),
    })),
  ]);
}

/** A new page starts at its top, and the focus is never left on a removed element. */
function useNewPage(pathname: string) {
  useEffect(() => {
    if (location.hash) return;
    window.scrollTo(0, 0);
    const timer = setTimeout(() => {
      const main = document.getElementById('main');
      if (!main || document.activeElement !== document.body) return;
      main.tabIndex = -1;
      main.style.outline = 'none';
      main.focus({ preventScroll: true });
    });
    return () => clearTimeout(timer);
  }, [pathname]);
}

/** Polls, so that what was written in another window appears in this one. */
function useWhatOthersWrote() {
  useQuery({
    queryKey: key('version'),
    queryFn: ({ signal }) => unwrap(api.GET('/api/version', { signal })),
    refetchInterval: othersMs,
    refetchOnWindowFocus: 'always',
    retry: false,
    notifyOnChangeProps: [],
  });
}

/** Commands that lead to every page, brief and piece, for the palette and the keys. */
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
