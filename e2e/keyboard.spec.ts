import { readFileSync } from 'node:fs';
import { Hands } from './hands';
import { expect, stored, test } from './test';

test('from a sentence to the labels with the keyboard alone, and the focus is never nowhere', async ({ page }) => {
  const hands = new Hands(page);
  await page.goto('/');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await hands.act(/^Batches/);
  await hands.act(/^Start a batch/);
  await hands.write(/What do you have/, '15 jalapeños, garlic, cider vinegar, 3 small bottles, mild');
  await expect(page.getByRole('status', { name: 'The plan' })).toContainText('3 bottles of');
  await hands.act(/^Start this batch/);
  await expect(page.locator('[data-mass=bottle]')).toBeVisible();
  const id = new URL(page.url()).pathname.split('/').at(-1)!;
  const name = (await page.getByRole('heading', { level: 1 }).textContent())!;

  const names = (await stored(page, id)).report.stations.map((s) => s.name);
  for (const [i, at] of names.entries()) {
    const last = i === names.length - 1;
    await expect(page.getByRole('region', { name: `${at}: worksheet` })).toBeVisible();
    if (last) {
      await hands.write(/^Bottles filled/, '3');
      await hands.write(/^Hot when filled/, '85');
      await hands.write(/^pH, heated/, '3.6');
    }
    await hands.act(last ? /^Done today/ : new RegExp(`^Done, on to ${names[i + 1]}`));
    // The next station has the focus, and not the top of the page.
    if (!last) await expect(page.getByRole('region', { name: `At ${names[i + 1]}`, exact: true })).toBeFocused();
  }
  await expect(page.getByRole('button', { name: 'Not done' })).toBeVisible();
  // The pH was read of what cooled: it counts when the step is done.
  await expect(page.getByText(/does not count any more/)).toHaveCount(0);
  await stored(page, id);
  // What took the focus shows it to a keyboard, and not to a pointer, which sees where it pressed.
  const part = page.getByRole('region', { name: 'What is measured at Bottle' });
  await expect(part).toBeFocused();
  await expect(part).toHaveCSS('outline-style', 'solid');
  await page.getByRole('button', { name: 'Not done' }).click();
  await expect(part).toBeFocused();
  await expect(part).toHaveCSS('outline-style', 'none');
  await hands.act(/^Done today/);
  await expect(part).toHaveCSS('outline-style', 'solid');
  await stored(page, id);

  // The keys of the stations keep the focus as well.
  await hands.press('2');
  await expect(page.getByRole('region', { name: `${names[1]}: worksheet` })).toBeVisible();
  await hands.act(/^More$/);
  await hands.press('Escape');

  await hands.act(/^Shelf/);
  await hands.write(/^Find a sauce/, name);
  await expect(page.getByRole('region', { name, exact: true })).toBeVisible();
  await hands.act(/^Labels/);
  await expect(page.getByRole('img', { name: `Label of ${name}` })).toContainText('Ingredients:');
  await hands.to(/labels? as PDF/);
  const [download] = await Promise.all([page.waitForEvent('download'), hands.press('Enter')]);
  expect(
    readFileSync(await download.path())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');
});
