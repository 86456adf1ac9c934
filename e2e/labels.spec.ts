import { readFileSync } from 'node:fs';
import { expect, pick, test } from './test';

test('labels of what stands on the shelf: the date is that of the shelf or an earlier one, and the sheet is saved as a PDF', async ({
  page,
}) => {
  await page.goto('/shelf');
  const shelf = (await (await page.request.get('/api/shelf')).json()) as {
    id: string;
    name: string;
    useBy: string;
    left: number;
    place: string;
  }[];
  // Of the demo: what other tests fill meanwhile may be a bowl, which needs no label.
  const b = shelf.find((x) => x.id === 'slipway-red-2')!;
  await page.getByRole('region', { name: b.name, exact: true }).getByRole('link', { name: 'Labels' }).click();
  await expect(page.getByRole('heading', { name: 'Labels' })).toBeVisible();
  const picture = page.getByRole('img', { name: `Label of ${b.name}` });
  await expect(picture).toContainText('Ingredients:');
  await expect(page.locator('[data-fact=date]')).toHaveText(
    new Date(`${b.useBy}T12:00:00`).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' }),
  );
  // The other list of allergens, another paper; the picture follows.
  await pick(page, 'Allergens of', 'United States, 9 allergens');
  await pick(page, 'Paper', 'A4, 8 of 99.1 × 67.7 mm');
  await expect(picture).toBeVisible();
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: /labels? as PDF/ }).click()]);
  const pdf = readFileSync(await download.path());
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  expect(download.suggestedFilename()).toMatch(/-labels\.pdf$/);
  // Bottles that are to be thrown away offer no label, and their address says why.
  for (const bad of shelf.filter((x) => x.place === 'bin')) {
    await page.goto(`/shelf/${bad.id}/label`);
    await expect(page.getByRole('alert')).toContainText('no label');
    await expect(page.getByRole('button', { name: /labels? as PDF/ })).toBeDisabled();
  }
  await page.goto('/shelf/nothing-here/label');
  await expect(page.getByText('not on the shelf any more')).toBeVisible();
});
