import { constants, cpSync, existsSync, renameSync, rmSync } from 'node:fs';
import { rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { ChangeEvent } from '@roskel/contract';
import { drizzle } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import { openEngine, syncTree } from './durable';
import { forOwnerOnly } from './ownOnly';
import { howToGoBack } from './copies';
import { beginFolder, FolderUnfit, inspectFolder, markFolder, mayEmpty, prepareFolder } from './folder';
import type { Lease } from './lease';
import { localDay } from '../day';
import { upgradeDocuments } from './documents';
import { lockFolder } from './lock';
import { MIGRATIONS } from '../places';
import * as schema from './schema';
import { changesSoFar, type Db, type Store } from './store';

export type { Db } from './store';

/** The embedded database: one process, its folder locked. */
export interface OpenDb extends Store {
  /** Its files as they are now, to begin another from. */
  image(): Promise<Blob>;
}

export interface Start {
  demo?: boolean;
  fresh?: boolean;
  /** What a database in memory begins with. */
  image?: Blob;
}

/**
 * Opens (and first makes) the database in a folder, brings it up to date and locks it; `null` keeps it in memory.
 * `fresh` empties a demo first, once the lock says that nobody else uses it and it is known to be one.
 * Throws FolderLocked, and FolderUnfit for a folder that is not ours, damaged or not to be written.
 */
export async function openDb(folder: string | null, { demo = false, fresh = false, image }: Start = {}): Promise<OpenDb> {
  if (folder === null) return ready(null, { check: () => {}, release: () => {} }, image);
  prepareFolder(folder);
  const lock = await lockFolder(folder);
  try {
    putBack(folder);
    const isNew = inspectFolder(folder) === 'new';
    if (fresh && !isNew) mayEmpty(folder);
    const begin = isNew || fresh;
    if (begin) beginFolder(folder, demo);
    const open = begin ? await ready(`${folder}/pg`, lock) : await readyAgain(folder, lock);
    if (begin) syncTree(`${folder}/pg`);
    markFolder(folder);
    forOwnerOnly(folder);
    return begin ? open : clearing(open, join(folder, BEFORE));
  } catch (error) {
    lock.release();
    throw error;
  }
}

/**
 * Opens what is there. The engine mends what was cut short as it opens, and writes into what it cannot mend: a copy is put back
 * where opening fails, so that a damaged folder stays as it was found. Throws FolderUnfit.
 */
async function readyAgain(folder: string, lock: Lease): Promise<OpenDb> {
  const [pg, before, failed] = ['pg', BEFORE, FAILED].map((name) => join(folder, name)) as [string, string, string];
  for (const old of [before, failed]) rmSync(old, { recursive: true, force: true });
  const copied = setAside(pg, before);
  try {
    return await ready(pg, lock);
  } catch (error) {
    if (copied) {
      renameSync(pg, failed);
      renameSync(before, pg);
      rmSync(failed, { recursive: true, force: true });
    }
    const says = String((error as Error).message)
      .split('\n')[0]!
      .slice(0, MOST_SAID);
    const kept = copied ? 'Nothing was changed.' : 'There was no room to keep it as it was.';
    throw new FolderUnfit(`${pg} is damaged: the database does not open (${says}). ${kept} ${howToGoBack(folder, localDay())}`);
  }
}
/** Takes the copy of a start away while the kitchen is used already; what a cut leaves of it the next start takes. */
function clearing(open: OpenDb, copy: string): OpenDb {
  const gone = rm(copy, { recursive: true, force: true }).catch(() => undefined);
  return { ...open, close: () => gone.then(() => open.close()) };
}
/** Ends what a putting back left that was cut short between its two names. */
function putBack(folder: string): void {
  const [pg, before] = [join(folder, 'pg'), join(folder, BEFORE)];
  if (!existsSync(pg) && existsSync(before)) renameSync(before, pg);
}
/** Copies a folder, sharing the blocks where the disk can; false where there is no room for it. */
function setAside(from: string, to: string): boolean {
  try {
    cpSync(from, `${to}.part`, { recursive: true, mode: constants.COPYFILE_FICLONE, preserveTimestamps: true });
    renameSync(`${to}.part`, to);
    return true;
  } catch (error) {
    rmSync(`${to}.part`, { recursive: true, force: true });
    if (!['ENOSPC', 'EDQUOT'].includes((error as NodeJS.ErrnoException).code ?? '')) throw error;
    return false;
  }
}
const BEFORE = 'pg-before';
const FAILED = 'pg-failed';
const MOST_SAID = 160;

/** Times that a long reading begins anew before it asks for the database alone. */
const TRIES = 5;
/** The engine has one line: a transaction would hold everybody up, so that one looks whether anything was changed meanwhile. */
async function undisturbed<T>(db: Db, read: (db: Db) => Promise<T>): Promise<T> {
  for (let tried = 0; tried < TRIES; tried++) {
    const before = await changesSoFar(db);
    const value = await read(db);
    if ((await changesSoFar(db)) === before) return value;
  }
  return db.transaction((tx) => read(tx as unknown as Db));
}

async function ready(folder: string | null, lock: Lease, image?: Blob): Promise<OpenDb> {
  const client = await openEngine(folder, image);
  const engine = drizzle(client as never, { schema });
  await migrate(engine, { migrationsFolder: MIGRATIONS });
  const db = engine as unknown as Db;
  await upgradeDocuments(db);
  return {
    db,
    where: folder ?? 'memory',
    kitchen: null,
    // The engine runs one transaction at a time.
    write: (work) =>
      db.transaction(async (tx) => {
        const said: ChangeEvent[] = [];
        const value = await work(tx as unknown as Db, (event) => said.push(event));
        lock.check();
        return { value, said };
      }),
    asOfNow: (read) => undisturbed(db, read),
    // There are no others.
    hear: () => {},
    image: () => client.dumpDataDir('none'),
    close: async () => {
      await client.close();
      lock.release();
    },
  };
}
