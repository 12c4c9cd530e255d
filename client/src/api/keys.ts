import type { QueryClient } from '@tanstack/react-query';
import { api } from './client';

/** Tables of the database, in groups. */
const parts = {
  gear: ['Rods', 'Lines', 'Reels', 'Spools', 'LeaderSpools', 'TiedLeaders', 'Calibrations'],
  scraps: ['Scraps', 'ScrapsInJobs', 'CutJobs'],
  winding: ['WindingTickets'],
  rigging: ['RigTickets'],
  briefs: ['Briefs'],
  trips: ['Trips'],
  log: ['Outings', 'Services'],
  hands: ['People', 'Lessons'],
  setAside: ['SetAside'],
} as const;

type Part = keyof typeof parts;

// Groups of tables that each answer depends on; it is refetched as soon as one of them was written, here or elsewhere.
const about = {
  // Answers that depend on the trade alone, or on what is sent along.
  standards: [],
  knots: [],
  knot: [],
  checklist: [],
  scale: [],
  wind: [],
  drag: [],
  calipers: [],
  run: [],
  pasted: ['gear'],
  lastAnswer: [],
  // Answers about a piece that is sent along, and the casters and tables stored here.
  cast: ['hands'],
  castMap: ['hands'],
  gains: ['hands', 'gear'],
  leaderCheck: ['gear', 'hands'],
  turnover: ['gear', 'hands'],
  bend: ['gear', 'hands'],
  bendFit: ['gear'],
  calibrations: ['gear'],
  balance: ['gear'],
  fill: ['gear'],
  profile: ['gear'],
  suits: ['gear', 'hands'],
  depth: ['gear', 'hands'],
  rodToday: ['gear', 'hands'],
  // Answers about the shed.
  shed: ['gear', 'hands'],
  scraps: ['scraps'],
  jobs: ['scraps', 'gear'],
  cutPlan: ['scraps', 'gear'],
  headForRod: ['gear'],
  matrix: ['gear', 'hands'],
  away: ['gear', 'scraps', 'winding', 'rigging', 'briefs', 'trips', 'log', 'hands'],
  tickets: ['winding', 'gear'],
  ticket: ['winding', 'gear'],
  rigs: ['rigging', 'gear', 'briefs'],
  rig: ['rigging', 'gear', 'briefs'],
  tying: ['gear'],
  care: ['gear', 'log', 'trips', 'briefs'],
  // Answers about briefs and trips.
  briefs: ['briefs'],
  brief: ['briefs'],
  outcome: ['briefs', 'gear', 'hands'],
  solve: ['gear', 'hands'],
  candidates: ['gear', 'hands'],
  trips: ['trips'],
  trip: ['trips'],
  tripPlan: ['gear', 'hands', 'briefs'],
  tripFurther: ['gear', 'hands', 'briefs'],
  packing: ['trips', 'gear', 'hands', 'briefs', 'log'],
  shedDays: ['gear', 'hands', 'briefs', 'trips'],
  firstOutfit: [],
  // Answers about the log.
  log: ['log', 'gear'],
  outing: ['log'],
  newOuting: [],
  logAnswers: ['log', 'gear', 'hands'],
  logWind: ['log', 'gear', 'hands'],
  learning: ['log', 'gear', 'hands'],
  people: ['hands'],
  // Answers about the data folder.
  data: Object.keys(parts) as Part[],
  sessions: [],
  look: Object.keys(parts) as Part[],
  copy: Object.keys(parts) as Part[],
  version: [],
} as const satisfies Record<string, readonly Part[]>;

export type KeyName = keyof typeof about;

/** Query key of an answer: its name in the table, and its parameters. */
export const key = (name: KeyName, ...asked: readonly unknown[]) => [name, ...asked] as const;

/** The version of the data last seen: run of the program, writes by others, and number of writes to each table. */
export class Seen {
  private run: string | null = null;
  private readonly counts = new Map<string, number>();

  /** Takes in a version, such as `run others Rods=3`; returns the tables written since the newest one, or 'all'. */
  take(version: string): 'all' | Set<string> {
    const [run, others, ...tables] = version.split(' ');
    const first = this.run === null;
    const all = !first && this.run !== `${run} ${others}`;
    if (this.run?.split(' ')[0] !== run) this.counts.clear();
    this.run = `${run} ${others}`;
    const written = new Set<string>();
    for (const table of tables) {
      const [name, count] = table.split('=') as [string, string];
      // Answers may arrive out of order; an older one has no news.
      if (Number(count) <= (this.counts.get(name) ?? 0)) continue;
      this.counts.set(name, Number(count));
      if (!first) written.add(name);
    }
    return all ? 'all' : written;
  }
}

/** Whether the answer with that key depends on what was written. */
export function shows(asked: readonly unknown[], written: 'all' | Set<string>) {
  const of: readonly Part[] = about[asked[0] as KeyName] ?? [];
  return of.some((part) => written === 'all' || parts[part].some((table) => written.has(table)));
}

/** Follows the version that every answer carries, and refetches what depends on tables written since. */
export function followHouse(queries: QueryClient) {
  const seen = new Seen();
  api.use({
    onResponse: ({ response }) => {
      const version = response.headers.get('Zing-House');
      const written = version === null ? new Set<string>() : seen.take(version);
      if (written === 'all' || written.size > 0)
        void queries.invalidateQueries({ predicate: ({ queryKey }) => shows(queryKey, written) });
    },
  });
}
