import { readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants } from 'node:zlib';
import type { Plugin } from 'vite';

/** Kinds of files that become smaller. Fonts and pictures are compressed already. */
const TEXTS = /\.(?:js|css|html|svg|json|webmanifest|wasm)$/;
/** A shorter answer is one packet either way, bytes. */
const LEAST_BYTES = 1024;
/** Above this the best quality takes seconds for a few hundredths, bytes. */
const LARGE_BYTES = 1e6;
const [BEST, QUICK] = [11, 9];

/** Writes each file of the product a second time, compressed: the server sends it where brotli is understood. */
export function brotli(): Plugin {
  const compress = promisify(brotliCompress);
  return {
    name: 'brotli',
    apply: 'build',
    async writeBundle({ dir }, bundle) {
      const paths = Object.keys(bundle).flatMap((name) => (TEXTS.test(name) ? [join(dir!, name)] : []));
      await Promise.all(
        paths.map(async (path) => {
          const source = await readFile(path);
          if (source.length < LEAST_BYTES) return;
          const params = {
            [constants.BROTLI_PARAM_QUALITY]: source.length > LARGE_BYTES ? QUICK : BEST,
            [constants.BROTLI_PARAM_SIZE_HINT]: source.length,
          };
          await writeFile(`${path}.br`, await compress(source, { params }));
        }),
      );
    },
  };
}
