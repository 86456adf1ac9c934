import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import type { BatchFile, LineReport, StationReport } from '@roskel/core';
import { done, endJar, expect, more, pick, station, stored, test, type } from './test';

/** From an empty batch of a style to its page: the plan is made of what is said. Gives the id of the batch. */
async function begin(page: Page, name: string, style: string, have: string): Promise<string> {
  await page.goto('/batches');
  await page.getByRole('button', { name: 'Start a batch' }).click();
  await type(page, /What do you have/, have);
  await pick(page, 'Which kind of sauce', style);
  await type(page, 'Name', name);
  await expect(page.getByRole('status', { name: 'The plan' }).locator('[data-fact=odds]')).toBeVisible({ timeout: 45_000 });
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await page.waitForURL(/\/batches\/[^/?]+/);
  await expect(page.getByRole('heading', { name })).toBeVisible();
  return new URL(page.url()).pathname.split('/').at(-1)!;
}
const at = (report: LineReport, id: string): StationReport => report.stations.find((s) => s.id === id)!;
const panel = (page: Page, name: string) => page.getByRole('region', { name: `${name}: worksheet` });

/** Goes to a station by its address, weighs what stands there, and marks it as done today. */
async function follow(page: Page, id: string, name: string, massG?: number): Promise<LineReport> {
  await station(page, name);
  const here = panel(page, name);
  if (massG !== undefined) {
    const weight = here.getByRole('textbox', { name: /weighed|Weighed|passed/ }).first();
    await weight.fill(String(massG));
    await weight.press('Tab');
  }
  if (name === 'Ferment') await endJar(page);
  else await done(page);
  return (await stored(page, id)).report;
}
/** Reads the pH of the finished sauce and fills it; gives how it keeps as the page says. */
async function fill(page: Page, end: 'Bottle' | 'Serve', pH: string): Promise<string> {
  await station(page, end);
  const here = panel(page, end);
  const field = here.getByRole('textbox', { name: /pH/ }).first();
  await field.fill(pH);
  await field.press('Tab');
  await done(page);
  await expect(here.getByRole('button', { name: 'Not done' })).toBeVisible();
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  return (await page.locator('[data-fact=keep]').textContent())!;
}
/** Every gram of a component, by the file alone: what went in of a thing, as its row has it. */
function gramsOf(file: BatchFile, key: string, part: 'salt' | 'sugars'): number {
  const row = file.ingredients.find((i) => i.key === key)!;
  const all = file.strands.flatMap((s) => s.stations).flatMap((e) => e.intakes);
  const put = all.filter((i) => i.origin.from === 'larder' && i.origin.key === key);
  return put.reduce((s, i) => s + (i.amount as { g: number }).g * (row[part] / 100), 0);
}

test('raw: eaten from a bowl, never more than days, whatever is measured', async ({ page }) => {
  const id = await begin(page, 'Raw Family', 'rough raw table sauce', '300 g green jalapeños, 2 bottles of 150 ml, mild');
  await follow(page, id, 'Prep');
  const { record } = await stored(page, id);
  const planned = at((await stored(page, id)).report, 'blend').now.massG;
  const report = await follow(page, id, 'Blend', Math.round(planned * 0.97));
  // Salt is that of the sea salt and nothing else: by the file alone.
  const salt = gramsOf(record.file, 'salt_sea', 'salt');
  expect((at(report, 'blend').now.saltPct / 100) * at(report, 'blend').now.massG).toBeLessThan(salt * 1.1);
  const keep = await fill(page, 'Serve', '3.4');
  expect(keep).toMatch(/Fridge, three days/);
  await expect(page.getByText(/bowls? of 150 ml/).first()).toBeVisible();
});

test('steeped: dragged to the night it needs, boiled, sieved by the scale; the sieve learns and forgets', async ({ page }) => {
  const id = await begin(page, 'Steeped Family', 'steeped overnight and boiled', '500 g serranos, 4 bottles of 100 ml, medium');
  await follow(page, id, 'Prep');
  await station(page, 'Steep');
  const curve = page.getByRole('slider', { name: /In the vinegar/ });
  const before = Number(await curve.getAttribute('aria-valuenow'));
  await curve.focus();
  await page.keyboard.press('PageUp');
  await expect(curve).toHaveAttribute('aria-valuenow', String(before + 10));
  await follow(page, id, 'Steep');
  await follow(page, id, 'Simmer');
  await follow(page, id, 'Blend');
  await station(page, 'Strain');
  await more(page);
  await pick(page, 'Which sieve', 'Fine round sieve');
  await expect(page.locator('[data-fact=tool]')).toContainText('by 1 weighing');
  const into = at((await stored(page, id)).report, 'strain').bowlG;
  const passed = Math.round(into * 0.9);
  const report = await follow(page, id, 'Strain', passed);
  expect(at(report, 'strain').now.massG).toBeCloseTo(passed, 6);
  await station(page, 'Strain');
  await page.getByRole('button', { name: 'Teach it what was weighed here' }).click();
  await expect(page.getByText('Fine round sieve knows it from now on.')).toBeVisible();
  await page.goto('/larder/tools');
  await expect(page.getByText(/by 2 weighings/).last()).toBeVisible();
  await page.getByRole('button', { name: 'Change Fine round sieve' }).click();
  await expect(page.locator('[data-seen]').filter({ hasText: 'Steeped Family' })).toBeVisible();
  await page.getByRole('button', { name: 'Forget Steeped Family' }).click();
  await page.getByRole('button', { name: 'Keep the changes' }).click();
  await expect(page.getByText(/holds back .* by 1 weighing/)).toBeVisible();
});

test('simmered in vinegar: lifted from the seeds; the pan keeps the liquid that is dragged into it', async ({ page }) => {
  const id = await begin(page, 'Simmered Family', 'simmered vinegar sauce', '400 g cayennes, 4 bottles of 100 ml, medium');
  const { report } = await stored(page, id);
  const lift = at(report, 'lift') as StationReport<'lift'>;
  // Half of the seeds are loose and nine of ten of those stay; the heat hardly changes (handbook chapter 5, section 10).
  expect(lift.facts!.heatLeftPct).toBeLessThan(9);
  expect(lift.now.massG + lift.sides[0]!.massG).toBeCloseTo(lift.bowlG, 6);
  await station(page, 'Lift out');
  const pan = page.getByRole('slider', { name: /Liquid that goes along/ });
  await pan.focus();
  for (let n = 0; n < 4; n++) await page.keyboard.press('PageDown');
  await expect(pan).toHaveAttribute('aria-valuenow', '58');
  const after = at((await stored(page, id)).report, 'lift');
  expect(after.now.heatShu).toBeGreaterThan(lift.now.heatShu * 1.3);
  expect(after.now.pH!).toBeCloseTo(lift.now.pH!, 2);
});

test('syrup and starch: thin hot, thick cold, set by the spoon; the sugar of the pot is that of the bag', async ({ page }) => {
  const id = await begin(page, 'Sweet Family', 'sweet chili, with starch', '200 g red jalapeños, 3 bottles of 150 ml, medium');
  const { record, report } = await stored(page, id);
  const pot = at(report, 'thicken') as StationReport<'thicken'>;
  expect(pot.facts!.bodyHot!).toBeLessThan(pot.facts!.bodyCold!);
  const sugar = gramsOf(record.file, 'sugar_white', 'sugars');
  const held = (pot.now.sweetPct / 100) * pot.now.massG;
  expect(held).toBeGreaterThan(sugar * 0.98);
  expect(held).toBeLessThan(sugar * 1.25);
  await station(page, 'Thicken');
  const dose = page.getByRole('slider', { name: /For 100 g of water/ });
  await dose.focus();
  for (let n = 0; n < 2; n++) await page.keyboard.press('PageUp');
  await expect
    .poll(async () => (at((await stored(page, id)).report, 'thicken') as StationReport<'thicken'>).facts!.bodyCold!)
    .toBeGreaterThan(pot.facts!.bodyCold! + 0.5);
  await expect(page.getByText(/Boil it, then cool it within two hours/).first()).toBeVisible();
});

test('fried: the oil holds part of the heat, and paste under oil never stands at room temperature', async ({ page }) => {
  const id = await begin(page, 'Fried Family', 'fried paste', '500 g cayennes, 4 bottles of 100 ml, hot');
  for (const name of ['Prep', 'Fry', 'Blend']) await follow(page, id, name);
  const { report } = await stored(page, id);
  const fry = at(report, 'fry') as StationReport<'fry'>;
  expect(fry.facts!.heatInOilPct).toBeGreaterThan(20);
  const keep = await fill(page, 'Bottle', '3.6');
  expect(keep).toMatch(/Fridge/);
  expect(keep).not.toMatch(/cupboard|month|year|two weeks/);
  await expect(page.getByText(/never at room temperature/).first()).toBeVisible();
});

test('roasted dried pods: soaked pods are weighed, the block is pressed, what cannot be is asked about', async ({ page }) => {
  const id = await begin(page, 'Dried Family', 'roasted dried-pod paste', '70 g dried guajillo, 2 bottles of 100 ml, mild');
  const { report } = await stored(page, id);
  const press = at(report, 'press') as StationReport<'press'>;
  // Three of water to one: acid about half that of ready paste (handbook chapter 5, section 4, derived).
  expect(press.facts!.acidsPct).toBeGreaterThan(2.4);
  expect(press.facts!.acidsPct).toBeLessThan(3.1);
  await station(page, 'Soak');
  const weight = panel(page, 'Soak')
    .getByLabel(/weighed/i)
    .first();
  await weight.fill('2000');
  await weight.press('Tab');
  await expect(panel(page, 'Soak').getByText(/Drained they can weigh between/)).toBeVisible();
  const soaked = at(report, 'soak').now.massG;
  await weight.fill(String(Math.round(soaked * 0.9)));
  await weight.press('Tab');
  await expect.poll(async () => at((await stored(page, id)).report, 'soak').now.massG).toBeCloseTo(Math.round(soaked * 0.9), 6);
});

test('mash: salt by the weight of the pods, no water; without a reading of the jar no pH makes it keep', async ({ page }) => {
  const id = await begin(page, 'Mash Family', 'mash ferment', '900 g poblano, 4 bottles of 100 ml, mild');
  const { record } = await stored(page, id);
  const [use] = record.file.strands[0]!.stations[0]!.intakes;
  const lot = record.file.lots[0]!;
  // Stems off, and five in a hundred of what is left: by the file alone.
  const cut = (use!.amount as { g: number }).g * (1 - (lot.anatomy?.stem ?? 0));
  await follow(page, id, 'Prep');
  await station(page, 'Salt & pack');
  const said = Number((await page.locator('[data-fact=saltG]').innerText()).replace(/[^\d.]/g, ''));
  expect(said / (0.05 * cut)).toBeCloseTo(1, 1);
  await expect(page.getByText('no water: own juice only')).toBeVisible();
  await expect(panel(page, 'Salt & pack').getByLabel('Dry salt rubbed in, %')).toHaveCount(0);
  const packed = await follow(page, id, 'Salt & pack', Math.round(cut * 1.05));
  expect(at(packed, 'salt').now.saltPct).toBeCloseTo(100 * (0.05 / 1.05), 0);
  await follow(page, id, 'Ferment');
  const blended = await follow(page, id, 'Blend');
  expect(at(blended, 'blend').now.massG).toBeLessThan(cut * 1.05 + 1000);
  if ((await stored(page, id)).report.stations.some((s) => s.kind === 'strain')) await follow(page, id, 'Strain');
  expect(await fill(page, 'Bottle', '3.5')).toMatch(/Fridge|Throw/);
});

test('a bottled sauce goes in: it leaves the shelf, and mustard is tempered', async ({ page }) => {
  const onShelf = async () => {
    const all = (await (await page.request.get('/api/shelf')).json()) as { id: string; left: number }[];
    return all.find((b) => b.id === 'slipway-red-2')!.left;
  };
  await page.goto('/batches');
  const before = await onShelf();
  await page.getByRole('button', { name: 'Start a batch' }).click();
  await type(page, /What do you have/, '250 g cayennes, 4 bottles of 100 ml, medium');
  await pick(page, 'Which kind of sauce', 'sauce that takes a bottled sauce');
  await expect(page.getByText('This is made to take a bottled sauce.')).toBeVisible({ timeout: 45_000 });
  await pick(page, 'Which sauce goes into it', /Slipway Red no. 2, \d+ bottles on the shelf/);
  await expect(page.getByRole('status', { name: 'The plan' })).toContainText(/slipway red no. 2/, { timeout: 45_000 });
  await type(page, 'Name', 'Bottle Family');
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await page.waitForURL(/\/batches\/[^/?]+/);
  const id = new URL(page.url()).pathname.split('/').at(-1)!;
  const { record, report } = await stored(page, id);
  expect(record.file.stored.map((s) => s.name)).toEqual(['Slipway Red no. 2']);
  // What is in it came along: the brine of its jar, by what it is.
  expect(at(report, 'simmer').additions.map((a) => a.name)).toContain('Slipway Red no. 2');
  await station(page, 'Stir in');
  await expect(page.locator('[data-fact=temper]')).toContainText(/Mustard stands 60 °C/);
  const taken = at(report, 'simmer').additions.find((a) => a.name === 'Slipway Red no. 2')!.massG;
  // As many bottles as it takes, and not one more: 100 ml of about 103 g.
  expect(before - (await onShelf())).toBe(Math.ceil(taken / 103 - 1e-9));
});

test('a card of 14 lines: read, placed, and boiled down in a pot that is weighed twice', async ({ page }) => {
  const card = readFileSync(new URL('../examples/harbour-card.txt', import.meta.url), 'utf8');
  await page.goto('/batches');
  await page.getByRole('button', { name: 'Start a batch' }).click();
  await page.getByRole('link', { name: 'Paste it' }).click();
  await page.getByLabel(/The recipe: text/).fill(card);
  await expect(page.locator('[data-fact=read]')).toHaveText('14 of 14 things read');
  // A list without a method: the style that it reads like has its stations.
  const line = page.getByRole('list', { name: 'The line it makes' });
  await expect(line.locator('[data-step=simmer]')).toBeVisible({ timeout: 45_000 });
  await expect(line.locator('[data-step=blend]').first()).toContainText(/mustard/);
  await type(page, 'Name', 'Card Family');
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await page.waitForURL(/\/batches\/(?!from-a)[^/?]+/);
  const id = new URL(page.url()).pathname.split('/').at(-1)!;
  await page.goto(`/batches/${id}?at=blend`);
  await more(page);
  await pick(page, 'Which blender', 'Glass jug blender');
  await expect(page.locator('[data-fact=loads]')).toContainText(/2 equal loads/);
  const jug = at((await stored(page, id)).report, 'blend').now;
  await station(page, 'Simmer');
  let pot = at((await stored(page, id)).report, 'simmer') as StationReport<'simmer'>;
  expect(pot.now.saltPct / jug.saltPct).toBeCloseTo(2, 1);
  expect(pot.now.pH!).toBeGreaterThan(jug.pH!);
  await pick(page, 'Which pot', 'Wide steel pot');
  pot = at((await stored(page, id)).report, 'simmer') as StationReport<'simmer'>;
  const began = pot.facts!.beganG;
  const weigh = async (min: number, all: number) => {
    await page.getByLabel('Minutes so far').fill(String(min));
    await page.getByLabel(/Pot and all/).fill(String(Math.round(all)));
    await page.getByRole('button', { name: 'Add', exact: true }).click();
  };
  // The empty pot of 1,840 g is taken off by the page.
  await weigh(20, 1840 + began * 1.3);
  await expect(page.getByLabel('The pot on the scale').getByText(/Take the weight of the empty pot off/)).toBeVisible();
  await page.getByRole('button', { name: 'Take out the weighing after 20 min' }).click();
  await expect(page.locator('[data-weighing]')).toHaveCount(0);
  await weigh(20, 1840 + began * 0.93);
  await expect(page.getByText('Still to go')).toBeVisible();
  const slow = at((await stored(page, id)).report, 'simmer') as StationReport<'simmer'>;
  // Slower than it was thought: more minutes, and surer of them.
  expect(slow.facts!.minutes).toBeGreaterThan(pot.facts!.minutes * 1.1);
  expect(slow.facts!.pace.sd).toBeLessThan(pot.facts!.pace.sd);
  await weigh(45, 1840 + began * 0.7);
  await expect(page.locator('[data-weighing]')).toHaveCount(2);
  await expect(page.getByText(/now [\d,]+ g/)).toBeVisible();
  const quick = at((await stored(page, id)).report, 'simmer') as StationReport<'simmer'>;
  expect(quick.facts!.minutes).toBeLessThan(slow.facts!.minutes);
  // By the clock the weighings say where it stops, and with what pH.
  await pick(page, 'Until', 'some minutes');
  await page
    .locator('.do')
    .getByLabel(/From the boil/)
    .fill('60');
  await page
    .locator('.do')
    .getByLabel(/From the boil/)
    .press('Tab');
  const hour = at((await stored(page, id)).report, 'simmer') as StationReport<'simmer'>;
  expect(hour.facts!.stopG).toBeLessThan(began * 0.7);
  expect(hour.facts!.stopG).toBeGreaterThan(began * 0.45);
  expect(hour.now.pH!).not.toBeCloseTo(quick.now.pH!, 3);
});
