import { chmodSync, lstatSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { isMainThread } from 'node:worker_threads';

export const FOLDER = 0o700;
export const FILE = 0o600;
const EVERYBODY = 0o077;

/** From here on what this process writes is for its user alone: a kitchen holds the key of its sessions. */
export function writeForOwnerOnly(): void {
  // A worker has the mask of its process.
  if (isMainThread) process.umask(EVERYBODY);
}

/** Takes the rights of group and others from a folder and all that is in it. What is not ours to change stays as it is. */
export function forOwnerOnly(path: string): void {
  try {
    const found = lstatSync(path);
    if (found.isSymbolicLink()) return;
    const folder = found.isDirectory();
    if ((found.mode & EVERYBODY) !== 0) chmodSync(path, folder ? FOLDER : FILE);
    if (folder) for (const name of readdirSync(path)) forOwnerOnly(join(path, name));
  } catch (error) {
    const code = (error as NodeJS.ErrnoException).code ?? '';
    if (!/^(?:ENOENT|EPERM|EACCES|EROFS|ENOTSUP)$/.test(code)) throw error;
  }
}
