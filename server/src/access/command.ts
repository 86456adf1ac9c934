import { createInterface } from 'node:readline/promises';
import { resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { FolderUnfit } from '../db/folder';
import { FolderLocked } from '../db/lock';
import { openDb } from '../db/open';
import { openServer } from '../db/server';
import { Unfit } from '../store/errors';
import { Misused } from '../told';
import { LEAST_LENGTH, setPassphrase } from './passphrase';

/** `npm run passphrase`: sets what opens the kitchen to others in the house. Read from the terminal or from a pipe, never from the command line. */
const USAGE = 'Say: npm run passphrase [-- --data FOLDER, or --kitchen NAME for one on the server of DATABASE_URL]. Stop Roskel first.';

async function asked(): Promise<string> {
  const lines = createInterface({ input: process.stdin, output: process.stdin.isTTY ? process.stdout : undefined, terminal: false });
  if (process.stdin.isTTY) process.stdout.write(`A passphrase for this kitchen, ${LEAST_LENGTH} characters or more (it is shown): `);
  for await (const line of lines) {
    lines.close();
    return line.trim();
  }
  return '';
}

async function run(): Promise<void> {
  let values: { data: string; kitchen: string };
  try {
    ({ values } = parseArgs({
      options: { data: { type: 'string', default: '.roskel/data' }, kitchen: { type: 'string', default: 'home' } },
    }));
  } catch (error) {
    throw new Misused(`${(error as Error).message.split('. ')[0]}. ${USAGE}`);
  }
  const url = process.env.DATABASE_URL?.trim();
  const store = url ? await openServer(url, values.kitchen) : await openDb(resolve(values.data));
  try {
    const passphrase = await asked();
    await store.write((db) => setPassphrase(db, passphrase));
    console.log('The passphrase is set. Whoever was in says the new one. Start with --open to let others in the house in.');
  } finally {
    await store.close();
  }
}

try {
  await run();
} catch (error) {
  const plain = [Misused, FolderUnfit, FolderLocked, Unfit].some((kind) => error instanceof kind);
  console.error(plain ? (error as Error).message : error);
  process.exitCode = 1;
}
