// Real use: the maker's own data folder, .roskel/data or --data FOLDER.
import { ensureBuilt, ensureInstalled, serve } from './lib/setup.mjs';

ensureInstalled();
ensureBuilt();
await serve(process.argv.slice(2));
