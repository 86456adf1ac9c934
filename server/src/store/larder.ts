import { and, asc, eq, sql } from 'drizzle-orm';
import { INGREDIENTS } from '@roskel/core';
import { NO_FACTS, type LarderFacts, type LarderRecord, type LedgerLine, type Move } from '@roskel/contract';
import type { Db } from '../db/open';
import { larderLots } from '../db/schema';
import { NotFound, Stale, Unfit } from './errors';
import { listOwn } from './own';
import { keptOf, type Kept } from './promised';
import { addMove, ledgerOf } from './stock';

type Row = typeof larderLots.$inferSelect;

function record(row: Row, kept: Kept): LarderRecord {
  const { id, ingredientKey, note, revision, packG, packPrice, openedOn, ownPh, useFirst } = row;
  return { id, ingredientKey, note, revision, packG, packPrice, openedOn, ownPh, useFirst, ...kept(id) };
}

async function listed(db: Db, archived: boolean): Promise<LarderRecord[]> {
  const rows = await db
    .select()
    .from(larderLots)
    .where(eq(larderLots.archived, archived))
    .orderBy(asc(larderLots.createdAt), asc(larderLots.id));
  const kept = await keptOf(db, 'larder');
  return rows.map((r) => record(r, kept));
}
export const listLarder = (db: Db): Promise<LarderRecord[]> => listed(db, false);
export const archivedLarder = (db: Db): Promise<LarderRecord[]> => listed(db, true);

async function getLarder(db: Db, id: string): Promise<LarderRecord> {
  const [row] = await db.select().from(larderLots).where(eq(larderLots.id, id));
  if (!row) throw new NotFound('This is not in the larder any more.');
  return record(row, await keptOf(db, 'larder', id));
}

/** Puts an ingredient (of the table or the maker's own) into the larder, or back into it, with some stock. */
export async function addLarder(db: Db, key: string, stockG: number, words: string, facts: LarderFacts = NO_FACTS): Promise<LarderRecord> {
  const known = INGREDIENTS.some((i) => i.key === key) || (await listOwn(db, 'ingredients')).some((o) => o.id === key);
  if (!known) throw new Unfit('There is no such ingredient.', [{ path: 'ingredientKey', message: 'Choose an ingredient from the list.' }]);
  await db
    .insert(larderLots)
    .values({ id: key, ingredientKey: key, ...facts })
    .onConflictDoUpdate({ target: larderLots.id, set: { archived: false } });
  if (stockG > 0) await addMove(db, { store: 'larder', itemId: key, deltaG: stockG, reason: 'in', words });
  return getLarder(db, key);
}

export async function editLarder(db: Db, id: string, revision: number, facts: LarderFacts): Promise<LarderRecord> {
  const done = await db
    .update(larderLots)
    .set({ ...facts, revision: sql`${larderLots.revision} + 1` })
    .where(and(eq(larderLots.id, id), eq(larderLots.revision, revision)))
    .returning({ id: larderLots.id });
  if (done.length === 0) throw new Stale(await getLarder(db, id));
  return getLarder(db, id);
}

export async function archiveLarder(db: Db, id: string, archived: boolean): Promise<LarderRecord> {
  await getLarder(db, id);
  await db.update(larderLots).set({ archived }).where(eq(larderLots.id, id));
  return getLarder(db, id);
}

export async function moveLarder(db: Db, id: string, move: Move): Promise<LarderRecord> {
  await getLarder(db, id);
  await addMove(db, { store: 'larder', itemId: id, ...move });
  return getLarder(db, id);
}

export async function larderLedger(db: Db, id: string): Promise<LedgerLine[]> {
  await getLarder(db, id);
  return ledgerOf(db, 'larder', id);
}
