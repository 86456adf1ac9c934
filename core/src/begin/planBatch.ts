import type { BatchFile, Goal } from '../file';
import { HOUSE_PH } from '../ferment';
import { extrasOf, fitVessels, LineProblem, newBatch, reportLine, withExtras } from '../line';
import { ingredient, isIngredient, kindKey, type Ingredient } from '../matter/ingredient';
import type { PodLot } from '../pantry';
import type { Day } from '../plan';
import { choosePods, madeOf, useMix, type LinearSolver, type PodChoice } from '../solve';
import type { HaveThing } from './have';

/** What a plan is made from. */
export interface Wish {
  name: string;
  startDate: Day;
  goal: Goal;
  pods: readonly { lot: PodLot; stockG: number; useFirst?: boolean }[];
  /** What the maker named: it goes in. */
  things: readonly HaveThing[];
  /** What else stands in the larder: used where the plan needs such a thing, never put in for its own sake. */
  larder?: readonly HaveThing[];
}
/** Something the plan needs, and what is there of it; null when nobody said how much. */
export interface Needed {
  name: string;
  needG: number;
  haveG: number | null;
}
export interface Plan {
  file: BatchFile;
  odds: number;
  heat: { p10: number; p50: number; p90: number };
  bottles: number;
  /** Things that are there, with what is taken. */
  uses: Needed[];
  /** Things that must be bought or picked. */
  toBuy: Needed[];
  /** What the maker should know: heat out of reach, bottles not filled. */
  notes: string[];
}

/** Kinds of vinegar, the usual first (our judgement). */
const VINEGARS = ['vinegar_cider', 'vinegar_distilled_5', 'vinegar_wine_white', 'vinegar_wine_red', 'vinegar_rice'].filter(isIngredient);
const isVinegar = (key: string) => key.startsWith('vinegar');
/** What fills a jug beside vinegar: vegetables first, water for the rest (common practice, no source). */
const FILLERS = ['carrot', 'tomato', 'bell_red', 'onion', 'mango_ripe', 'pineapple', 'peach', 'apple'].filter(isIngredient);
const VEGETABLE_SHARE = 0.7;
const WATER = 'water';
/** Shares of vinegar in what fills up, tried in this order until the worked-out pH is at the house line or below. */
const SOUR = [0.3, 0.45, 0.6, 0.8] as const;
/** Usual dose of what was named without an amount, g for 1 kg of sauce (common practice, no source). */
const USUAL_G_PER_KG: Record<string, number> = {
  garlic: 15,
  onion: 80,
  ginger: 10,
  honey: 30,
  sugar_white: 25,
  lime_juice: 25,
  lemon_juice: 25,
};
const USUAL_G = 40;
const SALT = 'salt_fine';

interface Jug {
  vinegar: string;
  filler: string;
  fixed: { id: string; massG: number }[];
}

function jugOf(wish: Wish): Jug {
  const kg = (wish.goal.bottles * wish.goal.bottleMl) / 1000;
  const there = (keys: readonly string[]) => keys.find((k) => wish.larder?.some((t) => t.id === k));
  const vinegar = wish.things.find((t) => isVinegar(t.id))?.id ?? there(VINEGARS) ?? VINEGARS[0]!;
  const filler =
    wish.things.find((t) => FILLERS.includes(t.id) && (t.massG === null || t.massG > 100))?.id ?? there(FILLERS) ?? FILLERS[0]!;
  const fixed = wish.things
    .filter((t) => t.id !== vinegar && t.id !== filler && t.id !== WATER && !t.id.startsWith('salt'))
    .map((t) => ({ id: t.id, massG: Math.round(t.massG ?? (USUAL_G_PER_KG[t.id] ?? USUAL_G) * kg) }))
    .filter((t) => t.massG > 0);
  return { vinegar, filler, fixed };
}

/** The batch with so much in the jug: vinegar by its share, the rest vegetable and water. */
function filledWith(file: BatchFile, jug: Jug, g: number, sour: number, rows: readonly Ingredient[]): BatchFile {
  const rest = g * (1 - sour);
  const more = [
    { id: jug.vinegar, massG: Math.round(g * sour) },
    { id: jug.filler, massG: Math.round(rest * VEGETABLE_SHARE) },
    { id: WATER, massG: Math.round(rest * (1 - VEGETABLE_SHARE)) },
  ];
  return withExtras(
    file,
    [...more, ...jug.fixed].filter((x) => x.massG > 0),
    [...rows],
  );
}

/** Least grams in the jug with which the bottles are full; null when no jug does it. */
function leastJug(at: (g: number) => BatchFile, goal: Goal): number | null {
  const fills = (g: number) => {
    try {
      return madeOf(at(g)).possible >= goal.bottles;
    } catch {
      return false;
    }
  };
  const most = 12 * goal.bottles * goal.bottleMl;
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

/**
 * A whole plan from what is there: pods to the wished heat, the bottles filled up with vegetable, vinegar and water where
 * pods do not suffice, and what must be bought. When the pods alone do it, the solver chooses them. Every figure is that
 * of the line run with the plan. Throws RangeError without any pods, LineProblem when the line cannot run.
 */
export function planBatch(solver: LinearSolver, wish: Wish, today: Day): Plan {
  const pods = wish.pods.filter((p) => p.stockG > 0);
  if (pods.length === 0) throw new RangeError('Say which pods you have, such as "15 hot pods" or "200 g of jalapeños".');
  const rows = wish.things.filter((t) => isIngredient(t.id)).map((t) => ingredient(t.id));
  const bare = newBatch(wish.name, wish.startDate, wish.goal);
  const jug = jugOf(wish);
  const choices: PodChoice[] = pods.map((p) => ({ ...p, prep: 'whole', useFirst: p.useFirst ?? false }));
  const base = withExtras(bare, ownJug(bare, jug), rows);
  const answer = choosePods(solver, base, choices);
  const file =
    answer.status === 'found' ? useMix(base, choices, answer.mixes[0]!.gramsByLot) : filledUp(base, jug, choices, wish.goal, rows);
  return planOf(file, wish, today);
}

/** What goes into the jug when pods fill the bottles: the usual, with the maker's vinegar and what they named. */
function ownJug(bare: BatchFile, jug: Jug): { id: string; massG: number }[] {
  const usual = extrasOf(bare).map((x) => ({ id: isVinegar(x.id) ? jug.vinegar : x.id, massG: x.massG }));
  return [...usual.filter((x) => !jug.fixed.some((f) => f.id === x.id)), ...jug.fixed];
}

const shuOf = (f: BatchFile | null) => (f ? madeOf(f).shu : Infinity);

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

/** As much of the pods as heat and bottles ask for, and a jug that fills the rest. */
function filledUp(base: BatchFile, jug: Jug, choices: readonly PodChoice[], goal: Goal, rows: readonly Ingredient[]): BatchFile {
  const middle = Math.sqrt(Math.max(1, goal.lowShu) * goal.highShu);
  const withPods = (share: number) => useMix(base, choices, Object.fromEntries(choices.map((c) => [c.lot.id, c.stockG * share])));
  /** Pods alone, just as many as fill the bottles; null when there are too few. */
  const whole = podsAlone(withPods, goal);
  if (whole && shuOf(whole) <= goal.highShu) return whole;
  let sour: number = SOUR[0];
  const at = (share: number) =>
    tried(() => {
      const cut = withPods(share);
      const g = leastJug((x) => filledWith(cut, jug, x, sour, rows), goal);
      return g === null ? null : filledWith(cut, jug, g, sour, rows);
    });
  // All the pods, and as sour as it takes.
  let best = at(1);
  for (const s of SOUR) {
    sour = s;
    best = at(1);
    if (best && (madeOf(best).pH ?? 7) <= HOUSE_PH) break;
  }
  if (!best && whole) best = whole;
  if (shuOf(best) <= goal.highShu) return fitVessels(best!);
  let [low, high] = [0.005, 1];
  for (let i = 0; i < 10; i++) {
    const mid = Math.sqrt(low * high);
    const file = at(mid);
    // Too little to be cut: the line says no, and so the share goes up again.
    if (file && shuOf(file) > middle) high = mid;
    else low = mid;
    if (file && Math.abs(Math.log(shuOf(file) / middle)) < Math.abs(Math.log(shuOf(best) / middle))) best = file;
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

function planOf(file: BatchFile, wish: Wish, today: Day): Plan {
  const report = reportLine(file, { today, forecast: false });
  const { goal } = wish;
  const all = [...wish.things, ...(wish.larder ?? [])];
  const haveOf = (is: (id: string) => boolean) => all.find((t) => is(t.id));
  const uses: Needed[] = [];
  const toBuy: Needed[] = [];
  const note = (name: string, needG: number, haveG: number | null | undefined) => {
    if (needG < 0.5) return;
    if (haveG === undefined || (haveG !== null && haveG < needG - 0.5)) toBuy.push({ name, needG, haveG: haveG ?? 0 });
    else uses.push({ name, needG, haveG });
  };
  for (const s of file.stations) {
    const params = s.params as { pods?: { lotId: string; massG: number }[] };
    for (const p of params.pods ?? []) {
      const had = wish.pods.find((x) => x.lot.id === p.lotId);
      note(had?.lot.name ?? p.lotId, p.massG, had?.stockG);
    }
  }
  for (const x of extrasOf(file)) {
    if (x.id === WATER) continue;
    const had = haveOf((id) => id === x.id);
    note(nameOf(file, x.id), x.massG, had ? had.massG : undefined);
  }
  const salt = report.stations.find((s) => s.kind === 'salt');
  const saltG = (salt?.facts as { saltG?: number } | null)?.saltG ?? 0;
  const hadSalt = haveOf((id) => id.startsWith('salt'));
  note(hadSalt?.name ?? ingredient(SALT).name, saltG, hadSalt ? hadSalt.massG : undefined);
  return {
    file,
    odds: report.odds,
    heat: report.heat,
    bottles: report.bottles.possible,
    uses,
    toBuy,
    notes: notesFor(report.heat.p50, report.bottles.possible, goal),
  };
}

const nameOf = (file: BatchFile, key: string) => file.ingredients.find((i) => i.key === key)?.name ?? kindKey({ key });

function notesFor(shu: number, bottles: number, goal: Goal): string[] {
  const notes: string[] = [];
  if (shu < goal.lowShu) notes.push('These pods are too few or too mild for the heat you wish. Add hotter ones, or make fewer bottles.');
  if (shu > goal.highShu)
    notes.push('Even a little of these pods is hotter than you wish. Add pods without heat, such as a sweet red pepper.');
  if (bottles < goal.bottles) notes.push(`This fills ${bottles} of ${goal.bottles}. Make fewer bottles, or add pods.`);
  return notes;
}
