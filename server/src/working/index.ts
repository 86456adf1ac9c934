import { Worker } from 'node:worker_threads';
import { wrap, type Endpoint } from 'comlink';
import nodeEndpoint from 'comlink/dist/umd/node-adapter.js';
import { WORKER } from '../places';
import { heatsOf, predicted, workedOut } from './out';
import type { out } from './worker';

export type { BottleHeat, Trouble, Worked } from './out';

type Later<F> = F extends (...args: infer A) => infer R ? (...args: A) => Promise<R> : never;
interface Out {
  workedOut: Later<typeof workedOut>;
  heatsOf: Later<typeof heatsOf>;
  predicted: Later<typeof predicted>;
}
/** Where one stands: for commands, and while a server begins. */
const here: Out = {
  workedOut: async (...args) => workedOut(...args),
  heatsOf: async (...args) => heatsOf(...args),
  predicted: async (...args) => predicted(...args),
};
let at: Out = here;

/** Works batches out, here or in the worker. */
export const working: Out = {
  workedOut: (...args) => at.workedOut(...args),
  heatsOf: (...args) => at.heatsOf(...args),
  predicted: (...args) => at.predicted(...args),
};

/** A worker of this process, which goes on answering meanwhile. */
export interface Beside {
  /** It has begun: what is asked from then on is done there, what was before is done here. */
  begun: Promise<unknown>;
  end(): void;
}
/** Has batches worked out in a worker as soon as it has begun. */
export function workBeside(program = WORKER): Beside {
  const worker = new Worker(program);
  worker.unref();
  const remote = wrap<typeof out>(nodeEndpoint(worker) as Endpoint);
  let ended = false;
  /** A worker that falls over answers nothing any more: what waits for it fails, what comes after is done here. */
  const fell = new Promise<never>((_, fail) => {
    worker.on('error', (error) => {
      console.error('The worker of this server ended; batches are worked out without it:', error);
      at = here;
      fail(error);
    });
    worker.on('exit', () => fail(new Error('The worker of this server has ended.')));
  });
  const or = <T>(answer: Promise<T>) => Promise.race([answer, fell]);
  const begun = or(remote.ready()).then(() => {
    if (ended) return;
    at = {
      workedOut: (...args) => or(remote.workedOut(...args)),
      heatsOf: (...args) => or(remote.heatsOf(...args)),
      predicted: (...args) => or(remote.predicted(...args)),
    };
  });
  begun.catch(() => undefined);
  return {
    begun,
    end: () => {
      ended = true;
      at = here;
      void worker.terminate();
    },
  };
}
