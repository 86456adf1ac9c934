import { asc, eq, inArray, sql } from 'drizzle-orm';
import { isForgotten, type Timer } from '@roskel/contract';
import type { Db } from '../db/open';
import { timers } from '../db/schema';

/** A device whose clock is ahead does not win over all that come after it, ms. */
const AHEAD_MS = 5000;

export async function listTimers(db: Db): Promise<Timer[]> {
  return (await db.select().from(timers).orderBy(asc(timers.changedAt), asc(timers.id))).map((r) => r.timer);
}

/** Sets a timer, unless another device changed it later; gives back what counts now. `nowMs`: ms since 1970. */
export async function putTimer(db: Db, timer: Timer, nowMs: number): Promise<Timer> {
  const changedAt = Math.min(timer.changedAt, nowMs + AHEAD_MS);
  const old = (await listTimers(db)).filter((t) => isForgotten(t, nowMs)).map((t) => t.id);
  if (old.length > 0) await db.delete(timers).where(inArray(timers.id, old));
  const values = { timer: { ...timer, changedAt }, changedAt };
  await db
    .insert(timers)
    .values({ id: timer.id, ...values })
    .onConflictDoUpdate({ target: timers.id, set: values, setWhere: sql`excluded.changed_at > ${timers.changedAt}` });
  const [row] = await db.select().from(timers).where(eq(timers.id, timer.id));
  return row!.timer;
}
