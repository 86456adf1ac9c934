import { defineConfig } from '@playwright/test';
import { ensureChromium } from '../scripts/lib/setup.mjs';

const executablePath = ensureChromium();

export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  outputDir: '../test-results',
  // One: a browser and its server already fill two cores, two of them were slower (measured), and the solver's patience is by the clock.
  workers: 1,
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
