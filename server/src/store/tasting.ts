import { eq, inArray } from 'drizzle-orm';
import { endStrands, lotShu, mainEnd, podVariance, tastedSauce, type HeatEvent, type TastedPart } from '@roskel/core';
import type { HeatInput, HeatSubject } from '@roskel/contract';
import type { Db } from '../db/open';
import { heatEvents, podLots } from '../db/schema';
import { getBatch } from './batchReads';
import { NotFound, Unfit } from './errors';
import { keptEvents, knowledge, settleLots, stateHeat, type HeatSaved } from './heat';

/** Lots from before there was a book are entered as they are. */
async function enterMissing(db: Db, parts: readonly TastedPart[], on: string): Promise<void> {
  const { events } = await keptEvents(db);
  const stated = new Set(events.flatMap((e) => (e.event.kind === 'set' ? [e.event.lotId] : [])));
  const missing = parts.map((p) => p.lotId).filter((id) => !stated.has(id));
  if (missing.length === 0) return;
  for (const row of await db.select().from(podLots).where(inArray(podLots.id, missing))) await stateHeat(db, row.id, row.lot.heat, on);
}

interface About {
  name: string;
  parts: TastedPart[];
  processSd: number;
  added: { shu: number; sigma: number } | null;
  forecast: { mu: number; sigma: number } | null;
  batchId: string | null;
}

async function about(db: Db, subject: HeatSubject): Promise<About> {
  if ('batchId' in subject) {
    const { file } = await getBatch(db, subject.batchId);
    const strand = file.strands.find((s) => s.id === (subject.strandId ?? mainEnd(file).id));
    if (!strand?.goal) throw new NotFound('This sauce is not there any more.');
    const name = endStrands(file).length > 1 ? `${file.name}, ${strand.name}` : file.name;
    return { name, ...tastedSauce(file, strand.id), batchId: subject.batchId };
  }
  const [row] = await db.select().from(podLots).where(eq(podLots.id, subject.lotId));
  if (!row) throw new NotFound('This pod lot is not there any more.');
  const { lot } = row;
  const pods = lot.podMassG ? subject.pods : null;
  const forecast = lot.heat && { mu: Math.log(lotShu(lot)), sigma: Math.sqrt(lot.heat.sigma ** 2 + podVariance(pods ?? Infinity)) };
  return {
    name: lot.name,
    parts: [{ lotId: lot.id, weight: 1 - lot.waterPct / 100, pods }],
    processSd: 0,
    added: null,
    forecast,
    batchId: null,
  };
}

async function eventOf(db: Db, input: HeatInput): Promise<{ event: HeatEvent; batchId: string | null }> {
  if (input.kind === 'reference') {
    const { kind, name, labelShu, scores } = input;
    return { event: { kind, name, labelShu, scores }, batchId: null };
  }
  const { name, parts, processSd, added, forecast, batchId } = await about(db, input.subject);
  if (!forecast)
    throw new Unfit('Nothing hot went into this, so there is nothing to learn.', [{ path: 'subject', message: 'Choose something hot.' }]);
  if (input.kind === 'tasting')
    return { event: { kind: 'tasting', name, parts, processSd, added, forecast, scores: input.scores }, batchId };
  const { how, shu, sigma } = input;
  return { event: { kind: 'measured', how, name, parts, processSd, added, shu, sigma }, batchId };
}

/**
 * Enters a tasting, a measurement or a labelled sauce into the book and lets the lots learn from it. Throws Unfit (path
 * "sure") when it is too surprising to be believed unasked.
 */
export async function addHeat(db: Db, input: HeatInput, today: string): Promise<HeatSaved> {
  const { event, batchId } = await eventOf(db, input);
  return db.transaction(async (tx) => {
    const t = tx as unknown as Db;
    if ('parts' in event) await enterMissing(t, event.parts, today);
    const insist = input.kind !== 'reference' && input.sure === true;
    const [row] = await t.insert(heatEvents).values({ on: today, event, batchId, sure: insist }).returning({ id: heatEvents.id });
    const id = row!.id;
    const known = await knowledge(t);
    const surprise = known.refused.get(id);
    if (surprise !== undefined) {
      const way = surprise > 0 ? 'hotter' : 'milder';
      const message = `That is far ${way} than this sauce can be by all that is known of it. Check the unit, the water content and whether something is missing in the batch; or say that you are sure.`;
      throw new Unfit(message, [{ path: 'sure', message }]);
    }
    const lots = await settleLots(t, known);
    return { record: { id, on: today, event, batchId }, lots };
  });
}
