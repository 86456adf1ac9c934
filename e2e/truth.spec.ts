import { line, expect, importExample, pick, station, stored, test, type } from './test';

test('a measured pH belongs to what it was measured on, and one that cannot be is asked about', async ({ page }) => {
  const id = await importExample(page, 'Honest Acid');
  await page.goto(`/batches/${id}?at=strain`);
  await type(page, 'Measured pH', '3.42');
  // Nothing said about the instrument is a strip.
  await expect(page.getByRole('combobox', { name: 'With a' })).toHaveText('strip');
  await pick(page, 'With a', 'calibrated meter');
  const tied = line((await stored(page, id)).record.file).find((s) => s.id === 'strain')!.log;
  expect(tied.phOn!.parts).toHaveProperty('garlic');

  await station(page, 'Blend');
  await type(page, 'Garlic, raw, amount', '200 g');
  await station(page, 'Strain');
  await expect(page.getByRole('status').filter({ hasText: /does not count any more/ })).toBeVisible();
  const old = await stored(page, id);
  expect(old.report.stations.find((s) => s.id === 'strain')!.ph.status).toBe('old');
  await page.getByRole('button', { name: /Measured again: 3.42 still/ }).click();
  await expect(page.getByText(/does not count any more/)).toHaveCount(0);
  await expect.poll(async () => (await stored(page, id)).report.stations.find((s) => s.id === 'strain')!.ph.status).toBe('measured');

  await type(page, 'Measured pH', '1.6');
  await expect(page.getByRole('status').filter({ hasText: /No sauce is as sour as pH 1\.6/ })).toBeVisible();
  await page.getByRole('button', { name: 'It was checked, it is right' }).click();
  await expect(page.getByText(/No sauce is as sour/)).toHaveCount(0);
});

test('what was done cannot lie ahead, and is taken back from the end', async ({ page }) => {
  const id = await importExample(page, 'Calendar');
  await page.goto(`/batches/${id}?at=prep`);
  await type(page, 'Done on', '1 May 2027');
  await expect(page.getByRole('alert').filter({ hasText: 'That day has not come yet' })).toBeVisible();
  await type(page, 'Done on', '2026-10-12');
  await expect(page.getByRole('button', { name: 'Not done' })).toBeVisible();
  await station(page, 'Salt & pack');
  await type(page, 'Done on', '2026-10-12');
  await station(page, 'Prep');
  await page.getByRole('button', { name: 'Not done' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Salt & pack is done already and stands on this' })).toBeVisible();
  await stored(page, id);
});
