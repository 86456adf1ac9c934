import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { FOLDER, forOwnerOnly } from '../db/ownOnly';
import type { Store } from '../db/store';
import { localDay } from '../day';
import { writeBackup } from './file';
import { isEmpty } from './kitchen';
import type { Counts } from './read';
import { countsIn } from './zip';

const KEPT = 7;
const LOOK_EVERY_MS = 3_600_000;
const NAME = /^roskel-(\d{4}-\d{2}-\d{2})\.zip$/;

/** Where the daily copies of a folder are. */
export const copiesOf = (folder: string): string => `${folder}-backups`;
/** Names of the daily copies, the newest first; those that a clock which was ahead dated after `today` come last. */
export function dailyCopies(place: string, today: string): string[] {
  const day = (name: string) => NAME.exec(name)![1]!;
  const names = readdirSync(place).filter((name) => NAME.test(name));
  const ahead = (name: string) => Number(day(name) > today);
  return names.sort((a, b) => ahead(a) - ahead(b) || (day(a) < day(b) ? 1 : -1));
}

/** A kitchen keeps its log for good, and loses little by undoing: fewer lines, or half of a table, are a loss (our judgement). */
const FEW_ROWS = 10;
export function lostSince(before: Counts, now: Counts): string[] {
  return Object.keys(before).filter((table) => {
    const [was, is] = [before[table]!, now[table] ?? 0];
    return table === 'log' ? is < was : was >= FEW_ROWS && is < was / 2;
  });
}

/**
 * Writes the copy of a day beside the data folder, once, and lets the oldest beyond seven go; where the kitchen holds less
 * than in one of them, none goes, and it is said. True when it wrote.
 */
export async function backupOfDay(store: Store, folder: string, today: string): Promise<boolean> {
  const place = copiesOf(folder);
  const path = join(place, `roskel-${today}.zip`);
  if (existsSync(path) || (await isEmpty(store.db))) return false;
  mkdirSync(place, { recursive: true, mode: FOLDER });
  forOwnerOnly(place);
  const counts = await writeBackup(store, path);
  const [, ...others] = dailyCopies(place, today);
  for (const name of others) {
    const had = countsIn(readFileSync(join(place, name)));
    const lost = had ? lostSince(had, counts) : [];
    if (lost.length === 0) continue;
    const rows = lost.map((t) => `${t}: ${counts[t] ?? 0} rows, ${had![t]} then`).join('; ');
    console.error(
      `There is less in this kitchen than in ${join(place, name)} (${rows}). No older copy is thrown away. If something was lost, read that one back into an empty folder: npm run restore -- FILE --data FOLDER.`,
    );
    return true;
  }
  for (const name of others.slice(KEPT - 1)) rmSync(join(place, name), { force: true });
  return true;
}

/** Sees to the daily backups while the server runs. */
export function keepDaily(store: Store, folder: string): { stop(): Promise<void> } {
  let running: Promise<unknown> = Promise.resolve();
  const look = () => {
    running = running
      .then(() => backupOfDay(store, folder, localDay()))
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
