import { DemoServer } from './server';
import { gramsIn, line, expect, importExample, pick, station, stored, test, type, upload } from './test';

test('numbers that cannot be are answered at the field and nothing is lost', async ({ page }) => {
  const id = await importExample(page, 'Bad Numbers');
  await page.goto(`/batches/${id}?at=salt`);
  const jar = page.getByLabel('Jar, ml');
  await type(page, 'Jar, ml', '0');
  await expect(page.getByText('The jar size must be between 50 and 50,000 ml.')).toBeVisible();
  await expect(jar).toHaveValue('0');
  await type(page, 'Salt, %', '-4');
  await expect(page.getByText('The salt must be between 0 and 40 %.')).toBeVisible();
  await type(page, 'Salt, %', 'a lot');
  await expect(page.getByText('The salt must be a number in %.')).toBeVisible();
  await type(page, 'Jars', '');
  await expect(page.getByText('Jars is empty. Type a number.')).toBeVisible();
  // Too small for the pods: the line says so and names the field
  await type(page, 'Jar, ml', '500');
  await expect(page.getByText(/The line stops here/)).toBeVisible();
  await expect(page.getByRole('alert').filter({ hasText: 'more room in each jar' }).first()).toBeVisible();
  await type(page, 'Jar, ml', '1600');
  await expect(page.getByText(/The line stops here/)).toHaveCount(0);
  const { record } = await stored(page, id);
  expect((line(record.file)[1]!.params as { jarMl: number }).jarMl).toBe(1600);
});

test('pH 15, a date before the start, more than went in', async ({ page }) => {
  const id = await importExample(page, 'Bad Readings');
  await page.goto(`/batches/${id}?at=ferment`);
  await page.getByRole('button', { name: 'Log a reading' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('pH', { exact: true }).fill('15');
  await sheet.getByLabel('pH', { exact: true }).press('Tab');
  await expect(sheet.getByText('The pH must be between 1.5 and 9.')).toBeVisible();
  // With a mistake in a field nothing is saved, and the field has the keyboard.
  await sheet.getByRole('button', { name: 'Save the reading' }).click();
  await expect(sheet.getByLabel('pH', { exact: true })).toBeFocused();
  await sheet.getByLabel('pH', { exact: true }).fill('');
  await sheet.getByRole('button', { name: 'Save the reading' }).click();
  await expect(sheet.getByText('A reading needs a pH, a temperature, or something that was seen.')).toBeVisible();
  await sheet.getByLabel('pH', { exact: true }).fill('4.2');
  await sheet.getByLabel('Day', { exact: true }).fill('1 Jan 2026');
  await sheet.getByLabel('Day', { exact: true }).press('Tab');
  await sheet.getByRole('button', { name: 'Save the reading' }).click();
  await expect(sheet.getByText(/A reading cannot be older/)).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);

  await station(page, 'Prep');
  await type(page, 'Done on', '1 Oct 2026');
  await expect(page.getByText(/Prep cannot be done on 1 Oct: the batch was started on 12 Oct/).first()).toBeVisible();
  await type(page, 'Done on', '12/10/2026');
  await station(page, 'Strain');
  await type(page, 'What passed, weighed, g', '9000');
  await expect(page.getByRole('alert').filter({ hasText: 'More came out than went in' }).first()).toBeVisible();
  await type(page, 'What passed, weighed, g', '850');
  const { report } = await stored(page, id);
  expect(report.stations[5]!.now.massG).toBeCloseTo(850, 6);
});

test('kitchen words that cannot be weighed ask instead of guessing', async ({ page }) => {
  const id = await importExample(page, 'Bad Words');
  await page.goto(`/batches/${id}?at=blend`);
  await type(page, 'Garlic, raw, amount', '3 bananas');
  await expect(page.getByText(/How much is bananas\? Say grams instead, or clove, head\./)).toBeVisible();
  await type(page, 'Garlic, raw, amount', '-2 cloves');
  await expect(page.getByText('An amount cannot be negative.')).toBeVisible();
  await type(page, 'Garlic, raw, amount', '10 kg');
  await expect(
    page
      .getByRole('alert')
      .filter({ hasText: /So much .* is \d+ times the rest of it. Check the amount./ })
      .first(),
  ).toBeVisible();
  await expect(page.getByLabel('Garlic, raw, amount')).toHaveValue('10 kg');
  await type(page, 'Garlic, raw, amount', '3 cloves');
  await pick(page, 'Add what goes in', 'Salt, fine');
  await type(page, 'Salt, fine / table / pickling, amount', '1 kg');
  await expect(
    page
      .getByRole('alert')
      .filter({ hasText: /This makes it \d+ % salt/ })
      .first(),
  ).toBeVisible();
  await type(page, 'Salt, fine / table / pickling, amount', '1 tsp');
  const { record } = await stored(page, id);
  const jug = line(record.file)[4]!;
  // A metric teaspoon of 5 ml at 292 g per US cup of 236.588 ml.
  expect(gramsIn(jug, 'salt_fine')).toBeCloseTo((5 * 292) / 236.5882365, 3);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByLabel('Salt, fine / table / pickling, amount')).toHaveValue('1 kg');
  await expect(page.getByLabel('Garlic, raw, amount')).toHaveValue('3 cloves');
});

test('a file that is no batch is refused with a reason', async ({ page }) => {
  await page.goto('/batches');
  const give = (name: string, text: string) => upload(page, { name, mimeType: 'application/json', buffer: Buffer.from(text) });
  await give('notes.json', 'salt and pods');
  await expect(page.getByText('notes.json is not JSON. Choose a batch file that was exported from Roskel.')).toBeVisible();
  await give('other.json', '{"format":"other"}');
  await expect(page.getByText(/other.json cannot be read: This is not a Roskel batch file/)).toBeVisible();
});

test('two windows on one batch: other fields come together, the same one is asked, neither loses anything', async ({
  page,
  browser,
  baseURL,
}) => {
  const id = await importExample(page, 'Two Windows');
  const tablet = await browser.newContext({ baseURL: baseURL! });
  const other = await tablet.newPage();
  await page.goto(`/batches/${id}?at=ferment`);
  // The other window hears nothing of the first one's change, as on a sleeping tablet
  await other.route('**/api/events*', (r) => r.abort());
  await other.goto(`/batches/${id}?at=ferment`);
  await expect(other.getByLabel('Days', { exact: true })).toHaveValue('14');
  await type(page, 'Days', '20');
  await stored(page, id);
  await type(other, 'Temperature, °C', '18');
  await expect(other.getByText('Brought together with what another window changed.')).toBeVisible();
  await expect(other.getByLabel('Days', { exact: true })).toHaveValue('20');
  expect(line((await stored(other, id)).record.file)[2]!.params).toMatchObject({ tempC: 18, days: 20 });
  // The first window is told and follows
  await expect(page.getByLabel('Temperature, °C')).toHaveValue('18');

  await type(page, 'Days', '16');
  await stored(page, id);
  await type(other, 'Days', '9');
  const asked = other.getByRole('dialog', { name: 'Changed in two windows' });
  await expect(asked).toContainText('9');
  await expect(asked).toContainText('16');
  await expect(asked.getByRole('button', { name: 'Go on with these' })).toBeDisabled();
  await asked.getByText('from the other window').click();
  await asked.getByRole('button', { name: 'Go on with these' }).click();
  await expect(other.getByLabel('Days', { exact: true })).toHaveValue('16');
  expect(line((await stored(other, id)).record.file)[2]!.params).toMatchObject({ tempC: 18, days: 16 });
  await tablet.close();
});

test('the server stops while typing: the work is kept and stored when it is back', async ({ browser }) => {
  // It starts a server three times.
  test.slow();
  const own = new DemoServer(4900);
  const base = await own.start();
  const page = await (await browser.newContext({ baseURL: base })).newPage();
  try {
    const id = await importExample(page, 'Power Cut');
    await page.goto(`/batches/${id}?at=ferment`);
    await expect(page.getByLabel('Days', { exact: true })).toHaveValue('14');
    await own.stop();
    await type(page, 'Days', '11');
    await expect(page.getByText(/Not stored yet: the server does not answer/)).toBeVisible();
    await own.start();
    await expect(page.getByText('Saved', { exact: true })).toBeVisible({ timeout: 20_000 });
    const { record } = await stored(page, id);
    expect(line(record.file)[2]!.params).toMatchObject({ days: 11 });
    // Even when the window is closed in between
    await own.stop();
    await type(page, 'Days', '12');
    await expect(page.getByText(/Not stored yet/)).toBeVisible();
    await own.start();
    await page.reload();
    await expect(page.getByLabel('Days', { exact: true })).toHaveValue('12');
    expect(line((await stored(page, id)).record.file)[2]!.params).toMatchObject({ days: 12 });
  } finally {
    await page.context().close();
    await own.end();
  }
});

test('a form with a mistake in it keeps nothing, and nothing typed is lost', async ({ page }) => {
  const lots = async () => ((await (await page.request.get('/api/pods')).json()) as unknown[]).length;
  await page.goto('/pods');
  const before = await lots();
  await page.getByRole('button', { name: 'Add a lot' }).click();
  const amount = page.getByLabel('How much', { exact: true });
  await amount.fill('-3');
  await page.getByRole('button', { name: 'Add the lot' }).click();
  await expect(page.getByText('An amount cannot be negative.')).toBeVisible();
  await expect(amount).toBeFocused();
  await amount.press('Enter');
  await expect(amount).toHaveValue('-3');
  expect(await lots()).toBe(before);
  await amount.fill('300 g');
  await page.getByRole('button', { name: 'Add the lot' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  expect(await lots()).toBe(before + 1);
  await page.getByRole('button', { name: 'Undo' }).click();
  // The same for a button that is not the form's own: an old good amount must not be moved in place of a bad new one.
  await page.getByRole('button', { name: /^Fresno/ }).click();
  await page.locator('[data-name=stock]').click();
  const moved = page.getByLabel('Amount', { exact: true });
  await moved.fill('50 g');
  await moved.press('Tab');
  await moved.fill('lots');
  await moved.press('Tab');
  await expect(page.getByText('"lots" has no number.')).toBeVisible();
  await page.getByRole('button', { name: 'Used' }).click();
  await expect(moved).toBeFocused();
  await expect(page.getByRole('heading', { name: 'Stock 340 g' })).toBeVisible();
});

test('eight windows of one browser all load and stay in step; where the one that listens is closed, the next one does', async ({
  page,
  context,
}) => {
  const id = await importExample(page, 'Eight Windows');
  const windows = [page, ...(await Promise.all(Array.from({ length: 7 }, () => context.newPage())))];
  for (const w of windows) {
    await w.goto(`/batches/${id}?at=ferment`);
    await expect(w.getByLabel('Days', { exact: true })).toHaveValue('14');
  }
  await type(windows[7]!, 'Days', '19');
  for (const w of windows) await expect(w.getByLabel('Days', { exact: true })).toHaveValue('19');
  await windows[0]!.close();
  await type(windows[3]!, 'Days', '23');
  for (const w of windows.slice(1)) await expect(w.getByLabel('Days', { exact: true })).toHaveValue('23');
});
