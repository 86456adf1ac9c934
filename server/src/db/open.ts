import { mkdirSync, rmSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { PGlite } from '@electric-sql/pglite';
import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core';
import { drizzle } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import { lockFolder } from './lock';
import * as schema from './schema';

/** Any PostgreSQL behind Drizzle: PGlite here, a server later without touching a store. */
export type Db = PgDatabase<PgQueryResultHKT, typeof schema>;

export interface OpenDb {
  db: Db;
  close(): Promise<void>;
}

const MIGRATIONS = fileURLToPath(new URL('../../drizzle', import.meta.url));

/**
 * Opens (and first makes) the database in a folder, brings it up to date and locks it; `null` keeps it in memory.
 * `fresh` empties the folder first, once the lock says that nobody else uses it.
 */
export async function openDb(folder: string | null, fresh = false): Promise<OpenDb> {
  let unlock = () => {};
  if (folder) {
    mkdirSync(folder, { recursive: true });
    unlock = lockFolder(folder);
  }
  try {
    if (folder && fresh) rmSync(`${folder}/pg`, { recursive: true, force: true });
    const client = new PGlite(folder ? `${folder}/pg` : undefined);
    const db = drizzle(client, { schema });
    await migrate(db, { migrationsFolder: MIGRATIONS });
    return {
      db: db as unknown as Db,
      close: async () => {
        await client.close();
        unlock();
      },
    };
  } catch (error) {
    unlock();
    throw error;
  }
}
