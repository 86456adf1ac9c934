import { fileURLToPath } from 'node:url';
import { chromium } from '@playwright/test';
import config from '../e2e/playwright.config';
import { DemoServer } from '../e2e/server';

/** The pictures of docs/screenshots, from fresh demo data: one per main view, with what to click first. */
const VIEWS: readonly [name: string, path: string, click?: string][] = [
  ['today', '/today'],
  ['jar', '/batches/slipway-red-3?at=ferment'],
  ['batches', '/batches'],
  ['start', '/batches', 'button:has-text("Start a batch")'],
  ['recipe', '/batches/from-a-recipe'],
  ['batch', '/batches/gorse-gold?at=blend'],
  ['choose', '/batches/gorse-gold/pods'],
  ['pods', '/pods'],
  ['larder', '/larder'],
  ['shelf', '/shelf'],
  ['bench', '/bench/mix'],
  ['trim', '/batches/overnight-red/trim/trim'],
  ['label', '/shelf', 'a:has-text("Labels")'],
  ['counter', '/batches/harbour-dark/counter'],
  ['guide', '/guide/where-heat-sits'],
  ['ideas', '/batches/ideas'],
  ['season', '/batches/season'],
  ['scores', '/batches/scores'],
];
const server = new DemoServer(4800);
const base = await server.start();
const browser = await chromium.launch(config.use!.launchOptions!);
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' });
  for (const [name, path, click] of VIEWS) {
    await page.goto(base + path);
    await page.waitForTimeout(2500);
    if (click) {
      await page.click(click);
      await page.waitForTimeout(900);
    }
    if (name === 'start') {
      await page.getByLabel(/What do you have/).fill('15 hot pods, garlic, vinegar, six small bottles, medium');
      await page.waitForTimeout(4000);
    }
    if (name === 'recipe') {
      await page.getByRole('button', { name: 'a list and what is done' }).click();
      await page.waitForTimeout(3500);
      await page.getByRole('button', { name: 'Hide the text field' }).click();
      await page.mouse.move(640, 790);
    }
    if (name === 'trim') {
      await page.locator('[data-rail=heat]').getByRole('button', { name: 'too hot' }).click();
      await page.locator('[data-rail=sweet]').getByRole('button', { name: 'not sweet' }).click();
      await page.waitForTimeout(3000);
      await page.mouse.move(640, 790);
    }
    if (name === 'bench') await page.getByRole('heading', { name: /mixes that do it/ }).waitFor();
    if (name === 'label') await page.waitForTimeout(2500);
    if (name === 'pot') {
      await page.getByLabel('Minutes so far').fill('12');
      await page.getByLabel(/Pot and all/).fill('2660');
      await page.getByRole('button', { name: 'Add', exact: true }).click();
      await page.waitForTimeout(2500);
      await page.mouse.move(640, 500);
    }
    if (name === 'season') await page.getByText(/^\s*no plan is more than \d+ % better\s*$/).waitFor({ timeout: 120_000 });
    if (name === 'ideas') await page.getByText(/^\s*\d+ of 17 kinds\s*$/).waitFor({ timeout: 120_000 });
    await page.screenshot({ path: fileURLToPath(new URL(`../docs/screenshots/${name}.png`, import.meta.url)) });
    console.log(`docs/screenshots/${name}.png`);
  }
  const phone = await browser.newPage({ viewport: { width: 390, height: 844 }, locale: 'en-GB' });
  await phone.goto(`${base}/batches/spring-tide`);
  await phone.waitForTimeout(2500);
  await phone.screenshot({ path: fileURLToPath(new URL('../docs/screenshots/phone.png', import.meta.url)) });
} finally {
  await browser.close();
  await server.end();
}
