import { readFileSync } from 'node:fs';
import { addDays, costOf, mainEnd, mapStations, podUses, reportLine, stationIn } from '@roskel/core';
import { changeStored, expect, importExample, more, pick, stored, test, type } from './test';

const read = (text: string | null) => Number(/[\d,]+(?:\.\d+)?/.exec(text ?? '')![0].replaceAll(',', ''));

test('made again after it was weighed: more goes in for as much sauce, and why; left out it does not; undo takes it back', async ({
  page,
}) => {
  const id = await importExample(page, 'Breakwater', true);
  await page.goto(`/batches/${id}`);
  const { record, report } = await stored(page, id);
  const planned = report.stations.find((s) => s.kind === 'strain')!.planned.massG;
  const weighed = mapStations(record.file, (s) => ({
    ...s,
    log: { doneOn: record.file.startDate, ...(s.kind === 'strain' ? { massG: Math.round(planned * 0.8) } : {}) },
  }));
  await changeStored(page, record, weighed);
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  await page.keyboard.press('m');
  const sheet = page.getByRole('dialog', { name: 'Make it again' });
  await expect(sheet.getByLabel('Name', { exact: true })).toHaveValue('Breakwater no. 2');
  const lesson = sheet.locator('[data-lesson]').filter({ hasText: 'the sieve held back' });
  await expect(lesson).toBeVisible({ timeout: 20_000 });
  await expect(sheet.locator('[data-reason]').filter({ hasText: 'more goes in for as much sauce' })).toBeVisible();
  const figure = (name: string, n: number) => sheet.locator(`[data-figure="${name}"] td`).nth(n);
  const perPod = async (n: number) => read(await figure('Sauce', n).textContent()) / read(await figure('Pods', n).textContent());
  const [plan, now] = [await perPod(0), await perPod(2)];
  expect(now).toBeLessThan(plan * 0.97);
  // The lesson left out, the plan is the old one again.
  await lesson.click();
  await expect(async () => expect(await perPod(2)).toBeGreaterThan(now * 1.03)).toPass();
  await lesson.click();
  await expect(async () => expect(await perPod(2)).toBeCloseTo(now, 2)).toPass();
  await sheet.getByRole('button', { name: 'Begin it' }).click();
  await expect(page.getByRole('heading', { name: 'Breakwater no. 2', level: 1 })).toBeVisible();
  const again = (await stored(page, page.url().split('/batches/')[1]!.split('?')[0]!)).record;
  expect(again.file.strands.flatMap((s) => s.stations).every((s) => Object.keys(s.log).length === 0)).toBe(true);
  expect(podUses(again.file).reduce((s, u) => s + u.massG, 0)).toBeGreaterThan(0);
  // Side by side: the new one beside the one that was weighed.
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByText('Beside another batch', { exact: true }).click();
  await pick(page, 'Put beside it', 'Breakwater');
  await expect(page.locator('[data-cell="strain 1"]')).toContainText('planned');
  await expect(page.locator('[data-cell="strain 0"]')).toBeVisible();
  await page.getByRole('link', { name: 'Batches' }).first().click();
  await expect(page.getByRole('heading', { name: 'Batches', level: 1 })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(async () => {
    const rows = (await (await page.request.get('/api/batches')).json()) as { summary: { name: string } }[];
    expect(rows.some((r) => r.summary.name === 'Breakwater no. 2')).toBe(false);
  }).toPass();
});

test('what it costs: the bill is that of core and of a sum by hand; a price that is missing is named; beside a bought bottle', async ({
  page,
}) => {
  await page.goto('/batches');
  await page.getByRole('button', { name: 'Kitchen' }).click();
  const kitchen = page.getByRole('dialog', { name: 'Your kitchen' });
  await type(page, 'Price of a kWh', '0.30');
  await page.keyboard.press('Escape');
  await expect(kitchen).toHaveCount(0);
  await expect.poll(async () => ((await (await page.request.get('/api/settings')).json()) as { tariff: number }).tariff).toBe(0.3);
  await page.goto('/batches/slipway-red-2/cost');
  const bill = page.getByRole('region', { name: 'The bill' });
  await expect(bill).toContainText('no price');
  // A price is said where it is missed, and stands with the lot from then on.
  await expect(bill).toContainText('without 1 that have no price');
  await bill.locator('[data-cost="Red cayenne"]').getByRole('button', { name: 'no price: say it' }).click();
  await type(page, /^Red cayenne: price of a kg/, '9.5');
  await expect(bill).not.toContainText('no price');
  const kept = (await (await page.request.get('/api/pods')).json()) as { id: string; lot: { name: string }; pricePerKg: number | null }[];
  expect(kept.find((p) => p.lot.name === 'Red cayenne')!.pricePerKg).toBe(9.5);
  const larder = (await (await page.request.get('/api/larder')).json()) as {
    ingredientKey: string;
    packG: number | null;
    packPrice: number | null;
  }[];
  const pods = (await (await page.request.get('/api/pods')).json()) as { id: string; pricePerKg: number | null }[];
  const file = ((await (await page.request.get('/api/batches/slipway-red-2')).json()) as { file: Parameters<typeof costOf>[0] }).file;
  const report = reportLine(file, { today: file.startDate, forecast: false });
  const [cost] = costOf(file, report, {
    pods: (id) => {
      const p = pods.find((x) => x.id === id)?.pricePerKg ?? null;
      return p === null ? null : { perG: p / 1000, packG: null };
    },
    larder: (key) => {
      const l = larder.find((x) => x.ingredientKey === key);
      return l?.packG && l.packPrice !== null ? { perG: l.packPrice / l.packG, packG: l.packG } : null;
    },
    tariff: 0.3,
    hob: 'coil',
    bottle: () => 0.85,
    wholePacks: false,
  });
  await expect(page.locator('[data-fact=total]')).toHaveText(cost!.total.toFixed(2));
  // By hand: nine bottles at .85, and what its lines add up to.
  await expect(page.locator('[data-cost=bottles]')).toContainText('7.65');
  const lines = await page.locator('[data-cost] b').allTextContents();
  expect(lines.reduce((s, x) => s + Number(x), 0)).toBeCloseTo(cost!.total, 1);
  await expect(page.locator('[data-fact=per-100]')).toHaveText(cost!.per100!.toFixed(2));
  await page.getByText('Count whole packages').click();
  await expect(async () => expect(Number(await page.locator('[data-fact=total]').textContent())).toBeGreaterThan(cost!.total)).toPass();
  await type(page, 'It costs', '6');
  await expect(page.locator('[data-fact=beside]')).toContainText('For 100 ml: 4.00 bought');
});

test('the bottling run: a kind of bottle, a log that was too short, the own day, and the page of the bottles', async ({ page }) => {
  await page.goto('/batches/slipway-red-2?at=bottle');
  await more(page);
  const before = (await stored(page, 'slipway-red-2')).record;
  await expect(page.locator('[data-fact=keep]')).toContainText('cool cupboard');
  // 128 g of glass and what 95 ml weigh.
  await expect(page.getByText(/226 g with the glass/)).toBeVisible();
  await expect(page.locator('[data-filling]').first()).toBeVisible();
  await page.getByRole('button', { name: 'Add a temperature log' }).click();
  const sheet = page.getByRole('dialog', { name: 'How hot it was, and for how long' });
  await sheet.getByLabel(/a line each/).fill('min, °C\n0, 25\n6, 84\n10, 84\n12, 70');
  await expect(sheet.locator('[data-fact=verdict]')).toContainText('Too short');
  await sheet.getByRole('button', { name: 'Keep it with this batch' }).click();
  await expect(page.locator('[data-fact=heat]')).toContainText('Too short');
  await expect(page.locator('[data-fact=keep]')).not.toContainText('cool cupboard');
  await page.getByRole('region', { name: 'Warnings' }).getByRole('button').click();
  await expect(page.getByRole('dialog', { name: 'What to mind' }).getByText('Not heated through')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'The temperature log' }).click();
  await sheet.getByLabel(/a line each/).fill('min, °C\n0, 25\n6, 84\n18, 84\n22, 70');
  await sheet.getByRole('button', { name: 'Keep it with this batch' }).click();
  await expect(page.locator('[data-fact=heat]')).toContainText('Hot enough');
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  const { record } = await stored(page, 'slipway-red-2');
  expect(stationIn(record.file, mainEnd(record.file).stations.at(-1)!.id)!.log.heat).toHaveLength(4);
  // The own day: an earlier one rules shelf and label, a later one is kept beside the table's.
  const ownDay = addDays(record.file.strands[0]!.stations.at(-1)!.log.doneOn!, 40);
  await type(page, 'Your own last day', ownDay);
  await expect(page.locator('[data-fact=own]')).toContainText('go by your day');
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  const useBy = async () =>
    ((await (await page.request.get('/api/shelf')).json()) as { id: string; useBy: string }[]).find((b) => b.id === 'slipway-red-2')!.useBy;
  await expect(async () => expect(await useBy()).toBe(ownDay)).toPass();
  await type(page, 'Your own last day', addDays(ownDay, 900));
  await expect(page.locator('[data-fact=own]')).toContainText('Kept as yours');
  await expect(async () => expect((await useBy()) > ownDay && (await useBy()) < addDays(ownDay, 200)).toBe(true)).toPass();
  // Into the freezer: it stands there, and no later than the table says.
  const tableDay = await useBy();
  await type(page, 'In the freezer since', addDays(ownDay, -40));
  await expect(async () => {
    const all = (await (await page.request.get('/api/shelf')).json()) as { id: string; place: string; useBy: string }[];
    expect(all.find((b) => b.id === 'slipway-red-2')).toMatchObject({ place: 'freezer', useBy: tableDay });
  }).toPass();
  // The shelf's page of these bottles: numbers, a word on them, what became of them.
  await page.goto('/shelf');
  await page.locator('[data-standing=slipway-red-2]').click();
  await expect(page.getByRole('heading', { name: 'Slipway Red no. 2', level: 1 })).toBeVisible();
  await expect(page.getByRole('img', { name: 'Label of Slipway Red no. 2' })).toContainText('95 ml');
  await type(page, 'How it is, in your words', 'bright, a little sharp');
  const left = read(await page.locator('[data-fact=left]').textContent());
  await page.getByRole('button', { name: 'Give away' }).click();
  const giving = page.getByRole('dialog', { name: /^Give away/ });
  await type(page, 'Bottles', '900');
  await expect(giving).toContainText(/must be|between|at most/);
  await type(page, 'Bottles', '1');
  await type(page, 'To whom', 'the neighbours');
  await giving.getByRole('button', { name: 'Give away' }).click();
  await expect(giving).toHaveCount(0);
  await expect(page.locator('[data-fact=moves]')).toContainText('to the neighbours');
  await expect(page.locator('[data-fact=left]')).toContainText(`${left - 1} of`);
  await expect(page.locator('[data-fact=moves]')).toContainText('1 bottle given away');
  await page.keyboard.press('Control+z');
  await expect(page.locator('[data-fact=left]')).toContainText(`${left} of`);
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  const noted = (await stored(page, 'slipway-red-2')).record;
  expect(noted.file.strands[0]!.stations.at(-1)!.log.note).toBe('bright, a little sharp');
  await changeStored(page, noted, before.file);
});

test('pH work: what it takes on the Bench and at a station; a meter that is calibrated counts as one, a worn one as a strip', async ({
  page,
}) => {
  await page.goto('/bench/ph');
  await expect(page.locator('[data-way=vinegar_distilled_5]')).toContainText(/\d+ g/);
  const lime = read(await page.locator('[data-way=lime_juice] .amount').textContent());
  const vinegar = read(await page.locator('[data-way=vinegar_distilled_5] .amount').textContent());
  expect(lime).toBeLessThan(vinegar);
  await type(page, 'To reach pH', '2.6');
  await expect(page.locator('[data-way=vinegar_distilled_5]')).toContainText('cannot');
  await type(page, 'Measured pH', '3.4');
  await type(page, 'To reach pH', '3.5');
  await expect(page.locator('[data-fact=there]')).toContainText('there already');
  await pick(page, 'It is', 'pieces in liquid');
  await expect(page.locator('[data-fact=even]')).toContainText('24 hours');
  // A pen is calibrated: mixed-up buffers are refused, a worn electrode is called so.
  await page.goto('/larder/tools');
  await page.getByRole('button', { name: /^Copy Green pen/ }).click();
  await type(page, 'Name', 'Red pen');
  await type(page, /In the buffer of 7/, '170');
  await type(page, /In the buffer of 4/, '-4');
  await page.getByRole('button', { name: 'Take this calibration' }).click();
  await expect(page.getByRole('alert')).toContainText('which buffer is which');
  await type(page, /In the buffer of 7/, '2');
  await type(page, /In the buffer of 4/, '140');
  await page.getByRole('button', { name: 'Take this calibration' }).click();
  await expect(page.locator('[data-fact=meter]')).toContainText('strip');
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  const id = await importExample(page, 'Pen Test', true);
  await page.goto(`/batches/${id}?at=strain`);
  await type(page, 'Measured pH', '3.5');
  await pick(page, 'With a', 'Green pen');
  await expect(page.locator('[data-fact=calibration]')).toContainText('Green pen: calibrated');
  const log = async () => stationIn((await stored(page, id)).record.file, 'strain')!.log;
  expect(await log()).toMatchObject({ pH: 3.5, instrument: 'meter', by: { name: 'Green pen' } });
  await pick(page, 'With a', 'Red pen');
  await expect(page.locator('[data-fact=calibration]')).toContainText('strip');
  expect(await log()).toMatchObject({ instrument: 'strip', by: { name: 'Red pen' } });
  await page.getByRole('button', { name: 'Make it sourer or thinner' }).click();
  const sheet = page.getByRole('dialog', { name: 'Make it sourer or thinner' });
  await type(page, 'To reach pH', '3.2');
  await expect(sheet.locator('[data-way=lime_juice]')).toContainText(/\d+ g/);
  await page.keyboard.press('Escape');
  // Papers of the batch.
  for (const [what, name] of [
    ['Save the bench sheet, PDF', 'pen-test-sheet.pdf'],
    ['Save as a recipe card, PDF', 'pen-test-card.pdf'],
  ] as const) {
    await page.getByRole('button', { name: 'More', exact: true }).click();
    const [download] = await Promise.all([page.waitForEvent('download'), page.getByText(what, { exact: true }).click()]);
    expect(download.suggestedFilename().toLowerCase()).toBe(name);
    expect(
      readFileSync(await download.path())
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-');
  }
});
