import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect, test } from './test';

test.use({ kitchen: 'record' });
const readPdf = createRequire(import.meta.url)('pdf-parse/lib/pdf-parse.js') as (
  data: Buffer,
) => Promise<{ numpages: number; text: string }>;

test('from bottles back to the lot, from the lot to every bottle and who has it; as a paper and as a table', async ({ page }) => {
  await page.goto('/shelf/slipway-red-2');
  await page.request.post('/api/shelf/slipway-red-2/moves', {
    headers: { 'X-Roskel': '1' },
    data: { delta: -3, reason: 'given', who: 'the fair' },
  });
  await page.getByRole('link', { name: 'its record' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Record of Slipway Red no. 2' })).toBeVisible();
  const from = page.getByRole('region', { name: 'Where it came from' });
  await expect(from).toContainText(/Red cayenne pods, .*: 760 g in Slipway Red no\. 2/);
  await expect(page.getByRole('region', { name: 'The bottles' })).toContainText(/3 given to the fair/);
  await expect(page.getByText('An estimate from the table of ingredients')).toBeVisible();
  // Only what was written down: a pH that was read stands there, with what it was read with.
  const measured = page.getByRole('region', { name: 'Measured, seen and done' });
  await expect(measured.locator('[data-measured=pH]').first()).toContainText(/\d\.\d+ ?meter/);

  const saved = async (name: string) => {
    const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name, exact: true }).click()]);
    return { name: file.suggestedFilename(), bytes: readFileSync(await file.path()) };
  };
  const csv = await saved('Save as CSV');
  expect(csv.name).toMatch(/record\.csv$/);
  expect(csv.bytes.toString()).toMatch(/^part,on,what,value,by\r\n/);
  expect(csv.bytes.toString()).toMatch(/\r\nbottles,[\d-]+,Slipway Red no\. 2,3 given,the fair\r\n/);
  const pdf = await readPdf((await saved('Save as PDF')).bytes);
  for (const text of ['Record of Slipway Red no. 2', 'Measured, seen and done', 'no proof of safety', 'the fair'])
    expect(pdf.text.replace(/\s+/g, ' ')).toContain(text);

  // What goes with a bottle: a page that needs nothing else, with the date of the label.
  await page.goto('/shelf/slipway-red-2/label');
  await page.getByRole('checkbox', { name: /With nutrition/ }).check();
  const date = await page.locator('[data-fact=date]').textContent();
  const card = await saved('Save the card as a page');
  expect(card.name).toMatch(/-card\.html$/);
  expect((await readPdf((await saved('Save the card as PDF')).bytes)).text.replace(/\s+/g, ' ')).toContain('In 100 g (an estimate)');
  const alone = await page.context().newPage();
  await alone.setContent(card.bytes.toString());
  await expect(alone.getByRole('heading', { level: 1, name: 'Slipway Red no. 2' })).toBeVisible();
  await expect(alone.getByText(`${date}.`)).toBeVisible();
  await alone.close();
  await page.goto('/record/bottles/slipway-red-2');

  // Forward from the lot, from its own sheet.
  await from.getByRole('link', { name: 'Red cayenne' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Record of Red cayenne' })).toBeVisible();
  const recall = page.locator('[data-fact=recall]');
  await expect(recall).toHaveText(/^9 bottles hold some of it: 5 on the shelf, 4 gone\.\s*$/);
  const told = await recall.textContent();
  await page.goto('/pods');
  await page
    .getByRole('button', { name: /^Red cayenne/ })
    .first()
    .click();
  await page.getByRole('tab', { name: 'Stock' }).or(page.locator('[data-name=stock]')).first().click();
  await page.getByRole('link', { name: 'Where did these pods go?' }).click();
  await expect(recall).toHaveText(told!);
  await page.goto('/record/pods/nowhere');
  await expect(page.getByText('This is not in the books of this kitchen.')).toBeVisible();
});
