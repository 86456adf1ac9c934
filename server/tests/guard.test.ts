import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import { createConfig, lintFromString } from '@redocly/openapi-core';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { problems } from '../src/http/problem';
import { newBatch, valueAt } from '@roskel/core';
import { ANOTHER_KITCHEN, KITCHEN_HEADER, type BatchRecord, type BatchRow, type ChangeEvent, type Problem } from '@roskel/contract';
import { checkBatchFile } from '@roskel/contract/validate';
import { GOAL, lotInput, startKitchen, type Running } from './kit';

// A folder with a dot in its path, as a home folder may have.
const pages = mkdtempSync(join(tmpdir(), '.roskel-pages-'));
const LISTS = 'export const a = 1;';
let k: Running;
beforeAll(async () => {
  mkdirSync(join(pages, 'assets'));
  writeFileSync(join(pages, 'index.html'), '<!doctype html><title>page</title>');
  writeFileSync(join(pages, 'assets', 'app-1a2b.js'), `/* ${'x'.repeat(5000)} */`);
  writeFileSync(join(pages, 'assets', 'lists-2c3d.js'), LISTS);
  writeFileSync(join(pages, 'assets', 'lists-2c3d.js.br'), brotliCompressSync(LISTS));
  k = await startKitchen('2026-11-23', pages);
});
afterAll(async () => {
  await k.close();
  rmSync(pages, { recursive: true, force: true });
});

/** A request as written, headers and all: fetch would mend some of them. */
function raw(method: string, path: string, headers: Record<string, string>, body?: string | Buffer) {
  return new Promise<{ status: number; text: string; headers: Record<string, unknown> }>((ok, fail) => {
    const req = request({ port: k.port, host: '127.0.0.1', method, path, headers }, (res) => {
      let text = '';
      res.on('data', (c: Buffer) => (text += c.toString()));
      res.on('end', () => ok({ status: res.statusCode ?? 0, text, headers: res.headers }));
    });
    req.on('error', fail);
    req.end(body);
  });
}
const OWN = { 'X-Roskel': '1', 'Content-Type': 'application/json' };

it('two makers of one name could not be told apart: not added, not at once, not renamed, not brought back', async () => {
  const named = async (id: string, name: string) => (await k.call('POST', '/makers', { value: { id, name } })).status;
  expect(await named('maker-a', 'Ivo B.')).toBe(201);
  expect(await named('maker-x', ' ivo b. ')).toBe(422);
  const both = await Promise.all([named('maker-y', 'Una'), named('maker-z', 'UNA')]);
  expect([...both].sort()).toEqual([201, 422]);
  const una = both[0] === 201 ? 'maker-y' : 'maker-z';
  expect((await k.call('PUT', `/makers/${una}`, { revision: 1, value: { id: una, name: 'Ivo B.' } })).status).toBe(422);
  expect((await k.call('PUT', `/makers/${una}`, { revision: 1, value: { id: una, name: 'Una' } })).status).toBe(200);
  await k.call('DELETE', `/makers/${una}`);
  expect(await named('maker-w', 'Una')).toBe(201);
  expect((await k.call('POST', `/makers/${una}/restore`, {})).status).toBe(422);
});

describe('what fails on our side', () => {
  const answer = (error: unknown) => {
    const said: string[] = [];
    const spy = vi.spyOn(console, 'error').mockImplementation((line: string) => void said.push(line));
    let [status, body] = [0, ''];
    const res = {
      headersSent: false,
      status: (n: number) => ((status = n), res),
      type: () => res,
      send: (text: string) => ((body = text), res),
    };
    problems(error, {} as never, res as never, () => {});
    spy.mockRestore();
    return { ...(JSON.parse(body) as Problem), status, log: said.join('\n') };
  };
  it('a photo that could not be stored is not in the log; what it was and where is', () => {
    const photo = 'QUJD'.repeat(300_000);
    const cause = new Error(`value too long ${photo}`);
    const { status, log } = answer(new Error(`Failed query: insert into "photos" values ($1)\nparams: ${photo}`, { cause }));
    expect([status, log.length < 12_000, log.includes('QUJDQUJD'.repeat(60))]).toEqual([500, true, false]);
    expect(log).toMatch(/Error: Failed query: insert into "photos".*\n {4}at .*guard\.test[^]*caused by Error: value too long/);
    expect(answer('soup').log).toBe('soup');
  });
  it.each([
    ['53100', 'the database has no room'],
    ['ENOSPC', 'a backup has none'],
  ])('a full disk is a sentence (%s: %s)', (code) => {
    const { status, detail, log } = answer(new Error('Failed query', { cause: Object.assign(new Error('no'), { code }) }));
    expect([status, detail, log]).toEqual([507, expect.stringMatching(/disk .* is full\. Nothing of yours was changed\. Make room/), '']);
  });
});

describe('who may ask', () => {
  it.each([
    ['another site', { Origin: 'http://evil.example' }],
    ['another name for this machine', { Host: 'evil.example' }],
    ['a page of another port', { Origin: 'http://localhost:9999' }],
  ])('%s is refused', async (_, headers) => {
    expect((await raw('GET', '/api/batches', headers as unknown as Record<string, string>)).status).toBe(403);
  });
  it('a change needs our header and JSON', async () => {
    const body = JSON.stringify({ name: 'x', startDate: '2026-11-01', goal: GOAL });
    expect((await raw('POST', '/api/batches', { 'Content-Type': 'application/json' }, body)).status).toBe(403);
    expect((await raw('POST', '/api/batches', { 'X-Roskel': '1', 'Content-Type': 'text/plain' }, body)).status).toBe(415);
    expect((await raw('DELETE', '/api/batches/none', {})).status).toBe(403);
    const own = { Origin: `http://127.0.0.1:${k.port}`, Host: `127.0.0.1:${k.port}` };
    expect((await raw('POST', '/api/batches', { ...OWN, ...own }, body)).status).toBe(201);
  });
  it('what means another kitchen is not done, whatever it is; every answer says which this is', async () => {
    const here = (await k.call('GET', '/batches')).headers.get(KITCHEN_HEADER)!;
    expect(here).toMatch(/^[0-9a-f-]{36}$/);
    const body = { name: 'Of another', startDate: '2026-11-01', goal: GOAL };
    const as = (id: string, method: string, path: string) =>
      k.call<Problem>(method, path, method === 'POST' ? body : undefined, { [KITCHEN_HEADER]: id });
    for (const [method, path] of [
      ['GET', '/batches'],
      ['POST', '/batches'],
      ['DELETE', '/batches/none'],
    ] as const) {
      const refused = await as('another', method, path);
      expect([refused.status, refused.headers.get(KITCHEN_HEADER)]).toEqual([ANOTHER_KITCHEN, here]);
    }
    expect((await k.call<BatchRow[]>('GET', '/batches')).value.map((b) => b.summary.name)).not.toContain('Of another');
    expect((await as(here, 'POST', '/batches')).status).toBe(201);
  });
  it('the policy is strict', async () => {
    const csp = (await k.call('GET', '/openapi.json')).headers.get('content-security-policy')!;
    expect(csp).toMatch(/script-src 'self' 'wasm-unsafe-eval'(;|$)/);
    expect(csp).toMatch(/default-src 'self'/);
  });
});

describe('nothing that is asked is our fault', () => {
  it.each([
    ['POST', '/heat/abc/restore', {}, 404],
    ['DELETE', '/heat/99999999999', undefined, 404],
    ['DELETE', '/heat/-1', undefined, 404],
    ['GET', '/batches/%00', undefined, 422],
    ['POST', '/batches', { name: 'a\0b', startDate: '2026-11-01', goal: GOAL }, 422],
    ['POST', '/batches', { name: 'half \ud83c of one', startDate: '2026-11-01', goal: GOAL }, 422],
    ['POST', '/larder/none/restore', {}, 404],
    ['PATCH', '/batches', {}, 405],
    ['PUT', '/heat', {}, 405],
    ['DELETE', '/openapi.json', undefined, 405],
  ])('%s %s: %s', async (method, path, body, status) => {
    const answer = await k.call<Problem>(method, path, body);
    expect(answer.status).toBe(status);
    expect(answer.value.detail).toMatch(/\.$/);
  });
  it('whatever is said to have changed in a batch: it is done, refused or asked about, and what is stored stays sound', async () => {
    const { value: record } = await k.call<BatchRecord>('POST', '/batches', { name: 'Fuzzed', startDate: '2026-11-01', goal: GOAL });
    const step = fc.oneof(
      fc.constantFrom('stations', '#salt', '#ferment', 'params', 'log', '@order', '@pH', 'name', 'goal', 'lots', 'readings', 'dutiesDone'),
      fc.constantFrom('__proto__', 'constructor', '#', '@', '', 'format', 'version', 'seed', 'pct', 'doneOn', 'ingredients'),
    );
    const value = fc.oneof(
      fc.constantFrom(null, '', 'x', -1, 0, 1e308, true, [], {}, '2026-11-02', ['salt', 'salt'], { id: 'salt' }, undefined),
      fc.jsonValue({ maxDepth: 2 }),
    );
    const change = fc.record({ path: fc.array(step, { minLength: 1, maxLength: 4 }), before: value, after: value, force: fc.boolean() });
    const known: Record<number, number> = {};
    await fc.assert(
      fc.asyncProperty(fc.array(change, { minLength: 1, maxLength: 3 }), async (said) => {
        const now = (await k.call<BatchRecord>('GET', `/batches/${record.id}`)).value;
        // Half of them begin from what is there, so that they are not only clashes.
        const changes = said.map(({ force, ...c }) => (force ? { ...c, before: valueAt(now.file, c.path) } : c));
        const { status } = await k.call('PATCH', `/batches/${record.id}`, { revision: now.revision, changes });
        known[status] = (known[status] ?? 0) + 1;
        expect([200, 409, 422]).toContain(status);
        const after = (await k.call<BatchRecord>('GET', `/batches/${record.id}`)).value;
        expect(checkBatchFile(after.file).ok).toBe(true);
        expect(after.revision - now.revision).toBeLessThanOrEqual(status === 200 ? 1 : 0);
      }),
      { numRuns: 150, seed: 7 },
    );
    for (const status of [200, 409, 422]) expect(known[status], JSON.stringify(known)).toBeGreaterThan(0);
  });
  it('an id that exists is told as such', async () => {
    expect((await k.call('POST', '/pods', { input: lotInput('twice'), stockG: 1, words: '' })).status).toBe(201);
    const again = await k.call<Problem>('POST', '/pods', { input: lotInput('twice'), stockG: 1, words: '' });
    expect([again.status, again.value.title]).toEqual([409, 'There already']);
  });
  it('odd charsets, encodings and addresses', async () => {
    expect((await raw('POST', '/api/batches', { ...OWN, 'Content-Type': 'application/json; charset=klingon' }, '{}')).status).toBe(415);
    expect((await raw('POST', '/api/batches', { ...OWN, 'Content-Encoding': 'rot13' }, '{}')).status).toBe(415);
    expect((await raw('POST', '/api/batches', { ...OWN, 'Content-Encoding': 'gzip' }, gzipSync('{}'))).status).toBe(422);
    expect((await raw('GET', '/api/batches/%E0%A4%A', {})).status).toBe(400);
    expect((await raw('HEAD', '/api/batches', {})).status).toBe(200);
    expect((await raw('PATCH', '/api/batches', OWN, '{}')).headers.allow).toBe('GET, POST, HEAD');
  });
  it('pages and files', async () => {
    expect((await raw('GET', '/batches/some-batch', {})).text).toContain('<title>page');
    expect((await raw('HEAD', '/', {})).status).toBe(200);
    expect((await raw('GET', '/assets/gone-9f.js', {})).status).toBe(404);
    expect((await raw('GET', '/favicon.ico', {})).status).toBe(404);
    for (const path of ['/assets/%E0%A4%A', '/%E0%A4%A']) {
      const none = await raw('GET', path, {});
      expect([none.status, none.headers['content-type']]).toEqual([400, 'application/problem+json; charset=utf-8']);
    }
    expect((await raw('POST', '/batches', OWN, '{}')).status).toBe(405);
    const file = await raw('GET', '/assets/app-1a2b.js', { 'Accept-Encoding': 'gzip' });
    expect(file.headers['cache-control']).toBe('public, max-age=31536000, immutable');
    // The window is on the same machine: packing and unpacking would only cost it.
    expect(file.headers['content-encoding']).toBeUndefined();
    // A phone is not, by itself or behind a proxy of this machine; of what the kitchen says only what is long is packed.
    const phone = { 'Accept-Encoding': 'gzip', 'X-Forwarded-For': '192.168.1.20' };
    expect((await raw('GET', '/assets/app-1a2b.js', phone)).headers).toMatchObject({ 'content-encoding': 'gzip', vary: 'Accept-Encoding' });
    expect((await raw('GET', '/assets/app-1a2b.js', { 'X-Forwarded-For': '192.168.1.20' })).headers['content-encoding']).toBeUndefined();
    // What was compressed when it was built goes out as it is, to whoever reads it.
    const built = await raw('GET', '/assets/lists-2c3d.js', { 'Accept-Encoding': 'gzip, br' });
    expect(built.headers).toMatchObject({
      'content-encoding': 'br',
      vary: 'Accept-Encoding',
      'cache-control': file.headers['cache-control'],
    });
    expect(built.headers['content-type']).toMatch(/^text\/javascript; charset=utf-8$/i);
    expect((await raw('GET', '/assets/lists-2c3d.js', {})).text).toBe(LISTS);
    expect((await raw('GET', '/assets/lists-2c3d.js', { 'Accept-Encoding': 'br;q=0, gzip' })).text).toBe(LISTS);
    expect((await raw('GET', '/api/openapi.json', phone)).headers['content-encoding']).toBe('gzip');
    expect((await raw('GET', '/api/house', phone)).headers['content-encoding']).toBeUndefined();
    expect((await raw('GET', '/api/openapi.json', { 'Accept-Encoding': 'gzip' })).headers['content-encoding']).toBeUndefined();
  });
  it('what is nested without end is refused with a sentence, in lists and objects, and brackets in words are none', async () => {
    for (const [open, close] of [
      ['[', ']'],
      ['{"a":', '}'],
    ] as const) {
      const deep = `{"file":${open.repeat(20_000)}1${close.repeat(20_000)}}`;
      const answer = await raw('POST', '/api/batches/import', OWN, deep);
      expect(answer.status).toBe(422);
      expect(answer.text).toContain('nested deeper');
    }
    const words = JSON.stringify({ name: `${'['.repeat(300)}"\\`.slice(0, 60), startDate: '2026-11-01', goal: GOAL });
    expect((await raw('POST', '/api/batches', OWN, words)).status).toBe(201);
  });
  it('a file of a third of a million empty lots is refused at once, in few words', async () => {
    const file = { ...newBatch('Big', '2026-11-01'), lots: new Array(330_000).fill({}) };
    const timed = async (value: object) => {
      const start = performance.now();
      const answer = await k.call<Problem>('POST', '/batches/import', { file: value });
      return { answer, ms: performance.now() - start };
    };
    // As many bytes that are refused by their first word: what is left is sending and parsing. Checking each lot was two hundred times that.
    const best = async (value: object) => Math.min(...[await timed(value), await timed(value), await timed(value)].map((t) => t.ms));
    const { answer } = await timed(file);
    expect(answer.status).toBe(422);
    expect(await best(file)).toBeLessThan(20 * (await best({ ...file, format: 'other' })));
    expect(JSON.stringify(answer.value).length).toBeLessThan(1000);
    const odd = { ...newBatch('Odd', '2026-11-01'), dutiesDone: Array.from({ length: 4000 }, (_, i) => i) };
    const many = await k.call<Problem>('POST', '/batches/import', { file: odd });
    expect(many.value.errors!.length).toBeLessThanOrEqual(50);
  });
});

it('describes itself in a way that a public linter accepts', async () => {
  const { value } = await k.call<{ paths: Record<string, Record<string, { operationId: string }>> }>('GET', '/openapi.json');
  const ids = Object.values(value.paths).flatMap((p) => Object.values(p).map((o) => o.operationId));
  expect(new Set(ids).size).toBe(ids.length);
  const config = await createConfig({
    extends: ['recommended'],
    // Local by design: one machine, no keys.
    rules: { 'security-defined': 'off', 'no-server-example.com': 'off' },
  });
  const found = await lintFromString({ source: JSON.stringify(value), config });
  expect(found.map((f) => `${f.ruleId} ${f.message} ${JSON.stringify(f.location[0]?.pointer)}`)).toEqual([]);
});

describe('announcements', () => {
  /** Reads a stream of events until `count` came or time is up. */
  async function hear(count: number, headers: Record<string, string>, meanwhile: () => Promise<unknown> = async () => {}) {
    const stop = new AbortController();
    const res = await fetch(`${k.base}/events`, { headers, signal: stop.signal });
    const reader = res.body!.getReader();
    await meanwhile();
    let text = '';
    const timer = setTimeout(() => stop.abort(), 30_000);
    const parts = () => text.split('\n\n').filter((p) => p.includes('\ndata:') && !p.includes('event: hello'));
    try {
      while (parts().length < count) text += new TextDecoder().decode((await reader.read()).value);
    } catch {
      // Time is up.
    }
    clearTimeout(timer);
    stop.abort();
    const ids = [...text.matchAll(/^id: (.*)$/gm)].map((m) => m[1]!);
    return { events: parts().map((p) => JSON.parse(/^data: (.*)$/m.exec(p)![1]!) as ChangeEvent), ids };
  }
  const start = () => k.call<BatchRecord>('POST', '/batches', { name: 'Heard', startDate: '2026-11-01', goal: GOAL });

  it('missed while away are caught up, and when that cannot be, all is asked for anew', async () => {
    const first = await hear(1, {}, start);
    expect(first.events[0]).toMatchObject({ topic: 'batches', revision: 1 });
    const missed = (await start()).value;
    const back = await hear(1, { 'Last-Event-ID': first.ids.at(-1)! });
    expect(back.events.map((e) => e.id)).toContain(missed.id);
    expect((await hear(1, { 'Last-Event-ID': 'deadbeef-3' })).events).toEqual([{ topic: 'all', id: '' }]);
  });
});
