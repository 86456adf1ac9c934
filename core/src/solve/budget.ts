import type { LinearSolver } from './linear';

/**
 * A solver that has so many seconds for all it is asked: what one program leaves, the next may take. Once they are used
 * up it answers "out of time" at once, except to programs without whole numbers, which take next to none.
 */
export function budgeted(solver: LinearSolver, seconds: number): LinearSolver {
  let left = seconds;
  return {
    solve(model, options) {
      const whole = model.columns.some((c) => c.integer);
      if (whole && left <= LEAST_S) return { status: 'out of time' };
      const limit = Math.min(options?.timeLimitS ?? Infinity, Math.max(LEAST_S, left));
      const answer = solver.solve(model, { ...options, timeLimitS: limit });
      left -= answer.seconds ?? 0;
      return answer;
    },
  };
}

/** Less than this is not worth beginning a program for, s. */
const LEAST_S = 0.01;
