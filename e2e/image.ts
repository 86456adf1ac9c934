import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DemoServer, IMAGE } from './server';

/** Fills the demo once: laying out a database and working out its batches takes seconds, copying a folder does not. */
export default async function setup(): Promise<() => void> {
  const folder = mkdtempSync(join(tmpdir(), 'roskel-image-'));
  const server = new DemoServer(4290, true, folder);
  await server.start();
  await server.stop();
  process.env[IMAGE] = folder;
  return () => rmSync(folder, { recursive: true, force: true });
}
