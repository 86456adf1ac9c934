import { existsSync, mkdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { copiesOf, dailyCopies, howToGoBack } from '../db/copies';
import { FolderUnfit, goesOnSince } from '../db/folder';
import { FOLDER, forOwnerOnly } from '../db/ownOnly';
import { codeOf, type Store } from '../db/store';
import { localDay } from '../day';
import { writeBackup } from './file';
import { isEmpty } from './kitchen';
import { BackupIncomplete, countRows, type Counts } from './read';
import { countsIn } from './zip';

const KEPT = 7;
const LOOK_EVERY_MS = 3_600_000;
/** A kitchen keeps its log for good, and loses little by undoing: fewer lines, or half of a table, are a loss (our judgement). */
const FEW_ROWS = 10;
export function lostSince(before: Counts, now: Counts): string[] {
  return Object.keys(before).filter((table) => {
    const [was, is] = [before[table]!, now[table] ?? 0];
    return table === 'log' ? is < was : was >= FEW_ROWS && is < was / 2;
  });
}

/** The newest daily copy that holds more than there is now, and what is missing in words; null where none does. */
function lessThanCopies(folder: string, counts: Counts, today: string): { copy: string; says: string } | null {
  const place = copiesOf(folder);
  const since = goesOnSince(folder);
  for (const copy of dailyCopies(place, today)) {
    if (statSync(join(place, copy)).mtimeMs <= since) continue;
    const had = countsIn(readFileSync(join(place, copy)));
    const lost = had ? lostSince(had, counts) : [];
    const rows = lost.map((t) => `${t}: ${counts[t] ?? 0} rows, ${had![t]} then`).join('; ');
    if (lost.length > 0) return { copy, says: `There is less in ${folder} than in its copy ${copy} (${rows}).` };
  }
  return null;
}

/** A kitchen that holds less than one of its copies is not gone on with, unless its maker says so. Throws FolderUnfit. */
export async function nothingLost(store: Store, folder: string, today: string): Promise<void> {
  const less = lessThanCopies(folder, await countRows(store.db), today);
  if (less)
    throw new FolderUnfit(
      `${less.says} Nothing was thrown away. ${howToGoBack(folder, today, less.copy)} Or start with --as-it-is, if you know why.`,
    );
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
  const less = lessThanCopies(folder, counts, today);
  if (less) {
    console.error(`${less.says} No older copy is thrown away. ${howToGoBack(folder, today, less.copy)}`);
    return true;
  }
  const [, ...others] = dailyCopies(place, today);
  for (const name of others.slice(KEPT - 1)) rmSync(join(place, name), { force: true });
  return true;
}

/** What PostgreSQL calls damage: data corrupted (XX001, XX002), and files that cannot be read (58). */
const DAMAGE = /^(XX|58)/;

/** Sees to the daily backups while the server runs. */
export function keepDaily(store: Store, folder: string): { stop(): Promise<void> } {
  let running: Promise<unknown> = Promise.resolve();
  const look = () => {
    running = running
      .then(() => backupOfDay(store, folder, localDay()))
      .catch((error: unknown) => {
        const says = (error as Error).message.split('\n')[0]!;
        const damaged = error instanceof BackupIncomplete || DAMAGE.test(codeOf(error) ?? '');
        console.error(
          damaged
            ? `${folder} is damaged: not everything in it can be read (${says}). The copies are as they were. ${howToGoBack(folder, localDay())}`
            : `The daily backup could not be written: ${says}`,
        );
      });
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
