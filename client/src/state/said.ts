/** What was typed for a field, or for some by name. */
export type Said = string | Record<string, string>;

type Says = { said?: Record<string, string> | null };

/**
 * Something changed in part. What had been typed for a changed field goes, unless the change was typed itself, as `said`: then it is kept
 * as it was said. A field that is touched and stays as it was changes nothing.
 */
export function changed<T extends Says>(now: T, patch: Partial<T>, said?: Said): T {
  const fields = Object.keys(patch).filter((field) => now[field as keyof T] !== patch[field as keyof T]);
  const kept = Object.entries(now.said ?? {}).filter(([field]) => !fields.includes(field));
  const typed = typeof said === 'object' ? Object.entries(said) : said ? [[Object.keys(patch)[0]!, said] as const] : [];
  const all = Object.fromEntries([...kept, ...typed]);
  return { ...now, ...patch, said: Object.keys(all).length > 0 ? all : null };
}
