import type { BatchRecord, TodayRow } from '@roskel/contract';
import { addDays, lastDay, oddsText, stationIn } from '@roskel/core';
import { expect, importExample, more, pick, station, stored, test, type } from './test';

test.use({ kitchen: 'today' });
/** The first page: duties over all batches, jars, what was seen in one, and everything by key. */
const rows = async (page: Parameters<typeof stored>[0]) => (await (await page.request.get('/api/today')).json()) as TodayRow[];

test('emptied by the keyboard alone, put off, and brought back by undo', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Today', level: 1 })).toBeVisible();
  const ticks = page.locator('[data-duty=tick]');
  await expect(ticks.first()).toBeVisible();
  // Every forecast is there before anything is pressed.
  await expect(page.locator('[data-jar=slipway-red-3]')).toContainText('ready');
  // What other tests began may ask for more than is drawn at first.
  const more = page.getByRole('button', { name: /^and \d+ more$/ });
  if (await more.isVisible()) await more.click();
  const duties = () => page.locator('.list > ul [data-duty]').count();
  const all = await duties();
  // One row a jar, all that it asks for in it.
  const texts = await page.locator('.list > ul > [data-row]').allTextContents();
  const at = texts.findIndex((t) => t.includes('Push everything'));
  expect(new Set(await page.locator('.list > ul > [data-row] .batch').allTextContents()).size).toBe(texts.length);
  for (let i = 0; i < at; i++) await page.keyboard.press('ArrowDown');
  await page.keyboard.press('d');
  await expect.poll(duties).toBe(all - 1);
  await expect
    .poll(async () => (await rows(page)).flatMap((r) => r.duties).filter((d) => d.text.startsWith('Push everything')).length)
    .toBe(2);
  await page.keyboard.press('Control+z');
  await expect.poll(duties).toBe(all);
  const count = () => page.locator('.list > ul > [data-row]').count();
  const before = await count();
  // Everything else goes to tomorrow, and is there then.
  for (let left = before; left > 0; left--) {
    await page.keyboard.press('o');
    await expect.poll(count).toBe(left - 1);
  }
  await expect(page.locator('[data-fact=now]')).toContainText('Nothing is due today');
  await expect(page.locator('summary')).toContainText('in the next two weeks');
  const today = await page.evaluate(() => new Date(Date.now() - new Date().getTimezoneOffset() * 60_000).toISOString().slice(0, 10));
  const open = async () => (await rows(page)).flatMap((r) => r.duties).filter((d) => d.due <= today).length;
  await expect.poll(open).toBe(0);
  expect((await rows(page)).flatMap((r) => r.duties).length).toBeGreaterThan(0);
  await page.keyboard.press('Control+z');
  await expect.poll(count).toBe(1);
  for (let i = 1; i < before; i++) await page.keyboard.press('Control+z');
  await expect.poll(count).toBe(before);
});

test('a film asks to be skimmed; fuzz ends a jar: bottles, needs and duties go with it, and undo brings all of it back', async ({
  page,
}) => {
  const get = async () => (await (await page.request.get('/api/batches/tideline-mash')).json()) as BatchRecord;
  const ours = page.locator('[data-row^="tideline-mash"] [data-duty=look]');
  await page.goto('/today');
  await ours.getByRole('button', { name: /^Look: / }).click();
  const sheet = page.getByRole('dialog', { name: 'Look and smell: Tideline Mash' });
  await sheet.getByText('a flat white film', { exact: false }).click();
  await expect(sheet.locator('[data-verdict=act]')).toContainText('Skim it off');
  await sheet.getByRole('button', { name: 'Note it' }).click();
  await expect(sheet).toBeHidden();
  await expect(ours).toHaveCount(0);
  expect((await get()).file.readings.at(-1)!.signs).toEqual(['film']);
  // The jar's own page: fuzz this time.
  await page.goto('/batches/tideline-mash?at=ferment');
  await page.getByRole('button', { name: 'Look and smell' }).click();
  await sheet.getByText('fuzz, or spots', { exact: false }).click();
  await expect(sheet.locator('[data-verdict=discard]')).toContainText('Throw the whole jar away');
  await expect(sheet.getByRole('button', { name: 'Thrown away' })).toBeDisabled();
  await sheet.getByText('It is in the bin', { exact: false }).click();
  await sheet.getByRole('button', { name: 'Thrown away' }).click();
  await expect(page.locator('[data-fact=thrown]')).toContainText('fuzz');
  await expect.poll(async () => stationIn((await get()).file, 'ferment')!.log.thrownWhy ?? '').toContain('fuzz');
  await expect.poll(async () => (await rows(page)).some((r) => r.id === 'tideline-mash')).toBe(false);
  // Nothing more is promised to it, and what went in stays gone.
  const larder = (await (await page.request.get('/api/larder')).json()) as { promised: { batchId: string }[] }[];
  expect(larder.flatMap((l) => l.promised).some((p) => p.batchId === 'tideline-mash')).toBe(false);
  await page.goto('/batches');
  await page.locator('[data-find]').fill('Tideline');
  await expect(page.locator('a.batch', { hasText: 'Tideline Mash' })).toContainText('thrown away');
  await page.goto('/batches/tideline-mash?at=ferment');
  await expect(page.locator('[data-fact=thrown]')).toBeVisible();
  for (let i = 0; i < 2; i++) await page.keyboard.press('Control+z');
  await expect(page.locator('[data-fact=thrown]')).toHaveCount(0);
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  expect(stationIn((await get()).file, 'ferment')!.log.thrownOn).toBeUndefined();
});

test('wanted by a day: the start with which most are ready in time, its odds, and the plan that follows', async ({ page }) => {
  const id = await importExample(page, 'Wanted Soon');
  await page.goto(`/batches/${id}`);
  await stored(page, id);
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByText('Wanted by a day', { exact: true }).click();
  const sheet = page.getByRole('dialog', { name: 'Wanted by a day' });
  await expect(sheet.locator('[data-back]')).toHaveCount(3);
  // Three weeks are short: lively brine makes it likelier than the plain jar.
  const SHARES = Array.from({ length: 41 }, (_, i) => oddsText(i / 40));
  const share = async (n: number) => {
    const text = (await sheet.locator('[data-back]').nth(n).textContent())!;
    return SHARES.findLastIndex((words) => text.includes(words));
  };
  expect(await share(2)).toBeGreaterThanOrEqual(await share(0));
  const far = await page.evaluate(() => new Date(Date.now() + 90 * 86_400_000).toISOString().slice(0, 10));
  await type(page, 'Wanted by', far);
  await expect(sheet.locator('[data-back]').first()).toContainText('Begin by');
  await sheet.locator('[data-back]').first().getByRole('button', { name: 'Begin then' }).click();
  await expect(sheet).toBeHidden();
  const { record } = await stored(page, id);
  expect(lastDay(record.file)).toBe(far);
  await page.keyboard.press('Control+z');
});

test('readings steer the jar on the page; a wrong one is named; cold nights from a logger move the window and the page says so', async ({
  page,
}) => {
  await page.goto('/batches/slipway-red-3?at=ferment');
  await more(page);
  const { record } = await stored(page, 'slipway-red-3');
  const from = stationIn(record.file, 'salt')!.log.doneOn!;
  const ready = page.locator('[data-fact=ready]');
  await expect(ready).toContainText('ready');
  await expect(page.locator('[data-fact=jar]').first()).toContainText('tells most');
  const first = await ready.textContent();
  // A week of cold nights, as a logger writes them.
  await page.getByRole('button', { name: 'add a temperature log' }).click();
  const sheet = page.getByRole('dialog', { name: 'How warm the jar stood' });
  const lines = Array.from(
    { length: 6 * 8 },
    (_, i) => `${addDays(from, Math.floor(i / 8))} ${String((i % 8) * 3).padStart(2, '0')}:00, ${i % 8 < 4 ? 12 : 19}`,
  );
  await sheet.getByLabel('Time and temperature, a line each').fill(['time, °C', ...lines].join('\n'));
  await expect(sheet.locator('[data-fact=temps]')).toContainText('12 °C to 19 °C');
  await sheet.getByRole('button', { name: 'Keep it with this jar' }).click();
  await expect(page.locator('[data-fact=jar]').filter({ hasText: 'on average; the plan had 21 °C' })).toBeVisible();
  await expect(ready).not.toHaveText(first!);
  await page.keyboard.press('Control+z');
  await expect(ready).toHaveText(first!);
  // A slip of the meter: named as such, and with it gone all is as it was.
  await page.getByRole('button', { name: 'Log a reading' }).click();
  await page.locator('.pill', { hasText: 'each, all the same' }).click();
  await type(page, 'pH', '5.6');
  await pick(page, 'With a', /meter/);
  await page.getByRole('button', { name: 'Save the reading' }).click();
  await expect(page.locator('[data-fact=fit]')).toContainText('read again');
  await page.keyboard.press('Control+z');
  await expect(page.locator('[data-fact=fit]')).toHaveCount(0);
  await expect(ready).toHaveText(first!);
  // What if: another jar, drawn while one drags.
  await page.getByText('What if it stood warmer').click();
  await page.getByRole('slider', { name: 'Temperature' }).focus();
  for (let i = 0; i < 8; i++) await page.keyboard.press('ArrowLeft');
  await expect(page.locator('[data-fact=what-if]')).toContainText('Begun like that');
  await station(page, 'Drain');
});
