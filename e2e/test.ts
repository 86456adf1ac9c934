import { test as base, expect, type Page } from '@playwright/test';
import { changesBetween, mapStations, reportLine, stationsOf, type BatchFile, type LineReport, type StationEntry } from '@roskel/core';
import type { BatchRecord } from '@roskel/contract';
import { demoKitchen, type Keeping } from './kitchens';
import type { DemoServer } from './server';

/**
 * Tests share one kitchen per worker; each batch they touch is their own. A file that looks at the whole kitchen (its jars,
 * its duties) asks for the demo as it ships: `test.use({ kitchen: 'a name of its own' })` begins another worker. The
 * project says how it is kept; on a server it has two processes, and one test asks the one, the next the other.
 */
export const test = base.extend<{ noErrors: undefined }, { servers: DemoServer[]; kitchen: string; keeping: Keeping }>({
  kitchen: ['shared', { scope: 'worker', option: true }],
  keeping: ['folder', { scope: 'worker', option: true }],
  servers: [
    async ({ browserName: _, kitchen: __, keeping }, use, info) => {
      const servers = await demoKitchen(keeping, 4300 + info.workerIndex * 4);
      await use(servers);
      await Promise.all(servers.map((s) => s.end()));
    },
    { scope: 'worker', timeout: 90_000 },
  ],
  baseURL: async ({ servers }, use, info) => use(servers[info.line % servers.length]!.address),
  // `ROSKEL_SLOW=1500 npm run e2e`: every part of the program and every answer comes so many ms late. What fails then hung on speed.
  context: async ({ context }, use) => {
    const late = Number(process.env.ROSKEL_SLOW ?? 0);
    if (late > 0)
      await context.route(/\/(assets|api)\//, async (route) => {
        await new Promise((go) => setTimeout(go, late));
        await route.fallback();
      });
    await use(context);
  },
  // A page that logs an error has failed, whatever it shows.
  noErrors: [
    async ({ page }, use) => {
      const errors: string[] = [];
      page.on('pageerror', (e) => errors.push(e.message));
      page.on('console', (m) => m.type() === 'error' && !/Failed to load resource|ERR_/.test(m.text()) && errors.push(m.text()));
      await use(undefined);
      expect(errors).toEqual([]);
    },
    { auto: true },
  ],
});
export { expect };

/** The batch as stored, and what core makes of it: what the page must show. */
export async function stored(page: Page, id: string): Promise<{ record: BatchRecord; report: LineReport }> {
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  const record = (await (await page.request.get(`/api/batches/${id}`)).json()) as BatchRecord;
  const today = await page.evaluate(() => new Date(Date.now() - new Date().getTimezoneOffset() * 60_000).toISOString().slice(0, 10));
  // Worked out only where a test asks for it.
  let report: LineReport | undefined;
  return {
    record,
    get report() {
      return (report ??= reportLine(record.file, { today }));
    },
  };
}

/** Another page without loading the program anew, as a link in it would. The page before it has to stand first: until then a link is not heard. */
export async function goIn(page: Page, path: string): Promise<void> {
  if (page.url() === 'about:blank') return void (await page.goto(path));
  await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
  await page.evaluate((to) => {
    history.pushState({}, '', to);
    dispatchEvent(new PopStateEvent('popstate', { state: {} }));
  }, path);
  await expect.poll(() => new URL(page.url()).pathname).toBe(new URL(path, page.url()).pathname);
}

/** What another window would do: changes a stored batch into `file`. */
export async function changeStored(page: Page, record: BatchRecord, file: BatchFile): Promise<void> {
  const data = { revision: record.revision, changes: changesBetween(record.file, file) };
  expect((await page.request.patch(`/api/batches/${record.id}`, { data, headers: OWN })).status()).toBe(200);
}

/** Does a station today; the page goes on to the next one. */
export const done = (page: Page): Promise<void> => page.getByRole('button', { name: /^Done( today|, on to)/ }).click();

/** Shows the settings and figures of a station that are not needed every time. */
export async function more(page: Page): Promise<void> {
  const link = page.getByRole('button', { name: /^(other|fewer) settings and figures$/ });
  if ((await link.getAttribute('aria-expanded')) !== 'true') await link.click();
}

/** Ends a jar today, before it has soured: asked, and done all the same. */
export async function endJar(page: Page): Promise<void> {
  await done(page);
  await page.getByRole('dialog', { name: 'End it now?' }).getByRole('button', { name: 'End it all the same' }).click();
}

/** Opens a station of the batch page by its place in the line. */
export async function station(page: Page, name: string): Promise<void> {
  await page
    .locator('.pickers')
    .getByRole('button', { name: new RegExp(`^\\d ${name},`) })
    .click();
  await expect(page.getByRole('region', { name: `${name}: worksheet` })).toBeVisible();
}

/** The stations of a batch in the order in which they are written. */
export const line = (file: BatchFile): StationEntry[] => stationsOf(file).map((s) => s.entry);

/** Grams of a thing that goes in at a station. */
export const gramsIn = (entry: StationEntry, id: string): number => (entry.intakes.find((i) => i.id === id)!.amount as { g: number }).g;

/** Types into a field and leaves it. */
export async function type(page: Page, label: string | RegExp, value: string): Promise<void> {
  const field = page.getByLabel(label, typeof label === 'string' ? { exact: true } : {});
  await field.fill(value);
  await field.press('Tab');
}

/** Chooses one of a list by what stands there; a list that was drawn anew meanwhile is opened again. */
export async function pick(page: Page, label: string | RegExp, option: string | RegExp): Promise<void> {
  const field = page.getByRole('combobox', { name: label, ...(typeof label === 'string' ? { exact: true } : {}) });
  const row = page
    .locator('.n-base-select-menu:visible .n-base-select-option')
    .filter({ hasText: typeof option === 'string' ? new RegExp(`^\\s*${option.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}`) : option });
  await expect(async () => {
    await field.click({ timeout: 10_000 });
    // Long lists are searched, short ones are looked through.
    if (typeof option === 'string' && (await field.evaluate((e) => e.tagName === 'INPUT'))) await field.fill(option.split(',')[0]!);
    await row.first().click({ timeout: 5000 });
  }).toPass({ timeout: 60_000 });
  await expect(page.locator('.n-base-select-menu:visible')).toHaveCount(0);
}

/** Gives a file to the button that takes one. */
export async function upload(page: Page, file: string | { name: string; mimeType: string; buffer: Buffer }): Promise<void> {
  await page.locator('input[type=file]').first().setInputFiles(file);
}

/** Waits for what the solver finds. It has a second or two by the clock: on a busy machine it is asked again, as a maker would. */
export async function found(page: Page, title: string | RegExp): Promise<void> {
  const heading = page.getByRole('heading', { name: title });
  await expect(async () => {
    const again = page.getByRole('button', { name: 'Find mixes' });
    if (!(await heading.isVisible()) && (await again.isEnabled().catch(() => false))) await again.click({ timeout: 2000 });
    await expect(heading).toBeVisible({ timeout: 8000 });
  }).toPass({ timeout: 60_000 });
}

const OWN = { 'X-Roskel': '1' };
/** A batch without pods, by the API. */
export async function startBatch(page: Page, name: string, goal: { lowShu: number; highShu: number; bottles: number; bottleMl: number }) {
  const startDate = new Date().toISOString().slice(0, 10);
  const res = await page.request.post('/api/batches', { data: { name, startDate, goal }, headers: OWN });
  expect(res.status()).toBe(201);
  return ((await res.json()) as BatchRecord).id;
}

/** The importable example under a name of the test's own; `planned`: before anything of it was weighed. */
export async function importExample(page: Page, name: string, planned = false): Promise<string> {
  const { readFileSync } = await import('node:fs');
  const example = JSON.parse(readFileSync(new URL('../examples/slipway-red.json', import.meta.url), 'utf8')) as BatchFile;
  const file = { ...(planned ? mapStations(example, (s) => ({ ...s, log: {} })) : example), name };
  const res = await page.request.post('/api/batches/import', { data: { file }, headers: OWN });
  expect(res.status()).toBe(201);
  return ((await res.json()) as BatchRecord).id;
}
