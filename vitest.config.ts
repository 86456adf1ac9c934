import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vitest/config';
import { postgresAt } from './scripts/lib/postgres.mjs';

// Both cores: the computing is plain and the rest waits little.
const MAX_WORKERS = 2;
process.env.ROSKEL_INSTALLED = '1';
const ON_BOTH = ['api', 'backup', 'calendar', 'heat', 'kept', 'ledger', 'many'].map((name) => `server/tests/${name}.test.ts`);
const test = { testTimeout: 60_000, hookTimeout: 60_000 };

export default defineConfig({
  plugins: [vue()],
  test: {
    maxWorkers: MAX_WORKERS,
    reporters: process.env.ROSKEL_REPORT ? ['default', ['json', { outputFile: process.env.ROSKEL_REPORT }]] : ['default'],
    projects: [
      // Pure computation: nothing to keep apart, so that it is read in once.
      { extends: true, test: { ...test, name: 'core', include: ['{core,contract}/tests/**/*.test.ts'], isolate: false } },
      {
        extends: true,
        test: { ...test, name: 'server', include: ['server/tests/**/*.test.ts'], isolate: false, globalSetup: 'server/tests/image.ts' },
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
