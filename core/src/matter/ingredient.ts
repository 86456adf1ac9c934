import table from '../data/ingredients.json' with { type: 'json' };
import { ACIDS, noGrams, type Acid, type Grams } from './component';

/** An ingredient per 100 g edible portion; columns and their sources stand at the head of data/ingredients.json. */
export interface Ingredient {
  key: string;
  name: string;
  water: number;
  sugars: number;
  salt: number;
  ethanol: number;
  fat: number;
  /** Total soluble solids, g/100 g. */
  tss: number;
  /** g/100 g that thickens; absent where there is none. */
  starch?: number;
  gum?: number;
  protein: number;
  protClass: 'intact' | 'hydrolysate';
  acids: Partial<Record<Acid, number>>;
  /** Natural pH; null when it carries none of its own (salt, sugar, oil). */
  pH: { lo: number; typ: number; hi: number } | null;
  /** kg of water per kg in which the pH is measured by convention. */
  pHdil: number;
  density: number;
  measure: { cup: number; tbsp: number; tsp: number };
  pieces: Record<string, number>;
  allergens: string[];
  hex: string;
  /** Key of the table row that an own one was copied from: what is known by kind (body, taste, spread) holds for it too. */
  like?: string;
  confidence: 'high' | 'medium' | 'low';
}

/** Columns of the table that say what a thing is made of; the others say what it is (see kind.ts). */
const COLUMNS = [
  ...['key', 'name', 'water', 'sugars', 'salt', 'ethanol', 'fat', 'tss', 'starch', 'gum', 'protein', 'protClass', 'acids'],
  ...['pH', 'pHdil', 'density', 'measure', 'pieces', 'allergens', 'hex', 'confidence', 'densitySource'],
] as const;
type Column = (typeof COLUMNS)[number];

/** The table: what each row is made of. */
export const INGREDIENTS = (table.rows as unknown as Record<Column, unknown>[]).map((row) =>
  Object.fromEntries((Object.keys(row) as Column[]).flatMap((c) => (COLUMNS.includes(c) ? [[c, row[c]]] : []))),
) as unknown as readonly Ingredient[];

const byKey = new Map(INGREDIENTS.map((i) => [i.key, i]));

/** Whether the table has a row of that key. */
export const isIngredient = (key: string): boolean => byKey.has(key);

/** The table row for a key. Throws when there is none. */
export function ingredient(key: string): Ingredient {
  const found = byKey.get(key);
  if (!found) throw new RangeError(`No ingredient is called "${key}"`);
  return found;
}

/** Mostly fat, or fat with little protein: it runs as oil, which a seed or a nut with as much fat does not (our judgement). */
const OIL_FAT = 40;
const RUNS_FAT = 20;
export function isOil(i: Pick<Ingredient, 'fat' | 'protein'>): boolean {
  return i.fat >= OIL_FAT || (i.fat >= RUNS_FAT && i.fat > 3 * i.protein);
}

const cache = new WeakMap<Ingredient, Grams>();

/**
 * Components of 1 g of an ingredient, summing to 1. The remainder is parted into insoluble pulp
 * (100 - water - soluble solids - fat - ethanol, not below 0) and other solids. Rows whose parts
 * exceed 100 (rounded table values) are scaled.
 */
export function gramsPerGram(i: Ingredient): Grams {
  const had = cache.get(i);
  if (had) return had;
  const g = noGrams();
  g.water = i.water;
  g.sugars = i.sugars;
  g.salt = i.salt;
  g.ethanol = i.ethanol;
  g.fat = i.fat;
  // Rows without a pH of their own carry no amino buffer either (chapter 3, section 5.1).
  if (i.pH) g[i.protClass === 'hydrolysate' ? 'hydrolysate' : 'protein'] = i.protein;
  g.starch = i.starch ?? 0;
  g.gum = i.gum ?? 0;
  let known = i.water + i.sugars + i.salt + i.ethanol + i.fat + g.starch + g.gum + (i.pH ? i.protein : 0);
  for (const a of ACIDS) {
    g[a] = i.acids[a] ?? 0;
    known += g[a];
  }
  const rest = Math.max(0, 100 - known);
  const insoluble = 100 - i.water - i.tss - i.fat - i.ethanol - g.starch - g.gum - (i.acids.acetic ?? 0);
  g.pulp = Math.min(rest, Math.max(0, insoluble));
  g.other = rest - g.pulp;
  const total = known + rest;
  for (const c of Object.keys(g) as (keyof Grams)[]) g[c] /= total;
  cache.set(i, g);
  return g;
}
