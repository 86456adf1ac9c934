import { randomBytes, scrypt, timingSafeEqual, type ScryptOptions } from 'node:crypto';
import { eq } from 'drizzle-orm';
import type { Db } from '../db/store';
import { access } from '../db/schema';
import { Unfit } from '../store/errors';

/** What a hash says itself of what it costs: one that was made cheaper or dearer opens all the same. */
interface Cost {
  N: number;
  r: number;
  p: number;
}
/** scrypt as OWASP's password storage cheat sheet asks for at least (from memory): N 2^17, r 8, p 1. A guess costs 128 MB and a third of a second. */
const COST: Cost = { N: 2 ** 17, r: 8, p: 1 };
const MOST_MEMORY = 256 * 1024 * 1024;
const KEY_BYTES = 32;
const SALT_BYTES = 16;
const SECRET_BYTES = 32;
/** A sentence of a few words has more. */
export const LEAST_LENGTH = 10;
const MOST_LENGTH = 200;
const ID = 'house';

const derived = (passphrase: string, salt: Buffer, cost: ScryptOptions) =>
  new Promise<Buffer>((done, fail) =>
    // The same letters, however a keyboard puts them together.
    scrypt(passphrase.normalize('NFKC'), salt, KEY_BYTES, cost, (error, key) => (error ? fail(error) : done(key))),
  );

async function hashed(passphrase: string, { N, r, p }: Cost): Promise<string> {
  const salt = randomBytes(SALT_BYTES);
  const key = await derived(passphrase, salt, { N, r, p, maxmem: MOST_MEMORY });
  return ['scrypt', N, r, p, salt.toString('base64'), key.toString('base64')].join('$');
}

async function matches(passphrase: string, hash: string): Promise<boolean> {
  const [kind, N, r, p, salt, key] = hash.split('$');
  if (kind !== 'scrypt' || !salt || !key) return false;
  const wanted = Buffer.from(key, 'base64');
  const cost = { N: Number(N), r: Number(r), p: Number(p), maxmem: MOST_MEMORY };
  return timingSafeEqual(await derived(passphrase, Buffer.from(salt, 'base64'), cost), wanted);
}

/** What lets people in: the hash of the passphrase, and the secret that signs their sessions; null where none was set. */
export interface Access {
  hash: string;
  secret: string;
}
export async function accessOf(db: Db): Promise<Access | null> {
  const [row] = await db.select().from(access).where(eq(access.id, ID));
  return row ? { hash: row.hash, secret: row.secret } : null;
}

/** Sets or changes the passphrase; who is in is out. Throws Unfit. Tests that guess often ask for a cheaper hash. */
export async function setPassphrase(db: Db, passphrase: string, cost = COST): Promise<void> {
  const { length } = passphrase.trim();
  if (length < LEAST_LENGTH || passphrase.length > MOST_LENGTH) {
    const message = `A passphrase has ${LEAST_LENGTH} to ${MOST_LENGTH} characters. Four words are good.`;
    throw new Unfit(message, [{ path: 'passphrase', message }]);
  }
  const value = { hash: await hashed(passphrase, cost), secret: randomBytes(SECRET_BYTES).toString('base64') };
  await db
    .insert(access)
    .values({ id: ID, ...value })
    .onConflictDoUpdate({ target: access.id, set: value });
}

export const opens = (passphrase: unknown, { hash }: Access): Promise<boolean> =>
  typeof passphrase === 'string' && passphrase.length <= MOST_LENGTH ? matches(passphrase, hash) : Promise.resolve(false);
