import { mapStations } from '@roskel/core';
import { changeStored, expect, importExample, station, stored, test, type } from './test';

/** A picture of 2,400 x 1,600 px, drawn in the browser. */
const PICTURE = `(async () => {
  const c = document.createElement('canvas');
  c.width = 2400; c.height = 1600;
  const p = c.getContext('2d');
  const g = p.createLinearGradient(0, 0, 2400, 1600);
  g.addColorStop(0, '#c22'); g.addColorStop(1, '#2c6');
  p.fillStyle = g; p.fillRect(0, 0, 2400, 1600);
  return c.toDataURL('image/png').split(',')[1];
})()`;

test('a reading with bubbles, brine and a picture: made small, kept, shown, changed and taken away; and what is missing until it is done', async ({
  page,
}) => {
  await page.goto('/batches/slipway-red-3?at=ferment');
  await station(page, 'Ferment');
  const step = (name: string) => page.locator(`[data-step=${name}]`);
  await expect(page.locator('[data-fact=done]')).toContainText('Not done yet');
  await expect(step('first')).toHaveAttribute('data-is', 'false');
  const png = Buffer.from(await page.evaluate<string>(PICTURE), 'base64');

  await page.getByRole('button', { name: 'Log a reading' }).first().click();
  const sheet = page.getByRole('dialog');
  await type(page, 'Bubbles a minute', '0');
  await type(page, 'Brine above the pods, mm', '12');
  const file = sheet.locator('input[type=file]');
  await file.setInputFiles({ name: 'soup.png', mimeType: 'image/png', buffer: Buffer.from('no picture at all') });
  await expect(sheet.getByRole('alert')).toContainText('That is no picture');
  await file.setInputFiles({ name: 'jar.png', mimeType: 'image/png', buffer: png });
  const shown = sheet.getByRole('img', { name: 'The picture that was taken' });
  await expect(shown).toBeVisible();
  const src = (await shown.getAttribute('src'))!;
  await sheet.getByRole('button', { name: 'Save the reading' }).click();
  await expect(sheet).toHaveCount(0);

  const { record } = await stored(page, 'slipway-red-3');
  const reading = record.file.readings.at(-1)!;
  expect(reading).toMatchObject({ bubbles: 0, coverMm: 12, photo: src.split('/').pop() });
  const kept = await page.request.get(src);
  expect(kept.headers()['content-type']).toBe('image/jpeg');
  const size = await page.evaluate(async (url) => {
    const b = await createImageBitmap(await (await fetch(url)).blob());
    return [b.width, b.height];
  }, src);
  expect(size).toEqual([1000, 667]);
  await expect(step('quiet')).toHaveAttribute('data-is', 'true');
  await page.getByText(/^\d+ readings?$/).click();
  await expect(page.getByRole('img', { name: /^The jar on/ })).toBeVisible();
  await expect(page.getByText('12 mm of brine above')).toBeVisible();

  // Changed: pods that stand out of the brine ask to be pressed under; the picture stays until it is taken away.
  await page
    .getByRole('button', { name: /^Change the reading of/ })
    .last()
    .click();
  await type(page, 'Brine above the pods, mm', '-5');
  await sheet.getByRole('button', { name: 'take it away' }).click();
  await sheet.getByRole('button', { name: 'Save the reading' }).click();
  await expect(sheet).toHaveCount(0);
  await expect(step('looks')).toContainText('Press down first');
  expect((await stored(page, 'slipway-red-3')).record.file.readings.at(-1)).not.toHaveProperty('photo');
  await expect(page.getByRole('img', { name: /^The jar on/ })).toHaveCount(0);
  // As it was for the other tests.
  await page
    .getByRole('button', { name: /^Change the reading of/ })
    .last()
    .click();
  await sheet.getByRole('button', { name: 'Take it back' }).click();
  await expect(sheet).toHaveCount(0);
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
});

test('a jar of two is read by itself, and thrown away by itself; the other stands on and is bottled', async ({ page }) => {
  const id = await importExample(page, 'Two Jars', true);
  await page.goto(`/batches/${id}?at=ferment`);
  const { record } = await stored(page, id);
  const day = new Date(Date.now() - 6 * 86_400_000).toISOString().slice(0, 10);
  const packed = mapStations({ ...record.file, startDate: day }, (s) =>
    s.id === 'prep' || s.id === 'salt'
      ? { ...s, log: { doneOn: day }, params: s.id === 'salt' ? { ...(s.params as object), jars: 2, jarMl: 1000 } : s.params }
      : s,
  );
  await changeStored(page, record, packed);
  const panel = page.getByRole('region', { name: 'What is measured at Ferment' });
  // Of two it is said which: what one shows says nothing of the other.
  await page.getByRole('button', { name: 'Log a reading' }).click();
  await type(page, 'pH', '4.1');
  await page.getByRole('button', { name: 'Save the reading' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'In which jar was it read?' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await panel.locator('.pill', { hasText: 'jar 2' }).click();
  await page.getByRole('button', { name: 'Log a reading' }).click();
  await type(page, 'pH', '4.1');
  await page.getByRole('button', { name: 'Save the reading' }).click();
  await panel.locator('.pill', { hasText: 'jar 1' }).click();
  await expect(panel).toContainText('No reading yet');
  await panel.locator('.pill', { hasText: 'all' }).click();
  await expect(panel).toContainText('furthest behind');
  const mass = async () => (await stored(page, id)).report.stations.find((s) => s.id === 'ferment')!.now.massG;
  const whole = await mass();

  await page.getByRole('button', { name: 'Look and smell' }).click();
  const sheet = page.getByRole('dialog', { name: /^Look and smell/ });
  await sheet.getByText('fuzz, or spots', { exact: false }).click();
  await sheet.getByText('It is in the bin', { exact: false }).click();
  await expect(sheet.getByRole('button', { name: 'Thrown away' })).toBeDisabled();
  await sheet.locator('.pill', { hasText: 'jar 1' }).click();
  await sheet.getByRole('button', { name: 'Thrown away' }).click();
  await expect(page.locator('[data-fact=jar-thrown]')).toContainText('Jar 1 thrown away');
  expect(await mass()).toBeCloseTo(whole / 2, 3);
  await expect(page.getByText(/do not taste it|Throw this jar away/i)).toHaveCount(0);
  const { record: after, report } = await stored(page, id);
  expect(after.file.readings.map((r) => r.jar)).toEqual([2, 1]);
  expect(report.ends[0]!.keeping!.place).not.toBe('bin');
  expect(report.ends[0]!.bottles.possible).toBeGreaterThan(0);
  await page.keyboard.press('Control+z');
  await expect(page.locator('[data-fact=jar-thrown]')).toHaveCount(0);
  expect((await stored(page, id)).record.file.readings).toHaveLength(1);
});
