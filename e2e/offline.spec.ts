import type { BatchRecord, BottlingRecord, PodLotRecord, TodayRow } from '@roskel/contract';
import { DemoServer } from './server';
import { changeStored, expect, line, test, type } from './test';

test('kept on a phone: the page begins without its server, takes readings, and brings them back; the same field is asked about', async ({
  browser,
}) => {
  test.slow();
  const own = new DemoServer(4880);
  const base = await own.start();
  const context = await browser.newContext({ baseURL: base, viewport: { width: 390, height: 844 }, locale: 'en-GB' });
  const page = await context.newPage();
  const batch = async () => (await (await page.request.get('/api/batches/slipway-red-3')).json()) as BatchRecord;
  const saved = page.getByText('Saved', { exact: true });
  const log = async (pH: string) => {
    await page.getByRole('button', { name: 'Log a reading' }).first().click();
    await page.locator('.pill', { hasText: 'each, all the same' }).click();
    await type(page, 'pH', pH);
    await page.getByRole('button', { name: 'Save the reading' }).click();
    await expect(page.getByRole('dialog')).toHaveCount(0);
  };
  try {
    await page.goto('/today');
    const manifest = await page.locator('link[rel=manifest]').getAttribute('href');
    expect((await (await page.request.get(manifest!)).json()) as object).toMatchObject({ name: 'Roskel', display: 'standalone' });
    await page.getByRole('button', { name: 'More', exact: true }).click();
    await page.getByRole('button', { name: 'Your kitchen' }).click();
    await page.getByRole('button', { name: 'Keep on this device' }).click();
    await expect(page.getByText(/^Kept on this device: batches/)).toBeVisible();
    const before = await batch();

    await own.stop();
    // Begun anew without a server: a batch that was not open before, and what it takes at the counter.
    await page.goto('/batches/slipway-red-3?at=ferment');
    await expect(page.getByText('The server does not answer. What stands here was last read on this device')).toBeVisible();
    await log('3.92');
    await expect(page.getByText(/Not stored yet: the server does not answer/)).toBeVisible();
    await page.reload();
    await log('3.88');
    await page.goto('/batches/gorse-gold/counter');
    await expect(page.getByRole('heading').first()).toBeVisible();
    // Another batch, left again before the server is back.
    await page.goto('/batches/gorse-gold?at=salt');
    await type(page, 'Salt, %', '4.2');
    await expect(page.getByText(/Not stored yet/)).toBeVisible();
    await page.goto('/shelf');
    await expect(page.getByText('What stands here was last read on this device')).toBeVisible();
    await page.goto('/batches/slipway-red-3?at=ferment');
    await expect(page.getByText(/Not stored yet/)).toBeVisible();

    // Another window comes first with something else: both are there.
    await context.route('**/api/batches/slipway-red-3', (r) => (r.request().method() === 'PATCH' ? r.abort() : r.fallback()));
    await own.start();
    await changeStored(page, await batch(), { ...before.file, name: 'Renamed meanwhile' });
    await context.unroute('**/api/batches/slipway-red-3');
    await expect(saved).toBeVisible({ timeout: 30_000 });
    const after = await batch();
    expect(after.file.name).toBe('Renamed meanwhile');
    expect(after.file.readings.slice(before.file.readings.length).map((r) => r.pH)).toEqual([3.92, 3.88]);

    const gold = async () => (await (await page.request.get('/api/batches/gorse-gold')).json()) as BatchRecord;
    await expect.poll(async () => line((await gold()).file)[1]!.params as object).toMatchObject({ pct: 4.2 });
    await expect(page.getByText('What stands here was last read')).toHaveCount(0);

    // The same field meanwhile: asked about, with both values.
    await own.stop();
    await type(page, 'Days', '17');
    await expect(page.getByText(/Not stored yet/)).toBeVisible();
    await context.route('**/api/batches/slipway-red-3', (r) => (r.request().method() === 'PATCH' ? r.abort() : r.fallback()));
    await own.start();
    const now = await batch();
    const days = (n: number) => ({
      ...now.file,
      strands: now.file.strands.map((s) => ({
        ...s,
        stations: s.stations.map((e) => (e.id === 'ferment' ? { ...e, params: { ...(e.params as object), days: n } } : e)),
      })),
    });
    await changeStored(page, now, days(15));
    await context.unroute('**/api/batches/slipway-red-3');
    const asked = page.getByRole('dialog');
    await expect(asked).toContainText('17', { timeout: 30_000 });
    await expect(asked).toContainText('15');
    await page.keyboard.press('Escape');
    expect(line((await batch()).file)[2]!.params).toMatchObject({ days: 15 });

    // A server that stands still, its connections open, is as good as away: what is kept answers, and goes in once it moves again.
    const goOn = own.freeze();
    await page.goto('/batches/rockpool-green?at=ferment');
    await expect(page.getByText('What stands here was last read on this device')).toBeVisible({ timeout: 30_000 });
    await type(page, 'Days', '18');
    await expect(page.getByText(/Not stored yet/)).toBeVisible({ timeout: 30_000 });
    goOn();
    await expect(saved).toBeVisible({ timeout: 30_000 });
    const green = (await (await page.request.get('/api/batches/rockpool-green')).json()) as BatchRecord;
    expect(line(green.file)[2]!.params).toMatchObject({ days: 18 });

    // Taken off this device again: nothing is left there.
    await page.goto('/today');
    await page.getByRole('button', { name: 'More', exact: true }).click();
    await page.getByRole('button', { name: 'Your kitchen' }).click();
    await page.getByRole('button', { name: 'Forget it on this device' }).click();
    await expect(page.getByRole('button', { name: 'Keep on this device' })).toBeVisible();
    expect(
      await page.evaluate(async () => [(await caches.keys()).length, (await navigator.serviceWorker.getRegistrations()).length]),
    ).toEqual([0, 0]);
  } finally {
    await context.close();
    await own.end();
  }
});

test('ticks, bottles and stock while the server stands still: all there once when it moves again; what cannot be is asked about', async ({
  browser,
}) => {
  test.slow();
  const own = new DemoServer(4881);
  const base = await own.start();
  const context = await browser.newContext({ baseURL: base, viewport: { width: 390, height: 844 }, locale: 'en-GB' });
  const page = await context.newPage();
  const json = async <T>(path: string) => (await (await page.request.get(`/api${path}`)).json()) as T;
  const shelf = () => json<BottlingRecord[]>('/shelf');
  const duties = async () => (await json<TodayRow[]>('/today')).flatMap((r) => r.duties.map((d) => `${r.id}/${d.id}/${d.due}`));
  let goOn = () => {};
  try {
    const before = { shelf: await shelf(), pods: await json<PodLotRecord[]>('/pods'), duties: await duties() };
    const bottling = before.shelf.find((b) => b.left >= 4)!;
    const lot = before.pods.find((p) => p.stockG > 300)!;
    await page.goto('/today');
    await page.getByRole('button', { name: 'More', exact: true }).click();
    await page.getByRole('button', { name: 'Your kitchen' }).click();
    await page.getByRole('button', { name: 'Keep on this device' }).click();
    await expect(page.getByText(/^Kept on this device: batches/)).toBeVisible();
    await page.goto('/today');
    const ticks = page.locator('[data-duty=tick]');
    await expect(ticks.first()).toBeVisible();

    goOn = own.freeze();
    const open = await ticks.count();
    const tick = async (left: number) => {
      await ticks.first().getByRole('checkbox').click();
      await expect(ticks).toHaveCount(left);
      // Kept by then: the window may be closed.
      await expect
        .poll(() => page.evaluate(() => Object.keys(localStorage).filter((key) => key.includes('draft')).length), { timeout: 60_000 })
        .toBe(open - left);
    };
    await tick(open - 1);
    await tick(open - 2);
    await page.goto('/shelf');
    const card = page.getByRole('region', { name: bottling.name });
    await card.getByRole('button', { name: 'Open one' }).click();
    const waits = page.getByText(`Kept on this device until the server answers: a bottle of ${bottling.name} opened`);
    await expect(waits).toBeVisible({ timeout: 60_000 });
    // Taken back and opened again, and a window that was closed: nothing is said twice.
    await card.getByRole('button', { name: 'Open one' }).click();
    await page.keyboard.press('Control+z');
    await expect(page.getByText(/^Undone: /)).toBeVisible();
    await page.reload();
    await expect(waits).toBeVisible();
    await page.goto(`/pods?lot=${lot.id}`);
    const sheet = page.getByRole('dialog', { name: lot.lot.name });
    await sheet.getByText('Stock', { exact: true }).click();
    await type(page, 'Amount', '100 g');
    await sheet.getByRole('button', { name: 'Used' }).click();
    await expect(page.getByText(`stock of ${lot.lot.name}`)).toBeVisible({ timeout: 60_000 });
    goOn();
    const left = async () => (await shelf()).find((b) => b.id === bottling.id)!.left;
    // A server that went on breaks the lines it had before.
    await expect(async () => expect(await left()).toBe(bottling.left - 1)).toPass({ timeout: 60_000 });
    await expect(waits).toHaveCount(0, { timeout: 60_000 });
    const gone = async () => {
      const now = new Set(await duties());
      return before.duties.filter((d) => !now.has(d)).length;
    };
    await expect(async () => expect(await gone()).toBe(2)).toPass({ timeout: 60_000 });
    expect(await left()).toBe(bottling.left - 1);
    expect((await json<PodLotRecord[]>('/pods')).find((p) => p.id === lot.id)!.stockG).toBeCloseTo(lot.stockG - 100, 6);

    // The rest of the bottles taken elsewhere meanwhile: it is not done, and says so until it is settled.
    await own.stop();
    await page.goto('/shelf');
    await card.getByRole('button', { name: 'Open one' }).click();
    await expect(waits).toBeVisible({ timeout: 60_000 });
    await context.route('**/moves', (r) => r.abort());
    await own.start();
    const take = { delta: -(await left()), reason: 'given' };
    expect((await page.request.post(`/api/shelf/${bottling.id}/moves`, { data: take, headers: { 'X-Roskel': '1' } })).ok()).toBe(true);
    await context.unroute('**/moves');
    const refused = page.getByRole('alert').filter({ hasText: `Not done: a bottle of ${bottling.name} opened.` });
    await expect(refused).toBeVisible({ timeout: 60_000 });
    await page.reload();
    await refused.getByRole('button', { name: 'Let it go' }).click();
    await expect(refused).toHaveCount(0);
    expect(await left()).toBe(0);
  } finally {
    goOn();
    await context.close();
    await own.end();
  }
});
