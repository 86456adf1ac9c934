import { randomUUID } from 'node:crypto';
import { readFileSync, readlinkSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { hostname } from 'node:os';

/** A server writes its lease anew so often, ms. */
const BEAT_MS = 2000;
/** A lease of elsewhere that stood still for so many beats has nobody any more. */
const STILL_BEATS = 3;

/** What stands in the file of a lease. */
interface Held {
  pid: number;
  /** Of this start, and no other. */
  id: string;
  /** The machine and its boot, and the network that it sees: of another one the system here knows nothing. */
  where: string;
  beat: number;
}

/** Where this process runs. */
export function whereabouts(): string {
  const known = (read: () => string) => {
    try {
      return read();
    } catch {
      return '';
    }
  };
  return [
    hostname(),
    known(() => readFileSync('/proc/sys/kernel/random/boot_id', 'utf8').trim()),
    known(() => readlinkSync('/proc/self/ns/net')),
  ].join(' ');
}

/** Who holds a folder by its lease; null where nobody does, or it is of before leases. */
export function heldBy(path: string): Held | null {
  try {
    const held = JSON.parse(readFileSync(path, 'utf8')) as Partial<Held> | number;
    return typeof held === 'object' && typeof held.id === 'string' ? (held as Held) : null;
  } catch {
    return null;
  }
}

/** Another server took the folder over while this one stood still. */
export class LeaseLost extends Error {
  constructor(path: string) {
    super(`Another Roskel holds ${path} by now, so that nothing is written from here any more. Only one server uses a folder.`);
  }
}

export interface Lease {
  /** Before anything is written. Throws LeaseLost. */
  check(): void;
  release(): void;
}

/**
 * True once nobody elsewhere holds the folder: a lease of this same machine and network is not asked (the system's own lock
 * answers for it), one of elsewhere is watched for a sign of life.
 */
export async function nobodyElsewhere(path: string, where = whereabouts(), beatMs = BEAT_MS): Promise<boolean> {
  const first = heldBy(path);
  if (!first || first.where === where) return true;
  console.error(`A Roskel on another machine or in another container may be using this folder (${path}). Looking whether it lives.`);
  for (let n = 0; n < STILL_BEATS; n++) {
    await new Promise((later) => setTimeout(later, beatMs));
    const now = heldBy(path);
    if (!now) return true;
    if (now.id !== first.id || now.beat !== first.beat) return false;
  }
  return true;
}

/** Takes the lease and keeps it alive. `lost` is told once another one has it. */
export function holdLease(path: string, lost: (error: LeaseLost) => void, where = whereabouts(), beatMs = BEAT_MS): Lease {
  const held: Held = { pid: process.pid, id: randomUUID(), where, beat: 0 };
  // Whole or not at all: a reader never sees half of it.
  const write = () => {
    writeFileSync(`${path}.new`, JSON.stringify(held));
    renameSync(`${path}.new`, path);
  };
  const check = () => {
    const now = heldBy(path);
    if (now && now.id !== held.id) throw new LeaseLost(path);
  };
  write();
  const timer = setInterval(() => {
    try {
      check();
      held.beat++;
      write();
    } catch (error) {
      // A disk that is full for a while is no reason to end.
      if (!(error instanceof LeaseLost)) return;
      clearInterval(timer);
      lost(error);
    }
  }, beatMs).unref();
  return {
    check,
    release: () => {
      clearInterval(timer);
      if (heldBy(path)?.id === held.id) rmSync(path, { force: true });
    },
  };
}
