import { stationIn } from '@roskel/core';
import { done, expect, importExample, more, station, stored, test, type } from './test';

// What others planned to take first is none of its business.
test.use({ kitchen: 'worksheet' });

test('a worksheet in the order of work: what comes first is said, ticks stay, done leads on, what is unfolded stays so', async ({
  page,
}) => {
  const id = await importExample(page, 'Worked Through', true);
  await page.goto(`/batches/${id}?at=salt`);
  const here = (name: string) => page.getByRole('region', { name: `${name}: worksheet` });
  // Said before one works there, and it leads there.
  await page.getByRole('button', { name: 'Prep comes first' }).click();
  await expect(here('Prep')).toBeVisible();
  // What is in is ticked, and so it is on any device: it is kept with the batch.
  const { record, report } = await stored(page, id);
  const [first] = stationIn(record.file, 'prep')!.intakes;
  await page.locator(`[data-intake="${first!.id}"]`).getByRole('checkbox').click();
  expect((await stored(page, id)).record.file.dutiesDone).toContain(`prep/in-${first!.id}`);
  await done(page);
  await expect(here('Salt & pack')).toBeVisible();
  // What the jar takes of salt and water stands with what goes in, as core has it.
  const made = new Map(report.stations.find((s) => s.id === 'salt')!.made.map((m) => [m.id, m.massG]));
  for (const [thing, g] of made) await expect(page.locator(`[data-fact=${thing}G]`)).toHaveText(`${Math.round(g).toLocaleString('en')} g`);
  // Two jars: in each of them, and in all.
  await type(page, 'Jars', '2');
  await expect(page.locator('[data-intake="own water"]')).toContainText('in each of 2');
  // The plan and the rest of the settings are where one left them.
  await page.getByRole('button', { name: 'unfold the tracks' }).click();
  await more(page);
  await page.reload();
  await expect(page.locator('[data-point=blend-heatShu]')).toBeVisible();
  await expect(page.getByLabel('Headspace, ml')).toBeVisible();
  await page.getByRole('button', { name: 'fold the tracks', exact: true }).click();
  await expect(page.locator('[data-prop=heatShu]')).toBeVisible();
  // A way to another station of the same batch is followed.
  await page.evaluate(async (to) => {
    type App = Element & { __vue_app__: { config: { globalProperties: { $router: { push(to: string): Promise<void> } } } } };
    await (document.querySelector('#app') as App).__vue_app__.config.globalProperties.$router.push(to);
  }, `/batches/${id}?at=strain`);
  await expect(here('Strain')).toBeVisible();
  // More than there is is to be bought, whatever the store has heard of it yet.
  await station(page, 'Blend');
  const garlic = page.locator('[data-intake=garlic]');
  await expect(garlic).toContainText('enough in the larder');
  await type(page, 'Garlic, raw, amount', '9 kg');
  await expect(garlic).toContainText(/8,\d{3} g to buy/);
});

test('a day before the batch began is answered at its field, and the batch can have begun then: one act, one undo', async ({ page }) => {
  const id = await importExample(page, 'Began Earlier', true);
  const start = (await (await page.request.get(`/api/batches/${id}`)).json()).file.startDate as string;
  const earlier = new Date(Date.parse(start) - 5 * 864e5).toISOString().slice(0, 10);
  await page.goto(`/batches/${id}?at=prep`);
  await type(page, 'Done on', earlier);
  await expect(page.getByRole('alert').filter({ hasText: 'the batch was started on' })).toBeVisible();
  expect(stationIn((await stored(page, id)).record.file, 'prep')!.log.doneOn).toBeUndefined();
  await page.getByRole('button', { name: /^The batch began on/ }).click();
  await expect.poll(async () => (await stored(page, id)).record.file.startDate).toBe(earlier);
  expect(stationIn((await stored(page, id)).record.file, 'prep')!.log.doneOn).toBe(earlier);
  await station(page, 'Prep');
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await stored(page, id)).record.file.startDate).toBe(start);
  expect(stationIn((await stored(page, id)).record.file, 'prep')!.log.doneOn).toBeUndefined();
});
