/** What this browser remembers between visits. Where storage is blocked, everything works without. */
export function recall(name: string): string | null {
  try {
    return localStorage.getItem(`zing-${name}`);
  } catch {
    return null;
  }
}

/** The same for an object; `fallback` when nothing is stored or it cannot be read. */
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
    // Blocked or full: it lasts until the page is left.
  }
}

export function forget(name: string) {
  try {
    localStorage.removeItem(`zing-${name}`);
  } catch {
    // Then nothing was stored either.
  }
}
