// Builds the server and the interface, or one of them: npm run build [-- server]
import { build, ensureInstalled } from './lib/setup.mjs';

ensureInstalled();
const [part] = process.argv.slice(2);
for (const each of part ? [part] : ['server', 'web']) build(each);
