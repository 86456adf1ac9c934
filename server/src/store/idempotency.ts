import { eq, lt, sql } from 'drizzle-orm';
import { KEY_KEPT_HOURS } from '@roskel/contract';
import { idempotencyKeys } from '../db/schema';
import type { Db } from '../db/store';
import { Unfit } from './errors';

/** What was answered to the request of a key, null where none was; with it what it did is done. Throws Unfit for another request. */
export async function keptAnswer(db: Db, key: string, path: string): Promise<{ answer: unknown } | null> {
  const [row] = await db.select().from(idempotencyKeys).where(eq(idempotencyKeys.key, key));
  if (!row) return null;
  if (row.path === path) return { answer: row.answer };
  const message = 'This key was sent with another request. Send a key of its own with each.';
  throw new Unfit(message, [{ path: 'Idempotency-Key', message }]);
}

/** Keeps an answer with the change that it tells of: both are there, or neither. */
export async function keepAnswer(db: Db, key: string, path: string, answer: unknown): Promise<void> {
  await db.insert(idempotencyKeys).values({ key, path, answer });
}

/** Nobody asks again after that. */
export async function forgetAnswers(db: Db): Promise<void> {
  await db.delete(idempotencyKeys).where(lt(idempotencyKeys.at, sql`now() - make_interval(hours => ${KEY_KEPT_HOURS})`));
}
