// All benchmarks, each beside a reference measured in the same run: npm run bench
import { ensureInstalled, bin, run } from './lib/setup.mjs';

ensureInstalled();
run(bin('tsx'), ['bench/index.ts', ...process.argv.slice(2)]);
