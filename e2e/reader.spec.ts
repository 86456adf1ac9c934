import { expect, pick, test } from './test';

test('a pasted list becomes grams, and asks where it cannot know', async ({ page }) => {
  await page.goto('/bench/measures');
  const list = page.getByLabel('Ingredient list');
  await list.fill(
    '3 cloves garlic, crushed\n1 1/2 cups diced carrot\njuice of 2 limes\n2 tbsp fish sauce\n1 tsp coriander\n1 x 410 g tin tomatoes',
  );
  await expect(page.locator('[data-fact=read]')).toHaveText('5 read, 1 to answer');
  const line = (text: string) => page.locator('[data-line]').filter({ hasText: text });
  // A clove 4 g and a lime 30 g of juice (handbook, common practice); 410 g stands on the tin.
  await expect(line('3 cloves').locator('[data-fact=grams]')).toHaveText('12 g');
  await expect(line('juice of 2 limes').locator('[data-fact=grams]')).toHaveText('60 g');
  await expect(line('410 g tin').locator('[data-fact=grams]')).toHaveText('410 g');
  await expect(line('1 1/2 cups')).toContainText('metric cup of 250 ml');
  // An Australian tablespoon holds 20 ml instead of 15 (AS 1325, from memory).
  const sauce = line('2 tbsp fish sauce').locator('[data-fact=grams]');
  await expect(sauce).toHaveText('37 g');
  await pick(page, 'Kitchen of 2 tbsp fish sauce', 'Australia');
  await expect(sauce).toHaveText('49 g');
  await page.getByRole('button', { name: 'ground coriander seed' }).click();
  await expect(page.locator('[data-fact=read]')).toHaveText('6 read');
  await expect(list).toHaveValue(/1 tsp ground coriander seed/);
  await page.reload();
  await expect(list).toHaveValue(/1 tsp ground coriander seed/);
});

test('a pasted list goes into the larder, and undo takes it out again', async ({ page }) => {
  await page.goto('/larder');
  const stock = (id: string) => page.locator(`[data-stock=${id}]`);
  const before = await stock('honey').innerText();
  await page.keyboard.press('v');
  await page.getByLabel('Ingredient list').fill('100 g honey\n2 tins unobtainium');
  await page.getByRole('button', { name: 'Add to the larder, 1' }).click();
  await expect(stock('honey')).not.toHaveText(before);
  // What was not answered stays in sight.
  await expect(page.getByLabel('Ingredient list')).toHaveValue('2 tins unobtainium');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(stock('honey')).toHaveText(before);
});

test('a pasted list goes into the jug of a batch', async ({ page }) => {
  await page.goto('/batches/gorse-gold?at=blend');
  await page.getByRole('button', { name: 'Paste a list' }).click();
  await page.getByLabel('Ingredient list').fill('50 g ginger, grated');
  await page.getByRole('button', { name: 'Put it in, 1' }).click();
  await expect(page.getByLabel('Ginger root, raw, amount')).toHaveValue(/50 g ginger/);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByLabel('Ginger root, raw, amount')).toHaveCount(0);
});

test('chillies of a recipe bring their heat: on the bench as pods, in the jug as powder', async ({ page }) => {
  await page.goto('/bench/mix');
  await page.getByRole('button', { name: 'Clear the bench' }).click();
  await page.getByRole('link', { name: 'Measures' }).click();
  await page.getByLabel('Ingredient list').fill('10 habaneros\n300 g carrots\n2 tsp cayenne pepper');
  await page.getByRole('button', { name: 'Put 3 into the heat mix' }).click();
  await expect(page.getByLabel('Habanero, orange, cutting')).toBeVisible();
  const heat = page.getByRole('region', { name: 'Heat in the bowl' });
  // 90 g of pods at 210,000 SHU of 11 % dry matter and 4 g of powder at 38,000, in about 390 g: over 5,000.
  await expect(heat).toContainText(/about [5-9],\d00 SHU/);

  await page.goto('/batches/gorse-gold?at=blend');
  const odds = page.locator('[data-fact=odds]');
  const before = await odds.innerText();
  await page.getByRole('button', { name: 'Paste a list' }).click();
  await page.getByLabel('Ingredient list').fill('30 g cayenne pepper');
  await page.getByRole('button', { name: 'Put it in, 1' }).click();
  await expect(odds).not.toHaveText(before);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(odds).toHaveText(before);
});
