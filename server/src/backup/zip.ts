import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import type { KitchenFile } from '@roskel/contract';
import { Unfit } from '../store/errors';

const ENTRY = 'kitchen.json';
/** Larger than any kitchen, small enough to be read. */
const MOST_BYTES = 256 * 1024 * 1024;

/** A kitchen as one file: a zip with kitchen.json in it (docs/formats/kitchen.md). */
export function packKitchen(file: KitchenFile): Uint8Array {
  return zipSync({ [ENTRY]: strToU8(`${JSON.stringify(file, null, 1)}\n`) }, { level: 6, mtime: new Date(file.made) });
}

/** What a backup file holds, unchecked. Throws Unfit when it is no such zip. */
export function unpackKitchen(bytes: Uint8Array): unknown {
  const none = (message: string) => new Unfit(message, [{ path: '', message }]);
  let text: Uint8Array | undefined;
  try {
    text = unzipSync(bytes, { filter: (f) => f.name === ENTRY && f.originalSize <= MOST_BYTES })[ENTRY];
  } catch {
    throw none('This file is no zip that can be read. Choose a backup that Roskel wrote.');
  }
  if (!text) throw none('There is no kitchen.json in this file. Choose a backup that Roskel wrote.');
  try {
    return JSON.parse(strFromU8(text)) as unknown;
  } catch {
    throw none('The kitchen.json in this file is damaged. Choose another backup.');
  }
}
