import { readFileSync } from 'node:fs';
import { daysBetween, stationIn, type LearntFile, type Tool } from '@roskel/core';
import { expect, importExample, more, pick, station, stored, test } from './test';

test('a jar teaches the place it stands in, the next jar there expects it, and undo forgets it', async ({ page }) => {
  const tools = async () => (await (await page.request.get('/api/tools')).json()) as { id: string; value: Tool }[];
  const place = async () => (await tools()).find((t) => t.value.kind === 'place')!;
  await page.goto('/batches/slipway-red-3?at=ferment');
  await station(page, 'Ferment');
  await more(page);
  await expect(page.getByText('nothing learnt yet')).toBeVisible();
  await page.getByRole('button', { name: 'Teach it how this jar soured' }).click();
  await expect.poll(async () => (await place()).value.seen.length).toBe(1);
  const { value } = await place();
  expect(value.seen[0]).toMatchObject({ where: 'Slipway Red no. 3', of: 'slipway-red-3/ferment' });

  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await place()).value.seen.length).toBe(0);
  await page.keyboard.press('Control+Shift+z');
  await expect.poll(async () => (await place()).value.seen.length).toBe(1);

  // Another jar put into the same place expects it: its forecast moves.
  const id = await importExample(page, 'Stands There', true);
  await page.goto(`/batches/${id}?at=ferment`);
  await station(page, 'Ferment');
  await more(page);
  const ready = page.locator('[data-fact=ready]');
  const before = await ready.textContent();
  await pick(page, 'Where it stands', 'Hall cupboard');
  await expect(page.locator('[data-fact=tool]')).toContainText('times as lively as the tables say, by 1 jar');
  await expect.poll(() => ready.textContent()).not.toBe(before);
  const { record } = await stored(page, id);
  expect(stationIn(record.file, 'ferment')!.toolId).toBe((await place()).id);
  expect(record.file.tools!.find((t) => t.kind === 'place')!.seen).toHaveLength(1);

  // Its day is dragged, here by key: the odds follow at once, the plan when it is let go.
  const drag = page.locator('[data-fact=drag]');
  const said = await drag.textContent();
  await page.getByRole('slider', { name: 'Done after, days' }).press('ArrowRight');
  await expect.poll(() => drag.textContent()).not.toBe(said);
  const days = async () => (stationIn((await stored(page, id)).record.file, 'ferment')!.params as { days: number }).days;
  // It was packed long ago: the first day that can still be is today, and this is the next.
  await expect.poll(days).toBe(daysBetween(record.file.startDate, new Date().toISOString().slice(0, 10)) + 1);

  // What it taught stands with the place; it is not taught twice.
  await page.goto('/larder/tools');
  await expect(page.getByRole('row', { name: /Hall cupboard/ })).toContainText('by 1 jar');
  await page.goto('/batches/slipway-red-3?at=ferment');
  await expect(page.getByRole('button', { name: 'Teach it how this jar soured' })).toHaveCount(0);
});

test('what was learnt here goes out as a file; what another kitchen learnt is looked at, read in and taken out as one', async ({
  page,
}) => {
  const rows = () => page.getByRole('row', { name: /Small milk pot pot or pan/ });
  await page.goto('/larder/tools');
  await expect(rows()).toContainText('nothing learnt yet');
  await page.getByRole('button', { name: 'Other kitchens' }).click();
  const sheet = page.getByRole('dialog', { name: 'What kitchens learnt' });
  await expect(sheet.locator('[data-fact=mine]').filter({ hasText: 'Pot or pan' })).toContainText('times the usual');
  const saved = page.waitForEvent('download');
  await sheet.getByRole('button', { name: 'Save as a file' }).click();
  const text = readFileSync(await (await saved).path(), 'utf8');
  expect(text).not.toMatch(/Wide steel pot|\d{4}-\d\d-\d\d/);

  const read = (name: string, content: string) =>
    sheet.locator('input[type=file]').setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(content) });
  await read('notes.json', 'salt, pods');
  await expect(page.getByText('This is no file of what a kitchen learnt.')).toBeVisible();
  await read('own.json', text);
  await expect(sheet.getByRole('alert')).toContainText('what this kitchen learnt itself');
  await sheet.getByRole('button', { name: 'Leave it' }).click();
  const other: LearntFile = { ...(JSON.parse(text) as LearntFile), kitchen: 'kitchen-elsewhere' };
  await read('other.json', JSON.stringify(other));
  await expect(sheet.locator('[data-fact=change]').filter({ hasText: 'Small milk pot' })).toContainText('gives off');
  await expect(rows()).toContainText('nothing learnt yet');
  await sheet.getByLabel('Whose it is').fill('By the water');
  await sheet.getByRole('button', { name: 'Read it in' }).click();
  await expect(sheet.getByText('By the water')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(rows()).toContainText('by other kitchens');
  await page.keyboard.press('Control+z');
  await expect(rows()).toContainText('nothing learnt yet');
});
