import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { RULE_SOURCES } from './places';

function* filesIn(path: string): Generator<string> {
  if (!statSync(path).isDirectory()) yield path;
  else for (const name of readdirSync(path).sort()) yield* filesIn(join(path, name));
}
function print(): string {
  const hash = createHash('sha256');
  for (const place of RULE_SOURCES) for (const file of filesIn(place)) hash.update(readFileSync(file));
  return hash.digest('hex').slice(0, 16);
}

/** The print of the sources that a built program was made of (vite.config.ts): those on the disk may be others by now. */
declare const __RULES__: string | undefined;

/** What these rules look like: what another program's worked out is worked out anew when the kitchen opens, what this one's did stands. */
export const RULES = typeof __RULES__ === 'string' ? __RULES__ : print();
