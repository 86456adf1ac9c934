import { ACIDS } from '../matter/component';
import type { Ingredient } from '../matter/ingredient';

/** What can take the place of a thing, and by what both are made to match. */
export interface StandIn {
  /** Key of the row that takes its place. */
  key: string;
  /** What is kept the same: its sugar, acid, salt, or its weight times `times`. */
  by: 'sugars' | 'acid' | 'salt' | 'fat' | 'starch' | { times: number };
  /** What is lost or gained that no figure tells. */
  says: string;
}

/** By kind (common practice, no source): the nearest first. */
export const STAND_INS: Readonly<Record<string, readonly StandIn[]>> = {
  sugar_palm: [
    { key: 'sugar_brown', by: 'sugars', says: 'nearly as round' },
    { key: 'sugar_white', by: 'sugars', says: 'cleaner, without the caramel' },
  ],
  sugar_brown: [
    { key: 'sugar_palm', by: 'sugars', says: 'rounder' },
    { key: 'sugar_white', by: 'sugars', says: 'without the molasses' },
  ],
  maple_syrup: [
    { key: 'honey', by: 'sugars', says: 'flowery in the place of smoky' },
    { key: 'sugar_brown', by: 'sugars', says: 'no syrup: it may need a spoon of water' },
  ],
  honey: [
    { key: 'maple_syrup', by: 'sugars', says: 'no flowers; it crystallises less' },
    { key: 'sugar_white', by: 'sugars', says: 'plain sweetness' },
  ],
  culantro: [{ key: 'cilantro', by: { times: 1.3 }, says: 'softer: a third more of it' }],
  cilantro: [{ key: 'culantro', by: { times: 0.7 }, says: 'stronger: a third less of it' }],
  basil: [{ key: 'mint', by: { times: 0.7 }, says: 'another herb, cooler' }],
  mint: [{ key: 'basil', by: { times: 1.2 }, says: 'another herb, sweeter' }],
  calamansi_juice: [{ key: 'lime_juice', by: 'acid', says: 'sharper, less of orange' }],
  lime_juice: [{ key: 'lemon_juice', by: 'acid', says: 'softer' }],
  lemon_juice: [{ key: 'lime_juice', by: 'acid', says: 'sharper' }],
  fish_sauce: [{ key: 'soy_sauce', by: 'salt', says: 'malty, darker, no fish' }],
  soy_sauce: [{ key: 'fish_sauce', by: 'salt', says: 'fishy, lighter' }],
  shrimp_paste: [{ key: 'fish_sauce', by: 'salt', says: 'thinner, less roasted' }],
  tamarind_paste: [{ key: 'lime_juice', by: 'acid', says: 'sour without the fruit; add some brown sugar' }],
  galangal: [{ key: 'ginger', by: { times: 0.8 }, says: 'warmer, less of pine' }],
  ginger: [{ key: 'galangal', by: { times: 1.2 }, says: 'sharper, of pine' }],
  shallot: [{ key: 'onion', by: { times: 1 }, says: 'coarser' }],
  onion: [{ key: 'shallot', by: { times: 1 }, says: 'finer' }],
  makrut_leaf: [{ key: 'lime_zest', by: { times: 1 }, says: 'less flowery' }],
  vinegar_rice: [{ key: 'vinegar_cider', by: 'acid', says: 'fruitier' }],
  vinegar_cider: [
    { key: 'vinegar_rice', by: 'acid', says: 'milder in smell' },
    { key: 'vinegar_distilled_5', by: 'acid', says: 'plainer' },
  ],
  vinegar_distilled_5: [{ key: 'vinegar_cider', by: 'acid', says: 'fruitier' }],
  vinegar_red_wine: [{ key: 'vinegar_cider', by: 'acid', says: 'lighter in colour' }],
  mustard_yellow: [{ key: 'mustard_dijon', by: { times: 0.8 }, says: 'sharper, less yellow' }],
  oil_olive: [{ key: 'oil_neutral', by: 'fat', says: 'without the taste of olives' }],
  oil_neutral: [{ key: 'oil_olive', by: 'fat', says: 'tastes of olives' }],
  cornstarch: [{ key: 'tapioca_starch', by: { times: 1.25 }, says: 'clearer, a little stringy' }],
  mango_ripe: [
    { key: 'peach', by: { times: 1 }, says: 'lighter, less body' },
    { key: 'pineapple', by: { times: 1 }, says: 'sourer, less body' },
  ],
  pineapple: [{ key: 'mango_ripe', by: { times: 1 }, says: 'sweeter, thicker' }],
  tomatillo: [{ key: 'tomato', by: { times: 1 }, says: 'red and sweeter: a little more lime' }],
  pear: [{ key: 'apple', by: { times: 1 }, says: 'sourer, thicker' }],
};

/** A thing in the place of another: how much of it, and what that changes. */
export interface Swap {
  key: string;
  name: string;
  massG: number;
  says: string;
  /** g more (or less) of each. */
  saltG: number;
  acidG: number;
  sugarsG: number;
  /** Allergens that come in, and those that go. */
  brings: string[];
  spares: string[];
}

const acidOf = (r: Ingredient) => ACIDS.reduce((s, a) => s + (a === 'uronic' ? 0 : (r.acids[a] ?? 0)), 0);
const figure = (r: Ingredient, by: Exclude<StandIn['by'], object>) => (by === 'acid' ? acidOf(r) : (r[by] ?? 0));

/** `massG` of one thing replaced by another of `standIn`; null where they cannot be matched. */
export function swapped(row: Ingredient, massG: number, standIn: StandIn, other: Ingredient): Swap | null {
  const { by } = standIn;
  const times = typeof by === 'object' ? by.times : figure(row, by) / figure(other, by);
  if (!Number.isFinite(times) || !(times > 0)) return null;
  const g = Math.round(massG * times * 10) / 10;
  const more = (of: (r: Ingredient) => number) => (g * of(other) - massG * of(row)) / 100;
  return {
    key: other.key,
    name: other.name,
    massG: g,
    says: standIn.says,
    saltG: more((r) => r.salt),
    acidG: more(acidOf),
    sugarsG: more((r) => r.sugars),
    brings: other.allergens.filter((a) => !row.allergens.includes(a)),
    spares: row.allergens.filter((a) => !other.allergens.includes(a)),
  };
}
