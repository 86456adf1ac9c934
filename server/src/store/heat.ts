import { and, asc, desc, eq, inArray, sql } from 'drizzle-orm';
import {
  heatWithKitchens,
  knowledgeFrom,
  sourceInWords,
  statedHeat,
  type LearntFile,
  type HeatKnowledge,
  type HeatStep,
  type KeptEvent,
  type LotHeat,
  type PodLot,
} from '@roskel/core';
import type { HeatBook, HeatRecord } from '@roskel/contract';
import type { Db } from '../db/open';
import { heatEvents, podLots } from '../db/schema';
import { NotFound } from './errors';
import { learntFiles } from './learntFiles';

interface Kept {
  events: (KeptEvent & { batchId: string | null })[];
  sure: Set<number>;
}

/** The whole book, oldest first; what was taken back is marked. */
export async function keptEvents(db: Db): Promise<Kept> {
  const rows = await db.select().from(heatEvents).orderBy(asc(heatEvents.id));
  return {
    events: rows.map(({ id, on, withdrawn, event, batchId }) => ({ id, on, withdrawn, event, batchId })),
    sure: new Set(rows.filter((r) => r.sure).map((r) => r.id)),
  };
}

/** The last book that was replayed, and what it looked like. */
let replayed: { print: string; known: HeatKnowledge } | null = null;

/** What a book looks like: its entries, which of them count, and what other kitchens say. */
async function printOf(db: Db, files: readonly LearntFile[]): Promise<string> {
  const [row] = await db
    .select({
      print: sql<string>`count(*) || ':' || coalesce(md5(string_agg(${heatEvents.id} || ${heatEvents.withdrawn}::text || ${heatEvents.sure}::text || md5(${heatEvents.event}::text), ',' order by ${heatEvents.id})), '')`,
    })
    .from(heatEvents);
  return files.length === 0 ? row!.print : `${row!.print} ${JSON.stringify(files)}`;
}

/** What a lot is taken for before it was tasted, where files of other kitchens tell of its variety. */
async function startBy(db: Db, files: readonly LearntFile[]) {
  if (files.length === 0) return undefined;
  const rows = await db.select({ id: podLots.id, varietyId: sql<string>`${podLots.lot} ->> 'varietyId'` }).from(podLots);
  const varieties = new Map(rows.map((r) => [r.id, r.varietyId]));
  return (lotId: string, stated: LotHeat) => heatWithKitchens(files, varieties.get(lotId) ?? '', stated);
}
/** All that the book teaches with some files of other kitchens beside it. */
export async function knowledgeWith(db: Db, files: readonly LearntFile[]): Promise<HeatKnowledge> {
  const { events, sure } = await keptEvents(db);
  return knowledgeFrom(events, sure, await startBy(db, files));
}

/** All that the book teaches: replayed once, and again when the book is another. */
export async function knowledge(db: Db): Promise<HeatKnowledge> {
  const files = await learntFiles(db);
  const print = await printOf(db, files);
  if (replayed?.print === print) return replayed.known;
  const known = await knowledgeWith(db, files);
  replayed = { print, known };
  return known;
}

/** States what a lot's heat is taken for, in the book. */
export async function stateHeat(db: Db, lotId: string, heat: LotHeat | null, on: string, why = sourceInWords(heat)): Promise<void> {
  await db.insert(heatEvents).values({ on, event: { kind: 'set', lotId, heat, why } });
}

/** What was stated of a lot, without what other kitchens made of it: so that their files can be left out again. */
export async function statedOf(db: Db, lot: PodLot): Promise<LotHeat | null> {
  if (lot.heat?.source !== 'kitchens') return lot.heat;
  const [row] = await db
    .select({ event: heatEvents.event })
    .from(heatEvents)
    .where(
      and(eq(heatEvents.withdrawn, false), sql`${heatEvents.event} ->> 'kind' = 'set'`, sql`${heatEvents.event} ->> 'lotId' = ${lot.id}`),
    )
    .orderBy(desc(heatEvents.id))
    .limit(1);
  return (row?.event.kind === 'set' ? row.event.heat : null) ?? statedHeat(lot);
}

/** Where files of other kitchens tell of a lot that is new or another now, it is taken for that. */
export async function startWithKitchens(db: Db): Promise<string[]> {
  return (await learntFiles(db)).length === 0 ? [] : settleLots(db, await knowledge(db));
}

/** Brings the lots in step with the book; says which changed. */
export async function settleLots(db: Db, known: HeatKnowledge): Promise<string[]> {
  const ids = [...known.heats.keys()];
  if (ids.length === 0) return [];
  const rows = await db.select().from(podLots).where(inArray(podLots.id, ids));
  const changed: string[] = [];
  for (const row of rows) {
    const heat = known.heats.get(row.id) ?? null;
    if (JSON.stringify(row.lot.heat) === JSON.stringify(heat)) continue;
    await db
      .update(podLots)
      .set({ lot: { ...row.lot, heat }, revision: row.revision + 1 })
      .where(eq(podLots.id, row.id));
    changed.push(row.id);
  }
  return changed;
}

export interface HeatSaved {
  record: HeatRecord;
  /** Lots whose heat is another now. */
  lots: string[];
}

/** Takes an entry back, or puts it in again: the book is replayed without or with it. */
export async function withdrawHeat(db: Db, id: number, withdrawn: boolean): Promise<HeatSaved> {
  return db.transaction(async (tx) => {
    const t = tx as unknown as Db;
    const [row] = await t.update(heatEvents).set({ withdrawn }).where(eq(heatEvents.id, id)).returning();
    // What a lot was said to be belongs to the lot; change it there.
    if (!row || row.event.kind === 'set') throw new NotFound('This entry is not there any more.');
    const lots = await settleLots(t, await knowledge(t));
    return { record: { id, on: row.on, event: row.event, batchId: row.batchId }, lots };
  });
}

export async function heatBook(db: Db): Promise<HeatBook> {
  const known = await knowledge(db);
  const rows = await db
    .select({ id: heatEvents.id, on: heatEvents.on, event: heatEvents.event, batchId: heatEvents.batchId })
    .from(heatEvents)
    .where(and(eq(heatEvents.withdrawn, false), sql`(${heatEvents.event} ->> 'kind') <> 'set'`))
    .orderBy(desc(heatEvents.id));
  return {
    events: rows,
    scales: [...known.scales].map(([taster, scale]) => ({ taster, scale })),
  };
}

/** What made a lot's heat what it is, newest first. */
export async function heatHistory(db: Db, lotId: string): Promise<HeatStep[]> {
  return ((await knowledge(db)).history.get(lotId) ?? []).slice().reverse();
}
