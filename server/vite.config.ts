import { defineConfig } from 'vite';
import { RULES } from './src/rules';

/** The server and the commands as a few files: reading its four hundred sources one by one takes seconds at every start. */
export default defineConfig({
  root: import.meta.dirname,
  // Those of packages too; these bring files of their own, found from where they are installed.
  ssr: { noExternal: true, external: ['@electric-sql/pglite', 'pg', 'highs'] },
  define: { __RULES__: JSON.stringify(RULES) },
  build: {
    ssr: true,
    target: 'node20',
    outDir: 'dist',
    // Two commands that begin at once may both build: neither takes a file away under the other.
    emptyOutDir: false,
    minify: false,
    rollupOptions: {
      input: {
        ...{ main: 'src/main.ts', worker: 'src/working/worker.ts' },
        ...{ backup: 'src/backup/command.ts', passphrase: 'src/access/command.ts', line: '../scripts/line.ts' },
      },
      // All beside each other: places are found from there as from the sources.
      output: { entryFileNames: '[name].js', chunkFileNames: '[name].js' },
    },
  },
});
