import { describe, expect, it } from 'vitest';
import { INGREDIENTS, planRecipe, readText, stationIn } from '../src';

const TODAY = '2026-11-20';
const LIST = ['500 g red jalapeños', '500 ml water', '20 g salt', '50 ml cider vinegar'];

/** What a recipe of half a kilo of pods in half a litre of brine makes, told by these sentences. */
function made(method: string) {
  const text = [...LIST, method].join('\n');
  const { items, recipe } = readText(text, { kitchen: 'metric', own: [] });
  return planRecipe(
    {
      ...{ name: 'Left', startDate: TODAY, goal: { lowShu: 100, highShu: 2_000_000, bottles: 1, bottleMl: 100 }, rows: INGREDIENTS },
      ...{ boughtId: 'bought', items, recipe, text, asMade: true, idOf: (n) => `lot-${n}` },
    },
    TODAY,
  );
}
const blendOf = (method: string) => made(method).line.find((s) => s.kind === 'blend')!;
const brineG = (method: string) => blendOf(method).things.find((t) => t.name === 'brine')?.g ?? 0;

describe('what a station leaves goes back in', () => {
  const jar = (sentence: string) =>
    `Slice the jalapeños and pack them into a jar. Dissolve the salt in the water and pour over. Ferment for two weeks. Drain. ${sentence} Bottle.`;
  const leftG = brineG(jar('Blend with the vinegar and the brine.'));
  it.each([
    ['Blend with the vinegar and 100 ml of the brine.', 102],
    ['Blend with the vinegar and half of the brine.', leftG / 2],
    ['Blend with 1/4 cup of the reserved brine and the vinegar.', 63.75],
    ['Blend with the vinegar and 3 litres of the brine.', leftG],
    ['Blend with the vinegar.', 0],
  ])('%s', (sentence, g) => expect(brineG(jar(sentence))).toBeCloseTo(g, 0));
  it('more than there is, is all of it', () => {
    const blend = stationIn(made(jar('Blend with the vinegar and 3 litres of the brine.')).file, 'blend')!;
    expect(blend.intakes.find((i) => i.origin.from === 'side')!.amount).toEqual({ pct: 100 });
  });
  it('the brine is what the jar left: no more than went in, and it carries its salt', () => {
    expect(leftG).toBeGreaterThan(300);
    expect(leftG).toBeLessThan(520);
    const salt = ({ sauce }: ReturnType<typeof made>) => (sauce.saltPct * sauce.massG) / 100;
    expect(salt(made(jar('Blend with the vinegar and the brine.')))).toBeGreaterThan(1.4 * salt(made(jar('Blend with the vinegar.'))));
  });
});

describe('a jar that stands in the fridge after it soured', () => {
  const jar = (stands: string) =>
    `Pack the jalapeños into a jar with the salt and water. Ferment two weeks${stands}. Drain. Blend with the vinegar and half of the brine. Bottle.`;
  const kinds = (stands: string) =>
    made(jar(stands))
      .line.map((s) => s.kind)
      .join(' ');
  it('a week of it is a step; months are told in words, and are no shorter time in numbers', () => {
    expect(kinds(', then move to the fridge for a week')).toBe('prep salt ferment rest drain blend bottle');
    const months = ', then move to the fridge for three months';
    expect(kinds(months)).toBe('prep salt ferment drain blend bottle');
    const ferment = stationIn(made(jar(months)).file, 'ferment')!;
    expect(ferment.log.note).toContain('three months');
    expect(ferment.params).toMatchObject({ days: 14 });
  });
  it('it is drained where that is said, and leaves as much brine as it would have left before', () => {
    expect(brineG(jar(', then move to the fridge for a week'))).toBeCloseTo(brineG(jar('')), 0);
  });
});
