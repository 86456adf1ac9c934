/** Where the maker's spoons and cups come from. */
export const KITCHENS = ['metric', 'us', 'au', 'uk'] as const;
export type Kitchen = (typeof KITCHENS)[number];

/** US customary volumes in ml: exact from the gallon of 231 cubic inches (NIST Handbook 44, appendix C). */
const US = { tsp: 4.92892159375, tbsp: 14.78676478125, cup: 236.5882365, flOz: 29.5735295625 };

/**
 * Spoons and cups in ml. Metric: 5, 15, 250 (common practice). Australia: tablespoon 20, cup 250 (AS 1325, from
 * memory). UK: metric spoons, cup as metric; imperial fluid ounce 28.4130625 (Weights and Measures Act 1985, from memory).
 */
export const VOLUMES_ML: Record<Kitchen, { tsp: number; tbsp: number; cup: number; flOz: number }> = {
  us: US,
  metric: { tsp: 5, tbsp: 15, cup: 250, flOz: US.flOz },
  au: { tsp: 5, tbsp: 20, cup: 250, flOz: 28.4130625 },
  uk: { tsp: 5, tbsp: 15, cup: 250, flOz: 28.4130625 },
};

/** Masses in g: exact by international agreement of 1959 (NIST Handbook 44, appendix C). */
export const MASSES_G = { g: 1, kg: 1000, oz: 28.349523125, lb: 453.59237 } as const;

/** Small amounts by hand, in g (common practice, no source: pinch of salt 0.3 to 0.5 g). */
export const HANDFULS_G = { pinch: 0.4, dash: 0.6, handful: 30 } as const;

export type UnitKind = 'mass' | 'volume' | 'hand' | 'piece';
export interface Unit {
  id: string;
  kind: UnitKind;
}

/** Words for each unit, longest first where they share a start. */
const WORDS = new Map<string, Unit>();
const say = (kind: UnitKind, id: string, words: string) => words.split(' ').forEach((w) => WORDS.set(w, { id, kind }));
say('mass', 'g', 'g gr gram grams gramme grammes');
say('mass', 'kg', 'kg kilo kilos kilogram kilograms');
say('mass', 'oz', 'oz ounce ounces');
say('mass', 'lb', 'lb lbs pound pounds');
say('volume', 'ml', 'ml millilitre millilitres milliliter milliliters');
say('volume', 'l', 'l litre litres liter liters');
say('volume', 'tsp', 'tsp tsps teaspoon teaspoons');
say('volume', 'tbsp', 'tbsp tbsps tbs tablespoon tablespoons');
say('volume', 'cup', 'cup cups');
say('volume', 'flOz', 'floz');
say('hand', 'pinch', 'pinch pinches');
say('hand', 'dash', 'dash dashes');
say('hand', 'handful', 'handful handfuls');

/** The unit a word stands for, or undefined. "T" is a tablespoon and "t" a teaspoon, as cooks write. */
export function unitOf(word: string): Unit | undefined {
  if (word === 'T') return WORDS.get('tbsp');
  if (word === 't') return WORDS.get('tsp');
  return WORDS.get(word.toLowerCase().replace(/\.$/, ''));
}
