import { chromium } from '@playwright/test';
import config from '../e2e/playwright.config';
import { DemoServer } from '../e2e/server';
const server = new DemoServer(4900);
const base = await server.start();
const browser = await chromium.launch(config.use!.launchOptions!);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' });
page.on('pageerror', (e) => console.log('PAGEERROR', e.message));
page.on('console', (m) => m.type() === 'error' && console.log('CONSOLE', m.text()));
try {
  const { default: run } = await import(process.argv[2]!);
  await run(page, base, async (n: string) => page.screenshot({ path: `/tmp/shots/${n}.png` }));
} finally { await browser.close(); await server.end(); }
