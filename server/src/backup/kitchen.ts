import { StoredSchema } from '@roskel/core';
import { getTableName, sql, type Table } from 'drizzle-orm';
import {
  DEFAULT_SETTINGS,
  KitchenFileSchema,
  LarderFactsSchema,
  LeftBySchema,
  LeavingSchema,
  LogEntrySchema,
  OwnIngredientSchema,
  OwnLearntSchema,
  OwnSeasonSchema,
  OwnMakerSchema,
  OwnToolSchema,
  OwnVarietySchema,
  PhotoSchema,
  PodLotInputSchema,
  SettingsSchema,
  type KitchenFile,
  type OwnKind,
} from '@roskel/contract';
import { checkBatchFile, errorsOf, firstError, type FieldError } from '@roskel/contract/validate';
import { localDay } from '../day';
import { upgradeDocuments } from '../db/documents';
import type { Db } from '../db/open';
import * as schema from '../db/schema';
import { NOT_STORABLE, unstorableIn } from '../db/storable';
import { everyBatch } from '../store/batchReads';
import { refreshAll } from '../store/batches';
import { Unfit } from '../store/errors';
import { ownProblems } from '../store/own';
import { columnsOf, TABLES } from './tables';
import { upgradeKitchen } from './upgrade';

const OWN_SCHEMAS = {
  varieties: OwnVarietySchema,
  ingredients: OwnIngredientSchema,
  tools: OwnToolSchema,
  makers: OwnMakerSchema,
  learnt: OwnLearntSchema,
  season: OwnSeasonSchema,
} as const satisfies Record<OwnKind, object>;
const ROWS_AT_ONCE = 200;

/** What an empty kitchen may have: how it is set, and the log of that. */
const OF_EMPTY: ReadonlySet<Table> = new Set([schema.settings, schema.log]);
/** True when nothing was ever put into this kitchen but its settings. */
export async function isEmpty(db: Db): Promise<boolean> {
  for (const table of TABLES) {
    if (OF_EMPTY.has(table)) continue;
    const [any] = await db
      .select({ one: sql`1` })
      .from(table as never)
      .limit(1);
    if (any) return false;
  }
  return true;
}

function checkedRows(file: KitchenFile): void {
  const errors: FieldError[] = [];
  const known = new Map(TABLES.map((t) => [getTableName(t), columnsOf(t)]));
  for (const [name, rows] of Object.entries(file.tables)) {
    const columns = known.get(name);
    if (!columns) errors.push({ path: `tables/${name.slice(0, 60)}`, message: `There is no table called "${name.slice(0, 60)}".` });
    else {
      for (const [i, row] of rows.entries()) {
        const odd = Object.keys(row).find((key) => !(key in columns));
        if (odd !== undefined) errors.push({ path: `tables/${name}/${i}`, message: `"${odd.slice(0, 60)}" is not known in "${name}".` });
        if (errors.length >= 50) break;
      }
    }
  }
  if (errors.length > 0) throw new Unfit('This backup holds things that are not known here. Nothing was read in.', errors);
}

/** What was read in must be what the product would have stored itself. */
async function checkMeaning(db: Db): Promise<void> {
  const errors: FieldError[] = [];
  for (const { id, file } of await everyBatch(db)) {
    const checked = checkBatchFile(file);
    if (!checked.ok) errors.push(...checked.errors.map((e) => ({ path: `batches/${id}/${e.path}`, message: e.message })));
  }
  for (const { id, lot, gotOn, place, note, useFirst, ripeness, pricePerKg, leftBy } of await db.select().from(schema.podLots)) {
    const input = { lot, gotOn, place, note, useFirst, ripeness, pricePerKg };
    errors.push(...errorsOf(PodLotInputSchema, input).map((e) => ({ path: `pod_lots/${id}/${e.path}`, message: e.message })));
    if (leftBy !== null)
      errors.push(...errorsOf(LeftBySchema, leftBy).map((e) => ({ path: `pod_lots/${id}/leftBy/${e.path}`, message: e.message })));
  }
  const at = (path: string, found: FieldError[]) => errors.push(...found.map((e) => ({ path: `${path}/${e.path}`, message: e.message })));
  for (const { id, note, packG, packPrice, openedOn, ownPh, useFirst } of await db.select().from(schema.larderLots))
    at(`larder_lots/${id}`, errorsOf(LarderFactsSchema, { note, packG, packPrice, openedOn, ownPh, useFirst }));
  for (const { id, kind, value } of await db.select().from(schema.ownRows)) {
    at(`own_rows/${id}`, errorsOf(OWN_SCHEMAS[kind], { value }));
    if (errors.length === 0)
      at(
        `own_rows/${id}`,
        ownProblems(kind, value).map((p) => ({ path: `value/${p.field}`, message: p.message })),
      );
  }
  for (const { id, stuff, what } of await db.select().from(schema.storedStuff)) {
    at(`stored_stuff/${id}`, errorsOf(StoredSchema, stuff));
    at(`stored_stuff/${id}`, errorsOf(LeavingSchema, what));
  }
  for (const { id, jpeg } of await db.select().from(schema.photos)) at(`photos/${id}`, errorsOf(PhotoSchema, { jpeg }));
  for (const { id, topic, itemId, name, did, path, detail } of await db.select().from(schema.log))
    at(`log/${id}`, errorsOf(LogEntrySchema, { topic, itemId, name, did, path, detail }));
  for (const { id, value } of await db.select().from(schema.settings))
    at(`settings/${id}`, errorsOf(SettingsSchema, { ...DEFAULT_SETTINGS, ...(value as object) }));
  if (errors.length > 0) throw new Unfit('Some of this backup cannot be. Nothing was read in.', errors.slice(0, 50));
}

/** A kitchen that holds something is never written over. Throws Unfit. */
export async function mustBeEmpty(db: Db): Promise<void> {
  if (await isEmpty(db)) return;
  const message = 'This kitchen is not empty. Read it into an empty one: another --data FOLDER, or on a server another --kitchen NAME.';
  throw new Unfit(message, [{ path: '', message }]);
}

/**
 * Reads a whole kitchen into an empty one: all of it, or none. How bottles keep is told by the rules of now, whatever the
 * file says of them. Throws Unfit.
 */
export async function writeKitchen(db: Db, value: unknown, today = localDay()): Promise<void> {
  const file = checkedFile(value);
  await mustBeEmpty(db);
  await db.transaction((tx) => fill(tx as unknown as Db, file, today));
}
/** The same in place of what is there, whose copy must be kept already. Throws Unfit; then nothing was changed. */
export async function replaceKitchen(db: Db, value: unknown, today = localDay()): Promise<void> {
  const file = checkedFile(value);
  await db.transaction(async (tx) => {
    for (const table of [...TABLES].reverse()) await tx.delete(table as never);
    // Timers of its batches ring no more.
    await tx.delete(schema.timers);
    await fill(tx as unknown as Db, file, today);
  });
}

/** A backup whose shape and rows are known here. Throws Unfit. */
function checkedFile(value: unknown): KitchenFile {
  // Of a million rows that are none, the first says enough.
  const odd = firstError(KitchenFileSchema, value);
  if (odd) throw new Unfit('This is not a backup of a Roskel kitchen.', [odd]);
  const unstorable = unstorableIn(value);
  if (unstorable !== null)
    throw new Unfit('Some of this backup cannot be. Nothing was read in.', [{ path: unstorable.slice(0, 200), message: NOT_STORABLE }]);
  const file = upgradeKitchen(value as KitchenFile);
  checkedRows(file);
  return file;
}

/** Its rows into tables that are empty, within a change. */
async function fill(t: Db, file: KitchenFile, today: string): Promise<void> {
  for (const table of OF_EMPTY) await t.delete(table as never);
  for (const table of TABLES) {
    // Who reads it in is not who did it.
    const unsigned = 'maker' in columnsOf(table) ? { maker: null } : {};
    const rows = (file.tables[getTableName(table)] ?? []).map((row) => ({ ...unsigned, ...row }));
    try {
      for (let i = 0; i < rows.length; i += ROWS_AT_ONCE) await t.insert(table as never).values(rows.slice(i, i + ROWS_AT_ONCE) as never);
    } catch {
      const message = `The rows of "${getTableName(table)}" do not fit. Nothing was read in.`;
      throw new Unfit(message, [{ path: `tables/${getTableName(table)}`, message }]);
    }
    for (const column of Object.values(columnsOf(table))) {
      if (column.columnType !== 'PgSerial') continue;
      const name = getTableName(table);
      // A number given here goes on after the last one that was read in.
      await t.execute(
        sql`select setval(pg_get_serial_sequence(${name}, ${column.name}), coalesce((select max(${sql.identifier(column.name)}) from ${sql.identifier(name)}), 0) + 1, false)`,
      );
    }
  }
  await upgradeDocuments(t);
  await checkMeaning(t);
  await refreshAll(t, today);
}
