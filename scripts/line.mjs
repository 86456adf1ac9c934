// Runs a batch file without any interface: npm run --silent line -- file.json [--json]
import { ensureBuilt, ensureInstalled, program, run } from './lib/setup.mjs';

ensureInstalled({ quiet: true });
ensureBuilt(['server']);
run(process.execPath, [program('line'), ...process.argv.slice(2)]);
