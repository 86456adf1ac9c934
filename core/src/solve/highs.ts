import loadHighs, { type Highs, type InitOptions } from 'highs';
import type { LinearModel, LinearSolution, LinearSolver } from './linear';

/** Loads HiGHS (WebAssembly). In a browser `locate` says where the wasm file is served. */
export async function highsSolver(locate?: (file: string) => string): Promise<LinearSolver> {
  const options: InitOptions = locate ? { locateFile: locate } : {};
  const highs = await loadHighs(options);
  const solver = { solve: (model: LinearModel) => solveWith(highs, model) };
  // The engine compiles on its first solve; do that before a maker waits for it.
  solver.solve({ columns: [{ cost: 1, lower: 0, upper: 1 }], rows: [] });
  return solver;
}

function solveWith(highs: Highs, model: LinearModel): LinearSolution {
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
  const instance = highs.createModel({
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
    instance.options.set({ output_flag: false });
    instance.run();
    if (instance.getModelStatus() !== highs.constants.modelStatus.optimal) return { status: 'infeasible' };
    return {
      status: 'optimal',
      values: Array.from(instance.getSolution().colValue),
      objective: instance.getObjectiveValue(),
    };
  } finally {
    instance.dispose();
  }
}
