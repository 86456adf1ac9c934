import type { BatchFile } from '../file';
import { additionsOf, endOf, graphOf, runLine, runOf, strandIn, upstreamOf, type StationRun } from '../line';
import { ingredient, isIngredient, type Ingredient } from '../matter/ingredient';
import { massOf } from '../matter/stream';
import { TYPICAL } from '../stat/draw';
import { ALLERGENS, taggedOf, type Allergen } from '../matter/allergen';
import { madeName, partsOf, podName, rowName, type Part } from './names';

/** One entry of a list of ingredients. */
export interface Listed {
  name: string;
  /** g as it went in, for what is in this sauce. */
  g: number;
  /** It is an allergen itself. */
  strong: boolean;
  /** What a compound ingredient is made of. */
  parts: Part[];
}
export interface IngredientList {
  listed: Listed[];
  /** Surely in it, and only perhaps: read its packet. */
  allergens: Allergen[];
  perhaps: Allergen[];
  /** Words of the maker's own rows that are in neither list, to look up. */
  lookUp: string[];
}

/** The row of water, and what all salts are called. */
const WATER = 'water';
const SALT = 'salt';
/** Water below this share of the finished sauce is left out (Regulation 1169/2011, Article 20 (e), from memory), %. */
const WATER_LEAST_PCT = 5;
/** Less than this was only a trace of the scale, g in 100 g. */
const TRACE_PCT = 0.001;

/**
 * What a sauce is made of, in descending order of weight as it went in (handbook chapter 5, section 18.1): what was strained,
 * drained or split off scales alike; water counts as added less what boiled off. Allergens are those of everything that ever
 * went in on the way, whatever became of it. Throws LineProblem when the line cannot run.
 */
export function ingredientList(file: BatchFile, strandId: string): IngredientList {
  const end = endOf(strandIn(file, strandId)).id;
  const up = new Set([...upstreamOf(graphOf(file), end), end]);
  const runs = runLine(file, TYPICAL, true, up);
  const sauce = runOf(runs, end).bowl.stream;
  const finishedG = massOf(sauce);
  const rowOf = (key: string): Ingredient | undefined =>
    file.ingredients.find((i) => i.key === key) ?? (isIngredient(key) ? ingredient(key) : undefined);
  const listed = new Map<string, Listed>();
  const add = (name: string, g: number, more: Partial<Listed> = {}) => {
    const had = listed.get(name);
    if (had) had.g += g;
    else listed.set(name, { name, g, strong: false, parts: [], ...more });
  };
  let allG = 0;
  let waterG = 0;
  for (const e of sauce.ledger) {
    if (!(e.massG > 0)) continue;
    allG += e.massG;
    const lot = file.lots.find((l) => l.id === e.of.id);
    const row = rowOf(e.of.id);
    const stuff = file.stored.find((s) => s.id === e.of.id);
    if (lot) add(podName(lot), e.massG);
    else if (stuff) add(stuff.name, e.massG, { parts: (stuff.made ?? []).map((m) => madePart(file, m)) });
    else if (e.of.id === WATER) waterG += e.massG;
    else if (row) {
      const parts = partsOf(row);
      add(rowName(row), e.massG, { parts, strong: parts.length === 0 && taggedOf(row.allergens).known.some((t) => t.sure) });
    } else {
      const { name, parts } = madeName(e.of.id, e.of.name);
      add(name, e.massG, { parts });
    }
  }
  // What boiled off was water; what is left of that which was added counts.
  const water = Math.max(0, waterG - Math.max(0, allG - finishedG));
  if (finishedG > 0 && (100 * water) / finishedG >= WATER_LEAST_PCT) add('water', water);
  // Salt that left with a brine is in no bottle: no more is listed than the sauce holds.
  const salt = listed.get(SALT);
  if (salt) salt.g = Math.min(salt.g, sauce.grams.salt);
  const order = [...listed.values()].filter((l) => (100 * l.g) / Math.max(1e-9, allG) > TRACE_PCT);
  order.sort((a, b) => b.g - a.g || (a.name < b.name ? -1 : 1));
  return { listed: order, ...allergensOf(file, runs) };
}

/** A part of a kept or bottled sauce, by what its batch put in. */
function madePart(file: BatchFile, m: NonNullable<BatchFile['stored'][number]['made']>[number]): Part {
  const row = file.ingredients.find((i) => i.key === m.id) ?? (isIngredient(m.id) ? ingredient(m.id) : undefined);
  const strong = taggedOf(m.allergens).known.some((t) => t.sure);
  return { name: row ? rowName(row) : m.name.toLowerCase(), strong };
}

/** Allergens of everything that ever went in on the way, whatever became of it. */
function allergensOf(file: BatchFile, runs: readonly StationRun[]): Omit<IngredientList, 'listed'> {
  const sure = new Set<Allergen>();
  const perhaps = new Set<Allergen>();
  const lookUp = new Set<string>();
  for (const run of runs)
    for (const e of additionsOf(run).flatMap((a) => a.stream.ledger)) {
      const stuff = file.stored.find((s) => s.id === e.of.id);
      // Kept before its things were noted: nobody can say what is in it.
      if (stuff && !stuff.made) lookUp.add(stuff.name);
      const { known, other } = taggedOf(e.of.allergens ?? []);
      for (const t of known) (t.sure ? sure : perhaps).add(t.allergen);
      for (const o of other) lookUp.add(o);
    }
  for (const a of sure) perhaps.delete(a);
  const inOrder = (s: ReadonlySet<Allergen>) => (Object.keys(ALLERGENS) as Allergen[]).filter((a) => s.has(a));
  return { allergens: inOrder(sure), perhaps: inOrder(perhaps), lookUp: [...lookUp] };
}
