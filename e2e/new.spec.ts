import type { Page } from '@playwright/test';
import { DemoServer } from './server';
import { done, expect, stored, test } from './test';

/** Counts what the hands do: clicks and Enter, and fields typed into. */
function counted(page: Page) {
  const did = { clicks: 0, fields: 0 };
  return {
    did,
    click: async (name: string | RegExp, role: 'button' | 'link' = 'button') => {
      did.clicks++;
      await page.getByRole(role, { name }).first().click();
    },
    card: async (text: RegExp) => {
      did.clicks++;
      await page.locator('.n-radio').filter({ hasText: text }).click();
    },
    fill: async (label: RegExp, text: string) => {
      did.fields++;
      await page.getByLabel(label).fill(text);
      await page.getByLabel(label).press('Tab');
    },
  };
}

test('a new maker: from nothing to a plan that fills the bottles, in a few clicks; empty places say what to do', async ({ browser }) => {
  const own = new DemoServer(4950, false);
  const base = await own.start();
  const page = await (await browser.newContext({ baseURL: base, locale: 'en-GB' })).newPage();
  try {
    for (const [path, says] of [
      ['/shelf', 'The shelf is empty'],
      ['/larder', 'The larder is empty'],
      ['/pods', 'No pods yet'],
    ] as const) {
      await page.goto(path);
      await expect(page.getByText(says)).toBeVisible();
    }
    // "15 hot pods, garlic, vinegar, six small bottles, medium", said to the form.
    await page.goto('/');
    await expect(page.locator('[data-fact=now]')).toContainText('Nothing is due today');
    await page.getByRole('link', { name: 'Start your first batch' }).click();
    await expect(page.getByRole('heading', { name: 'Your first batch' })).toBeVisible();
    await expect(page.getByRole('button', { name: 'open an example batch' })).toBeVisible();
    // One field, and three things somebody may have, to be clicked.
    await page.getByRole('button', { name: '1 kg of ripe fresnos, salt, a 500 ml jar' }).click();
    await expect(page.locator('[data-fact=odds]')).toBeVisible();
    const hands = counted(page);
    await hands.fill(/What do you have/, '15 hot pods, garlic, vinegar');
    await hands.card(/^\s*medium/);
    await hands.fill(/^Bottles/, '6');
    await expect(page.locator('[data-fact=odds]')).toHaveText(/^(about|nearly|hardly) /);
    const plan = page.getByRole('status', { name: 'The plan' });
    await expect(plan).toContainText('6 bottles of 100 ml');
    await expect(plan).toContainText(/To buy .*sugar.*salt/);
    await hands.click('Start this batch');
    await expect(page.locator('[data-mass=bottle]')).toBeVisible();
    expect(hands.did.clicks).toBeLessThanOrEqual(6);
    expect(hands.did.fields).toBeLessThanOrEqual(4);
    const id = new URL(page.url()).pathname.split('/').at(-1)!;
    const { report, record } = await stored(page, id);
    expect(report.ends[0]!.bottles.filled).toBe(6);
    expect(report.ends[0]!.heat.p50).toBeGreaterThan(500);
    expect(report.ends[0]!.heat.p50).toBeLessThan(2000);
    // Unasked it is quiet: heated, sour by what goes in, and without a danger.
    expect(report.cautions.filter((c) => c.severity === 'danger')).toEqual([]);
    expect(report.ends[0]!.finished.pH).toBeLessThanOrEqual(4.0);
    // What was only named stands among the pods, and is promised to the batch.
    await page.getByRole('button', { name: /^to buy: / }).click();
    await expect(page.getByRole('dialog', { name: 'What is missing' })).toContainText(/sugar/i);
    await page.keyboard.press('Escape');
    await page.goto('/pods');
    await expect(page.getByRole('button', { name: /^Hot pods, mixed.*120 g/ })).toContainText('120 g promised');

    // The whole sentence in one field does as well.
    await page.goto('/batches');
    await page.getByRole('button', { name: 'Start a batch' }).click();
    await page.getByLabel(/What do you have/).fill('20 jalapeños, 2 carrots, garlic, four large bottles, mild');
    await expect(page.getByRole('status', { name: 'The plan' })).toContainText('4 bottles of 250 ml');
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
    // A half-filled form is there again.
    await page.reload();
    await page.getByRole('button', { name: 'Start a batch' }).click();
    await expect(page.getByText('Taken up where you left it.')).toBeVisible();
    await expect(page.getByLabel(/What do you have/)).toHaveValue(/20 jalapeños/);
    await page.getByRole('button', { name: 'Start anew' }).click();
    await expect(page.getByLabel(/What do you have/)).toHaveValue('');
    await page.keyboard.press('Escape');

    // The archive asks for a batch on its way, keeps it, and gives it back.
    await page.goto(`/batches/${id}`);
    await page.keyboard.press('1');
    await done(page);
    await stored(page, id);
    await page.getByRole('button', { name: 'More' }).click();
    await page.getByText('Archive', { exact: true }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Archive it' }).click();
    await expect(page.getByRole('heading', { name: 'Your first batch' })).toBeVisible();
    await page.getByRole('button', { name: 'Archive' }).click();
    await page.getByRole('button', { name: `Restore ${record.file.name}` }).click();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('link', { name: new RegExp(record.file.name) })).toBeVisible();
  } finally {
    await page.context().close();
    await own.end();
  }
});
