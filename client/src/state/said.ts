type Says = { said?: Record<string, string> | null };

/**
 * Something changed in part. What had been typed for a changed field goes, unless the change was typed itself: then it is kept as it
 * was said.
 */
export function changed<T extends Says>(now: T, patch: Partial<T>, said?: string): T {
  const fields = Object.keys(patch);
  const kept = Object.entries(now.said ?? {}).filter(([field]) => !fields.includes(field));
  const typed = said && fields.length === 1 ? [[fields[0]!, said] as const] : [];
  const all = Object.fromEntries([...kept, ...typed]);
  return { ...now, ...patch, said: Object.keys(all).length > 0 ? all : null };
}
