import { createHash } from 'node:crypto';
import { and, desc, eq, inArray, lt, sql } from 'drizzle-orm';
import { alias, type AnyPgColumn } from 'drizzle-orm/pg-core';
import { same, type BatchFile, type Change } from '@roskel/core';
import { fieldWords, LONG, type LogDetail, type LogEntry, type LogLine } from '@roskel/contract';
import { asked } from '../db/asked';
import type { Db } from '../db/open';
import { log, MAKER, ownRows } from '../db/schema';

/** What is written to the same field again within this time is one line: a slider is dragged, a word is put right. */
const TOGETHER = sql`interval '10 minutes'`;
/** Values longer than this are kept in the log by their print (characters of JSON). */
const MOST_VALUE = 300;
const LINES_AT_ONCE = 200;

/** A maker's rows, to read names from. */
export const makers = alias(ownRows, 'makers');
export const makerName = sql<string | null>`${makers.value} ->> 'name'`;
export const madeBy = (column: AnyPgColumn) => and(eq(makers.kind, 'makers'), eq(makers.id, column));

/** Says who makes this change: from here on to its end every row that tells who did it knows. An id that is no maker's is nobody. */
export async function signed(db: Db, maker: string | undefined): Promise<void> {
  if (!maker) return;
  const [known] = await db
    .select({ id: ownRows.id })
    .from(ownRows)
    .where(and(eq(ownRows.kind, 'makers'), eq(ownRows.id, maker)));
  if (known) await db.execute(sql`select set_config('roskel.maker', ${known.id}, true)`);
}

/** A value as the log keeps it: a long one by its print, so that it is known whether it is another. */
function kept(value: unknown): unknown {
  const text = JSON.stringify(value);
  return text.length <= MOST_VALUE ? value : { [LONG]: createHash('sha256').update(text).digest('hex').slice(0, 12) };
}
/** What was read and measured stands as it was logged, each time: taken back it leaves two lines, not none. */
const isMeasured = (path: string) => path.startsWith('readings/') || /^strands\/#[^/]+\/stations\/#[^/]+\/log(\/|$)/.test(path);

/** The lines of an edit of a batch, a field each. */
export function batchEntries(id: string, file: BatchFile, changes: readonly Change[]): LogEntry[] {
  return changes.map((c) => {
    const detail: LogDetail = { what: fieldWords(file, c.path, c.after ?? c.before) };
    for (const side of ['before', 'after'] as const) if (c[side] !== undefined) detail[side] = kept(c[side]);
    return { topic: 'batches', itemId: id, name: file.name, did: 'set', path: c.path.join('/'), detail };
  });
}

/** Writes what was done. A plan's field that the same maker wrote last, a moment ago, has one line, and none when it is as it was. */
export async function writeLog(db: Db, entries: readonly LogEntry[]): Promise<void> {
  if (entries.length === 0) return;
  const last = await lastLines(db, entries);
  const fresh: (typeof log.$inferInsert)[] = [];
  for (const { path = '', detail = {}, ...entry } of entries) {
    const had = entry.did === 'set' && !isMeasured(path) ? last.get(`${entry.itemId} ${path}`) : undefined;
    if (!had?.mine) fresh.push({ ...entry, path, detail });
    else if (same(had.detail.before, detail.after)) await db.delete(log).where(eq(log.id, had.id));
    else {
      const { after: _, ...before } = had.detail;
      const now = { ...before, ...('after' in detail ? { after: detail.after } : {}), what: detail.what };
      await db.update(log).set({ detail: now }).where(eq(log.id, had.id));
    }
  }
  for (let i = 0; i < fresh.length; i += LINES_AT_ONCE) await db.insert(log).values(fresh.slice(i, i + LINES_AT_ONCE));
}

/** The last line of each field that was written a moment ago, of the batches that entries are about, and whether it is of the same maker. */
async function lastLines(db: Db, entries: readonly LogEntry[]): Promise<Map<string, { id: number; detail: LogDetail; mine: boolean }>> {
  const items = [...new Set(entries.filter((e) => e.did === 'set').map((e) => e.itemId))];
  if (items.length === 0) return new Map();
  const mine = sql<boolean>`${log.maker} is not distinct from ${MAKER}`;
  const rows = await db
    .select({ id: log.id, itemId: log.itemId, path: log.path, detail: log.detail, mine })
    .from(log)
    .where(and(eq(log.topic, 'batches'), inArray(log.itemId, items), eq(log.did, 'set'), sql`${log.at} > now() - ${TOGETHER}`))
    .orderBy(log.id);
  return new Map(rows.map((r) => [`${r.itemId} ${r.path}`, r]));
}

export interface LogQuery {
  /** Of one thing only. */
  topic?: LogEntry['topic'];
  itemId?: string;
  maker?: string;
  /** Lines before this one. */
  before?: number;
  most: number;
}
/** The lines of a query that names these of its filters: a question of its own for each. */
const lines = new Map<string, ReturnType<typeof linesBy>>();
const FILTERS = { topic: eq, itemId: eq, maker: eq, before: lt } as const;
const COLUMNS = { topic: log.topic, itemId: log.itemId, maker: log.maker, before: log.id } as const;
type Filter = keyof typeof FILTERS;
const linesBy = (filters: readonly Filter[]) =>
  asked(['log', ...filters].join('_'), (db) => {
    const { id, at, topic, itemId, name, did, path, detail } = log;
    return db
      .select({ id, at, topic, itemId, name, did, path, detail, maker: makerName })
      .from(log)
      .leftJoin(makers, madeBy(log.maker))
      .where(and(...filters.map((f) => FILTERS[f](COLUMNS[f], sql.placeholder(f)))))
      .orderBy(desc(log.id))
      .limit(sql.placeholder('most'));
  });
/** What was done and by whom, newest first. */
export async function listLog(db: Db, query: LogQuery): Promise<LogLine[]> {
  const filters = (Object.keys(FILTERS) as Filter[]).filter((f) => query[f] !== undefined);
  const key = filters.join();
  if (!lines.has(key)) lines.set(key, linesBy(filters));
  return (await lines.get(key)!(db, { ...query })) as LogLine[];
}
