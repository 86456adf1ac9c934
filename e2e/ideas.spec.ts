import { mainEnd } from '@roskel/core';
import type { BatchRecord } from '@roskel/contract';
import { expect, goIn, pick, test } from './test';

test.use({ kitchen: 'ideas' });

test('what could I make: every kind planned through, in the order that is wished; one click begins it with the figures it was told with', async ({
  page,
}) => {
  test.slow();
  await page.goto('/batches');
  await page.getByRole('link', { name: 'What could I make?' }).click();
  const rows = page.locator('[data-idea]');
  // They come in one by one.
  await expect(rows.first()).toBeVisible({ timeout: 45_000 });
  await expect(page.getByText(/^\s*1\d of 17 kinds\s*$/)).toBeVisible({ timeout: 120_000 });
  const order = () => rows.evaluateAll((all) => all.map((r) => (r as HTMLElement).dataset.idea!));
  const soonest = await order();
  await expect(rows.first().locator('[data-fact=when]')).toHaveText(/^today, \d+ minutes$/);
  await expect(rows.last().locator('[data-fact=when]')).toHaveText(/^ready /);
  await pick(page, 'What comes first', 'keeps longest, once measured');
  await expect.poll(order).not.toEqual(soonest);
  expect((await order()).sort()).toEqual([...soonest].sort());
  // What takes weeks is too late for today, and is said to be.
  await page.locator('.pill', { hasText: /^\s*today\s*$/ }).click();
  await expect(rows.filter({ hasText: 'ready ' })).toHaveCount(0);
  await expect(page.getByText(/^\s*Too late for this wish: .*ferment/)).toBeVisible();
  await page.locator('[data-fact=none] summary').click();
  await expect(page.locator('[data-fact=none]')).toContainText('begins with a bottled or kept sauce');
  // What is dangerous in it is said before anything is begun; unmeasured it keeps a short while.
  await expect(page.getByText('Danger. Wear gloves')).toHaveCount(1);
  await expect(page.locator('[data-idea=raw-herbs] [data-fact=keep]')).toHaveText(/Fridge, .* or the freezer\./);
  // One is looked at, and begun.
  const raw = page.locator('[data-idea=raw-herbs]');
  const odds = await raw.locator('[data-fact=odds]').first().textContent();
  await raw.getByRole('button', { name: 'Look' }).click();
  await expect(raw.getByText('What goes in where')).toBeVisible();
  await raw.getByRole('button', { name: 'Start' }).click();
  await expect(page.getByRole('heading', { level: 1, name: /^Raw sauce with herbs/ })).toBeVisible();
  await expect(page.locator('.head [data-fact=odds]')).toHaveText(odds!);
  const id = new URL(page.url()).pathname.split('/').at(-1)!;
  const { file } = (await (await page.request.get(`/api/batches/${id}`)).json()) as BatchRecord;
  expect([file.style, file.strands.at(-1)!.goal!.bottles]).toEqual(['raw-herbs', 4]);
  // Without pods it says what to do.
  await page.route('**/api/pods', (r) => r.fulfill({ json: [] }));
  await page.goto('/batches');
  await goIn(page, '/batches/ideas');
  await expect(page.getByRole('heading', { name: 'No pods are there yet' })).toBeVisible();
});

test('a group of radios and a list that is searched are one stop of the Tab key; arrows go on within', async ({ page }) => {
  await page.route('**/api/pods', (r) => r.fulfill({ json: [] }));
  await page.goto('/batches/ideas');
  const focused = page.locator(':focus');
  await page.getByRole('radio', { name: 'no hurry' }).focus();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('radio', { name: 'within a month' })).toBeChecked();
  await page.keyboard.press('Tab');
  await expect(page.getByRole('radio', { name: 'medium' })).toBeFocused();
  await page.keyboard.press('Tab');
  await expect(focused).toHaveAccessibleName(/^Bottles/);
  await page.keyboard.press('Shift+Tab');
  await expect(page.getByRole('radio', { name: 'medium' })).toBeFocused();
  await goIn(page, '/batches?start=1');
  const style = page.getByRole('combobox', { name: 'Which kind of sauce' });
  await style.focus();
  await page.keyboard.press('Tab');
  expect(await style.evaluate((el) => el.closest('.pick')!.contains(document.activeElement))).toBe(false);
  await page.keyboard.press('Shift+Tab');
  await expect(style).toBeFocused();
});

test('a season: lines as one says them become a plan; a ribbon is held on another day, a late harvest says what changes, a batch is begun', async ({
  page,
}) => {
  test.slow();
  await page.goto('/batches');
  await page.getByRole('link', { name: 'The season' }).click();
  const batches = page.locator('[data-fact=batch]');
  const settled = () =>
    expect(page.locator('[data-fact=gap]')).toHaveText(/^\s*no plan is (?:better|more than \d+ % better)\s*$/, { timeout: 120_000 });
  await expect(batches.first()).toBeVisible({ timeout: 120_000 });
  await page.getByLabel('What will ripen, a line each').fill('2 kg cayennes in late May\n1 kg poblanos from June 15');
  await page.getByLabel('What is wished, a line each').fill('6 hot ones by 1 October\nsomething nice');
  await expect(page.getByText('Not understood: something nice')).toBeVisible();
  const wish = page.locator('[data-fact=wish]');
  await expect(wish).toHaveText(/6 of 6 6 hot ones by 1 October/, { timeout: 120_000 });
  await settled();

  // Held by key on the next day on which there is time; the rest is planned around it, and it is let go again.
  const ribbon = page.locator('[data-batch]').last();
  const was = await ribbon.getAttribute('aria-valuetext');
  await ribbon.focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('button', { name: 'held: let go' })).toHaveCount(1, { timeout: 120_000 });
  await settled();
  expect(was).not.toContain('held');
  await page.getByRole('button', { name: 'held: let go' }).click();
  await expect(page.getByRole('button', { name: 'held: let go' })).toHaveCount(0, { timeout: 120_000 });
  await settled();

  await page.getByRole('button', { name: 'Keep this plan' }).click();
  await page.getByLabel('What will ripen, a line each').fill('1 kg poblanos from October 15');
  await expect(page.locator('[data-fact=changed]').first()).toBeVisible({ timeout: 120_000 });
  await settled();
  await page.reload();
  await expect(page.getByLabel('What will ripen, a line each')).toHaveValue('1 kg poblanos from October 15');
  await expect(batches.first()).toBeVisible({ timeout: 120_000 });
  await settled();

  // While the server is away it is told, and what was typed is stored by itself when it is back.
  await page.route('**/api/season**', (r) => (r.request().method() === 'GET' ? r.fallback() : r.abort()));
  await page.getByLabel('What is wished, a line each').fill('5 hot ones by 1 October next year');
  const away = page.getByText('Not stored yet: the server does not answer.');
  await expect(away).toBeVisible({ timeout: 60_000 });
  await page.unroute('**/api/season**');
  await expect(away).toHaveCount(0, { timeout: 60_000 });
  await page.getByLabel('What is wished, a line each').fill('6 hot ones by 1 October');
  await settled();

  const first = batches.first();
  const bottles = Number(/\d+/.exec(await first.locator('[data-fact=bottles]').innerText())![0]);
  await first.getByRole('button', { name: /^Make it a batch: / }).click();
  await page.waitForURL(/\/batches\/(?!season)[\w-]+/, { timeout: 60_000 });
  const id = new URL(page.url()).pathname.split('/').at(-1)!;
  const { file } = (await (await page.request.get(`/api/batches/${id}`)).json()) as BatchRecord;
  expect(mainEnd(file).goal.bottles).toBe(bottles);
  // Pods that it takes are spoken for: the season goes on without them.
  await page.goto('/batches/season');
  await expect(page.locator('[data-fact=gap]')).toHaveText(/no plan is/, { timeout: 120_000 });
});
