import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { TestProject } from 'vitest/node';
import { ensureBuilt } from '../../scripts/lib/setup.mjs';
import { openDb } from '../src/db/open';
import { seedDemo } from '../src/seed/demo';
import { kitchenText } from '../src/backup/read';

export const DEMO_DAY = '2026-11-24';
/** Where the backup of the demo is found, once it is made. */
export const DEMO_BACKUP = 'ROSKEL_DEMO_BACKUP';

declare module 'vitest' {
  interface ProvidedContext {
    /** Path of a data folder's image, made once: laying out a database takes seconds, reading it in does not. */
    image: string;
    /** The same of a kitchen with the demo in it, as on DEMO_DAY. */
    demo: string;
    /** Address of a PostgreSQL server with a database `image` and a database `demo`; empty where tests run on the embedded one. */
    postgres: string;
  }
}

export default async function setup(project: TestProject) {
  ensureBuilt(['server']);
  const folder = mkdtempSync(join(tmpdir(), 'roskel-image-'));
  const { db, image, close } = await openDb(null);
  const keep = async (name: 'image' | 'demo') => {
    const path = join(folder, `${name}.tar`);
    writeFileSync(path, Buffer.from(await (await image()).arrayBuffer()));
    project.provide(name, path);
  };
  await keep('image');
  await seedDemo(db, DEMO_DAY);
  await keep('demo');
  // For the tests on a PostgreSQL server: read in there, which takes a tenth of making it anew.
  process.env[DEMO_BACKUP] = join(folder, 'demo.json');
  await writeFile(process.env[DEMO_BACKUP], kitchenText(db, `${DEMO_DAY}T00:00:00.000Z`));
  await close();
  project.provide('postgres', '');
  return () => rmSync(folder, { recursive: true, force: true });
}
