import { X509Certificate } from 'node:crypto';
import { isIP } from 'node:net';
import { eq } from 'drizzle-orm';
import { generate } from 'selfsigned';
import { certificates } from '../db/schema';
import type { Store } from '../db/store';

const DAY_MS = 86_400_000;
/** A phone is told once to trust the authority; what browsers take at most of a server's own certificate is 398 days. */
const AUTHORITY_DAYS = 3650;
const OWN_DAYS = 397;
/** Made anew when less of it is left. */
const LEFT_DAYS = 30;
const ID = 'house';
const NAME = 'Roskel in this house';

/** Certificates and the key of the server, as PEM. */
export interface HouseCertificate {
  authority: string;
  cert: string;
  key: string;
}
type Row = typeof certificates.$inferSelect;

const bare = (name: string) => name.replace(/^\[|\]$/g, '');
const until = (days: number) => new Date(Date.now() + days * DAY_MS);
const lasts = (pem: string) => Date.parse(new X509Certificate(pem).validTo) > until(LEFT_DAYS).getTime();
const holdsFor = (pem: string, name: string) => {
  const cert = new X509Certificate(pem);
  return (isIP(name) ? cert.checkIP(name) : cert.checkHost(name)) !== undefined;
};

async function newAuthority(): Promise<Pick<Row, 'authority' | 'authorityKey'>> {
  const made = await generate([{ name: 'commonName', value: NAME }], {
    ...{ keyType: 'ec', algorithm: 'sha256', notAfterDate: until(AUTHORITY_DAYS) },
    extensions: [
      { name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
      { name: 'keyUsage', keyCertSign: true, cRLSign: true, critical: true },
    ],
  });
  return { authority: made.cert, authorityKey: made.private };
}
async function signedFor(names: readonly string[], by: Pick<Row, 'authority' | 'authorityKey'>): Promise<Pick<Row, 'cert' | 'key'>> {
  const made = await generate([{ name: 'commonName', value: names[0] ?? 'localhost' }], {
    ...{ keyType: 'ec', algorithm: 'sha256', notAfterDate: until(OWN_DAYS) },
    ca: { key: by.authorityKey, cert: by.authority },
    extensions: [
      { name: 'basicConstraints', cA: false, critical: true },
      { name: 'keyUsage', digitalSignature: true, critical: true },
      { name: 'extKeyUsage', serverAuth: true },
      { name: 'subjectAltName', altNames: names.map((n) => (isIP(n) ? { type: 7, ip: n } : { type: 2, value: n })) },
    ],
  });
  return { cert: made.cert, key: made.private };
}

/**
 * The certificate of a kitchen for these names and addresses of its machine. Its authority stays the same for years, so that
 * a phone that trusts it once goes on doing so; what that signed is made anew where a name is missing or its time runs out.
 */
export async function certificateOf(store: Store, hosts: readonly string[]): Promise<HouseCertificate> {
  const names = [...new Set(['localhost', '127.0.0.1', ...hosts.map(bare)])];
  // One process at a time: several of one kitchen are trusted by one authority.
  const { value: row } = await store.write(async (db): Promise<Row> => {
    const [kept] = await db.select().from(certificates).where(eq(certificates.id, ID));
    const by = kept && lasts(kept.authority) ? kept : await newAuthority();
    if (kept && kept === by && lasts(kept.cert) && names.every((n) => holdsFor(kept.cert, n))) return kept;
    const made: Row = { id: ID, authority: by.authority, authorityKey: by.authorityKey, ...(await signedFor(names, by)) };
    await db.insert(certificates).values(made).onConflictDoUpdate({ target: certificates.id, set: made });
    return made;
  });
  return { authority: row.authority, cert: row.cert, key: row.key };
}
