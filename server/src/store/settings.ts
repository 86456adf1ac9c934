import { eq } from 'drizzle-orm';
import { DEFAULT_SETTINGS, type Settings } from '@roskel/contract';
import type { Db } from '../db/open';
import { settings } from '../db/schema';

export async function getSettings(db: Db): Promise<Settings> {
  const [row] = await db.select().from(settings).where(eq(settings.id, 'maker'));
  return { ...DEFAULT_SETTINGS, ...(row?.value as Partial<Settings> | undefined) };
}

export async function putSettings(db: Db, value: Settings): Promise<Settings> {
  await db.insert(settings).values({ id: 'maker', value }).onConflictDoUpdate({ target: settings.id, set: { value } });
  return value;
}
