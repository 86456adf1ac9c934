// What opens the kitchen to others in the house: npm run passphrase [-- --data FOLDER]
import { ensureBuilt, ensureInstalled, program, run } from './lib/setup.mjs';

ensureInstalled({ quiet: true });
ensureBuilt(['server']);
run(process.execPath, [program('passphrase'), ...process.argv.slice(2)]);
