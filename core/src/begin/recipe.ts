import { gramsOf, mapStations, type BatchFile, type Goal, type Intake, type Strand } from '../file';
import { carry, endStrands, fitVessels, freeId, intakesOf, larderStationId, mainEnd, newBatch, podStationId, withGoal } from '../line';
import type { ReadRecipe } from '../method';
import type { ReadItem } from '../reading';
import { stationKind } from '../stations';
import { heatWord, heatWords } from '../heat';
import { eatenOf, PODS_OF_STYLE, placesIn, styleOf } from '../styles';
import type { Day } from '../plan';
import { madeOf } from '../solve';
import { lotOfItem, type HavePods } from './have';
import type { PodLot } from '../pantry';
import { takenIn } from './jug';
import { methodLine } from './methodLine';
import type { Stood } from './since';
import { planOf, withSauce, type Plan, type Wish } from './planBatch';

/** A recipe as it is written: its things in their amounts, each where the style takes it. */
export interface RecipeWish extends Omit<Wish, 'pods' | 'things' | 'swaps'> {
  items: readonly ReadItem[];
  /** Its method, where it has one: the line is then the recipe's own. */
  recipe?: ReadRecipe | null;
  /** The whole text. */
  text?: string;
  /** It stands in its jar already. */
  stood?: Stood | null;
  /** Nobody wishes a heat: what it makes is what is wished. */
  asMade?: true;
  /** Pods that stand in the store: the recipe takes one of theirs where it names their kind. */
  have?: readonly { lot: PodLot; stockG: number }[];
  /** Ids for the lots of its pods, by their number. */
  idOf: (n: number) => string;
}

/** The pods of a recipe: what is no pod goes in from the larder. */
export function podsOfRecipe({ items, idOf, have = [] }: Pick<RecipeWish, 'items' | 'idOf' | 'have'>): HavePods[] {
  const found: HavePods[] = [];
  for (const item of items) {
    const pods = item.ask ? null : lotOfItem(item, idOf(found.length + 1));
    const own = pods ? have.find((h) => h.stockG > 0 && h.lot.varietyId === pods.lot.varietyId) : undefined;
    if (pods) found.push(own ? { ...pods, lot: own.lot } : pods);
  }
  return found;
}

/** The style without its own things: only its work is left, and what other strands bring. */
function bareLine(style: BatchFile): BatchFile {
  return mapStations(style, (s) => ({
    ...s,
    intakes: s.intakes.filter((i) => i.origin.from === 'strand' || i.origin.from === 'side'),
    // What thickens or salts is what the recipe says.
    params: stationKind(s.kind).withoutOwn?.(s.params) ?? s.params,
  }));
}

/** A strand from the station on at which its first things go in: a board without pods has no work. */
function fromFirstThing(s: Strand): Strand {
  const first = s.stations.findIndex((e) => e.intakes.length > 0);
  return first > 0 ? { ...s, stations: s.stations.slice(first) } : s;
}

/** Strands that nothing of the recipe goes into bring nothing: they and what would take of them go. */
function withoutEmpty(file: BatchFile): BatchFile {
  const empty = new Set(file.strands.filter((s) => s.goal === null && s.stations.every((e) => e.intakes.length === 0)).map((s) => s.id));
  if (empty.size === file.strands.length) return file;
  const strands = file.strands.filter((s) => !empty.has(s.id)).map(fromFirstThing);
  return mapStations({ ...file, strands }, (s) => ({
    ...s,
    intakes: s.intakes.filter((i) => !(i.origin.from === 'strand' && empty.has(i.origin.strandId))),
  }));
}

/**
 * The batch that a recipe makes in a style: nothing is scaled, what the recipe says in words stays beside the grams, and
 * the bottles are as many as it fills. Throws RangeError for an empty one, LineProblem when the line cannot take it.
 */
export function recipeBatch(wish: RecipeWish): { file: BatchFile; pods: HavePods[]; steps?: Record<string, string> } {
  if (wish.recipe) return methodBatch(wish, wish.recipe);
  const sauceG = wish.items.reduce((s, i) => s + (i.sauceG ?? 0), 0);
  const items = wish.items.filter((i) => !i.ask && i.id !== null && (i.massG ?? 0) > 0);
  if (items.length === 0) throw new RangeError('Paste the ingredients of the recipe, one thing to a line.');
  const style = newBatch(wish.name, wish.startDate, wish.goal, wish.style);
  const goesIn = placesIn(style, larderStationId(style));
  const pods = podsOfRecipe({ ...wish, items });
  const podsAt = podStationId(style);
  let file = bareLine(style);
  file = mapStations(file, (s) => {
    const here: Intake[] = [...s.intakes];
    const put = (i: Intake) => {
      const had = here.find((h) => JSON.stringify([h.origin, h.late]) === JSON.stringify([i.origin, i.late]));
      const more = gramsOf(i.amount) ?? 0;
      // The same thing twice in a list is more of it.
      if (had) had.amount = { g: (gramsOf(had.amount) ?? 0) + more };
      else here.push(i);
    };
    if (s.id === podsAt)
      for (const p of pods)
        put({
          id: freeId({ ...s, intakes: here }, p.lot.id),
          origin: { from: 'pods', lotId: p.lot.id, prep: p.prep ?? 'whole' },
          amount: { g: p.stockG, words: p.says },
        });
    for (const item of items) {
      if (item.store !== 'larder' || lotOfItem(item, item.id!)) continue;
      const place = goesIn(wish.rows.find((r) => r.key === item.id) ?? { key: item.id! });
      if (place.stationId === s.id)
        put(
          takenIn(
            { ...s, intakes: here },
            { id: item.id!, massG: item.massG!, words: item.text.slice(0, 80), ...(place.late ? { late: place.late } : {}) },
          ),
        );
    }
    return { ...s, intakes: here };
  });
  file = carry(
    withoutEmpty(file),
    pods.map((p) => p.lot),
    wish.rows,
  );
  file = ownSizes(withSauce(file, wish, sauceG || sauceShare(file, style)), style);
  return { file: withItsBottles(file, wish), pods };
}

/** The batch that a recipe's own method makes. */
function methodBatch(wish: RecipeWish, recipe: ReadRecipe): ReturnType<typeof recipeBatch> {
  if (!recipe.things.some((t) => (!t.item.ask && (t.g ?? 0) > 0) || t.item.sauceG !== undefined))
    throw new RangeError('Paste the ingredients of the recipe, one thing to a line.');
  const { file, pods, steps } = methodLine({ ...wish, recipe, have: wish.have ?? [] }, wish.text ?? '');
  return { file: withItsBottles(file, wish), pods, steps };
}

const allG = (f: BatchFile) => intakesOf(f).reduce((s, { intake }) => s + (gramsOf(intake.amount) ?? 0), 0);

/** g of a bottled sauce that a style takes with so much of everything else, where the recipe does not say. */
function sauceShare(file: BatchFile, style: BatchFile): number {
  const takes = styleOf(style.style).takesSauce;
  return takes ? Math.round((takes.g * allG(file)) / (allG(style) + PODS_OF_STYLE)) : 0;
}

/** Parameters of the style that follow the size of a batch, for as much as this one is. */
function ownSizes(file: BatchFile, style: BatchFile): BatchFile {
  const factor = allG(file) / (allG(style) + PODS_OF_STYLE);
  const sized = mapStations(file, (s) => {
    const { resize } = stationKind(s.kind);
    return resize ? { ...s, params: resize(s.params, factor) } : s;
  });
  return fitVessels(sized);
}

/** The heat that a batch makes, as the word for it. */
function heatMade(file: BatchFile, strandId: string): Pick<Goal, 'lowShu' | 'highShu'> {
  const eaten = eatenOf(file, null);
  const words = heatWords(eaten);
  const word = words.find((w) => w.name === heatWord(madeOf(file, strandId).shu, eaten)) ?? words[0]!;
  return { lowShu: word.lowShu, highShu: word.highShu };
}

/** As many bottles as it fills. */
function withItsBottles(file: BatchFile, wish: RecipeWish): BatchFile {
  let next = file;
  for (const end of endStrands(file)) {
    const possible = madeOf(next, end.id).possible;
    const heat = wish.asMade ? heatMade(next, end.id) : {};
    next = withGoal(next, end.id, { ...wish.goal, ...heat, bottles: Math.max(1, Math.min(500, possible)) });
  }
  return next;
}

/** The plan of a recipe as it is written. Throws RangeError or LineProblem as `recipeBatch` does. */
export function planRecipe(wish: RecipeWish, today: Day): Plan {
  const { file, steps } = recipeBatch(wish);
  const goal = mainEnd(file).goal;
  const plan = planOf(file, { ...wish, pods: wish.have ?? [], things: [], goal, asWritten: true }, today);
  return steps ? { ...plan, steps } : plan;
}
