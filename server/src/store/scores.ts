import { and, desc, eq, inArray } from 'drizzle-orm';
import {
  measuredValues,
  SCORED,
  stationIn,
  stationKind,
  styleOf,
  tastedPrediction,
  toolAt,
  type BatchFile,
  type Prediction,
  type ScoreRow,
} from '@roskel/core';
import { heatEvents, podLots, predictions } from '../db/schema';
import type { Db } from '../db/store';
import { everyBatch } from './batchReads';
import { knowledge } from './heat';

/** Keeps what was foretold, as it stood. */
export async function keepPredictions(db: Db, batchId: string, made: readonly Prediction[]): Promise<void> {
  if (made.length > 0)
    await db
      .insert(predictions)
      .values(made.map((p) => ({ ...p, batchId })))
      .onConflictDoNothing();
}

/** After a change: what was taken back is foretold no more, what was put right is measured otherwise, and what is new is kept. */
export async function settlePredictions(
  db: Db,
  batchId: string,
  before: BatchFile,
  after: BatchFile,
  made: readonly Prediction[],
): Promise<void> {
  const now = new Map(measuredValues(after).map((m) => [m.key, m]));
  const had = measuredValues(before);
  const gone = had.filter((m) => !now.has(m.key)).map((m) => m.key);
  if (gone.length > 0) await db.delete(predictions).where(and(eq(predictions.batchId, batchId), inArray(predictions.key, gone)));
  for (const { key, value, at } of had) {
    const m = now.get(key);
    if (!m || (m.value === value && m.at === at)) continue;
    await db
      .update(predictions)
      .set({ measured: m.value, ...(m.at === '' ? {} : { on: m.at.slice(0, 10) }) })
      .where(and(eq(predictions.batchId, batchId), eq(predictions.key, key)));
  }
  await keepPredictions(db, batchId, made);
}

/** What a row is of, by the batch as it is now. */
function placed(file: BatchFile, batchId: string, p: Prediction): ScoreRow {
  const entry = stationIn(file, p.stationId);
  return {
    ...p,
    ...{ batchId, batch: file.name, style: styleOf(file.style).name },
    station: entry ? stationKind(entry.kind).name : '',
    tool: entry && SCORED[p.of].byTool ? (toolAt(file, entry)?.name ?? null) : null,
    lots: file.lots.map((l) => l.name),
  };
}

/** What was foretold of all that was ever measured, newest first; no batch is left out, archived ones neither. */
export async function listScores(db: Db): Promise<ScoreRow[]> {
  const files = new Map((await everyBatch(db)).map((b) => [b.id, b.file]));
  const kept = await db.select().from(predictions).orderBy(desc(predictions.on), predictions.batchId, predictions.key);
  const rows = kept.flatMap(({ batchId, ...p }) => {
    const file = files.get(batchId);
    return file ? [placed(file, batchId, p)] : [];
  });
  return [...rows, ...(await tasted(db, files))].sort((a, b) => (a.on < b.on ? 1 : a.on > b.on ? -1 : 0));
}

/** Heat by taste against what was foretold: the book keeps both. */
async function tasted(db: Db, files: ReadonlyMap<string, BatchFile>): Promise<ScoreRow[]> {
  const { scales } = await knowledge(db);
  const rows = await db.select().from(heatEvents).where(eq(heatEvents.withdrawn, false)).orderBy(desc(heatEvents.id));
  const lots = new Map((await db.select({ id: podLots.id, lot: podLots.lot }).from(podLots)).map((p) => [p.id, p.lot.name]));
  return rows.flatMap(({ id, on, event, batchId }): ScoreRow[] => {
    if (event.kind !== 'tasting') return [];
    const file = files.get(batchId ?? '');
    const style = file ? styleOf(file.style).name : '';
    const of = event.parts.flatMap((p) => lots.get(p.lotId) ?? []);
    return [
      { ...tastedPrediction(event, id, on, scales), batchId: batchId ?? '', batch: event.name, style, station: '', tool: null, lots: of },
    ];
  });
}
