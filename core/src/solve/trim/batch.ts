import { stationIn, type BatchFile, type Round } from '../../file';
import type { Keeping } from '../../keep';
import { reportTypical, runUpTo, upstreamOf, graphOf, withRound } from '../../line';
import { massOf } from '../../matter/stream';
import { bodyWord } from '../../cook';
import { twoFigures } from '../../heat';
import type { Parcel } from '../../parcel';
import type { Day } from '../../plan';
import type { Kitchen } from '../../reading';
import { isTapWater, usualFor } from '../../matter/kind';
import type { Ingredient } from '../../matter/ingredient';
import type { LinearSolver } from '../linear';
import { idOfStock, rowWantsNight, wantsNight, type TrimStock } from './things';
import type { TrimThing } from './model';
import { RAIL_NAMES, RAILS, trimWish, type Palate, type Rail, type RailValues, type Says, type TrimWish, type Window } from './rails';
import { trimProblem, valuesOfSauce } from './sauce';
import { solveTrim, type TrimAnswer, type TrimWay } from './solve';
import { stepsInWords } from './words';

/** One thing of a way, as it is weighed. */
export interface TrimPut {
  from: 'larder' | 'pods';
  of: string;
  name: string;
  steps: number;
  /** "1 1/2 tsp". */
  words: string;
  g: number;
  /** g of it that are not there. */
  buyG: number;
}

/** A way to put a sauce right, with everything it does. */
export interface TrimOffer {
  puts: TrimPut[];
  addedG: number;
  after: RailValues;
  acidPct: number;
  /** Money for what goes in; null when a price is not known. */
  cost: number | null;
  /** Something of it comes out only over night. */
  night: boolean;
  /** Of the batch with it: bottles it would fill, and how it keeps; null on the bench. */
  end: { strandId: string; name: string; possible: number; wanted: number; bottleMl: number; keeping: Keeping | null }[] | null;
  proven: boolean;
}

export interface TrimTold {
  now: RailValues;
  acidPct: number;
  massG: number;
  wish: TrimWish;
  /** Words that ask for nothing, and what else is worth saying. */
  notes: string[];
  offers: TrimOffer[];
  /** Rails that nobody named move more than one would not notice. */
  loosened: boolean;
  /** What is there does not get there, and the ways count on something to buy. */
  bought: boolean;
  /** Why there is no way, and what gives; null when there is one. */
  short: { gist: string; lines: string[] } | null;
}

/** What a taster asks for. */
export interface TrimAsk {
  says: Says;
  set?: Partial<Record<Rail, Window>>;
  palate?: Palate;
  kitchen: Kitchen;
}

/** What a recipe puts in counts as near at hand, whether or not anybody keeps stock of it. */
function withRecipe(stocks: readonly TrimStock[], recipe: readonly Ingredient[]): TrimStock[] {
  const there = new Set(stocks.map(idOfStock));
  return [
    ...stocks,
    ...recipe.flatMap((row): TrimStock[] => (there.has(row.key) || isTapWater(row.key) ? [] : [{ row, stockG: 0, buys: true }])),
  ];
}
/** The same with the shop open: more of what is there, and what usually puts a sauce right. */
function withShop(stocks: readonly TrimStock[], rows: readonly Ingredient[]): TrimStock[] {
  const usual = new Set(usualFor('trim'));
  return withRecipe(
    stocks.map((s) => (s.lot ? s : { ...s, buys: true })),
    rows.filter((r) => usual.has(r.key)),
  );
}

/**
 * Every offer and every miss, told; `endsOf` says what the batch becomes with an offer. Where what is there does not do, the
 * shop's `rows` are asked.
 */
function told(
  solver: LinearSolver,
  sauce: Parcel,
  stocks: readonly TrimStock[],
  rows: readonly Ingredient[],
  ask: TrimAsk,
  endsOf: (puts: readonly TrimPut[]) => TrimOffer['end'],
): TrimTold {
  const here = toldOf(solver, sauce, stocks, ask, endsOf);
  if (!here.short || rows.length === 0) return here;
  const shop = toldOf(solver, sauce, withShop(stocks, rows), ask, endsOf);
  return shop.short
    ? { ...here, short: { ...here.short, gist: 'Neither what is there nor what a shop has gets there.' } }
    : { ...shop, bought: true };
}
function toldOf(
  solver: LinearSolver,
  sauce: Parcel,
  stocks: readonly TrimStock[],
  ask: TrimAsk,
  endsOf: (puts: readonly TrimPut[]) => TrimOffer['end'],
): TrimTold {
  const { acid, ...now } = valuesOfSauce(sauce);
  const { wish, notes } = trimWish({ ...now, acid }, ask.says, ask.set, ask.palate);
  const problem = trimProblem(sauce, stocks, wish, ask.kitchen);
  const base = { now, acidPct: acid, massG: problem.massG, wish, notes, bought: false };
  if (RAILS.every((r) => !wish[r]?.named)) return { ...base, offers: [], loosened: false, short: null };
  const things = new Map(problem.things.map((t) => [t.id, t]));
  const byId = new Map(stocks.map((s) => [idOfStock(s), s]));
  const offer = (way: TrimWay): TrimOffer => {
    const puts = [...way.steps].map(([id, steps]): TrimPut => {
      const t = things.get(id)!;
      const g = Math.round(100 * way.grams.get(id)!) / 100;
      const stock = byId.get(id)!;
      const buyG = stock.buys ? Math.max(0, g - stock.stockG) : 0;
      return { from: stock.lot ? 'pods' : 'larder', of: id, name: t.name, steps, words: stepsInWords(steps, t.step), g, buyG };
    });
    puts.sort((a, b) => b.g - a.g);
    const prices = puts.map((p) => things.get(p.of)!.perKg);
    return {
      puts,
      addedG: puts.reduce((s, p) => s + p.g, 0),
      after: way.after,
      acidPct: acidAfter(way, things, acid, problem.massG),
      cost: prices.some((x) => x === null) ? null : puts.reduce((s, p, i) => s + (p.g / 1000) * prices[i]!, 0),
      night: puts.some((p) => wantsNight(byId.get(p.of)!)),
      end: endsOf(puts),
      proven: way.proven,
    };
  };
  const answer = solveTrim(solver, problem);
  if (answer.status === 'found')
    return { ...base, offers: answer.ways.filter((w) => w.steps.size > 0).map(offer), loosened: !answer.held, short: null };
  const nearest = answer.nearest && answer.nearest.steps.size > 0 ? [offer(answer.nearest)] : [];
  /** What is promised is asked as it will be: a rail that nobody names is held where it is. */
  const without = answer.without.filter((rail) => {
    const unsaid = <T extends object>(of: T): T => Object.fromEntries(Object.entries(of).filter(([r]) => r !== rail)) as T;
    const less = trimWish({ ...now, acid }, unsaid(ask.says), unsaid(ask.set ?? {}), ask.palate).wish;
    return solveTrim(solver, trimProblem(sauce, stocks, less, ask.kitchen)).status === 'found';
  });
  return { ...base, offers: nearest, loosened: true, short: shortInWords({ ...answer, without }, now, wish, problem.massG, things.size) };
}

function acidAfter(way: TrimWay, things: ReadonlyMap<string, TrimThing>, acid: number, massG: number): number {
  let [sum, mass] = [acid * massG, massG];
  for (const [id, g] of way.grams) {
    sum += things.get(id)!.acidPct * g;
    mass += g;
  }
  return sum / mass;
}

const level = (r: Rail, x: number): string =>
  r === 'heat'
    ? `${twoFigures(x).toLocaleString('en')} SHU`
    : r === 'sour'
      ? `pH ${x.toFixed(2)}`
      : r === 'body'
        ? bodyWord(x)
        : `${x.toFixed(1)} %`;

/** What stands in the way, in sentences. */
function shortInWords(
  a: Extract<TrimAnswer, { status: 'short' }>,
  now: RailValues,
  wish: TrimWish,
  massG: number,
  things: number,
): { gist: string; lines: string[] } {
  if (things === 0)
    return {
      gist: 'There is nothing in the larder that could be stirred in.',
      lines: ['Add vinegar, salt, sugar or a mild purée to the larder, with what there is of it.'],
    };
  if (a.outOfTime) return { gist: 'No way was found in the time there is. There may be one.', lines: ['Say one thing at a time.'] };
  const lines: string[] = [];
  if (a.thinG !== null) {
    const share = 1 - wish.heat!.high / now.heat!;
    lines.push(
      `Taking ${Math.round(100 * share)} % off the heat takes about ${Math.round(a.thinG / 10) * 10} g of something without heat: ${Math.round((100 * a.thinG) / massG)} % of the sauce again.`,
    );
  }
  const missed = RAILS.filter((r) => a.misses[r] !== undefined && a.nearest);
  for (const r of missed) {
    const w = wish[r]!;
    const edge = a.misses[r]! > 0 ? w.high : w.low;
    lines.push(`The nearest comes to ${level(r, a.nearest!.after[r]!)} of ${RAIL_NAMES[r]}, where ${level(r, edge)} is asked for.`);
  }
  for (const r of a.without) lines.push(`Leave the ${RAIL_NAMES[r]} as it is, and the rest can be had.`);
  if (lines.length === 0) lines.push('Say one thing at a time, or put something else in the larder.');
  return { gist: 'What stands in the larder does not get there.', lines };
}

/**
 * What to stir into a batch at a station, from the larder, the pods and the recipe's own things, or where that does not do
 * from the `shop`: each way with what the whole line becomes of it. Throws LineProblem when the line stops before it, RangeError when there is no sauce yet.
 */
export function trimBatch(
  solver: LinearSolver,
  file: BatchFile,
  stationId: string,
  stocks: readonly TrimStock[],
  shop: readonly Ingredient[],
  ask: TrimAsk,
  today: Day,
): TrimTold {
  const sauce = runUpTo(file, stationId).out;
  if (!(massOf(sauce.stream) > 0)) throw new RangeError('There is no sauce here yet. Choose the pods first.');
  const rows = [...stocks.map((s) => s.row), ...shop];
  const lots = stocks.flatMap((s) => s.lot ?? []);
  const graph = graphOf(file);
  // What went in here by the line or by a round before and only shows itself by tomorrow.
  const late = (stationIn(file, stationId)?.intakes ?? []).some(
    ({ origin }) => origin.from === 'larder' && file.ingredients.some((i) => i.key === origin.key && rowWantsNight(i)),
  );
  const answer = told(solver, sauce, withRecipe(stocks, file.ingredients), shop, ask, (puts) => {
    const round: Round = {
      id: 'try',
      at: `${today}T12:00:00Z`,
      says: {},
      was: noLevels,
      put: puts.map(({ from, of, g }) => ({ from, of, g })),
    };
    const after = reportTypical(withRound(file, stationId, round, rows, lots), today);
    return after.ends
      .filter((e) => e.stationId === stationId || upstreamOf(graph, e.stationId).has(stationId))
      .map((e) => ({
        strandId: e.strandId,
        name: e.name,
        possible: e.bottles.possible,
        wanted: e.bottles.wanted,
        bottleMl: e.bottles.bottleMl,
        keeping: e.keeping,
      }));
  });
  return late ? { ...answer, notes: [...answer.notes, NIGHT] } : answer;
}
const NIGHT = 'Powder, gum or raw garlic went in here. Give it a night, and taste it cold, before a second correction.';
const noLevels = { heat: null, sour: null, salt: null, sweet: null, body: null };

/** The same for a bowl without a batch. Throws RangeError. */
export function trimBowl(
  solver: LinearSolver,
  sauce: Parcel,
  stocks: readonly TrimStock[],
  shop: readonly Ingredient[],
  ask: TrimAsk,
): TrimTold {
  return told(solver, sauce, stocks, shop, ask, () => null);
}

/** What a maker called right, from rounds: the mean level of each rail, heat and shares by their logarithms. */
export function palateOf(rounds: readonly Round[]): Palate {
  const palate: Palate = {};
  for (const r of RAILS) {
    const levels = rounds.flatMap((x) =>
      x.says[r] === 'right' && x.was[r] !== null && (r === 'sour' || r === 'body' || x.was[r]! > 0) ? [x.was[r]!] : [],
    );
    if (levels.length === 0) continue;
    const plain = r === 'sour' || r === 'body';
    const mean = levels.reduce((s, x) => s + (plain ? x : Math.log(x)), 0) / levels.length;
    palate[r] = { level: plain ? mean : Math.exp(mean), said: levels.length };
  }
  return palate;
}
