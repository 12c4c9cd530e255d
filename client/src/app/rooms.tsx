import { lazy, type ComponentType, type LazyExoticComponent } from 'react';

/** A page: its address, the command that leads there, and its component, fetched on first use. */
type Room = {
  path: string;
  page: LazyExoticComponent<ComponentType>;
  fetch: () => Promise<unknown>;
  /** Its name in the bar. */
  name?: string;
  /** Other addresses that belong to it, to mark it in the bar. */
  also?: RegExp;
  /** Its command in the palette and its key. */
  command?: { id: string; name: string; words?: string; keys: string[] };
};

function room(path: string, load: () => Promise<ComponentType>, more: Partial<Room> = {}): Room {
  const fetch = () => load().then((page) => ({ default: page }));
  return { path, fetch, page: lazy(fetch), ...more };
}

export const rooms: Room[] = [
  room('/', () => import('../rooms/home/HomePage').then((m) => m.HomePage)),
  room('/briefs', () => import('../rooms/briefs/BriefsPage').then((m) => m.BriefsPage), {
    name: 'Briefs',
    command: { id: 'briefs', name: 'All briefs', words: 'list days', keys: ['b'] },
  }),
  room('/briefs/new', () => import('../rooms/briefs/NewBriefPage').then((m) => m.NewBriefPage), {
    command: { id: 'new', name: 'New brief', words: 'start day', keys: ['n'] },
  }),
  room('/compare', () => import('../rooms/briefs/ComparePage').then((m) => m.ComparePage), {
    command: { id: 'compare-two', name: 'Compare two briefs', words: 'side by side versus outfits', keys: [] },
  }),
  room('/briefs/:id/:link?', () => import('../rooms/briefs/BriefPage').then((m) => m.BriefPage)),
  room('/shed', () => import('../rooms/shed/ShedPage').then((m) => m.ShedPage), {
    name: 'Shed',
    // The bench of a piece belongs to the shed.
    also: /^\/(shed|rods|lines|reels|winding|spools)\//,
    command: { id: 'shed', name: 'Shed', words: 'gear rods lines reels add inventory', keys: ['s'] },
  }),
  room('/shed/matrix', () => import('../rooms/shed/MatrixPage').then((m) => m.MatrixPage), {
    command: { id: 'matrix', name: 'Which line goes with which rod', words: 'matrix load pairs shed', keys: ['m'] },
  }),
  room('/shed/days', () => import('../rooms/shed/ShedDaysPage').then((m) => m.ShedDaysPage), {
    command: { id: 'shed-days', name: 'What the shed can do', words: 'buy missing purchase coverage', keys: [] },
  }),
  room('/shed/paste', () => import('../rooms/shed/PastePage').then((m) => m.PastePage), {
    command: { id: 'paste', name: 'Paste many pieces', words: 'spreadsheet import csv excel', keys: [] },
  }),
  room('/trips', () => import('../rooms/trips/TripsPage').then((m) => m.TripsPage), {
    name: 'Trips',
    also: /^\/(trips\/|first)/,
    command: { id: 'trips', name: 'Trips', words: 'kit pack travel days', keys: ['j'] },
  }),
  room('/trips/:id', () => import('../rooms/trips/TripPage').then((m) => m.TripPage)),
  room('/trips/:id/packing', () => import('../rooms/trips/PackingPage').then((m) => m.PackingPage)),
  room('/first', () => import('../rooms/trips/FirstPage').then((m) => m.FirstPage), {
    command: { id: 'first', name: 'A first outfit', words: 'beginner buy nothing start', keys: [] },
  }),
  room('/rods/:id', () => import('../rooms/rods/RodPage').then((m) => m.RodPage)),
  room('/lines/:id', () => import('../rooms/lines/LinePage').then((m) => m.LinePage)),
  room('/reels/:id', () => import('../rooms/reels/ReelPage').then((m) => m.ReelPage)),
  room('/winding', () => import('../rooms/reels/WindingPage').then((m) => m.WindingPage), {
    also: /^\/winding/,
    command: { id: 'winding', name: 'Winding tickets', words: 'spool reel wind backing label', keys: [] },
  }),
  room('/winding/:id', () => import('../rooms/reels/TicketPage').then((m) => m.TicketPage)),
  room('/spools/:id', () => import('../rooms/reels/SpoolLabelPage').then((m) => m.SpoolLabelPage)),
  room('/leaders', () => import('../rooms/leaders/LeadersPage').then((m) => m.LeadersPage), {
    name: 'Leaders',
    command: { id: 'leaders', name: 'Leaders and the pocket', words: 'tippet spools tying list nylon', keys: ['l'] },
  }),
  room('/leaders/tying', () => import('../rooms/leaders/TyingPage').then((m) => m.TyingPage)),
  room('/leaders/:id', () => import('../rooms/leaders/LeaderPage').then((m) => m.LeaderPage)),
  room('/rigging', () => import('../rooms/rigging/RiggingPage').then((m) => m.RiggingPage), {
    command: { id: 'rigging', name: 'Rigging tickets', words: 'rig outfit checklist knots', keys: [] },
  }),
  room('/rigging/:id', () => import('../rooms/rigging/RigPage').then((m) => m.RigPage)),
  room('/knots', () => import('../rooms/rigging/KnotsPage').then((m) => m.KnotsPage), {
    command: { id: 'knots', name: 'The book of knots', words: 'tie blood clinch surgeon nail loop', keys: ['k'] },
  }),
  room('/knots/:id', () => import('../rooms/rigging/KnotsPage').then((m) => m.KnotPage)),
  room('/log', () => import('../rooms/logbook/LogPage').then((m) => m.LogPage), {
    name: 'Log',
    also: /^\/(log\/|care)/,
    command: { id: 'log', name: 'Log', words: 'outings diary journal fish caught lost', keys: ['o'] },
  }),
  room('/log/new', () => import('../rooms/logbook/OutingPage').then((m) => m.OutingPage), {
    command: { id: 'log-new', name: 'Note an outing', words: 'log entry day fished', keys: ['e'] },
  }),
  room('/log/answers', () => import('../rooms/logbook/AnswersPage').then((m) => m.AnswersPage), {
    command: { id: 'log-answers', name: 'What the log says', words: 'losses season statistics wind', keys: [] },
  }),
  room('/log/learning', () => import('../rooms/logbook/LearningPage').then((m) => m.LearningPage), {
    command: {
      id: 'log-learning',
      name: 'What the log teaches',
      words: 'practice fit caster learning drills',
      keys: [],
    },
  }),
  room('/log/:id', () => import('../rooms/logbook/OutingPage').then((m) => m.OutingPage)),
  room('/care', () => import('../rooms/care/CarePage').then((m) => m.CarePage), {
    command: { id: 'care', name: 'Care', words: 'clean rinse service maintenance due', keys: ['f'] },
  }),
  room('/data', () => import('../rooms/home/DataPage').then((m) => m.DataPage), {
    command: {
      id: 'data',
      name: 'Your data',
      words: 'backup copy save file restore folder import export csv json',
      keys: [],
    },
  }),
  room('/help', () => import('../rooms/home/HelpPage').then((m) => m.HelpPage), {
    command: { id: 'help', name: 'Help', words: 'first steps glossary safety shortcuts', keys: ['h'] },
  }),
  room('/cutting', () => import('../rooms/cutting/CuttingPage').then((m) => m.CuttingPage), {
    name: 'Drawer',
    command: { id: 'cutting', name: 'A head from scraps', words: 'drawer cut join shooting', keys: ['w'] },
  }),
];

/** Old addresses that people may have kept, and where those pages are now. */
export const moved: Record<string, string> = { '/drawer': '/cutting' };

/** Fetches every page, so that all of them are available without the server. */
export const fetchAll = () => Promise.allSettled(rooms.map((r) => r.fetch()));
