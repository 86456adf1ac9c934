import { randomUUID } from 'node:crypto';
import { and, asc, eq, sql } from 'drizzle-orm';
import { isIngredient, turned, TURNS, turnsFor, withJar, type PodLot, type Turn } from '@roskel/core';
import type { LotHistory, Move, NewPodLot, PodLotInput, PodLotRecord } from '@roskel/contract';
import type { Db } from '../db/open';
import { podLots } from '../db/schema';
import { getBatch } from './batchReads';
import { NotFound, Stale, Unfit } from './errors';
import { heatHistory, startWithKitchens, statedOf, stateHeat } from './heat';
import { settleKept } from './keptNews';
import { keptOf, type Kept } from './promised';
import { addMove, ledgerOf } from './stock';

type Row = typeof podLots.$inferSelect;

function record(row: Row, kept: Kept): PodLotRecord {
  const { id, revision, lot, gotOn, place, note, useFirst, ripeness, pricePerKg } = row;
  return { id, revision, lot, gotOn, place, note, useFirst, ripeness, pricePerKg, ...kept(id) };
}

async function listed(db: Db, archived: boolean): Promise<PodLotRecord[]> {
  const rows = await db.select().from(podLots).where(eq(podLots.archived, archived)).orderBy(asc(podLots.createdAt), asc(podLots.id));
  const kept = await keptOf(db, 'pods');
  return rows.map((r) => record(r, kept));
}
export const listPods = (db: Db): Promise<PodLotRecord[]> => listed(db, false);
export const archivedPods = (db: Db): Promise<PodLotRecord[]> => listed(db, true);

/** The lots alone, without stock and promises. */
export async function podLotsOf(db: Db): Promise<PodLot[]> {
  return (await db.select({ lot: podLots.lot }).from(podLots).where(eq(podLots.archived, false))).map((r) => r.lot);
}

async function rowOf(db: Db, id: string): Promise<Row> {
  const [row] = await db.select().from(podLots).where(eq(podLots.id, id));
  if (!row) throw new NotFound('This pod lot is not there any more.');
  return row;
}

export async function getPod(db: Db, id: string): Promise<PodLotRecord> {
  return record(await rowOf(db, id), await keptOf(db, 'pods', id));
}

/** A lot that names what is nowhere would stop every page that counts with it. Throws Unfit. */
function fitLot({ lot }: PodLotInput): void {
  if (isIngredient(lot.like)) return;
  const message = 'It is like nothing that is known. Choose an ingredient of the table.';
  throw new Unfit(message, [{ path: 'input/lot/like', message }]);
}

export async function addPod(db: Db, { input, stockG, words, leftBy }: NewPodLot, today: string): Promise<PodLotRecord> {
  fitLot(input);
  const id = input.lot.id;
  await db.transaction(async (tx) => {
    const t = tx as unknown as Db;
    const file = leftBy && (await getBatch(t, leftBy.batchId)).file;
    await t.insert(podLots).values({ id, ...input, lot: withJar(input.lot, null), leftBy: leftBy ?? null });
    // How sure its jar is, is worked out here and not taken on trust.
    if (file) await settleKept(t, leftBy.batchId, file);
    await stateHeat(t, id, await statedOf(t, input.lot), input.gotOn ?? today);
    await startWithKitchens(t);
    if (stockG > 0) await addMove(t, { store: 'pods', itemId: id, deltaG: stockG, reason: 'in', words });
  });
  return getPod(db, id);
}

export async function editPod(db: Db, id: string, revision: number, input: PodLotInput, today: string): Promise<PodLotRecord> {
  fitLot(input);
  const before = await rowOf(db, id);
  const done = await db
    .update(podLots)
    .set({
      ...input,
      lot: withJar({ ...input.lot, id }, before.lot.jar ?? null),
      revision: sql`${podLots.revision} + 1`,
    })
    .where(and(eq(podLots.id, id), eq(podLots.revision, revision)))
    .returning();
  if (done.length === 0) throw new Stale(await getPod(db, id));
  if (JSON.stringify(before.lot.heat) !== JSON.stringify(input.lot.heat)) {
    await stateHeat(db, id, await statedOf(db, { ...input.lot, id }), today);
    await startWithKitchens(db);
  }
  return getPod(db, id);
}

/** Hides a lot or brings it back; its ledger stays. */
export async function archivePod(db: Db, id: string, archived: boolean): Promise<PodLotRecord> {
  await rowOf(db, id);
  await db.update(podLots).set({ archived }).where(eq(podLots.id, id));
  return getPod(db, id);
}

export async function movePod(db: Db, id: string, move: Move): Promise<PodLotRecord> {
  await rowOf(db, id);
  await addMove(db, { store: 'pods', itemId: id, ...move });
  return getPod(db, id);
}

export interface TurnRequest {
  into: Turn;
  takeG: number;
  /** Weighed afterwards, g; null takes what core expects. */
  gotG: number | null;
  words: string;
}

/** Dries, freezes or grinds some of a lot: out of this ledger, into that of a new lot that inherits its heat. */
export async function turnPod(db: Db, id: string, request: TurnRequest, today: string): Promise<PodLotRecord> {
  const row = await rowOf(db, id);
  const from = await getPod(db, id);
  const cannot = (path: string, message: string) => new Unfit(message, [{ path, message }]);
  if (!turnsFor(row.lot).includes(request.into)) throw cannot('into', `${row.lot.name} cannot be ${TURNS[request.into].verb}.`);
  if (request.takeG > from.stockG + 0.01) throw cannot('takeG', `There are only ${Math.round(from.stockG)} g.`);
  const newId = `lot-${randomUUID().slice(0, 12)}`;
  const { lot, yieldPerG } = turned({ ...row.lot, heat: await statedOf(db, row.lot) }, request.into, newId);
  const gotG = request.gotG ?? request.takeG * yieldPerG;
  if (gotG > request.takeG * 1.05) throw cannot('gotG', 'More came out than went in. Check the weights.');
  const name = `${row.lot.name}, ${TURNS[request.into].verb}`.slice(0, 80);
  await db.transaction(async (tx) => {
    const t = tx as unknown as Db;
    const { place, note, useFirst, ripeness } = row;
    const pricePerKg = row.pricePerKg === null ? null : (row.pricePerKg * request.takeG) / gotG;
    await t.insert(podLots).values({
      id: newId,
      lot: { ...lot, name },
      gotOn: today,
      place,
      note,
      useFirst,
      ripeness,
      pricePerKg,
      madeFrom: id,
      leftBy: row.leftBy,
    });
    await stateHeat(t, newId, lot.heat, today, `${row.lot.name} as it was believed, ${TURNS[request.into].verb}`);
    await startWithKitchens(t);
    await addMove(t, { store: 'pods', itemId: id, deltaG: -request.takeG, reason: request.into, words: request.words });
    await addMove(t, { store: 'pods', itemId: newId, deltaG: gotG, reason: 'in', words: `from ${row.lot.name}` });
  });
  return getPod(db, newId);
}

/** Takes a turning back: the new lot goes away, its pods return. Refused once some of it was used. */
export async function unturnPod(db: Db, newId: string): Promise<PodLotRecord> {
  const row = await rowOf(db, newId);
  const moves = await ledgerOf(db, 'pods', newId);
  if (!row.madeFrom || row.archived) throw new NotFound('There is nothing to take back.');
  if (moves.length !== 1) throw new Unfit('Some of it was used since.', [{ path: '', message: 'Put back what was used first.' }]);
  const form = row.lot.form;
  const out = (await ledgerOf(db, 'pods', row.madeFrom)).find((m) => m.reason === form && m.at === moves[0]!.at);
  await db.transaction(async (tx) => {
    const t = tx as unknown as Db;
    await addMove(t, { store: 'pods', itemId: newId, deltaG: -moves[0]!.deltaG, reason: 'undo' });
    if (out) await addMove(t, { store: 'pods', itemId: row.madeFrom!, deltaG: -out.deltaG, reason: 'undo' });
    await t.update(podLots).set({ archived: true }).where(eq(podLots.id, newId));
  });
  return getPod(db, row.madeFrom);
}

export async function podHistory(db: Db, id: string): Promise<LotHistory> {
  await rowOf(db, id);
  return { moves: await ledgerOf(db, 'pods', id), heat: await heatHistory(db, id) };
}
