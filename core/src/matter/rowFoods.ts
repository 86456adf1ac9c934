import { isUnsaid, taggedOf, type Allergen } from './allergen';
import { ACIDS } from './component';
import { PRODUCE, type Food } from './food';
import { ingredient, isIngredient, isOil, type Ingredient } from './ingredient';
import { kindOf } from './kind';

/** What an allergen that somebody named says of a thing to the rules of keeping (handbook chapter 6, section 5). */
const FOOD_OF: Partial<Record<Allergen, Food>> = {
  milk: 'dairy',
  egg: 'egg',
  fish: 'fish',
  crustacean: 'fish',
  mollusc: 'fish',
  nut: 'nut',
  peanut: 'nut',
  sesame: 'nut',
};

/** Foods that tags of allergens name. */
function foodsOfTags(tags: readonly string[]): Food[] {
  return taggedOf(tags).known.flatMap(({ allergen }) => FOOD_OF[allergen] ?? []);
}

/** Wet, and less sour than this, an own row is mostly water that somebody put there, whatever it is like, %. */
const WET_PCT = 50;
const SOUR_PCT = 2.5;

/** An own row that is called so runs as oil, whatever its figures say. */
const CALLED_OIL = /\b(oils?|ghee|lard)\b/i;

const isProduce = (foods: ReadonlySet<Food>): boolean => PRODUCE.some((f) => foods.has(f));

const cache = new WeakMap<Ingredient, ReadonlySet<Food>>();

/**
 * What an ingredient is to the rules of keeping (handbook chapter 6, section 5). The table decides for its own keys, and for
 * what an own row is like; the allergens that an own row has beyond those add to it, and so do its figures. Where nobody
 * said what it is like, or what is in it, it counts as unknown: the strictest class, never as none.
 */
export function foodsOf(row: Ingredient): ReadonlySet<Food> {
  const had = cache.get(row);
  if (had) return had;
  // A forged row of a table key may be like anything: it is what the key says, and that as well.
  const foods = new Set<Food>([...(isIngredient(row.key) ? kindOf({ key: row.key }).foods : []), ...kindOf(row).foods]);
  if (isOil(row) || (!isIngredient(row.key) && CALLED_OIL.test(row.name))) foods.add('oil');
  if (!isIngredient(row.key)) {
    const likes = row.like !== undefined && isIngredient(row.like) ? foodsOfTags(ingredient(row.like).allergens) : [];
    for (const f of foodsOfTags(row.allergens)) if (!likes.includes(f)) foods.add(f);
    if (isUnsaid(row.allergens)) foods.add('unknown');
    const acidPct = ACIDS.reduce((s, a) => s + (row.acids[a] ?? 0), 0);
    if (row.water > WET_PCT && acidPct < SOUR_PCT && !isProduce(foods)) foods.add('water');
  }
  cache.set(row, foods);
  return foods;
}

/**
 * Grams of free oil in 1 g of an ingredient: its fat where it is an oil. A row that is an oil by its kind counts with no
 * less fat than the table gives that kind, whatever a file says; with nothing to go by, all of it is oil.
 */
export function freeOilPerGram(row: Ingredient): number {
  if (!foodsOf(row).has('oil')) return 0;
  const like = row.like ?? row.key;
  const kind = isIngredient(like) && kindOf(row).family === 'oil' ? ingredient(like).fat : 0;
  const fat = Math.max(row.fat, kind) / 100;
  return fat > 0 ? Math.min(1, fat) : 1;
}
