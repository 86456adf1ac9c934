import { wrap, type Remote } from 'comlink';
import type { Bench } from './worker';

let remote: Remote<Bench> | null = null;

/** The one worker of this window, started when first needed. */
export function bench(): Remote<Bench> {
  remote ??= wrap<Bench>(new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' }));
  return remote;
}

/**
 * Runs only the latest of many calls: while one is running, newer ones replace each other, and an
 * answer that is no longer wanted is dropped (null).
 */
export function latest<A extends unknown[], R>(run: (...args: A) => Promise<R>): (...args: A) => Promise<R | null> {
  let current = 0;
  let running: Promise<unknown> = Promise.resolve();
  return async (...args: A) => {
    const mine = ++current;
    await running.catch(() => undefined);
    if (mine !== current) return null;
    const job = run(...args);
    running = job;
    const result = await job;
    return mine === current ? result : null;
  };
}
