import { test as base, expect, type Page } from '@playwright/test';
import { reportLine, type LineReport } from '@roskel/core';
import type { BatchRecord } from '@roskel/contract';
import { DemoServer } from './server';

/** Tests share one server per worker; each batch they touch is their own. */
export const test = base.extend<{ noErrors: undefined }, { server: DemoServer }>({
  server: [
    async ({ browserName: _ }, use, info) => {
      const server = new DemoServer(4300 + info.workerIndex * 25);
      await server.start();
      await use(server);
      await server.end();
    },
    { scope: 'worker', timeout: 90_000 },
  ],
  baseURL: async ({ server }, use) => use(server.address),
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
  return { record, report: reportLine(record.file, { today }) };
}

/** Opens a station of the batch page by its place in the line. */
export async function station(page: Page, name: string): Promise<void> {
  await page
    .locator('.pickers')
    .getByRole('button', { name: new RegExp(`^\\d ${name},`) })
    .click();
  await expect(page.getByRole('region', { name: `${name}: settings and measurements` })).toBeVisible();
}

/** Types into a field and leaves it. */
export async function type(page: Page, label: string | RegExp, value: string): Promise<void> {
  const field = page.getByLabel(label, typeof label === 'string' ? { exact: true } : {});
  await field.fill(value);
  await field.press('Tab');
}

/** The importable example under a name of the test's own. */
export async function importExample(page: Page, name: string): Promise<string> {
  const { readFileSync } = await import('node:fs');
  const file = { ...(JSON.parse(readFileSync(new URL('../examples/slipway-red.json', import.meta.url), 'utf8')) as object), name };
  const res = await page.request.post('/api/batches/import', { data: { file } });
  expect(res.status()).toBe(201);
  return ((await res.json()) as BatchRecord).id;
}
