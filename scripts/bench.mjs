// All benchmarks, each beside a reference measured in the same run: npm run bench
import { bin, ensureBuilt, ensureInstalled, run } from './lib/setup.mjs';

ensureInstalled();
const args = process.argv.slice(2);
if (args.includes('--today')) {
  run(bin('tsx'), ['bench/today.ts']);
  process.exit(0);
}
if (args.includes('--server')) {
  ensureBuilt();
  run(bin('tsx'), ['bench/server.ts', ...args]);
  process.exit(0);
}
// What needs a server and a browser runs from its sources; computation as it is built for the worker.
if (args.some((a) => a === '--browser' || a === '--house')) run(bin('tsx'), ['bench/index.ts', ...args]);
else {
  run(bin('vite'), ['build', '--config', 'bench/vite.config.mjs']);
  run(process.execPath, ['node_modules/.cache/roskel-bench/index.js', ...args]);
}
