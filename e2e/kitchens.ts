import { rmSync } from 'node:fs';
import pg from 'pg';
import { postgresAt, startPostgres } from '../scripts/lib/postgres.mjs';
import { ensureBuilt } from '../scripts/lib/setup.mjs';
import { DemoServer } from './server';

/** Where a kitchen of the tests is kept: a folder and one process, or a PostgreSQL server and two processes on it. */
export type Keeping = 'folder' | 'server';

/** What the run made for all its tests (playwright.config's globalSetup): a filled folder, a filled database. */
const IMAGE = { folder: 'ROSKEL_DEMO_FOLDER', server: 'ROSKEL_DEMO_SERVER' } as const;
const FILLED = 'demo_image';
export const demoImage = (): string | undefined => process.env[IMAGE.folder];

async function asked(url: string, ...statements: string[]): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    for (const s of statements) await client.query(s);
  } finally {
    await client.end();
  }
}

/** Fills the demo once for each way of keeping it: working out its batches takes many seconds, copying does not. */
export default async function setup(): Promise<() => void> {
  ensureBuilt();
  const folder = new DemoServer(4290, true);
  const there = postgresAt() ? await startPostgres() : null;
  if (there) await asked(there.url(), `create database ${FILLED}`);
  const filling = [folder, ...(there ? [new DemoServer(4292, true, undefined, there.url(FILLED))] : [])];
  await Promise.all(filling.map((s) => s.start()));
  await Promise.all(filling.map((s) => s.stop()));
  process.env[IMAGE.folder] = folder.folder;
  if (there) process.env[IMAGE.server] = there.url('');
  return () => {
    for (const s of filling) rmSync(s.folder, { recursive: true, force: true });
    there?.end();
  };
}

/** The processes of a kitchen that begins as the demo; tests in turn ask each of them. */
export async function demoKitchen(keeping: Keeping, port: number): Promise<DemoServer[]> {
  const at = process.env[IMAGE.server];
  if (keeping === 'folder' || at === undefined) {
    const one = new DemoServer(port, true);
    await one.start();
    return [one];
  }
  const own = `kitchen_${port}`;
  await asked(`${at}postgres`, `create database ${own} template ${FILLED}`);
  const two = [port, port + 1].map((p) => new DemoServer(p, true, undefined, `${at}${own}`));
  await Promise.all(two.map((s) => s.start()));
  return two;
}
