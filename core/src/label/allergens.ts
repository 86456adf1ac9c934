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

/** Reads tags such as "fish" and "gluten?"; a word that is in neither list is kept as one to look up. */
export function taggedOf(tags: readonly string[]): { known: Tagged[]; other: string[] } {
  const known: Tagged[] = [];
  const other: string[] = [];
  for (const tag of tags) {
    const name = tag.replace(/\?$/, '').trim().toLowerCase();
    const found = SAME[name] ?? name;
    if (Object.hasOwn(ALLERGENS, found)) known.push({ allergen: found as Allergen, sure: !tag.endsWith('?') });
    else if (name) other.push(tag);
  }
  return { known, other };
}
/** What makers write for them. */
const SAME: Record<string, Allergen> = {
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
};
