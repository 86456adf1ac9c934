import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** Thrown when another running server holds the data folder. */
export class FolderLocked extends Error {
  constructor(folder: string, pid: number) {
    super(`Another Roskel (process ${pid}) is using ${folder}. Stop it first, or start with another data folder.`);
  }
}

function alive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
}

/** Takes the lock on a data folder; a lock left by a dead process is taken over. Returns the way to let go. */
export function lockFolder(folder: string): () => void {
  const path = join(folder, 'roskel.lock');
  for (let attempt = 0; attempt < 2; attempt++) {
    try {
      writeFileSync(path, String(process.pid), { flag: 'wx' });
      return () => rmSync(path, { force: true });
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
      const pid = Number(readFileSync(path, 'utf8'));
      if (pid && pid !== process.pid && alive(pid)) throw new FolderLocked(folder, pid);
      rmSync(path, { force: true });
    }
  }
  throw new Error(`The lock in ${folder} could not be taken`);
}
