import { setPriority } from 'node:os';
import { parentPort } from 'node:worker_threads';
import { expose, type Endpoint } from 'comlink';
import nodeEndpoint from 'comlink/dist/umd/node-adapter.js';
import { heatsOf, predicted, workedOut } from './out';

/** On Linux this is of the calling thread alone: whoever answers goes first where both want the processor. */
const GIVES_WAY = 10;
if (process.platform === 'linux') setPriority(0, GIVES_WAY);

/** Works batches out beside the server, which goes on answering. */
export const out = { workedOut, heatsOf, predicted, ready: () => true };
expose(out, nodeEndpoint(parentPort!) as Endpoint);
