import { eq, lt, sql } from 'drizzle-orm';
import { leftSessions } from '../db/schema';
import type { Db } from '../db/store';

/** A device is asked for the passphrase anew after so many days. */
export const SESSION_DAYS = 30;

/** Ends a session: whoever has a copy of its cookie is out as well. */
export async function leaveSession(db: Db, id: string): Promise<void> {
  await db.insert(leftSessions).values({ id }).onConflictDoNothing();
}

export async function wasLeft(db: Db, id: string): Promise<boolean> {
  return (await db.select({ id: leftSessions.id }).from(leftSessions).where(eq(leftSessions.id, id))).length > 0;
}

/** Those whose time is over anyway. */
export async function forgetSessions(db: Db): Promise<void> {
  await db.delete(leftSessions).where(lt(leftSessions.at, sql`now() - make_interval(days => ${SESSION_DAYS})`));
}
