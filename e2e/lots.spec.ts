import type { Page } from '@playwright/test';
import type { PodLotRecord } from '@roskel/contract';
import { expect, pick, test, type } from './test';

const number = (text: string) => Number(text.match(/[\d,.]+/)![0].replace(/,/g, ''));
const band = (page: Page, id: string) => page.locator(`[data-band=${id}] b`);
/** Width of a shown band, as a ratio of its ends. */
async function ends(page: Page, id: string): Promise<[number, number]> {
  const [low, high] = (await band(page, id).innerText()).split(' to ').map(number);
  return [low!, high!];
}

/** Only what is in sight of a long list is drawn. */
const only = (page: Page, name: string) => page.getByPlaceholder('Find a lot').fill(name);

test('tasting a finished batch as hotter moves and narrows its lot, the history says why, undo restores it', async ({ page }) => {
  await page.goto('/pods');
  await only(page, 'cayenne');
  // Ends are shown to two figures: how wide it is stands in what is stored.
  const sigma = async () => {
    const lots = (await (await page.request.get('/api/pods')).json()) as PodLotRecord[];
    return lots.find((l) => l.id === 'lot-cayenne')!.lot.heat!.sigma;
  };
  const wide = await sigma();
  const before = await ends(page, 'lot-cayenne');
  const shown = await band(page, 'lot-cayenne').innerText();
  await page.getByRole('link', { name: 'Shelf' }).click();
  await page.getByRole('region', { name: 'Slipway Red no. 2' }).getByRole('button', { name: 'How hot was it?' }).click();
  const score = page.getByRole('slider', { name: /^You/ });
  await score.focus();
  for (let i = 0; i < 2; i++) await score.press('ArrowRight');
  await expect(page.locator('[data-fact=tasted]')).toContainText('SHU');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('1 lot learnt from it.')).toBeVisible();
  await page.getByRole('link', { name: 'Pods' }).click();
  await only(page, 'cayenne');
  await expect(band(page, 'lot-cayenne')).not.toHaveText(shown);
  const after = await ends(page, 'lot-cayenne');
  expect(Math.sqrt(after[0] * after[1])).toBeGreaterThan(Math.sqrt(before[0] * before[1]) * 1.1);
  expect(await sigma()).toBeLessThan(wide);
  await page.getByRole('button', { name: /^Red cayenne/ }).click();
  await expect(page.getByRole('list', { name: 'How this heat came about' })).toContainText(
    /Slipway Red no\. 2 tasted \d+\.\d times as hot as forecast/,
  );
  await page.keyboard.press('Escape');
  // A batch on its way with the same lot is offered what was learnt, and takes it only when told to.
  await page.getByRole('link', { name: 'Batches' }).click();
  // Only what is in sight of a long list is drawn: other tests leave batches too.
  await page.getByLabel('Find a batch').fill('Slipway Red no. 3');
  await page.getByRole('link', { name: /Slipway Red no. 3/ }).click();
  await expect(page.getByText(/Known better by now: Red cayenne/)).toBeVisible();
  const news = page.getByText(await page.getByText(/Known better by now: Red cayenne/).innerText(), { exact: true });
  await page.getByRole('button', { name: 'Use it here' }).click();
  await expect(news).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(news).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(news).toBeHidden();
  await page.getByRole('link', { name: 'Pods' }).click();
  await only(page, 'cayenne');
  await expect(band(page, 'lot-cayenne')).toHaveText(shown);
});

test('drying a lot is a move in a ledger that can be taken back', async ({ page }) => {
  await page.goto('/pods');
  await only(page, 'Lemon');
  const stock = page.locator('[data-stock=lot-lemondrop]');
  const before = number(await stock.innerText());
  await page.getByRole('button', { name: /^Lemon drop/ }).click();
  await page.getByRole('tab', { name: 'Stock' }).or(page.locator('[data-name=stock]')).first().click();
  await page.getByRole('button', { name: 'Dry', exact: true }).click();
  await type(page, 'Amount', '100 g');
  // 12 % dry matter to 89 %: 100 g give about 13 g.
  await expect(page.getByText('about 13 g')).toBeVisible();
  await page.getByRole('button', { name: 'Dry it' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await only(page, 'Lemon');
  await expect(page.getByRole('button', { name: /^Lemon drop, dried/ })).toBeVisible();
  await expect(stock).toHaveText(`${before - 100} g`);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: /^Lemon drop, dried/ })).toHaveCount(0);
  await expect(stock).toHaveText(`${before} g`);
});

test('the pulp a sieve left is kept as a hot lot, dried, and taken back', async ({ page }) => {
  await page.goto('/batches/slipway-red-2?at=strain');
  await page.getByRole('button', { name: 'Keep it as a lot' }).click();
  await expect(page.getByRole('link', { name: 'Pulp of Slipway Red no. 2' })).toBeVisible();
  await page.getByRole('link', { name: 'Pulp of Slipway Red no. 2' }).click();
  await only(page, 'Pulp of');
  const row = page.getByRole('button', { name: /^Pulp of Slipway Red no. 2/ });
  await expect(row).toContainText('own ferment');
  await row.click();
  await page.getByRole('tab', { name: 'Stock' }).or(page.locator('[data-name=stock]')).first().click();
  await page.getByRole('button', { name: 'Dry', exact: true }).click();
  await type(page, 'Amount', '50 g');
  await page.getByRole('button', { name: 'Dry it' }).click();
  // Only what is in sight of a long list is drawn: other tests leave lots too.
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.getByLabel('Find a lot').fill('Pulp of');
  await expect(page.getByLabel('Find a lot')).toHaveValue('Pulp of');
  await expect(page.getByRole('button', { name: /^Pulp of Slipway Red no. 2, dried/ })).toContainText('own dried pulp');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: /^Pulp of Slipway Red no. 2, dried/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(row).toHaveCount(0);
  // It can be kept again after it was taken back.
  await page.goto('/batches/slipway-red-2?at=strain');
  await expect(page.getByRole('button', { name: 'Keep it as a lot' })).toBeVisible();
});

test('mixed, unknown pods by the bowl, with a stated heat that keeps its basis', async ({ page }) => {
  await page.goto('/pods');
  await expect(page.getByRole('heading', { name: 'Pods' })).toBeVisible();
  await page.keyboard.press('n');
  await pick(page, 'Variety', 'Mixed, unknown');
  await type(page, 'Your name for it', 'Market bag');
  await type(page, 'How much', 'a bowl');
  await page.getByText('You know its heat better').click();
  await type(page, 'Heat, SHU', '3000');
  await pick(page, 'That is', 'of the pod as it is');
  await page.getByRole('button', { name: 'Add the lot' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await only(page, 'Market');
  await expect(page.getByRole('button', { name: /^Market bag.*120 g/ })).toBeVisible();
  const lots = (await (await page.request.get('/api/pods')).json()) as PodLotRecord[];
  const { heat } = lots.find((l) => l.lot.name === 'Market bag')!.lot;
  expect(heat!.said).toEqual({ value: 3000, basis: 'asIs' });
  expect(heat!.dryShu).toBeCloseTo(3000 / 0.11, 3);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: /^Market bag/ })).toHaveCount(0);
});

test('a variety is found, copied, checked and used', async ({ page }) => {
  await page.goto('/pods/varieties');
  const first = page.locator('.n-data-table-tbody tr, .n-data-table-base-table-body tbody tr').first();
  await page.getByRole('button', { name: 'as it is' }).click();
  await expect(page.getByRole('columnheader', { name: 'as it is' })).toHaveAttribute('aria-sort', 'descending');
  await expect(first).toContainText(/extreme/);
  await page.getByRole('button', { name: 'as it is' }).click();
  await expect(first).toContainText('no heat');
  await page.getByLabel('Find a variety').fill('lemon');
  await expect(page.locator('.n-data-table-tbody tr, .n-data-table-base-table-body tbody tr')).toHaveCount(1);
  await page.getByRole('button', { name: 'Copy Lemon drop' }).click();
  await page.getByLabel('Name').fill('Harbour lemon');
  await type(page, 'Water, %', '30');
  await expect(page.getByText('A fresh pod holds 60 to 95 % water.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Add the variety' })).toBeDisabled();
  await type(page, 'Water, %', '87');
  await page.getByRole('button', { name: 'Add the variety' }).click();
  await page.getByLabel('Find a variety').fill('harbour');
  await page.getByRole('link', { name: 'Add a lot of Harbour lemon' }).click();
  await type(page, 'How much', '200 g');
  await page.getByRole('button', { name: 'Add the lot' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await only(page, 'Harbour');
  await expect(page.getByRole('button', { name: /^Harbour lemon.*200 g/ })).toBeVisible();
});

test('an ingredient is copied and stands in the larder with a pH of its own', async ({ page }) => {
  await page.goto('/larder/table');
  await page.getByLabel('Find an ingredient').fill('peach');
  await page.getByRole('button', { name: 'Copy Peach, raw' }).click();
  await page.getByLabel('Name').fill('Beach plum');
  await type(page, 'Water, %', '99');
  await expect(page.getByText(/Water and solids add up to/)).toBeVisible();
  await type(page, 'Water, %', '86');
  // What is in it is said, and never taken for nothing.
  await expect(page.getByRole('button', { name: 'Add the ingredient' })).toBeDisabled();
  await pick(page, 'Allergens in it', 'none');
  await page.getByRole('button', { name: 'Add the ingredient' }).click();
  await expect(page.getByRole('button', { name: 'Add the ingredient' })).toHaveCount(0);
  await page.goto('/larder');
  await expect(page.getByRole('heading', { name: 'Larder' })).toBeVisible();
  await page.keyboard.press('n');
  await pick(page, 'Ingredient', 'Beach plum');
  await type(page, 'How much', '300 g');
  await type(page, 'pH you measured', '3.21');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByRole('button', { name: /^Beach plum.*300 g/ }).click();
  await expect(page.getByText('usually pH 3.1 to 3.3')).toBeVisible();
});

test('the fresh-weight school is stamped everywhere, explained, and changes nothing stored', async ({ page }) => {
  await page.goto('/pods');
  await only(page, 'habanero');
  const shown = await band(page, 'lot-habanero').innerText();
  const stored = await (await page.request.get('/api/pods')).text();
  await page.getByRole('link', { name: 'Shelf' }).click();
  const bottled = page.locator('[data-heat=slipway-red-2]');
  const onDry = number(await bottled.innerText());
  await page.getByRole('link', { name: 'Pods' }).click();
  await only(page, 'habanero');
  await page.getByRole('button', { name: 'Kitchen' }).click();
  await page.getByRole('button', { name: 'why?' }).click();
  await expect(page.getByText('SHU as it is = SHU of the dry matter × (1 − water)')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByText('As quoted', { exact: true }).click();
  await page.keyboard.press('Escape');
  await expect(page.locator('[data-fact=school]')).toContainText('not comparable with bottle labels');
  await expect(band(page, 'lot-habanero')).not.toHaveText(shown);
  expect(number(await band(page, 'lot-habanero').innerText())).toBeGreaterThan(4 * number(shown));
  expect(await (await page.request.get('/api/pods')).text()).toBe(stored);
  // The shelf counts the same way, from the batch.
  await page.getByRole('link', { name: 'Shelf' }).click();
  await expect(bottled).not.toContainText('dry matter');
  await expect(page.locator('[data-fact=school]')).toBeVisible();
  await expect(bottled).toContainText(/\d/);
  await expect.poll(async () => number(await bottled.innerText())).toBeGreaterThan(3 * onDry);
  await page.getByRole('link', { name: 'Pods' }).click();
  await only(page, 'habanero');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(band(page, 'lot-habanero')).toHaveText(shown);
});
