import { strFromU8, strToU8, unzipSync, Unzip, UnzipInflate, Zip, AsyncZipDeflate, ZipDeflate } from 'fflate';
import { MOST_NODES, refuseDeep } from '../http/depth';
import { Unfit } from '../store/errors';
import type { Counts } from './read';

const ENTRY = 'kitchen.json';
/** How many rows of each table are in it. */
const COUNTS = 'counts.json';
/** Larger than any kitchen, small enough to be read. */
const MOST_BYTES = 256 * 1024 * 1024;
/** Text of a kitchen is packed to a tenth, of many batches alike to a two-hundredth; what comes to more is made to fill the memory. */
const MOST_RATIO = 400;
const SPARE_BYTES = 1024 * 1024;
/** Unpacked so much at a time. */
const SLICE_BYTES = 16 * 1024;

/**
 * A kitchen as one file, as it is written: a zip with kitchen.json in it (docs/formats/kitchen.md). It is packed on another
 * thread; `write` hears the pieces in order.
 */
export async function packKitchen(
  text: AsyncIterable<string>,
  counts: Counts,
  made: string,
  write: (piece: Uint8Array) => void,
): Promise<void> {
  await new Promise<void>((done, fail) => {
    const zip = new Zip((error, piece, final) => {
      if (error) return fail(error);
      write(piece);
      if (final) done();
    });
    const options = { level: 6, mtime: new Date(made) } as const;
    const entry = Object.assign(new AsyncZipDeflate(ENTRY, options), { mtime: options.mtime });
    zip.add(entry);
    void (async () => {
      for await (const piece of text) entry.push(strToU8(piece));
      entry.push(new Uint8Array(0), true);
      const count = Object.assign(new ZipDeflate(COUNTS, { level: 6 }), { mtime: options.mtime });
      zip.add(count);
      count.push(strToU8(`${JSON.stringify(counts)}\n`), true);
      zip.end();
    })().catch((error: unknown) => {
      zip.terminate();
      fail(error as Error);
    });
  });
}

const none = (message: string) => new Unfit(message, [{ path: '', message }]);

/** The bytes of one entry of a zip; null where there is none. Throws Unfit for one that is larger than it may be. */
function entryOf(bytes: Uint8Array, name: string): Uint8Array | null {
  const most = Math.min(MOST_BYTES, MOST_RATIO * bytes.length + SPARE_BYTES);
  const pieces: Uint8Array[] = [];
  let [size, found] = [0, false];
  const unzip = new Unzip((file) => {
    if (file.name !== name || found) return;
    found = true;
    file.ondata = (error, piece) => {
      if (error) throw error;
      size += piece.length;
      if (size <= most) pieces.push(piece);
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  for (let i = 0; i < bytes.length && size <= most; i += SLICE_BYTES)
    unzip.push(bytes.subarray(i, i + SLICE_BYTES), i + SLICE_BYTES >= bytes.length);
  if (size > most) throw none('This file unpacks to more than any kitchen holds. Choose a backup that Roskel wrote.');
  return found ? new Uint8Array(Buffer.concat(pieces)) : null;
}

/** What a backup file holds, unchecked. Throws Unfit when it is no such zip. */
export function unpackKitchen(bytes: Uint8Array): unknown {
  let text: Uint8Array | null;
  // PK: what every zip begins with.
  const isZip = bytes[0] === 0x50 && bytes[1] === 0x4b;
  try {
    if (!isZip) throw new Error();
    text = entryOf(bytes, ENTRY);
  } catch (error) {
    throw error instanceof Unfit ? error : none('This file is no zip that can be read. Choose a backup that Roskel wrote.');
  }
  if (!text) throw none('There is no kitchen.json in this file. Choose a backup that Roskel wrote.');
  try {
    refuseDeep(text, MOST_NODES);
    return JSON.parse(strFromU8(text)) as unknown;
  } catch {
    throw none('The kitchen.json in this file is damaged. Choose another backup.');
  }
}

/** How many rows of each table a backup says it has; null where it does not say, or cannot be read. */
export function countsIn(bytes: Uint8Array): Counts | null {
  try {
    const text = unzipSync(bytes, { filter: (f) => f.name === COUNTS && f.originalSize < SPARE_BYTES })[COUNTS];
    return text ? (JSON.parse(strFromU8(text)) as Counts) : null;
  } catch {
    return null;
  }
}
