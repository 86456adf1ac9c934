import { boilingPointC, stationsOf } from '@roskel/core';
import { expect, line, pick, station, stored, test, type } from './test';

test('a long-reduced sauce from the start to the bottles: the pot is weighed, an impossible weight is asked about', async ({ page }) => {
  await page.goto('/batches');
  await page.getByRole('button', { name: 'Start a batch' }).click();
  await type(page, /What do you have/, '300 g jalapeños, pineapple, 3 bottles of 150 ml, medium');
  await pick(page, 'Which kind of sauce', 'long-reduced spiced sauce');
  await expect(page.getByText('Dark and spiced')).toBeVisible();
  await type(page, 'Name', 'Weighed Twice');
  // Its own things are in the plan, wherever they go in.
  await expect(page.getByRole('status', { name: 'The plan' })).toContainText(/distilled white vinegar/, { timeout: 45_000 });
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await page.waitForURL(/\/batches\/[^/?]+/);
  await expect(page.getByRole('heading', { name: 'Weighed Twice' })).toBeVisible();
  const id = new URL(page.url()).pathname.split('/').at(-1)!;
  let { record, report } = await stored(page, id);
  expect(record.file.style).toBe('long-reduced');
  expect(line(record.file).map((s) => s.kind)).toEqual(['prep', 'blend', 'simmer', 'blend', 'bottle']);

  await station(page, 'Simmer');
  const pot = page.getByRole('region', { name: 'Simmer: worksheet' });
  await expect(page.getByText(/\d+ to \d+ min/)).toBeVisible();
  const of = (kind: string) => report.stations.find((s) => s.kind === kind)!;
  const [began, planned] = [report.stations[1]!.now.massG, of('simmer').now];
  expect(planned.massG / began).toBeCloseTo(0.5, 2);
  expect(planned.saltPct / report.stations[1]!.now.saltPct).toBeCloseTo(2, 1);
  expect(planned.pH!).toBeGreaterThan(report.stations[1]!.now.pH!);

  // More than went in cannot be: it is asked about at the field, and what was typed stays.
  const weight = pot.getByLabel(/Weighed, less the pot/);
  await weight.fill(String(Math.round(began * 1.4)));
  await weight.press('Tab');
  await expect(pot.getByText(/went into the pot. Take the weight of the empty pot off/)).toBeVisible();
  await expect(weight).toHaveValue(String(Math.round(began * 1.4)));
  // Reduced less far than planned: less salt, a lower pH, no guess of minutes any more.
  const weighed = Math.round(began * 0.7);
  await weight.fill(String(weighed));
  await weight.press('Tab');
  await expect(page.getByText('weighed: no guess needed')).toBeVisible();
  ({ report } = await stored(page, id));
  expect(of('simmer').now.massG).toBeCloseTo(weighed, 6);
  expect(of('simmer').now.saltPct).toBeLessThan(planned.saltPct);
  expect(of('simmer').now.pH!).toBeLessThan(planned.pH!);
  // Weighed again an hour later.
  const again = Math.round(began * 0.48);
  await weight.fill(String(again));
  await weight.press('Tab');
  await expect.poll(async () => (await stored(page, id)).report.stations.find((s) => s.kind === 'simmer')!.now.massG).toBeCloseTo(again, 6);
  ({ record, report } = await stored(page, id));
  expect(of('simmer').now.pH!).toBeGreaterThan(planned.pH! - 0.001);
  // Every gram of salt of the pot is in the bottles and what was left: worked out from the file alone.
  const salt = stationsOf(record.file)
    .flatMap(({ entry }) => entry.intakes)
    .find((i) => i.id === 'salt_fine')!;
  expect((of('simmer').now.saltPct / 100) * again).toBeGreaterThan((salt.amount as { g: number }).g * 0.97);
  expect(boilingPointC(0)).toBeCloseTo(100, 0);
});

test('a base with variants: four bowls, each with its own things, adding up to the base', async ({ page }) => {
  await page.goto('/batches');
  await page.getByRole('button', { name: 'Start a batch' }).click();
  await type(page, /What do you have/, '600 g jalapeños, 8 bottles of 100 ml, medium');
  await pick(page, 'Which kind of sauce', 'one base, four sauces');
  await type(page, 'Name', 'Four Coves');
  await expect(page.getByRole('status', { name: 'The plan' })).toContainText('8 bottles', { timeout: 45_000 });
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await page.waitForURL(/\/batches\/[^/?]+/);
  await expect(page.getByRole('group', { name: 'Parts' })).toContainText('With pineapple');
  const id = new URL(page.url()).pathname.split('/').at(-1)!;
  const { report } = await stored(page, id);
  expect(report.ends.map((e) => e.bottles.filled)).toEqual([2, 2, 2, 2]);
  const base = report.stations.find((s) => s.id === 'blend')!.now.massG;
  const taken = report.stations.filter((s) => s.id.endsWith('-stir')).map((s) => s.enters.grams['base'] ?? 0);
  expect(taken.reduce((a, b) => a + b, 0)).toBeCloseTo(base, 3);
});
