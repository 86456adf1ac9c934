import { closeSync, fsyncSync, openSync, renameSync, rmSync, writeSync } from 'node:fs';
import { FILE } from '../db/ownOnly';
import type { Store } from '../db/store';
import { kitchenText, type Counts } from './read';
import { packKitchen } from './zip';

/**
 * Writes everything a kitchen holds into a file, as of one moment, while others go on reading and writing: whole and on the
 * disk, or not at all. Gives the rows of each table. Throws BackupIncomplete, and what the disk says.
 */
export async function writeBackup(store: Store, path: string, made = new Date().toISOString()): Promise<Counts> {
  const part = `${path}.part`;
  try {
    const counts = await store.asOfNow(async (db) => {
      const rows: Counts = {};
      const fd = openSync(part, 'w', FILE);
      try {
        await packKitchen(kitchenText(db, made, rows), rows, made, (piece) => writeSync(fd, piece));
        fsyncSync(fd);
      } finally {
        closeSync(fd);
      }
      return rows;
    });
    renameSync(part, path);
    return counts;
  } catch (error) {
    rmSync(part, { force: true });
    throw error;
  }
}
