import { readFileSync, readdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import Ajv from 'ajv';
import { describe, expect, it } from 'vitest';
import { cardJsonLd, cardText, gramsOf, intakesOf, readLine, recipeCard, recipeIn, type BatchFile } from '../src';
import { checkBatchFile } from '../../contract/src/validate';

const DIR = fileURLToPath(new URL('../../examples/', import.meta.url));
const EXAMPLES = readdirSync(DIR)
  .filter((f) => f.endsWith('.json'))
  .map((f) => [f, JSON.parse(readFileSync(DIR + f, 'utf8')) as unknown] as const);
const fileOf = (x: unknown): BatchFile => {
  const checked = checkBatchFile(x);
  if (!checked.ok) throw new Error(checked.errors[0]!.message);
  return checked.file;
};
// schema.org/Recipe: the properties used here and their expected types (schema.org, Recipe, HowToStep, Duration; from memory).
const RECIPE = {
  type: 'object',
  required: ['@context', '@type', 'name', 'recipeIngredient', 'recipeInstructions'],
  properties: {
    '@context': { const: 'https://schema.org' },
    '@type': { const: 'Recipe' },
    name: { type: 'string', minLength: 1 },
    description: { type: 'string' },
    recipeYield: { type: 'string' },
    recipeCategory: { type: 'string' },
    prepTime: { type: 'string', pattern: '^P(?=.)(\\d+D)?(T(?=.)(\\d+H)?(\\d+M)?)?$' },
    totalTime: { type: 'string', pattern: '^P(?=.)(\\d+D)?(T(?=.)(\\d+H)?(\\d+M)?)?$' },
    recipeIngredient: { type: 'array', minItems: 1, items: { type: 'string', minLength: 3 } },
    recipeInstructions: {
      type: 'array',
      items: {
        type: 'object',
        required: ['@type', 'text'],
        properties: {
          '@type': { const: 'HowToStep' },
          position: { type: 'integer', minimum: 1 },
          name: { type: 'string' },
          text: { type: 'string', minLength: 3 },
        },
        additionalProperties: false,
      },
    },
  },
  additionalProperties: false,
};
const valid = new Ajv().compile(RECIPE);

describe('a batch as a recipe', () => {
  it.each(EXAMPLES)('%s: a valid Recipe, every gram of it in the list, and it is read in again', (_, json) => {
    const file = fileOf(json);
    const card = recipeCard(file, '2026-11-26');
    const ld = cardJsonLd(card);
    expect(valid(ld), JSON.stringify(valid.errors)).toBe(true);
    // Every larder gram of the file stands in a line, and the reader finds it again by its own rules.
    const back = recipeIn(JSON.stringify(ld))!;
    expect(back.ingredients).toEqual(card.ingredients);
    const grams = (line: string) => Number(/^([\d.]+) g /.exec(line)?.[1]);
    const put = intakesOf(file).filter(
      ({ intake }) => ['larder', 'pods', 'stored'].includes(intake.origin.from) && (gramsOf(intake.amount) ?? 0) > 0,
    );
    const total = put.reduce((s, { intake }) => s + gramsOf(intake.amount)!, 0);
    const said = card.ingredients.map(grams);
    expect(said.every((g) => g > 0)).toBe(true);
    expect(said.reduce((a, b) => a + b, 0)).toBeGreaterThan(total - put.length);
    let asked = 0;
    for (const { intake } of put) {
      if (intake.origin.from !== 'larder') continue;
      const row = file.ingredients.find((i) => i.key === (intake.origin as { key: string }).key)!;
      const g = gramsOf(intake.amount)!;
      const figure = `${g < 10 ? Math.round(g * 10) / 10 : Math.round(g)} g `;
      const short = row.name.split(/[,/]/)[0]!.trim().toLowerCase();
      // By its short name, or by one that says which row it is.
      const line = card.ingredients.find(
        (l) => l.startsWith(figure) && (l.startsWith(figure + short) || readLine(l, 'metric')[0]!.id === row.key),
      );
      expect(line, row.key).toBeDefined();
      const [read] = readLine(line!, 'metric', [row]);
      if (read!.ask) asked++;
      else expect(Math.abs(read!.massG! - gramsOf(intake.amount)!)).toBeLessThan(0.6);
    }
    // A few names are asked about ("chili powder": which?), most are not.
    expect(asked).toBeLessThanOrEqual(Math.ceil(put.length / 3));
    expect(cardText(card)).toContain(card.ingredients[0]!);
    expect(cardText(card)).not.toMatch(/NaN|undefined|Infinity/);
  });
});

describe('recipes that are pasted', () => {
  it.each([
    ['JSON-LD', '{"@context":"https://schema.org","@type":"Recipe","name":"A","recipeIngredient":["1 cup vinegar","2 cloves garlic"]}'],
    [
      'a graph',
      '{"@graph":[{"@type":"WebPage"},{"@type":["Thing","Recipe"],"name":"A","recipeIngredient":["1 cup vinegar","2 cloves garlic"]}]}',
    ],
    [
      'a page',
      '<html><script type="application/ld+json">{"@type":"Organization"}</script><script type=\'application/ld+json\'>[{"@type":"http://schema.org/Recipe","name":"A","recipeIngredient":["1 cup vinegar","2 cloves <b>garlic</b>"]}]</script></html>',
    ],
    ['entities', '{"@type":"Recipe","name":"A","recipeIngredient":["1 cup&nbsp;vinegar","2 cloves garlic"]}'],
  ])('%s', (_, text) => expect(recipeIn(text)).toEqual({ name: 'A', ingredients: ['1 cup vinegar', '2 cloves garlic'], steps: [] }));
  it.each([
    '',
    '1 cup vinegar\n2 cloves garlic',
    '{',
    '[]',
    '{"@type":"Recipe"}',
    '{"@type":"Recipe","recipeIngredient":"x"',
    '<script type="application/ld+json">{oops</script>',
    '{"a":'.repeat(3000),
    '["'.repeat(500),
  ])('what is none is left as it is: %s', (text) => expect(recipeIn(text)).toBeNull());
  it('a page of megabytes made to be slow is passed once: each letter again and again would take an hour', () => {
    const recipe = (thing: string) => `<script type="application/ld+json">{"@type":"Recipe","recipeIngredient":["${thing}"]}</script>`;
    const open = '<script type="application/ld+json">';
    for (const slow of ['<script'.repeat(300_000), open.repeat(60_000), `${open}${'<'.repeat(1e6)}`]) expect(recipeIn(slow)).toBeNull();
    expect(recipeIn(`${'<script>x</SCRIPT >'.repeat(40_000)}${recipe('1 cup vinegar')}`)!.ingredients).toEqual(['1 cup vinegar']);
    expect(recipeIn(recipe(`1 cup ${'<b'.repeat(300_000)} vinegar`))!.ingredients[0]).toMatch(/^1 cup .*vinegar$/);
  });
});
