import type { Page } from '@playwright/test';
import { expect, found, pick, test } from './test';

const number = (text: string) => Number(text.match(/[\d,.]+/)![0].replace(/,/g, ''));
const fact = (page: Page, name: string) => page.locator(`[data-fact="${name}"]`);
async function say(page: Page, label: string, value: string) {
  const field = page.getByLabel(label, { exact: true });
  await field.fill(value);
  await field.press('Tab');
}

test('lively heat is met by three distinct mixes of the demo pods', async ({ page }) => {
  await page.goto('/bench/mix');
  await found(page, '3 mixes that do it');
  const ways = page.getByRole('region', { name: 'Mixes found' }).getByRole('button');
  await expect(ways).toHaveCount(3);
  const seen = new Set<string>();
  for (let i = 0; i < 3; i++) {
    await ways.nth(i).click();
    seen.add(await ways.nth(i).locator('.soft').innerText());
    const middle = number(await fact(page, 'middle').innerText());
    expect(middle).toBeGreaterThan(1300);
    expect(middle).toBeLessThan(3200);
    expect(number(await fact(page, 'pH').innerText())).toBeLessThanOrEqual(3.8);
    await expect(fact(page, 'Salt')).toContainText('met');
    await expect(fact(page, 'Mass')).toContainText('500 g');
  }
  expect(seen.size).toBe(3);
  // The caution that no predicted pH unlocks anything stands beside it.
  await expect(page.getByText('worked out, not measured')).toBeVisible();
});

test('half a million SHU from these pods is answered with what can be reached', async ({ page }) => {
  await page.goto('/bench/mix');
  await found(page, /mixes? (that do|does) it/);
  await say(page, 'Heat to, SHU', '700000');
  await say(page, 'Heat from, SHU', '500000');
  await expect(page.getByText(/Too mild: short of the heat you wish by .* The hottest this stock reaches/)).toBeVisible();
  const hottest = number(await fact(page, 'hottest').innerText());
  expect(hottest).toBeGreaterThan(5000);
  expect(hottest).toBeLessThan(49_000);
  await page.getByRole('button', { name: 'Take the nearest' }).click();
  await expect(fact(page, 'middle')).toContainText('SHU');
});

test('a slip in a wish is told at once and changes nothing', async ({ page }) => {
  await page.goto('/bench/mix');
  await found(page, /mixes? (that do|does) it/);
  await say(page, 'pH at most', '9');
  await expect(page.getByText('pH must be between 2.5 and 6.')).toBeVisible();
  await say(page, 'pH at most', '3.6');
  await expect(page.getByText('pH must be between 2.5 and 6.')).toHaveCount(0);
  await expect(fact(page, 'pH')).toContainText('at most 3.6');
});

test('dragging an amount moves the blur; a mix becomes a batch', async ({ page }) => {
  await page.goto('/bench/mix');
  await found(page, /mixes? (that do|does) it/);
  const before = number(await fact(page, 'middle').innerText());
  const slider = page.getByRole('slider', { name: 'Orange habanero, share' });
  for (let i = 0; i < 30; i++) await slider.press('ArrowRight');
  expect(number(await fact(page, 'middle').innerText())).toBeGreaterThan(before);
  await pick(page, 'Orange habanero, cutting', 'cored');
  const cored = number(await fact(page, 'middle').innerText());
  await pick(page, 'Orange habanero, cutting', 'whole');
  expect(cored).toBeLessThan(number(await fact(page, 'middle').innerText()));
  await page.getByRole('button', { name: 'Make it a batch' }).click();
  await page.getByRole('textbox', { name: 'Name' }).fill('Off the bench');
  await page.getByRole('button', { name: 'Start the batch' }).click();
  await expect(page.getByRole('heading', { name: 'Off the bench' })).toBeVisible();
  const id = page.url().match(/batches\/([^?/]+)/)![1]!;
  const { file } = (await (await page.request.get(`/api/batches/${id}`)).json()) as {
    file: { lots: { id: string }[]; ingredients: { key: string }[] };
  };
  expect(file.lots.map((l) => l.id)).toContain('lot-habanero');
  expect(file.ingredients.map((i) => i.key)).toContain('vinegar_cider');
});

test('the dilution test goes from start to estimate by keyboard alone, and the taster never sees which cup', async ({ page }) => {
  await page.goto('/bench/dilution');
  const focus = page.locator(':focus');
  const tick = page.locator('[role=checkbox]:focus');
  // Nothing below touches the mouse. The first field has the focus.
  await expect(page.getByRole('combobox', { name: 'Test' })).toBeFocused();
  await page.keyboard.press('Enter');
  await page.keyboard.type('Slipway Red');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Tab');
  await expect(focus).not.toHaveValue('2000');
  await page.keyboard.press('Tab');
  await page.keyboard.press('ControlOrMeta+a');
  await page.keyboard.type('2');
  for (let i = 0; i < 8 && !(await tick.count()); i++) await page.keyboard.press('Tab');
  await page.keyboard.press('Space');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Mix the ladder' })).toBeVisible();
  await expect(page.getByText(/2 g of Slipway Red.* \+ 198 g sugar water/)).toBeVisible();
  for (let i = 0; i < 20; i++) {
    if ((await focus.innerText().catch(() => '')) === 'Taste') break;
    if (await tick.count()) await page.keyboard.press('Space');
    await page.keyboard.press('Tab');
  }
  await page.keyboard.press('Enter');
  const cup = page.locator('[data-fact=place]');
  const place = async () => number(await cup.innerText());
  /** The pourer reads the cup and hands over; then the number is gone. */
  const pour = async () => {
    const at = await place();
    await expect(page.getByRole('button', { name: /hand it to the taster/ })).toBeFocused();
    await page.keyboard.press('Enter');
    await expect(cup).toHaveCount(0);
    return at;
  };
  /** Misses the first `misses` rungs, then finds two running. */
  const climb = async (misses: number) => {
    for (let i = 0; i < misses; i++) await page.keyboard.press(String(((await pour()) % 3) + 1));
    for (let i = 0; i < 2; i++) await page.keyboard.press(String(await pour()));
    await expect(page.getByText('found it twice running')).toBeVisible();
    await page.keyboard.press('Enter');
  };
  for (let taster = 1; taster <= 22 && (await page.getByRole('heading', { name: /^(You|Taster)/ }).count()); taster++) await climb(2);
  const estimate = number(await page.locator('[data-fact=estimate]').innerText());
  expect(estimate).toBeGreaterThan(100);
  await expect(page.locator('button[data-first]')).toBeFocused();
  await expect(page.locator('button[data-first]')).toHaveText(/Use this result for Slipway Red no. 2/);
  await page.keyboard.press('Enter');
  await expect(page.getByText(/lots? learnt from it|far (hotter|milder)/)).toBeVisible();
});

test('a match against a labelled sauce is worked out and teaches a lot', async ({ page }) => {
  await page.goto('/bench/match');
  await pick(page, 'Test', 'Orange habanero, fresh');
  await say(page, 'Heat on the label, SHU', '3000');
  await say(page, 'Yours tastes the same at 1 in', '54');
  // Handbook chapter 2, section 6: 3 000 at 1:20 equals 1:54, so 8 100 SHU.
  await expect(page.locator('[data-fact=match]')).toContainText('about 8,100 SHU');
  await page.getByRole('button', { name: 'Use this result for Orange habanero' }).dblclick();
  await expect(page.getByText('1 lot learnt from it.')).toBeVisible();
  // Pressed again and again it counts once.
  await expect(page.getByRole('button', { name: 'Used' })).toBeDisabled();
  const book = async () => ((await (await page.request.get('/api/heat')).json()) as { events: unknown[] }).events.length;
  const once = await book();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('Undone: match of Orange habanero.')).toBeVisible();
  expect(await book()).toBe(once - 1);
});

test('the log of a thermometer: hot enough or not, bad lines told, and what it never does', async ({ page }) => {
  await page.goto('/bench/heat');
  const text = page.getByLabel('Time and temperature, a line each');
  // The handbook's log (chapter 4, section 6) holds 82 °C for ten minutes.
  await text.fill('min;°C\n0;25\n6;70\n9;82\nlater;82\n19;82\n22;74\n30;60');
  await expect(page.locator('[data-fact=verdict]')).toContainText('Hot enough');
  await expect(page.locator('[data-fact=read]')).toHaveText('6 points read, 1 line left out.');
  await expect(page.getByText('Line 5: No time is in this line.')).toBeVisible();
  // What the log does not say is asked: 120 could be a boil or a lukewarm sauce.
  await text.fill('0,180\n10,181\n20,181');
  await expect(page.getByRole('alert')).toContainText('whether these are °C or °F, nor what its times count');
  await expect(page.locator('[data-fact=verdict]')).toHaveCount(0);
  await pick(page, 'Degrees', '°F');
  await pick(page, 'Times', 'minutes');
  await expect(page.locator('[data-fact=verdict]')).toContainText('Hot enough');
  await pick(page, 'Times', 'seconds');
  await expect(page.locator('[data-fact=verdict]')).toContainText('Too short');
  await pick(page, 'Times', 'minutes');
  // Half an hour that nobody saw.
  await text.fill('0,185\n30,185');
  await expect(page.locator('[data-fact=verdict]')).toContainText('Too short');
  await expect(page.getByText('Longest gap, which counts for nothing')).toBeVisible();
  await text.fill('0,150\n12,150\n');
  await expect(page.locator('[data-fact=verdict]')).toContainText('Not hot enough: its hottest is 65.6 °C');
  await expect(page.getByText('not spores', { exact: false })).toBeVisible();
  await page.getByLabel('Altitude').fill('1609');
  await page.getByLabel('Altitude').press('Tab');
  await expect(page.getByText('94.7 °C')).toBeVisible();
  await expect(page.getByText('16 min')).toBeVisible();
});
