import { getTableColumns, type Table } from 'drizzle-orm';
import { getTableConfig, type PgColumn, type PgTable } from 'drizzle-orm/pg-core';
import * as schema from '../db/schema';

/** Every table of a kitchen, each after those it refers to. */
export const TABLES: readonly Table[] = [
  schema.settings,
  schema.ownRows,
  schema.podLots,
  schema.larderLots,
  schema.batches,
  schema.readings,
  schema.predictions,
  schema.photos,
  schema.heatEvents,
  schema.storedStuff,
  schema.stockMoves,
  schema.bottlings,
  schema.shelfMoves,
  schema.log,
];
/** Columns that follow from others: worked out anew, never in a backup. */
const DERIVED: ReadonlySet<string> = new Set(['summary', 'needs', 'today', 'summedOn', 'summedBy']);

/** Columns of a table that a backup holds, by their names in it. */
export const columnsOf = (table: Table): Record<string, PgColumn> =>
  Object.fromEntries(Object.entries(getTableColumns(table)).filter(([key]) => !DERIVED.has(key))) as Record<string, PgColumn>;

/** What tells the rows of a table apart, and their order in a backup: names in a row, and columns. */
export function keyOf(table: Table): [name: string, column: PgColumn][] {
  const several = getTableConfig(table as PgTable).primaryKeys[0]?.columns;
  return Object.entries(columnsOf(table)).filter(([, c]) => (several ? several.some((k) => k.name === c.name) : c.primary));
}
