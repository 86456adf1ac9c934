import { createHash } from 'node:crypto';
import { closeSync, constants, openSync, statSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { heldBy, holdLease, nobodyElsewhere, type Lease, type LeaseLost } from './lease';

/** Who has the folder, and the file that is locked itself where the system does that. */
const LOCK = 'roskel.lock';
const FILE_LOCK = 'roskel.held';

/** Thrown when another running server holds the data folder. */
export class FolderLocked extends Error {
  constructor(folder: string, who: string) {
    super(`Another Roskel${who ? ` (process ${who})` : ''} is using ${folder}. Stop it first, or start with another data folder.`);
  }
}

/** Lets go of a name or a file. */
type Unlock = () => void;

/**
 * A name that only one process of this machine can hold, and that the system takes back when the process ends,
 * however it ends: an abstract socket on Linux, a named pipe on Windows. It is of the folder itself, by whatever path it is
 * reached.
 */
function nameFor(folder: string): string | null {
  const { dev, ino } = statSync(folder, { bigint: true });
  const id = createHash('sha256').update(`${dev} ${ino}`).digest('hex').slice(0, 32);
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

/** Ends at once what must not write any more. */
function ended(error: LeaseLost): never {
  console.error(error.message);
  process.exit(1);
}

/**
 * Takes the lock on a data folder, by the operating system's own means: a process that died holds nothing, and a file
 * left behind means nothing. Where the system does not see the other one (another container, another machine on a shared
 * disk) the lease beside it does. Throws FolderLocked.
 */
export async function lockFolder(
  folder: string,
  lost: (error: LeaseLost) => void = ended,
  where?: string,
  beatMs?: number,
): Promise<Lease> {
  const path = join(folder, LOCK);
  const name = nameFor(folder);
  const locked = () => new FolderLocked(folder, String(heldBy(path)?.pid ?? ''));
  const release = name === null ? holdFile(join(folder, FILE_LOCK)) : await holdName(name);
  if (!release) throw locked();
  if (!(await nobodyElsewhere(path, where, beatMs))) {
    release();
    throw locked();
  }
  const lease = holdLease(path, lost, where, beatMs);
  return {
    check: () => lease.check(),
    release: () => {
      lease.release();
      release();
    },
  };
}
