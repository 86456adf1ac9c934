import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ingredient, KITCHENS, MASSES_G, toGrams, VOLUMES_ML } from '../src';

/** What nearly is an amount: its pieces in any order, close together or apart. */
const NEARLY = fc
  .tuple(
    fc.array(fc.constantFrom(...'( ) = , . - + & / or and 300 1/2 0 half g cup C tbsp oz clove ½ of about x'.split(' ')), { maxLength: 8 }),
    fc.constantFrom('', ' '),
  )
  .map(([pieces, gap]) => pieces.join(gap));

describe('definitions', () => {
  // NIST Handbook 44, appendix C: the US gallon is 231 cubic inches; an inch is 25.4 mm exactly.
  it('US volumes follow from the gallon', () => {
    const gallon = 231 * 2.54 ** 3;
    expect(VOLUMES_ML.us.cup).toBeCloseTo(gallon / 16, 9);
    expect(VOLUMES_ML.us.tbsp).toBeCloseTo(gallon / 256, 9);
    expect(VOLUMES_ML.us.tsp).toBeCloseTo(gallon / 768, 9);
    expect(VOLUMES_ML.us.flOz).toBeCloseTo(gallon / 128, 9);
  });
  // International yard and pound agreement of 1959; NIST Handbook 44, appendix C.
  it('ounces and pounds', () => {
    expect(MASSES_G.lb).toBe(453.59237);
    expect(MASSES_G.oz * 16).toBeCloseTo(453.59237, 10);
  });
  // Australian tablespoon 20 ml, metric cup 250 ml (AS 1325, from memory); UK ounce 1/160 gallon of 4.54609 l.
  it('other kitchens', () => {
    expect(VOLUMES_ML.au.tbsp).toBe(20);
    expect(VOLUMES_ML.metric.tbsp).toBe(15);
    expect(VOLUMES_ML.metric.cup).toBe(250);
    expect(VOLUMES_ML.uk.flOz).toBeCloseTo(4546.09 / 160, 6);
  });
});

const garlic = ingredient('garlic');
const carrot = ingredient('carrot');
const vinegar = ingredient('vinegar_cider');

describe('what people say', () => {
  it.each([
    ['3 cloves', garlic, 'metric', 12],
    ['1 head', garlic, 'metric', 45],
    ['2 carrots', carrot, 'us', 122],
    ['1 1/2 cups', carrot, 'us', 192],
    ['1½ cups', carrot, 'us', 192],
    ['¾ cup', carrot, 'us', 96],
    ['half a cup', carrot, 'us', 64],
    ['two and a half cups', carrot, 'us', 320],
    ['1 lb 4 oz', carrot, 'us', 20 * 28.349523125],
    ['2-3 tbsp', vinegar, 'metric', 2.5 * 15 * (239 / 236.5882365)],
    ['1 tbsp', vinegar, 'au', 20 * (239 / 236.5882365)],
    ['500 ml', vinegar, 'uk', 500 * (239 / 236.5882365)],
    ['12,5 g', garlic, 'metric', 12.5],
    ['1,000 g', carrot, 'us', 1000],
    ['1.5kg', carrot, 'metric', 1500],
    ['250', carrot, 'metric', 250],
    ['a pinch', ingredient('salt_fine'), 'metric', 0.380208],
    ['juice of 2 limes', ingredient('lime_juice'), 'metric', 60],
  ] as const)('%s', (text, what, kitchen, massG) => {
    expect(toGrams(text, what, kitchen).massG).toBeCloseTo(massG, 6);
  });

  // Practice (handbook chapter 1): a tablespoon of liquid is about 15 g, not 9.
  it('a tablespoon of vinegar weighs about 15 g and says which spoon', () => {
    const w = toGrams('1 tbsp', vinegar, 'metric');
    expect(w.massG).toBeGreaterThan(14.5);
    expect(w.massG).toBeLessThan(15.5);
    expect(w.assumed.join()).toMatch(/metric tbsp of 15 ml/);
  });

  it.each(['', '   ', '-3 g', 'some', '3 bananas', '1/0 cup', '5 g of x 3'])('"%s" is refused with a sentence', (text) => {
    expect(() => toGrams(text, garlic, 'metric')).toThrow(/[.?]$/);
  });

  it.each(['(300 g)', '(300 g', '= 300 g', '(300 g) or 300 g'])('"%s" is 300 g', (text) => {
    expect(toGrams(text, garlic, 'metric').massG).toBe(300);
  });

  it('plain grams come back as they are, in any kitchen', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 9000, noNaN: true }), fc.constantFrom(...KITCHENS), (g, kitchen) => {
        const text = `${g.toFixed(2)} g`;
        expect(toGrams(text, garlic, kitchen).massG).toBeCloseTo(Number(g.toFixed(2)), 9);
      }),
    );
  });

  it('never throws anything but its own sentences', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string({ maxLength: 20 }), NEARLY), (text) => {
        try {
          expect(toGrams(text, garlic, 'metric').massG).toBeGreaterThanOrEqual(0);
        } catch (e) {
          expect((e as Error).message).toMatch(/[.?]$/);
        }
      }),
      { numRuns: 1000 },
    );
  });
});
