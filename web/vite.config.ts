import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vite';
import { keepList } from './keep.ts';

/** Packages that most pages draw with. Calendars, uploads, charts and papers come when they are asked for. */
const KIT = [
  ...['vue', '@vue', 'vue-router', 'pinia', 'comlink', '@tabler', 'd3-'],
  ...['naive-ui/es/(?!date-picker|upload)', 'css-render', '@css-render', 'vueuc', 'vooks', 'seemly', 'evtd', 'treemate'],
];
/** What several pages need comes in three files, not in a hundred: a file each is what a phone waits for longest. */
const SHARED = [
  { name: 'kit', test: new RegExp(`/node_modules/(${KIT.join('|')})`) },
  { name: 'core', test: /\/(core|contract)\/src\/|\/@sinclair\// },
  { name: 'app', test: /\/web\/src\/(?!labels|papers)/ },
];

export default defineConfig({
  root: import.meta.dirname,
  plugins: [vue(), keepList()],
  worker: { format: 'es' },
  // Said to the page and to its service worker alike, which must be one file without imports.
  define: { __KEPT_HEADER__: JSON.stringify('X-Roskel-Kept'), __KEPT_ANSWERS__: JSON.stringify('roskel-kitchen') },
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 1500,
    // Fonts stay files: the page's security policy takes nothing inlined.
    assetsInlineLimit: 0,
    rollupOptions: {
      input: { index: `${import.meta.dirname}/index.html`, sw: `${import.meta.dirname}/src/sw.ts` },
      // The service worker keeps its name: the browser looks there for a newer one.
      output: {
        entryFileNames: (chunk) => (chunk.name === 'sw' ? 'sw.js' : 'assets/[name]-[hash].js'),
        // A page asks for some thirty files, not for a hundred; what only one page or sheet needs stays with it.
        codeSplitting: { groups: SHARED.map((group) => ({ ...group, minShareCount: 6 })) },
      },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4180' } },
});
