/** Where the maker's spoons and cups come from. */
export const KITCHENS = ['metric', 'us', 'au', 'uk'] as const;
export type Kitchen = (typeof KITCHENS)[number];

/** US customary volumes in ml: exact from the gallon of 231 cubic inches (NIST Handbook 44, appendix C). */
const US = {
  tsp: 4.92892159375,
  tbsp: 14.78676478125,
  cup: 236.5882365,
  flOz: 29.5735295625,
  pint: 473.176473,
  quart: 946.352946,
  gallon: 3785.411784,
};
/** Imperial volumes in ml, from the gallon of 4.54609 l (Weights and Measures Act 1985, from memory). */
const IMPERIAL = { flOz: 28.4130625, pint: 568.26125, quart: 1136.5225, gallon: 4546.09 };

/**
 * Spoons and cups in ml. Metric: 5, 15, 250 (common practice). Australia: tablespoon 20, cup 250 (AS 1325, from
 * memory). UK: metric spoons, cup as metric; imperial fluid ounce 28.4130625 (Weights and Measures Act 1985, from memory).
 */
export const VOLUMES_ML: Record<Kitchen, Record<'tsp' | 'tbsp' | 'cup' | 'flOz' | 'pint' | 'quart' | 'gallon', number>> = {
  us: US,
  metric: { tsp: 5, tbsp: 15, cup: 250, flOz: US.flOz, pint: IMPERIAL.pint, quart: US.quart, gallon: US.gallon },
  au: { tsp: 5, tbsp: 20, cup: 250, ...IMPERIAL },
  uk: { tsp: 5, tbsp: 15, cup: 250, ...IMPERIAL },
};
/** Volumes that are the same everywhere, in ml; dessertspoon and drop by common practice, no source. */
export const FIXED_ML = { ml: 1, cl: 10, dl: 100, l: 1000, dessertspoon: 10, drop: 0.05 } as const;

/** Masses in g: exact by international agreement of 1959 (NIST Handbook 44, appendix C). */
export const MASSES_G = { g: 1, kg: 1000, oz: 28.349523125, lb: 453.59237 } as const;

/** Small amounts by hand, in ml: a sixteenth and an eighth of a US teaspoon (common practice, no source). */
export const PINCHES_ML = { pinch: US.tsp / 16, dash: US.tsp / 8 } as const;
/** What a hand pours or a small vessel holds, ml (our judgement). */
export const POURS_ML = { splash: 8, drizzle: 8, squeeze: 5, glug: 20, slosh: 25, shot: 30, capful: 7, ladle: 100 } as const;
/** A handful in ml: half a US cup of what is cut, a whole one of loose leaves (common practice, no source). */
export const HANDFUL_ML = { cut: US.cup / 2, leaves: US.cup } as const;
/** Lengths of root in inches (25.4 mm); a knob is one inch, a thumb two (common practice, no source). */
export const LENGTHS_IN = { inch: 1, cm: 1 / 2.54, knob: 1, thumb: 2 } as const;

/** A bare spoon is no size that is known: it is asked. */
export type UnitKind = 'mass' | 'volume' | 'hand' | 'length' | 'spoon';
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
say('volume', 'tsp', 'tsp tsps teaspoon teaspoons teaspoonful');
say('volume', 'tbsp', 'tbsp tbsps tbs tblsp tbl tablespoon tablespoons tablespoonful tablespoonfuls');
say('volume', 'cup', 'cup cups cupful cupfuls c');
say('volume', 'flOz', 'floz');
say('volume', 'cl', 'cl centilitre centilitres');
say('volume', 'dl', 'dl decilitre decilitres deciliter deciliters');
say('volume', 'dessertspoon', 'dsp dessertspoon dessertspoons');
say('volume', 'drop', 'drop drops');
say('volume', 'pint', 'pint pints pt');
say('volume', 'quart', 'quart quarts qt qts');
say('volume', 'gallon', 'gallon gallons gal');
say('hand', 'pinch', 'pinch pinches');
say('hand', 'dash', 'dash dashes');
for (const pour of Object.keys(POURS_ML)) say('hand', pour, `${pour} ${pour}s`);
say('hand', 'splash', 'splashes');
say('hand', 'slosh', 'sloshes');
say('spoon', 'spoon', 'spoon spoons spoonful spoonfuls');
say('hand', 'handful', 'handful handfuls fistful fistfuls');
say('length', 'inch', 'inch inches in');
say('length', 'cm', 'cm centimetre centimetres centimeter');
say('length', 'knob', 'knob knobs nub');
say('length', 'thumb', 'thumb thumbs finger fingers');

/** The unit a word stands for, or undefined. "T" is a tablespoon and "t" a teaspoon, as cooks write. */
export function unitOf(word: string): Unit | undefined {
  if (word === 'T') return WORDS.get('tbsp');
  if (word === 't') return WORDS.get('tsp');
  return WORDS.get(word.toLowerCase().replace(/\.$/, ''));
}
