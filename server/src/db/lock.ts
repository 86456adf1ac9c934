import { createHash } from 'node:crypto';
import { closeSync, constants, openSync, readFileSync, realpathSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';

/** Thrown when another running server holds the data folder. */
export class FolderLocked extends Error {
  constructor(folder: string, who: string) {
    super(`Another Roskel${who ? ` (process ${who})` : ''} is using ${folder}. Stop it first, or start with another data folder.`);
  }
}

/** Lets go of a lock. */
export type Unlock = () => void;

/**
 * A name that only one process of this machine can hold, and that the system takes back when the process ends,
 * however it ends: an abstract socket on Linux, a named pipe on Windows.
 */
function nameFor(folder: string): string | null {
  const id = createHash('sha256').update(realpathSync(folder)).digest('hex').slice(0, 32);
  if (process.platform === 'linux') return `\0roskel-${id}`;
  if (process.platform === 'win32') return `\\\\.\\pipe\\roskel-${id}`;
  return null;
}

async function holdName(name: string): Promise<Unlock | null> {
  const server = createServer((socket) => socket.destroy());
  return new Promise((done, fail) => {
    server.once('error', (error: NodeJS.ErrnoException) =>
      error.code === 'EADDRINUSE' || error.code === 'EACCES' ? done(null) : fail(error),
    );
    server.listen({ path: name, exclusive: true }, () => {
      server.unref();
      done(() => server.close());
    });
  });
}

/** BSD and macOS: the file itself is locked while it is open (open(2): O_EXLOCK 0x20, O_NONBLOCK 0x4). */
function holdFile(path: string): Unlock | null {
  try {
    const fd = openSync(path, constants.O_RDWR | constants.O_CREAT | 0x20 | 0x4);
    return () => closeSync(fd);
  } catch (error) {
    if (['EAGAIN', 'EWOULDBLOCK'].includes((error as NodeJS.ErrnoException).code ?? '')) return null;
    throw error;
  }
}

/**
 * Takes the lock on a data folder, by the operating system's own means: a process that died holds nothing, and a file
 * left behind means nothing. The file beside it only says who. Throws FolderLocked.
 */
export async function lockFolder(folder: string): Promise<Unlock> {
  const path = join(folder, 'roskel.lock');
  const name = nameFor(folder);
  const release = name === null ? holdFile(path) : await holdName(name);
  if (!release) throw new FolderLocked(folder, whoHolds(path));
  writeFileSync(path, String(process.pid));
  return () => {
    rmSync(path, { force: true });
    release();
  };
}

function whoHolds(path: string): string {
  try {
    return /^\d+$/.exec(readFileSync(path, 'utf8').trim())?.[0] ?? '';
  } catch {
    return '';
  }
}
