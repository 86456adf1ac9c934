import { createHash } from 'node:crypto';
import type { Plugin } from 'vite';

/** Tells the service worker which files the program is made of, when it is built. */
export function keepList(): Plugin {
  return {
    name: 'keep-list',
    enforce: 'post',
    generateBundle(_, bundle) {
      const worker = bundle['sw.js'];
      if (worker?.type !== 'chunk') return;
      if (worker.imports.length > 0) throw new Error('The service worker must be one file.');
      const list = Object.values(bundle)
        .filter((file) => file !== worker)
        .map((file) => {
          const source = file.type === 'chunk' ? file.code : file.source;
          // A name with a hash in it is another file when it changes.
          const revision = /-[\w-]{8}\.\w+$/.test(file.fileName) ? null : createHash('sha256').update(source).digest('hex').slice(0, 16);
          return { url: `/${file.fileName}`, revision };
        });
      if (!worker.code.includes('self.__WB_MANIFEST')) throw new Error('The service worker has no place for its list.');
      worker.code = worker.code.replace('self.__WB_MANIFEST', JSON.stringify(list));
    },
  };
}
