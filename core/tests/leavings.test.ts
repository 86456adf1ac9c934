import { describe, expect, it } from 'vitest';
import { INGREDIENTS, planRecipe, readText, stationIn } from '../src';

const TODAY = '2026-11-20';
describe('what a station leaves goes back in', () => {
  const made = (sentence: string) => {
    const text = `500 g red jalapeños\n500 ml water\n20 g salt\n50 ml cider vinegar\nSlice the jalapeños and pack them into a jar. Dissolve the salt in the water and pour over. Ferment for two weeks. Drain. ${sentence} Bottle.`;
    const { items, recipe } = readText(text, { kitchen: 'metric', own: [] });
    return planRecipe(
      {
        ...{ name: 'Left', startDate: TODAY, goal: { lowShu: 100, highShu: 2_000_000, bottles: 1, bottleMl: 100 }, rows: INGREDIENTS },
        ...{ boughtId: 'bought', items, recipe, text, asMade: true, idOf: (n) => `lot-${n}` },
      },
      TODAY,
    );
  };
  const brineIn = (sentence: string) =>
    made(sentence)
      .line.find((s) => s.kind === 'blend')!
      .things.find((t) => t.name === 'brine')?.g ?? 0;
  const leftG = brineIn('Blend with the vinegar and the brine.');
  it.each([
    ['Blend with the vinegar and 100 ml of the brine.', 102],
    ['Blend with the vinegar and half of the brine.', leftG / 2],
    ['Blend with 1/4 cup of the reserved brine and the vinegar.', 63.75],
    ['Blend with the vinegar and 3 litres of the brine.', leftG],
    ['Blend with the vinegar.', 0],
  ])('%s', (sentence, g) => expect(brineIn(sentence)).toBeCloseTo(g, 0));
  it('more than there is, is all of it', () => {
    const blend = stationIn(made('Blend with the vinegar and 3 litres of the brine.').file, 'blend')!;
    expect(blend.intakes.find((i) => i.origin.from === 'side')!.amount).toEqual({ pct: 100 });
  });
  it('the brine is what the jar left: no more than went in, and it carries its salt', () => {
    expect(leftG).toBeGreaterThan(300);
    expect(leftG).toBeLessThan(520);
    const salt = (s: string) => (made(s).sauce.saltPct * made(s).sauce.massG) / 100;
    expect(salt('Blend with the vinegar and the brine.')).toBeGreaterThan(1.4 * salt('Blend with the vinegar.'));
  });
});
