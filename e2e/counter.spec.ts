import { stationIn } from '@roskel/core';
import { changeStored, expect, importExample, pick, stored, test } from './test';

const read = (text: string | null) => {
  const [m, s] = /(\d+):(\d\d)$/
    .exec(text ?? '')!
    .slice(1)
    .map(Number);
  return m! * 60 + s!;
};

test('at the counter by keyboard alone, on a phone: steps, a timer that outlives a reload and rings, a weight and a pH in two taps', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/batches/harbour-dark');
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  const { record } = await stored(page, 'harbour-dark');
  await page.goto('/batches/harbour-dark/counter');
  // It begins at the first step that is not done.
  await expect(page.getByRole('heading', { name: 'Simmer', level: 1 })).toBeVisible();
  const clock = page.locator('[data-fact=clock]');
  const whole = read(await clock.textContent());
  expect(whole).toBeGreaterThan(300);
  await page.keyboard.press('t');
  await expect(page.getByRole('button', { name: 'Hold' })).toBeVisible();
  await expect.poll(async () => read(await clock.textContent())).toBeLessThan(whole);
  const before = read(await clock.textContent());
  await page.reload();
  await expect(page.getByRole('button', { name: 'Hold' })).toBeVisible();
  expect(read(await clock.textContent())).toBeLessThanOrEqual(before);
  // A foot switch turns pages; the timer goes on meanwhile, and is held when one is back.
  await page.keyboard.press('PageDown');
  await expect(page.getByRole('heading', { name: 'Blend', level: 1 })).toBeVisible();
  await page.keyboard.press('PageUp');
  await page.keyboard.press('t');
  await expect(page.getByRole('button', { name: 'Go on' })).toBeVisible();
  const held = await clock.textContent();
  await page.waitForTimeout(1300);
  expect(await clock.textContent()).toBe(held);
  // The last second, wherever one is: it rings until somebody ends it, on every page and after a reload.
  await page.keyboard.press('t');
  const endIn = (ms: number) =>
    page.evaluate((left) => {
      const key = Object.keys(localStorage).find((k) => k.endsWith('timers'))!;
      const all = JSON.parse(localStorage.getItem(key)!);
      localStorage.setItem(key, JSON.stringify(all.map((t: object) => ({ ...t, endsAt: Date.now() + left }))));
    }, ms);
  await endIn(300_000);
  await page.goto('/shelf');
  await expect(page).toHaveTitle(/^0[45]:\d\d Simmer · Roskel$/);
  await endIn(1500);
  await page.goto('/shelf');
  const alarm = page.getByRole('alert', { name: 'Time is up' });
  await expect(alarm).toContainText('Simmer: time is up.', { timeout: 15_000 });
  await expect(page).toHaveTitle('Time is up: Simmer · Roskel');
  await page.reload();
  await expect(alarm).toBeVisible();
  // Where the browser holds the sound back it says so; a tap lets it ring.
  await page.getByRole('heading', { level: 1 }).click();
  await expect(alarm).toHaveAttribute('data-sound', 'ready');
  const width = await alarm.evaluate((e) => [e.getBoundingClientRect().width, document.querySelector('main')!.clientWidth]);
  expect(width[0]).toBeGreaterThanOrEqual(width[1]! - 1);
  await alarm.getByRole('button', { name: 'End the alarm' }).click();
  await expect(alarm).toHaveCount(0);
  await page.goto('/batches/harbour-dark/counter');
  await expect(clock).toHaveText('00:00');
  // Two taps: the key, the figure.
  await page.keyboard.press('w');
  // While it boils: the pot and all, whose empty weight is known, with its minutes; the step goes on.
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('On the scale').fill('1200');
  await page.keyboard.press('Enter');
  await expect(sheet.getByRole('alert')).toContainText('The empty pot alone weighs 1,840 g');
  await sheet.getByLabel('On the scale').fill('2640');
  await sheet.getByLabel('Minutes from the boil').fill('12');
  await page.keyboard.press('Enter');
  await expect(sheet).toHaveCount(0);
  await expect(page.getByText('800 g', { exact: true })).toBeVisible();
  // Off the fire it is the weight that counts.
  await page.keyboard.press('w');
  await pick(page, 'It is', 'off the fire, done');
  await sheet.getByLabel('On the scale').fill('2340');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-fact=logged]')).toContainText('500 g weighed');
  // The letters are the counter's again once the sheet has gone.
  await expect(sheet).toHaveCount(0);
  await page.keyboard.press('h');
  await pick(page, 'With a', 'calibrated meter');
  await page.getByRole('dialog').getByLabel('pH').fill('3.41');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-fact=logged]')).toContainText('pH 3.41 read');
  await expect(sheet).toHaveCount(0);
  await page.keyboard.press('d');
  await expect(page.getByRole('heading', { name: 'Blend', level: 1 })).toBeVisible();
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  const after = (await stored(page, 'harbour-dark')).record;
  expect(stationIn(after.file, 'simmer')!.log).toMatchObject({ massG: 500, pH: 3.41, instrument: 'meter', pot: [{ min: 12, massG: 800 }] });
  expect(stationIn(after.file, 'simmer')!.log.doneOn).toBeDefined();
  // A step cannot be done before what it stands on.
  await page.keyboard.press('PageDown');
  await page.keyboard.press('d');
  await expect(page.getByText('Blend comes before this and is not done yet.')).toBeVisible();
  await page.keyboard.press('PageUp');
  // Nonsense at the scale is answered, and the step stays.
  await page.keyboard.press('w');
  await page.getByLabel('On the scale').fill('lots');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog').getByRole('alert')).toBeVisible();
  await page.keyboard.press('Escape');
  await changeStored(page, (await stored(page, 'harbour-dark')).record, record.file);
});

test('a timer begun on a phone is on the screen at the counter, through a server that is killed; ended there it is quiet here', async ({
  page,
  browser,
  servers,
}) => {
  const id = await importExample(page, 'Two Devices');
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`/batches/${id}/counter?at=bottle`);
  const timer = { id: 'two-devices', batchId: id, stationId: 'bottle bottles', name: 'Bottles of two devices' };
  const put = (leftMs: number) =>
    page.request.put(`${new URL(page.url()).origin}/api/timers/${timer.id}`, {
      data: { ...timer, endsAt: Date.now() + leftMs, leftMs, totalMs: leftMs, rung: false, gone: false, changedAt: Date.now() },
      headers: { 'X-Roskel': '1' },
    });
  const phone = await browser.newContext({ baseURL: new URL(page.url()).origin });
  const screen = await phone.newPage();
  await screen.goto('/today');
  // Begun by hand on the one device: it counts on the other.
  await page.goto(`/batches/${id}?at=bottle`);
  await page.getByRole('button', { name: /^They boil: start the clock/ }).click();
  const there = screen.locator('[data-timer]').filter({ hasText: 'Bottles on the boil' });
  await expect(there).toBeVisible();
  await there.getByRole('button', { name: /off$/ }).click();
  await expect(page.getByRole('button', { name: /^They boil: start the clock/ })).toBeVisible();
  // One that is nearly up; its server is killed and back, and both ring.
  expect((await put(6000)).status()).toBe(200);
  await expect(screen.locator('[data-timer]').filter({ hasText: timer.name })).toBeVisible();
  const server = servers.find((s) => s.address === new URL(page.url()).origin)!;
  await server.stop('SIGKILL');
  await server.start();
  for (const at of [page, screen])
    await expect(at.getByRole('alert', { name: 'Time is up' })).toContainText(timer.name, { timeout: 30_000 });
  await expect(async () => {
    if (await screen.getByRole('alert', { name: 'Time is up' }).isVisible())
      await screen.getByRole('button', { name: 'End the alarm' }).click({ timeout: 1000 });
    await expect(page.getByRole('alert', { name: 'Time is up' })).toHaveCount(0, { timeout: 3000 });
  }).toPass({ timeout: 40_000 });
  await phone.close();
});
