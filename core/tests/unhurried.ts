import type { LinearSolver } from '../src';
import { highsSolver } from '../src/solve/highs';

const SLOWER = 8;

/**
 * The solver on a clock eight times slower: the answer to a question must not depend on what else the test machine does.
 * Whether an answer comes in time is asked of the solver itself.
 */
export async function unhurriedSolver(): Promise<LinearSolver> {
  const solver = await highsSolver();
  return {
    solve(model, options) {
      const answer = solver.solve(model, options?.timeLimitS === undefined ? {} : { timeLimitS: SLOWER * options.timeLimitS });
      return { ...answer, ...(answer.seconds === undefined ? {} : { seconds: answer.seconds / SLOWER }) };
    },
  };
}
