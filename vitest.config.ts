import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vitest/config';
import { postgresAt } from './scripts/lib/postgres.mjs';

// Both cores: the computing is plain and the rest waits little.
const MAX_WORKERS = 2;
process.env.ROSKEL_INSTALLED = '1';
// Whatever is set outside: tests say themselves where they store.
process.env.DATABASE_URL = '';
const MANY = 'server/tests/many.test.ts';
/** Tests of stores, on both engines; those of many writers on the server, where there is one. */
const ON_BOTH = [...['api', 'foreseen', 'heat', 'kept', 'ledger', 'log'].map((name) => `server/tests/${name}.test.ts`), MANY];
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
          exclude: postgresAt() ? [MANY] : [],
        },
      },
      // The same on a PostgreSQL server, where there is one.
      ...(postgresAt()
        ? [
            {
              extends: true as const,
              test: { ...test, name: 'server on PostgreSQL', include: ON_BOTH, isolate: false, globalSetup: 'server/tests/serverImage.ts' },
            },
          ]
        : []),
      { extends: true, test: { ...test, name: 'web', include: ['web/tests/**/*.test.ts'] } },
    ],
  },
});
