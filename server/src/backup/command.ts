import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { FolderUnfit } from '../db/folder';
import { FolderLocked } from '../db/lock';
import { openDb } from '../db/open';
import { Unfit } from '../store/errors';
import { readKitchen, writeKitchen } from './kitchen';
import { packKitchen, unpackKitchen } from './zip';

/** `backup FILE` writes a kitchen into one file, `restore FILE` reads it into an empty kitchen. */
const USAGE = 'Say: npm run backup -- FILE [--data FOLDER], or: npm run restore -- FILE [--data FOLDER].';

class Misused extends Error {}

async function run(): Promise<void> {
  let said: { values: { data: string }; positionals: string[] };
  try {
    said = parseArgs({ allowPositionals: true, options: { data: { type: 'string', default: '.roskel/data' } } });
  } catch (error) {
    throw new Misused(`${(error as Error).message.split('. ')[0]}. ${USAGE}`);
  }
  const [act, name, more] = said.positionals;
  if ((act !== 'backup' && act !== 'restore') || !name || more) throw new Misused(USAGE);
  const path = resolve(name);
  if (act === 'backup' && existsSync(path)) throw new Misused(`${path} is there already. Say another name.`);
  if (act === 'restore' && !existsSync(path)) throw new Misused(`There is no file ${path}.`);
  if (act === 'backup' && !existsSync(resolve(said.values.data))) throw new Misused(`There is no kitchen in ${resolve(said.values.data)}.`);
  const { db, close } = await openDb(resolve(said.values.data));
  try {
    if (act === 'backup') {
      writeFileSync(path, packKitchen(await readKitchen(db)), { flag: 'wx' });
      console.log(`The kitchen is written to ${path}`);
    } else {
      await writeKitchen(db, unpackKitchen(readFileSync(path)));
      console.log(`The kitchen is read in from ${path}`);
    }
  } finally {
    await close();
  }
}

try {
  await run();
} catch (error) {
  const said = error instanceof Misused || error instanceof FolderUnfit || error instanceof FolderLocked;
  if (error instanceof Unfit) console.error([error.message, ...error.errors.map((e) => `${e.path}: ${e.message}`)].join('\n'));
  else console.error(said ? error.message : error);
  process.exitCode = 1;
}
