import type { PodLotRecord } from '@roskel/contract';
import { expect, found, importExample, pick, startBatch, test } from './test';

// What is in stock decides what can be mixed.
test.use({ kitchen: 'choose' });

test('dragging a share moves the blur in the bottle at once', async ({ page }) => {
  await page.goto('/batches/gorse-gold/pods');
  const blur = page.locator('[data-fact=blur]');
  await expect(blur).toBeVisible();
  const shape = await blur.getAttribute('d');
  const middle = async () => Number((await page.locator('[data-fact=middle]').innerText()).match(/[\d,]+/)![0].replace(/,/g, ''));
  const before = await middle();
  const slider = page.getByRole('slider', { name: 'Lemon drop, share' });
  const box = (await slider.boundingBox())!;
  const at = async (what: string) => Number(await slider.getAttribute(`aria-value${what}`));
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 400, box.y + box.height / 2, { steps: 6 });
  await page.mouse.up();
  expect(await blur.getAttribute('d')).not.toBe(shape);
  expect(await middle()).toBeGreaterThan(before);
  await slider.press('ArrowLeft');
  expect(await at('now')).toBeLessThan(await at('max'));
});

test('a wish out of reach is answered with what can be reached and what would help', async ({ page }) => {
  const id = await startBatch(page, 'Too Hot', { lowShu: 130_000, highShu: 320_000, bottles: 10, bottleMl: 100 });
  await page.goto(`/batches/${id}/pods`);
  // How far the stock reaches is worked out by the clock: on a busy machine it is asked again, as a maker would.
  const reach = page.getByText(/Too mild: short of the heat you wish by .* The hottest this stock reaches is/);
  await expect(async () => {
    const again = page.getByRole('button', { name: 'Find mixes' });
    if (!(await reach.isVisible()) && (await again.isEnabled().catch(() => false))) await again.click({ timeout: 2000 });
    await expect(reach).toBeVisible({ timeout: 8000 });
  }).toPass({ timeout: 60_000 });
  const nearest = Number((await page.locator('[data-fact=nearest]').innerText()).match(/[\d,]+/)![0].replace(/,/g, ''));
  expect(nearest).toBeGreaterThan(1000);
  expect(nearest).toBeLessThan(130_000);
  await expect(page.getByText(/hotter lot/)).toBeVisible();
  await page.getByRole('button', { name: 'Take the nearest' }).click();
  await expect(page.locator('[data-fact=middle]')).toContainText('SHU');
});

test('too much of a lot is refused at the field', async ({ page }) => {
  await page.goto('/batches/gorse-gold/pods');
  const field = page.getByLabel('Fresno in the mix, g');
  await field.fill('9999');
  await field.press('Tab');
  await expect(page.getByText('There are only 340 g.')).toBeVisible();
  await field.fill('lots');
  await field.press('Tab');
  await expect(page.getByText('The amount must be a number in g.')).toBeVisible();
  await expect(field).toHaveValue('lots');
});

test('the demo pods meet a middling bracket in three distinct ways, and 40 bottles say what is short', async ({ page }) => {
  const id = await startBatch(page, 'Three Ways', { lowShu: 1300, highShu: 3200, bottles: 6, bottleMl: 100 });
  await page.goto(`/batches/${id}/pods`);
  await found(page, 'Three ways to get there');
  const ways = page.getByRole('region', { name: 'Ways to get there' }).getByRole('button');
  const middles = new Set<string>();
  for (let i = 0; i < 3; i++) {
    await ways.nth(i).click();
    middles.add(await ways.nth(i).locator('.soft').innerText());
    const middle = Number((await page.locator('[data-fact=middle]').innerText()).match(/[\d,]+/)![0].replace(/,/g, ''));
    expect(middle).toBeGreaterThan(1300);
    expect(middle).toBeLessThan(3200);
  }
  expect(middles.size).toBe(3);
  // At most one lot, and only whole pods: the answer keeps to it.
  await pick(page, 'At most how many lots', 'up to 2 lots');
  await expect(page.getByRole('heading', { name: /ways? to get there/ })).toBeVisible();
  await expect.poll(async () => page.locator('.lot:not(.out)').count()).toBeLessThanOrEqual(2);
  // Only the long slim reds: too few for six bottles.
  const lots = (await (await page.request.get('/api/pods')).json()) as PodLotRecord[];
  const there = Math.round(lots.find((l) => l.id === 'lot-slim')!.stockG);
  for (const box of await page.getByRole('checkbox', { name: /^May be used: (?!Long slim red)/, disabled: false }).all())
    await box.uncheck();
  await page.getByRole('button', { name: 'Find mixes' }).click();
  await expect(page.getByText(new RegExp(`6 bottles need about [\\d,]+ g of pods; ${there} g are there\\.`))).toBeVisible();
  await expect(page.getByText(/Or add about [\d,]+ g of pods to the store\./)).toBeVisible();
});

test('a line that cannot run says so and shows no figures of a mix', async ({ page }) => {
  const id = await importExample(page, 'Salt slip');
  await page.goto(`/batches/${id}?at=blend`);
  await page.getByRole('button', { name: 'Paste a list' }).click();
  await page.getByLabel('Ingredient list').fill('3 kg salt');
  await page.getByRole('button', { name: 'Put it in, 1' }).click();
  await expect(page.getByText(/Nobody can eat that/).first()).toBeVisible();
  await page.goto(`/batches/${id}/pods`);
  await expect(page.getByRole('heading', { name: 'Choose the pods' })).toBeVisible();
  await expect(page.getByRole('alert').getByText(/Nobody can eat that/)).toBeVisible();
  await expect(page.getByText('Heat in the bottle')).toHaveCount(0);
  await page.getByRole('alert').getByRole('link', { name: 'Go to the batch' }).click();
  await expect(page.getByRole('heading', { name: 'Salt slip' })).toBeVisible();
});
