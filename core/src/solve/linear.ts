/** One row of a linear model: lower <= sum(coefficient * variable) <= upper. */
export interface LinearRow {
  /** Coefficient by variable index; absent means 0. */
  terms: ReadonlyMap<number, number>;
  lower: number;
  upper: number;
}

export interface LinearColumn {
  cost: number;
  lower: number;
  upper: number;
  /** Whole numbers only. */
  integer?: boolean;
}

/** Minimise cost. */
export interface LinearModel {
  columns: LinearColumn[];
  rows: LinearRow[];
}

/** `best found`: a good answer when its nodes ran out, not proven the best. */
export type LinearSolution = (
  { status: 'optimal' | 'best found'; values: number[]; objective: number } | { status: 'infeasible' } | { status: 'out of nodes' }
) & {
  /** Nodes of the search that it looked into, where the solver counts them. */
  nodes?: number;
  /** No answer in whole numbers is better than this, where the solver says. */
  bound?: number;
};

export interface SolveOptions {
  nodes?: number;
  gap?: number;
  seconds?: number;
  large?: boolean;
  start?: readonly number[];
}
/** What a solver must do. HiGHS stands behind it; tests put others beside it. */
export interface LinearSolver {
  /** `nodes`: the search for whole numbers stops there with the best found. `gap` is how far from the best, as a share, an answer may be and still count as it. `seconds`: it stops there as well. `large`: a program of hundreds of whole numbers, for which a search for lucky guesses pays. `start`: values to begin from. */
  solve(model: LinearModel, options?: SolveOptions): LinearSolution;
}

/** Builds a model row by row. */
export class ModelBuilder implements LinearModel {
  readonly columns: LinearColumn[] = [];
  readonly rows: LinearRow[] = [];

  /** Adds a variable and returns its index. Throws RangeError on NaN, for solvers take it silently. */
  column(cost: number, lower = 0, upper = Infinity, integer = false): number {
    if (Number.isNaN(cost + lower) || Number.isNaN(upper)) throw new RangeError('A variable of the model is not a number');
    this.columns.push(integer ? { cost, lower, upper, integer } : { cost, lower, upper });
    return this.columns.length - 1;
  }

  /** Adds a row of [variable, coefficient] pairs. */
  row(pairs: readonly (readonly [number, number])[], lower: number, upper: number): void {
    const terms = new Map<number, number>();
    for (const [index, value] of pairs) {
      if (!Number.isFinite(value)) throw new RangeError('A coefficient of the model is not a number');
      if (value !== 0) terms.set(index, (terms.get(index) ?? 0) + value);
    }
    this.rows.push({ terms, lower, upper });
  }
}
