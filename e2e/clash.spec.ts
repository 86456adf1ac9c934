import { addDays, freeStart, type Occupant } from '@roskel/core';
import type { TodayRow } from '@roskel/contract';
import { changeStored, expect, importExample, stored, test, type } from './test';

// Who wants which jar is told over all batches.
test.use({ kitchen: 'clash' });
const JARS = [
  { ml: 500, count: 2 },
  { ml: 1000, count: 2 },
  { ml: 1500, count: 1 },
];

test('wanted in three weeks: the plan and its odds, a clash of jars that is told and resolved, and a free day', async ({ page }) => {
  const id = await importExample(page, 'Wanted In Three', true);
  const iso = (offset: number) => addDays(new Date().toISOString().slice(0, 10), offset);
  await page.goto(`/batches/${id}`);
  const { record } = await stored(page, id);
  await changeStored(page, record, { ...record.file, startDate: iso(0) });
  await page.reload();
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  const open = async () => {
    await page.getByRole('button', { name: 'More' }).click();
    await page.getByText('Wanted by a day', { exact: true }).click();
  };
  const sheet = page.getByRole('dialog', { name: 'Wanted by a day' });
  await open();
  await type(page, 'Wanted by', iso(21));
  // The one big jar is Gorse Gold's from the third day on.
  const planned = sheet.locator('[data-back^="as planned"]');
  await expect(planned.getByRole('button').first()).toBeVisible();
  await expect(planned).toContainText(/about .* are ready in time|nearly all are ready/);
  const warm = sheet.locator('[data-back^="at "]');
  const clash = warm.or(planned).locator('[data-clash=jars]').first();
  await expect(clash).toContainText('Gorse Gold and Wanted In Three want jars at once');
  await expect(clash).toContainText('1 of 1.5 l');
  // With more time there is a day that is free of it: when the big jar is empty again.
  await type(page, 'Wanted by', iso(36));
  await expect(planned.locator('[data-free]')).toContainText(/begin on .*: \d+ days in the jar/);
  await type(page, 'Wanted by', iso(90));
  await expect(planned.locator('[data-clash]')).toHaveCount(0);
  await type(page, 'Wanted by', iso(21));
  await expect(clash).toBeVisible();
  await planned.getByRole('button', { name: /^begin today$/ }).click();
  await expect(sheet).toHaveCount(0);
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();

  // Today tells the same, and what has not begun gives way by one tap.
  await page.goto('/today');
  const list = page.getByRole('region', { name: 'Clashes' });
  const row = list.locator('[data-clash=jars]').filter({ hasText: 'Wanted In Three' });
  await expect(row).toContainText('Gorse Gold');
  const rows = (await (await page.request.get('/api/today')).json()) as TodayRow[];
  const gold: Occupant = rows.find((r) => r.name === 'Gorse Gold')!;
  const free = freeStart(gold, rows, JARS, addDays(gold.startDate, 1), iso(0))!;
  await row.getByRole('button', { name: /^Begin Gorse Gold on/ }).click();
  await expect(row).toHaveCount(0);
  const after = (await (await page.request.get('/api/batches/gorse-gold')).json()) as { file: { startDate: string } };
  expect(after.file.startDate).toBe(free);
  await page.keyboard.press('Control+z');
  await expect(row).toBeVisible();

  // More jars are an answer too.
  const tools = (await (await page.request.get('/api/tools')).json()) as {
    id: string;
    revision: number;
    value: { kind: string; name: string };
  }[];
  const big = tools.find((t) => t.value.name === 'Big clip jar')!;
  await page.goto('/larder/tools');
  await page
    .getByRole('row', { name: /Big clip jar/ })
    .getByRole('button', { name: /Change/ })
    .click();
  await type(page, 'How many of it', '3');
  await page.getByRole('button', { name: 'Keep the changes' }).click();
  await expect(page.getByRole('row', { name: /Big clip jar/ })).toContainText('3 of 1500 ml');
  await page.goto('/today');
  await expect(page.locator('[data-fact=now]')).toBeVisible();
  await expect(page.locator('[data-clash=jars]')).toHaveCount(0);
  // As it was for the other tests.
  const now = (await (await page.request.get('/api/tools')).json()) as typeof tools;
  const changed = now.find((t) => t.id === big.id)!;
  const put = await page.request.put(`/api/tools/${big.id}`, {
    data: { revision: changed.revision, value: big.value },
    headers: { 'X-Roskel': '1' },
  });
  expect(put.status()).toBe(200);
});
