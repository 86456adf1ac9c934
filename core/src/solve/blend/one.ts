import type { LinearSolver, LinearSolution } from '../linear';
import { evaluate, missedRows, type BlendMix } from './check';
import type { BlendProblem } from './material';
import { buildModel, type BuiltModel, type ModelOptions } from './model';

export interface Solved {
  built: BuiltModel;
  values: number[];
  objective: number;
  proven: boolean;
}

/** One program; null when nothing meets it, "late" when time ran out first. */
export function run(solver: LinearSolver, problem: BlendProblem, options: ModelOptions): Solved | null | 'late' {
  const built = buildModel(problem, options);
  const s: LinearSolution = solver.solve(built.model);
  if (s.status === 'out of time') return 'late';
  if (s.status === 'infeasible') return null;
  return { built, values: s.values, objective: s.objective, proven: s.status === 'optimal' };
}

/** Rounding of a solver, g of a batch of 1 g. */
const NOISE = 1e-7;

export function gramsOf(problem: BlendProblem, solved: Solved): Map<string, number> {
  const { massG, wholePods } = problem.wish;
  const grams = new Map<string, number>();
  problem.materials.forEach((m, i) => {
    let g = (solved.values[solved.built.u[i]!]! / 100) * massG;
    if (wholePods && m.podG !== null) g = Math.round(g / m.podG) * m.podG;
    if (g > massG * NOISE) grams.set(m.id, g);
  });
  return grams;
}

/** Ionic strength to begin with, mol/kg water: a salted sauce. */
export const FIRST_IONIC = 0.4;

export function needsSwitches(problem: BlendProblem): boolean {
  return problem.wish.varieties !== null;
}

/** The pH at which the acidity row stands at first: as much below the wish as tables of food acids are guesses. */
export const pHRowOf = (problem: BlendProblem): number | null => (problem.wish.pH ? problem.wish.pH.max - problem.wish.pH.margin : null);

/**
 * One blend. The acidity row is linear at a fixed pH and ionic strength; the ionic strength is read off the answer and
 * the row set anew twice, then the full charge balance has the last word: a mix that is not sour enough by it is asked
 * again a little stricter (handbook README; chapter 2, section 7.1).
 */
function solveSour(
  solver: LinearSolver,
  problem: BlendProblem,
  options: Omit<ModelOptions, 'ionicStrength' | 'pHRow'>,
): BlendMix | null | 'late' {
  const { wish, chemistry } = problem;
  let pHRow = pHRowOf(problem);
  let ionicStrength = FIRST_IONIC;
  let mix: BlendMix | null = null;
  const sour = pHRow !== null && chemistry !== undefined;
  for (let pass = 0; pass < (sour ? 6 : 1); pass++) {
    const last = run(solver, problem, { ...options, ionicStrength, pHRow });
    if (!last || last === 'late') return last;
    mix = evaluate(problem, gramsOf(problem, last), last.objective, last.proven);
    if (!sour) break;
    const next = chemistry.ionicStrength(mix.grams, pHRow!);
    const settled = Math.abs(next - ionicStrength) < 0.01;
    ionicStrength = next;
    if (pass < 2 && !settled) continue;
    const over = (mix.pH ?? 0) - (wish.pH!.max - wish.pH!.margin);
    if (over <= 0.01) break;
    pHRow! -= over;
  }
  return mix;
}

/** No kitchen scale shows less than this, g: a mix must not ask for it. */
const WEIGHABLE_G = 0.1;

/**
 * One blend that can be weighed and meets its wishes once what cannot be weighed is left out or raised to what can; the
 * best of those. Null when there is none, "late" when time ran out.
 */
export function solveOne(
  solver: LinearSolver,
  problem: BlendProblem,
  options: Omit<ModelOptions, 'ionicStrength' | 'pHRow'>,
  depth = 0,
): BlendMix | null | 'late' {
  const found = solveSour(solver, problem, options);
  if (!found || found === 'late') return found;
  const dust = [...found.grams].find(([, g]) => g < WEIGHABLE_G);
  if (!dust) return options.aim === 'best' && missedRows(problem, found).length > 0 ? null : found;
  const without = evaluate(problem, new Map([...found.grams].filter(([, g]) => g >= WEIGHABLE_G)), found.objective, found.proven);
  if (options.aim !== 'best' || missedRows(problem, without).length === 0) return without;
  if (depth >= MOST_DUST) return null;
  const change = (bounds: { minPct: number } | { maxPct: number }): BlendProblem => ({
    ...problem,
    materials: problem.materials.map((m) => (m.id === dust[0] ? { ...m, ...bounds } : m)),
  });
  const raised = solveOne(solver, change({ minPct: (100 * WEIGHABLE_G) / problem.wish.massG }), options, depth + 1);
  const left = solveOne(solver, change({ maxPct: 0 }), options, depth + 1);
  if (raised === 'late' || left === 'late') return raised === 'late' ? left : raised;
  return raised && left ? (left.objective < raised.objective ? left : raised) : (raised ?? left);
}
const MOST_DUST = 3;

/** The choices that are in a mix. */
export function chosen(problem: BlendProblem, mix: BlendMix): Set<string> {
  return new Set(problem.materials.filter((m) => m.choice && (mix.grams.get(m.id) ?? 0) > 0).map((m) => m.id));
}
