import { ACIDS } from '../matter/component';
import { ingredient, INGREDIENTS, isOil, kindKey, type Ingredient } from '../matter/ingredient';
import type { PodLot } from '../pantry/lot';

/** What a thing is to the rules of keeping (handbook chapter 5, section 17). */
export const FOODS = [
  'pod',
  'garlic',
  'leaf',
  'avocado',
  'fruit',
  'onion',
  'tomato',
  'vegetable',
  'root',
  'nut',
  'dairy',
  'egg',
  'oil',
  'citrus',
  'vinegar',
  'water',
] as const;
export type Food = (typeof FOODS)[number];

/** Foods of the table's rows. Rows not named here are none of these: salt, sugars, dry spices, condiments. */
const TABLE: Partial<Record<Food, string>> = {
  pod: 'jalapeno_green jalapeno_red fresno_red serrano_green cayenne_red thai_red thai_green habanero superhot aji_yellow poblano anaheim banana_pepper pickled_jalapeno dried_chili_hot dried_chili_mild chipotle_dry chili_powder_pure smoked_paprika',
  vegetable: 'bell_red bell_green bell_yellow roasted_pepper_jar carrot celery lemongrass',
  garlic: 'garlic garlic_powder',
  onion: 'onion shallot spring_onion onion_powder',
  root: 'ginger galangal turmeric_fresh cilantro_root',
  leaf: 'cilantro culantro basil mint makrut_leaf',
  fruit: 'mango_ripe mango_green pineapple peach blueberry apple pear orange_juice tamarind_pulp lime_zest',
  tomato: 'tomato tomato_passata tomato_paste tomatillo tomato_ketchup',
  avocado: 'avocado',
  oil: 'oil_olive oil_neutral oil_sesame',
  citrus: 'lime_juice lemon_juice calamansi_juice lime_whole lemon_whole',
  vinegar: 'vinegar_distilled_5 vinegar_distilled_6 vinegar_cider vinegar_red_wine vinegar_rice vinegar_rice_seasoned',
  water: 'water',
};
const byKey = new Map<string, Food>();
for (const [food, keys] of Object.entries(TABLE)) for (const key of keys!.split(' ')) byKey.set(key, food as Food);
const tableKeys = new Set(INGREDIENTS.map((i) => i.key));

/** Words in an own row's name that tell more than its figures (whole words, any language of the interface is English). */
const NAMED: [RegExp, Food][] = [
  [/\b(oil|oils|ghee|lard|butter|mayo|mayonnaise|aioli|pesto|drippings?)\b/i, 'oil'],
  [/\b(milk|cream|yogh?urt|cheese|buttermilk|kefir|butter)\b/i, 'dairy'],
  [/\b(eggs?|yolks?|mayo|mayonnaise|aioli)\b/i, 'egg'],
  [/\b(nuts?|almonds?|peanuts?|walnuts?|cashews?|hazelnuts?|pistachios?|tahini)\b/i, 'nut'],
  [/\bgarlic\b/i, 'garlic'],
  [/\b(onions?|shallots?|leeks?|chives?)\b/i, 'onion'],
  [/\btomato(es)?\b/i, 'tomato'],
  [/\bavocados?\b/i, 'avocado'],
  [/\b(leaf|leaves|herbs?|basil|mint|parsley|dill|cilantro|coriander|epazote)\b/i, 'leaf'],
];

/** Wet and hardly sour: something that grew. An own row like this is counted with fruit, the stricter side. */
const WET_PCT = 50;
const SOUR_PCT = 2.5;
const SWEET_PCT = 45;

const cache = new WeakMap<Ingredient, ReadonlySet<Food>>();

/**
 * What an ingredient is to the rules of keeping. The table decides for its own keys and for what an own row was copied
 * from, whatever figures a file carries; figures and the name can only add to it.
 */
export function foodsOf(row: Ingredient): ReadonlySet<Food> {
  const had = cache.get(row);
  if (had) return had;
  const foods = new Set<Food>();
  for (const key of [row.key, kindKey(row)]) {
    const food = byKey.get(key);
    if (food) foods.add(food);
  }
  if (isOil(row)) foods.add('oil');
  if (!tableKeys.has(row.key)) {
    for (const [words, food] of NAMED) if (words.test(row.name)) foods.add(food);
    const acids = ACIDS.reduce((s, a) => s + (row.acids[a] ?? 0), 0);
    const grew = row.water > WET_PCT && row.water < 99 && acids < SOUR_PCT && row.sugars < SWEET_PCT && row.salt < 10;
    if (grew && !row.like && foods.size === 0) foods.add('fruit');
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
  const kind = byKey.get(kindKey(row)) === 'oil' ? ingredient(kindKey(row)).fat : 0;
  const fat = Math.max(row.fat, kind) / 100;
  return fat > 0 ? Math.min(1, fat) : 1;
}

/** What a lot of pods is to the rules of keeping: pods, oil where it is a paste in oil, and all that a kept pulp had in it. */
export function lotFoods(lot: PodLot): ReadonlySet<Food> {
  const kept = (lot.foods ?? []).filter((f): f is Food => (FOODS as readonly string[]).includes(f));
  return new Set<Food>([...(lotOil(lot) > 0 ? (['pod', 'oil'] as const) : (['pod'] as const)), ...kept]);
}

/** Share of a paste that is taken for oil when its name says oil and nobody said how much (our judgement). */
const PASTE_OIL = 0.3;

/** Grams of free oil in 1 g of a lot: what the maker said, or what its name gives away. */
export function lotOil(lot: PodLot): number {
  const said = (lot.oilPct ?? 0) / 100;
  return said > 0 ? said : /\boil\b/i.test(lot.name) ? PASTE_OIL : 0;
}
