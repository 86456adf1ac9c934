// What opens the kitchen to others in the house: npm run passphrase [-- --data FOLDER]
import { bin, ensureInstalled, run } from './lib/setup.mjs';

ensureInstalled({ quiet: true });
run(bin('tsx'), ['server/src/access/command.ts', ...process.argv.slice(2)]);
