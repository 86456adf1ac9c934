import { proxy, wrap, type Remote } from 'comlink';
import type { BatchFile, ReportOptions, TypicalReport } from '@roskel/core';
import type { Bench, ReportAnswer } from './worker';

let worker: Worker | null = null;
let remote: Remote<Bench> | null = null;
/** What waits for the worker, and what to tell it when the worker is stopped. */
const waiting = new Set<() => void>();

/** The one worker of this window, started when first needed. */
export function bench(): Remote<Bench> {
  worker ??= new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
  remote ??= wrap<Bench>(worker);
  return remote;
}

/** A job of the worker that may be stopped: null when it was. */
export function stoppable<P extends Promise<unknown>>(job: P): Promise<Awaited<P> | null> {
  return new Promise((done, fail) => {
    const stopped = () => done(null);
    waiting.add(stopped);
    (job as Promise<Awaited<P>>).then(done, fail).finally(() => waiting.delete(stopped));
  });
}

let asked = 0;
/**
 * A report of the worker; `first` hears what is typical as soon as it is known. Asked again when the worker was stopped
 * for something else; null when a newer report was asked for meanwhile.
 */
export async function reportOf(
  file: BatchFile,
  options: ReportOptions,
  first: (typical: TypicalReport) => void,
): Promise<ReportAnswer | null> {
  const mine = ++asked;
  const early = proxy((typical: TypicalReport) => void (mine === asked && first(typical)));
  for (;;) {
    const answer = await stoppable(bench().report(file, options, early));
    if (mine !== asked) return null;
    if (answer) return answer;
  }
}

/** Stops whatever the worker is at; a new one starts with the next question. */
export function stopBench(): void {
  worker?.terminate();
  worker = remote = null;
  for (const stopped of [...waiting]) stopped();
  waiting.clear();
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
