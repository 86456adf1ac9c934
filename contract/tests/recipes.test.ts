import { INGREDIENTS, LineProblem, lineKind, planRecipe, readText } from '@roskel/core';
import { describe, expect, it } from 'vitest';
import { dice } from '../../core/tests/random';
import { LINES_MEANT, RECIPES, RECIPES_LATER } from '../../core/tests/readingCorpus';
import { checkBatchFile } from '../src/validate';

const SENTENCES = [...RECIPES, ...RECIPES_LATER]
  .filter((r) => r.manner !== 'page')
  .flatMap((r) => r.text.split(/(?<=\.)\s+|\n/))
  .filter((s) => lineKind(s) === 'method');
const THINGS = LINES_MEANT.filter(([, , meant]) => meant !== '-').map(([, line]) => line);

function planned(text: string) {
  const { items, recipe } = readText(text, { kitchen: 'metric', own: [] });
  const goal = { lowShu: 100, highShu: 2_000_000, bottles: 1, bottleMl: 100 };
  const wish = { name: 'R', startDate: '2026-11-30', goal, rows: INGREDIENTS, boughtId: 'b', items, recipe, text };
  return recipe ? { recipe, plan: planRecipe({ ...wish, idOf: (n) => `p${n}`, asMade: true }, '2026-11-30') } : null;
}

describe('a recipe in any order', () => {
  it('is a batch that the kitchen takes, or a sentence says why not; nothing is lost', () => {
    const d = dice(29);
    for (let n = 0; n < 80; n++) {
      const some = (from: readonly string[], most: number) => Array.from({ length: d.whole(1, most) }, () => d.pick(from));
      const text = [...some(THINGS, 10), ...some(SENTENCES, n % 20 === 0 ? 60 : 8)].join('\n');
      try {
        const made = planned(text);
        if (!made) continue;
        const checked = checkBatchFile(JSON.parse(JSON.stringify(made.plan.file)));
        expect(checked.ok ? [] : checked.errors, text).toEqual([]);
        expect(
          made.recipe.things.filter((t) => t.left > 1e-6),
          text,
        ).toEqual([]);
      } catch (e) {
        if (!(e instanceof LineProblem) && !(e instanceof RangeError)) throw e;
        expect(e.message).toMatch(/[.]$/);
      }
    }
  });
  it.each([
    [
      'a sauce that ends twice',
      '200 g carrots\nBottle it. Simmer the carrots 5 minutes. Bottle. Blend. Pour into bottles.',
      ['prep', 'simmer', 'blend', 'bottle'],
    ],
    [
      'stations before anything is there',
      '200 g carrots\nStrain. Let it cool for an hour. Blend the carrots. Bottle.',
      ['prep', 'blend', 'bottle'],
    ],
    [
      'brine of a jar in which nothing is',
      '200 g sugar\nWeigh it all down and let ferment in a cool, dark spot for about 2 weeks. Blend the solids with 150 ml of the brine. Strain. Simmer with the sugar. Bottle.',
      ['simmer', 'bottle'],
    ],
    // Pods boiled in water stay and the water goes; of a sauce the solids go (handbook chapter 5, section 10: judgement).
    [
      'boiled and drained',
      '300 g fresnos\n500 ml water\nBoil the fresnos in the water, drain and blend.',
      ['prep', 'simmer', 'lift', 'blend', 'bottle'],
    ],
    [
      'a sauce that is drained',
      '300 g fresnos\n300 ml cider vinegar\nSimmer the fresnos in the vinegar, drain and bottle.',
      ['prep', 'simmer', 'strain', 'bottle'],
    ],
  ])('%s', (_, text, kinds) => {
    expect(planned(text)!.plan.file.strands[0]!.stations.map((s) => s.kind)).toEqual(kinds);
  });
  it('chillies that stand are not chilled', () => {
    const place = (where: string) =>
      planned(
        `300 g red chillies\n200 ml cider vinegar\nSimmer the chillies in the vinegar 5 minutes. Let the chillies stand 2 hours${where}. Blend.`,
      )!.plan.file.strands[0]!.stations.find((s) => s.kind === 'rest')!.params;
    expect(place('')).toMatchObject({ place: 'air' });
    expect(place(' in the fridge')).toMatchObject({ place: 'fridge' });
  });
  it('nothing is cut where nothing is known yet; what the method alone names is asked, by its own words', () => {
    const { recipe, plan } = planned(
      'Chop chillies and fresnos. Simmer them with a glass of 250 ml of cider vinegar for 20 minutes, then blend.',
    )!;
    expect(plan.file.strands[0]!.stations.map((s) => s.kind)).toEqual(['simmer', 'blend', 'bottle']);
    expect(recipe.things.map((t) => t.item.text)).toEqual(['chillies', 'fresnos', 'a glass of 250 ml of cider vinegar']);
    expect(recipe.things.map((t) => t.item.ask !== null)).toEqual([true, true, false]);
  });
  it.each([
    [
      'a usual amount of ours',
      '500 g fresnos\nsalt to taste\nGrind the fresnos with the salt and ferment for 10 days. Blend and bottle.',
      5,
      'mash',
    ],
    ['no salt at all', '500 g fresnos\nGrind the fresnos and ferment in a jar for 10 days. Blend and bottle.', 5, 'mash'],
    [
      'no salt in the brine',
      '500 g fresnos\n600 ml water\nPack the fresnos into a jar with the water and ferment for 10 days. Drain, blend and bottle.',
      3,
      'waterOnly',
    ],
    ['as it is said', '500 g fresnos\n15 g salt\nGrind the fresnos with the salt and ferment for 10 days. Blend and bottle.', 3.2, 'mash'],
  ])('the salt of a jar, %s', (_, text, pct, school) => {
    const jar = planned(text)!.plan.file.strands[0]!.stations.find((s) => s.kind === 'salt')!.params as { pct: number; school: string };
    expect([jar.school, Math.round(10 * jar.pct) / 10]).toEqual([school, pct]);
  });
  it.each([
    // 3 % of 600 g; 3 % of 400 g of water in a brine; 2 % of 500 g + 202 g + 12 g where nothing stands in a jar.
    ['a mash', '500 g fresnos\n100 g garlic\n3 % salt\nGrind all with the salt and ferment for 10 days. Blend and bottle.', 18],
    [
      'a brine',
      '500 g fresnos\n400 g water\n3 % salt for the brine\nPack the fresnos into a jar with the salt and water and ferment for 9 days. Drain, blend.',
      12,
    ],
    ['a pot', '500 g fresnos\n200 ml cider vinegar\n12 g sugar\n2 % salt\nSimmer everything 10 minutes and blend.', 14.3],
  ])('a share of salt is weighed by what it goes into: %s', (_, text, g) => {
    const salt = planned(text)!.recipe.things.find((t) => t.family === 'salt')!;
    expect(salt.item.ask).toBeNull();
    expect(Math.abs(salt.g! - g)).toBeLessThan(0.1);
  });
  it('what only the method names beside a list is asked, and what nobody places goes to all parts of what is divided', () => {
    const { recipe, plan } = planned(
      '500 g fresnos\n200 ml cider vinegar\n9 g salt\nSimmer the fresnos in the vinegar 20 minutes and blend. Divide in two. Stir basil into one half and 30 g honey into the other.',
    )!;
    expect(recipe.things.map((t) => [t.item.text, t.item.ask !== null])).toContainEqual(['basil', true]);
    expect(recipe.ends).toHaveLength(2);
    const parts = plan.file.strands.flatMap((x) => x.stations[0]!.intakes.filter((i) => i.origin.from === 'strand').map((i) => i.amount));
    expect(parts).toEqual(['rest', { pct: 50 }]);
    const [base] = recipe.strands;
    expect(base!.flatMap((x) => x.puts.map((p) => recipe.things[p.thing]!.item.id))).toContain('salt_fine');
  });
  it.each([
    ['is only brought to the boil', 'Bring the vinegar to the boil, add the fresnos and blend.', 2],
    ['simmers as long as is said', 'Simmer the fresnos in the vinegar for 25 minutes and blend.', 25],
  ])('a pot that %s', (_, method, minutes) => {
    const { plan } = planned(`300 g fresnos\n300 ml cider vinegar\n${method}`)!;
    const pot = plan.file.strands[0]!.stations.find((x) => x.kind === 'simmer')!;
    expect((pot.params as { minutes: number }).minutes).toBe(minutes);
  });
  it('fifty kilograms in brine are several jars', () => {
    const { plan } = planned(
      '30 kg fresnos\n900 g salt\n30 l water\nPack the fresnos into jars with the salt and water and ferment for 3 weeks. Drain, blend and bottle.',
    )!;
    const jar = plan.file.strands[0]!.stations.find((s) => s.kind === 'salt')!.params as { jars: number; jarMl: number };
    expect(jar.jars).toBeGreaterThan(5);
    expect(checkBatchFile(JSON.parse(JSON.stringify(plan.file))).ok).toBe(true);
  });
  it.each(['until ', 'simmer the garlic and ', ',;', '1 ', '('])('a page of "%s" is read in its turn', (words) => {
    expect(readText(words.repeat(30_000), { kitchen: 'metric', own: [] }).lines).toHaveLength(1);
  });
});
