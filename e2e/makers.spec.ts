import type { LogLine, ShelfMoveLine } from '@roskel/contract';
import { expect, importExample, pick, station, stored, test, type } from './test';

test.use({ kitchen: 'makers' });

test('two makers, a device each: who logged what is told of the batch, of the bottles and of the whole kitchen', async ({
  page,
  browser,
  baseURL,
}) => {
  const id = await importExample(page, 'Two Cooks', true);
  await page.goto(`/batches/${id}`);
  // A third one is added; the demo has Ebba and Ivo.
  await page.getByRole('button', { name: 'Kitchen', exact: true }).click();
  const makers = page.getByRole('region', { name: 'Makers' });
  await makers.getByLabel('One more maker').fill('  Ebba ');
  await makers.getByRole('button', { name: 'Add' }).click();
  await expect(makers.getByText('Ebba is there already. Add a letter to tell them apart.')).toBeVisible();
  await makers.getByLabel('One more maker').fill('Una');
  await makers.getByRole('button', { name: 'Add' }).click();
  await expect(makers.getByRole('listitem')).toHaveText([/Ebba/, /Ivo/, /Una/]);
  await pick(page, 'At this device is', 'Una');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Una' })).toBeVisible();

  await station(page, 'Ferment');
  await type(page, 'Days', '16');
  await stored(page, id);
  // Somebody else, on a phone of their own: by the key, then a reading.
  const phone = await (await browser.newContext({ baseURL: baseURL!, viewport: { width: 390, height: 844 } })).newPage();
  await phone.goto(`/batches/${id}?at=ferment`);
  await expect(phone.getByLabel('Days', { exact: true })).toHaveValue('16');
  await phone.keyboard.press('y');
  await phone.getByRole('group', { name: 'Who is at this device' }).getByRole('button', { name: 'Ivo' }).click();
  await type(phone, 'Days', '12');
  await stored(phone, id);
  await phone.close();

  // It is told in this window, while it is looked at.
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByText('Who did what').click();
  const lines = page.getByRole('dialog', { name: 'Who did what' }).locator('[data-log]');
  await expect(lines.first()).toContainText('Ivo');
  await expect(lines.first()).toContainText(/Ferment, the days in the jar: 12, before 16/);
  await expect(lines.nth(1)).toContainText('Una');
  await page.keyboard.press('Escape');

  // A bottle is taken by whoever is here; reloaded, the device still knows who that is.
  await page.goto('/shelf');
  await page.reload();
  await page.getByRole('button', { name: 'Open one' }).first().click();
  await expect
    .poll(async () => (((await (await page.request.get('/api/log?topic=shelf&most=1')).json()) as LogLine[])[0] ?? {}).maker)
    .toBe('Una');
  const [line] = (await (await page.request.get('/api/log?topic=shelf&most=1')).json()) as LogLine[];
  const moves = (await (await page.request.get(`/api/shelf/${line!.itemId}/moves`)).json()) as ShelfMoveLine[];
  expect(moves[0]).toMatchObject({ maker: 'Una', delta: -1 });

  await page.goto('/log');
  const log = page.locator('[data-log]');
  await expect(log.first()).toContainText(/Una.*−1 bottle, opened/s);
  await pick(page, 'Who', 'Ivo');
  await expect(log.first()).toContainText('Two Cooks');
  await expect(log.filter({ hasText: 'Una' })).toHaveCount(0);
  // Archived, their lines stay; the device that was theirs is nobody's.
  await pick(page, 'Who', 'everybody');
  await page.getByRole('button', { name: 'Kitchen', exact: true }).click();
  await page.getByRole('button', { name: 'Archive Una' }).click();
  await expect(page.getByRole('region', { name: 'Makers' }).getByRole('listitem')).toHaveCount(2);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Who?' })).toBeVisible();
  await expect(log.filter({ hasText: 'Una' }).first()).toBeVisible();
});
