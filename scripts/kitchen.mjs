// A whole kitchen to one file and back, or to a server and back: npm run backup -- FILE, restore -- FILE, move -- to-server
import { bin, ensureInstalled, run } from './lib/setup.mjs';

ensureInstalled({ quiet: true });
run(bin('tsx'), ['server/src/backup/command.ts', ...process.argv.slice(2)]);
