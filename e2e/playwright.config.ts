import { defineConfig } from '@playwright/test';
import { postgresAt } from '../scripts/lib/postgres.mjs';
import { ensureChromium } from '../scripts/lib/setup.mjs';
import type { Keeping } from './kitchens';

const executablePath = ensureChromium();
process.env.ROSKEL_INSTALLED = '1';

/** Files whose kitchens are kept on a PostgreSQL server, by two processes, where there is one: those that write the most. */
const ON_SERVER = ['again', 'choose', 'counter', 'house', 'lots', 'place', 'readings', 'strands', 'trim'].map((n) => `${n}.spec.ts`);
/** `ROSKEL_E2E=server npm run e2e`: all of them there. */
const all = process.env.ROSKEL_E2E === 'server';
const there = postgresAt() ? (all ? ['*.spec.ts'] : ON_SERVER) : [];

export default defineConfig<object, { keeping: Keeping }>({
  testDir: '.',
  globalSetup: './kitchens.ts',
  projects: [
    { name: 'folder', testMatch: '*.spec.ts', testIgnore: there, use: { keeping: 'folder' } },
    { name: 'server', testMatch: there, use: { keeping: 'server' } },
  ].filter((p) => p.testMatch.length > 0) as never,
  outputDir: '../test-results',
  // Two: they fill two cores, and three only wait for each other (measured: 22 min against 16).
  workers: 2,
  // These machines are shared: a test that fails is run once more, and told as flaky.
  retries: 1,
  timeout: 150_000,
  expect: { timeout: Number(process.env.ROSKEL_WAIT ?? 20_000) },
  reporter: process.env.ROSKEL_REPORT ? [['list'], ['json', { outputFile: process.env.ROSKEL_REPORT }]] : 'list',
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    // What is not there after so long does not come: better told than waited for.
    actionTimeout: 45_000,
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: {
      executablePath,
      // A root user without a network: no sandbox, and no background talk with the outside.
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});
