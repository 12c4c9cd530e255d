/** What this browser remembers between visits. Where it may remember nothing, everything works and is asked anew. */
export function recall(name: string): string | null {
  try {
    return localStorage.getItem(`zing-${name}`);
  } catch {
    return null;
  }
}

/** The same for something with parts; `fallback` where nothing is remembered or nobody can read it. */
export function recallParts<T>(name: string, fallback: T): T {
  try {
    return (JSON.parse(recall(name) ?? 'null') as T | null) ?? fallback;
  } catch {
    return fallback;
  }
}

export function remember(name: string, value: string) {
  try {
    localStorage.setItem(`zing-${name}`, value);
  } catch {
    // Blocked or full; it holds until the page is left.
  }
}

export function forget(name: string) {
  try {
    localStorage.removeItem(`zing-${name}`);
  } catch {
    // Nothing was kept either.
  }
}
