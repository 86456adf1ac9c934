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

/** Files what was kept before its kitchen was known. All of it or, where the browser is full, nothing: then it stays as it was. */
function file(id: string, where: Storage): boolean {
  const all = allKeys(where)
    .filter((key) => key.startsWith(PREFIX))
    .map((key) => [key, raw(key, where) ?? ''] as const);
  try {
    for (const [key] of all) where.removeItem(key);
    for (const [key, value] of all) where.setItem(`${id}:${key}`, value);
    return true;
  } catch {
    for (const [key] of all) where.removeItem(`${id}:${key}`);
    for (const [key, value] of all) where.setItem(key, value);
    return false;
  }
}
/** This window is of that kitchen, and so is what was kept before that was known. */
export function ofKitchen(id: string): void {
  if (kitchen !== null || !file(id, sessionStorage) || !file(id, localStorage)) return;
  hold(id);
  kitchen = id;
}

/** Says once that the page was begun anew as that of another kitchen. */
const CAME = 'another-kitchen';
function hold(id: string): boolean {
  try {
    localStorage.setItem(KITCHEN, id);
    return true;
  } catch {
    // Nothing is kept, and nothing to be kept apart.
    return false;
  }
}
/** The next page that is begun here is of that kitchen. What is kept for this one stays, for when it is back. */
export function nextKitchen(id: string): void {
  if (hold(id)) sessionStorage.setItem(CAME, '1');
}
/** Whether the page was begun anew for that; said once. */
export function cameToKitchen(): boolean {
  const came = raw(CAME, sessionStorage) !== null;
  if (came) sessionStorage.removeItem(CAME);
  return came;
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

/** Hears when another window of this browser keeps something under a prefix, or forgets it. */
export function onKeptUnder(prefix: string, tell: () => void): void {
  window.addEventListener('storage', (e) => e.key?.startsWith(full(prefix)) && tell());
}

/** Hears when another window of this browser keeps something else under a key, or forgets it. */
export function onKept<T>(key: string, tell: (value: T | null) => void): void {
  window.addEventListener('storage', (e) => e.key === full(key) && tell(valueOf<T>(e.newValue)));
}
