import { podUses, type BatchFile } from '@roskel/core';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';
import { expect, goIn, importExample, test } from './test';

test.use({ kitchen: 'reach' });
const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');
const ROUTES = [
  '/enter',
  '/batches',
  '/batches/ideas',
  '/batches/scores',
  '/batches/season',
  '/batches/slipway-red-3',
  '/batches/slipway-red-2?at=bottle',
  '/batches/gorse-gold?at=salt',
  '/batches/gorse-gold?at=blend',
  '/batches/gorse-gold?at=strain',
  '/batches/gorse-gold/pods',
  '/batches/spring-tide',
  '/batches/spring-tide?at=char',
  '/batches/harbour-dark?at=simmer',
  '/batches/lantern-paste?at=press',
  '/batches/lantern-paste?at=toast',
  '/batches/lantern-paste?at=soak',
  '/batches/lantern-paste?at=fry',
  '/batches/lantern-paste?at=bottle',
  '/batches/gorse-gold?at=drain',
  '/batches/overnight-red?at=steep',
  '/today',
  '/batches/rockpool-green?at=ferment',
  '/batches/lugger-sweet?at=thicken',
  '/batches/overnight-red?at=trim',
  '/batches/overnight-red/trim/trim',
  '/batches/overnight-red/counter',
  '/pods',
  '/pods/varieties',
  '/larder',
  '/larder/table',
  '/larder/tools',
  '/batches/slipway-red-2?at=bottle',
  '/batches/slipway-red-2/cost',
  '/record/batch/slipway-red-2',
  '/side-by-side?of=slipway-red-2,slipway-red-3',
  '/shelf',
  '/shelf/slipway-red-2',
  '/bench/mix',
  '/bench/dilution',
  '/bench/match',
  '/bench/trim',
  '/bench/heat',
  '/bench/ph',
  '/bench/salt',
  '/bench/measures',
  '/nowhere',
  '/larder/devices',
  '/log',
  '/guide',
  '/guide/keeping',
  '/guide/try',
];
const OTHERWISE_ON_A_PHONE = new Set([
  '/today',
  '/batches/overnight-red/trim/trim',
  '/batches',
  '/batches/spring-tide',
  '/pods',
  '/larder/table',
  '/bench/mix',
  '/guide/keeping',
  '/guide/try',
]);
/** Each dialog: where it is, and the button that opens it. */
const DIALOGS: readonly [path: string, open: string | RegExp][] = [
  ['/batches', 'Start a batch'],
  ['/batches', 'Archive'],
  ['/batches/slipway-red-3', 'Log a reading'],
  ['/batches/slipway-red-3?at=ferment', 'Look and smell'],
  ['/batches/slipway-red-3?at=ferment', /^why, and/],
  ['/batches/lantern-paste?at=fry', /^to buy: /],
  ['/today', 'Calendar'],
  ['/today', /^Look: /],
  ['/batches/slipway-red-3', /^Heat .* to /],
  ['/batches/gorse-gold?at=blend', 'Paste a list'],
  ['/pods', 'Add a lot'],
  ['/pods', /^Red cayenne/],
  ['/pods/varieties', /^Copy Bell, red/],
  ['/larder', 'Add something'],
  ['/larder', /^Honey/],
  ['/larder/table', /^Copy /],
  ['/larder/tools', /^Change Wide/],
  ['/larder/tools', /^Change Green pen/],
  ['/shelf', 'How hot was it?'],
  ['/shelf/slipway-red-2', 'Make it again'],
  ['/batches/slipway-red-2?at=bottle', 'Add a temperature log'],
  ['/batches/slipway-red-2?at=bottle', 'Make it sourer or thinner'],
  ['/batches', 'Kitchen'],
  ['/batches', 'Keys'],
];

/** Every fault that axe finds, of every rule it has or of these. */
async function faults(page: Page, rules?: string[]): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(AXE);
  return page.evaluate(async (runOnly) => {
    interface Found {
      violations: { id: string; nodes: { html: string; failureSummary: string }[] }[];
    }
    const { axe } = window as unknown as { axe: { run(options: object): Promise<Found> } };
    const { violations } = await axe.run(runOnly ? { runOnly } : {});
    return violations.flatMap((v) => v.nodes.slice(0, 3).map((n) => `${v.id}: ${n.html.slice(0, 140)} ${n.failureSummary.slice(0, 160)}`));
  }, rules);
}
/** The same page at night, and in the colours of the system: words that cannot be told from their ground, drawn ones too. */
async function atNight(page: Page): Promise<string[]> {
  const drawn = () =>
    page.evaluate(() =>
      [...document.querySelectorAll<SVGTextElement>('main svg text')]
        .filter((t) => {
          const [r, g, b] = (/\d+, \d+, \d+/.exec(getComputedStyle(t).fill)?.[0] ?? '255, 255, 255').split(', ').map(Number);
          // A label is drawn as it is printed, dark on white.
          return !t.closest('svg')!.querySelector('.paper') && 0.2126 * r! + 0.7152 * g! + 0.0722 * b! < 70;
        })
        .map((t) => `black on black: ${t.textContent!.trim()}`)
        .slice(0, 3),
    );
  await page.emulateMedia({ colorScheme: 'dark' });
  const odd = [...(await faults(page, ['color-contrast'])), ...(await drawn())].map((f) => `at night, ${f}`);
  await page.emulateMedia({ colorScheme: 'dark', forcedColors: 'active' });
  odd.push(...(await drawn()).map((f) => `forced colours, ${f}`));
  await page.emulateMedia({ colorScheme: 'light', forcedColors: 'none' });
  return odd;
}
/**
 * What is cut at the side or ends in dots, what sticks out of its plate, text smaller than 13 px, and more than one thing
 * that scrolls by itself.
 */
async function misfits(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const out: string[] = [];
    // What is for paper only is not there.
    const heads = [...document.querySelectorAll<HTMLElement>('main h1')].filter((h) => h.offsetParent !== null).length;
    if (heads !== 1) out.push(`${heads} headings of the page`);
    if (document.title === 'Roskel' && location.pathname !== '/enter') out.push('the window has no title of its own');
    if (document.documentElement.scrollWidth > window.innerWidth + 1)
      out.push(`the page is ${document.documentElement.scrollWidth} px wide`);
    for (const el of document.querySelectorAll<HTMLElement>('main *, .n-modal *')) {
      const own = [...el.childNodes].some((n) => n.nodeType === 3 && n.textContent!.trim() !== '');
      const box = el.getBoundingClientRect();
      if (!own || box.width === 0 || el.closest('.visually-hidden, [aria-hidden="true"], kbd')) continue;
      const drawn = el instanceof SVGElement ? ((el as unknown as SVGGraphicsElement).getScreenCTM()?.a ?? 1) : 1;
      const size = parseFloat(getComputedStyle(el).fontSize) * drawn;
      if (size < 12.9) out.push(`${size.toFixed(1)} px: ${el.textContent!.trim().slice(0, 40)}`);
      if (box.right > window.innerWidth + 1 && !el.closest('.n-data-table, .scroll-x'))
        out.push(`cut at the side: ${el.textContent!.trim().slice(0, 40)}`);
      const style = getComputedStyle(el);
      const dots = style.textOverflow === 'ellipsis' && el.scrollWidth > el.clientWidth + 1;
      const clamped = style.webkitLineClamp !== 'none' && el.scrollHeight > el.clientHeight + 2;
      if (dots || clamped) out.push(`ends in dots: ${el.textContent!.trim().slice(0, 40)}`);
    }
    for (const plate of document.querySelectorAll<HTMLElement>('.plate')) {
      const { right, width } = plate.getBoundingClientRect();
      if (width === 0) continue;
      for (const el of plate.querySelectorAll<HTMLElement>('.n-input, .n-base-selection, .n-button, h2, h3, p, li'))
        if (el.getBoundingClientRect().right > right - 1 && !el.closest('.scroll-x, .n-data-table, .visually-hidden'))
          out.push(`out of its plate: ${(el.getAttribute('aria-label') ?? el.textContent ?? '').trim().slice(0, 40)}`);
    }
    // A station is worked on within one window: nothing of it is looked for below.
    if (window.innerWidth >= 1280)
      for (const part of document.querySelectorAll<HTMLElement>('.columns > .plate > *'))
        if (part.getBoundingClientRect().bottom > window.innerHeight + 8)
          out.push(`below the window: ${part.textContent!.trim().slice(0, 40)}`);
    const scrolls = [...document.querySelectorAll<HTMLElement>('main *')].filter(
      (el) => /auto|scroll/.test(getComputedStyle(el).overflowY) && el.clientHeight > 0 && el.scrollHeight > el.clientHeight + 1,
    );
    if (scrolls.length > 1) out.push(`${scrolls.length} things scroll: ${scrolls.map((el) => el.className).join(' | ')}`);
    return [...new Set(out)].slice(0, 8);
  });
}
/** Things to press that a wet finger would miss. */
async function small(page: Page): Promise<string[]> {
  return page.evaluate(() =>
    [
      ...document.querySelectorAll<HTMLElement>(
        'main button, main a, nav a, nav button, main input, main [role=combobox], main [role=checkbox]',
      ),
    ]
      .filter((el) => {
        const box = el.getBoundingClientRect();
        // A link within a sentence is as high as its line (WCAG 2.2, 2.5.8: inline).
        const inline = el.matches('a:not(.act):not(.batch), .link') && getComputedStyle(el.parentElement!).display !== 'flex';
        return (
          box.width > 0 &&
          box.height > 0 &&
          !inline &&
          !el.matches('.visually-hidden, [type=file], .n-radio-input') &&
          box.height < 43.5 &&
          (el.closest('.n-input, .n-base-selection, .n-radio')?.getBoundingClientRect().height ?? 0) < 43.5
        );
      })
      .map(
        (el) =>
          `${Math.round(el.getBoundingClientRect().height)} px: ${(el.getAttribute('aria-label') ?? el.textContent ?? '').trim().slice(0, 40)}`,
      )
      .slice(0, 8),
  );
}
/** There, and nothing has moved for a while. Within the house one goes as a link would: what was read in stays. */
async function settled(page: Page, path: string): Promise<void> {
  if (page.url().startsWith('http')) await goIn(page, path);
  else {
    await page.goto(path);
    await page.evaluate(() => {
      const w = window as unknown as { moved: number };
      w.moved = performance.now();
      new MutationObserver(() => (w.moved = performance.now())).observe(document, { subtree: true, childList: true, characterData: true });
    });
  }
  await still(page, path);
  // What is worked out there takes its time.
  if (path === '/batches/season') await page.locator('[data-fact=batch]').first().waitFor({ timeout: 60_000 });
}
/** It is the page of this address, and nothing in it has moved for a while. */
async function still(page: Page, path: string): Promise<void> {
  await page.waitForFunction(
    (to) => {
      const { moved } = window as unknown as { moved: number };
      // The address changes before the page does: its part may still be on its way.
      interface App {
        __vue_app__?: { config: { globalProperties: { $route: { path: string } } } };
      }
      const shown = (document.querySelector('#app') as App | null)?.__vue_app__?.config.globalProperties.$route.path;
      const there = shown === to.split('?')[0] && document.querySelector('main h1') !== null;
      return there && performance.now() - moved > 300 && !document.querySelector('.n-spin-body');
    },
    path,
    { polling: 60, timeout: 15_000 },
  );
}

// Long and independent of each other: both workers take of them.
test.describe.configure({ mode: 'parallel' });
/** A desk, a phone, and where text is made four times as large on a window of 1280 (WCAG 2.2, 1.4.10: reflow). */
const SIZES = { desk: [1280, 800], phone: [390, 844], reflow: [320, 256] } as const;

/** What is wrong with the page as it stands, at a size. */
const ODD = {
  desk: async (page: Page) => [...(await faults(page)), ...(await misfits(page)), ...(await atNight(page))],
  // On a phone the same things stand in another order: axe looks at those that are drawn otherwise.
  phone: async (page: Page, path: string) => [
    ...(OTHERWISE_ON_A_PHONE.has(path) ? await faults(page) : []),
    ...(await misfits(page)),
    ...(await small(page)),
  ],
  // At four times the size what is drawn is smaller than what is written, and a closed list shows less of its choice.
  reflow: async (page: Page) => (await misfits(page)).filter((f) => !/^(?:[\d.]+ px|ends in dots): /.test(f)),
};

const PARTS = 2;
for (let part = 0; part < PARTS; part++)
  test(`every route at 1280, 390 and 320 px, part ${part + 1} of ${PARTS}: no fault that axe knows, nothing cut, nothing small`, async ({
    page,
  }) => {
    test.slow();
    // A lot that is used up stands in the list as well.
    const [any] = (await (await page.request.get('/api/pods')).json()) as Record<string, unknown>[];
    const { lot, gotOn, place, note, useFirst, ripeness, pricePerKg } = any!;
    const input = {
      lot: { ...(lot as object), id: `used-up-${part}`, name: 'Used up' },
      gotOn,
      place,
      note,
      useFirst,
      ripeness,
      pricePerKg,
    };
    await page.request.post('/api/pods', { data: { input, stockG: 0, words: '' }, headers: { 'X-Roskel': '1' } });
    const found: Record<string, string[]> = {};
    const [bottles] = (await (await page.request.get('/api/shelf')).json()) as { id: string }[];
    const routes = [...ROUTES, `/shelf/${bottles!.id}/label`].filter((_, i) => i % PARTS === part);
    for (const [i, path] of routes.entries()) {
      // Come upon at a desk one time, on a phone the next: what is decided as a page begins is seen at either.
      const sizes: (keyof typeof SIZES)[] = i % 2 === 0 ? ['desk', 'phone', 'reflow'] : ['phone', 'reflow', 'desk'];
      for (const [k, size] of sizes.entries()) {
        const [width, height] = SIZES[size];
        await page.setViewportSize({ width, height });
        if (k === 0) await settled(page, path);
        else {
          await page.evaluate(() => ((window as unknown as { moved: number }).moved = performance.now()));
          await still(page, path);
        }
        const odd = await ODD[size](page, path);
        if (odd.length > 0) found[`${width} ${path}`] = odd;
      }
    }
    expect(found).toEqual({});
  });

test('every dialog: named, and no fault that axe knows', async ({ page }) => {
  test.slow();
  const found: Record<string, string[]> = {};
  for (const [path, open] of DIALOGS) {
    await settled(page, path);
    await page.getByRole('button', { name: open }).first().click();
    const dialog = page.getByRole('dialog').first();
    await expect(dialog).toBeVisible();
    await page.waitForTimeout(350);
    const name = await dialog.getAttribute('aria-label');
    const odd = [...(name ? [] : ['no name']), ...(await faults(page)), ...(await misfits(page))];
    if (odd.length > 0) found[`${path} ${open}`] = odd;
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
  }
  expect(found).toEqual({});
});

test('at 200 % every function of a station is within reach', async ({ page }) => {
  const id = await importExample(page, 'Zoomed');
  await page.setViewportSize({ width: 640, height: 400 });
  await settled(page, `/batches/${id}?at=bottle`);
  for (const name of ['Steps', 'More', /^Done, on|^Done today/]) {
    const button = page.getByRole('button', { name }).first();
    await button.scrollIntoViewIfNeeded();
    await expect(button).toBeInViewport();
  }
});

test('on paper a batch is a bench sheet: every gram, every step, lines to write on', async ({ page }) => {
  await settled(page, '/batches/gorse-gold');
  await expect(page.locator('[data-mass=bottle]')).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  const sheet = page.getByRole('article', { name: 'Bench sheet' });
  await expect(sheet).toBeVisible();
  const { file } = (await (await page.request.get('/api/batches/gorse-gold')).json()) as { file: BatchFile };
  for (const { massG } of podUses(file)) await expect(sheet).toContainText(`${massG < 10 ? massG.toFixed(1) : Math.round(massG)} g`);
  await expect(sheet).toContainText(/water \d+ g\s+salt \d+ g/);
  await expect(sheet.getByText('weighed')).toHaveCount(7);
  await expect(page.getByRole('navigation')).toBeHidden();
  await expect(page.locator('.columns')).toBeHidden();
  // Other pages are whole, and without what is pressed or typed into.
  await page.emulateMedia({ media: 'screen' });
  for (const [path, row, least] of [
    ['/larder/table', '.n-data-table-tr', 200],
    ['/side-by-side?of=slipway-red-2,slipway-red-3', 'tbody tr', 8],
    ['/guide/keeping', 'tbody tr', 10],
    ['/today', '[data-duty]', 5],
  ] as const) {
    await settled(page, path);
    await page.emulateMedia({ media: 'print' });
    await expect.poll(() => page.locator(row).count(), path).toBeGreaterThanOrEqual(least);
    await expect(page.locator('main h1')).toBeVisible();
    for (const pressed of await page.locator('main .n-button:not(.link, .sort), main .find').all()) await expect(pressed).toBeHidden();
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
    await page.emulateMedia({ media: 'screen' });
  }
});

test('the first stop of the keyboard leads past the rail', async ({ page }) => {
  await settled(page, '/batches');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'To the page' })).toBeFocused();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Tab');
  expect(await page.evaluate(() => document.querySelector('main')!.contains(document.activeElement))).toBe(true);
});
