import { existsSync, mkdirSync, readdirSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Db } from '../db/open';
import { FILE, FOLDER, forOwnerOnly } from '../db/ownOnly';
import { localDay } from '../day';
import { isEmpty, readKitchen } from './kitchen';
import { packKitchen } from './zip';

const KEPT = 7;
const LOOK_EVERY_MS = 3_600_000;
const NAME = /^roskel-\d{4}-\d{2}-\d{2}\.zip$/;

/** Writes the backup of a day beside the data folder, once, and lets the oldest beyond seven go. True when it wrote. */
export async function backupOfDay(db: Db, folder: string, today: string): Promise<boolean> {
  const place = `${folder}-backups`;
  const path = join(place, `roskel-${today}.zip`);
  if (existsSync(path) || (await isEmpty(db))) return false;
  mkdirSync(place, { recursive: true, mode: FOLDER });
  forOwnerOnly(place);
  // Whole or not at all: a backup cut short must never stand in for one.
  writeFileSync(`${path}.part`, packKitchen(await readKitchen(db)), { mode: FILE });
  renameSync(`${path}.part`, path);
  const old = readdirSync(place)
    .filter((name) => NAME.test(name))
    .sort()
    .slice(0, -KEPT);
  for (const name of old) rmSync(join(place, name), { force: true });
  return true;
}

/** Sees to the daily backups while the server runs. */
export function keepDaily(db: Db, folder: string): { stop(): Promise<void> } {
  let running: Promise<unknown> = Promise.resolve();
  const look = () => {
    running = running
      .then(() => backupOfDay(db, folder, localDay()))
      .catch((error: unknown) => console.error(`The daily backup could not be written: ${(error as Error).message}`));
  };
  look();
  const timer = setInterval(look, LOOK_EVERY_MS);
  timer.unref();
  return {
    stop: async () => {
      clearInterval(timer);
      await running;
    },
  };
}
