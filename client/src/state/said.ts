/** The typed text of a field, or of several by name. */
export type Said = string | Record<string, string>;

type Says = { said?: Record<string, string> | null };

/**
 * A partial change. The typed text of a changed field is dropped, unless the change was itself typed: then `said` is stored. A field that
 * was touched without changing keeps its text.
 */
export function changed<T extends Says>(now: T, patch: Partial<T>, said?: Said): T {
  const fields = Object.keys(patch).filter((field) => now[field as keyof T] !== patch[field as keyof T]);
  const kept = Object.entries(now.said ?? {}).filter(([field]) => !fields.includes(field));
  const typed = typeof said === 'object' ? Object.entries(said) : said ? [[Object.keys(patch)[0]!, said] as const] : [];
  const all = Object.fromEntries([...kept, ...typed]);
  return { ...now, ...patch, said: Object.keys(all).length > 0 ? all : null };
}
