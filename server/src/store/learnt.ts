import { and, eq } from 'drizzle-orm';
import {
  commonVariety,
  learntHere,
  learntOf,
  palateWithKitchens,
  RAILS,
  withExpected,
  type HeatKnowledge,
  type LearntFile,
  type LotHeat,
  type Tool,
} from '@roskel/core';
import type { Learnt, LearntPreview } from '@roskel/contract';
import type { Db } from '../db/open';
import { ownRows, podLots } from '../db/schema';
import { keptEvents, knowledge, knowledgeWith } from './heat';
import { identityOf } from './identity';
import { learntFiles } from './learntFiles';
import { getSettings } from './settings';

const toolsOf = async (db: Db): Promise<Tool[]> =>
  (
    await db
      .select({ value: ownRows.value })
      .from(ownRows)
      .where(and(eq(ownRows.kind, 'tools'), eq(ownRows.archived, false)))
  ).map((r) => r.value as Tool);

/** What this kitchen learnt itself, for others. */
export async function learntOfKitchen(db: Db): Promise<LearntFile> {
  const { events, sure } = await keptEvents(db);
  const lots = await db.select({ id: podLots.id, lot: podLots.lot, madeFrom: podLots.madeFrom }).from(podLots);
  return learntHere({
    kitchen: await identityOf(db),
    book: events,
    sure,
    lots: new Map(lots.map((l) => [l.id, { varietyId: l.lot.varietyId, made: l.madeFrom !== null }])),
    tools: await toolsOf(db),
    palate: (await getSettings(db)).palate,
  });
}

/** Changes smaller than this are none to speak of. */
const WORTH = 0.005;
const moved = (a: number, b: number) => Math.abs(a - b) > WORTH;
const heatsOf = (known: HeatKnowledge, id: string): LotHeat | null => known.heats.get(id) ?? null;

/** What a file of another kitchen would change here: lots, things and taste, as they are and as they would be. */
export async function previewLearnt(db: Db, file: LearntFile): Promise<LearntPreview> {
  const had = await learntFiles(db);
  const files = [...had, file];
  const [now, then] = [await knowledge(db), await knowledgeWith(db, files)];
  const lots = await db.select({ id: podLots.id, lot: podLots.lot }).from(podLots).where(eq(podLots.archived, false));
  const tools = await toolsOf(db);
  const { palate } = await getSettings(db);
  const [tasteNow, tasteThen] = [palateWithKitchens(had, palate), palateWithKitchens(files, palate)];
  const older = await db
    .select({ value: ownRows.value })
    .from(ownRows)
    .where(and(eq(ownRows.kind, 'learnt'), eq(ownRows.archived, false)));
  return {
    own: file.kitchen === (await identityOf(db)),
    replaces: older.map((r) => r.value as Learnt).find((l) => l.file.kitchen === file.kitchen)?.name ?? null,
    unknown: file.pods.map((p) => p.variety).filter((v) => !commonVariety(v)),
    lots: lots.flatMap(({ id, lot }) => {
      const [before, after] = [heatsOf(now, id), heatsOf(then, id)];
      if (!before || !after) return [];
      if (!moved(Math.log(before.dryShu), Math.log(after.dryShu)) && !moved(before.sigma, after.sigma)) return [];
      const said = ({ dryShu, sigma }: LotHeat) => ({ dryShu: dryShu * (1 - lot.waterPct / 100), sigma });
      return [{ id, name: lot.name, before: said(before), after: said(after) }];
    }),
    tools: tools.flatMap((tool) => {
      const [before, after] = [learntOf(withExpected(had, tool)), learntOf(withExpected(files, tool))];
      if (!moved(before.log, after.log) && !moved(before.sd, after.sd)) return [];
      const said = ({ log, sd }: { log: number; sd: number }) => ({ log, sd });
      return [{ id: tool.id, name: tool.name, kind: tool.kind, before: said(before), after: said(after) }];
    }),
    taste: RAILS.flatMap((rail) => {
      const [before, after] = [tasteNow[rail]?.level ?? null, tasteThen[rail]?.level ?? null];
      return after !== null && (before === null || moved(before / after, 1)) ? [{ rail, before, after }] : [];
    }),
  };
}
