// Runs a batch file without any interface: npm run --silent line -- file.json [--json]
import { ensureInstalled, bin, run } from './lib/setup.mjs';

ensureInstalled({ quiet: true });
run(bin('tsx'), ['scripts/line.ts', ...process.argv.slice(2)]);
