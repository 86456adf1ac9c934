import type { Caution } from '../caution';
import { gramsOf, mapStations, type BatchFile, type Goal } from '../file';
import { HOUSE_PH } from '../ferment';
import type { Preparation } from '../heat';
import { carry, endStrands, fitVessels, freeId, LineProblem, mainEnd, newBatch, podUses, reportLine, type Fills } from '../line';
import type { Ingredient } from '../matter/ingredient';
import { kindKey } from '../matter/kind';
import { SWEET_FILLER } from '../matter/variety';
import { isSpoilt, lotOfVariety, type PodLot } from '../pantry';
import type { Day } from '../plan';
import {
  choosePods,
  DEFAULT_POD_WISH,
  madeOf,
  surePart,
  useMix,
  withMargin,
  withoutMargin,
  withSomePods,
  type LinearSolver,
  type PodChoice,
} from '../solve';
import type { HaveThing } from './have';
import type { StoredStuff } from '../parcel';
import { standInsOf, styleOf, swapped, UNASKED_STYLE } from '../styles';
import {
  allFills,
  bottlesOf,
  needsOfPlan,
  placedThings,
  planLine,
  sauceFigures,
  type Needed,
  type PlacedThings,
  type PlanStep,
  type SauceFigures,
} from './figures';
import { dangersIn, fillNotes, formNotes, notesFor, recipeNotes, sauceNotes } from './notes';
import { filledWith, jugOf, withOwnJug, withOwnThings, withRest, type Jug } from './jug';

/** What a plan is made from. */
export interface Wish {
  name: string;
  startDate: Day;
  goal: Goal;
  /** The style it is made in; the quiet one when nothing is said. */
  style?: string;
  pods: readonly { lot: PodLot; stockG: number; useFirst?: boolean; prep?: Preparation; asMany?: true }[];
  /** What the maker named: it goes in. */
  things: readonly HaveThing[];
  /** What else stands in the larder: used where the plan needs such a thing, never put in for its own sake. */
  larder?: readonly HaveThing[];
  /** Every ingredient there is, the maker's own among them, as they stand in the larder. */
  rows: readonly Ingredient[];
  /** The id that a lot to be bought gets. */
  boughtId: string;
  /** Things of the style that another one takes the place of, key by key. */
  swaps?: Readonly<Record<string, string>>;
  /** A bottled or kept sauce for a style that takes one, and g of it there are. */
  bottled?: { stuff: StoredStuff; massG: number } | null;
}
export interface Plan {
  file: BatchFile;
  odds: number;
  heat: { p10: number; p50: number; p90: number };
  bottles: number;
  /** Bottles and ml over many worlds, and how many of those fill all that is wished. */
  fills: Fills;
  /** Things that are there, with what is taken. */
  uses: Needed[];
  /** Things that must be bought or picked. */
  toBuy: Needed[];
  /** Pods to be bought that the batch names: the store is to know them. */
  bought: PodLot | null;
  /** The finished sauce before anything is cooked, and what goes in where. */
  sauce: SauceFigures;
  placed: PlacedThings[];
  /** The line, station by station. */
  line: PlanStep[];
  /** Of a recipe with a method: the step (strand and index) that each station is. */
  steps?: Record<string, string>;
  /** Dangers on its way, each once: they are told before anything is begun. */
  dangers: Caution[];
  /** What the maker should know: heat out of reach, bottles not filled. */
  notes: string[];
}

/** Shares of vinegar in what fills up, tried in this order until the worked-out pH is at the house line or below. */
const SOUR = [0.3, 0.45, 0.6, 0.8] as const;

/** The same thing said twice is one thing; an amount said wins over none. */
function oncePerThing(things: readonly HaveThing[]): HaveThing[] {
  const found = new Map<string, HaveThing>();
  for (const t of things) {
    const had = found.get(t.id);
    const massG = had?.massG == null ? t.massG : t.massG === null ? had.massG : had.massG + t.massG;
    found.set(t.id, { ...t, massG });
  }
  return [...found.values()];
}

/**
 * A whole plan from what is there: pods to the wished heat, the bottles filled up where pods do not suffice (with
 * vegetable, vinegar and water, or with sweet peppers), and what must be bought. When the pods alone do it, the solver
 * chooses them. Every figure is that of the line run with the plan. Throws RangeError without any pods, LineProblem when
 * the line cannot run.
 */
export function planBatch(solver: LinearSolver, wish: Wish, today: Day): Plan {
  const pods = wish.pods.filter((p) => p.stockG > 0 && !isSpoilt(p.lot));
  if (pods.length === 0) throw new RangeError('Say which pods you have, such as "15 hot pods" or "200 g of jalapeños".');
  const things = oncePerThing(wish.things).filter((t) => wish.rows.some((r) => r.key === t.id));
  const choices: PodChoice[] = pods.map((p) => ({ ...p, prep: p.prep ?? 'whole', useFirst: p.useFirst ?? false }));
  const bare = withSauce(withSwaps(newBatch(wish.name, wish.startDate, wish.goal, wish.style ?? UNASKED_STYLE.id), wish), wish);
  const begun = (part: number) => withoutMargin(planned(solver, withMargin(bare, part), { ...wish, things }, choices), bare);
  // The usual margin does for most; where it does not, it is found from none.
  const usual = tried(() => begun(USUAL_MARGIN));
  const usualDoes = usual !== null && missOf(usual, wish.goal) === 0 && sureOf(usual) >= 1;
  let file = usualDoes ? usual : begun(1);
  let had = usualDoes ? 1 : sureOf(file);
  for (let part = 1, pass = 0; pass < MARGINS && had < 1; pass++) {
    part *= Math.max(LEAST_MARGIN, Math.min(MARGIN_STEP, had));
    const more = tried(() => begun(part));
    // Where there is not enough for a margin, or it would cost the heat that is wished, the plan says its odds.
    if (!more || missOf(more, wish.goal) > worstMiss(missOf(file, wish.goal))) continue;
    const sure = sureOf(more);
    if (sure > had) [file, had] = [more, sure];
  }
  return planOf(file, { ...wish, things }, today);
}
/** What is counted on of what is typically made, at first. */
const USUAL_MARGIN = 0.96;
/** Passes of planning with a larger margin, the least that a pass adds to it, and the most. */
const MARGINS = 4;
const MARGIN_STEP = 0.985;
const LEAST_MARGIN = 0.8;
/** A plan that misses the heat anyway may miss it by so much more for its bottles' sake, as a ratio's logarithm. */
const SAKE = 0.1;
const worstMiss = (miss: number): number => (miss > 0 ? miss + SAKE : 0);
/** What is there in eight worlds of ten, over what the bottles of the least sure end hold: at least 1 where all are full. */
const sureOf = (file: BatchFile): number =>
  surePart(file) * Math.min(...endStrands(file).map((s) => madeOf(file, s.id).share / s.goal.bottles));

/** A style with its pods and what fills its bottles, typically. */
function planned(solver: LinearSolver, bare: BatchFile, wish: Wish, choices: readonly PodChoice[]): BatchFile {
  const jug = jugOf(wish.things, wish.larder ?? [], wish.rows, mainEnd(bare).goal);
  const byJug = styleOf(bare.style).fills === 'jug';
  const base = byJug ? withOwnJug(bare, jug) : withOwnThings(bare, jug, wish.things);
  const answer = choosePods(solver, base, choices, DEFAULT_POD_WISH, mainEnd(base).id, false);
  return answer.status === 'found'
    ? useMix(base, choices, answer.mixes[0]!.gramsByLot)
    : filledUp(base, byJug ? jug : null, choices, wish.boughtId);
}

/** A style with other things in the place of some: as much of each as does the same. */
function withSwaps(file: BatchFile, { swaps = {}, rows }: Wish): BatchFile {
  const rowOf = (key: string) => rows.find((r) => r.key === key);
  const next = mapStations(file, (s) => ({
    ...s,
    intakes: s.intakes.map((i) => {
      const { origin } = i;
      const [row, other] = origin.from === 'larder' ? [rowOf(origin.key), rowOf(swaps[origin.key] ?? '')] : [];
      const standIn = row && other ? standInsOf(row).find((x) => x.key === kindKey(other)) : undefined;
      const swap = row && other && standIn ? swapped(row, gramsOf(i.amount) ?? 0, standIn, other) : null;
      return swap ? { ...i, id: freeId(s, swap.key), origin: { from: 'larder' as const, key: swap.key }, amount: { g: swap.massG } } : i;
    }),
  }));
  return carry(next, [], rows);
}

/** A style that takes a sauce, with `g` of that sauce in its place. */
export function withSauce(file: BatchFile, { bottled }: Pick<Wish, 'bottled'>, g = styleOf(file.style).takesSauce?.g ?? 0): BatchFile {
  const takes = styleOf(file.style).takesSauce;
  if (!takes || !bottled || !(g > 0)) return file;
  const { stuff } = bottled;
  const next = mapStations(file, (s) =>
    s.id === takes.stationId
      ? {
          ...s,
          intakes: [...s.intakes, { id: freeId(s, stuff.id), origin: { from: 'stored' as const, id: stuff.id }, amount: { g } }],
        }
      : s,
  );
  return carry(next, [], [], [stuff]);
}

/** The batch, or null where the line cannot take such amounts. */
function tried(make: () => BatchFile | null): BatchFile | null {
  try {
    const file = make();
    if (file) madeOf(file);
    return file;
  } catch (error) {
    if (error instanceof LineProblem || error instanceof RangeError) return null;
    throw error;
  }
}

/** Least grams with which the bottles are full; null when no amount does it. */
function least(at: (g: number) => BatchFile, goal: Goal, most = 12 * goal.bottles * goal.bottleMl): number | null {
  const fills = (g: number) => {
    const file = tried(() => at(g));
    return file !== null && madeOf(file).possible >= goal.bottles;
  };
  let high = 20;
  while (!fills(high)) {
    high *= 1.6;
    if (high > most) return null;
  }
  let low = 0;
  while (high - low > Math.max(2, high * 0.004)) {
    const mid = (low + high) / 2;
    if (fills(mid)) high = mid;
    else low = mid;
  }
  return Math.ceil(high);
}

/** How far from the wish: bottles that stay empty first, then heat outside the bracket, as a ratio's logarithm. */
function missOf(file: BatchFile, goal: Goal): number {
  const { shu, possible } = madeOf(file);
  const heat = Math.max(0, Math.log(Math.max(1, goal.lowShu) / Math.max(1, shu)), Math.log(Math.max(1, shu) / Math.max(1, goal.highShu)));
  return (possible < goal.bottles ? 100 : 0) + heat;
}

/** As much of the pods as heat and bottles ask for, and the rest filled up: the way that comes nearest to the wish. */
function filledUp(bare: BatchFile, jug: Jug | null, choices: readonly PodChoice[], boughtId: string): BatchFile {
  const { goal } = mainEnd(bare);
  const base = withSomePods(bare, choices);
  const own = (share: number) => Object.fromEntries(choices.map((c) => [c.lot.id, c.stockG * share]));
  const withPods = (share: number) => useMix(base, choices, own(share));
  const sweet = lotOfVariety(SWEET_FILLER, { id: boughtId });
  const carried: PodChoice[] = [...choices, { lot: sweet, stockG: Infinity, prep: 'whole', useFirst: false }];
  const withSweet = (share: number) =>
    tried(() => {
      const at = (g: number) => useMix(base, carried, { ...own(share), [sweet.id]: g });
      const g = least(at, goal);
      return g === null ? null : at(g);
    });
  /** Ways to fill the bottles, the plainest first: the first that meets the wish is taken. */
  const thinned = () => (jug ? withJug(withPods, jug, goal) : withMore(withPods, goal));
  const ways = [() => podsAlone(withPods, goal), thinned, () => toHeat(withSweet, goal, withSweet(1))];
  let best: BatchFile | null = null;
  for (const way of ways) {
    const file = way();
    if (file && (!best || missOf(file, goal) < missOf(best, goal))) best = file;
    if (best && missOf(best, goal) === 0) break;
  }
  return fitVessels(best ?? withPods(1));
}

/** Just as many of these pods as fill the bottles without more in the jug; null when all of them are too few. */
function podsAlone(withPods: (share: number) => BatchFile, goal: Goal): BatchFile | null {
  const fills = (share: number) => {
    const file = tried(() => withPods(share));
    return file && madeOf(file).possible >= goal.bottles ? file : null;
  };
  let best = fills(1);
  let [low, high] = [0, 1];
  for (let i = 0; best && i < 9; i++) {
    const mid = (low + high) / 2;
    const file = fills(mid);
    if (file) [best, high] = [file, mid];
    else low = mid;
  }
  return best;
}

/** The pods and a jug that fills the rest, as sour as it takes. */
function withJug(withPods: (share: number) => BatchFile, jug: Jug, goal: Goal): BatchFile | null {
  const at = (share: number, sour: number) =>
    tried(() => {
      const cut = withPods(share);
      const g = least((x) => filledWith(cut, jug, x, sour), goal);
      return g === null ? null : filledWith(cut, jug, g, sour);
    });
  let sour: number = SOUR[0];
  let all = at(1, sour);
  for (const s of SOUR.slice(1)) {
    if (all && (madeOf(all).pH ?? 7) <= HOUSE_PH) break;
    sour = s;
    all = at(1, sour);
  }
  return toHeat((share) => at(share, sour), goal, all);
}

/** Less than this of what a style has for its pods, and it is another sauce (our judgement). */
const LEAST_REST = 0.5;

/** The pods, and as much more of everything else as fills the bottles. */
function withMore(withPods: (share: number) => BatchFile, goal: Goal): BatchFile | null {
  const at = (share: number) =>
    tried(() => {
      const cut = withPods(share);
      // In hundredths of what the style has for them.
      const times = least((x) => withRest(cut, x / 100), goal);
      if (times === null || times >= 100 * LEAST_REST) return times === null ? null : withRest(cut, times / 100);
      // So many pods that the style would be lost in them: fewer pods, and half of what it has for them.
      const pods = least((x) => withRest(withPods((share * x) / 1000), LEAST_REST), goal, 1000);
      return pods === null ? null : withRest(withPods((share * Math.min(1000, pods)) / 1000), LEAST_REST);
    });
  return toHeat(at, goal, at(1));
}

/** The share of the pods that comes nearest to the middle of the wished heat, when all of them are too hot. */
function toHeat(at: (share: number) => BatchFile | null, goal: Goal, all: BatchFile | null): BatchFile | null {
  if (all && madeOf(all).shu <= goal.highShu) return all;
  const middle = Math.log(Math.sqrt(Math.max(1, goal.lowShu) * goal.highShu));
  const off = (file: BatchFile) => Math.log(Math.max(1, madeOf(file).shu)) - middle;
  let best = all;
  let [low, high] = [0.002, 1];
  for (let i = 0; i < 10; i++) {
    const mid = Math.sqrt(low * high);
    const file = at(mid);
    // Too little to be cut or filled up: the line says no, and so the share goes up again.
    if (file && off(file) > 0) high = mid;
    else low = mid;
    if (file && (!best || Math.abs(off(file)) < Math.abs(off(best)))) best = file;
    if (file && Math.abs(off(file)) < 0.1) break;
  }
  return best;
}

/** A file as the plan that is shown: what it comes to, what it takes and what must be bought. Throws LineProblem. */
export function planOf(file: BatchFile, wish: Wish & { asWritten?: boolean }, today: Day): Plan {
  const report = reportLine(file, { today, forecast: false });
  const had = [...wish.things, ...(wish.larder ?? [])];
  const stored = wish.bottled ? [{ id: wish.bottled.stuff.id, massG: wish.bottled.massG }] : [];
  // As many as the heat takes, and none of them there yet.
  const pods = wish.pods.map((p) => (p.asMany ? { ...p, stockG: 0 } : p));
  const { uses, toBuy } = needsOfPlan(file, { pods, had, stored, rows: wish.rows });
  const [end] = report.ends;
  const bottles = bottlesOf(report);
  const fills = allFills(report);
  const bought = podUses(file).some((p) => p.lotId === wish.boughtId) ? file.lots.find((l) => l.id === wish.boughtId)! : null;
  return {
    file,
    odds: end!.odds,
    heat: end!.heat,
    bottles,
    fills,
    uses,
    toBuy,
    bought,
    sauce: sauceFigures(file, report),
    placed: placedThings(file),
    line: planLine(file, report),
    dangers: dangersIn(report.cautions),
    notes: [
      ...(wish.asWritten ? [] : formNotes(file)),
      ...sauceNotes(file),
      ...(wish.asWritten ? recipeNotes : notesFor)(end!.heat.p50, bottles, bought, wish.goal),
      ...fillNotes(fills, bottles, file),
    ],
  };
}
