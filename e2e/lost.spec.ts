import { mainEnd, withPodUses } from '@roskel/core';
import { strFromU8, unzipSync } from 'fflate';
import type { Page } from '@playwright/test';
import { DemoServer } from './server';
import type { BatchRecord, PodLotInput, PodLotRecord } from '@roskel/contract';
import type { PodLot } from '@roskel/core';
import { changeStored, expect, importExample, pick, startBatch, stored, test, type } from './test';

const OWN = { 'X-Roskel': '1' };
interface Record_ {
  revision: number;
  file: { name: string };
}
const inputOnly = ({ lot, gotOn, place, note, useFirst, ripeness, pricePerKg }: PodLotInput): PodLotInput => ({
  lot,
  gotOn,
  place,
  note,
  useFirst,
  ripeness,
  pricePerKg,
});
const read = async (page: Page, id: string) => (await (await page.request.get(`/api/batches/${id}`)).json()) as Record_;

test('an answer that is lost on its way does not make a move twice', async ({ page }) => {
  await page.goto('/shelf');
  const left = async () =>
    ((await (await page.request.get('/api/shelf')).json()) as { id: string; left: number }[]).find((b) => b.id === 'slipway-red-2')!.left;
  const before = await left();
  const open = page.getByRole('region', { name: 'Slipway Red no. 2' }).getByRole('button', { name: 'Open one' });
  await expect(open).toBeVisible();
  const keys: string[] = [];
  // Done, and the line breaks before anybody hears of it, by itself or from the list: again by itself, and by a second try.
  let broken = true;
  await page.route('**/api/shelf', (r) => (broken ? r.abort('connectionreset') : r.continue()));
  await page.route('**/api/shelf/*/moves', async (r) => {
    keys.push(r.request().headers()['idempotency-key']!);
    if (!broken) return r.continue();
    await r.fetch();
    await r.abort('connectionreset');
  });
  await open.click();
  const waits = page.getByText('Kept on this device until the server answers: a bottle of Slipway Red no. 2 opened');
  await expect(waits).toBeVisible();
  expect(await left()).toBe(before - 1);
  broken = false;
  await expect(waits).toHaveCount(0);
  const told = page.getByRole('region', { name: 'Slipway Red no. 2' }).locator('[data-fact=left]');
  await expect(told).toContainText(`${before - 1} of`);
  expect(new Set(keys).size).toBe(1);
  expect(await left()).toBe(before - 1);
  // Another one is another move.
  await open.click();
  await expect(told).toContainText(`${before - 2} of`);
  // Two at once are two.
  await Promise.all([open.click(), open.click()]);
  await expect.poll(left).toBe(before - 4);
});

test('undoing the start of a batch never takes away work that was done in it', async ({ page }) => {
  await page.goto('/batches');
  await page.getByRole('button', { name: 'Start a batch' }).click();
  await type(page, 'Name', 'Kept Work');
  await pick(page, 'Which kind of sauce', 'brine ferment');
  await page.getByLabel(/What do you have/).fill('300 g jalapeños, vinegar, 3 small bottles, mild');
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await expect(page.locator('[data-mass=bottle]')).toBeVisible();
  const id = new URL(page.url()).pathname.split('/').at(-1)!;
  await page.keyboard.press('3');
  await type(page, 'Days', '21');
  await stored(page, id);
  await page.getByRole('link', { name: 'Batches' }).first().click();
  await expect(page.getByRole('heading', { level: 1, name: 'Batches' })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByText(/work was done in it since/)).toBeVisible();
  await page.getByPlaceholder('Find a batch').fill('Kept Work');
  await expect(page.getByRole('link', { name: /Kept Work/ })).toBeVisible();
  expect((await read(page, id)).revision).toBeGreaterThan(1);
});

test('undo takes back its own change and leaves what another window did; redo and reload keep it', async ({ page }) => {
  const id = await importExample(page, 'Undo Here');
  await page.goto(`/batches/${id}?at=ferment`);
  await type(page, 'Days', '20');
  const { record } = await stored(page, id);
  // Another window renames the batch.
  await changeStored(page, record, { ...record.file, name: 'Renamed There' });
  await expect(page.getByRole('heading', { name: 'Renamed There' })).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Days', { exact: true })).toHaveValue('20');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByLabel('Days', { exact: true })).toHaveValue('14');
  await stored(page, id);
  expect((await read(page, id)).file.name).toBe('Renamed There');
  await page.getByRole('heading', { name: /Ferment/ }).click();
  await page.keyboard.press('Control+Shift+z');
  await expect(page.getByLabel('Days', { exact: true })).toHaveValue('20');
});

test('a reload with the cursor in a field, and inside a form, loses nothing', async ({ page }) => {
  const id = await importExample(page, 'Reload Me');
  await page.goto(`/batches/${id}?at=ferment`);
  await page.getByLabel('Days', { exact: true }).fill('25');
  await expect(page.getByText(/Not saved yet/)).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Days', { exact: true })).toHaveValue('25');
  await stored(page, id);

  await page.goto('/pods');
  await page.getByRole('button', { name: 'Add a lot' }).click();
  await page.getByLabel('Your name for it').fill('Half a form');
  await page.getByLabel('Note').fill('smoky');
  await page.reload();
  await page.getByRole('button', { name: 'Add a lot' }).click();
  await expect(page.getByText('Taken up where you left it.')).toBeVisible();
  await expect(page.getByLabel('Your name for it')).toHaveValue('Half a form');
  // Escape keeps it as well.
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.getByRole('button', { name: 'Add a lot' }).click();
  await expect(page.getByLabel('Note')).toHaveValue('smoky');
  await page.getByRole('button', { name: 'Start anew' }).click();
  await expect(page.getByLabel('Your name for it')).toHaveValue('');
});

test('the goal keeps its draft, and changes only what was changed in it', async ({ page }) => {
  const id = await importExample(page, 'Aimed');
  await page.goto(`/batches/${id}?at=ferment`);
  const aim = page.getByRole('button', { name: /^Heat .* to / });
  const sheet = page.getByRole('dialog', { name: 'The goal' });
  await aim.click();
  await sheet.getByLabel('Bottles', { exact: true }).fill('7');
  await page.keyboard.press('Escape');
  await expect(sheet).toHaveCount(0);
  // Another window renames the batch meanwhile.
  const { record } = await stored(page, id);
  await changeStored(page, record, { ...record.file, name: 'Aimed Elsewhere' });
  await expect(page.getByRole('heading', { name: 'Aimed Elsewhere' })).toBeVisible();
  await aim.click();
  await expect(sheet.getByText('Taken up where you left it.')).toBeVisible();
  await expect(sheet.getByLabel('Bottles', { exact: true })).toHaveValue('7');
  await sheet.getByRole('button', { name: 'Keep this goal' }).click();
  const { file } = (await stored(page, id)).record;
  expect([file.name, mainEnd(file).goal.bottles]).toEqual(['Aimed Elsewhere', 7]);
});

test('two windows on one lot: other fields come together, the same one is asked about', async ({ page }) => {
  const lot = async () =>
    ((await (await page.request.get('/api/pods')).json()) as (PodLotRecord & { promised: unknown })[]).find((l) => l.id === 'lot-green')!;
  await page.goto('/pods');
  await page.getByRole('button', { name: /^Green jalape/ }).click();
  await page.getByRole('button', { name: 'The lot' }).click();
  await page.getByLabel('From', { exact: true }).fill('window sill');
  await page.getByLabel('Note').fill('second picking');
  const { id: _, revision, stockG: __, promised: ___, ...input } = await lot();
  const theirs = await page.request.put('/api/pods/lot-green', {
    data: { revision, input: inputOnly({ ...input, place: 'cellar', useFirst: false }) },
    headers: OWN,
  });
  expect(theirs.status()).toBe(200);
  await page.getByRole('button', { name: 'Keep the changes' }).click();
  const asked = page.getByRole('dialog', { name: 'Changed in two windows' });
  await expect(asked.getByText('cellar')).toBeVisible();
  await asked.getByText('window sill').click();
  await asked.getByRole('button', { name: 'Go on with these' }).click();
  await expect(asked).toHaveCount(0);
  await expect
    .poll(async () => [(await lot()).place, (await lot()).note, (await lot()).useFirst])
    .toEqual(['window sill', 'second picking', false]);
});

test('a reading can be put right and taken back, and its note is shown', async ({ page }) => {
  const id = await importExample(page, 'Readings');
  await page.goto(`/batches/${id}?at=ferment`);
  await page.getByRole('button', { name: 'Log a reading' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('pH', { exact: true }).fill('4.4');
  await sheet.getByLabel('Note').fill('smells of apples');
  await sheet.getByRole('button', { name: 'Save the reading' }).click();
  await expect(page.getByText(/Last: pH 4.40.*smells of apples/)).toBeVisible();
  // The page has settled with the new forecast: nothing moves away from under the pointer.
  await stored(page, id);
  await page.waitForTimeout(1500);
  await page.getByText(/\d+ readings?$/).click();
  await page
    .getByRole('button', { name: /^Change the reading/ })
    .last()
    .click();
  await sheet.getByLabel('pH', { exact: true }).fill('4.3');
  await sheet.getByRole('button', { name: 'Save the reading' }).click();
  await expect(page.getByText(/Last: pH 4.30/)).toBeVisible();
  const before = (await stored(page, id)).record.file.readings.length;
  await page
    .getByRole('button', { name: /^Change the reading/ })
    .last()
    .click();
  await sheet.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByText(/Last: pH 4.30/)).toHaveCount(0);
  expect((await stored(page, id)).record.file.readings).toHaveLength(before - 1);
});

test('planned batches reserve: what one is promised is not free for the next, and a plan that lost its pods says so', async ({ page }) => {
  const lots = (await (await page.request.get('/api/pods')).json()) as {
    id: string;
    lot: object;
    stockG: number;
    promised: { g: number }[];
  }[];
  const fresno = lots.find((l) => l.id === 'lot-fresno')!;
  const plan = async (name: string, massG: number) => {
    const id = await startBatch(page, name, { lowShu: 500, highShu: 2000, bottles: 4, bottleMl: 100 });
    const record = (await (await page.request.get(`/api/batches/${id}`)).json()) as BatchRecord;
    const uses = [{ lotId: fresno.id, massG, prep: 'whole' as const, stationId: 'prep' }];
    await changeStored(page, record, { ...withPodUses(record.file, uses), lots: [fresno.lot as PodLot] });
    return id;
  };
  const free = fresno.stockG - fresno.promised.reduce((s, p) => s + p.g, 0);
  const first = await plan('First Served', Math.round(free - 40));
  const second = await plan('Second Served', 90);
  await page.goto('/pods');
  await expect(page.getByRole('button', { name: /^Fresno/ })).toContainText('0 g free');
  await page.goto(`/batches/${second}`);
  await page.getByRole('button', { name: /^not enough: / }).click();
  await expect(page.getByRole('dialog').getByText(/Fresno 50 g short \(promised to .*First Served/)).toBeVisible();
  await page.goto(`/batches/${second}/pods`);
  await expect(page.getByLabel('Fresno in the mix, g')).toBeVisible();
  await expect(page.locator('.lot').filter({ hasText: 'Fresno' })).toContainText('of 40 g');
  for (const id of [first, second]) await page.request.delete(`/api/batches/${id}`, { headers: OWN });
});

test('a backup is read back into an empty kitchen, bit by bit the same', async ({ page, browser }) => {
  test.slow();
  const saved = await page.request.get('/api/kitchen');
  const zip = await saved.body();
  expect(saved.headers()['content-disposition']).toMatch(/roskel-\d{4}-\d{2}-\d{2}\.zip/);
  const own = new DemoServer(4970, false);
  const base = await own.start();
  const other = await (await browser.newContext({ baseURL: base })).newPage();
  try {
    await other.goto('/batches');
    await other.getByRole('button', { name: 'Kitchen', exact: true }).click();
    const chooser = other.waitForEvent('filechooser');
    await other.getByRole('button', { name: /Read a backup/ }).click();
    await (await chooser).setFiles({ name: 'kitchen.zip', mimeType: 'application/zip', buffer: zip });
    // Every batch of it is worked through again: as long as that takes on this machine.
    await expect(other.getByText('This is your kitchen again.')).toBeVisible({ timeout: 120_000 });
    await other.keyboard.press('Escape');
    // Only what is in sight of a long list is drawn: other tests leave batches too.
    await expect(other.getByRole('dialog')).toHaveCount(0);
    await other.getByLabel('Find a batch').fill('Slipway Red no. 3');
    await expect(other.getByRole('link', { name: /Slipway Red no. 3/ })).toBeVisible();
    const tables = (bytes: Uint8Array, without = '') => {
      const { tables: all } = JSON.parse(strFromU8(unzipSync(bytes)['kitchen.json']!)) as { tables: Record<string, unknown> };
      return JSON.stringify(Object.entries(all).filter(([name]) => name !== without));
    };
    expect(tables(await (await other.request.get('/api/kitchen')).body())).toBe(tables(zip));
    // A second time it is not empty any more: over it only when asked twice, and what was there is kept as a copy.
    await other.getByLabel('Find a batch').fill('');
    const id = await startBatch(other, 'Begun since', { lowShu: 1000, highShu: 4000, bottles: 4, bottleMl: 100 });
    await other.getByRole('button', { name: 'Kitchen', exact: true }).click();
    await expect(other.getByRole('button', { name: /Read a backup/ })).toHaveCount(0);
    await other.getByRole('button', { name: 'Go back to a backup' }).click();
    const sheet = other.getByRole('dialog', { name: 'Go back to a backup' });
    await expect(sheet.getByText(/^Here now: \d+ batches, \d+ lots, .* in the larder, \d+ bottlings?\.$/)).toBeVisible();
    // What stands open in another window goes with it.
    const beside = await other.context().newPage();
    await beside.goto(`/batches/${id}`);
    await expect(beside.getByRole('heading', { level: 1, name: 'Begun since' })).toBeVisible();
    const again = other.waitForEvent('filechooser');
    await sheet.getByRole('button', { name: 'A backup from a file' }).click();
    await (await again).setFiles({ name: 'kitchen.zip', mimeType: 'application/zip', buffer: zip });
    await sheet.getByRole('button', { name: 'Put it in its place' }).click();
    await expect(other.getByText('This is the file kitchen.zip now.')).toBeVisible({ timeout: 120_000 });
    await expect(beside.getByText('This batch is not there any more.')).toBeVisible();
    // The log has one line more: that it went back.
    expect(tables(await (await other.request.get('/api/kitchen')).body(), 'log')).toBe(tables(zip, 'log'));
    await other.getByRole('button', { name: 'Go back to a backup' }).click();
    await sheet.getByRole('listitem').filter({ hasText: 'before going back' }).getByRole('button').click();
    await sheet.getByRole('button', { name: 'Put it in its place' }).click();
    await expect(other.getByText(/^This is the copy of .* now\./)).toBeVisible({ timeout: 120_000 });
    expect((await other.request.get(`/api/batches/${id}`)).status()).toBe(200);
    const refused = await other.request.post('/api/kitchen', { data: zip, headers: { ...OWN, 'Content-Type': 'application/zip' } });
    expect([refused.ok(), (await refused.json()).detail]).toEqual([false, expect.stringContaining('not empty')]);
  } finally {
    await other.context().close();
    await own.end();
  }
});
