import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Browser } from '@playwright/test';
import { sql } from 'drizzle-orm';
import { changesBetween, withParams, type BatchFile } from '@roskel/core';
import { DemoServer } from '../e2e/server';
import { ensureChromium } from '../scripts/lib/setup.mjs';
import { openDb } from '../server/src/db/open';
import { seedDemo } from '../server/src/seed/demo';
import { everyBatch, getBatch } from '../server/src/store/batchReads';
import { changeBatch } from '../server/src/store/batches';

/** The built product as a browser and a disk feel it: `npm run bench -- --house`. */
const TODAY = new Date().toISOString().slice(0, 10);
const OWN = { 'X-Roskel': '1', 'Content-Type': 'application/json' };

/** Pages that only list, and what of scripts and styles they may load at first, kB. */
const PAGES = ['/batches', '/today', '/pods', '/larder', '/shelf'];
const WANTED_KB = 260;

interface Load {
  kB: number;
  requests: number;
  byKind: Record<string, number>;
}

/** What the first look at a page brings over the line to a phone in the house, compressed as it is sent there. */
async function firstLoad(browser: Browser, url: string): Promise<Load> {
  const context = await browser.newContext({ extraHTTPHeaders: { 'X-Forwarded-For': '192.168.1.20' } });
  const page = await context.newPage();
  const cdp = await context.newCDPSession(page);
  await cdp.send('Network.enable');
  const kinds = new Map<string, string>();
  const byKind: Record<string, number> = {};
  let [bytes, requests] = [0, 0];
  cdp.on('Network.responseReceived', (e) => kinds.set(e.requestId, e.type));
  cdp.on('Network.loadingFinished', (e) => {
    bytes += e.encodedDataLength;
    requests++;
    const kind = kinds.get(e.requestId) ?? 'Other';
    byKind[kind] = (byKind[kind] ?? 0) + e.encodedDataLength / 1000;
  });
  await page.goto(url);
  await page.waitForLoadState('networkidle').catch(() => undefined);
  await context.close();
  return { kB: bytes / 1000, requests, byKind };
}

/** Milliseconds until the first rows of Batches stand with their ribbons; the median of some tries. */
async function batchesUsable(browser: Browser, base: string): Promise<number> {
  const times: number[] = [];
  for (let i = 0; i < 5; i++) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    const start = performance.now();
    await page.goto(`${base}/batches`);
    await page.locator('.ribbon svg').first().waitFor();
    times.push(performance.now() - start);
    await context.close();
  }
  return times.sort((a, b) => a - b)[2]!;
}

async function saveAgainstRaw(): Promise<{ save: number; raw: number }> {
  const folder = mkdtempSync(join(tmpdir(), 'roskel-bench-'));
  const { db, close } = await openDb(join(folder, 'data'));
  try {
    await seedDemo(db, TODAY);
    const { id } = (await everyBatch(db))[0]!;
    const median = async (run: (n: number) => Promise<unknown>) => {
      const ms: number[] = [];
      for (let n = 0; n < 25; n++) {
        const start = performance.now();
        await run(n);
        ms.push(performance.now() - start);
      }
      return ms.slice(5).sort((a, b) => a - b)[10]!;
    };
    const save = await median(async (n) => {
      const { revision, file } = await getBatch(db, id);
      const days = { tempC: 21, days: 10 + n, targetPh: 3.8 };
      await changeBatch(db, id, revision, changesBetween(file, withParams(file, 'ferment', days)), TODAY);
    });
    const file: BatchFile = (await getBatch(db, id)).file;
    const raw = await median((n) => db.execute(sql`update settings set value = ${JSON.stringify({ n, file })}::json where id = 'raw'`));
    return { save, raw };
  } finally {
    await close();
    rmSync(folder, { recursive: true, force: true });
  }
}

export async function houseBench(): Promise<void> {
  const browser = await chromium.launch({ executablePath: ensureChromium(), args: ['--no-sandbox', '--disable-gpu', '--no-first-run'] });
  const server = new DemoServer(4860);
  const base = await server.start();
  try {
    for (const page of PAGES) {
      const load = await firstLoad(browser, `${base}${page}`);
      const own = (load.byKind.Script ?? 0) + (load.byKind.Stylesheet ?? 0);
      console.log(`first load of ${page}: ${load.kB.toFixed(0)} kB in ${load.requests} requests, compressed`);
      console.log(`    scripts and styles ${own.toFixed(0)} kB, wanted at most ${WANTED_KB}: ${own <= WANTED_KB ? 'yes' : 'NO'}`);
    }
    const few = await batchesUsable(browser, base);
    const list = async () => {
      const start = performance.now();
      await (await fetch(`${base}/api/batches`)).json();
      return performance.now() - start;
    };
    const fewList = await list();
    const rows = (await (await fetch(`${base}/api/batches`)).json()) as { id: string }[];
    const all: { file: BatchFile }[] = [];
    for (const { id } of rows) all.push((await (await fetch(`${base}/api/batches/${id}`)).json()) as { file: BatchFile });
    for (let n = all.length; n < 300; n++) {
      const file = { ...all[n % all.length]!.file, name: `Batch ${n}` };
      await fetch(`${base}/api/batches/import`, { method: 'POST', headers: OWN, body: JSON.stringify({ file }) });
    }
    const [many, manyList] = [await batchesUsable(browser, base), await list()];
    console.log(`Batches usable: 300 batches ${many.toFixed(0)} ms, demo ${few.toFixed(0)} ms, ratio ${(many / few).toFixed(2)}`);
    console.log(
      `GET /batches:   300 batches ${manyList.toFixed(0)} ms, demo ${fewList.toFixed(0)} ms, ratio ${(manyList / fewList).toFixed(1)}`,
    );
  } finally {
    await browser.close();
    await server.end();
  }
  const { save, raw } = await saveAgainstRaw();
  console.log(
    `save of a batch ${save.toFixed(1)} ms, one raw update of the same JSON, synced, ${raw.toFixed(1)} ms, ratio ${(save / raw).toFixed(1)}`,
  );
}
