// The demo: its own data folder, filled once with a made-up kitchen. --fresh starts it anew. Never touches a maker's data.
import { join } from 'node:path';
import { ensureBuilt, ensureInstalled, ROOT, serve } from './lib/setup.mjs';

ensureInstalled();
ensureBuilt();
await serve(['--demo', '--stand-ins', '--data', join(ROOT, '.roskel', 'demo'), ...process.argv.slice(2)]);
