import { existsSync, mkdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import type { CopyRows, KitchenCopies } from '@roskel/contract';
import { copiesBefore, copiesOf, dailyCopies, nameBefore } from '../db/copies';
import { goOnFromHere } from '../db/folder';
import { FOLDER, forOwnerOnly } from '../db/ownOnly';
import { changesSoFar, patiently, type Db, type Store } from '../db/store';
import { NotFound, Unfit } from '../store/errors';
import { writeBackup } from './file';
import { replaceKitchen } from './kitchen';
import { countRows, type Counts } from './read';
import { countsIn, unpackKitchen } from './zip';

const rowsOf = (counts: Counts): CopyRows => ({
  batches: counts.batches ?? 0,
  pods: counts.pod_lots ?? 0,
  larder: counts.larder_lots ?? 0,
  bottlings: counts.bottlings ?? 0,
});

/** The copies that lie beside a data folder, and what is in the kitchen now; `null` for one that is kept elsewhere. */
export async function listCopies(db: Db, folder: string | null, today: string): Promise<KitchenCopies> {
  const now = rowsOf(await countRows(db));
  if (folder === null) return { now, copies: null };
  const place = copiesOf(folder);
  const copy = (name: string, daily: boolean) => {
    const path = join(place, name);
    const counts = countsIn(readFileSync(path));
    return { name, daily, writtenAt: statSync(path).mtime.toISOString(), rows: counts && rowsOf(counts) };
  };
  return {
    now,
    copies: [...dailyCopies(place, today).map((name) => copy(name, true)), ...copiesBefore(place).map((name) => copy(name, false))],
  };
}

/** The bytes of one of the copies. Throws NotFound. */
export function copyNamed(folder: string | null, name: string, today: string): Uint8Array {
  const place = folder === null ? null : copiesOf(folder);
  if (place === null || ![...dailyCopies(place, today), ...copiesBefore(place)].includes(name))
    throw new NotFound('There is no such copy.');
  return readFileSync(join(place, name));
}

/** What is to be read in, unpacked, and what was there when the copy of before was written. */
export interface ReadyBack {
  kitchen: unknown;
  /** Name of the copy of what is there now. */
  before: string;
  changes: string;
}
/**
 * What takes long of reading a backup back, before its turn: it is unpacked, and what is there now is kept as a copy first.
 * Throws Unfit for what is no backup, and for a kitchen that has no folder to keep that copy beside.
 */
export async function readyBack(store: Store, folder: string | null, bytes: Uint8Array): Promise<ReadyBack> {
  if (folder === null) {
    const message = 'This kitchen is on a server: read a backup into another one there (npm run restore -- FILE --kitchen NAME).';
    throw new Unfit(message, [{ path: '', message }]);
  }
  const kitchen = unpackKitchen(bytes);
  const changes = await changesSoFar(store.db);
  const place = copiesOf(folder);
  mkdirSync(place, { recursive: true, mode: FOLDER });
  forOwnerOnly(place);
  // Twice within a second is another second.
  let at = Date.now();
  while (existsSync(join(place, nameBefore(new Date(at))))) at += 1000;
  const before = nameBefore(new Date(at));
  await writeBackup(store, join(place, before));
  return { kitchen, before, changes };
}

/** Puts it in place of what is there: all of it, or nothing is changed. Throws Unfit, also where something was changed since the copy. */
export async function goBack(db: Db, folder: string, { kitchen, changes }: ReadyBack): Promise<void> {
  if ((await changesSoFar(db)) !== changes) {
    const message = 'This kitchen was changed while its copy was written. Nothing was read in; try again.';
    throw new Unfit(message, [{ path: '', message }]);
  }
  await patiently(db);
  await replaceKitchen(db, kitchen);
  goOnFromHere(folder);
}
