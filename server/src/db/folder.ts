import {
  accessSync,
  constants,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { basename, join } from 'node:path';
import { syncPath } from './durable';
import { writeForOwnerOnly } from './ownOnly';

/** A data folder that cannot be used; the sentence says why and what to do. Nothing in it was touched. */
export class FolderUnfit extends Error {}

/** Written into a data folder when it is made: by this it is known as ours. */
const MARK = 'roskel.json';
const FORMAT = 'roskel-data';
const VERSION = 1;
/** The storage version of the embedded engine (its PG_VERSION). */
const ENGINE = '18';
/** What may lie in a folder that is new to us. */
const HARMLESS = new Set([`${MARK}.part`, 'roskel.lock', 'roskel.lock.new', 'roskel.held', 'backups', '.DS_Store', '.gitkeep']);

const ANOTHER_SMALL = 'say another folder with --data.';
const ANOTHER = 'Say another folder with --data.';

function problemOf(error: unknown, folder: string): FolderUnfit {
  const code = (error as NodeJS.ErrnoException).code ?? '';
  const why: Record<string, string> = {
    EACCES: 'may not be written by you. Give yourself the right, or say another folder with --data.',
    EPERM: 'may not be written by you. Give yourself the right, or say another folder with --data.',
    EROFS: `is on a disk that is read-only. ${ANOTHER}`,
    ENOTDIR: `lies below something that is a file. ${ANOTHER}`,
    EEXIST: `is a file, not a folder. ${ANOTHER}`,
    ENOSPC: 'is on a disk that is full. Make room first.',
    ENAMETOOLONG: `has a name that is too long. ${ANOTHER}`,
  };
  return new FolderUnfit(`${folder} ${why[code] ?? `cannot be used (${code || (error as Error).message}). ${ANOTHER}`}`);
}

/** Makes the folder when it is missing, and makes sure that it can be written; nobody else may read it. Throws FolderUnfit. */
export function prepareFolder(folder: string): void {
  try {
    if (existsSync(folder) && !statSync(folder).isDirectory()) throw Object.assign(new Error(), { code: 'EEXIST' });
    writeForOwnerOnly();
    mkdirSync(folder, { recursive: true });
    accessSync(folder, constants.R_OK | constants.W_OK | constants.X_OK);
  } catch (error) {
    throw problemOf(error, folder);
  }
}

interface Mark {
  format?: unknown;
  version?: unknown;
  /** The first start is at work here; what it left when it was cut short may go. */
  making?: unknown;
  /** It holds the made-up kitchen, and may be emptied to begin anew. */
  demo?: unknown;
  /** When its maker said that it goes on as it is: copies of before hold something else. */
  goesOnFrom?: unknown;
}

function readMark(folder: string): Mark | null {
  const path = join(folder, MARK);
  if (!existsSync(path)) return null;
  try {
    return JSON.parse(readFileSync(path, 'utf8')) as Mark;
  } catch {
    throw new FolderUnfit(`${path} cannot be read. ${UNTOUCHED}`);
  }
}

const UNTOUCHED =
  'Nothing was touched. If this was your kitchen, put back a backup: start with an empty folder, then "npm run restore -- FILE".';

/**
 * Looks at a folder before anything is opened in it: 'new' when it is empty, 'ours' when a kitchen is in it. Anything
 * else is refused and left as it is. Throws FolderUnfit.
 */
export function inspectFolder(folder: string): 'new' | 'ours' {
  const mark = readMark(folder);
  if (mark && (mark.format !== FORMAT || typeof mark.version !== 'number')) {
    throw new FolderUnfit(`${folder} belongs to something else. ${UNTOUCHED} Or say another folder with --data.`);
  }
  if (mark && (mark.version as number) > VERSION) {
    throw new FolderUnfit(
      `${folder} was written by a newer Roskel (storage ${String(mark.version)}; this one reads ${VERSION}). Start the newer one.`,
    );
  }
  if (mark?.making === true) return 'new';
  const pg = join(folder, 'pg');
  const rest = readdirSync(folder).filter((name) => !HARMLESS.has(name) && name !== MARK);
  if (rest.length === 0 && !mark) return 'new';
  if (!rest.includes('pg')) {
    throw new FolderUnfit(
      mark
        ? `${folder} says that a kitchen is in it, but its database (the folder pg) is gone. ${UNTOUCHED}`
        : `${folder} is not empty and holds nothing of Roskel. ${ANOTHER}`,
    );
  }
  const version = join(pg, 'PG_VERSION');
  if (!statSync(pg).isDirectory() || !existsSync(version)) {
    throw new FolderUnfit(`${pg} is damaged: its PG_VERSION is missing. ${UNTOUCHED}`);
  }
  const engine = readFileSync(version, 'utf8').trim();
  if (engine !== ENGINE) {
    throw new FolderUnfit(
      `${pg} was written by another storage engine (${engine.slice(0, 20) || 'nothing'}; this one reads ${ENGINE}). Start the Roskel it belongs to, write a backup there, and restore it here.`,
    );
  }
  return 'ours';
}

/** Folders of demos from before they were marked. */
const DEMO_NAME = 'demo';

/** Makes sure that what is to be emptied is a demo, never a maker's kitchen. Throws FolderUnfit. */
export function mayEmpty(folder: string): void {
  const mark = readMark(folder);
  if (mark?.demo === true || (mark?.demo === undefined && basename(folder) === DEMO_NAME)) return;
  throw new FolderUnfit(`${folder} holds a kitchen that is no demo, and is not emptied. Leave out --fresh, or ${ANOTHER_SMALL}`);
}

/** Begins a kitchen in a folder that is new or to be emptied. */
export function beginFolder(folder: string, demo = false): void {
  rmSync(join(folder, 'pg'), { recursive: true, force: true });
  writeMark(folder, { making: true, demo });
}

/** Marks the folder as ours, once its database is there; what else stands in its mark stays. */
export function markFolder(folder: string): void {
  const { demo, goesOnFrom } = readMark(folder) ?? {};
  writeMark(folder, {
    ...(typeof demo === 'boolean' ? { demo } : {}),
    ...(typeof goesOnFrom === 'string' ? { goesOnFrom } : {}),
  });
}

/** From now on the kitchen is what it is, whatever its copies of before hold: read back, or accepted by its maker. */
export function goOnFromHere(folder: string, at = new Date()): void {
  const { demo } = readMark(folder) ?? {};
  writeMark(folder, { ...(typeof demo === 'boolean' ? { demo } : {}), goesOnFrom: at.toISOString() });
}
/** Since when the copies of a folder are of what is in it now, ms; 0 for always. */
export function goesOnSince(folder: string): number {
  const from = readMark(folder)?.goesOnFrom;
  return typeof from === 'string' ? Date.parse(from) || 0 : 0;
}

/** Whole and on the disk, or as it was: a mark cut short would shut the kitchen out of its folder. */
function writeMark(folder: string, more: { making?: true; demo?: boolean; goesOnFrom?: string }): void {
  const [path, part] = [join(folder, MARK), join(folder, `${MARK}.part`)];
  writeFileSync(part, `${JSON.stringify({ format: FORMAT, version: VERSION, ...more })}\n`, { flush: true });
  renameSync(part, path);
  syncPath(folder);
}
