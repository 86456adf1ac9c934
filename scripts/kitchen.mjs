// A whole kitchen to one file and back, or to a server and back: npm run backup -- FILE, restore -- FILE, move -- to-server
import { ensureBuilt, ensureInstalled, program, run } from './lib/setup.mjs';

ensureInstalled({ quiet: true });
ensureBuilt(['server']);
run(process.execPath, [program('backup'), ...process.argv.slice(2)]);
