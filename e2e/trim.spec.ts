import type { Page } from '@playwright/test';
import { gramsOf, mapStations, stationIn, type Round } from '@roskel/core';
import { changeStored, expect, stored, test } from './test';

/** Ways that stand on the page, once the search is done. */
async function ways(page: Page) {
  const list = page.getByRole('radiogroup', { name: 'Ways to put it right' });
  await expect(list).toHaveAttribute('aria-busy', 'false', { timeout: 30_000 });
  return list.getByRole('radio');
}
const rail = (page: Page, name: string) => page.locator(`[data-rail=${name}]`);
const say = (page: Page, name: string, word: string) => rail(page, name).getByRole('button', { name: word, exact: true }).click();

test('too hot and too flat: said, weighed in, tasted again, taken back; the numbers are those of the line', async ({ page }) => {
  await page.goto('/batches/gorse-gold');
  const { record } = await stored(page, 'gorse-gold');
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByText('Taste and put right').click();
  await page.waitForURL(/\/trim\/trim/);
  await expect(page.getByRole('heading', { name: 'Trim by taste' })).toBeVisible();
  await expect(page.getByText('Say on the rails what is wrong', { exact: false })).toBeVisible();
  await say(page, 'heat', 'too hot');
  await say(page, 'sour', 'flat');
  const found = await ways(page);
  await expect(found.first()).toBeVisible();
  // The last way, by key: it is chosen, and what it does stands beside it. How many there are depends on what other tests left.
  const last = found.last();
  await last.focus();
  await page.keyboard.press('Enter');
  await expect(last).toHaveAttribute('aria-checked', 'true');
  const lines = await last.locator('.row').allTextContents();
  expect(lines.length).toBeLessThanOrEqual(3);
  for (const l of lines) expect(l).toMatch(/(tsp|tbsp|cups?) /);
  await expect(page.getByRole('region', { name: 'What it does to the rest' })).toContainText('measure it');
  const told = await rail(page, 'heat').locator('.is').textContent();
  await page.keyboard.press('w');
  await expect(page.locator('[data-round]')).toHaveCount(1);
  const { record: after, report } = await stored(page, 'gorse-gold');
  const trim = stationIn(after.file, 'trim')!;
  const put = trim.log.rounds![0]!.put;
  for (const p of put)
    expect(gramsOf(trim.intakes.find((i) => i.origin.from === 'larder' && i.origin.key === p.of)!.amount)).toBeCloseTo(p.g, 2);
  // The heat that was promised is what the line makes of it.
  const promised = Number(/→ ([\d,]+) SHU/.exec(told!)![1]!.replace(',', ''));
  const at = report.stations.find((s) => s.id === 'trim')!;
  expect(Math.abs(at.now.heatShu / promised - 1)).toBeLessThan(0.06);
  expect(at.now.pH!).toBeLessThan(3.8);
  // A second round goes on from there, and is taken back without touching the first.
  await say(page, 'salt', 'too little');
  await expect((await ways(page)).first()).toBeVisible();
  await page.getByRole('button', { name: 'Weigh this in' }).click();
  await expect(page.locator('[data-round]')).toHaveCount(2);
  await page.locator('[data-round]').nth(1).getByRole('button', { name: 'take back' }).click();
  await expect(page.locator('[data-round]')).toHaveCount(1);
  const back = (await stored(page, 'gorse-gold')).record.file;
  expect(stationIn(back, 'trim')!.intakes).toEqual(trim.intakes);
  // Undo brings the second round again, and again takes it away.
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.locator('[data-round]')).toHaveCount(2);
  await page
    .getByRole('button', { name: 'Redo' })
    .click()
    .catch(() => page.keyboard.press('Control+Shift+z'));
  await expect(page.locator('[data-round]')).toHaveCount(1);
  await page.goto('/batches/gorse-gold');
  await changeStored(page, (await stored(page, 'gorse-gold')).record, record.file);
});

test('a bracket is dragged by key; what cannot be had says what gives way; the word of right is remembered', async ({ page }) => {
  await page.goto('/batches/samphire-green');
  const { record } = await stored(page, 'samphire-green');
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByText('Taste and put right').click();
  await page.waitForURL(/\/trim\//);
  const left = rail(page, 'heat').getByRole('slider', { name: /left end/ });
  await left.focus();
  const before = await left.getAttribute('aria-valuetext');
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowLeft');
  await expect(left).not.toHaveAttribute('aria-valuetext', before!);
  // Hotter than the larder can make it: the shop can; and hotter than anything stirred in.
  const right = rail(page, 'heat').getByRole('slider', { name: /right end/ });
  const up = async (key: 'ArrowRight' | 'PageUp', by: number) => {
    for (let i = 0; i < by + 4; i++) await right.press(key);
    for (let i = 0; i < by; i++) await left.press(key);
    await ways(page);
  };
  // A step is a tenth more: every one counts, however fast they come.
  const shu = async () => Number(/([\d,]+) SHU/.exec((await left.getAttribute('aria-valuetext'))!)![1]!.replace(',', ''));
  const from = await shu();
  await up('ArrowRight', 10);
  expect((await shu()) / from).toBeCloseTo(Math.exp(0.1 * Math.log(30_000)), 0);
  await expect(page.getByText('With something from the shop it does')).toBeVisible();
  await expect(page.locator('[data-way]').first().locator('[data-fact=buy]').first()).toContainText('to buy');
  await up('PageUp', 8);
  await expect(page.getByText('Neither what is there nor what a shop has gets there.')).toBeVisible();
  await say(page, 'heat', 'right');
  await ways(page);
  await page.getByRole('button', { name: 'It is right' }).click();
  await page.waitForURL(/at=trim/);
  const rounds = stationIn((await stored(page, 'samphire-green')).record.file, 'trim')!.log.rounds as Round[];
  expect(rounds.at(-1)!.says.salt).toBe('right');
  const settings = await (await page.request.get('/api/settings')).json();
  expect(settings.palate.salt.said).toBeGreaterThanOrEqual(1);
  expect(settings.palate.salt.level).toBeCloseTo(rounds.at(-1)!.was.salt!, 3);
  const now = (await stored(page, 'samphire-green')).record;
  await changeStored(
    page,
    now,
    mapStations(record.file, (s) => s),
  );
});

test('on the bench mass, pH and taste are enough; a way weighed in is the sauce from then on, and is taken back', async ({ page }) => {
  await page.goto('/bench/trim');
  const field = (name: string) => page.getByLabel(name);
  await field('There is, g').fill('800');
  await field('Measured pH').fill('3.9');
  await field('Measured pH').press('Tab');
  await say(page, 'sour', 'flat');
  const found = await ways(page);
  await expect(found.first()).toContainText(/vinegar|juice/i);
  const words = await rail(page, 'sour').locator('.is').textContent();
  expect(words).toMatch(/pH 3\.90 → pH 3\.[4-7]/);
  await page.getByRole('button', { name: 'Weigh this in' }).click();
  await expect(field('Measured pH')).not.toHaveValue('3.9');
  await page.reload();
  await expect(field('Measured pH')).not.toHaveValue('3.9');
  expect(Number(await field('There is, g').inputValue())).toBeGreaterThan(800);
  await page.getByRole('button', { name: 'Take back the last' }).click();
  await expect(field('There is, g')).toHaveValue('800');
  await expect(field('Measured pH')).toHaveValue('3.9');
  // Nonsense is answered at the field, and loses nothing.
  await field('Measured pH').fill('19');
  await field('Measured pH').press('Tab');
  await expect(page.getByText('pH must be between 2.5 and 7.')).toBeVisible();
  await expect(field('Measured pH')).toHaveValue('19');
});
