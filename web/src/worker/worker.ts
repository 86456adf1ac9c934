import { expose } from 'comlink';
import wasmUrl from 'highs/runtime?url';
import {
  choosePods,
  LineProblem,
  reportLine,
  type BatchFile,
  type LinearSolver,
  type LineReport,
  type PodAnswer,
  type PodChoice,
  type ReportOptions,
} from '@roskel/core';
import { highsSolver } from '@roskel/core/highs';

let solver: Promise<LinearSolver> | null = null;
const getSolver = () => (solver ??= highsSolver(() => wasmUrl));

/** A report, or the parameter that cannot work. Errors lose their class on the way out of a worker, hence data. */
export type ReportAnswer = { ok: true; report: LineReport } | { ok: false; stationId: string; field: string; message: string };

const bench = {
  report(file: BatchFile, options: ReportOptions): ReportAnswer {
    try {
      return { ok: true, report: reportLine(file, options) };
    } catch (error) {
      if (error instanceof LineProblem) return { ok: false, stationId: error.stationId, field: error.field, message: error.message };
      throw error;
    }
  },
  async choose(
    file: BatchFile,
    choices: PodChoice[],
  ): Promise<{ ok: true; answer: PodAnswer; ms: number } | { ok: false; message: string }> {
    const solve = await getSolver();
    const start = performance.now();
    try {
      return { ok: true, answer: choosePods(solve, file, choices), ms: performance.now() - start };
    } catch (error) {
      if (error instanceof LineProblem || error instanceof RangeError) return { ok: false, message: error.message };
      throw error;
    }
  },
  /** Loads and warms the solver before it is asked for. */
  async warm(): Promise<void> {
    await getSolver();
  },
};
export type Bench = typeof bench;
expose(bench);
