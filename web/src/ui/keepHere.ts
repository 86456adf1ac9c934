/** What this browser keeps for one who comes back: read and written here alone, since a browser may refuse both. */
export function readHere<T>(key: string, where: Storage = localStorage): T | null {
  try {
    return JSON.parse(where.getItem(key) ?? 'null') as T | null;
  } catch {
    return null;
  }
}

/** Keeps a value, null forgets it. False when the browser does not take it (full, or storing is turned off): work goes on. */
export function keepHere(key: string, value: unknown, where: Storage = localStorage): boolean {
  try {
    if (value === null) where.removeItem(key);
    else where.setItem(key, JSON.stringify(value));
    return true;
  } catch {
    return false;
  }
}

/** The keys of what is kept here under a prefix. */
export function keysHere(prefix: string, where: Storage = localStorage): string[] {
  try {
    return Array.from({ length: where.length }, (_, i) => where.key(i)!).filter((key) => key.startsWith(prefix));
  } catch {
    return [];
  }
}
