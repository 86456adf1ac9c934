import { chromium, type Page } from '@playwright/test';
import { lotOfVariety, VARIETIES } from '@roskel/core';
import { BARE_LOT } from '@roskel/contract';
import { DemoServer } from '../e2e/server';
import { ensureChromium } from '../scripts/lib/setup.mjs';

/** Frames of the browser while something moves: `npm run bench -- --browser`. */
interface Frames {
  median: number;
  p95: number;
  longest: number;
}

/** Scripts for the page, as text: the page knows nothing of this file. */
const BEGIN = `
  window.beats = [];
  window.beating = true;
  let last = performance.now();
  const beat = (now) => { beats.push(now - last); last = now; if (beating) requestAnimationFrame(beat); };
  requestAnimationFrame(beat);`;
const END = `window.beating = false; window.beats.slice(2).sort((a, b) => a - b)`;

/** Milliseconds between frames while `move` goes on in the page. */
async function frames(page: Page, move: () => Promise<void>): Promise<Frames> {
  await page.evaluate(BEGIN);
  await move();
  const beats = await page.evaluate<number[]>(END);
  return { median: beats[Math.floor(beats.length / 2)]!, p95: beats[Math.floor(beats.length * 0.95)]!, longest: beats.at(-1)! };
}
const row = (what: string, f: Frames) =>
  console.log(`${what.padEnd(56)} ${f.median.toFixed(1).padStart(7)} ${f.p95.toFixed(1).padStart(7)} ${f.longest.toFixed(1).padStart(8)}`);

export async function browserBench(): Promise<void> {
  const server = new DemoServer(4890);
  const base = await server.start();
  const browser = await chromium.launch({
    executablePath: ensureChromium(),
    args: ['--no-sandbox', '--disable-gpu', '--no-first-run', '--disable-background-networking'],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const scroll = async () => {
      await page.goto(`${base}/pods`);
      await page.locator('[data-stock]').first().waitFor();
      await page.waitForTimeout(500);
      await page.mouse.move(600, 400);
      return frames(page, async () => {
        for (let i = 0; i < 60; i++) {
          await page.mouse.wheel(0, i < 30 ? 400 : -400);
          await page.waitForTimeout(25);
        }
      });
    };
    console.log('ms between frames                                         median     95 %  longest');
    row('scrolling Pods, the 10 demo lots', await scroll());
    const choose = async (lots: number) => {
      await page.goto(`${base}/batches/gorse-gold/pods`);
      await page.locator('[data-fact=solve-ms]').waitFor({ state: 'attached' });
      console.log(`choose pods from ${lots} lots, in the worker: ${await page.locator('[data-fact=solve-ms]').innerText()} ms`);
      const slider = page.getByRole('slider', { name: 'Lemon drop, share' });
      await slider.focus();
      row(
        `dragging a share on the pods page, ${lots} lots`,
        await frames(page, async () => {
          for (let i = 0; i < 60; i++) await page.keyboard.press('ArrowRight');
        }),
      );
    };
    await choose(10);
    for (let i = 0; i < 490; i++) {
      const lot = lotOfVariety(VARIETIES[i % VARIETIES.length]!, { id: `b${i}`, name: `Lot ${i}` });
      await page.request.post(`${base}/api/pods`, { data: { input: { lot, ...BARE_LOT }, stockG: 100 + i, words: '' } });
    }
    row('scrolling Pods, 500 lots', await scroll());
    await choose(500);
  } finally {
    await browser.close();
    await server.end();
  }
}
