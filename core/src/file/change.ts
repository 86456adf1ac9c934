/** Any JSON value. */
export type Json = unknown;

/**
 * One thing that changed between two documents. A step of the path is a field name, or "#id" for the entry of a list
 * whose entries have a name of their own, "@order" for their order, or "@pH" for fields that belong together. `undefined` on one side: it was not there.
 */
export interface Change {
  path: readonly string[];
  before: Json;
  after: Json;
  /** For an entry that comes or goes: the entry it stood behind, null for the first. */
  behind?: string | null;
}

/** Something that two sides changed, each otherwise. */
export interface Clash extends Change {
  /** What stands there now. */
  now: Json;
}

type Entries = Map<string, Json>;
const ORDER = '@order';
/**
 * Fields that mean nothing without each other: a pH and what it was read with and on, a share and how it is counted. They change, clash and are taken back as one (step "@pH", the first of them).
 */
const TOGETHER: readonly (readonly string[])[] = [
  ['pH', 'instrument', 'by', 'phOn', 'phSure'],
  ['pct', 'school'],
];
/** Values that mean something only as a whole: how much goes in, and of what. */
const WHOLE: ReadonlySet<string> = new Set(['amount', 'origin']);
const groupOf = (step: string) => TOGETHER.find((g) => step === `@${g[0]!}`);
/** The fields of a group that an object has; undefined when it has none. */
function picked(o: Record<string, Json>, group: readonly string[]): Json {
  const found = group.filter((k) => o[k] !== undefined).map((k) => [k, o[k]]);
  return found.length > 0 ? (Object.fromEntries(found) as Json) : undefined;
}
const NAMES = ['id', 'key'] as const;

const isObject = (v: Json): v is Record<string, Json> => typeof v === 'object' && v !== null && !Array.isArray(v);

/** True when two JSON values say the same; the order of fields does not matter. */
export function same(a: Json, b: Json): boolean {
  if (Object.is(a, b)) return true;
  if (Array.isArray(a) && Array.isArray(b)) return a.length === b.length && a.every((x, i) => same(x, b[i]));
  if (!isObject(a) || !isObject(b)) return false;
  const keys = (o: Record<string, Json>) => Object.keys(o).filter((k) => o[k] !== undefined);
  const inA = keys(a);
  return inA.length === keys(b).length && inA.every((k) => same(a[k], b[k]));
}

/** The entries of a list by their own names, or null when it has none that tell them apart. */
function entriesOf(list: readonly Json[]): Entries | null {
  const named = (name: (v: Json) => Json): Entries | null => {
    const found: Entries = new Map();
    for (const v of list) {
      const own = name(v);
      if (typeof own !== 'string' || found.has(own)) return null;
      found.set(own, v);
    }
    return found;
  };
  return named((v) => v) ?? NAMES.reduce<Entries | null>((found, n) => found ?? named((v) => (isObject(v) ? v[n] : null)), null);
}

/** What has to change in `a` to make it `b`. */
export function changesBetween(a: Json, b: Json, path: readonly string[] = []): Change[] {
  if (same(a, b)) return [];
  if (isObject(a) && isObject(b)) return fieldChanges(a, b, path);
  const [listA, listB] = [Array.isArray(a) ? entriesOf(a) : null, Array.isArray(b) ? entriesOf(b) : null];
  if (listA && listB) return listChanges(listA, listB, path);
  return [{ path, before: a, after: b }];
}

function fieldChanges(a: Record<string, Json>, b: Record<string, Json>, path: readonly string[]): Change[] {
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]);
  const out: Change[] = [];
  for (const group of TOGETHER.filter((g) => g.filter((k) => keys.has(k)).length > 1)) {
    const [before, after] = [picked(a, group), picked(b, group)];
    if (!same(before, after)) out.push({ path: [...path, `@${group[0]!}`], before, after });
    for (const k of group) keys.delete(k);
  }
  const inside = (key: string): Change[] => {
    if (!WHOLE.has(key)) return changesBetween(a[key], b[key], [...path, key]);
    return same(a[key], b[key]) ? [] : [{ path: [...path, key], before: a[key], after: b[key] }];
  };
  return [...out, ...[...keys].flatMap(inside)];
}

function behindOf(ids: readonly string[], id: string): string | null {
  return ids[ids.indexOf(id) - 1] ?? null;
}

function listChanges(a: Entries, b: Entries, path: readonly string[]): Change[] {
  const [idsA, idsB] = [[...a.keys()], [...b.keys()]];
  const gone = idsA.filter((id) => !b.has(id));
  const come = idsB.filter((id) => !a.has(id));
  const changes: Change[] = [
    ...gone.map((id) => ({ path: [...path, `#${id}`], before: a.get(id), after: undefined, behind: behindOf(idsA, id) })),
    ...come.map((id) => ({ path: [...path, `#${id}`], before: undefined, after: b.get(id), behind: behindOf(idsB, id) })),
    ...idsA.filter((id) => b.has(id)).flatMap((id) => changesBetween(a.get(id), b.get(id), [...path, `#${id}`])),
  ];
  const [stayA, stayB] = [idsA.filter((id) => b.has(id)), idsB.filter((id) => a.has(id))];
  if (!same(stayA, stayB)) changes.push({ path: [...path, ORDER], before: idsA, after: idsB });
  return changes;
}

/** The same changes the other way round, to take them back. */
export function reversed(changes: readonly Change[]): Change[] {
  // In the same order: an entry that comes back stands behind one that came back before it.
  return changes.map((c) => ({ ...c, before: c.after, after: c.before }));
}

/** What stands at a path. */
export function valueAt(value: Json, path: readonly string[]): Json {
  let at = value;
  for (const step of path) {
    if (step === ORDER) return Array.isArray(at) ? [...(entriesOf(at)?.keys() ?? [])] : undefined;
    const group = groupOf(step);
    if (group) at = isObject(at) ? picked(at, group) : undefined;
    else if (step.startsWith('#')) at = Array.isArray(at) ? entriesOf(at)?.get(step.slice(1)) : undefined;
    else at = isObject(at) ? at[step] : undefined;
  }
  return at;
}

const isNames = (v: Json): v is string[] => Array.isArray(v) && v.every((x) => typeof x === 'string');

function inOrder(list: readonly Json[], ids: readonly string[]): Json[] {
  const entries = entriesOf(list);
  if (!entries) return [...list];
  const place = new Map(ids.map((id, i) => [id, i]));
  // What the wanted order does not know stays behind what it stood behind.
  let last = -1;
  const rank = new Map([...entries.keys()].map((id) => [id, (last = place.get(id) ?? last + 1e-6)]));
  return [...entries].sort((x, y) => rank.get(x[0])! - rank.get(y[0])!).map(([, v]) => v);
}

function withEntry(list: readonly Json[], id: string, value: Json, behind: string | null | undefined): Json[] {
  const entries = entriesOf(list);
  if (!entries) return [...list];
  const ids = [...entries.keys()];
  const at = ids.indexOf(id);
  if (value === undefined) return list.filter((_, i) => i !== at);
  if (at >= 0) return list.map((v, i) => (i === at ? value : v));
  const after = behind === null ? 0 : behind === undefined || !entries.has(behind) ? list.length : ids.indexOf(behind) + 1;
  return [...list.slice(0, after), value, ...list.slice(after)];
}

/** The document with another value at a path; what leads there must be there, or nothing changes. */
function put(value: Json, path: readonly string[], next: Json, behind?: string | null): Json {
  const [step, ...rest] = path;
  if (step === undefined) return next;
  // Nothing lies below an order, and only names can be one.
  if (step === ORDER) return rest.length === 0 && Array.isArray(value) && isNames(next) ? inOrder(value, next) : value;
  if (step.startsWith('#')) {
    if (!Array.isArray(value)) return value;
    const id = step.slice(1);
    if (rest.length === 0) return withEntry(value, id, next, behind);
    return withEntry(value, id, put(entriesOf(value)?.get(id), rest, next, behind), null);
  }
  if (!isObject(value)) return value;
  const group = groupOf(step);
  if (group) return { ...Object.fromEntries(Object.entries(value).filter(([k]) => !group.includes(k))), ...(next as object | undefined) };
  const inner = rest.length === 0 ? next : put(value[step], rest, next, behind);
  if (inner !== undefined) return { ...value, [step]: inner };
  return Object.fromEntries(Object.entries(value).filter(([key]) => key !== step));
}

/**
 * Applies changes to a document that may have moved on. A change is made only where the document still has what the
 * change began from; the others are given back as clashes, and nothing of theirs is touched.
 */
export function applyChanges<T>(value: T, changes: readonly Change[]): { value: T; clashes: Clash[] } {
  let at: Json = value;
  const clashes: Clash[] = [];
  for (const c of changes) {
    const now = valueAt(at, c.path);
    if (same(now, c.after)) continue;
    const isOrder = c.path.at(-1) === ORDER;
    const held = valueAt(at, c.path.slice(0, -1));
    const reachable = c.path.length === 0 || Array.isArray(held) || isObject(held);
    if ((!isOrder && !same(now, c.before)) || !reachable) clashes.push({ ...c, now });
    else at = put(at, c.path, c.after, c.behind);
  }
  return { value: at as T, clashes };
}

/** Makes a change whatever stands there: a clash settled in favour of the one who made it. */
export function forceChange<T>(value: T, change: Change): T {
  return put(value, change.path, change.after, change.behind) as T;
}

/** What a clash lies in, an entry or an object, where that is gone: its path, else null. */
function goneHolder(value: Json, path: readonly string[]): readonly string[] | null {
  for (let n = 1; n < path.length; n++) {
    const upTo = path.slice(0, n);
    if (valueAt(value, upTo) === undefined) return upTo;
  }
  return null;
}

/**
 * What two sides made of the same document. Different fields come together; where both changed the same field, theirs
 * stands and the clash says what mine was. What mine changed inside an entry that they took away is one clash about the
 * whole entry, so that it can be had back whole.
 */
export function mergeChanges<T>(base: T, mine: T, theirs: T): { value: T; clashes: Clash[] } {
  const { value, clashes } = applyChanges(theirs, changesBetween(base, mine));
  const byPath = new Map<string, Clash>();
  for (const clash of clashes) {
    const holder = goneHolder(value, clash.path);
    const whole = holder && { path: holder, before: valueAt(base, holder), after: valueAt(mine, holder), now: undefined };
    const kept = whole ?? clash;
    byPath.set(kept.path.join('/'), kept);
  }
  return { value, clashes: [...byPath.values()] };
}
