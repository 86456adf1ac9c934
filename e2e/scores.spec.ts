import { mapStations } from '@roskel/core';
import type { BatchRecord } from '@roskel/contract';
import { changeStored, done, expect, goIn, importExample, line, station, stored, test, type } from './test';

test.use({ kitchen: 'scores' });

test('what was foretold of a weighing stands beside it as it stood; a sieve that is off is found; nothing is hidden', async ({ page }) => {
  test.slow();
  await page.goto('/batches');
  // The demo's own: every row of the API is counted.
  const rows = async () =>
    (await (await page.request.get('/api/scores')).json()) as {
      of: string;
      measured: number;
      p10: number;
      p90: number;
      tool: string | null;
      batch: string;
    }[];
  const choose = (what: string) => page.locator('.pill', { hasText: new RegExp(`^\\s*${what}\\s*$`) }).click();
  const shipped = await rows();
  await page.getByRole('link', { name: 'How good were we?' }).click();
  const inside = (all: { measured: number; p10: number; p90: number }[]) =>
    all.filter((r) => r.measured >= r.p10 && r.measured <= r.p90).length;
  await expect(page.locator('[data-fact=inside]')).toHaveText(`${inside(shipped)} of ${shipped.length} measured lay where 8 in 10 should`);
  await expect(page.getByText('Nothing is off again and again.')).toBeVisible();
  await choose('weight');
  const weights = shipped.filter((r) => r.of === 'mass').length;
  await expect(page.locator('.rows tbody tr')).toHaveCount(weights);

  // Three sauces through one sieve that holds back far more than said.
  for (const n of [1, 2, 3]) {
    const id = await importExample(page, `Sieved ${n}`, true);
    const record = (await (await page.request.get(`/api/batches/${id}`)).json()) as BatchRecord;
    const tool = { id: 'tool-felt', kind: 'sieve' as const, name: 'Felt bag', seen: [] };
    // All before the sieve is done, and nothing of that was weighed.
    const before = new Set(['prep', 'salt', 'ferment', 'drain', 'blend']);
    const file = mapStations({ ...record.file, tools: [tool] }, (s) => ({
      ...s,
      ...(s.kind === 'strain' ? { toolId: tool.id } : {}),
      log: before.has(s.kind) ? { doneOn: record.file.startDate } : {},
    }));
    await changeStored(page, record, file);
    const at = line(file).find((s) => s.kind === 'strain')!;
    await goIn(page, `/batches/${id}?at=${at.id}`);
    await expect(page.getByRole('heading', { level: 1, name: `Sieved ${n}` })).toBeVisible();
    await station(page, 'Strain');
    await type(page, 'What passed, weighed, g', String(480 + 4 * n));
    await done(page);
    await stored(page, id);
  }
  expect((await rows()).filter((r) => r.tool === 'Felt bag')).toHaveLength(3);
  await goIn(page, '/batches/scores');
  await expect(page.locator('[data-fact=bias]')).toHaveText(
    /^With Felt bag, weight is \d+ % less than foretold \(3 times\)\. Teach it what it does$/,
  );
  await choose('weight');
  await choose('thing of the kitchen');
  await expect(page.locator('.parts li').filter({ hasText: 'Felt bag' })).toContainText('0 of 3');
  await expect(page.locator('.rows tbody tr')).toHaveCount(weights + 3);
});
