import { expect, station, stored, test, type } from './test';

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
