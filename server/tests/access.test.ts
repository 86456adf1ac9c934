import type { House, Problem } from '@roskel/contract';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { X509Certificate } from 'node:crypto';
import { certificateOf } from '../src/access/certificate';
import { accessOf, opens, setPassphrase, type Access } from '../src/access/passphrase';
import { feedKey } from '../src/access/gate';
import { ROUTES } from '../src/http/routes';
import { memoryDb, readKitchen, serveKitchen, type Running } from './kit';

const WORDS = 'four crocks under stairs';
/** For the many guesses of this file; what a real one costs is tested below. */
const CHEAP = { N: 2 ** 10, r: 8, p: 1 };
let k: Running;
let access: Access;
beforeAll(async () => {
  const store = await memoryDb();
  await store.write((db) => setPassphrase(db, WORDS, CHEAP));
  access = (await accessOf(store.db))!;
  k = await serveKitchen(store, '2026-11-26', undefined, false, { access, names: ['192.168.7.9', 'kitchen.example'] });
}, 60_000);
afterAll(() => k.close());

const ask = (method: string, path: string, headers: Record<string, string> = {}, body?: unknown) =>
  fetch(k.base + path, {
    method,
    headers: { 'X-Roskel': '1', ...(body === undefined ? {} : { 'Content-Type': 'application/json' }), ...headers },
    body: body === undefined ? null : JSON.stringify(body),
  });
const enter = (passphrase: unknown, headers: Record<string, string> = {}) => ask('POST', '/enter', headers, { passphrase });
const cookieOf = (res: Response) =>
  res.headers
    .getSetCookie()
    .map((c) => c.split(';')[0])
    .join('; ');

describe('a kitchen that is open to the house', () => {
  it('tells a stranger nothing, whatever is asked', async () => {
    const paths = [...ROUTES.map((r) => [r.method, r.path]), ['get', '/events'], ['get', '/openapi.json'], ['get', '/nowhere']];
    for (const [method, path] of paths) {
      const res = await ask(
        method!.toUpperCase(),
        path!.replace(/:\w+/g, '1'),
        {},
        method === 'get' || method === 'delete' ? undefined : {},
      );
      expect([res.status, `${method} ${path}`]).toEqual([401, `${method} ${path}`]);
      await res.body?.cancel();
    }
  });
  it('lets in with the passphrase, by a cookie that no script and no other site gets', async () => {
    const res = await enter(WORDS);
    expect(res.status).toBe(200);
    for (const cookie of res.headers.getSetCookie()) expect(cookie).toMatch(/; httponly/i);
    for (const cookie of res.headers.getSetCookie()) expect(cookie).toMatch(/samesite=strict/i);
    // Behind a TLS proxy on this machine it goes no other way.
    const tls = await enter(WORDS, { 'X-Forwarded-Proto': 'https' });
    for (const cookie of tls.headers.getSetCookie()) expect(cookie).toMatch(/; secure/i);
    const cookie = cookieOf(res);
    expect((await ask('GET', '/pods', { cookie })).status).toBe(200);
    const left = await ask('POST', '/leave', { cookie }, {});
    expect(cookieOf(left)).not.toContain(cookie.split('; ')[0]);
    // A copy of the cookie is good for nothing any more; another device's own is.
    expect((await ask('GET', '/pods', { cookie })).status).toBe(401);
    expect((await ask('GET', '/pods', { cookie: cookieOf(tls), 'X-Forwarded-Proto': 'https' })).status).toBe(200);
    expect((await ask('POST', '/leave', {}, {})).status).toBe(200);
  });
  it('lets a calendar program read the duties by its key, and nothing else', async () => {
    const cookie = cookieOf(await enter(WORDS));
    const { feedKey: key } = (await (await ask('GET', '/house', { cookie })).json()) as House;
    const feed = await ask('GET', `/calendar.ics?key=${key}`);
    expect([feed.status, await feed.text()]).toEqual([200, expect.stringMatching(/^BEGIN:VCALENDAR/)]);
    const refused: [string, string][] = [
      ...[
        '',
        '?key=',
        `?key=${key}x`,
        `?key=${key!.slice(1)}`,
        `?key=${key}&key=${key}`,
        `?key[a]=${key}`,
        `?key=${feedKey({ ...access, secret: 'x' })}`,
      ].map((q): [string, string] => ['GET', `/calendar.ics${q}`]),
      ...['/today', '/batches', '/events', '/log', '/house', '/calendar.ics/', '//calendar.ics'].map((p): [string, string] => [
        'GET',
        `${p}?key=${key}`,
      ]),
      ['POST', `/calendar.ics?key=${key}`],
    ];
    for (const [method, path] of refused)
      expect([path, (await ask(method, path, {}, method === 'POST' ? {} : undefined)).status]).toEqual([path, 401]);
  });
  it('refuses a session that is made up, changed, of another kitchen or of the passphrase before', async () => {
    const cookie = cookieOf(await enter(WORDS));
    const [value, sig] = cookie.split('; ') as [string, string];
    const forged = `${value.split('=')[0]}=${Buffer.from(JSON.stringify({ in: Date.now() + 1 })).toString('base64')}`;
    for (const odd of [forged, `${forged}; ${sig}`, value, `${value}; ${sig.slice(0, -2)}xx`, `${value.slice(0, -4)}AAAA; ${sig}`])
      expect([(await ask('GET', '/pods', { cookie: odd })).status, odd]).toEqual([401, odd]);
    const other = await memoryDb();
    await other.write((db) => setPassphrase(db, WORDS, CHEAP));
    const elsewhere = await serveKitchen(other, '2026-11-26', undefined, false, { access: (await accessOf(other.db))!, names: [] });
    const res = await fetch(`${elsewhere.base}/pods`, { headers: { cookie } });
    expect(res.status).toBe(401);
    await elsewhere.close();
    // Another process of the same kitchen takes it; a month later nobody does.
    const twin = await serveKitchen(await memoryDb(), '2026-11-26', undefined, false, { access, names: [] });
    const there = async () => (await fetch(`${twin.base}/pods`, { headers: { cookie } })).status;
    expect(await there()).toBe(200);
    const later = vi.spyOn(Date, 'now').mockReturnValue(Date.now() + 31 * 86_400_000);
    expect(await there()).toBe(401);
    later.mockRestore();
    await twin.close();
  });
  it('answers only by its own names and to its own page, session or not', async () => {
    const cookie = cookieOf(await enter(WORDS));
    const by = (host: string, origin?: string) =>
      new Promise<number>((done, fail) => {
        void import('node:http').then(({ request }) => {
          const req = request(
            { port: k.port, host: '127.0.0.1', path: '/api/pods', headers: { host, cookie, ...(origin ? { origin } : {}) } },
            (res) => (res.resume(), done(res.statusCode!)),
          );
          req.on('error', fail);
          req.end();
        });
      });
    expect(await by('192.168.7.9:4180')).toBe(200);
    expect(await by('kitchen.example', 'https://kitchen.example')).toBe(200);
    expect(await by('evil.example')).toBe(403);
    expect(await by('192.168.7.9.evil.example')).toBe(403);
    expect(await by('192.168.7.9:4180', 'http://evil.example')).toBe(403);
    expect(await by('192.168.7.9:4180', 'http://192.168.7.9:9999')).toBe(403);
  });
  it('has enough of guesses after ten, also for who knows it', async () => {
    const tries: number[] = [];
    for (let i = 0; i < 14; i++) tries.push((await enter(i % 3 ? `guess number ${i}` : { not: 'a text' })).status);
    expect(tries.filter((s) => s === 401)).toHaveLength(10);
    expect(tries.slice(10)).toEqual([429, 429, 429, 429]);
    const refused = await enter(WORDS);
    expect(refused.status).toBe(429);
    // RFC 9110, 10.2.3: seconds to wait.
    const seconds = Number(refused.headers.get('retry-after'));
    expect(seconds).toBeGreaterThan(0);
    expect(((await refused.json()) as Problem).detail).toBe(`Too many tries. Wait ${Math.ceil(seconds / 60)} minutes, then try again.`);
  }, 60_000);
  it('strangers who guess from everywhere do not lock out a device that was in before', async () => {
    const from = (n: number) => ({ 'X-Forwarded-For': `203.0.113.${n}` });
    const cookie = cookieOf(await enter(WORDS, from(1)));
    let refused = 0;
    for (let n = 10; n < 80; n++) refused += Number((await enter('a guess of mine', from(n))).status === 429);
    expect(refused).toBeGreaterThan(5);
    expect((await enter(WORDS, from(90))).status).toBe(429);
    expect((await enter(WORDS, { ...from(1), cookie })).status).toBe(200);
    expect((await enter(WORDS, { ...from(1), cookie: cookie.replace(/known=.{4}/, 'known=AAAA') })).status).toBe(429);
  }, 60_000);
});

it('a passphrase is kept as a slow hash with a salt of its own, and a new one is another secret', async () => {
  const store = await memoryDb();
  await expect(store.write((db) => setPassphrase(db, 'short'))).rejects.toThrow('10 to 200 characters');
  const seen = new Set<string>();
  for (const words of [WORDS, WORDS, 'another sentence of words']) {
    await store.write((db) => setPassphrase(db, words));
    const now = (await accessOf(store.db))!;
    expect(now.hash).toMatch(/^scrypt\$131072\$8\$1\$/);
    expect(now.hash).not.toContain(words);
    seen.add(now.hash).add(now.secret);
  }
  const now = (await accessOf(store.db))!;
  const words = 'another sentence of words';
  expect(await opens(words, now)).toBe(true);
  for (const no of ['', `${words} `, words.toUpperCase(), null, 7, 'x'.repeat(10_000)]) expect(await opens(no, now)).toBe(false);
  expect(seen.size).toBe(6);
  await store.close();
}, 60_000);

describe('a certificate of the house', () => {
  it('holds for every name of the machine by one authority that stays; what it signed is made anew for a new name or when its time runs out', async () => {
    const store = await memoryDb();
    const first = await certificateOf(store, ['192.168.7.9', '[fd00::7]', 'pantry.local']);
    const own = new X509Certificate(first.cert);
    const by = new X509Certificate(first.authority);
    expect([by.ca, own.ca, own.verify(by.publicKey), own.checkIssued(by)]).toEqual([true, false, true, true]);
    for (const ip of ['127.0.0.1', '192.168.7.9', 'fd00::7']) expect(own.checkIP(ip), ip).toBe(ip);
    for (const name of ['localhost', 'pantry.local']) expect(own.checkHost(name)).toBe(name);
    expect(own.checkHost('example.com')).toBeUndefined();
    // Browsers take no longer one (CA/Browser Forum baseline requirements, 6.3.2: 398 days).
    expect(Date.parse(own.validTo) - Date.parse(own.validFrom)).toBeLessThan(398 * 86_400_000);
    expect(await certificateOf(store, ['192.168.7.9', 'pantry.local'])).toEqual(first);
    const more = await certificateOf(store, ['192.168.7.10']);
    expect([more.authority === first.authority, more.cert === first.cert]).toEqual([true, false]);
    const later = vi.spyOn(Date, 'now').mockReturnValue(Date.now() + 380 * 86_400_000);
    const renewed = await certificateOf(store, ['192.168.7.10']);
    later.mockRestore();
    expect([renewed.authority === first.authority, renewed.cert === more.cert]).toEqual([true, false]);
    // It is nobody else's: not in a backup.
    expect(JSON.stringify(await readKitchen(store.db))).not.toContain('PRIVATE KEY');
  });
});
