import { useQuery } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import {
  Link,
  NavLink,
  Navigate,
  Outlet,
  Route,
  Routes,
  useLocation,
  useNavigate,
  useSearchParams,
} from 'react-router';
import { api, need, Trouble } from './api/client';
import { useMeasuringBench } from './rooms/brief/atHand';
import { BriefPage } from './rooms/brief/BriefPage';
import { BriefsPage } from './rooms/brief/BriefsPage';
import { NewBriefPage } from './rooms/brief/NewBriefPage';
import { DrawerPage } from './rooms/drawer/DrawerPage';
import { DataPanel } from './rooms/home/DataPanel';
import { LinePage } from './rooms/lines/LinePage';
import { ReferencePanel } from './rooms/reference/ReferencePanel';
import { RodPage } from './rooms/rods/RodPage';
import { EmptyShed, ShedPage } from './rooms/shed/ShedPage';
import { CommandsProvider, keyWords, useBoard, useCommands } from './ui/commands';
import { Palette } from './ui/Palette';
import { Panel } from './ui/Panel';
import { currentTheme, setTheme } from './ui/theme';
import { ToastProvider } from './ui/toast';
import { UnitsProvider, useUnits } from './ui/units';

export function App() {
  const { data, error, refetch } = useQuery({
    queryKey: ['standards'],
    queryFn: () => need(api.GET('/api/standards')),
    staleTime: Infinity,
  });
  if (error)
    return (
      <main className="p-6">
        <h1 className="text-xl font-semibold">{error.message}</h1>
        <button
          className="btn mt-3"
          // The page that asks for the key is another page.
          onClick={() => (error instanceof Trouble && error.status === 401 ? location.reload() : void refetch())}
        >
          Try again
        </button>
      </main>
    );
  if (!data) return null;
  return (
    <UnitsProvider standards={data}>
      <CommandsProvider>
        <ToastProvider>
          <Routes>
            <Route element={<House />}>
              <Route index element={<Home />} />
              <Route path="briefs" element={<BriefsPage />} />
              <Route path="briefs/new" element={<NewBriefPage />} />
              <Route path="briefs/:id/:link?" element={<BriefPage />} />
              <Route path="shed" element={<ShedPage />} />
              <Route path="rods/:id" element={<RodPage />} />
              <Route path="lines/:id" element={<LinePage />} />
              <Route path="drawer" element={<DrawerPage />} />
              <Route path="*" element={<Nowhere />} />
            </Route>
          </Routes>
        </ToastProvider>
      </CommandsProvider>
    </UnitsProvider>
  );
}

/** The bar over every room, with what works everywhere. */
function House() {
  const navigate = useNavigate();
  const bench = useMeasuringBench();
  const { system, toggle } = useUnits();
  const [theme, showTheme] = useState(currentTheme);
  const [params, setParams] = useSearchParams();
  // Not in the address: the router turns pages at its leisure, and the letters after Ctrl K must not fall through.
  const [sheet, setSheet] = useState<'commands' | 'keys' | null>(null);
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
  const { data: briefs } = useQuery({ queryKey: ['briefs'], queryFn: () => need(api.GET('/api/briefs')) });
  const { data: shed } = useQuery({ queryKey: ['shed'], queryFn: () => need(api.GET('/api/shed')) });
  const turn = () => {
    const next = theme === 'dusk' ? 'paper' : 'dusk';
    setTheme(next);
    showTheme(next);
  };
  useCommands([
    {
      id: 'palette',
      name: 'Find a command',
      keys: ['mod+k', '/'],
      group: 'Everywhere',
      run: () => setSheet('commands'),
    },
    { id: 'keys', name: 'List the keys', keys: ['?'], group: 'Everywhere', run: () => setSheet('keys') },
    { id: 'reference', name: 'Open the reference', keys: ['r'], group: 'Everywhere', run: () => show('reference') },
    { id: 'data', name: 'Where your data is', keys: [], group: 'Everywhere', run: () => show('data') },
    {
      id: 'units',
      name: system === 'trade' ? 'Show metres and grams' : 'Show feet and grains',
      keys: ['u'],
      group: 'Everywhere',
      run: toggle,
    },
    {
      id: 'theme',
      name: theme === 'dusk' ? 'Paper, for daylight' : 'Dusk, for bad light',
      keys: ['d'],
      group: 'Everywhere',
      run: turn,
    },
    { id: 'new', name: 'New brief', keys: ['n'], group: 'Go to', run: () => navigate('/briefs/new') },
    { id: 'briefs', name: 'All briefs', keys: ['b'], group: 'Go to', run: () => navigate('/briefs') },
    { id: 'shed', name: 'Shed', keys: ['s'], group: 'Go to', run: () => navigate('/shed') },
    { id: 'drawer', name: 'A head from scraps', keys: ['w'], group: 'Go to', run: () => navigate('/drawer') },
    ...(shed?.rods ?? []).map((r) => ({
      id: `rod-${r.id}`,
      name: `Measure ${r.tag} ${r.name}`,
      keys: [],
      group: 'Rod bench',
      run: () => navigate(bench('rods', r.id!)),
    })),
    ...(shed?.lines ?? []).map((l) => ({
      id: `line-${l.id}`,
      name: `Measure ${l.tag} ${l.name}`,
      keys: [],
      group: 'Line bench',
      run: () => navigate(bench('lines', l.id!)),
    })),
    ...(briefs ?? []).map((b) => ({
      id: `brief-${b.id}`,
      name: b.name,
      keys: [],
      group: 'Briefs',
      run: () => navigate(`/briefs/${b.id}`),
    })),
  ]);
  // A bench for a piece belongs to the shed.
  const measuring = /^\/(rods|lines)\//.test(useLocation().pathname);
  const tab = ({ isActive }: { isActive: boolean }) =>
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
          <NavLink to="/briefs" className={tab}>
            Briefs
          </NavLink>
          <NavLink to="/shed" className={({ isActive }) => tab({ isActive: isActive || measuring })}>
            Shed
          </NavLink>
          <NavLink to="/drawer" className={tab}>
            Drawer
          </NavLink>
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
      <Outlet />
      {shown === 'reference' && <ReferencePanel onClose={() => show(null)} />}
      {shown === 'data' && <DataPanel onClose={() => show(null)} />}
      {sheet === 'commands' && <Palette onClose={() => setSheet(null)} />}
      {sheet === 'keys' && <Keys onClose={() => setSheet(null)} />}
    </>
  );
}

function Keys({ onClose }: { onClose: () => void }) {
  const { commands } = useBoard();
  return (
    <Panel
      title="Keys"
      about="They work whenever you are not typing. On the plan, arrow keys move the fish, the wind and the fly."
      onClose={onClose}
    >
      <table className="w-full">
        <tbody>
          {commands
            .filter((c) => c.keys.length > 0)
            .map((c) => (
              <tr key={c.id} className="border-t border-hair">
                <td className="py-1">{c.name}</td>
                <td className="text-right font-semibold">{keyWords(c.keys).join(' or ')}</td>
              </tr>
            ))}
        </tbody>
      </table>
    </Panel>
  );
}

/** Opens on the brief worked on last; with none, on a first one. */
function Home() {
  const { data } = useQuery({ queryKey: ['briefs'], queryFn: () => need(api.GET('/api/briefs')) });
  if (!data) return null;
  const last = [...data].sort((a, b) => b.changedAt.localeCompare(a.changedAt) || a.id - b.id)[0];
  if (last) return <Navigate replace to={`/briefs/${last.id}`} />;
  return (
    <Welcome>
      <EmptyShed />
    </Welcome>
  );
}

function Welcome({ children }: { children: ReactNode }) {
  return (
    <main className="mx-auto flex max-w-2xl flex-col gap-5 px-5 py-10">
      <h1 className="text-3xl font-semibold">From the fly to the hand</h1>
      <p className="text-lg">
        Say what you want to throw, to which fish, how far and into what wind. Zing Cast lays out the whole outfit and
        says why.
      </p>
      <p>
        <Link className="btn inline-flex items-center bg-ink! text-lg text-paper!" to="/briefs/new">
          Start a brief
        </Link>
      </p>
      {children}
    </main>
  );
}

function Nowhere() {
  return (
    <main className="p-6">
      <h1 className="text-xl font-semibold">There is nothing at this address.</h1>
      <Link className="mt-2 inline-block underline" to="/">
        Back to the chain
      </Link>
    </main>
  );
}
