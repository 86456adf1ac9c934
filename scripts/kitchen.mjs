// A whole kitchen to one file and back: npm run backup -- FILE, npm run restore -- FILE [--data FOLDER]
import { bin, ensureInstalled, run } from './lib/setup.mjs';

ensureInstalled({ quiet: true });
run(bin('tsx'), ['server/src/backup/command.ts', ...process.argv.slice(2)]);
