import { and, asc, desc, eq, sql } from 'drizzle-orm';
import { styleName, type BatchFile } from '@roskel/core';
import type { BatchRecord, BatchRow, TodayRow } from '@roskel/contract';
import { asked } from '../db/asked';
import type { Db } from '../db/open';
import { batches } from '../db/schema';
import { fileOf, readingsOf } from './batchRows';
import { NotFound } from './errors';

export type Row = typeof batches.$inferSelect;

/** What a list shows of a batch. */
const LISTED = { id: batches.id, revision: batches.revision, updatedAt: batches.updatedAt, summary: batches.summary } as const;
/** A batch as lists show it, from these columns of its row: what its style is called goes by the styles of now. */
export const listedOf = ({ id, revision, updatedAt, summary }: Pick<Row, keyof typeof LISTED>): BatchRow => ({
  ...{ id, revision, updatedAt, summary: summary! },
  styleName: styleName(summary!.style),
});
const listed = asked('batches', (db) =>
  db
    .select(LISTED)
    .from(batches)
    .where(eq(batches.archived, sql.placeholder('archived')))
    .orderBy(desc(batches.startDate), asc(batches.id)),
);
/** The shelf of batches, newest first: what a list shows, nothing is worked out. */
const rowsOf = async (db: Db, archived: boolean): Promise<BatchRow[]> => (await listed(db, { archived })).map(listedOf);
export const listBatches = (db: Db) => rowsOf(db, false);
export const archivedBatches = (db: Db) => rowsOf(db, true);

/** A batch, from its row and its file. */
export const recordOf = ({ id, revision, updatedAt }: Row, file: BatchFile): BatchRecord => ({ id, revision, updatedAt, file });

/** Whole batches, archived or not. */
export async function everyBatch(db: Db): Promise<BatchRecord[]> {
  const rows = await db.select().from(batches).orderBy(asc(batches.id));
  const own = await readingsOf(
    db,
    rows.map((r) => r.id),
  );
  return rows.map((r) => recordOf(r, fileOf(r, own.get(r.id)!)));
}

export async function getBatch(db: Db, id: string): Promise<BatchRecord> {
  const [row] = await db.select().from(batches).where(eq(batches.id, id));
  if (!row) throw new NotFound('This batch is not there any more.');
  return recordOf(row, fileOf(row, (await readingsOf(db, [id])).get(id)!));
}

const asking = asked('today', (db) =>
  db
    .select({
      ...{ id: batches.id, revision: batches.revision, name: batches.name, startDate: batches.startDate },
      today: batches.today,
    })
    .from(batches)
    .where(
      and(
        eq(batches.archived, false),
        sql`(json_array_length(${batches.today} -> 'duties') > 0 or json_array_length(${batches.today} -> 'jars') > 0)`,
      ),
    )
    .orderBy(desc(batches.startDate), asc(batches.id)),
);
/** What the batches ask for, and their jars: the latest first. */
export const listToday = async (db: Db): Promise<TodayRow[]> => (await asking(db)).map(({ today, ...of }) => ({ ...of, ...today! }));

export async function rowOf(db: Db, id: string): Promise<BatchRow> {
  const [row] = await db.select(LISTED).from(batches).where(eq(batches.id, id));
  if (!row) throw new NotFound('This batch is not there any more.');
  return listedOf(row);
}

/** The revision that a batch is at; undefined where there is none. */
export async function revisionOf(db: Db, id: string): Promise<number | undefined> {
  const [row] = await db.select({ revision: batches.revision }).from(batches).where(eq(batches.id, id));
  return row?.revision;
}
