import { asc, inArray } from 'drizzle-orm';
import {
  addDays,
  aheadIssues,
  carry,
  fieldPath,
  namesOf,
  same,
  stationsOf,
  withJar,
  type BatchFile,
  type PodLot,
  type StoredStuff,
} from '@roskel/core';
import { checkBatchFile } from '@roskel/contract/validate';
import type { Db } from '../db/open';
import { podLots, storedStuff } from '../db/schema';
import { working, type Worked } from '../working';
import { Unfit } from './errors';

/** What the stores say to a file. */
interface Known {
  lots: PodLot[];
  stored: StoredStuff[];
}
/**
 * Lots that a file names and does not carry, as the stores have them; stored things as they are known here, and of lots how
 * sure their jar was, whatever the file says: what became of it since is told here.
 */
async function known(db: Db, file: BatchFile): Promise<Known> {
  const names = stationsOf(file).map((s) => namesOf(s.entry));
  const [lotIds, storedIds] = [names.flatMap((n) => [...n.lots]), names.flatMap((n) => [...n.stored])];
  const here =
    lotIds.length === 0
      ? []
      : await db.select({ lot: podLots.lot }).from(podLots).where(inArray(podLots.id, lotIds)).orderBy(asc(podLots.id));
  const lots = here.flatMap(({ lot }): PodLot[] => {
    const carried = file.lots.find((l) => l.id === lot.id);
    if (!carried) return [lot];
    return carried.jar === lot.jar ? [] : [withJar(carried, lot.jar ?? null)];
  });
  const stuff =
    storedIds.length === 0
      ? []
      : await db
          .select({ stuff: storedStuff.stuff })
          .from(storedStuff)
          .where(inArray(storedStuff.id, storedIds))
          .orderBy(asc(storedStuff.id));
  return { lots, stored: stuff.map((r) => r.stuff) };
}

/** A file that is fit to be stored, and what that stands on: the file that was given, and what the stores said to it. */
export interface Fit {
  file: BatchFile;
  given: BatchFile;
  said: Known;
}
/** A file that is fit to be stored in its shape and meaning; whether its line runs, fitLine tells. Throws Unfit with every field that is wrong. */
export async function fitFile(db: Db, value: unknown): Promise<Fit> {
  const checked = checkBatchFile(value);
  if (!checked.ok) throw new Unfit('Some of this cannot be.', checked.errors);
  const said = await known(db, checked.file);
  try {
    return { file: carry(checked.file, said.lots, [], said.stored), given: checked.file, said };
  } catch (error) {
    throw new Unfit((error as Error).message, [{ path: 'lots', message: (error as Error).message }]);
  }
}
/** Whether the stores say now what they said then. */
export const fitsStill = async (db: Db, { given, said }: Fit): Promise<boolean> => same(await known(db, given), said);

/** What is worked out from a file that is to be stored: its line runs. Throws Unfit with the field that stops it. */
export async function fitLine(file: BatchFile, today: string): Promise<Worked> {
  const worked = await working.workedOut(file, today);
  const { trouble } = worked;
  if (trouble) throw new Unfit(trouble.message, [{ path: fieldPath(file, trouble.stationId, trouble.field), message: trouble.message }]);
  return worked;
}

/** Nothing is done, and nothing read, on a day that has not come; a day of grace for makers east of the server. */
export function refuseFuture(file: BatchFile, today: string): void {
  const errors = aheadIssues(file, addDays(today, 1));
  if (errors.length > 0) throw new Unfit('Some of this cannot be.', errors);
}
