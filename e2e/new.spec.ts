import { DemoServer } from './server';
import { expect, stored, test, type } from './test';

test('a new maker: empty places say what to do, and lead to a sound plan without knowing a number', async ({ browser }) => {
  const own = new DemoServer(4950, false);
  const base = await own.start();
  const page = await (await browser.newContext({ baseURL: base })).newPage();
  try {
    await page.goto('/');
    await expect(page.getByText('No batch yet')).toBeVisible();
    await page.keyboard.press('s');
    await expect(page.getByText('The shelf is empty')).toBeVisible();
    await page.keyboard.press('l');
    await expect(page.getByText('The larder is empty')).toBeVisible();
    await page.keyboard.press('p');
    await expect(page.getByText('No pods yet')).toBeVisible();

    // A batch before there are pods: the page says where to go
    await page.keyboard.press('b');
    await page.getByRole('button', { name: 'Start a batch' }).last().click();
    await page.getByRole('button', { name: 'Choose the pods next' }).click();
    await page.getByRole('link', { name: 'Add a lot of pods' }).click();

    for (const [variety, amount] of [
      ['cayenne-red', '1.2 kg'],
      ['pointed-red', '6 pods'],
    ] as const) {
      await page.getByRole('button', { name: 'Add a lot' }).first().click();
      await page.getByLabel('Variety').selectOption(variety);
      await type(page, 'How much', amount);
      await page.getByRole('button', { name: 'Add the lot' }).click();
      await expect(page.getByRole('dialog')).toHaveCount(0);
    }
    await page.keyboard.press('b');
    await page.getByRole('link', { name: /Batch 1/ }).click();
    await page.getByRole('link', { name: 'Choose the pods' }).click();
    await expect(page.getByText(/in 100/).first()).toBeVisible();
    await page.getByRole('button', { name: 'Use this mix' }).click();
    await expect(page.locator('[data-fact=odds]')).toBeVisible();
    const id = new URL(page.url()).pathname.split('/').at(-1)!;
    const { report } = await stored(page, id);
    expect(report.bottles.filled).toBe(10);
    expect(report.odds).toBeGreaterThan(0.5);
    expect(report.cautions.some((c) => c.id === 'salt-low')).toBe(false);
    // Put away and back
    await page.getByRole('button', { name: 'Put away' }).click();
    await expect(page.getByText('No batch yet')).toBeVisible();
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await expect(page.getByRole('link', { name: /Batch 1/ })).toBeVisible();
  } finally {
    await page.context().close();
    await own.end();
  }
});
