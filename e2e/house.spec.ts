import { expect, importExample, pick, test, type } from './test';

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
  await expect(page.getByRole('region', { name: 'Strain: worksheet' })).toBeVisible();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('region', { name: 'Blend: worksheet' })).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('choose the pods');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('w');
  await page.getByRole('dialog').locator('.pill', { hasText: 'Acid' }).click();
  await expect(page.getByRole('dialog')).toContainText('the pH at which all charges cancel');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('3');
  await type(page, 'Days', '30');
  await page.getByRole('heading', { name: /Ferment/ }).click();
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
  // The next test finds the kitchen as it was.
  await expect.poll(async () => (await (await page.request.get('/api/settings')).json()).kitchen).toBe('metric');
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

test('on a phone a reading can be logged', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const id = await importExample(page, 'Phone Batch');
  await page.goto(`/batches/${id}?at=ferment`);
  // Three taps and a figure.
  await page.getByRole('button', { name: 'Log a reading' }).click();
  await page.getByRole('dialog').getByLabel('pH', { exact: true }).fill('4.4');
  await page.getByRole('dialog').getByRole('button', { name: 'Save the reading' }).click();
  await expect(page.getByText(/Last: pH 4.40/)).toBeVisible();
});
