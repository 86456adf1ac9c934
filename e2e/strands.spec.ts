import type { BatchRecord } from '@roskel/contract';
import { addStation, doubleStation, prepareApart, reportLine, shareOut, stationsOf, type BatchFile } from '@roskel/core';
import { expect, importExample, line, stored, test } from './test';
import type { Page } from '@playwright/test';

const whole = (x: number) => Math.round(x).toLocaleString('en').replace(/,/g, ',');

/** Chooses a station by the keyboard: its number. */
async function go(page: Page, n: number, name: string) {
  await page.keyboard.press(String(n));
  await expect(page.getByRole('region', { name: 'Steps' })).toContainText(`at ${name}`);
}
/** What is on the page is what core makes of the batch as it is stored. */
async function agrees(page: Page, id: string): Promise<BatchFile> {
  const { record, report } = await stored(page, id);
  for (const s of report.stations) await expect(page.locator(`[data-mass="${s.id}"]`)).toContainText(`${whole(s.now.massG)} g`);
  expect(report.ends.length).toBe(record.file.strands.filter((s) => s.goal).length);
  return record.file;
}

test('the line is changed with the keyboard alone: doubled, prepared apart, shared out, taken back', async ({ page }) => {
  const id = await importExample(page, 'Keys Only', true);
  await page.goto(`/batches/${id}`);
  await expect(page.locator('[data-mass=bottle]')).toBeVisible();
  const before = (await stored(page, id)).record.file;
  await page.keyboard.press('l');
  const bar = page.getByRole('region', { name: 'Steps' });
  await expect(bar).toBeVisible();

  // Blend twice.
  await go(page, 5, 'Blend');
  await page.keyboard.press('d');
  await expect(bar).toContainText('Blend doubled:');
  let file = await agrees(page, id);
  expect(line(file).map((s) => s.kind)).toEqual(['prep', 'salt', 'ferment', 'drain', 'blend', 'blend', 'strain', 'bottle']);
  expect(line(file)).toEqual(line(doubleStation(before, 'blend')));

  // The garlic apart.
  await go(page, 5, 'Blend');
  await page.keyboard.press('p');
  const sheet = page.getByRole('dialog');
  await expect(sheet).toBeVisible();
  const garlic = sheet.getByRole('checkbox', { name: /Garlic/ });
  await garlic.focus();
  await page.keyboard.press('Space');
  await expect(garlic).toBeChecked();
  await sheet.getByRole('button', { name: 'Prepare apart' }).focus();
  await page.keyboard.press('Enter');
  await expect(bar).toContainText('Prepared apart:');
  file = await agrees(page, id);
  const wanted = prepareApart(doubleStation(before, 'blend'), 'blend', ['garlic'], 'Garlic');
  expect(file.strands.map((s) => s.stations.map((e) => e.kind))).toEqual(wanted.strands.map((s) => s.stations.map((e) => e.kind)));
  await expect(page.getByRole('group', { name: 'Parts' })).toContainText('Garlic');

  // Two bowls.
  await page.keyboard.press('o');
  await expect(page.getByRole('dialog', { name: /Share out/ })).toBeVisible();
  await page.getByLabel('Bowls').focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('3');
  await page.keyboard.press('Enter');
  await expect(bar).toContainText('3 sauces instead of 1');
  file = await agrees(page, id);
  const all = shareOut(wanted, 'main', 3);
  const masses = (f: BatchFile) => reportLine(f, { today: '2026-11-25', members: 60 }).ends.map((e) => Math.round(e.finished.massG * 10));
  expect(masses(file)).toEqual(masses(all));

  // The vinegar into the jar: what, then where, each by its list. The garlic's own prep is the fifth now.
  await go(page, 6, 'Blend');
  await page.keyboard.press('i');
  await expect(page.getByRole('combobox', { name: 'Put elsewhere, what' })).toBeFocused();
  for (const key of ['Enter', 'Enter']) await page.keyboard.press(key);
  await expect(page.getByRole('combobox', { name: 'Put elsewhere, where' })).toBeFocused();
  for (const key of ['Enter', 'ArrowDown', 'Enter']) await page.keyboard.press(key);
  await expect(bar).toContainText('An ingredient moved:');
  file = await agrees(page, id);
  expect(
    line(file)
      .find((s) => s.kind === 'salt')!
      .intakes.map((i) => i.id),
  ).toEqual(['vinegar_cider']);

  // Step by step back to what it was.
  for (let n = 0; n < 4; n++) await page.keyboard.press('Control+z');
  await expect.poll(async () => stationsOf((await stored(page, id)).record.file).length).toBe(7);
  expect((await stored(page, id)).record.file).toEqual(before);
});

test('nonsense is refused with a reason and a way out, and nothing is lost', async ({ page }) => {
  const id = await importExample(page, 'Nonsense');
  await page.goto(`/batches/${id}`);
  await expect(page.locator('[data-mass=bottle]')).toBeVisible();
  const before = (await stored(page, id)).record;
  await page.keyboard.press('l');
  const bar = page.getByRole('region', { name: 'Steps' });
  await go(page, 7, 'Bottle');
  await page.keyboard.press('x');
  await expect(bar.getByRole('alert')).toContainText(/ends in these bottles.*share out into bowls/);
  await page.keyboard.press('d');
  await expect(bar.getByRole('alert')).toContainText(/Share out into bowls/);
  await page.keyboard.press('m');
  await expect(bar.getByRole('alert')).toContainText(/stands at the end of its strand already/);
  await go(page, 1, 'Prep');
  await page.keyboard.press('n');
  await expect(bar.getByRole('alert')).toContainText(/beginning of its strand/);
  expect((await stored(page, id)).record).toEqual(before);
});

test('an ingredient is dragged onto another station of the picture, and a strand is read along by a click', async ({ page }) => {
  const id = await importExample(page, 'Dragged');
  await page.goto(`/batches/${id}?at=blend`);
  await page.getByRole('button', { name: 'Steps' }).click();
  // What is to be bought is told once the stores are known, and moves the page down: only then things stay where they are.
  await expect(page.getByRole('button', { name: /^to buy: / })).toBeVisible();
  await expect(page.locator('.change-thing', { hasText: 'Garlic' })).toBeVisible();
  // What comes in late (figures, what is short) moves the page: a drag that took hold of nothing is tried again.
  await expect(async () => {
    await page.locator('.change-thing', { hasText: 'Garlic' }).hover();
    await page.mouse.down();
    const to = (await page.locator('[data-column=salt]').boundingBox())!;
    await page.mouse.move(to.x + to.width / 2, to.y + 100, { steps: 8 });
    await page.mouse.up();
    await expect(page.getByRole('region', { name: 'Salt & pack: worksheet' })).toBeVisible({ timeout: 3000 });
  }).toPass();
  const { record } = await stored(page, id);
  expect(line(record.file)[1]!.intakes.map((i) => i.id)).toEqual(['garlic']);
  expect(line(record.file)[4]!.intakes.map((i) => i.id)).toEqual(['vinegar_cider']);
});

test('a station is dragged in the picture and in the list of a phone; the mark shows where; what is done is not passed', async ({
  page,
}) => {
  const id = await importExample(page, 'Shifted', true);
  const kinds = async () => line((await stored(page, id)).record.file).map((e) => e.kind);
  const drag = async (from: string, to: string, where: number, down = false) => {
    const [a, b] = [(await page.locator(from).boundingBox())!, (await page.locator(to).boundingBox())!];
    await page.mouse.move(a.x + a.width / 2, a.y + a.height / 2);
    await page.mouse.down();
    const [x, y] = down ? [b.x + b.width / 2, b.y + b.height * where] : [b.x + b.width * where, b.y + 20];
    await page.mouse.move(x, y, { steps: 8 });
    await expect(page.locator('[data-fact=aim], .aim-before, .aim-after')).toHaveCount(1);
    await page.mouse.up();
  };
  await page.goto(`/batches/${id}?at=blend`);
  await page.getByRole('button', { name: 'Steps' }).click();
  await expect(page.getByRole('button', { name: /^to buy: / })).toBeVisible();
  await drag('[data-picker=strain]', '[data-picker=drain]', 0.2);
  await expect(page.locator('[data-fact=change]')).toContainText('Strain moved:');
  expect(await kinds()).toEqual(['prep', 'salt', 'ferment', 'strain', 'drain', 'blend', 'bottle']);
  await page.keyboard.press('Control+z');
  expect(await kinds()).toEqual(['prep', 'salt', 'ferment', 'drain', 'blend', 'strain', 'bottle']);
  // By key: chosen, then behind which.
  await page.locator('[data-picker=strain]').click();
  await page.keyboard.press('v');
  await page.keyboard.press('Enter');
  await page.locator('.n-base-select-option').filter({ hasText: 'Drain' }).click();
  expect(await kinds()).toEqual(['prep', 'salt', 'ferment', 'drain', 'strain', 'blend', 'bottle']);

  await page.setViewportSize({ width: 390, height: 844 });
  await drag('[data-handle=strain]', '[data-row=blend]', 0.8, true);
  expect(await kinds()).toEqual(['prep', 'salt', 'ferment', 'drain', 'blend', 'strain', 'bottle']);
  // Bottles in the middle end nothing, and the salted jar is not packed twice: a sentence, nothing lost.
  await drag('[data-handle=bottle]', '[data-row=drain]', 0.2, true);
  await expect(page.getByRole('region', { name: 'Steps' }).getByRole('alert')).toContainText(/ends nowhere/);
  expect(await kinds()).toEqual(['prep', 'salt', 'ferment', 'drain', 'blend', 'strain', 'bottle']);
});

test('brine that one batch leaves goes into another, with its past, and out of what is kept', async ({ page }) => {
  const own = { 'X-Roskel': '1' };
  const first = (await (await page.request.get('/api/batches/slipway-red-2')).json()) as BatchRecord;
  await page.goto('/batches/slipway-red-2?at=drain');
  await page.getByRole('button', { name: /^Keep \d+ g for another batch/ }).click();
  await expect(page.getByRole('link', { name: `Brine of ${first.file.name}` })).toBeVisible();
  // Other tests keep things too: this one is told by what it is of.
  type Kept = { id: string; stuff: { name: string; past: { ferment: string } }; promised: { g: number }[] };
  const brine = async () =>
    ((await (await page.request.get('/api/stored')).json()) as Kept[]).find((k) => k.stuff.name === `Brine of ${first.file.name}`)!;
  const kept = await brine();
  expect(kept.stuff.past.ferment).toBe('acid');
  const id = await importExample(page, 'Takes Brine');
  await page.goto(`/batches/${id}?at=blend`);
  await page.getByRole('combobox', { name: 'Add what goes in' }).click();
  await page.getByRole('combobox', { name: 'Add what goes in' }).fill('Brine of');
  await page.locator('.n-base-select-option', { hasText: `Brine of ${first.file.name}` }).click();
  const amount = page.getByLabel(`Brine of ${first.file.name}, amount`);
  await amount.fill('60 g');
  await amount.press('Tab');
  const { record, report } = await stored(page, id);
  expect(record.file.stored.map((s) => s.id)).toEqual([kept.id]);
  expect(report.stations.find((s) => s.id === 'blend')!.enters.grams[kept.id]).toBeCloseTo(60, 9);
  const { promised } = await brine();
  expect(promised.map((p) => p.g)).toEqual([60]);
  await page.request.delete(`/api/batches/${id}`, { headers: own });
});

test('a line with fourteen stations, three strands that flow in and four bowls stays readable; on a phone it is a list', async ({
  page,
}) => {
  const id = await importExample(page, 'Large');
  let { record } = await stored2(page, id);
  let file = record.file;
  file = prepareApart(file, 'blend', ['garlic'], 'Garlic', 'char');
  file = prepareApart(file, 'prep', ['pointed'], 'Sweet pods', 'prep');
  file = prepareApart(file, 'blend', ['vinegar_cider'], 'Vinegar', 'prep');
  file = shareOut(file, 'main', 4);
  file = addStation(file, 'strain', { stationId: 'strain', where: 'after' });
  const changes = await import('@roskel/core').then((c) => c.changesBetween(record.file, file));
  const done = await page.request.patch(`/api/batches/${id}`, {
    data: { revision: record.revision, changes },
    headers: { 'X-Roskel': '1' },
  });
  expect(done.status()).toBe(200);
  await page.goto(`/batches/${id}`);
  const picture = page.locator('.line-view svg');
  await expect(picture).toBeVisible();
  // No two labels of the picture lie on one another.
  const boxes = await picture.evaluate((svg) =>
    [...svg.querySelectorAll('text')]
      .filter((t) => t.textContent!.trim() !== '' && !t.classList.contains('plan'))
      .map((t) => ({ text: t.textContent!.trim(), r: t.getBoundingClientRect() }))
      .map(({ text, r }) => ({ text, x: r.x, y: r.y + 2, w: r.width, h: r.height - 5 })),
  );
  const over = boxes.flatMap((a, i) =>
    boxes
      .slice(i + 1)
      .flatMap((b) => (a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h ? [`${a.text} | ${b.text}`] : [])),
  );
  expect(over).toEqual([]);
  await page.getByRole('group', { name: 'Parts' }).getByRole('button', { name: 'Garlic' }).click();
  await expect(page.getByRole('region', { name: 'Char: worksheet' })).toBeVisible();
  await page.setViewportSize({ width: 390, height: 844 });
  await expect(page.locator('.line-view svg')).toHaveCount(0);
  await page.locator('[data-row=strain]').getByRole('button').click();
  await expect(page.getByRole('region', { name: 'Strain: worksheet' })).toBeVisible();
  ({ record } = await stored2(page, id));
  expect(stationsOf(record.file)).toHaveLength(18);
});

/** The batch as stored, without a page that shows it. */
async function stored2(page: Page, id: string): Promise<{ record: BatchRecord }> {
  return { record: (await (await page.request.get(`/api/batches/${id}`)).json()) as BatchRecord };
}
