import type { Page } from '@playwright/test';
import { stationIn, type StationReport } from '@roskel/core';
import { endJar, expect, importExample, station, stored, test } from './test';
import { DemoServer } from './server';

type Kind = 'scale' | 'pen' | 'thermometer';
/** Holds a stand-in to something, as a hand would. */
async function hold(page: Page, kind: Kind, to: Record<string, number | string | boolean>): Promise<void> {
  const data = { plugged: true, fault: 'none', ...to };
  const res = await page.request.put(`/api/stand-ins/stand-in-${kind}`, { data, headers: { 'X-Roskel': '1' } });
  expect(res.status()).toBe(200);
}
/** Waits until a device stands near a figure, and uses it for a field. */
async function use(page: Page, kind: Kind, name: RegExp): Promise<void> {
  const live = page.locator(`[data-live=${kind}]`).last();
  const button = live.getByRole('button', { name });
  await expect(button).toBeEnabled({ timeout: 30_000 });
  await button.click();
}

// Devices are heard by all pages of a server: this one has its own.
const own = new DemoServer(4860);
test.use({ baseURL: async ({ browserName: _ }, give) => give(own.address) });
test.beforeAll(async () => void (await own.start()));
test.afterAll(() => own.end());
test.describe.configure({ mode: 'serial', timeout: 240_000 });

test('the Devices page: plugged in, held to something, broken in three ways, unplugged', async ({ page }) => {
  await page.goto('/larder');
  await page.getByRole('link', { name: 'Devices' }).click();
  const pen = page.getByRole('region', { name: 'Stand-in pH pen' });
  const reads = pen.locator('[data-fact=reads]');
  await expect(reads).toHaveText('Not plugged in.');
  await pen.getByLabel('In a pH of').fill('3.55');
  await pen.getByLabel('In a pH of').press('Tab');
  await pen.getByRole('button', { name: 'Plug it in' }).click();
  await expect(reads).toContainText(/pH 3\.5[3-7], .* steady/);
  const fault = async (label: RegExp) => {
    await pen.getByRole('combobox', { name: 'Wrong with it' }).click();
    await page.locator('.n-base-select-option').filter({ hasText: label }).click();
  };
  await fault(/reads what cannot be/);
  await expect(reads).toContainText('Rinse the tip');
  await fault(/loose plug/);
  await expect(reads).toContainText('jumps to and fro');
  await fault(/flat battery/);
  await expect(reads).toContainText('Not heard from');
  await pen.getByRole('button', { name: 'Unplug it' }).click();
  await expect(reads).toHaveText('Not plugged in.');
});

test('three stand-ins drive one batch from pods to bottles', async ({ page }) => {
  const id = await importExample(page, 'Standing In', true);
  await hold(page, 'scale', { mass: 0 });
  await hold(page, 'pen', { pH: 7, temp: 20 });
  await hold(page, 'thermometer', { temp: 20 });
  await page.goto(`/batches/${id}/counter`);
  const sheet = page.getByRole('dialog');
  /** Off what was planned, so that what is stored can only have come off the scale. */
  const expected: Record<string, number> = {};
  const planned = async (kind: string) =>
    (await stored(page, id)).report.stations.find((s: StationReport) => s.kind === kind)!.planned.massG;
  async function take(kind: string, by: number) {
    const g = Math.round((await planned(kind)) * by * 2) / 2;
    await hold(page, 'scale', { mass: g });
    await page.keyboard.press('w');
    const scale = sheet.locator('[data-live=scale]');
    const near = async () => Math.abs(parseFloat((await scale.locator('b').textContent())!.replace(',', '')) - g) < 2;
    await expect.poll(async () => [await scale.getAttribute('data-state'), await near()], { intervals: [150] }).toEqual(['steady', true]);
    await use(page, 'scale', /from Stand-in scale/);
    await sheet.getByRole('button', { name: 'Take it', exact: true }).click();
    await expect(sheet).toHaveCount(0);
    expected[kind] = g;
  }
  const at = (name: string) => expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
  await at('Prep');
  await take('prep', 0.97);
  await page.keyboard.press('d');
  await at('Salt & pack');
  await page.keyboard.press('d');
  await at('Ferment');

  // At the jar: how sour and how warm it is; a battery that runs flat takes nothing.
  await page.goto(`/batches/${id}`);
  await station(page, 'Ferment');
  await hold(page, 'pen', { pH: 3.71, temp: 21, fault: 'mute' });
  await hold(page, 'thermometer', { temp: 21.5 });
  await page.getByRole('button', { name: 'Log a reading' }).first().click();
  await expect(sheet.locator('[data-live=pen]').first()).toHaveAttribute('data-state', 'silent');
  await expect(sheet.getByRole('button', { name: /Stand-in pH pen as pH/ })).toBeDisabled();
  await hold(page, 'pen', { pH: 3.71, temp: 21 });
  const pen = sheet.locator('[data-live=pen]').first();
  const reads = async () => `${await pen.getAttribute('data-state')} ${await pen.locator('b').textContent()}`;
  await expect.poll(reads, { intervals: [150] }).toMatch(/^steady pH 3\.7[0-2]$/);
  await sheet.getByRole('button', { name: /Stand-in pH pen as pH/ }).click();
  await sheet.getByRole('button', { name: /Stand-in thermometer as Temperature/ }).click();
  await sheet.getByRole('button', { name: 'Save the reading' }).click();
  await expect(sheet).toHaveCount(0);
  const reading = (await stored(page, id)).record.file.readings.at(-1)!;
  expect(reading).toMatchObject({ instrument: 'meter' });
  expect(Math.abs(reading.pH! - 3.71)).toBeLessThanOrEqual(0.02);
  expect(Math.abs(reading.tempC! - 21.5)).toBeLessThanOrEqual(0.4);

  // Back at the counter: the jar is done, and everything after it is weighed.
  await endJar(page);
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  await page.goto(`/batches/${id}/counter`);
  await at('Drain');
  await take('drain', 1.03);
  await page.keyboard.press('d');
  await at('Blend');
  await page.keyboard.press('d');
  await at('Strain');
  await take('strain', 0.94);
  await page.keyboard.press('d');
  await at('Bottle');
  await hold(page, 'pen', { pH: 3.42, temp: 20 });
  await page.keyboard.press('h');
  await expect.poll(reads, { intervals: [150] }).toMatch(/^steady pH 3\.4[1-3]$/);
  await use(page, 'pen', /Stand-in pH pen as pH/);
  await sheet.getByRole('button', { name: 'Take it', exact: true }).click();
  await expect(sheet).toHaveCount(0);
  await page.keyboard.press('d');
  await expect(page).toHaveURL(new RegExp(`/batches/${id}$`));

  const { record, report } = await stored(page, id);
  for (const [kind, g] of Object.entries(expected)) expect(Math.abs(stationIn(record.file, kind)!.log.massG! - g)).toBeLessThanOrEqual(1.5);
  expect(Math.abs(stationIn(record.file, 'bottle')!.log.pH! - 3.42)).toBeLessThanOrEqual(0.02);
  expect(stationIn(record.file, 'bottle')!.log.instrument).toBe('meter');
  expect(report.stations.every((s: StationReport) => s.log.doneOn !== undefined)).toBe(true);
});
