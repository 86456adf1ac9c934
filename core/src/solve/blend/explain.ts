import { HOUSE_PH } from '../../ferment';
import { ingredient } from '../../matter/ingredient';
import { kindOf, usualFor } from '../../matter/kind';
import type { LinearSolver } from '../linear';
import { evaluate, missedRows, type BlendMix } from './check';
import type { BlendProblem } from './material';
import { eased, saidTo, type Miss, type Way } from './miss';
import { mostPct, wishRows, type Aim, type ModelOptions, type WishId } from './model';
import { firstRows, gramsOf, needsSwitches, run, solveOne, type Solved } from './one';

/** Why there is no blend, and what would do. */
export interface Why {
  /** What is not met by the nearest blend. Empty when mass, stock, shares or pods contradict each other. */
  misses: Miss[];
  /** Single wishes that, eased alone to what is said, would do. */
  repairs: Miss[];
  /** All of these together would do, where no single one does; null when that was not found either. */
  together: Miss[] | null;
  /** Other ways out that were tried and do. */
  ways: Way[];
  nearest: BlendMix | null;
  /** Hottest and mildest that the stock reaches with the other wishes kept (or least missed). */
  reach: { hottestShu: number; mildestShu: number } | null;
  /** g of the largest blend of this kind that the stock makes; null when none of any size. */
  largestG: number | null;
}

/** Rounding room for slacks that are held (section 7.4). */
const hold = (x: number) => x * (1 + 1e-9) + 1e-6;
const EPS = 1e-6;
/** A saying that does not hold when asked again is eased this often before it is not said. */
const NOTCHES = 3;

const settled = (s: Solved | null | 'late'): Solved | null => (s === 'late' ? null : s);

/** A question asked again: the mix when it is found, and meets all that was asked. */
export function askAgain(solver: LinearSolver, problem: BlendProblem): BlendMix | null {
  const mix = solveOne(solver, problem, { aim: 'best', switches: needsSwitches(problem) });
  return mix && mix !== 'late' && missedRows(problem, mix).length === 0 ? mix : null;
}

/** What gives way in a solved program, in natural units. */
function read(s: Solved): { wish: WishId; by: number; side: Miss['side'] }[] {
  return [...s.built.slack].flatMap(([wish, at]) => {
    const row = s.built.rows.find((r) => r.wish === wish)!;
    const dust = EPS * Math.max(1, row.tolerance);
    const below = s.values[at.below]!;
    const above = s.values[at.above]!;
    return [
      ...(below > dust ? [{ wish, by: below, side: 'short' as const }] : []),
      ...(above > dust ? [{ wish, by: above, side: 'over' as const }] : []),
    ];
  });
}

/** The misses as they are said, eased until a question with all of them is met; null when it is not. */
function sayable(
  solver: LinearSolver,
  problem: BlendProblem,
  raw: readonly { wish: WishId; by: number; side: Miss['side'] }[],
  mix: BlendMix | null,
): Miss[] | null {
  for (let notch = 0; notch < NOTCHES; notch++) {
    const said = raw.map((m) => ({ ...m, to: saidTo(problem.wish, m.wish, m.side, m.by, mix, notch) }));
    // Acid is never given up above the house line.
    if (said.some((m) => m.wish === 'acidity' && m.to > HOUSE_PH + 1e-9)) return null;
    if (askAgain(solver, eased(problem, said))) return said;
  }
  return null;
}

/** Why there is no blend, and what would do. Everything that is said was asked again. */
export function explain(solver: LinearSolver, problem: BlendProblem): Why {
  const switches = needsSwitches(problem);
  const base = firstRows(problem);
  const all = new Set(wishRows(problem, [], base).map((r) => r.wish));
  if (problem.wish.pH && problem.wish.pH.max >= HOUSE_PH) all.delete('acidity');
  // Time may run out: what matters most is asked first.
  const besides = () => ({ ways: [...acid(solver, problem), ...otherWays(solver, problem)], largestG: largest(solver, problem) });
  const least = settled(run(solver, problem, { ...base, aim: 'slack', soft: all, switches }));
  if (!least) return { misses: [], repairs: [], together: null, nearest: null, reach: null, ...besides() };
  const held = new Map(
    [...least.built.slack].map(([w, at]) => [w, { below: hold(least.values[at.below]!), above: hold(least.values[at.above]!) }]),
  );
  const mixOf = (s: Solved | null) => s && evaluate(problem, gramsOf(problem, s), s.objective, s.proven);
  const nearest = mixOf(settled(run(solver, problem, { ...base, aim: 'best', soft: all, held, switches })));
  const raw = read(least);
  const misses = raw.map((m) => ({ ...m, to: saidTo(problem.wish, m.wish, m.side, m.by, nearest) }));
  const reach = problem.wish.heat ? reachOf(solver, problem, base, all, switches) : null;
  const repairs = [...all].flatMap((wish): Miss[] => {
    const alone = settled(run(solver, problem, { ...base, aim: 'slack', soft: new Set([wish]), switches }));
    return alone ? (sayable(solver, problem, read(alone), mixOf(alone)) ?? []) : [];
  });
  const together = repairs.length === 0 && raw.length > 1 ? sayable(solver, problem, raw, nearest) : null;
  return { misses, repairs, together, nearest, reach, ...besides() };
}

/** Hottest and mildest with the other wishes kept; where they cannot all be kept either, at their least miss. */
function reachOf(
  solver: LinearSolver,
  problem: BlendProblem,
  base: Pick<ModelOptions, 'ionicStrength' | 'pHRow' | 'bodyRow'>,
  all: ReadonlySet<WishId>,
  switches: boolean,
): Why['reach'] {
  const options = { ...base, withoutHeat: true, switches, soft: all };
  const least = settled(run(solver, problem, { ...options, aim: 'slack' }));
  if (!least) return null;
  const held = new Map(
    [...least.built.slack].map(([w, at]) => [w, { below: hold(least.values[at.below]!), above: hold(least.values[at.above]!) }]),
  );
  const shu = (aim: Aim) => {
    const s = settled(run(solver, problem, { ...options, aim, held }));
    return s ? evaluate(problem, gramsOf(problem, s)).shu : null;
  };
  const [hottest, mildest] = [shu('hottest'), shu('mildest')];
  return hottest === null || mildest === null ? null : { hottestShu: hottest, mildestShu: mildest };
}

/** A mass as it is told: whole grams, or tenths of a kilogram; rounded down. */
export const toldG = (g: number): number => (g >= 1000 ? Math.floor(g / 100) * 100 : Math.floor(g));

/** g of the largest blend that meets every wish with this stock, by halving, as it is told; null when none of any size does. */
function largest(solver: LinearSolver, problem: BlendProblem): number | null {
  const there = problem.materials.reduce((s, m) => s + Math.min(m.stockG, (m.maxPct / 100) * problem.wish.massG), 0);
  const sized = (massG: number): BlendProblem => ({ ...problem, wish: { ...problem.wish, massG } });
  const roughly = (massG: number) => {
    const p = sized(massG);
    const rough = { ...p, wish: { ...p.wish, wholePods: false } };
    return settled(run(solver, rough, { aim: 'best', switches: needsSwitches(problem), ...firstRows(rough) }));
  };
  let high = Math.min(there, problem.wish.massG);
  let low = high;
  if (!roughly(high)) {
    low = high / 64;
    if (!roughly(low)) return null;
    for (let i = 0; i < 10; i++) {
      const mid = (low + high) / 2;
      if (roughly(mid)) low = mid;
      else high = mid;
    }
  }
  for (const share of [1, 0.98, 0.94, 0.85]) {
    const told = toldG(low * share);
    if (told > 0 && told < problem.wish.massG && askAgain(solver, sized(told))) return told;
  }
  return null;
}

/** What an acid is called, with its strength where it is sold by strength. */
function acidName(key: string): string {
  const { acetic } = ingredient(key).acids;
  return `${kindOf({ key }).said[0]!}${acetic ? ` (${Math.round(acetic)} %)` : ''}`;
}

/** How much more acid would do where the acid is what is short; nothing when it is not, or when none of these does. */
function acid(solver: LinearSolver, problem: BlendProblem): Way[] {
  const { wish, sourer } = problem;
  if (!wish.pH || !sourer) return [];
  const without: BlendProblem = { ...problem, wish: { ...wish, pH: null } };
  if (!askAgain(solver, without)) return [];
  for (const key of usualFor('acid')) {
    const name = acidName(key);
    const more = sourer(ingredient(key));
    const mix = askAgain(solver, more.problem);
    const g = mix?.grams.get(more.id);
    if (g) {
      const there = problem.materials.find((m) => m.id === key)?.stockG ?? 0;
      const need = Math.ceil(Math.max(1, g - there));
      return [{ says: `About ${need} g ${there > 0 ? 'more ' : ''}of ${name} would make it sour enough.` }];
    }
  }
  return [{ says: 'Nothing here makes it that sour. Add a stronger acid, or ask for less salt, sugar or body.' }];
}

/** Other things that can give way, each tried. */
function otherWays(solver: LinearSolver, problem: BlendProblem): Way[] {
  const { wish } = problem;
  const ways: Way[] = [];
  const attempt = (changed: BlendProblem, says: string) => {
    if (askAgain(solver, changed)) ways.push({ says });
  };
  if (wish.wholePods)
    attempt({ ...problem, wish: { ...wish, wholePods: false } }, 'Weighed instead of counted in whole pods, it can be done.');
  if (wish.varieties !== null) {
    const kinds = problem.materials.filter((m) => m.choice).length;
    for (let k = wish.varieties + 1; k <= Math.min(kinds, wish.varieties + 3); k++) {
      if (!askAgain(solver, { ...problem, wish: { ...wish, varieties: k } })) continue;
      ways.push({ says: `With up to ${k} kinds it can be done.` });
      break;
    }
  }
  if (problem.materials.some((m) => m.minPct > 0))
    attempt({ ...problem, materials: problem.materials.map((m) => ({ ...m, minPct: 0 })) }, 'Without the least shares it can be done.');
  if (problem.materials.some((m) => m.maxPct < 100))
    attempt({ ...problem, materials: problem.materials.map((m) => ({ ...m, maxPct: 100 })) }, 'Without the most shares it can be done.');
  const short = problem.materials.filter((m) => m.stockG > 0 && mostPct(m, wish.massG) < 100);
  if (ways.length === 0 && short.length > 0) {
    const endless = { ...problem, materials: problem.materials.map((m) => (m.stockG > 0 ? { ...m, stockG: Infinity } : m)) };
    const mix = askAgain(solver, endless);
    const more = mix ? short.map((m) => ({ m, g: Math.ceil((mix.grams.get(m.id) ?? 0) - m.stockG) })).filter((x) => x.g > 0) : [];
    if (more.length > 0) ways.push({ says: `It takes more: ${more.map(({ m, g }) => `${g} g of ${m.name}`).join(', ')}.` });
  }
  return ways;
}
