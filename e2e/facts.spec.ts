import type { Page } from '@playwright/test';
import type { BatchRow, BottlingRecord, Short } from '@roskel/contract';
import { endStrands, oddsText, reportLine, twoFigures } from '@roskel/core';
import { expect, goIn, importExample, test } from './test';

test.use({ kitchen: 'facts' });
/**
 * One thing has one number: every page is read, and whatever tells a fact of a batch's bottles (heat, its band, pH, mass,
 * bottles, odds, keeping, what is short) must tell it as every other page does, and as core's own report of the stored file.
 */
type Told = Map<string, Map<string, string>>;

/** What a page tells, as "fact of" with its words; numbers alone where it is a number, so that "about 400" is 400. */
async function read(told: Told, page: Page, path: string, there: (page: Page) => Promise<unknown>): Promise<void> {
  await goIn(page, path);
  await there(page);
  const facts = await page.locator('[data-fact][data-of]').evaluateAll((all) =>
    all.map((e) => {
      const { fact, of } = (e as HTMLElement).dataset;
      return { key: `${fact} of ${of}`, text: (e.textContent ?? '').replace(/\s+/g, ' ').trim() };
    }),
  );
  if (await page.getByRole('dialog').isVisible()) await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  for (const { key, text } of facts) {
    const worded = /^(keep|odds|fills)/.test(key);
    // "medium: 820 to 2,900 SHU", "8 of 9 bottles left": what is counted and measured, in its order.
    const value = worded ? text.replace(/^Keep:? /, '') : (text.match(/\d[\d,]*(\.\d+)?/g) ?? [text]).join(' to ');
    told.set(key, (told.get(key) ?? new Map<string, string>()).set(path, value));
  }
}

for (const [name, size] of [
  ['at a desk', { width: 1280, height: 800 }],
  ['on a phone', { width: 390, height: 844 }],
] as const)
  test(`every page tells the same, ${name}`, async ({ page }) => {
    test.slow();
    await page.setViewportSize(size);
    await importExample(page, `Told ${name}`, true);
    const batches = (await (await page.request.get('/api/batches')).json()) as BatchRow[];
    const shelf = (await (await page.request.get('/api/shelf')).json()) as BottlingRecord[];
    const shorts = (await (await page.request.get('/api/needs')).json()) as Short[];
    const told: Told = new Map();
    const shows = (fact: string) => (p: Page) => expect(p.locator(`[data-fact="${fact}"]`).first()).toBeAttached();
    await read(told, page, '/today', async (p) => {
      await shows('short')(p);
      const more = p.getByRole('button', { name: /more to buy$/ });
      if (await more.isVisible()) await more.click();
    });
    await read(told, page, '/batches', shows('heatShu'));
    await read(told, page, '/shelf', shows('left'));
    const pairs = batches.slice(1).map((b, i) => [batches[i]!, b] as const);
    for (const [a, b] of pairs.filter((_, i) => i % 2 === 0))
      await read(told, page, `/side-by-side?of=${a.id},${b.id}`, (p) =>
        expect(p.locator(`.end [data-of^="${b.id}/"]`).first()).toBeVisible(),
      );
    const today = await page.evaluate(() => new Date(Date.now() - new Date().getTimezoneOffset() * 60_000).toISOString().slice(0, 10));
    for (const { id } of batches) {
      const { file } = (await (await page.request.get(`/api/batches/${id}`)).json()) as { file: Parameters<typeof reportLine>[0] };
      const report = reportLine(file, { today });
      for (const end of report.ends) {
        const of = `${id}/${end.strandId}`;
        await read(told, page, `/batches/${id}?at=${end.stationId}`, async (p) => {
          await expect(p.locator(`[data-fact=bottles][data-of="${of}"]`)).toBeAttached();
          if (!shorts.some((s) => s.batchId === id)) return;
          await p.getByRole('button', { name: /^(to buy|not enough): \d+ thing/ }).click();
          await expect(p.getByRole('dialog', { name: 'What is missing' }).locator('[data-fact=short]').first()).toBeVisible();
        });
        const core = (fact: string, value: string) => told.get(`${fact} of ${of}`)?.set('core', value);
        core('odds', oddsText(end.odds));
        core('bottles', String(end.bottles.filled));
        core('heatShu', twoFigures(end.finished.heatShu).toLocaleString('en'));
        core('heatShu-band', [end.heat.p10, end.heat.p90].map((x) => twoFigures(x).toLocaleString('en')).join(' to '));
      }
      if (endStrands(file).length > 0) await read(told, page, `/batches/${id}/cost`, shows('bottles'));
    }
    for (const b of shelf) await read(told, page, `/shelf/${b.id}`, shows('left'));
    for (const s of shorts)
      for (const said of told.get(`short of ${s.batchId} ${s.store} ${s.id}`)?.values() ?? [])
        expect(Math.abs(Number(said.replace(',', '')) - s.shortG), s.name).toBeLessThanOrEqual(s.shortG < 10 ? 0.051 : 0.501);

    const differ = [...told].filter(([, by]) => new Set(by.values()).size > 1).map(([key, by]) => ({ key, by: Object.fromEntries(by) }));
    expect(differ).toEqual([]);
    // The walk saw what it is there for.
    const seen = (fact: string) => [...told].filter(([key, by]) => key.startsWith(`${fact} of `) && by.size > 1).length;
    for (const fact of ['heatShu', 'bottles', 'wished', 'odds', 'keep', 'short']) expect(seen(fact), fact).toBeGreaterThan(0);
  });
