import { randomUUID } from 'node:crypto';
import { eq, sql } from 'drizzle-orm';
import { MOST_PHOTOS } from '@roskel/contract';
import type { Db } from '../db/open';
import { batches, photos } from '../db/schema';
import { NotFound, Unfit } from './errors';

/** Keeps a picture of a batch, a JPEG in base64; nothing takes it away but the kitchen itself. Throws NotFound, and Unfit where there are too many. */
export async function addPhoto(db: Db, batchId: string, jpeg: string): Promise<{ id: string }> {
  const [batch] = await db.select({ id: batches.id }).from(batches).where(eq(batches.id, batchId));
  if (!batch) throw new NotFound('This batch is not there any more.');
  const [all] = await db.select({ kept: sql<number>`coalesce(sum(octet_length(${photos.jpeg})), 0)::float8` }).from(photos);
  if (all!.kept + jpeg.length > MOST_PHOTOS)
    throw new Unfit('This kitchen holds as many pictures as a backup can carry. Keep this one beside it.', []);
  const id = `photo-${randomUUID()}`;
  await db.insert(photos).values({ id, batchId, jpeg });
  return { id };
}

/** The bytes of a picture. Throws NotFound. */
export async function getPhoto(db: Db, id: string): Promise<Uint8Array> {
  const [row] = await db.select().from(photos).where(eq(photos.id, id));
  if (!row) throw new NotFound('This picture is not in this kitchen.');
  return Buffer.from(row.jpeg, 'base64');
}
