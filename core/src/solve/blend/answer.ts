import { budgeted } from '../budget';
import type { LinearSolver } from '../linear';
import { evaluate, missedRows, type BlendMix } from './check';
import { contradictions } from './contradict';
import { explain, type Why } from './explain';
import type { BlendProblem } from './material';
import type { Aim } from './model';
import { chosen, needsSwitches, solveOne } from './one';

export type BlendAnswer =
  | { status: 'found'; mixes: BlendMix[] }
  | (Why & {
      status: 'short';
      /** What contradicts itself before anything is solved; then nothing else is said. */
      contradictions: string[];
      /** Time ran out before it was settled whether there is a blend. */
      outOfTime: boolean;
    });

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

/** More choices than this make whole-number programs slow; the rest is set aside by relaxed programs first (section 7.7). */
const MANY = 20;
const KEEP = 14;

/** The choices worth looking at when there are many: those that relaxed programs pick, again without the ones picked. */
export function shortlist(solver: LinearSolver, problem: BlendProblem): BlendProblem {
  const count = problem.materials.filter((m) => m.choice).length;
  if (count <= MANY) return problem;
  const relaxed: BlendProblem = { ...problem, wish: { ...problem.wish, varieties: null, wholePods: false } };
  const keep = new Set(problem.materials.filter((m) => m.choice && m.minPct > 0).map((m) => m.id));
  let barred = new Set<string>();
  for (const aim of ['best', 'best', 'best', 'hottest', 'mildest'] as Aim[]) {
    if (keep.size >= KEEP) break;
    if (aim !== 'best') barred = new Set();
    const materials = relaxed.materials.filter((m) => !barred.has(m.id));
    const one = solveOne(solver, { ...relaxed, materials }, { aim, switches: false, withoutHeat: aim !== 'best' });
    if (!one || one === 'late') continue;
    for (const id of chosen(problem, one)) {
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

/**
 * A blend without whole-number programs, for when they take too long: the relaxed blend, its largest kinds kept, its pods
 * rounded up or down by what leaves least amiss. Null when that does not meet the wishes.
 */
function quick(solver: LinearSolver, problem: BlendProblem): BlendMix | null {
  const { varieties, wholePods, massG } = problem.wish;
  const relaxed = (p: BlendProblem) =>
    solveOne(solver, { ...p, wish: { ...p.wish, varieties: null, wholePods: false } }, { aim: 'best', switches: false });
  let mix = relaxed(problem);
  if (!mix || mix === 'late') return null;
  if (varieties !== null && chosen(problem, mix).size > varieties) {
    const had = mix;
    const largest = [...chosen(problem, had)].sort((a, b) => had.grams.get(b)! - had.grams.get(a)!).slice(0, varieties);
    mix = relaxed({ ...problem, materials: problem.materials.filter((m) => !m.choice || largest.includes(m.id)) });
    if (!mix || mix === 'late') return null;
  }
  const grams = new Map(mix.grams);
  if (wholePods) {
    const pods = problem.materials.filter((m) => m.podG !== null && grams.has(m.id));
    for (const m of pods) grams.set(m.id, Math.round(grams.get(m.id)! / m.podG!) * m.podG!);
    const amiss = () => missedRows(problem, evaluate(problem, grams)).reduce((s, r) => s + 1 + Math.abs(r.by) / massG, 0);
    for (let pass = 0; pass < 40 && amiss() > 0; pass++) {
      let best = { by: amiss(), id: '', g: 0 };
      for (const m of pods)
        for (const step of [-1, 1]) {
          const g = grams.get(m.id)! + step * m.podG!;
          if (g < 0 || g > m.stockG) continue;
          const had = grams.get(m.id)!;
          grams.set(m.id, g);
          if (amiss() < best.by) best = { by: amiss(), id: m.id, g };
          grams.set(m.id, had);
        }
      if (best.id === '') break;
      grams.set(best.id, best.g);
    }
    for (const [id, g] of grams) if (g === 0) grams.delete(id);
  }
  const done = evaluate(problem, grams, mix.objective, false);
  return missedRows(problem, done).length === 0 ? done : null;
}

export interface BlendOptions {
  /** How many distinct blends are wanted, 1 to 6. */
  alternatives?: number;
  /** Nodes for all programs of the question together. */
  nodes?: number;
  /** Alternatives worse than the best by more than this objective are not offered. */
  worseBy?: number;
}

/** Nodes for one question, about one and a half seconds of searching: best found after that, and said so. */
const PATIENCE = 1600;

/**
 * Blends that meet the wishes: the best, and distinct others by leaving out the sets of choices already found. When
 * nothing meets them, what contradicts itself; or what gives way and by how much, which single wish would do, what can be
 * reached, and the largest blend there is stuff for (chapter 2, sections 7.3 to 7.5). Nothing is said that was not asked
 * again and found to hold. The same question has the same answer.
 */
export function solveBlend(given: LinearSolver, asked: BlendProblem, options: BlendOptions = {}): BlendAnswer {
  const against = contradictions(asked);
  if (against.length > 0) return { ...NOTHING, contradictions: against };
  const nodes = options.nodes ?? PATIENCE;
  // The first answer may take half of it, the rest goes to others or to why there is none.
  const solver = budgeted(given, nodes / 2);
  const rest = budgeted(given, nodes / 2);
  const problem = shortlist(solver, asked);
  const first = solveOne(solver, problem, { aim: 'best', switches: needsSwitches(problem) });
  const best = first === 'late' ? quick(given, problem) : first;
  if (best) return { status: 'found', mixes: alternatives(rest, problem, best, options) };
  return { ...NOTHING, ...explain(rest, problem), outOfTime: first === 'late' };
}

const NOTHING: Extract<BlendAnswer, { status: 'short' }> = {
  status: 'short',
  contradictions: [],
  misses: [],
  repairs: [],
  together: null,
  ways: [],
  nearest: null,
  reach: null,
  largestG: null,
  outOfTime: false,
};

/**
 * Distinct blends beside the best: each cuts off the sets that came before; where that brings the same again with a
 * pinch of something else, the bulk of the best has to go.
 */
function alternatives(solver: LinearSolver, problem: BlendProblem, best: BlendMix, options: BlendOptions): BlendMix[] {
  const mixes = [best];
  const wanted = options.alternatives ?? 1;
  const cuts: Set<string>[] = [chosen(problem, best)];
  const bulk = bulkOf(problem, best);
  for (let tries = 0; mixes.length < wanted && tries < 2 * wanted && cuts.at(-1)!.size > 0; tries++) {
    const next = solveOne(solver, problem, { aim: 'best', switches: true, cuts });
    if (!next || next === 'late' || next.objective > best.objective + (options.worseBy ?? 2)) break;
    cuts.push(chosen(problem, next));
    if (mixes.every((m) => distinct(problem, m, next))) mixes.push(next);
    else if (bulk && !cuts.some((c) => c.size === 1 && c.has(bulk))) cuts.push(new Set([bulk]));
  }
  return mixes;
}
