import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect, importExample, pick, test, type } from './test';

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

test('keys lead to places and stations, and undo takes back', async ({ page }) => {
  const id = await importExample(page, 'Key Batch');
  await page.goto('/batches');
  for (const [key, title] of [
    ['p', 'Pods'],
    ['l', 'Larder'],
    ['s', 'Shelf'],
    ['b', 'Batches'],
  ] as const) {
    await page.keyboard.press(key);
    await expect(page.getByRole('heading', { level: 1, name: title })).toBeVisible();
  }
  await page.keyboard.press('/');
  await page.keyboard.type('Key Batch');
  await expect(page.locator('a.batch')).toHaveCount(1);
  await page.goto(`/batches/${id}`);
  await expect(page.locator('[data-mass=bottle]')).toBeVisible();
  await page.keyboard.press('6');
  await expect(page.getByRole('region', { name: 'Strain: settings and measurements' })).toBeVisible();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('region', { name: 'Blend: settings and measurements' })).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('choose the pods');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('w');
  await page.getByRole('dialog').getByRole('button', { name: 'Acid' }).click();
  await expect(page.getByRole('dialog')).toContainText('the pH at which all charges cancel');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('3');
  await type(page, 'Days', '30');
  await page.getByRole('heading', { name: 'Acid in the jar' }).click();
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Days', { exact: true })).toHaveValue('14');
});

test('pods: a lot comes in, is used, and undo gives it back', async ({ page }) => {
  await page.goto('/pods');
  await page.getByRole('button', { name: 'Add a lot' }).click();
  await pick(page, 'Variety', /Serrano, red/);
  await type(page, 'Your name for it', 'Quay serrano');
  await type(page, 'How much', '2 lb 4 oz');
  await page.getByRole('button', { name: 'Add the lot' }).click();
  const stock = page.getByRole('button', { name: /^Quay serrano/ }).locator('[data-stock]');
  // 36 avoirdupois ounces of 28.349523125 g (NIST Handbook 44).
  await expect(stock).toHaveText('1,021 g');
  await page.getByRole('button', { name: /^Quay serrano/ }).click();
  await page.locator('[data-name=stock]').click();
  await type(page, 'Amount', '10 pods');
  await page.getByRole('button', { name: 'Used' }).click();
  await expect(stock).toHaveText('951 g');
  // The sheet has the keyboard until it is gone.
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(stock).toHaveText('1,021 g');
});

test('the larder takes kitchen words of the chosen country', async ({ page }) => {
  await page.goto('/larder');
  await page.getByRole('button', { name: 'Kitchen' }).click();
  await page.getByText('Australia', { exact: true }).click();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Honey/ }).click();
  await type(page, 'How much', '2 tbsp');
  await expect(page.getByRole('dialog')).toContainText('Australian tbsp of 20 ml');
  await page.getByRole('button', { name: 'More came in' }).click();
  // 340 g + 40 ml at 339 g per US cup of 236.588 ml.
  await expect(page.locator('[data-stock=honey]')).toHaveText(`${Math.round(340 + (40 * 339) / 236.5882365)} g`);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.locator('[data-stock=honey]')).toHaveText('340 g');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
});

test('an empty find and a wrong address say what to do', async ({ page }) => {
  await page.goto('/pods');
  await page.getByLabel('Find a lot').fill('zzz');
  await expect(page.getByText('Nothing here matches "zzz".')).toBeVisible();
  await page.goto('/nothing/here');
  await expect(page.getByText('This address leads nowhere.')).toBeVisible();
  await page.goto('/batches/none');
  await expect(page.getByText('This batch is not there any more.')).toBeVisible();
});

const PAGES = [
  '/batches',
  '/batches/slipway-red-3',
  '/batches/gorse-gold/pods',
  '/pods',
  '/pods/varieties',
  '/larder',
  '/larder/table',
  '/shelf',
  '/bench/mix',
  '/bench/dilution',
  '/bench/match',
  '/bench/measures',
];
for (const path of PAGES) {
  test(`${path}: no page scroll at 1280x800 sideways, and no serious accessibility fault`, async ({ page }) => {
    await page.goto(path);
    await expect(page.locator('h1')).toBeVisible();
    await page.waitForLoadState('networkidle').catch(() => undefined);
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
    await page.evaluate(AXE);
    const found = await page.evaluate(async () => {
      const axe = (
        window as unknown as {
          axe: { run(o: object): Promise<{ violations: { id: string; impact: string; nodes: { html: string }[] }[] }> };
        }
      ).axe;
      const { violations } = await axe.run({ runOnly: ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'] });
      return violations.filter((v) => ['serious', 'critical'].includes(v.impact)).map((v) => `${v.id}: ${v.nodes[0]?.html.slice(0, 160)}`);
    });
    expect(found).toEqual([]);
  });
}

test('on a phone a reading can be logged', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const id = await importExample(page, 'Phone Batch');
  await page.goto(`/batches/${id}?at=ferment`);
  await expect(page.getByRole('button', { name: 'Log a reading' })).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
  await page.getByRole('button', { name: 'Log a reading' }).click();
  await page.getByRole('dialog').getByLabel('pH', { exact: true }).fill('4.4');
  await page.getByRole('dialog').getByRole('button', { name: 'Save the reading' }).click();
  await expect(page.getByText(/Last: pH 4.40/)).toBeVisible();
});
