import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vite';
import { brotli } from './brotli.ts';
import { keepList } from './keep.ts';

/** Packages that most pages draw with. Calendars, uploads, charts and papers come when they are asked for. */
const KIT = [
  ...['vue', '@vue', 'vue-router', 'pinia', 'comlink', '@tabler', 'd3-'],
  ...['naive-ui/es/(?!date-picker|upload)', 'css-render', '@css-render', 'vueuc', 'vooks', 'seemly', 'evtd', 'treemate'],
];
/** Of core what lists need: the tables, and what reads and writes them. */
const LISTS = 'data|matter|pantry|heat|stat';
/** Of core what is only words, days and signs. */
const SMALL = 'plan/|device/|heat/(?:level|eaten)|reading/(?:plain|tokens|numbers|units)|ferment/constants|pantry/keeping|line/putOff';
/** Of the interface what works with a whole batch, and brings every station along; what works with the tables. */
const OF_A_BATCH = 'batch/|stores/(?:openBatch|drafts)|ui/(?:CautionList|severity|SchemaForm)';
const OF_LISTS = 'stores/(?:own|larder|pods|stored)\\.|ui/AmountField';
/** What several pages need comes in a few files, not in a hundred: a file each is what a phone waits for longest. */
const SHARED = [
  { name: 'kit', test: `/node_modules/(${KIT.join('|')})` },
  { name: 'app', test: `/web/src/(?!labels|papers|${OF_A_BATCH}|${OF_LISTS})|/core/src/(${SMALL})` },
  { name: 'lists', test: `/core/src/(${LISTS})/|/web/src/(${OF_LISTS})` },
  { name: 'words', test: '/core/src/(reading|method)/' },
  { name: 'core', test: '/(core|contract)/src/|/@sinclair/' },
  { name: 'batch', test: `/web/src/(?:${OF_A_BATCH})` },
].map(({ name, test }, i, all) => ({ name, test: new RegExp(test), priority: all.length - i, minShareCount: 6 }));
/** What every page begins with, and nothing that only some of them need; the service worker stays a file of its own. */
const FIRST = { name: 'first', test: /^(?!\0|.*\/(?:workbox-|idb\/|sw\.ts))/, tags: ['$initial'], priority: 9 };

export default defineConfig({
  root: import.meta.dirname,
  plugins: [vue(), keepList(), brotli()],
  worker: { format: 'es' },
  // Said to the page and to its service worker alike, which must be one file without imports.
  define: {
    __KEPT_HEADER__: JSON.stringify('X-Roskel-Kept'),
    __KEPT_ANSWERS__: JSON.stringify('roskel-kitchen'),
    __FORGET__: JSON.stringify('roskel-forget'),
  },
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
        codeSplitting: { groups: [FIRST, ...SHARED] },
      },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4180' } },
});
