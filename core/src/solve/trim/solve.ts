import { budgeted } from '../budget';
import type { LinearSolver } from '../linear';
import { missesOf, trimProgram, trimSearch, type TrimOptions, type TrimProblem } from './model';
import { searchSteps } from './search';
import { loosened, RAILS, type Rail, type RailValues } from './rails';

/** One way to put a sauce right. */
export interface TrimWay {
  /** Steps of each thing, by id. */
  steps: ReadonlyMap<string, number>;
  grams: ReadonlyMap<string, number>;
  /** What the sauce is with it, by the full models. */
  after: RailValues;
  /** False when time ran out: good, not proven the least. */
  proven: boolean;
}

export type TrimAnswer =
  /** `held` is false when rails that nobody named move more than one would not notice. */
  | { status: 'found'; ways: TrimWay[]; held: boolean }
  | {
      status: 'short';
      /** The nearest there is, and how far each rail misses its window. */
      nearest: TrimWay | null;
      misses: Partial<Record<Rail, number>>;
      /** Wishes that stand in the way: without this one the others can be had. */
      without: Rail[];
      /** g of something without heat that the wished heat takes; null when heat is not to fall. */
      thinG: number | null;
      outOfTime: boolean;
    };

/** Nodes for everything that is solved for one question: about two seconds of searching (measured). */
const PATIENCE = 2500;
const PASSES = 7;
/** Distinct ways that are offered. */
const WAYS = 4;
/** A way that adds more than this many times the least, and more than this % beside, is no help. */
const WORSE = { times: 3, plusPct: 12 } as const;

type Solved = { way: TrimWay; objective: number };
type Asked = Pick<TrimOptions, 'soft' | 'free' | 'cuts'>;
/** Where windows may be missed, an answer this near to the least is the least, as a share. */
const GAP = 0.01;

/** Steps for one program: by search where every window must be kept, by a whole-number program where some may be missed. */
function stepsOf(
  solver: LinearSolver,
  p: TrimProblem,
  o: TrimOptions,
): { steps: number[]; objective: number; proven: boolean } | null | 'late' {
  if (o.soft.size === 0) {
    const found = searchSteps(trimSearch(p, o));
    return found && { ...found, proven: true };
  }
  const { model, n } = trimProgram(p, o);
  const s = solver.solve(model, { gap: GAP });
  if (s.status === 'out of nodes') return 'late';
  if (s.status === 'infeasible') return null;
  return { steps: n.map((c) => Math.round(s.values[c]!)), objective: s.objective, proven: s.status === 'optimal' };
}

/**
 * One way. The rows of acidity and body bend: they are set where the last answer was until the full models agree, and once
 * more from there, in case less will do. Null when there is none, "late" when time ran out.
 */
function solveOne(solver: LinearSolver, p: TrimProblem, options: Asked): Solved | null | 'late' {
  const { wish } = p;
  const edge = (r: 'sour' | 'body') => (wish[r] ? { low: wish[r].low, high: wish[r].high } : null);
  const edges = { sour: edge('sour'), body: edge('body') };
  let grams: ReadonlyMap<string, number> = new Map();
  let best: Solved | null = null;
  for (let pass = 0; pass < PASSES; pass++) {
    const ionicStrength = {
      low: edges.sour ? p.ionicStrength(grams, edges.sour.low) : 0,
      high: edges.sour ? p.ionicStrength(grams, edges.sour.high) : 0,
    };
    const found = stepsOf(solver, p, { ...options, grams, ionicStrength, edges });
    if (found === 'late') return best ?? 'late';
    if (!found) return best;
    const counts = p.things.map((t, i) => [t, found.steps[i]!] as const).filter(([, n]) => n > 0);
    const before = JSON.stringify([...grams]);
    grams = new Map(counts.map(([t, n]) => [t.id, n * t.stepG]));
    const after = p.full(grams);
    const way: TrimWay = { steps: new Map(counts.map(([t, n]) => [t.id, n])), grams, after, proven: found.proven };
    const missed = missesOf(after, wish);
    const off = (r: 'sour' | 'body') => (options.soft.has(r) || options.free?.has(r) ? 0 : (missed[r] ?? 0));
    if (off('sour') === 0 && off('body') === 0) {
      if (!best || found.objective < best.objective) best = { way, objective: found.objective };
      // Only a wish for body bends enough to be worth another look.
      if (!wish.body?.named || before === JSON.stringify([...grams])) return best;
      if (pass > 1) return best;
      continue;
    }
    if (best) return best;
    // What the full model says it is off by, the row is set stricter by.
    for (const r of ['sour', 'body'] as const) {
      const e = edges[r];
      const by = off(r);
      if (!e || by === 0) continue;
      if (by > 0) e.high = Math.max(e.low, e.high - by);
      else e.low = Math.min(e.high, e.low - by);
    }
  }
  return best;
}

/** The thing that makes most of what is added, by mass. */
const bulkOf = (way: TrimWay): string | undefined => [...way.grams].sort((a, b) => b[1] - a[1])[0]?.[0];

const NONE: ReadonlySet<Rail> = new Set();

/**
 * The smallest sets of additions, at most three things in kitchen steps, that bring every rail into its window: the least,
 * and distinct others (handbook chapter 2, section 8). What the rows promise is worked out again by the full models before
 * it is offered. When there is none, what is nearest, and which single wish stands in the way.
 */
export function solveTrim(given: LinearSolver, p: TrimProblem): TrimAnswer {
  if (!(p.massG > 0)) throw new RangeError('There is no sauce to put right. Say how much there is.');
  const solver = budgeted(given, PATIENCE);
  let late = false;
  const settle = (x: ReturnType<typeof solveOne>): Solved | null => {
    if (x === 'late') late = true;
    return x === 'late' ? null : x;
  };
  for (const held of [true, false]) {
    const asked = held ? p : { ...p, wish: loosened(p.wish, p.now) };
    const cuts: ReadonlySet<string>[] = [];
    const found: Solved[] = [];
    for (let tries = 0; found.length < WAYS && tries < WAYS + 3; tries++) {
      const next = settle(solveOne(solver, asked, { soft: NONE, cuts }));
      if (!next) break;
      const [best] = found;
      if (best && next.objective > WORSE.times * best.objective && next.objective > best.objective + WORSE.plusPct) break;
      found.push(next);
      if (next.way.steps.size === 0) break;
      // Another way is one without what most of this one is.
      cuts.push(new Set([bulkOf(next.way)!]));
    }
    if (found.length > 0) return { status: 'found', ways: found.map((f) => f.way), held };
  }
  return short(solver, { ...p, wish: loosened(p.wish, p.now) }, settle, () => late);
}

function short(
  solver: LinearSolver,
  p: TrimProblem,
  settle: (x: ReturnType<typeof solveOne>) => Solved | null,
  late: () => boolean,
): TrimAnswer {
  const heat = p.wish.heat;
  const now = p.now.heat ?? 0;
  const thinG = heat?.named && heat.high > 0 && heat.high < now ? p.massG * (now / heat.high - 1) : null;
  // Acid is never what gives way upwards: only the rest may miss its window, unless acid itself is out of reach.
  const all = new Set(RAILS.filter((r) => r !== 'sour'));
  const nearest = settle(solveOne(solver, p, { soft: all, cuts: [] })) ?? settle(solveOne(solver, p, { soft: new Set(RAILS), cuts: [] }));
  const namedRails = RAILS.filter((r) => p.wish[r]?.named);
  const without =
    namedRails.length > 1
      ? namedRails.filter((r) => settle(solveOne(solver, p, { soft: NONE, free: new Set([r]), cuts: [] })) !== null)
      : [];
  return {
    status: 'short',
    nearest: nearest?.way ?? null,
    misses: nearest ? missesOf(nearest.way.after, p.wish) : {},
    without,
    thinG,
    outOfTime: late(),
  };
}
