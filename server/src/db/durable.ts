import { closeSync, fsyncSync, openSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { PGlite, type PGliteInterface } from '@electric-sql/pglite';
import { NodeFS } from '@electric-sql/pglite/nodefs';

interface Stream {
  nfd?: number;
}
interface Emscripten {
  NODEFS?: { stream_ops: { fsync?: (stream: Stream) => number } };
  FS: { filesystems: { NODEFS: { stream_ops: { fsync?: (stream: Stream) => number } } } };
}

/**
 * The folder of the embedded PostgreSQL, with what its file layer leaves out: when the engine asks for its log or a
 * table to be on the disk, the operating system is asked for it. See docs/decisions/0005, "What a save means".
 */
export class DurableFolder extends NodeFS {
  override async init(...args: Parameters<NodeFS['init']>): ReturnType<NodeFS['init']> {
    const ready = await super.init(...args);
    const preRun = [...((ready.emscriptenOpts.preRun as ((m: unknown) => void)[] | undefined) ?? [])];
    preRun.push((module) => {
      const { NODEFS, FS } = module as Emscripten;
      (NODEFS ?? FS.filesystems.NODEFS).stream_ops.fsync = ({ nfd }) => {
        if (nfd !== undefined) fsyncSync(nfd);
        return 0;
      };
    });
    return { ...ready, emscriptenOpts: { ...ready.emscriptenOpts, preRun: preRun as never } };
  }
}

/**
 * The engine's usual start, but with every commit synced. Its own default turns that off ("-F"), and its fdatasync does
 * nothing where it runs, so the log is synced with fsync.
 */
const DURABLE = [...PGlite.defaultStartParams.filter((p) => p !== '-F'), '-c', 'fsync=on', '-c', 'wal_sync_method=fsync'];

/**
 * The database in a folder; a commit that was acknowledged is on the disk. `null` keeps it in memory, begun from an
 * image of a data folder (a tar) when there is one.
 */
export async function openEngine(folder: string | null, image?: Blob): Promise<PGliteInterface> {
  const client =
    folder === null ? new PGlite(image ? { loadDataDir: image } : {}) : new PGlite({ fs: new DurableFolder(folder), startParams: DURABLE });
  await client.waitReady;
  return client;
}

/** Asks for everything below a folder to be on the disk: once, after the engine has laid out its files unsynced. */
export function syncTree(folder: string): void {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) syncTree(path);
    else if (entry.isFile()) syncPath(path);
  }
  syncPath(folder);
}

/** Asks for a file, or the names in a folder, to be on the disk. */
export function syncPath(path: string): void {
  const fd = openSync(path, 'r');
  try {
    fsyncSync(fd);
  } catch (error) {
    // Some systems sync no folders; their files are what counts.
    if (!['EISDIR', 'EPERM', 'EINVAL'].includes((error as NodeJS.ErrnoException).code ?? '')) throw error;
  } finally {
    closeSync(fd);
  }
}
