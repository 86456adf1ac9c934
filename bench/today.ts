import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Browser } from '@playwright/test';
import { sql } from 'drizzle-orm';
import { addDays, type BatchFile, type Reading } from '@roskel/core';
import { DemoServer } from '../e2e/server';
import { ensureChromium } from '../scripts/lib/setup.mjs';
import { openDb } from '../server/src/db/open';
import { seedDemo } from '../server/src/seed/demo';
import { everyBatch, listToday } from '../server/src/store/batchReads';
import { addBatch } from '../server/src/store/batches';

/** Today with 200 batches and 20,000 readings, against the database alone: `npm run bench -- --today`. */
const TODAY = new Date().toISOString().slice(0, 10);
const BATCHES = 200;
const READINGS = 100;

/** A jar at work that was read a hundred times. */
function read(file: BatchFile, n: number): BatchFile {
  const startDate = addDays(TODAY, -30);
  const readings = Array.from({ length: READINGS }, (_, i): Reading => {
    const day = 0.5 + i * 0.28;
    const at = new Date(Date.parse(`${startDate}T08:00:00Z`) + day * 86_400_000).toISOString();
    return { id: `r${i}`, stationId: 'ferment', at, pH: Number((3.7 + 1.4 * Math.exp(-day / 5)).toFixed(2)), instrument: 'meter' };
  });
  const strands = file.strands.map((s) => ({
    ...s,
    stations: s.stations.map((e) => ({ ...e, log: e.id === 'prep' || e.id === 'salt' ? { doneOn: startDate } : {} })),
  }));
  return { ...file, name: `Batch ${n}`, startDate, readings, strands, dutiesDone: [] };
}
const median = async (run: () => Promise<unknown>) => {
  const ms: number[] = [];
  for (let n = 0; n < 15; n++) {
    const start = performance.now();
    await run();
    ms.push(performance.now() - start);
  }
  return ms.slice(5).sort((a, b) => a - b)[5]!;
};

async function usable(browser: Browser, base: string): Promise<number> {
  const times: number[] = [];
  for (let i = 0; i < 5; i++) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    const start = performance.now();
    await page.goto(`${base}/today`);
    await page.locator('.list li').first().waitFor();
    times.push(performance.now() - start);
    await context.close();
  }
  return times.sort((a, b) => a - b)[2]!;
}

export async function todayBench(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'roskel-bench-'));
  const { db, close } = await openDb(join(folder, 'data'), { demo: true });
  await seedDemo(db, TODAY);
  const [few, bare] = [await median(() => listToday(db)), (await everyBatch(db)).find((b) => b.id === 'slipway-red-3')!.file];
  for (let n = 0; n < BATCHES; n++) await addBatch(db, read(bare, n), TODAY);
  const count = ((await db.execute(sql`select count(*)::int as n from readings`)) as { rows: { n: number }[] }).rows[0]!.n;
  const ours = await median(() => listToday(db));
  const raw = await median(() => db.execute(sql`select id, revision, name, start_date, needs, today from batches where not archived`));
  await close();
  console.log(
    `GET /today: ${BATCHES} batches, ${count} readings ${ours.toFixed(1)} ms (demo ${few.toFixed(1)}), the database alone ${raw.toFixed(1)} ms, ratio ${(ours / raw).toFixed(2)}, wanted at most 3: ${ours / raw <= 3 ? 'yes' : 'NO'}`,
  );
  const browser = await chromium.launch({ executablePath: ensureChromium(), args: ['--no-sandbox', '--disable-gpu', '--no-first-run'] });
  const times: number[] = [];
  try {
    for (const data of [undefined, join(folder, 'data')]) {
      const server = new DemoServer(4890, true, data);
      try {
        times.push(await usable(browser, await server.start()));
      } finally {
        await server.end();
      }
    }
  } finally {
    await browser.close();
    rmSync(folder, { recursive: true, force: true });
  }
  const [demo, many] = times as [number, number];
  console.log(
    `Today usable: ${BATCHES} batches ${many.toFixed(0)} ms, demo ${demo.toFixed(0)} ms, ratio ${(many / demo).toFixed(2)}, wanted at most 2: ${many / demo <= 2 ? 'yes' : 'NO'}`,
  );
}

if (process.argv[1]?.endsWith('today.ts')) await todayBench();
