import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { checkBatchFile } from '@roskel/contract/validate';
import type { BottlingRecord, PodLotRecord } from '@roskel/contract';
import { oddsText, podUses, reportOfKind, saltGrams, twoFigures, type LineReport } from '@roskel/core';
import { done, endJar, expect, gramsIn, importExample, line, more, pick, station, stored, test, type, upload } from './test';

const EXAMPLE = fileURLToPath(new URL('../examples/slipway-red.json', import.meta.url));
const jarOf = (report: LineReport) => reportOfKind(report, 'salt').facts!;
const whole = (n: number) => Math.round(n).toLocaleString('en');

test('from pods to bottles on the shelf', async ({ page }) => {
  // Goal
  await page.goto('/batches');
  await page.getByRole('button', { name: 'Start a batch' }).click();
  await type(page, 'Name', 'Harbour Test');
  await pick(page, 'Which kind of sauce', 'brine ferment');
  await page.getByRole('checkbox', { name: /Choose from my/ }).click();
  await page
    .locator('.n-radio')
    .filter({ hasText: /^\s*hot/ })
    .click();
  await type(page, 'Bottles', '6');
  const stockBefore = (await (await page.request.get('/api/pods')).json()) as PodLotRecord[];
  await page.getByRole('button', { name: 'Start this batch' }).click();
  // Its row on the list behind the sheet has the same name: the address tells that its own page is there.
  await page.waitForURL(/\/batches\/[^/?]+/);
  await expect(page.getByRole('heading', { name: 'Harbour Test' })).toBeVisible();
  await page.goto(`${new URL(page.url()).pathname}/pods`);

  // Pods: solved by HiGHS in the worker for the bracket
  await expect(page.getByRole('heading', { name: /ways? to get there/ })).toContainText(/One|Two|Three/, { timeout: 45_000 });
  const middle = Number((await page.locator('[data-fact=middle]').innerText()).match(/[\d,]+/)![0].replace(/,/g, ''));
  expect(middle).toBeGreaterThan(2000);
  expect(middle).toBeLessThan(8000);
  await page.getByRole('button', { name: 'Use this mix' }).click();
  await expect(page.getByRole('heading', { name: 'Harbour Test' })).toBeVisible();
  const id = new URL(page.url()).pathname.split('/').at(-1)!;
  let { report } = await stored(page, id);
  expect(report.ends[0]!.finished.heatShu).toBeGreaterThan(2000);
  expect(report.ends[0]!.finished.heatShu).toBeLessThan(8000);
  expect(report.ends[0]!.bottles.filled).toBe(6);
  await done(page);

  // Stock went down by what the prep took
  const { record: prepared } = await stored(page, id);
  const used = podUses(prepared.file);
  const stockAfter = (await (await page.request.get('/api/pods')).json()) as PodLotRecord[];
  for (const p of used) {
    const [before, after] = [stockBefore, stockAfter].map((list) => list.find((l) => l.id === p.lotId)!.stockG);
    expect(before! - after!).toBeCloseTo(p.massG, 3);
  }

  // Salt: grams follow from the percentage of the whole jar
  await station(page, 'Salt & pack');
  await type(page, 'Salt, %', '3.5');
  ({ report } = await stored(page, id));
  const jar = { produceG: jarOf(report).produceG, waterG: jarOf(report).waterG, waterShare: 0.9 };
  expect(jarOf(report).saltG).toBeCloseTo(saltGrams('wholeJar', 3.5, jar), 6);
  await expect(page.locator('[data-fact=saltG]')).toHaveText(`${whole(jarOf(report).saltG)} g`);
  await expect(page.locator('[data-fact=waterG]')).toHaveText(`${whole(jarOf(report).waterG)} g`);
  await expect(page.locator('dl div').filter({ hasText: 'Water only' })).toContainText(`${jarOf(report).waterOnlyPct!.toFixed(1)} %`);
  // The same salt called by another name keeps its grams
  await pick(page, 'How salt is counted', '% of the water only');
  ({ report } = await stored(page, id));
  await expect(page.getByLabel('Salt, %', { exact: true })).toHaveValue(String(Number(jarOf(report).waterOnlyPct!.toFixed(2))));
  await done(page);

  // Readings
  await station(page, 'Ferment');
  await page.getByRole('button', { name: 'Log a reading' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('pH', { exact: true }).fill('4.87');
  await sheet.getByLabel(/Temperature/).fill('20.5');
  await sheet.getByRole('button', { name: 'Save the reading' }).click();
  await expect(page.getByText(/Last: pH 4.87, 20.5 °C/)).toBeVisible();
  await expect(page.locator('[data-fact=ready]')).toContainText(/If it sours, ready \(pH 3.8, settled\)/);
  await type(page, 'Measured pH', '3.62');
  await expect(page.locator('[data-cell=ferment-pH]')).toContainText('3.62');
  // Packed today, it has not soured yet, whatever was read.
  await done(page);
  await expect(page.locator('[data-fact=doubts-end]')).toContainText('no jar is sour before its third day');
  await page.getByRole('button', { name: 'Leave it standing' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await endJar(page);

  // Drain
  await station(page, 'Drain');
  ({ report } = await stored(page, id));
  const drained = Math.round(report.stations[3]!.now.massG * 0.97);
  await type(page, 'Drained pods, weighed, g', String(drained));
  await done(page);
  ({ report } = await stored(page, id));
  expect(report.stations[3]!.now.massG).toBeCloseTo(drained, 6);
  await expect(page.locator('[data-mass=drain]')).toContainText(`${whole(drained)} g`);

  // Blend: kitchen words become grams
  await station(page, 'Blend');
  await pick(page, 'Add what goes in', 'Lime juice, fresh');
  await type(page, 'Lime juice, fresh, amount', '2 tbsp');
  await pick(page, 'Add what goes in', 'Own brine');
  await type(page, 'Own brine, amount, g', '40');
  const blended = await stored(page, id);
  report = blended.report;
  const jug = line(blended.record.file)[4]!;
  // 2 metric tablespoons of 15 ml at 246 g per US cup of 236.588 ml (NIST Handbook 44).
  expect(gramsIn(jug, 'lime_juice')).toBeCloseTo(30 * (246 / 236.5882365), 3);
  expect(report.stations[4]!.additions.find((a) => a.id === 'brine')!.massG).toBeCloseTo(40, 6);
  await done(page);

  // Strain with a weighed yield: plan and measured side by side
  await station(page, 'Strain');
  const passed = Math.round(report.stations[5]!.now.massG * 0.95);
  await type(page, 'What passed, weighed, g', String(passed));
  await done(page);
  ({ report } = await stored(page, id));
  const strained = report.stations[5]!;
  expect(strained.now.massG).toBeCloseTo(passed, 6);
  expect(strained.planned.massG).not.toBeCloseTo(passed, 0);
  await expect(page.locator('[data-mass=strain]')).toHaveText(`${whole(strained.planned.massG)} g, ${whole(passed)} g`);
  await station(page, 'Strain');
  await more(page);
  await expect(page.getByText(`${(100 * (1 - passed / strained.inG)).toFixed(1)} %`)).toBeVisible();

  // Bottle: the cautions follow the measured pH
  await station(page, 'Bottle');
  const told = async () => {
    await page.getByRole('region', { name: 'Warnings' }).getByRole('button').click();
    const all = await page.getByRole('dialog', { name: 'What to mind' }).innerText();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
    return all;
  };
  expect(await told()).toContain('A computed pH never makes a sauce keep');
  await type(page, 'Measured pH', '3.44');
  await stored(page, id);
  await expect.poll(told).not.toContain('A computed pH never makes a sauce keep');
  await done(page);
  ({ report } = await stored(page, id));
  await expect(page.locator('[data-fact=bottles]')).toHaveText(`${report.ends[0]!.bottles.filled} bottles`);

  // Shelf
  await page.getByRole('link', { name: 'Shelf' }).click();
  const row = page.getByRole('region', { name: 'Harbour Test' });
  await expect(row.locator('[data-fact=left]')).toHaveText(
    `${report.ends[0]!.bottles.filled} of ${report.ends[0]!.bottles.filled} bottles left`,
  );
  await expect(row).toContainText('pH 3.44 measured');
  const shelf = (await (await page.request.get('/api/shelf')).json()) as BottlingRecord[];
  const bottling = shelf.find((b) => b.name === 'Harbour Test')!;
  await expect(row).toContainText(
    `${twoFigures(bottling.heat.dry.p10).toLocaleString('en')} to ${twoFigures(bottling.heat.dry.p90).toLocaleString('en')} SHU`,
  );
  await row.getByRole('button', { name: 'Open one' }).click();
  await expect(row.locator('[data-fact=left]')).toHaveText(
    `${report.ends[0]!.bottles.filled - 1} of ${report.ends[0]!.bottles.filled} bottles left`,
  );
  await page.keyboard.press('Control+z');
  await expect(row.locator('[data-fact=left]')).toHaveText(
    `${report.ends[0]!.bottles.filled} of ${report.ends[0]!.bottles.filled} bottles left`,
  );
});

test('the command and the page show the same numbers for the same file', async ({ page }) => {
  await page.goto('/batches');
  await upload(page, EXAMPLE);
  await expect(page.getByRole('heading', { name: 'Slipway Red', exact: true })).toBeVisible();
  await expect(page.locator('[data-mass=bottle]')).toBeVisible();
  const today = await page.evaluate(() => new Date(Date.now() - new Date().getTimezoneOffset() * 60_000).toISOString().slice(0, 10));
  const root = fileURLToPath(new URL('..', import.meta.url));
  const out = execFileSync(process.execPath, ['scripts/line.mjs', EXAMPLE, '--json', '--today', today], { cwd: root, encoding: 'utf8' });
  const report = JSON.parse(out) as LineReport;
  for (const s of report.stations) {
    await expect(page.locator(`[data-mass=${s.id}]`)).toHaveText(`${whole(s.planned.massG)} g, ${whole(s.now.massG)} g`);
    const band = s.band.heatShu!;
    const figures = [band.p10, band.p90].map((x) => twoFigures(x).toLocaleString('en')).join(' to ');
    await expect(page.locator(`[data-cell=${s.id}-heatShu]`)).toContainText(figures);
    await expect(page.locator(`[data-cell=${s.id}-heatShu]`)).toContainText(twoFigures(s.now.heatShu).toLocaleString('en'));
    await expect(page.locator(`[data-cell=${s.id}-saltPct]`)).toContainText(s.now.saltPct.toFixed(1));
    await expect(page.locator(`[data-cell=${s.id}-pH]`)).toContainText(`${s.band.pH!.p10.toFixed(1)} to ${s.band.pH!.p90.toFixed(1)}`);
  }
  await expect(page.locator('[data-fact=odds]')).toHaveText(oddsText(report.ends[0]!.odds));
});

test('a batch goes out as a file that can be read again', async ({ page }) => {
  const id = await importExample(page, 'Out And Back');
  await page.goto(`/batches/${id}`);
  await expect(page.locator('[data-mass=bottle]')).toBeVisible();
  const exporting = async () => {
    await page.getByRole('button', { name: 'More' }).click();
    await page.getByText('Export the file').click();
  };
  const [download] = await Promise.all([page.waitForEvent('download'), exporting()]);
  expect(download.suggestedFilename()).toBe('out-and-back.json');
  const checked = checkBatchFile(JSON.parse(readFileSync(await download.path(), 'utf8')));
  if (!checked.ok) throw new Error(JSON.stringify(checked.errors));
  const { record } = await stored(page, id);
  expect(checked.file).toEqual(record.file);
  // As a Recipe it is a list again, for whoever pastes it.
  const asRecipe = async () => {
    await page.getByRole('button', { name: 'More' }).click();
    await page.getByText('Save as a Recipe (JSON-LD)').click();
  };
  const [recipe] = await Promise.all([page.waitForEvent('download'), asRecipe()]);
  const text = readFileSync(await recipe.path(), 'utf8');
  expect(JSON.parse(text)).toMatchObject({ '@type': 'Recipe', name: 'Out And Back' });
  await page.goto('/batches');
  await page.goto('/batches/from-a-recipe');
  await page.getByLabel(/The recipe: text/).fill(text);
  const pasted = (JSON.parse(text) as { recipeIngredient: string[] }).recipeIngredient;
  await expect(page.getByLabel(/The recipe: text/)).toHaveValue(new RegExp(`^Out And Back\\n${pasted[0]!}`));
  // Its own line comes back out of its own words.
  await expect(page.locator('[data-step]')).toHaveCount(7);
  await expect(page.getByLabel('Name')).toHaveValue('Out And Back');
});

test('every number answers why', async ({ page }) => {
  const id = await importExample(page, 'Why Batch');
  await page.goto(`/batches/${id}?at=strain`);
  await page.locator('[data-prop=heatShu]').click();
  const sheet = page.getByRole('dialog');
  await expect(sheet).toContainText('Why? Heat after strain');
  await expect(sheet).toContainText('weighed: 860 g');
  await expect(sheet).toContainText('42 thousand SHU dry');
  // What it hangs on, worked out, what matters most first; and where one goes to know it better.
  const hangs = sheet.getByRole('region', { name: 'What it hangs on' });
  const first = hangs.locator('[data-hang]').first();
  await expect(first).toContainText(/^how hot Red cayenne is: about (half|[5-9] in 10) of the doubt/, { timeout: 60_000 });
  await expect(hangs).toContainText('how the jar sours');
  // The weight of what was strained is known.
  await sheet.locator('.pill', { hasText: 'Mass' }).click();
  await expect(hangs.getByText('On nothing that is not known.')).toBeVisible({ timeout: 60_000 });
  await sheet.locator('.pill', { hasText: 'Heat' }).click();
  await first.getByRole('link', { name: 'Go there' }).click();
  await expect(page).toHaveURL(/\/pods\?lot=/);
});
