import { fileURLToPath } from 'node:url';

/** Where things lie on the disk: the same steps from server/src, where tests read it, and from server/dist, where it is built to. */
const at = (path: string) => fileURLToPath(new URL(path, import.meta.url));

/** The interface as built. */
export const WEB = at('../../web/dist');
/** The same for both engines. Names stand without a schema: on a server each kitchen has its own. */
export const MIGRATIONS = at('../drizzle');
/** Whatever decides what is worked out from a batch. */
export const RULE_SOURCES = ['../../core/src', '../../contract/src', '../src/store', '../src/working'].map(at);
/** The program of the server's worker, as built. */
export const WORKER = at('../dist/worker.js');
