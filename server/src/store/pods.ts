import { and, asc, eq, sql } from 'drizzle-orm';
import type { Move, PodLotInput, PodLotRecord } from '@roskel/contract';
import type { Db } from '../db/open';
import { podLots } from '../db/schema';
import { NotFound, Stale } from './errors';
import { addMove, stockOf } from './stock';

type Row = typeof podLots.$inferSelect;

function record(row: Row, stock: Map<string, number>): PodLotRecord {
  const { id, revision, lot, gotOn, place, note, useFirst } = row;
  return { id, revision, lot, gotOn, place, note, useFirst, stockG: stock.get(id) ?? 0 };
}

export async function listPods(db: Db): Promise<PodLotRecord[]> {
  const rows = await db.select().from(podLots).where(eq(podLots.archived, false)).orderBy(asc(podLots.createdAt), asc(podLots.id));
  const stock = await stockOf(db, 'pods');
  return rows.map((r) => record(r, stock));
}

export async function getPod(db: Db, id: string): Promise<PodLotRecord> {
  const [row] = await db.select().from(podLots).where(eq(podLots.id, id));
  if (!row) throw new NotFound('This pod lot is not there any more.');
  return record(row, await stockOf(db, 'pods'));
}

export async function addPod(db: Db, input: PodLotInput, stockG: number, words: string): Promise<PodLotRecord> {
  const id = input.lot.id;
  await db.transaction(async (tx) => {
    await tx.insert(podLots).values({ id, ...input });
    if (stockG > 0) await addMove(tx as unknown as Db, { store: 'pods', itemId: id, deltaG: stockG, reason: 'in', words });
  });
  return getPod(db, id);
}

export async function editPod(db: Db, id: string, revision: number, input: PodLotInput): Promise<PodLotRecord> {
  const done = await db
    .update(podLots)
    .set({ ...input, lot: { ...input.lot, id }, revision: sql`${podLots.revision} + 1` })
    .where(and(eq(podLots.id, id), eq(podLots.revision, revision)))
    .returning();
  if (done.length === 0) throw new Stale(await getPod(db, id));
  return getPod(db, id);
}

/** Hides a lot or brings it back; its ledger stays. */
export async function archivePod(db: Db, id: string, archived: boolean): Promise<PodLotRecord> {
  await db.update(podLots).set({ archived }).where(eq(podLots.id, id));
  return getPod(db, id);
}

export async function movePod(db: Db, id: string, move: Move): Promise<PodLotRecord> {
  await getPod(db, id);
  await addMove(db, { store: 'pods', itemId: id, ...move });
  return getPod(db, id);
}
