/** What this browser keeps for one who comes back: read and written here alone, since a browser may refuse both. */

const PREFIX = 'roskel';
/** Which kitchen it was that this address served last. */
const KITCHEN = 'roskel-kitchen';

function raw(key: string, where: Storage): string | null {
  try {
    return where.getItem(key);
  } catch {
    return null;
  }
}
function allKeys(where: Storage): string[] {
  try {
    return Array.from({ length: where.length }, (_, i) => where.key(i)!);
  } catch {
    return [];
  }
}

/** The kitchen that this window is of; null until it is known. What is kept belongs to it and to no other. */
let kitchen = raw(KITCHEN, localStorage);
const full = (key: string) => (kitchen === null ? key : `${kitchen}:${key}`);
export const kitchenHere = (): string | null => kitchen;

/** This window is of that kitchen: so is what was kept before that was known. */
export function ofKitchen(id: string): void {
  if (kitchen !== null) return;
  for (const where of [localStorage, sessionStorage]) {
    for (const key of allKeys(where).filter((k) => k.startsWith(PREFIX))) {
      const value = raw(key, where);
      try {
        where.removeItem(key);
        if (value !== null) where.setItem(`${id}:${key}`, value);
      } catch {
        // It takes no more: what was kept before is no more than a help.
      }
    }
  }
  nextKitchen(id);
  kitchen = id;
}
/** The next page that is begun here is of that kitchen. What is kept for this one stays, for when it is back. */
export function nextKitchen(id: string): void {
  try {
    localStorage.setItem(KITCHEN, id);
  } catch {
    // Nothing is kept, and nothing to be kept apart.
  }
}

function valueOf<T>(text: string | null): T | null {
  try {
    return JSON.parse(text ?? 'null') as T | null;
  } catch {
    return null;
  }
}
export const readHere = <T>(key: string, where: Storage = localStorage): T | null => valueOf(raw(full(key), where));

/** Keeps a value, null forgets it. False when the browser does not take it (full, or storing is turned off): work goes on. */
export function keepHere(key: string, value: unknown, where: Storage = localStorage): boolean {
  try {
    if (value === null) where.removeItem(full(key));
    else where.setItem(full(key), JSON.stringify(value));
    return true;
  } catch {
    return false;
  }
}

/** The keys of what is kept here under a prefix. */
export function keysHere(prefix: string, where: Storage = localStorage): string[] {
  const own = full('');
  return allKeys(where)
    .filter((key) => key.startsWith(own + prefix))
    .map((key) => key.slice(own.length));
}

/** Hears when another window of this browser keeps something else under a key, or forgets it. */
export function onKept<T>(key: string, tell: (value: T | null) => void): void {
  window.addEventListener('storage', (e) => e.key === full(key) && tell(valueOf<T>(e.newValue)));
}
