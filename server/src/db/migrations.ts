import { fileURLToPath } from 'node:url';

/** The same for both engines. Names stand without a schema: on a server each kitchen has its own. */
export const MIGRATIONS = fileURLToPath(new URL('../../drizzle', import.meta.url));
