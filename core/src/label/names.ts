import type { Ingredient } from '../matter/ingredient';
import { variety } from '../matter/variety';
import type { PodLot } from '../pantry';

/** A word of an ingredient, and whether it names an allergen. */
export interface Part {
  name: string;
  strong: boolean;
}

/**
 * What compound ingredients are made of, in their own order; a star marks what must stand out (common practice, no source:
 * a packet may differ, and says so).
 */
const COMPOUND: Record<string, readonly string[]> = {
  mustard_yellow: ['water', '*mustard seed', 'vinegar', 'salt'],
  mustard_dijon: ['water', '*mustard seed', 'vinegar', 'salt'],
  soy_sauce: ['water', '*soybeans', '*wheat', 'salt'],
  fish_sauce: ['*fish', 'salt'],
  shrimp_paste: ['*shrimp (crustacean)', 'salt'],
  worcestershire: ['vinegar', 'molasses', 'sugar', 'salt', '*fish', 'tamarind', 'spices'],
  tomato_ketchup: ['tomato', 'vinegar', 'sugar', 'salt', 'spices'],
  vinegar_rice_seasoned: ['rice vinegar', 'sugar', 'salt'],
  pickled_jalapeno: ['jalapeño', 'vinegar', 'salt'],
  roasted_pepper_jar: ['sweet pepper', 'water', 'salt', 'acid: citric acid'],
  mirin: ['rice wine', 'sugar'],
};

/** Own rows are what their maker says, whatever they were copied from. */
const isOwn = (row: Pick<Ingredient, 'like'>): boolean => row.like !== undefined;

/** Parts of a row of the table that is itself made of things; empty for a plain one, and for an own one: its packet tells. */
export const partsOf = (row: Pick<Ingredient, 'key' | 'like'>): Part[] =>
  (isOwn(row) ? [] : (COMPOUND[row.key] ?? [])).map((p) => ({ name: p.replace(/^\*/, ''), strong: p.startsWith('*') }));

/** What stations make and hand on, as a list calls it. */
const MADE: Record<string, { name: string; parts: readonly string[] }> = {
  brine: { name: 'brine', parts: ['water', 'salt'] },
  'soak-water': { name: 'soaking water of chillies', parts: [] },
  pan: { name: 'cooking liquid', parts: [] },
  'chili-oil': { name: 'chilli oil', parts: ['oil', 'chilli'] },
};
/** The name and parts of something that was made on the way; as it is called where nothing better is known. */
export function madeName(id: string, name: string): { name: string; parts: Part[] } {
  const known = MADE[id];
  return known ? { name: known.name, parts: known.parts.map((p) => ({ name: p, strong: false })) } : { name, parts: [] };
}

const first = (name: string) => name.split(/[,/(]/)[0]!.trim();

/** What a row is called in a list of ingredients. */
export function rowName(row: Pick<Ingredient, 'key' | 'like' | 'name'>): string {
  if (isOwn(row)) return row.name.trim().toLowerCase();
  const kind = row.key;
  if (/^salt_/.test(kind)) return 'salt';
  if (kind === 'water') return 'water';
  if (kind === 'citric_acid_powder') return 'acid: citric acid';
  if (kind === 'lactic_acid_80') return 'acid: lactic acid';
  if (kind === 'xanthan') return 'thickener: xanthan gum';
  const [head, second] = row.name.split(',').map((x) => x.trim());
  // "Chili, jalapeno, green, fresh": the kind stands second.
  if (/^(chili|pepper)$/i.test(head!) && second) return `${second.toLowerCase()} ${head!.toLowerCase()}`;
  return first(row.name).toLowerCase();
}

/** What pods are called: by their variety, whatever the lot is called at home. */
export function podName(lot: PodLot): string {
  let name: string;
  try {
    name = first(variety(lot.varietyId).name);
  } catch {
    name = lot.name;
  }
  const what = lot.form === 'dried' || lot.form === 'flakes' ? 'dried chilli' : lot.form === 'powder' ? 'chilli powder' : 'chilli';
  return /sweet|bell|pointed/i.test(name)
    ? `${name.toLowerCase()} pepper`.replace(/pepper pepper$/, 'pepper')
    : `${name.toLowerCase()} ${what}`;
}
