import type { LinearSolver } from './linear';

/** What beginning a whole-number program takes, in nodes: its root is cut and searched for lucky guesses (measured). */
const ROOT_NODES = 8;

/**
 * A solver that may look into so many nodes for all it is asked: what one program leaves, the next may take. Once they are
 * used up it answers "out of nodes" at once, except to programs without whole numbers, which take next to none. Nodes and
 * not seconds: the same question has the same answer on a slow machine.
 */
export function budgeted(solver: LinearSolver, nodes: number): LinearSolver {
  let left = nodes;
  return {
    solve(model, options) {
      if (!model.columns.some((c) => c.integer)) return solver.solve(model, options);
      if (left < ROOT_NODES) return { status: 'out of nodes' };
      const answer = solver.solve(model, { ...options, nodes: Math.min(options?.nodes ?? Infinity, left) });
      left -= ROOT_NODES + (answer.nodes ?? 0);
      return answer;
    },
  };
}
