import type { Frame } from '../rooms/briefs/frame';

/** The day as it is filled in at the water, in the reader's own units. */
export type Entered = {
  on: string;
  hours: number | null;
  place: string;
  wind: number | null;
  from: number;
  feel: string | null;
  landed: number;
  knots: number;
  loss: string | null;
  lost: number;
  cast: number | null;
  carry: number | null;
  by: string;
  allOut: boolean;
  note: string;
};

/** An outing as a document has it. */
export type Entry = Record<string, unknown>;

const iso = (day: Date) =>
  [day.getFullYear(), String(day.getMonth() + 1).padStart(2, '0'), String(day.getDate()).padStart(2, '0')].join('-');

/** What the day begins with: what was planned. */
export function beginning({ base, wind, choices }: Frame, today: Date): Entered {
  const planned = (of: string) => (typeof base[of] === 'number' ? base[of] : null);
  const mps = planned('windMps');
  return {
    on: iso(today),
    hours: null,
    place: String(base.place ?? ''),
    wind: mps === null ? null : Math.round((mps / wind.scale) * 10) / 10,
    // The eight winds there are to choose from.
    from: (Math.round((planned('windFromDeg') ?? 0) / 45) * 45) % 360,
    feel: null,
    landed: 0,
    knots: 0,
    loss: null,
    lost: 1,
    cast: null,
    carry: null,
    by: choices.distanceBy[0]!.id,
    allOut: true,
    note: '',
  };
}

/** What was filled in, as an outing of a document; `key` tells it from every other. */
export function entryOf({ base, distance, wind }: Frame, day: Entered, key: string): Entry {
  const metres = (said: number | null) => (said === null ? null : said * distance.scale);
  const entry: Entry = {
    ...base,
    key,
    on: day.on,
    place: day.place,
    hours: day.hours,
    windMps: day.wind === null ? base.windMps : day.wind * wind.scale,
    windFromDeg: day.from,
    feel: day.feel,
    windKnots: day.knots,
    fish: day.landed > 0 ? [{ count: day.landed }] : null,
    losses: day.loss === null ? null : [{ cause: day.loss, count: day.lost }],
    casts:
      day.cast === null
        ? null
        : [
            {
              distanceM: metres(day.cast),
              by: day.by,
              allOut: day.allOut,
              ...(day.carry === null ? {} : { carryM: metres(day.carry) }),
            },
          ],
    note: day.note.trim() || null,
  };
  return Object.fromEntries(Object.entries(entry).filter(([, value]) => value !== null && value !== undefined));
}

/** The file that is handed over, to be read under Log. */
export const document = (outings: Entry[]) => JSON.stringify({ format: 'zing-cast', version: 1, outings }, null, 1);

/** A key that nobody has made before. */
export const newKey = () =>
  Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, '0')).join('');

export const fileName = (today: Date) => `from-the-water-${iso(today)}.json`;
