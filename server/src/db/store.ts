import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core';
import type { ChangeEvent } from '@roskel/contract';
import { sql } from 'drizzle-orm';
import type * as schema from './schema';

/** Any PostgreSQL behind Drizzle: the embedded one, or a server. */
export type Db = PgDatabase<PgQueryResultHKT, typeof schema>;

/** Where a kitchen is kept. Everything that changes it goes through `write`. */
export interface Store {
  /** For reading. */
  db: Db;
  /** What it is and where, for people. */
  where: string;
  /** Its name among those of its server; null for the one in a folder. */
  kitchen: string | null;
  /**
   * One change: all of it or nothing, and no other change of this kitchen meanwhile, by whatever process. What `say` is
   * told goes to the other processes with the commit; the caller tells its own windows afterwards.
   */
  write<T>(work: (db: Db, say: (event: ChangeEvent) => void) => Promise<T>): Promise<{ value: T; said: ChangeEvent[] }>;
  /**
   * Reads all that belongs together as of one moment, and holds nobody up for it. `read` begins anew where something was
   * changed meanwhile, and does nothing but read.
   */
  asOfNow<T>(read: (db: Db) => Promise<T>): Promise<T>;
  /** Hears what other processes changed; `all` when something may have been missed. */
  hear(tell: (event: ChangeEvent) => void): void;
  close(): Promise<void>;
}

/**
 * For a change that works long between its statements (a kitchen that is read in, a demo that is made): the database does
 * not end it for standing still.
 */
export async function patiently(db: Db): Promise<void> {
  await db.execute(sql`set local idle_in_transaction_session_timeout = 0`);
  await db.execute(sql`set local statement_timeout = 0`);
}

/** The code that PostgreSQL gives an error, whoever wrapped it. */
export function codeOf(error: unknown): string | undefined {
  for (let at = error as { code?: unknown; cause?: unknown } | undefined; at; at = at.cause as typeof at) {
    if (typeof at.code === 'string' && (/^[0-9A-Z]{5}$/.test(at.code) || LINE.has(at.code) || at.code === 'ENOSPC')) return at.code;
  }
  return undefined;
}

/** What the operating system calls a line to a server that is not there, or breaks. */
const LINE = new Set(['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT', 'ENOTFOUND', 'EHOSTUNREACH']);
/**
 * Classes 08 and 57P: no connection, or a server that shuts down or starts. 53300: too many connections. 55P03 and 25P03: a
 * change that waited, or stood still, for too long.
 */
const AWAY = /^(08...|57P0[0-5]|53300|55P03|25P03)$/;
/** The line to the database server broke, or there is none: what was asked may be asked again. */
export function isAway(error: unknown): boolean {
  const code = codeOf(error);
  if (code !== undefined) return LINE.has(code) || AWAY.test(code);
  for (let at = error as { message?: string; cause?: unknown } | undefined; at; at = at.cause as typeof at)
    if (/connection terminated|timeout exceeded when trying to connect|client has encountered a connection error/i.test(at.message ?? ''))
      return true;
  return false;
}

/** A change that waited too long for another one's lock. */
const LOCKED = '55P03';
/** The first change of a start: it waits as long as another process is at work (it makes a demo, reads a kitchen in), and says so. */
export async function onceFree<T>(change: () => Promise<T>): Promise<T> {
  for (;;) {
    try {
      return await change();
    } catch (error) {
      if (codeOf(error) !== LOCKED) throw error;
      console.error('Another process changes this kitchen, and takes long. This one goes on when that has ended.');
    }
  }
}

/** Two changes that met in the database: serialisation failure, deadlock. Neither was made; one may be tried again. */
const MET = new Set(['40001', '40P01']);
const TRIES = 6;
/** Tries a change again that met another one in the database. */
export async function retried<T>(change: () => Promise<T>): Promise<T> {
  for (let tried = 1; ; tried++) {
    try {
      return await change();
    } catch (error) {
      if (!MET.has(codeOf(error) ?? '') || tried === TRIES) throw error;
      await new Promise((later) => setTimeout(later, 5 * 2 ** tried * (0.5 + Math.random())));
    }
  }
}

/** A mark of the changes that were made so far: the same as before where nothing was changed since. */
export async function changesSoFar(db: Db): Promise<string> {
  const { rows } = (await db.execute(sql`select pg_snapshot_xmax(pg_current_snapshot())::text as next`)) as unknown as {
    rows: { next: string }[];
  };
  return rows[0]!.next;
}
