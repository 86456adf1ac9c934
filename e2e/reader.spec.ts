import type { Page } from '@playwright/test';
import { EXAMPLES } from '../web/src/recipe/examples';
import { expect, pick, stored, test } from './test';

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
  await page.getByRole('button', { name: 'ground coriander seed, 1.7 g' }).click();
  await expect(page.locator('[data-fact=read]')).toHaveText('6 read');
  await expect(line('1 tsp coriander')).toContainText('as you said');
  await page.reload();
  await expect(page.locator('[data-fact=read]')).toHaveText('6 read');
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
  // Worked out to the end, not on its way.
  await expect(odds).toBeVisible();
  await expect(page.locator('.line.busy')).toHaveCount(0);
  const before = await odds.innerText();
  await page.getByRole('button', { name: 'Paste a list' }).click();
  await page.getByLabel('Ingredient list').fill('300 g cayenne pepper');
  await page.getByRole('button', { name: 'Put it in, 1' }).click();
  await expect(odds).not.toHaveText(before);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(odds).toHaveText(before);
});

const SKETCH = EXAMPLES[0]!.text;
const steps = (page: Page) => page.locator('[data-step]').evaluateAll((all) => all.map((s) => s.getAttribute('data-step')));

test('a recipe as it is written is a line in one click, with one question', async ({ page }) => {
  await page.goto('/batches/from-a-recipe');
  await page.getByLabel(/The recipe: text/).fill(SKETCH);
  await expect(page.locator('[data-fact=read]')).toHaveText('8 of 8 things read');
  await expect.poll(() => steps(page)).toEqual(['prep', 'char', 'simmer', 'blend', 'strain', 'bottle']);
  await expect(page.getByRole('group', { name: 'A question' })).toHaveCount(1);
  await page.getByRole('button', { name: 'It will be warm' }).click();
  await expect(page.locator('[data-step=bottle]')).toContainText('Fill it cold');
  // The sugar goes in by its weight, where the recipe puts it, and can be put elsewhere.
  await expect(page.locator('[data-step=simmer]')).toContainText('sugar 200 g');
  await page
    .locator('[data-step=simmer]')
    .getByRole('button', { name: /^sugar/ })
    .click();
  await page.getByText('Blend', { exact: true }).last().click();
  await expect(page.locator('[data-step=blend]')).toContainText('sugar 200 g');
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await page.waitForURL(/\/batches\/(?!from-a)[^/?]+$/);
  const id = new URL(page.url()).pathname.split('/').at(-1)!;
  const { file } = (await stored(page, id)).record;
  expect(file.recipe).toBe(SKETCH);
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByText('The recipe as it was written').click();
  await expect(page.getByRole('dialog')).toContainText('ten red jalapeños, seeds out');
  expect(file.strands[0]!.stations.map((s) => s.kind)).toEqual(['prep', 'char', 'simmer', 'blend', 'strain', 'bottle']);
});

test('a spoken recipe, a page, and a jar that stands already', async ({ page }) => {
  await page.goto('/batches/from-a-recipe');
  const text = page.getByLabel(/The recipe: text/);
  await text.fill(
    'So I fry five shallots and ten cloves of garlic in 100 ml of oil for ten minutes, then I add 200 g of chopped fresnos and cook them five minutes more. I blend it with 60 ml of cider vinegar and a teaspoon of salt, and put it in a jar.',
  );
  await expect.poll(() => steps(page)).toEqual(['prep', 'fry', 'blend', 'bottle']);
  await expect(page.locator('[data-step=fry]')).toContainText('15 minutes');
  await text.fill(
    `<script type="application/ld+json">${JSON.stringify({
      '@type': 'Recipe',
      name: 'Dockside red',
      recipeIngredient: ['1 lb red jalapeños', '5 cloves garlic', '1 cup white vinegar', '2 tsp salt'],
      recipeInstructions: [{ '@type': 'HowToStep', text: 'Simmer everything for 20 minutes.' }, { text: 'Blend, strain and bottle.' }],
    })}</script>`,
  );
  await expect.poll(() => steps(page)).toEqual(['prep', 'simmer', 'blend', 'strain', 'bottle']);
  await expect(page.getByLabel('Name')).toHaveValue('Dockside red');
  await text.fill(
    'Packed two weeks ago. pH 4.4 on day 5, pH 3.9 yesterday\n400 g fresnos\n20 g salt\n600 ml water\nPack the fresnos into a jar with the salt and water and ferment for 3 weeks. Drain, blend and bottle.',
  );
  // Until it is answered nothing counts as done.
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await expect(page.getByRole('alert')).toContainText('whether its jar stands');
  await page.getByRole('button', { name: 'Yes, by strips' }).click();
  await expect(page.getByText(/It began on .* with 2 readings/)).toBeVisible();
  await expect.poll(() => steps(page)).toEqual(['prep', 'salt', 'ferment', 'drain', 'blend', 'bottle']);
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await page.waitForURL(/\/batches\/(?!from-a)[^/?]+$/);
  const { file } = (await stored(page, new URL(page.url()).pathname.split('/').at(-1)!)).record;
  expect(file.readings.map((r) => r.pH)).toEqual([4.4, 3.9]);
  expect(file.strands[0]!.stations.map((s) => s.log.doneOn === undefined)).toEqual([false, false, true, true, true, true]);
});

test('what one has, as one says it: by weight and any word, or only names', async ({ page }) => {
  await page.goto('/batches');
  await page.getByRole('button', { name: 'Start a batch' }).click();
  const have = page.getByLabel(/What do you have/);
  const plan = page.getByRole('status', { name: 'The plan' });
  await have.fill('3 kg mixed pods, two jars, not too salty');
  await expect(plan).toContainText('2 bottles of 500 ml', { timeout: 30_000 });
  await expect(plan).toContainText('Wished as well, for the tasting: not too salty');
  await have.fill('fresno, cayenne, garlic, cider vinegar, 4 bottles of 100 ml, medium');
  await expect(plan).toContainText('4 bottles of 100 ml', { timeout: 30_000 });
  await expect(plan).toContainText(/To buy .*(fresno|cayenne)/i);
});
