import { and, asc, eq, sql } from 'drizzle-orm';
import {
  INGREDIENTS,
  ingredientProblems,
  ingredientUnsaid,
  toolProblems,
  VARIETIES,
  varietyProblems,
  withExpected,
  type Ingredient,
  type Tool,
  type Variety,
} from '@roskel/core';
import {
  LearntSchema,
  SeasonBookSchema,
  type SeasonBook,
  MakerSchema,
  type Learnt,
  type Maker,
  type OwnIngredient,
  type OwnKind,
  type OwnLearnt,
  type OwnMaker,
  type OwnSeason,
  type OwnTool,
  type OwnVariety,
} from '@roskel/contract';
import { errorsOf } from '@roskel/contract/validate';
import type { Db } from '../db/open';
import { ownRows } from '../db/schema';
import { NotFound, Stale, Unfit } from './errors';
import { knowledge, settleLots } from './heat';
import { identityOf } from './identity';
import { learntFiles } from './learntFiles';

type Own = OwnVariety | OwnIngredient | OwnTool | OwnMaker | OwnLearnt | OwnSeason;
type Value = Own['value'];

/** What a row is called in its table, what is wrong with it, and what its maker still has to say. */
const KINDS = {
  varieties: {
    id: (v: Variety) => v.id,
    problems: varietyProblems,
    unsaid: () => [],
    taken: (id: string) => VARIETIES.some((v) => v.id === id),
  },
  ingredients: {
    id: (i: Ingredient) => i.key,
    problems: ingredientProblems,
    unsaid: ingredientUnsaid,
    taken: (key: string) => INGREDIENTS.some((i) => i.key === key),
  },
  tools: { id: (t: Tool) => t.id, problems: toolProblems, unsaid: () => [], taken: () => false },
  makers: {
    id: (m: Maker) => m.id,
    problems: (m: Maker) => errorsOf(MakerSchema, m).map((e) => ({ field: e.path, message: e.message })),
    unsaid: () => [],
    taken: () => false,
  },
  season: {
    id: (s: SeasonBook) => s.id,
    problems: (s: SeasonBook) => errorsOf(SeasonBookSchema, s).map((e) => ({ field: e.path, message: e.message })),
    unsaid: () => [],
    taken: () => false,
  },
  learnt: {
    id: (l: Learnt) => l.id,
    problems: (l: Learnt) => errorsOf(LearntSchema, l).map((e) => ({ field: e.path, message: e.message })),
    unsaid: () => [],
    taken: () => false,
  },
} as const satisfies Record<OwnKind, object>;

const record = (r: typeof ownRows.$inferSelect) => ({ id: r.id, revision: r.revision, value: r.value }) as Own;
/** Rows as they are given out: with a tool stands what other kitchens let expect of it. */
async function given(db: Db, kind: OwnKind, rows: (typeof ownRows.$inferSelect)[]): Promise<Own[]> {
  if (kind !== 'tools') return rows.map(record);
  const files = await learntFiles(db);
  return rows.map((r) => record({ ...r, value: withExpected(files, r.value as Tool) }));
}
/** What is kept of a row. */
const kept = <V extends Value>(kind: OwnKind, value: V): V => (kind === 'tools' ? (withExpected([], value as Tool) as V) : value);

async function listed(db: Db, kind: OwnKind, archived: boolean): Promise<Own[]> {
  const rows = await db
    .select()
    .from(ownRows)
    .where(and(eq(ownRows.kind, kind), eq(ownRows.archived, archived)))
    .orderBy(asc(ownRows.createdAt), asc(ownRows.id));
  return given(db, kind, rows);
}
export const listOwn = (db: Db, kind: OwnKind): Promise<Own[]> => listed(db, kind, false);
export const archivedOwn = (db: Db, kind: OwnKind): Promise<Own[]> => listed(db, kind, true);

async function getOwn(db: Db, kind: OwnKind, id: string): Promise<Own> {
  const [row] = await db
    .select()
    .from(ownRows)
    .where(and(eq(ownRows.kind, kind), eq(ownRows.id, id)));
  if (!row) throw new NotFound('This row is not there any more.');
  return (await given(db, kind, [row]))[0]!;
}

/** What is wrong with a row of a maker's own, field by field. */
export function ownProblems(kind: OwnKind, value: Value): { field: string; message: string }[] {
  return (KINDS[kind].problems as (v: unknown) => { field: string; message: string }[])(value);
}

/** Two of one name could not be told apart in the log. Throws Unfit. */
async function mustBeTheOnlyOne(db: Db, kind: OwnKind, id: string, value: Value): Promise<void> {
  if (kind !== 'makers') return;
  const name = (m: Value) => (m as Maker).name.trim().normalize('NFKC').toLowerCase();
  const other = (await listOwn(db, kind)).find((o) => o.id !== id && name(o.value) === name(value));
  if (!other) return;
  const message = `There is a ${(other.value as Maker).name} already. Take a name of your own.`;
  throw new Unfit(message, [{ path: 'value/name', message }]);
}

/** What this kitchen learnt itself is known here. Throws Unfit. */
async function mustBeOfAnother(db: Db, kind: OwnKind, value: Value): Promise<void> {
  if (kind !== 'learnt' || (value as Learnt).file.kitchen !== (await identityOf(db))) return;
  const message = 'That is what this kitchen learnt itself: it counts here already.';
  throw new Unfit(message, [{ path: 'value/file', message }]);
}

/** Checks a row and gives its id. Throws Unfit with every field that cannot be. */
function fit(kind: OwnKind, value: Value): string {
  const rules = KINDS[kind] as {
    id(v: unknown): string;
    unsaid(v: unknown): { field: string; message: string }[];
    taken(id: string): boolean;
  };
  const problems = [...ownProblems(kind, value), ...rules.unsaid(value)];
  if (problems.length > 0)
    throw new Unfit(
      problems[0]!.message,
      problems.map((p) => ({ path: `value/${p.field}`, message: p.message })),
    );
  const id = rules.id(value);
  if (rules.taken(id)) throw new Unfit('That row belongs to the table.', [{ path: 'value', message: 'Copy it under a name of your own.' }]);
  return id;
}

/** What other kitchens say of pods is taken into the lots, or out of them. */
async function settled(db: Db, kind: OwnKind): Promise<void> {
  if (kind === 'learnt') await settleLots(db, await knowledge(db));
}

export async function addOwn(db: Db, kind: OwnKind, value: Value): Promise<Own> {
  const id = fit(kind, value);
  await mustBeTheOnlyOne(db, kind, id, value);
  await mustBeOfAnother(db, kind, value);
  await db.insert(ownRows).values({ id, kind, value: kept(kind, value) });
  await settled(db, kind);
  return getOwn(db, kind, id);
}

export async function editOwn(db: Db, kind: OwnKind, id: string, revision: number, value: Value): Promise<Own> {
  if (fit(kind, value) !== id) throw new Unfit('A row keeps its id.', [{ path: 'value', message: 'Copy it instead.' }]);
  await mustBeTheOnlyOne(db, kind, id, value);
  await mustBeOfAnother(db, kind, value);
  const done = await db
    .update(ownRows)
    .set({ value: kept(kind, value), revision: sql`${ownRows.revision} + 1` })
    .where(and(eq(ownRows.kind, kind), eq(ownRows.id, id), eq(ownRows.revision, revision)))
    .returning({ id: ownRows.id });
  await settled(db, kind);
  const now = await getOwn(db, kind, id);
  if (done.length === 0) throw new Stale(now);
  return now;
}

/** Hides a row or brings it back. Lots and batches carry what they took from it. */
export async function archiveOwn(db: Db, kind: OwnKind, id: string, archived: boolean): Promise<Own> {
  const { value } = await getOwn(db, kind, id);
  if (!archived) await mustBeTheOnlyOne(db, kind, id, value);
  await db.update(ownRows).set({ archived }).where(eq(ownRows.id, id));
  await settled(db, kind);
  return getOwn(db, kind, id);
}
