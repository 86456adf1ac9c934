import type { LinearModel, LinearSolver } from '../solve';
import { COST, pinId, seasonModel, SWEET_PER_G, type Candidate, type SeasonModel } from './model';
import type { Season, SeasonAsk, SeasonBatch } from './season';

/** Seconds for the first answer, for looking for better ones, and for making bottles whole. */
export interface SeasonTime {
  first: number;
  better: number;
}
export const SEASON_TIME: SeasonTime = { first: 4, better: 5 };
/** As near to the best as this counts as the best, as a share of what all bottles that are asked for are worth. */
export const SEASON_GAP = 0.05;
/** So many batches, those that are most a part of the plan without whole numbers, are looked at first. */
const FIRST_BATCHES = 60;
/** Times that batches for what is short are put beside the plan. */
const MOST_TRIES = 4;
/** Less of anything is none, g. */
const SOME_G = 0.5;

function batchOf(c: Candidate, v: readonly number[], bottleMl: number): SeasonBatch {
  const { kit } = c;
  const pods = c.pods.filter((p) => v[p.g]! > SOME_G);
  const massG = pods.reduce((s, p) => s + v[p.g]! * p.perG.massG, 0);
  const heat = pods.reduce((s, p) => s + v[p.g]! * p.perG.heatShuG, 0) * kit.heatKept;
  const boughtG = v[c.bought]! > SOME_G ? v[c.bought]! : 0;
  const sauceG = (massG + boughtG * SWEET_PER_G) * kit.massPerPod;
  const to = c.to.flatMap((t) => (v[t.n]! > 0 ? [{ part: t.part.id, bottles: v[t.n]! }] : []));
  return {
    ...{ id: c.id, style: c.style, heat: c.heat, start: c.start, end: c.end, ready: c.ready, minutes: kit.minutes, boughtG },
    pods: pods.map((p) => ({ harvestId: p.harvest.id, g: v[p.g]!, frozen: p.frozen })),
    fills: Math.floor(((massG + boughtG * SWEET_PER_G) * kit.mlPerPod) / bottleMl + 1e-6),
    bottles: to.reduce((s, t) => s + t.bottles, 0),
    shu: sauceG > 0 ? heat / sauceG : 0,
    jars: c.jars.flatMap((j) => (v[j.n]! > 0 ? [{ ml: j.ml, count: v[j.n]! }] : [])),
    to,
  };
}

/** What the variables say. */
export function seasonOf(m: SeasonModel, v: readonly number[], cost: number, gap: number): Season {
  const gramsOf = (of: 'spoils' | 'frozen') =>
    m.harvests.flatMap((h) => {
      const g = h[of] === null ? 0 : v[h[of]]!;
      return g > SOME_G ? [{ harvestId: h.harvest.id, g }] : [];
    });
  return {
    batches: m.candidates
      .filter((c) => v[c.x]! > 0)
      .map((c) => batchOf(c, v, m.bottleMl))
      .sort((a, b) => a.start.localeCompare(b.start) || a.id.localeCompare(b.id)),
    fromShelf: m.fromShelf.flatMap((s) => (v[s.n]! > 0 ? [{ shelfId: s.shelfId, part: s.part.id, bottles: v[s.n]! }] : [])),
    parts: m.parts.map(({ part, short, why }) => {
      const got = part.bottles - Math.round(v[short]!);
      return { ...part, got, why: got < part.bottles ? why : null };
    }),
    spoils: gramsOf('spoils'),
    frozen: gramsOf('frozen'),
    workdays: m.workdays
      .filter((w) => v[w.d]! > 0)
      .map((w) => w.day)
      .sort(),
    cost,
    gap,
  };
}

/** All columns of a batch. */
const columnsOf = (c: Candidate): number[] => [
  c.x,
  c.bought,
  ...c.pods.map((p) => p.g),
  ...c.jars.map((j) => j.n),
  ...c.to.map((t) => t.n),
];
const HELD = 'What is held fast cannot be had all at once. Let one of them go.';
/** Not made. */
const none = (c: Candidate) => columnsOf(c).map((j): [number, number] => [j, 0]);
/** The program with some columns held where they are said to be. */
function held(model: LinearModel, at: ReadonlyMap<number, number>, whole: ReadonlySet<number> = new Set()): LinearModel {
  return {
    rows: model.rows,
    columns: model.columns.map((c, j) => {
      const value = at.get(j);
      if (value !== undefined) return { ...c, lower: value, upper: value };
      return whole.has(j) ? { ...c, integer: true } : c;
    }),
  };
}
const relaxed = ({ columns, rows }: LinearModel): LinearModel => ({ rows, columns: columns.map((c) => ({ ...c, integer: false })) });

/**
 * A season planned, any time: yields better and better answers, each with how far from the best it may be. First the program
 * without whole numbers, which no plan beats; then the batches that this made some use of, in whole numbers; then all of them,
 * from there. Bottles are made whole last, with the batches as they are. Throws RangeError where what is held fast cannot be had.
 */
export function* seasonSteps(solver: LinearSolver, ask: SeasonAsk, time: SeasonTime = SEASON_TIME): Generator<Season, void> {
  const m = seasonModel(ask);
  const worth = Math.max(
    1,
    m.parts.reduce((s, { part }) => s + part.bottles * (part.wishId === null ? COST.shortMonth : COST.short), 0),
  );
  const loose = solver.solve(relaxed(m.model), { seconds: 60 });
  if (!('values' in loose)) throw new RangeError(HELD);
  let bound = loose.objective;
  let best: Season | null = null;
  const bottles = new Set([...m.candidates.flatMap((c) => c.to), ...m.fromShelf].map((t) => t.n));
  /** The same batches on the same days, and whole bottles of them. */
  function made(values: readonly number[]): Season | null {
    const at = new Map(m.candidates.flatMap((c): [number, number][] => (values[c.x]! > 0.5 ? [[c.x, 1]] : none(c))));
    const answer = solver.solve(held(m.model, at, bottles), { gap: 1e-4, seconds: time.first, nodes: Infinity, large: true });
    if (!('values' in answer) || (best && answer.objective > best.cost - 1e-6)) return null;
    best = seasonOf(m, answer.values, answer.objective, 0);
    return best;
  }
  const gapOf = (s: Season): Season => ({ ...s, gap: Math.max(0, (s.cost - bound) / worth) });

  const before = new Set([...ask.before, ...ask.pins].map(pinId));
  const byUse = [...m.candidates].sort((a, b) => loose.values[b.x]! - loose.values[a.x]!);
  let at: readonly number[] | null = null;
  /** The best plan with some of the batches, and whether it is better than the one of before. */
  function* withSome(some: ReadonlySet<Candidate>, gap: number, seconds: number, whole?: ReadonlySet<number>): Generator<Season, boolean> {
    const rest = m.candidates.filter((c) => !some.has(c));
    const answer = solver.solve(held(m.model, new Map(rest.flatMap(none)), whole), {
      ...{ gap, seconds, nodes: Infinity, large: true },
      ...(at ? { start: at } : {}),
    });
    if (!('values' in answer) || !made(answer.values)) return false;
    at = answer.values;
    yield gapOf(best!);
    return true;
  }
  // What is of most use in the plan without whole numbers.
  const used = new Set([...byUse.slice(0, FIRST_BATCHES), ...m.candidates.filter((c) => before.has(c.id))]);
  yield* withSome(used, 0.02, time.first);
  // What could fill what is short, beside the batches of the plan: until that helps no more.
  for (let tries = 0; tries < MOST_TRIES && best; tries++) {
    const short = new Set((best as Season).parts.filter((p) => p.got < p.bottles).map((p) => p.id));
    if (short.size === 0) break;
    const own = m.candidates.filter((c) => (best as Season).batches.some((b) => b.id === c.id) || before.has(c.id));
    const help = byUse.filter((c) => c.to.some((t) => short.has(t.part.id))).slice(0, FIRST_BATCHES / 2);
    if (!(yield* withSome(new Set([...own, ...help]), 0.01, time.first / 2, bottles))) break;
  }

  // Few batches are looked at with whole bottles from the first.
  const exact = m.candidates.length <= FIRST_BATCHES;
  const all = solver.solve(exact ? held(m.model, new Map(), bottles) : m.model, {
    ...{ gap: exact ? 1e-6 : 1e-3, seconds: time.better, nodes: Infinity, large: true },
    ...(at ? { start: at } : {}),
  });
  if (all.bound !== undefined && Number.isFinite(all.bound)) bound = Math.max(bound, all.bound);
  if ('values' in all) made(all.values);
  if (all.status === 'infeasible') throw new RangeError(HELD);
  if (!best) throw new RangeError('No plan was found in the time there was. Wish for less, or look at fewer kinds.');
  yield gapOf(best);
}
