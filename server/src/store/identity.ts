import type { Db } from '../db/open';
import { identity } from '../db/schema';

/** Which kitchen this is. */
export async function identityOf(db: Db): Promise<string> {
  const [row] = await db.select().from(identity);
  return row!.id;
}

/** It is that kitchen from now on: it moved here. */
export async function becomeKitchen(db: Db, id: string): Promise<void> {
  await db.update(identity).set({ id });
}
