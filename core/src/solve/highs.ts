import loadHighs, { type Highs, type InitOptions } from 'highs';
import type { LinearModel, LinearSolution, LinearSolver, SolveOptions } from './linear';

/** Loads HiGHS (WebAssembly). In a browser `locate` says where the wasm file is served. */
export async function highsSolver(locate?: (file: string) => string): Promise<LinearSolver> {
  const options: InitOptions = locate ? { locateFile: locate } : {};
  const highs = await loadHighs(options);
  const solver: LinearSolver = {
    solve(model, options) {
      return solveWith(highs, model, options ?? {});
    },
  };
  // The engine compiles on its first solve; do that before a maker waits for it.
  solver.solve({ columns: [{ cost: 1, lower: 0, upper: 1 }], rows: [] });
  return solver;
}

/** Share of the best that a whole-number answer may be off. */
const GAP = 1e-3;
/** Whole-number programs stop here with the best found: about two seconds for a blend (chapter 2, section 7.7; measured). */
const MOST_NODES = 2000;
/** No limit at all, as the engine counts. */
const MOST_INT = 2 ** 31 - 1;
/** Nothing hangs, whatever is asked, s. */
const HANGS_S = 60;
/** Small blends are solved faster without the search for lucky guesses (chapter 2, section 7.7, measured). */
const WHOLE_NUMBERS = {
  mip_heuristic_run_rins: false,
  mip_heuristic_run_rens: false,
  mip_heuristic_run_root_reduced_cost: false,
  mip_heuristic_run_zi_round: false,
  mip_heuristic_run_shifting: false,
  mip_heuristic_run_feasibility_jump: false,
  mip_detect_symmetry: false,
} as const;

function solveWith(
  highs: Highs,
  model: LinearModel,
  { nodes = MOST_NODES, gap = GAP, seconds = HANGS_S, large = false, start }: SolveOptions,
): LinearSolution {
  const starts = [0];
  const indices: number[] = [];
  const values: number[] = [];
  for (const row of model.rows) {
    for (const [column, value] of row.terms) {
      indices.push(column);
      values.push(value);
    }
    starts.push(indices.length);
  }
  const numCols = model.columns.length;
  const numRows = model.rows.length;
  const clip = (x: number) => (x === Infinity ? highs.infinity : x === -Infinity ? -highs.infinity : x);
  const whole = model.columns.some((c) => c.integer);
  const { variableType } = highs.constants;
  const instance = highs.createModel({
    ...(whole ? { integrality: model.columns.map((c) => (c.integer ? variableType.integer : variableType.continuous)) } : {}),
    numCols,
    numRows,
    colCost: model.columns.map((c) => c.cost),
    colLower: model.columns.map((c) => clip(c.lower)),
    colUpper: model.columns.map((c) => clip(c.upper)),
    rowLower: model.rows.map((r) => clip(r.lower)),
    rowUpper: model.rows.map((r) => clip(r.upper)),
    matrix: { format: 'csr', numRows, numCols, starts, indices, values },
  });
  try {
    instance.options.set({
      output_flag: false,
      time_limit: seconds,
      ...(whole ? { ...(large ? {} : WHOLE_NUMBERS), mip_rel_gap: gap, mip_max_nodes: Math.min(nodes, MOST_INT) } : {}),
    });
    if (start) instance.setSolution({ colValue: start });
    instance.run();
    const { modelStatus, solutionStatus } = highs.constants;
    const status = instance.getModelStatus();
    const took = whole
      ? { nodes: Math.max(0, Number(instance.info.get('mip_node_count'))), bound: Number(instance.info.get('mip_dual_bound')) }
      : {};
    if (status === modelStatus.solutionLimit || status === modelStatus.timeLimit) {
      if (instance.info.get('primal_solution_status') !== solutionStatus.feasible) return { status: 'out of nodes', ...took };
    } else if (status !== modelStatus.optimal) return { status: 'infeasible', ...took };
    const values = Array.from(instance.getSolution().colValue, (v, j) => (model.columns[j]!.integer ? Math.round(v) : v));
    return { status: status === modelStatus.optimal ? 'optimal' : 'best found', values, objective: instance.getObjectiveValue(), ...took };
  } finally {
    instance.dispose();
  }
}
