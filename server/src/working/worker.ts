import { parentPort } from 'node:worker_threads';
import { expose, type Endpoint } from 'comlink';
import nodeEndpoint from 'comlink/dist/umd/node-adapter.js';
import { heatsOf, workedOut } from './out';

/** Works batches out beside the server, which goes on answering. */
export const out = { workedOut, heatsOf, ready: () => true };
expose(out, nodeEndpoint(parentPort!) as Endpoint);
