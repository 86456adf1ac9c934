import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { TestProject } from 'vitest/node';
import { openDb } from '../src/db/open';

declare module 'vitest' {
  interface ProvidedContext {
    /** Path of a data folder's image, made once: laying out a database takes seconds, reading it in does not. */
    image: string;
  }
}

export default async function setup(project: TestProject) {
  const folder = mkdtempSync(join(tmpdir(), 'roskel-image-'));
  const { image, close } = await openDb(null);
  const path = join(folder, 'kitchen.tar');
  writeFileSync(path, Buffer.from(await (await image()).arrayBuffer()));
  await close();
  project.provide('image', path);
  return () => rmSync(folder, { recursive: true, force: true });
}
