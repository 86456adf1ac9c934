import { getTableName, sql, type Table } from 'drizzle-orm';
import { KITCHEN_FORMAT, KITCHEN_VERSION } from '@roskel/contract';
import type { Db } from '../db/store';
import { columnsOf, keyOf, TABLES } from './tables';

type Row = Record<string, unknown>;
/** Rows of each table. */
export type Counts = Record<string, number>;

/** A backup that does not hold every row of its kitchen. */
export class BackupIncomplete extends Error {}

/** Rows asked for at first, and at most; a chunk takes about so long, ms: nobody waits longer for it. */
const ROWS = { first: 16, most: 2048 } as const;
const CHUNK_MS = 20;

/** The rows of a table in the order of its key, some at a time; whoever else waits has his turn in between. */
async function* rowsOf(db: Db, table: Table): AsyncGenerator<Row[]> {
  const key = keyOf(table);
  const columns = sql.join(
    key.map(([, c]) => sql`${c}`),
    sql`, `,
  );
  let after: Row | null = null;
  for (let most: number = ROWS.first; ;) {
    const began = performance.now();
    const last: Row | null = after;
    const values = last && key.map(([name]) => sql`${last[name]}`);
    const rows = (await db
      .select(columnsOf(table))
      .from(table as never)
      .where(values ? sql`(${columns}) > (${sql.join(values, sql`, `)})` : undefined)
      .orderBy(...key.map(([, c]) => c))
      .limit(most)) as Row[];
    if (rows.length > 0) yield rows;
    if (rows.length < most) return;
    after = rows.at(-1)!;
    const took = performance.now() - began;
    most = Math.max(1, Math.min(ROWS.most, took < CHUNK_MS / 2 ? 2 * most : took > CHUNK_MS ? Math.floor(most / 2) : most));
    await new Promise(setImmediate);
  }
}

const countOf = async (db: Db, table: Table): Promise<number> => {
  const [counted] = (await db.select({ n: sql<number>`count(*)::int` }).from(table as never)) as { n: number }[];
  return counted!.n;
};
/** How many rows each table has. */
export async function countRows(db: Db): Promise<Counts> {
  const counts: Counts = {};
  for (const table of TABLES) counts[getTableName(table)] = await countOf(db, table);
  return counts;
}

/**
 * Everything a kitchen holds as the text of its kitchen.json, in pieces; rows in the order of their keys. `counts` is filled
 * with the rows of each table. Throws BackupIncomplete where a table counts other rows than it gives.
 */
export async function* kitchenText(db: Db, made: string, counts: Counts = {}): AsyncGenerator<string> {
  yield `{"format":${JSON.stringify(KITCHEN_FORMAT)},"version":${KITCHEN_VERSION},"made":${JSON.stringify(made)},"tables":{`;
  for (const [i, table] of TABLES.entries()) {
    const name = getTableName(table);
    yield `${i > 0 ? ',' : ''}\n${JSON.stringify(name)}:[`;
    let n = 0;
    for await (const rows of rowsOf(db, table)) {
      yield `${n > 0 ? ',' : ''}\n${rows.map((r) => JSON.stringify(r)).join(',\n')}`;
      n += rows.length;
    }
    // Read by its key and counted as it lies: a damaged folder has two answers.
    const counted = await countOf(db, table);
    if (counted !== n) throw new BackupIncomplete(`The table "${name}" has ${counted} rows and gives ${n}.`);
    counts[name] = n;
    yield ']';
  }
  yield '\n}}\n';
}
