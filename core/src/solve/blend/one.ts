import type { LinearSolver, LinearSolution } from '../linear';
import { evaluate, missedRows, type BlendMix } from './check';
import type { BlendProblem } from './material';
import { bodyRowAt } from './thick';
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
  if (s.status === 'out of nodes') return 'late';
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

/** The rows of a first pass: those that bend stand where a guess puts them. */
export const firstRows = (problem: BlendProblem): Pick<ModelOptions, 'ionicStrength' | 'pHRow' | 'bodyRow'> => ({
  ionicStrength: FIRST_IONIC,
  pHRow: pHRowOf(problem),
  bodyRow: problem.wish.body && bodyRowAt(problem.materials, null, problem.wish.body.low),
});

/** What is asked of one blend; where the bent rows stand is found on the way. */
type Asked = Omit<ModelOptions, 'ionicStrength' | 'pHRow' | 'bodyRow'>;

/** Passes of setting the bent rows anew where the last blend was. */
const PASSES = 7;
/** Steps of body that are aimed above the wish, so that rounding does not undo it. */
const BODY_MARGIN = 0.002;

/**
 * One blend. Acidity is linear at a fixed pH and ionic strength, body around a mix: both are read off the answer and the
 * rows set anew, then the full charge balance and the full model of thickness have the last word: a mix that is not sour
 * or thick enough by them is asked again a little stricter (handbook README; chapter 2, section 7.1; chapter 5, section 9).
 */
function solveBent(solver: LinearSolver, problem: BlendProblem, options: Asked): BlendMix | null | 'late' {
  const { wish, chemistry } = problem;
  const sour = wish.pH !== null && chemistry !== undefined;
  let rows = firstRows(problem);
  let low = (wish.body?.low ?? 1) + BODY_MARGIN;
  let mix: BlendMix | null = null;
  for (let pass = 0; pass < PASSES; pass++) {
    const last = run(solver, problem, { ...options, ...rows });
    if (last === 'late') return last;
    // A row that was set too strict on the way is no proof that there is none: the caller looks at what was found before.
    if (!last) return pass > 0 && wish.body ? mix : null;
    mix = evaluate(problem, gramsOf(problem, last), last.objective, last.proven);
    if (!sour && !rows.bodyRow) break;
    let { ionicStrength, pHRow } = rows;
    let again = false;
    if (sour) {
      ionicStrength = chemistry.ionicStrength(mix.grams, pHRow!);
      again = Math.abs(ionicStrength - rows.ionicStrength) >= 0.01 && pass < 2;
      const over = (mix.pH ?? 0) - (wish.pH!.max - wish.pH!.margin);
      if (!again && over > 0.01) {
        again = true;
        pHRow! -= over;
      }
    }
    if (wish.body) {
      const short = wish.body.low - (mix.body ?? 1);
      if (short > 0.005 || pass === 0) again = true;
      if (pass >= 2 && short > 0.005) low += short;
    }
    if (!again) break;
    rows = { ionicStrength, pHRow, bodyRow: wish.body && bodyRowAt(problem.materials, mix.grams, low) };
  }
  return mix;
}

/** No kitchen scale shows less than this, g: a mix must not ask for it. */
const WEIGHABLE_G = 0.1;

/**
 * One blend that can be weighed and meets its wishes once what cannot be weighed is left out or raised to what can; the
 * best of those. Null when there is none, "late" when time ran out.
 */
export function solveOne(solver: LinearSolver, problem: BlendProblem, options: Asked, depth = 0): BlendMix | null | 'late' {
  const found = solveBent(solver, problem, options);
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
