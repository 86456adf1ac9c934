import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BatchRecord, BottlingRecord } from '@roskel/contract';
import { postgresAt, startPostgres, type Started } from '../scripts/lib/postgres.mjs';
import { DemoServer } from './server';
import { expect, importExample, line, stored, test, type } from './test';

/** One kitchen on a PostgreSQL server, two processes, a window on each. */
test.skip(!postgresAt(), 'There is no PostgreSQL server here, and none may be installed.');
let pg: Started;
let one: DemoServer;
let two: DemoServer;
test.beforeAll(async () => {
  pg = (await startPostgres({ durable: true }))!;
  [one, two] = [4820, 4830].map((port) => new DemoServer(port, true, undefined, pg.url())) as [DemoServer, DemoServer];
  // At the same moment: they make the tables and the demo once.
  await Promise.all([one.start(), two.start()]);
});
test.afterAll(async () => {
  await Promise.all([one.end(), two.end()]);
  pg.end();
});

test('two windows on two processes stay in step; one process is killed, then the database, and nothing that was saved is lost', async ({
  browser,
}) => {
  test.slow();
  const [a, b] = await Promise.all([one, two].map(async (s) => (await browser.newContext({ baseURL: s.address })).newPage()));
  const left = a!;
  const right = b!;
  const id = await importExample(left, 'Two Processes');
  await left.goto(`/batches/${id}?at=ferment`);
  await right.goto(`/batches/${id}?at=ferment`);
  await type(left, 'Days', '11');
  await expect(left.getByText('Saved', { exact: true })).toBeVisible();
  await expect(right.getByLabel('Days', { exact: true })).toHaveValue('11');
  await type(right, 'Temperature, °C', '24');
  await expect(left.getByLabel('Temperature, °C', { exact: true })).toHaveValue('24');

  // A bottle that one takes is gone for the other.
  const shelf = (page: typeof left) => page.request.get('/api/shelf').then((r) => r.json() as Promise<BottlingRecord[]>);
  const [bottling] = await shelf(left);
  await right.goto(`/shelf/${bottling!.id}`);
  await expect(right.getByText(new RegExp(`${bottling!.left} of ${bottling!.bottles}`)).first()).toBeVisible();
  const data = { delta: -1, reason: 'opened' };
  expect((await left.request.post(`/api/shelf/${bottling!.id}/moves`, { data, headers: { 'X-Roskel': '1' } })).status()).toBe(200);
  await expect(right.getByText(new RegExp(`${bottling!.left - 1} of ${bottling!.bottles}`)).first()).toBeVisible();

  // A process dies: its window keeps what is typed, and stores it once the process is back.
  await one.stop('SIGKILL');
  await type(left, 'Days', '12');
  await expect(left.getByText(/Not stored yet: the server does not answer/)).toBeVisible();
  await one.start();
  await expect(left.getByText('Saved', { exact: true })).toBeVisible();
  await right.goto(`/batches/${id}?at=ferment`);
  await expect(right.getByLabel('Days', { exact: true })).toHaveValue('12');

  // The database dies under both: said the same way, and made good the same way.
  pg.kill();
  await type(left, 'Days', '13');
  await expect(left.getByText(/Not stored yet/)).toBeVisible();
  pg.begin();
  await expect(left.getByText('Saved', { exact: true })).toBeVisible();
  await expect(right.getByLabel('Days', { exact: true })).toHaveValue('13');
  expect(line((await stored(right, id)).record.file)[2]!.params).toMatchObject({ days: 13, tempC: 24 });
  await Promise.all([left.context().close(), right.context().close()]);
});

test('two kitchens of one process, a port each: neither sees anything of the other, and each says which it is', async ({ browser }) => {
  const both = new DemoServer(4834, false, undefined, pg.url(), ['--kitchen', 'home', '--kitchen', 'stall']);
  try {
    const home = await both.start();
    const stall = home.replace('4834', '4835');
    const page = await (await browser.newContext({ baseURL: home })).newPage();
    const { request } = page;
    const id = await importExample(page, 'Of Home Only');
    await page.goto(`/batches/${id}`);
    const file = (await stored(page, id)).record;
    const headers = { 'X-Roskel': '1' };
    const list = async (at: string) => ((await (await request.get(`${at}/api/batches`)).json()) as { id: string }[]).map((b) => b.id);
    expect([await list(home), await list(stall)]).toEqual([[id], []]);
    // By its id, whichever way.
    expect((await request.get(`${stall}/api/batches/${id}`)).status()).toBe(404);
    const data = { revision: file.revision, changes: [{ path: ['name'], before: file.file.name, after: 'Taken' }] };
    expect((await request.patch(`${stall}/api/batches/${id}`, { data, headers })).status()).toBe(404);
    expect((await request.delete(`${stall}/api/batches/${id}`, { headers })).status()).toBe(404);
    expect(await (await request.get(`${stall}/api/log?topic=batches&item=${id}`)).json()).toEqual([]);
    await page.goto(`${stall}/batches`);
    await page.getByRole('button', { name: 'Kitchen' }).click();
    await expect(page.getByRole('dialog')).toContainText('This kitchen is called stall');
    await page.context().close();
  } finally {
    await both.end();
  }
});

test('kitchens that changed their ports: what was typed for one is not sent to the other, and is stored when its own is back', async ({
  browser,
}) => {
  test.slow();
  const named = (...names: string[]) => names.flatMap((n) => ['--kitchen', n]);
  const folder = mkdtempSync(join(tmpdir(), 'roskel-ports-'));
  const served = (...names: string[]) => new DemoServer(4836, false, folder, pg.url(), named(...names));
  let now = served('barn', 'yard');
  const at = await now.start();
  const page = await (await browser.newContext({ baseURL: at })).newPage();
  const other = at.replace('4836', '4837');
  const days = async (base: string, id: string) => {
    const { file } = (await (await page.request.get(`${base}/api/batches/${id}`)).json()) as BatchRecord;
    return line(file)[2]!.params;
  };
  try {
    // A copy of a kitchen is another kitchen, with the same batches in it.
    const id = await importExample(page, 'In Both');
    const copy = await (await page.request.get('/api/kitchen')).body();
    const headers = { 'X-Roskel': '1', 'Content-Type': 'application/zip' };
    expect((await page.request.post(`${other}/api/kitchen`, { data: copy, headers })).ok()).toBe(true);
    await page.goto(`/batches/${id}?at=ferment`);
    await type(page, 'Days', '12');
    await expect(page.getByText('Saved', { exact: true })).toBeVisible();
    await now.stop();
    await type(page, 'Days', '15');
    await expect(page.getByText(/Not stored yet: the server does not answer/)).toBeVisible();

    now = served('yard', 'barn');
    await now.start();
    await expect(page.getByText('Another kitchen answers at this address than before')).toBeVisible();
    await expect(page.getByLabel('Days', { exact: true })).not.toHaveValue(/1[25]/);
    await expect.poll(() => days(other, id).catch(() => null), { intervals: [200] }).toMatchObject({ days: 12 });
    expect(await days(at, id)).not.toMatchObject({ days: 15 });

    await now.stop();
    now = served('barn', 'yard');
    await now.start();
    await expect(page.getByLabel('Days', { exact: true })).toHaveValue('15');
    await expect(page.getByText('Saved', { exact: true })).toBeVisible();
    expect(await days(at, id)).toMatchObject({ days: 15 });
  } finally {
    await page.context().close();
    await now.end();
  }
});
