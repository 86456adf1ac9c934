/** What a thing is to the rules of keeping (handbook chapter 5, section 17; chapter 6, section 5). */
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
  'meat',
  'fish',
  /** Dried herbs and spices. */
  'spice',
  'oil',
  'citrus',
  'vinegar',
  /** Water that somebody added, also within another thing (soy sauce, rum). */
  'water',
  /** Nobody said what it is, or what is in it: the strictest of all. */
  'unknown',
] as const;
export type Food = (typeof FOODS)[number];

/** What grew and can spoil once it is cut, ground or opened. */
export const PRODUCE: readonly Food[] = ['pod', 'garlic', 'leaf', 'avocado', 'fruit', 'onion', 'tomato', 'vegetable', 'root'];
