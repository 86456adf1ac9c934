import { inArray } from 'drizzle-orm';
import { addDays, carry, LineProblem, runLine, stationKind, TYPICAL, type BatchFile } from '@roskel/core';
import { checkBatchFile } from '@roskel/contract/validate';
import type { Db } from '../db/open';
import { podLots } from '../db/schema';
import { Unfit } from './errors';

/** Lots that a file names and does not carry, as the store has them. */
async function missingLots(db: Db, file: BatchFile) {
  const carried = new Set(file.lots.map((l) => l.id));
  const named = file.stations.flatMap((s) => stationKind(s.kind).names?.(s.params).lots ?? []).filter((id) => !carried.has(id));
  if (named.length === 0) return [];
  return (await db.select({ lot: podLots.lot }).from(podLots).where(inArray(podLots.id, named))).map((r) => r.lot);
}

/** A file that is fit to be stored: shape, meaning, and its line runs. Throws Unfit with every field that is wrong. */
export async function fitFile(db: Db, value: unknown): Promise<BatchFile> {
  const checked = checkBatchFile(value);
  if (!checked.ok) throw new Unfit('Some of this cannot be.', checked.errors);
  let file: BatchFile;
  try {
    file = carry(checked.file, await missingLots(db, checked.file), []);
  } catch (error) {
    throw new Unfit((error as Error).message, [{ path: 'lots', message: (error as Error).message }]);
  }
  for (const measured of [true, false]) {
    try {
      runLine(file, TYPICAL, measured);
    } catch (error) {
      if (!(error instanceof LineProblem)) throw error;
      const at = file.stations.findIndex((s) => s.id === error.stationId);
      const inner = error.field.startsWith('log/') ? error.field : `params/${error.field}`;
      throw new Unfit(error.message, [{ path: `stations/${at}/${inner}`, message: error.message }]);
    }
  }
  return file;
}

/** Nothing is done, and nothing read, on a day that has not come; a day of grace for makers east of the server. */
export function refuseFuture(file: BatchFile, today: string): void {
  const last = addDays(today, 1);
  const message = 'That day has not come yet. Log what was done, not what is planned.';
  const errors = [
    ...file.stations.flatMap((s, i) => ((s.log.doneOn ?? '') > last ? [{ path: `stations/${i}/log/doneOn`, message }] : [])),
    ...file.readings.flatMap((r, i) => (r.at.slice(0, 10) > last ? [{ path: `readings/${i}/at`, message }] : [])),
  ];
  if (errors.length > 0) throw new Unfit('Some of this cannot be.', errors);
}
