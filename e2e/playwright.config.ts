import { defineConfig } from '@playwright/test';
import { ensureChromium } from '../scripts/lib/setup.mjs';

const executablePath = ensureChromium();
process.env.ROSKEL_INSTALLED = '1';

export default defineConfig({
  testDir: '.',
  globalSetup: './image.ts',
  testMatch: '*.spec.ts',
  outputDir: '../test-results',
  // Two: with the headless shell one browser leaves half of two cores idle (measured: 6.3 min against 10.1).
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
