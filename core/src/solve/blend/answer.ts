import type { LinearSolver, LinearSolution } from '../linear';
import { buildModel, mostPct, targetOf, wishRows, type Aim, type BuiltModel, type ModelOptions, type WishId } from './model';
import type { BlendProblem, Material } from './material';

/** One blend: grams by material, and what it comes to, worked out anew outside the solver. */
export interface BlendMix {
  grams: Map<string, number>;
  /** Whole pods by material, when pods were counted. */
  pods: Map<string, number>;
  shu: number;
  saltPct: number;
  sugarPct: number;
  body: number;
  perKg: number;
  /** pH by the full charge balance; null when it was not asked or has no meaning. */
  pH: number | null;
  objective: number;
  /** False when time ran out: good, not proven the best. */
  proven: boolean;
}

/** How a wish gives way: in natural units (SHU, %, g/g, mmol/kg, share), and to which value. */
export interface Miss {
  wish: WishId;
  by: number;
  /** The value falls short of its low end, or goes over its high end. */
  side: 'short' | 'over';
  /** Where the acidity gives way: the pH that is reached then, by the full charge balance. */
  pH?: number | null;
}

export type BlendAnswer =
  | { status: 'found'; mixes: BlendMix[] }
  | {
      status: 'short';
      /** What is not met by the nearest blend. Empty when mass, stock, shares or pods contradict each other. */
      misses: Miss[];
      /** Single wishes that, eased alone, would do. */
      repairs: Miss[];
      nearest: BlendMix | null;
      /** Hottest and mildest that the stock reaches with the other wishes kept (or least missed). */
      reach: { hottestShu: number; mildestShu: number } | null;
      /** g of the largest blend of this kind that the stock makes; null when none of any size. */
      largestG: number | null;
    };

const EPS = 1e-6;

interface Solved {
  built: BuiltModel;
  values: number[];
  objective: number;
  proven: boolean;
}

function run(solver: LinearSolver, problem: BlendProblem, options: ModelOptions, timeLimitS: number): Solved | null {
  const built = buildModel(problem, options);
  const s: LinearSolution = solver.solve(built.model, { timeLimitS });
  if (s.status === 'infeasible' || s.status === 'out of time') return null;
  return { built, values: s.values, objective: s.objective, proven: s.status === 'optimal' };
}

function gramsOf(problem: BlendProblem, solved: Solved): Map<string, number> {
  const { massG, wholePods } = problem.wish;
  const grams = new Map<string, number>();
  problem.materials.forEach((m, i) => {
    let g = (solved.values[solved.built.u[i]!]! / 100) * massG;
    if (wholePods && m.podG !== null) g = Math.round(g / m.podG) * m.podG;
    // Under a fiftieth of a percent is the solver's dust.
    if (g > massG * 2e-4 || (m.podG !== null && wholePods && g > 0)) grams.set(m.id, g);
  });
  return grams;
}

/** Works a blend out again from its grams alone, by plain sums. */
export function evaluate(problem: BlendProblem, grams: ReadonlyMap<string, number>, objective = 0, proven = true): BlendMix {
  let mass = 0;
  const sum = { shu: 0, saltPct: 0, sugarPct: 0, body: 0, perKg: 0 };
  const pods = new Map<string, number>();
  for (const m of problem.materials) {
    const g = grams.get(m.id) ?? 0;
    if (!(g > 0)) continue;
    mass += g;
    sum.shu += g * m.shu;
    sum.saltPct += g * m.saltPct;
    sum.sugarPct += g * m.sugarPct;
    sum.body += g * m.body;
    sum.perKg += g * (m.perKg ?? 0);
    if (problem.wish.wholePods && m.podG !== null) pods.set(m.id, Math.round(g / m.podG));
  }
  const per = (x: number) => (mass > 0 ? x / mass : 0);
  return {
    grams: new Map(grams),
    pods,
    shu: per(sum.shu),
    saltPct: per(sum.saltPct),
    sugarPct: per(sum.sugarPct),
    body: per(sum.body),
    perKg: per(sum.perKg),
    pH: problem.chemistry && mass > 0 ? problem.chemistry.pH(grams) : null,
    objective,
    proven,
  };
}

/** Ionic strength to begin with, mol/kg water: a salted sauce. */
const FIRST_IONIC = 0.4;

function needsSwitches(problem: BlendProblem): boolean {
  return problem.wish.varieties !== null;
}

/**
 * One blend. The acidity row is linear at a fixed pH and ionic strength; the ionic strength is read off the answer and
 * the row set anew twice, then the full charge balance has the last word: a mix that is not sour enough by it is asked
 * again a little stricter (handbook README; chapter 2, section 7.1).
 */
function solveOne(
  solver: LinearSolver,
  problem: BlendProblem,
  options: Omit<ModelOptions, 'ionicStrength' | 'pHRow'>,
  timeLimitS: number,
): { mix: BlendMix; solved: Solved; ionicStrength: number; pHRow: number | null } | null {
  const { wish, chemistry } = problem;
  let pHRow = wish.pH ? wish.pH.max - wish.pH.margin : null;
  let ionicStrength = FIRST_IONIC;
  let last: Solved | null = null;
  let mix: BlendMix | null = null;
  const sour = pHRow !== null && chemistry !== undefined;
  for (let pass = 0; pass < (sour ? 6 : 1); pass++) {
    last = run(solver, problem, { ...options, ionicStrength, pHRow }, timeLimitS);
    if (!last) return null;
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
  return mix && last ? { mix, solved: last, ionicStrength, pHRow } : null;
}

/** Two blends differ when 15 % of the mass does, or most of their choices (chapter 2, section 7.5, a little stricter). */
function distinct(problem: BlendProblem, a: BlendMix, b: BlendMix): boolean {
  const moved = problem.materials.reduce((s, m) => s + Math.abs((a.grams.get(m.id) ?? 0) - (b.grams.get(m.id) ?? 0)), 0) / 2;
  if (moved / problem.wish.massG >= 0.15) return true;
  const [x, y] = [chosen(problem, a), chosen(problem, b)];
  const both = [...x].filter((id) => y.has(id)).length;
  return both / new Set([...x, ...y]).size < 0.5;
}

/** The choice that makes most of a blend's mass. */
function bulkOf(problem: BlendProblem, mix: BlendMix): string | undefined {
  const ids = [...chosen(problem, mix)];
  return ids.sort((a, b) => mix.grams.get(b)! - mix.grams.get(a)!)[0];
}

function chosen(problem: BlendProblem, mix: BlendMix): Set<string> {
  return new Set(problem.materials.filter((m) => m.choice && (mix.grams.get(m.id) ?? 0) > 0).map((m) => m.id));
}

/** More choices than this make whole-number programs slow; the rest is set aside by relaxed programs first (section 7.7). */
const MANY = 20;
const KEEP = 14;

/** The choices worth looking at when there are many: those that relaxed programs pick, again without the ones picked. */
export function shortlist(solver: LinearSolver, problem: BlendProblem, timeLimitS: number): BlendProblem {
  const count = problem.materials.filter((m) => m.choice).length;
  if (count <= MANY) return problem;
  const relaxed: BlendProblem = { ...problem, wish: { ...problem.wish, varieties: null, wholePods: false } };
  const keep = new Set(problem.materials.filter((m) => m.choice && m.minPct > 0).map((m) => m.id));
  let barred = new Set<string>();
  for (const aim of ['best', 'best', 'best', 'hottest', 'mildest'] as Aim[]) {
    if (keep.size >= KEEP) break;
    if (aim !== 'best') barred = new Set();
    const materials = relaxed.materials.filter((m) => !barred.has(m.id));
    const one = solveOne(solver, { ...relaxed, materials }, { aim, switches: false, withoutHeat: aim !== 'best' }, timeLimitS);
    if (!one) continue;
    for (const id of chosen(problem, one.mix)) {
      keep.add(id);
      barred.add(id);
    }
  }
  // Then those with most to give, up to the limit: what is to be used up first, then the largest stocks.
  const rest = problem.materials
    .filter((m) => m.choice && !keep.has(m.id))
    .sort((a, b) => b.useUp - a.useUp || b.stockG - a.stockG || (a.id < b.id ? -1 : 1));
  for (const m of rest) if (keep.size < KEEP) keep.add(m.id);
  return { ...problem, materials: problem.materials.filter((m) => !m.choice || keep.has(m.id)) };
}

export interface BlendOptions {
  /** How many distinct blends are wanted, 1 to 6. */
  alternatives?: number;
  /** Seconds that one program may take. */
  timeLimitS?: number;
  /** Alternatives worse than the best by more than this objective are not offered. */
  worseBy?: number;
}

/**
 * Blends that meet the wishes: the best, and distinct others by leaving out the sets of choices already found. When
 * nothing meets them, what gives way and by how much, which single wish would do, what can be reached, and the largest
 * blend there is stuff for (chapter 2, sections 7.3 to 7.5). The same question gives the same answer.
 * Throws RangeError without materials or mass.
 */
export function solveBlend(solver: LinearSolver, asked: BlendProblem, options: BlendOptions = {}): BlendAnswer {
  if (asked.materials.length === 0) throw new RangeError('There is nothing to blend');
  if (!(asked.wish.massG > 0)) throw new RangeError('Say how much is wanted');
  const timeLimitS = options.timeLimitS ?? 2;
  const problem = shortlist(solver, asked, timeLimitS);
  const first = solveOne(solver, problem, { aim: 'best', switches: needsSwitches(problem) }, timeLimitS);
  if (!first) return explain(solver, problem, timeLimitS);
  return { status: 'found', mixes: alternatives(solver, problem, first.mix, options, timeLimitS) };
}

/**
 * Distinct blends beside the best: each cuts off the sets that came before; where that brings the same again with a
 * pinch of something else, the bulk of the best has to go.
 */
function alternatives(solver: LinearSolver, problem: BlendProblem, best: BlendMix, options: BlendOptions, timeLimitS: number): BlendMix[] {
  const mixes = [best];
  const wanted = options.alternatives ?? 1;
  const cuts: Set<string>[] = [chosen(problem, best)];
  const bulk = bulkOf(problem, best);
  for (let tries = 0; mixes.length < wanted && tries < 2 * wanted && cuts.at(-1)!.size > 0; tries++) {
    const next = solveOne(solver, problem, { aim: 'best', switches: true, cuts }, timeLimitS);
    if (!next || next.mix.objective > best.objective + (options.worseBy ?? 2)) break;
    cuts.push(chosen(problem, next.mix));
    if (mixes.every((m) => distinct(problem, m, next.mix))) mixes.push(next.mix);
    else if (bulk && !cuts.some((c) => c.size === 1 && c.has(bulk))) cuts.push(new Set([bulk]));
  }
  return mixes;
}

/** Rounding room for slacks that are held (section 7.4). */
const hold = (x: number) => x * (1 + 1e-9) + 1e-6;

/** A solved acidity slack, in mmol/kg, is told as a pH: see `words.ts`. */
function explain(solver: LinearSolver, problem: BlendProblem, timeLimitS: number): BlendAnswer {
  const switches = needsSwitches(problem);
  const base = { ionicStrength: FIRST_IONIC, pHRow: problem.wish.pH ? problem.wish.pH.max - problem.wish.pH.margin : null };
  const all = new Set(wishRows(problem, [], base).map((r) => r.wish));
  const largestG = largest(solver, problem, timeLimitS);
  const least = run(solver, problem, { ...base, aim: 'slack', soft: all, switches }, timeLimitS);
  if (!least) return { status: 'short', misses: [], repairs: [], nearest: null, reach: null, largestG };
  const read = (s: Solved) =>
    [...s.built.slack].flatMap(([wish, at]): Miss[] => {
      const row = s.built.rows.find((r) => r.wish === wish)!;
      const dust = EPS * Math.max(1, row.tolerance);
      const below = s.values[at.below]!;
      const above = s.values[at.above]!;
      return [
        ...(below > dust ? [{ wish, by: below, side: 'short' as const }] : []),
        ...(above > dust ? [{ wish, by: above, side: 'over' as const }] : []),
      ];
    });
  const held = (without?: WishId) =>
    new Map(
      [...least.built.slack]
        .filter(([w]) => w !== without)
        .map(([w, at]) => [w, { below: hold(least.values[at.below]!), above: hold(least.values[at.above]!) }]),
    );
  const nearest = run(solver, problem, { ...base, aim: 'best', soft: all, held: held(), switches }, timeLimitS);
  const nearestMix = nearest && evaluate(problem, gramsOf(problem, nearest), nearest.objective, nearest.proven);
  const told = (list: Miss[], mix: BlendMix | null) => list.map((m) => (m.wish === 'acidity' ? { ...m, pH: mix?.pH ?? null } : m));
  const repairs: Miss[] = [];
  for (const wish of all) {
    const alone = run(solver, problem, { ...base, aim: 'slack', soft: new Set([wish]), switches }, timeLimitS);
    if (alone) repairs.push(...told(read(alone), evaluate(problem, gramsOf(problem, alone))));
  }
  return {
    status: 'short',
    misses: told(read(least), nearestMix),
    repairs,
    nearest: nearestMix,
    reach: problem.wish.heat ? reachOf(solver, problem, base, all, switches, timeLimitS) : null,
    largestG,
  };
}

/** Hottest and mildest with the other wishes kept; where they cannot all be kept either, at their least miss. */
function reachOf(
  solver: LinearSolver,
  problem: BlendProblem,
  base: Pick<ModelOptions, 'ionicStrength' | 'pHRow'>,
  all: ReadonlySet<WishId>,
  switches: boolean,
  timeLimitS: number,
): { hottestShu: number; mildestShu: number } | null {
  const options = { ...base, withoutHeat: true, switches, soft: all };
  const least = run(solver, problem, { ...options, aim: 'slack' }, timeLimitS);
  if (!least) return null;
  const held = new Map(
    [...least.built.slack].map(([w, at]) => [w, { below: hold(least.values[at.below]!), above: hold(least.values[at.above]!) }]),
  );
  const shu = (aim: Aim) => {
    const s = run(solver, problem, { ...options, aim, held }, timeLimitS);
    return s ? evaluate(problem, gramsOf(problem, s)).shu : null;
  };
  const [hottestShu, mildestShu] = [shu('hottest'), shu('mildest')];
  return hottestShu === null || mildestShu === null ? null : { hottestShu, mildestShu };
}

/** g of the largest blend that meets every wish with this stock, by halving; null when none of any size does. */
function largest(solver: LinearSolver, problem: BlendProblem, timeLimitS: number): number | null {
  const relaxed: BlendProblem = { ...problem, wish: { ...problem.wish, wholePods: false } };
  const there = problem.materials.reduce(
    (s, m) => s + Math.min(m.stockG, (mostPct({ ...m, stockG: Infinity }, 1) / 100) * problem.wish.massG),
    0,
  );
  const works = (massG: number) =>
    run(
      solver,
      { ...relaxed, wish: { ...relaxed.wish, massG } },
      {
        aim: 'best',
        switches: needsSwitches(problem),
        ionicStrength: FIRST_IONIC,
        pHRow: problem.wish.pH ? problem.wish.pH.max - problem.wish.pH.margin : null,
      },
      timeLimitS,
    ) !== null;
  let high = Math.min(there, problem.wish.massG);
  if (works(high)) return high;
  let low = high / 64;
  if (!works(low)) return null;
  for (let i = 0; i < 10; i++) {
    const mid = (low + high) / 2;
    if (works(mid)) low = mid;
    else high = mid;
  }
  return low;
}

/** Rows of a mix that are missed by more than `tolerance` of their scale: none, for a mix that was found. */
export function missedRows(
  problem: BlendProblem,
  mix: BlendMix,
  ionicStrength = FIRST_IONIC,
): { wish: WishId | 'mass' | 'stock'; by: number }[] {
  const pct = problem.materials.map((m) => (100 * (mix.grams.get(m.id) ?? 0)) / problem.wish.massG);
  const out: { wish: WishId | 'mass' | 'stock'; by: number }[] = [];
  const mass = pct.reduce((s, x) => s + x, 0);
  if (Math.abs(mass - 100) > 0.05) out.push({ wish: 'mass', by: mass - 100 });
  problem.materials.forEach((m, i) => {
    if (pct[i]! > mostPct(m, problem.wish.massG) + 1e-4) out.push({ wish: 'stock', by: pct[i]! });
  });
  const index = problem.materials.map((_, i) => i);
  for (const r of wishRows(problem, index, { ionicStrength, pHRow: null })) {
    const value = r.terms.reduce((s, [i, c]) => s + c * pct[i]!, 0);
    const by = Math.max(r.lower - value, value - r.upper) / r.unit;
    if (by > 0.02 * r.tolerance) out.push({ wish: r.wish, by });
  }
  return out;
}

export { targetOf, type Material };
