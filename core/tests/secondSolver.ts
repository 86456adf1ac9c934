import { createRequire } from 'node:module';
import type { LinearModel } from '../src';

export interface OtherModel {
  optimize: string;
  opType: 'min';
  constraints: Record<string, { min?: number; max?: number; equal?: number }>;
  variables: Record<string, Record<string, number>>;
  ints?: Record<string, 1>;
}
// The second solver: javascript-lp-solver (a general library). It rounds to 8 decimals.
const other = createRequire(import.meta.url)('javascript-lp-solver') as {
  Solve?: (m: OtherModel) => { feasible: boolean; result: number };
  default?: { Solve: (m: OtherModel) => { feasible: boolean; result: number } };
};
const second = other.Solve ? (other as Required<typeof other>) : other.default!;
export const solveOther = (m: OtherModel) => second.Solve(m);

/** A model as the second solver takes it. */
export function translate(model: LinearModel): OtherModel {
  const out: OtherModel = { optimize: 'cost', opType: 'min', constraints: {}, variables: {} };
  model.columns.forEach((c, j) => {
    out.variables[`v${j}`] = { cost: c.cost, [`u${j}`]: 1 };
    if (c.integer) out.ints = { ...out.ints, [`v${j}`]: 1 };
    out.constraints[`u${j}`] = { min: c.lower, ...(Number.isFinite(c.upper) ? { max: c.upper } : {}) };
  });
  model.rows.forEach((r, i) => {
    for (const [j, value] of r.terms) out.variables[`v${j}`]![`r${i}`] = value;
    out.constraints[`r${i}`] = {
      ...(Number.isFinite(r.lower) ? { min: r.lower } : {}),
      ...(Number.isFinite(r.upper) ? { max: r.upper } : {}),
    };
  });
  return out;
}
