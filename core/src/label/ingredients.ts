import type { BatchFile } from '../file';
import { additionsOf, endOf, graphOf, runLine, runOf, strandIn, upstreamOf, type StationRun } from '../line';
import { ingredient, isIngredient, type Ingredient } from '../matter/ingredient';
import { kindOf } from '../matter/kind';
import { massOf } from '../matter/stream';
import type { Parcel } from '../parcel';
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

/** What water and all salts are called. */
const WATER = 'water';
const SALT = 'salt';
/** Water below this share of the finished sauce is left out (Regulation 1169/2011, Article 20 (e), from memory), %. */
const WATER_LEAST_PCT = 5;
/** Less than this was only a trace of the scale, g in 100 g. */
const TRACE_PCT = 0.001;
/** By-products of this batch that are water and salt, which are followed as such. */
const OF_WATER: ReadonlySet<string> = new Set(['brine', 'soak-water']);

/**
 * What a sauce is made of, in descending order of weight as it went in (handbook chapter 5, section 18.1): what was strained,
 * drained or split off scales alike; of added water what is still there counts (chapter 6, section 8). Allergens are those
 * of everything that ever went in on the way, whatever became of it. Throws LineProblem when the line cannot run.
 */
export const ingredientList = (file: BatchFile, strandId: string): IngredientList =>
  listOf(file, endOf(strandIn(file, strandId)).id, (run) => run.bowl);

/** The same of what stands in a jar: what goes in later is not there yet. */
export const jarContents = (file: BatchFile, stationId: string): IngredientList => listOf(file, stationId, (run) => run.bowl);

function listOf(file: BatchFile, stationId: string, parcelOf: (run: StationRun) => Parcel): IngredientList {
  const up = new Set([...upstreamOf(graphOf(file), stationId), stationId]);
  const runs = runLine(file, TYPICAL, true, up);
  const { stream: sauce, past } = parcelOf(runOf(runs, stationId));
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
  let briny = false;
  for (const e of sauce.ledger) {
    if (!(e.massG > 0)) continue;
    allG += e.massG;
    const lot = file.lots.find((l) => l.id === e.of.id);
    const row = rowOf(e.of.id);
    const stuff = file.stored.find((s) => s.id === e.of.id);
    if (lot) add(podName(lot), e.massG);
    else if (stuff) add(stuff.name, e.massG, { parts: (stuff.made ?? []).map((m) => madePart(file, m)) });
    else if (OF_WATER.has(e.of.id)) briny = true;
    else if (row) {
      if (kindOf(row).family === 'water') continue;
      const parts = partsOf(row);
      add(rowName(row), e.massG, { parts, strong: parts.length === 0 && taggedOf(row.allergens).known.some((t) => t.sure) });
    } else {
      const { name, parts } = madeName(e.of.id, e.of.name);
      add(name, e.massG, { parts });
    }
  }
  const waterG = Math.min(past.addedWaterG, sauce.grams.water);
  if (finishedG > 0 && (100 * waterG) / finishedG >= WATER_LEAST_PCT) add(WATER, waterG);
  // Salt that left with a brine is in no bottle, and salt that came with one is: no more is listed than the sauce holds.
  if (briny && sauce.grams.salt > 0) add(SALT, sauce.grams.salt);
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
