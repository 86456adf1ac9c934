import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ingredient, KITCHENS, readLine, readList, type Ingredient } from '../src';
import { ASKING, LINES, type Line } from './reader.lines';

function right([kitchen, line, id, grams, assumed]: Line): boolean {
  const [item] = readLine(line, kitchen);
  if (!item || item.ask || item.id !== id || item.massG === null) return false;
  const near = Math.abs(item.massG - grams) <= Math.max(0.02, grams * 0.01);
  return near && (assumed === undefined || item.assumed.some((a) => a.includes(assumed)));
}

describe('ingredient lines as people write them', () => {
  it('at least 120 lines of three countries, at least 95 % right, the rest ask', () => {
    expect(LINES.length).toBeGreaterThanOrEqual(120);
    const wrong = LINES.filter((l) => !right(l));
    expect(
      wrong
        .map((l) => `${l[0]}: ${l[1]}`)
        .slice(0, 8)
        .join('\n'),
    ).toBe('');
    expect(1 - wrong.length / LINES.length).toBeGreaterThanOrEqual(0.95);
    for (const [kitchen, line] of wrong) expect(readLine(line, kitchen)[0]!.ask, line).not.toBeNull();
  });
  it.each(ASKING)('%s: "%s" is asked, not guessed', (kitchen, line) => {
    const [item] = readLine(line, kitchen);
    expect(item!.massG).toBeNull();
    expect(item!.ask!.ask).toMatch(/[.?]$/);
  });
  it('every answer that is offered can be read', () => {
    for (const [kitchen, line] of ASKING) {
      for (const option of readLine(line, kitchen)[0]!.ask!.options) {
        const [again] = readLine(option.line, kitchen);
        expect(again!.massG, `${line} -> ${option.line}`).not.toBeNull();
      }
    }
  });
  it('juice and zest of a fruit are two things', () => {
    expect(readLine('zest and juice of 2 limes', 'uk').map((i) => [i.id, i.massG])).toEqual([
      ['lime_zest', 6],
      ['lime_juice', 60],
    ]);
  });
  it('a pasted list loses headings and empty lines, nothing else', () => {
    const items = readList('For the paste:\n\n- 3 cloves garlic\n- 2 cups unobtainium\n* salt to taste\n', 'metric');
    expect(items.map((i) => i.text)).toEqual(['- 3 cloves garlic', '- 2 cups unobtainium', '* salt to taste']);
    expect(items.map((i) => i.ask === null)).toEqual([true, false, false]);
  });
  it("knows the maker's own ingredients before the table", () => {
    const plum: Ingredient = { ...ingredient('peach'), key: 'own_plum', name: 'Beach plum', pieces: { plum: 20 } };
    expect(readLine('5 beach plums', 'metric', [plum])[0]).toMatchObject({ id: 'own_plum', massG: 100, ask: null });
  });
  it('never throws, whatever is pasted', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 400 }), fc.constantFrom(...KITCHENS), (text, kitchen) => {
        for (const item of readLine(text, kitchen)) {
          expect(item.ask !== null || (item.massG !== null && Number.isFinite(item.massG) && item.massG >= 0)).toBe(true);
        }
      }),
      { seed: 5, numRuns: 400 },
    );
  });
  it('is long lines proof', () => {
    expect(readLine('1 '.repeat(5000), 'metric')[0]!.text.length).toBeLessThanOrEqual(300);
  });
});
