import { ingredient, isIngredient, type Ingredient } from './ingredient';

/**
 * The allergens that must be declared, by the tags of the ingredient table. European Union: Regulation 1169/2011, Annex II
 * (14); United States: FALCPA 2004 and FASTER 2021 (9). Both from memory. Null where a list has no such entry.
 */
export const ALLERGENS = {
  gluten: { eu: 'cereals containing gluten', us: 'wheat' },
  crustacean: { eu: 'crustaceans', us: 'crustacean shellfish' },
  egg: { eu: 'eggs', us: 'egg' },
  fish: { eu: 'fish', us: 'fish' },
  peanut: { eu: 'peanuts', us: 'peanuts' },
  soy: { eu: 'soybeans', us: 'soybeans' },
  milk: { eu: 'milk', us: 'milk' },
  nut: { eu: 'nuts', us: 'tree nuts' },
  celery: { eu: 'celery', us: null },
  mustard: { eu: 'mustard', us: null },
  sesame: { eu: 'sesame', us: 'sesame' },
  sulphite: { eu: 'sulphur dioxide and sulphites', us: null },
  lupin: { eu: 'lupin', us: null },
  mollusc: { eu: 'molluscs', us: null },
} as const satisfies Record<string, { eu: string; us: string | null }>;
export type Allergen = keyof typeof ALLERGENS;

/** A tag of the table: surely in it, or only in some products. */
export interface Tagged {
  allergen: Allergen;
  sure: boolean;
}

/** What a maker writes who looked and found none, and who did not look: then the packet tells, and so does the label. */
export const NO_ALLERGENS = 'none';
export const ON_THE_PACKET = 'packet';

/** Nobody said what is in an own row: no tag at all, or that it stands on the packet. */
export const isUnsaid = (tags: readonly string[]): boolean => tags.length === 0 || tags.includes(ON_THE_PACKET);

/**
 * Allergen tags that go with a thing wherever it goes. A row of the table says its own; an own row what its maker said,
 * and where nothing was said its name, to be looked up.
 */
export function tagsOf(row: Pick<Ingredient, 'key' | 'name' | 'allergens'>): string[] {
  const own = row.allergens.filter((a) => a !== NO_ALLERGENS && a !== ON_THE_PACKET);
  if (isIngredient(row.key)) return [...new Set([...ingredient(row.key).allergens, ...own])];
  return isUnsaid(row.allergens) ? [...own, row.name.trim().slice(0, 60) || row.key] : own;
}

/** Reads tags such as "fish" and "gluten?"; a word that is in neither list is kept as one to look up. */
export function taggedOf(tags: readonly string[]): { known: Tagged[]; other: string[] } {
  const known: Tagged[] = [];
  const other: string[] = [];
  for (const tag of tags) {
    const name = tag.replace(/\?$/, '').trim().toLowerCase();
    const found = SAME.get(name) ?? name;
    if (Object.hasOwn(ALLERGENS, found)) known.push({ allergen: found as Allergen, sure: !tag.endsWith('?') });
    else if (name) other.push(tag);
  }
  return { known, other };
}
/** What makers write for them. */
const SAME = new Map<string, Allergen>(
  Object.entries({
    wheat: 'gluten',
    soya: 'soy',
    soybean: 'soy',
    soybeans: 'soy',
    eggs: 'egg',
    dairy: 'milk',
    nuts: 'nut',
    peanuts: 'peanut',
    shrimp: 'crustacean',
    crustaceans: 'crustacean',
    sulphites: 'sulphite',
    sulfites: 'sulphite',
    sulfite: 'sulphite',
    molluscs: 'mollusc',
  } as const),
);
