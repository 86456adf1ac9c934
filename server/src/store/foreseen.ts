import {
  applyChanges,
  changesBetween,
  measuredValues,
  newlyMeasured,
  same,
  seedOfFile,
  tieReadings,
  type BatchFile,
  type Change,
  type Prediction,
} from '@roskel/core';
import type { BatchRecord } from '@roskel/contract';
import type { Db } from '../db/open';
import { working, type BottleHeat, type Worked } from '../working';
import { getBatch, revisionOf } from './batchReads';
import { Stale } from './errors';
import { fitFile, fitLine, fitsStill, refuseFuture, type Fit } from './fit';

/**
 * What a change of a batch comes to. Working it out takes long, so it is done before it is the change's turn; when it is, one
 * looks whether what it stands on is still so.
 */

/** What is worked out from a file that is to be stored. */
export interface Foreseen {
  worked: Worked;
  /** The heat of its bottles by the strand that ends in them: worked out once, when it is first asked for. */
  heats(): Promise<Record<string, BottleHeat>>;
}
export function foreseen(file: BatchFile, worked: Worked, today: string): Foreseen {
  let heats: Promise<Record<string, BottleHeat>> | null = null;
  return { worked, heats: () => (heats ??= working.heatsOf(file, today)) };
}

/** A file as it is stored: the seed of its worlds fixed once, and every measured pH tied to what it was measured on. */
const settled = (file: BatchFile, before: BatchFile | null): BatchFile =>
  tieReadings(before, { ...file, seed: before?.seed ?? seedOfFile(file) });

/** Throws Unfit. */
async function workOut(file: BatchFile, today: string, heat: boolean): Promise<Foreseen> {
  const of = foreseen(file, await fitLine(file, today), today);
  if (heat && of.worked.bottles!.length > 0) await of.heats();
  return of;
}

/** A batch that is to be added. */
export interface NewBatch {
  today: string;
  fit: Fit;
  file: BatchFile;
  of: Foreseen;
  predicted: Prediction[];
}
/** Throws Unfit. */
export async function foreseeBatch(db: Db, value: unknown, today: string): Promise<NewBatch> {
  const fit = await fitFile(db, value);
  const file = settled(fit.file, null);
  refuseFuture(file, today);
  const of = await workOut(file, today, true);
  const predicted = measuredValues(file).length === 0 || of.worked.trouble ? [] : await working.predicted(null, file, today);
  return { today, fit, file, of, predicted };
}

/** Changes that are to be made in a batch. */
export interface Edit {
  today: string;
  /** The batch that they are made in. */
  now: BatchRecord;
  fit: Fit;
  file: BatchFile;
  /** From what is stored to what is to be; nothing is worked out where that is nothing. */
  made: Change[];
  /** What is to be stored holds more than what was sent: the program put something in order. */
  more: boolean;
  /** The heat of its bottles is another. */
  heat: boolean;
  of: Foreseen | null;
  /** What the batch as it was foretold of what is measured now. */
  predicted: Prediction[];
}
/** A file but for what says nothing of its heat. */
const ofHeat = (file: BatchFile) => ({ ...file, name: '', dutiesDone: [], later: [] });

/** Throws NotFound, Stale, with what is there now, where the same fields were changed otherwise meanwhile, and Unfit. */
export async function foreseeEdit(db: Db, id: string, changes: readonly Change[], today: string): Promise<Edit> {
  const now = await getBatch(db, id);
  const { value, clashes } = applyChanges(now.file, changes);
  if (clashes.length > 0) throw new Stale(now);
  const fit = await fitFile(db, value);
  const file = settled(fit.file, now.file);
  refuseFuture(file, today);
  const made = changesBetween(now.file, file);
  const heat = !same(ofHeat(now.file), ofHeat(file));
  const of = made.length === 0 ? null : await workOut(file, today, heat);
  const predicted = newlyMeasured(now.file, file).length === 0 ? [] : await working.predicted(now.file, file, today);
  return { today, now, fit, file, made, more: !same(value, file), heat, of, predicted };
}

/** What was worked out before, where it is still so. */
export async function still<T extends NewBatch | Edit>(db: Db, before: T | undefined, today: string): Promise<T | null> {
  if (before?.today !== today || !(await fitsStill(db, before.fit))) return null;
  if ('now' in before && (await revisionOf(db, before.now.id)) !== before.now.revision) return null;
  return before;
}
