import { CASES, searchGuide, topicOf } from '@roskel/core';
import { expect, test } from './test';

test('every caution and every why of the demo leads into the guide, to what is about it', async ({ page }) => {
  // The demo's own: what other tests begin may have nothing in it yet.
  const ids = ['slipway-red-2', 'slipway-red-3', 'harbour-dark', 'lantern-paste', 'overnight-red', 'rockpool-green', 'spring-tide'];
  const seen = new Set<string>();
  for (const id of ids) {
    await page.goto(`/batches/${id}`);
    // Each station's own, by the file: what is told in one line stands in full behind it.
    await page.locator('.columns').waitFor();
    for (const why of await page.getByRole('region', { name: 'Warnings' }).getByRole('button').all()) {
      await why.click();
      await page.locator('.cautions').first().waitFor();
    }
    for (const href of await page.locator('.cautions a').evaluateAll((all) => all.map((a) => a.getAttribute('href')!))) seen.add(href);
  }
  expect(seen.size).toBeGreaterThan(3);
  for (const href of seen) {
    await page.goto(href);
    await expect(page.locator('article h2')).toHaveText(topicOf(href.split('/').pop()!)!.title);
  }
  await page.goto('/batches/slipway-red-2');
  await page.getByRole('button', { name: 'unfold the tracks' }).click();
  await page.locator('[data-point=strain-heatShu]').click();
  const link = page.getByRole('dialog').getByRole('link', { name: 'More in the guide' });
  const href = (await link.getAttribute('href'))!;
  await link.click();
  await expect(page).toHaveURL(/\/guide\//);
  await expect(page.locator('article h2')).toHaveText(topicOf(href.split('/').pop()!)!.title);
});

test('the guide by keyboard: a key leads there, another finds, arrows turn pages; what is not there says so', async ({ page }) => {
  await page.goto('/today');
  await expect(page.getByRole('heading', { level: 1, name: 'Today' })).toBeVisible();
  await page.keyboard.press('i');
  await expect(page.getByRole('heading', { level: 1, name: 'Guide' })).toBeVisible();
  await page.keyboard.press('/');
  await page.keyboard.type('mould');
  const found = searchGuide('mould').map((t) => t.title);
  await expect(page.getByRole('navigation', { name: 'Topics' }).getByRole('link')).toHaveText(found);
  await page.getByRole('link', { name: found[0]!, exact: true }).click();
  await expect(page.locator('article h2')).toHaveText(found[0]!);
  await page.keyboard.press('ArrowDown');
  await expect(page.locator('article h2')).toHaveText(found[1]!);
  await page.getByLabel('Find in the guide').fill('xyzzy');
  await expect(page.getByText('Nothing in the guide says that.')).toBeVisible();
  await page.goto('/guide/no-such-thing');
  await expect(page.getByRole('heading', { name: 'That is not in the guide' })).toBeVisible();
});

test('ten cases by keyboard: what core says is right, is; they are counted, kept over a reload, and begun anew', async ({ page }) => {
  await page.goto('/guide/try');
  // All right but the third.
  for (const [i, c] of CASES.entries()) {
    await expect(page.locator(`[data-case=${c.id}]`)).toBeVisible();
    const right = c.options.findIndex((o) => o.id === c.right());
    await page.keyboard.press(String((i === 2 ? (right + 1) % c.options.length : right) + 1));
    await expect(page.locator('[data-right]')).toHaveAttribute('data-right', String(i !== 2));
    await expect(page.getByRole('link', { name: 'More in the guide' })).toHaveAttribute('href', `/guide/${c.topic}`);
    if (i === 4) {
      await page.reload();
      await expect(page.getByRole('button', { name: 'Case 3, wrong' })).toBeVisible();
      await expect(page.locator(`[data-case=${CASES[5]!.id}]`)).toBeVisible();
    } else await page.keyboard.press('ArrowRight');
  }
  await expect(page.locator('[data-fact=score]')).toHaveText('9 of 10 right');
  await page.getByRole('button', { name: 'Try them again' }).click();
  await expect(page.locator(`[data-case=${CASES[0]!.id}]`)).toBeVisible();
});
