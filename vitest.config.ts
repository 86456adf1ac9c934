import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vitest/config';
import { postgresAt } from './scripts/lib/postgres.mjs';

// Both cores: the computing is plain and the rest waits little.
const MAX_WORKERS = 2;
process.env.ROSKEL_INSTALLED = '1';
// Whatever is set outside: tests say themselves where they store.
process.env.DATABASE_URL = '';
const file = (name: string) => `server/tests/${name}.test.ts`;
/** Tests that need a PostgreSQL server for some of what they ask: on it, where there is one. */
const ONCE = ['many', 'killed'].map(file);
/** Tests of stores, on both engines. */
const ON_BOTH = ['api', 'foreseen', 'fuzz', 'heat', 'kept', 'ledger', 'log'].map(file);
/** Only what hangs is stopped: a slow machine is no fault of a test. */
const test = { testTimeout: 600_000, hookTimeout: 600_000 };

export default defineConfig({
  plugins: [vue()],
  define: {
    __KEPT_HEADER__: JSON.stringify('X-Roskel-Kept'),
    __KEPT_ANSWERS__: JSON.stringify('roskel-kitchen'),
    __FORGET__: JSON.stringify('roskel-forget'),
  },
  test: {
    maxWorkers: MAX_WORKERS,
    reporters: process.env.ROSKEL_REPORT ? ['default', ['json', { outputFile: process.env.ROSKEL_REPORT }]] : ['default'],
    projects: [
      // Pure computation: nothing to keep apart, so that it is read in once.
      { extends: true, test: { ...test, name: 'core', include: ['{core,contract}/tests/**/*.test.ts'], isolate: false } },
      {
        extends: true,
        test: {
          ...{ ...test, name: 'server', include: ['server/tests/**/*.test.ts'], isolate: false, globalSetup: 'server/tests/image.ts' },
          exclude: postgresAt() ? ONCE : [],
        },
      },
      // The same on a PostgreSQL server, where there is one.
      ...(postgresAt()
        ? [
            {
              extends: true as const,
              test: {
                ...test,
                name: 'server on PostgreSQL',
                include: [...ON_BOTH, ...ONCE],
                isolate: false,
                globalSetup: 'server/tests/serverImage.ts',
              },
            },
          ]
        : []),
      { extends: true, test: { ...test, name: 'web', include: ['web/tests/**/*.test.ts'] } },
    ],
  },
});
