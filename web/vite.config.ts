import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vite';
import { keepList } from './keep.ts';

export default defineConfig({
  root: import.meta.dirname,
  plugins: [vue(), keepList()],
  worker: { format: 'es' },
  // Said to the page and to its service worker alike, which must be one file without imports.
  define: { __KEPT_HEADER__: JSON.stringify('X-Roskel-Kept') },
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 1500,
    // Fonts stay files: the page's security policy takes nothing inlined.
    assetsInlineLimit: 0,
    rollupOptions: {
      input: { index: `${import.meta.dirname}/index.html`, sw: `${import.meta.dirname}/src/sw.ts` },
      // The service worker keeps its name: the browser looks there for a newer one.
      output: { entryFileNames: (chunk) => (chunk.name === 'sw' ? 'sw.js' : 'assets/[name]-[hash].js') },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4180' } },
});
