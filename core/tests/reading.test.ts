import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  asText,
  INGREDIENTS,
  inSpoons,
  KITCHENS,
  lineKind,
  planRecipe,
  readLine,
  readText,
  recipeIn,
  stationsOf,
  stoodIn,
  weighWays,
  type Plan,
} from '../src';
import { LINES_LATER, LINES_MEANT as MEANT, RECIPES, RECIPES_LATER, type MeantRecipe } from './readingCorpus';
import { lineVerdict, readOf, recipeVerdict, written } from './readingScore';

const THINGS = MEANT.filter(([, , meant]) => meant !== '-');

describe('lines as people say and write them', () => {
  it(`${MEANT.length} lines: at least 96 in 100 right, none wrong in silence`, () => {
    expect(MEANT.length).toBeGreaterThanOrEqual(300);
    const verdicts = THINGS.map((m) => [lineVerdict(m), m.join(' | ')] as const);
    expect(verdicts.filter(([v]) => v === 'wrong')).toEqual([]);
    expect(
      verdicts.filter(([v]) => v === 'right').length / THINGS.length,
      verdicts.filter(([v]) => v !== 'right').join('\n'),
    ).toBeGreaterThanOrEqual(0.96);
  });
  it('what is no thing is none: titles, yields, headings, sentences', () => {
    const none = MEANT.filter(([, , meant]) => meant === '-');
    expect(none.filter(([, line]) => lineKind(line, false, /sauce$/.test(line)) === 'thing')).toEqual([]);
    expect(THINGS.filter(([, line]) => lineKind(line) !== 'thing')).toEqual([]);
  });
  it(`${LINES_LATER.length} more, written later: 68 were right at first sight, 3 wrong; now all`, () => {
    expect(LINES_LATER.filter((m) => lineVerdict(m) !== 'right').map((m) => m.join(' | '))).toEqual([]);
  });
  it('bullets, capitals, and words that mean nothing change no gram', () => {
    const plain = THINGS.filter((m) => !m[2].includes('?') && lineVerdict(m) === 'right');
    for (const [kitchen, line] of plain) {
      const grams = readLine(line, kitchen).map((i) => i.massG);
      for (const other of [`- ${line}`, `  • ${line}  `, `${line}.`, `${line} (organic, if you can)`])
        expect(
          readLine(other, kitchen).map((i) => i.massG),
          other,
        ).toEqual(grams);
    }
  });
  it('two ways of one amount agree in any order and punctuation, and are never added', () => {
    const ways: [string, string, string, number][] = [
      ['sugar', '1 cup', '200 g', 200],
      ['cider vinegar', '1/2 cup', '120 g', 120],
      ['honey', '2 tbsp', '42 g', 42],
      ['carrots', '1 lb', '450 g', 450],
      ['onion', '1 large', '150 g', 150],
    ];
    for (const [name, said, weighed, g] of ways)
      for (const line of [
        `${said} ${name}, ${weighed}`,
        `${weighed} ${name} (${said})`,
        `${said} (${weighed}) ${name}`,
        `${weighed} (${said}) ${name}`,
        `${name}, ${said}, ${weighed}`,
        `${name}: ${weighed} / ${said}`,
        `${said} or ${weighed} ${name}`,
        `${weighed}, ${said}, of ${name}`,
      ]) {
        const items = readLine(line, 'us');
        expect([items.length, items[0]!.ask, items[0]!.massG], line).toEqual([1, null, g]);
      }
  });
  it('what is written in spoons is read back in every kitchen', () => {
    for (const kitchen of KITCHENS)
      for (const row of INGREDIENTS.filter((r) =>
        ['sugar_white', 'salt_fine', 'vinegar_cider', 'honey', 'soy_sauce', 'cumin_ground'].includes(r.key),
      ))
        for (const g of [3, 20, 90, 400]) {
          const said = inSpoons(row, g, kitchen);
          if (said === '') continue;
          const [item] = readLine(`${said} of ${row.key === 'cumin_ground' ? 'cumin' : row.name.split(',')[0]!.toLowerCase()}`, kitchen);
          const step = g < 14 ? 1.6 : 0.14 * g + 4;
          if (item?.ask === null) expect(Math.abs(item.massG! - g), `${said} ${row.key}`).toBeLessThan(step);
        }
  });
  it('a question has answers that keep the amount, a usual one where none was said', () => {
    const answers = (line: string) => readLine(line, 'metric')[0]!.ask!.answers.map((a) => [a.id, Math.round(a.massG)]);
    expect(answers('2 spoons of fresh pineapple')).toEqual([
      ['pineapple', 7],
      ['pineapple', 21],
    ]);
    expect(answers('salt to taste')).toEqual([['salt_fine', 6]]);
    expect(answers('a jar of honey')).toEqual([['honey', 340]]);
    expect(answers('a cup of brown sugar, 600 g').map(([, g]) => g)).toEqual([600, 232]);
    expect(answers('a few carrots')).toEqual([
      ['carrot', 122],
      ['carrot', 183],
      ['carrot', 305],
    ]);
  });
  it('no text throws or loses a named amount, whatever words stand in it', () => {
    const words = fc.constantFrom(
      ...'a one two half 3 1/2 cup tbsp g 200 garlic salt lime juice of and or , ( ) ; . - + each red hot peppers juice zest tin jar some blend simmer unicorn'.split(
        ' ',
      ),
    );
    fc.assert(
      fc.property(fc.array(words, { maxLength: 18 }), fc.constantFrom(...KITCHENS), (list, kitchen) => {
        const text = list.join(' ');
        for (const i of readLine(text, kitchen)) {
          expect(i.ask !== null || (Number.isFinite(i.massG) && i.massG! >= 0), text).toBe(true);
          for (const a of i.ask?.answers ?? []) expect(a.massG, text).toBeGreaterThanOrEqual(0);
        }
        const { recipe } = readText(text, { kitchen, own: [] });
        for (const t of recipe?.things ?? []) expect(t.left, text).toBeLessThan(1e-6);
      }),
      { seed: 26, numRuns: 400 },
    );
    expect(() =>
      weighWays([], [], { key: 'x', name: 'X', pieces: {}, measure: { cup: 0, tbsp: 0, tsp: 0 }, density: 1 }, 'metric', 'g', []),
    ).toThrow();
  });
});

describe('the method becomes the line', () => {
  it.each(RECIPES.map((r, n) => [n, r.manner, r] as const))('recipe %d, %s', (_, __, recipe) => {
    const verdict = recipeVerdict(recipe);
    expect(verdict.lost).toEqual([]);
    expect(verdict.got.join('\n')).toBe(verdict.order && verdict.times && verdict.places ? verdict.got.join('\n') : recipe.line.join('\n'));
  });
  it('whatever is weighed in a recipe has that weight, read by a pattern and nothing else', () => {
    let weighed = 0;
    for (const r of [...RECIPES, ...RECIPES_LATER]) {
      const page = recipeIn(r.text);
      const { items } = readText(page ? asText(page) : r.text, { kitchen: r.kitchen, own: [] });
      for (const i of items) {
        const said = [...i.text.matchAll(/(\d+(?:[.,]\d+)?)\s*(kg|g|grams?)\b/g)];
        const alone = said.length === 1 && items.filter((x) => x.text === i.text).length === 1;
        if (!alone || i.ask || /half and half/.test(r.text) || /\b(?:each|x|plus|and a half|per)\b|\d\s*[-–]\s*\d|%/.test(i.text)) continue;
        weighed++;
        expect(i.massG, i.text).toBeCloseTo(Number(said[0]![1]!.replace(',', '.')) * (said[0]![2] === 'kg' ? 1000 : 1), 6);
      }
    }
    expect(weighed).toBeGreaterThan(250);
  });
  it(`${RECIPES_LATER.length} more in twenty-six rounds: 218 had their stations in order at first sight, 157 everything in place; now all`, () => {
    const off = RECIPES_LATER.filter((r) => {
      const v = recipeVerdict(r);
      return !(v.order && v.places && v.lost.length === 0);
    });
    expect(off.map((r) => `${r.text.slice(0, 200)}\n${recipeVerdict(r).got.join('\n')}`)).toEqual([]);
  });
  const planOf = (r: Pick<MeantRecipe, 'text' | 'kitchen'>): Plan => {
    const recipe = readOf(r);
    const goal = { lowShu: 100, highShu: 2_000_000, bottles: 1, bottleMl: 100 };
    return planRecipe(
      {
        name: 'R',
        startDate: '2026-11-30',
        goal,
        rows: INGREDIENTS,
        boughtId: 'b',
        items: [],
        recipe,
        text: r.text,
        idOf: (n) => `p${n}`,
        asMade: true,
      },
      '2026-11-30',
    );
  };
  it.each(RECIPES.map((r, n) => [n, r] as const))('recipe %d runs as it is, with all of its grams', (_, recipe) => {
    const plan = planOf(recipe);
    const kinds = new Set(
      readOf(recipe)!
        .strands.flat()
        .map((s) => s.kind),
    );
    for (const { entry } of stationsOf(plan.file)) if (entry.kind !== 'prep') expect(kinds).toContain(entry.kind);
    const said = readOf(recipe)!.things.reduce((sum, t) => sum + (t.item.ask ? 0 : (t.g ?? 0)), 0);
    // What goes in by the file, and what a jar, a soak or a press brings by its own parameters.
    const made = plan.line.reduce((sum, s) => sum + s.things.reduce((x, t) => x + t.g, 0), 0);
    const own = ['salt', 'soak', 'press'].some((k) => kinds.has(k as never));
    if (own) expect(made).toBeLessThanOrEqual(said + 0.5);
    else expect(made).toBeCloseTo(said, 0);
  });
  it.each([
    "1 cup soy sauce\n5 red bird's eye chillies\nChop the chillies, stir them into the soy sauce and leave for an hour. Bottle.",
    "60 ml fish sauce\n40 ml lime juice\n6 red bird's eye chillies\nMix everything and leave for an hour. Bottle.",
    "5 tbsp mirin\n2 red bird's eye chillies\n1 tsp salt\nSimmer everything 3 minutes. Bottle.",
  ])('a table sauce is no slip of the finger: %s', (text) => {
    expect(planOf({ kitchen: 'us', text }).sauce.massG).toBeGreaterThan(40);
  });
  it('what is to be bought says by when it is needed', () => {
    const text =
      '400 g fresnos\n20 g salt\n600 ml water\n60 ml cider vinegar\nPack the fresnos into a jar with the salt and water and ferment for 3 weeks. Drain, blend with the vinegar and bottle.';
    const { toBuy } = planOf({ kitchen: 'metric', text });
    expect(toBuy.map((t) => [t.id ?? t.name, t.by])).toEqual([
      ['Fresno, red', '2026-11-30'],
      ['Salt, fine / table / pickling', '2026-11-30'],
      ['vinegar_cider', '2026-12-21'],
    ]);
  });
  it('a jar of a recipe holds its salt and water to the gram', () => {
    const plan = planOf({
      kitchen: 'metric',
      text: '400 g fresnos\n20 g salt\n600 ml water\nPack the fresnos into a jar with the salt and water. Ferment for 3 weeks. Drain, blend and bottle.',
    });
    const jar = plan.file.strands[0]!.stations.find((s) => s.kind === 'salt')!;
    const added = plan.line.find((s) => s.id === jar.id)!.massG - plan.line[0]!.massG;
    expect(added).toBeCloseTo(598.8 + 20, 0);
  });
  it('"half", "the rest", "except" and a second amount share a thing out, and lose none of it', () => {
    const r = readOf({
      kitchen: 'metric',
      text: '300 ml cider vinegar\n200 g fresnos\n60 g sugar\nSimmer the fresnos in a third of the vinegar for 5 minutes. Add half the sugar. Blend with the rest of the vinegar. Strain. Stir in the remaining sugar. Bottle.',
    })!;
    const ml = r.things[0]!.g!;
    const part = (x: number) => Math.round(100 * ml * x) / 100;
    expect(written(r)).toEqual([
      `simmer 5: fresno_red 200, vinegar_cider ${part(1 / 3)} > blend: sugar_white 30, vinegar_cider ${part(2 / 3)} > strain > trim: sugar_white 30 > bottle`,
    ]);
  });
  it('the maker moves a thing, answers a question, leaves one out: the text stays', () => {
    const text = '200 g fresnos\n5 red chillies\n100 ml white vinegar\nsalt and pepper\nSimmer everything 5 minutes. Blend. Bottle it hot.';
    const read = (more: object) => readText(text, { kitchen: 'metric', own: [], ...more });
    expect(
      read({})
        .items.filter((i) => i.ask)
        .map((i) => i.text),
    ).toEqual(['5 red chillies']);
    // Salt and pepper have a usual amount until the maker says.
    expect(
      read({})
        .items.filter((i) => i.usual)
        .map((i) => i.massG),
    ).toEqual([6, 1]);
    const key = '5 red chillies|red chili';
    expect(Object.keys(read({}).items.reduce((all, i) => ({ ...all, [`${i.text}|${i.name}`]: 1 }), {}))).toContain(key);
    expect(read({ answers: { [key]: 'out' } }).items).toHaveLength(4);
    const answers = { [key]: { say: 'habanero, 45 g', store: 'larder', id: 'habanero', massG: 45 } };
    expect(written(read({ answers }).recipe!)[0]).toMatch(/habanero 45/);
    const moved = read({ answers, moves: { [`100 ml white vinegar|${read({}).items[2]!.name}`]: '0.1' } });
    expect(written(moved.recipe!)[0]).toMatch(/blend: vinegar_distilled_5 100\.6/);
    const pieces = read({})
      .recipe!.method[0]!.map((p) => p.text)
      .join('');
    expect(pieces.replace(/\s/g, '')).toBe(text.split('\n')[4]!.replace(/\s/g, ''));
  });
  it('no method is no line: a style places the things', () => {
    expect(readText('200 g fresnos\n100 ml vinegar', { kitchen: 'metric', own: [] }).recipe).toBeNull();
  });
  it('steps of a page may be strings, sections, or one text with marks', () => {
    const of = (recipeInstructions: unknown) =>
      recipeIn(JSON.stringify({ '@type': 'Recipe', name: 'A', recipeIngredient: ['1 onion'], recipeInstructions }))!.steps;
    expect(of(['Chop it.', 'Fry it.'])).toEqual(['Chop it.', 'Fry it.']);
    expect(of([{ '@type': 'HowToSection', itemListElement: [{ text: 'Chop &amp; fry.' }] }])).toEqual(['Chop & fry.']);
    expect(of('<p>Chop it.</p><p>Fry it.</p>')).toEqual(['Chop it.', 'Fry it.']);
  });
});

describe('what was done before today', () => {
  it.each([
    [
      'Packed two weeks ago. pH 4.4 on day 5, pH 3.9 yesterday',
      '2026-11-16',
      [
        ['2026-11-21', 4.4],
        ['2026-11-29', 3.9],
      ],
    ],
    ['packed on the 12th', '2026-11-12', []],
    ['fermented since 3 November', '2026-11-03', []],
    ['fermenting for 10 days, pH 4.1 after 1 week', '2026-11-20', [['2026-11-27', 4.1]]],
    ['started on 2026-11-02', '2026-11-02', []],
    ['packed on the 31st of February', null, []],
    ['Ferment for 14 days', null, []],
    ['packed 900 days ago', null, []],
  ] as const)('%s', (text, since, readings) => {
    const stood = stoodIn(text, '2026-11-30');
    expect([stood?.since ?? null, (stood?.readings ?? []).map((r) => [r.day, r.pH])]).toEqual([since, readings]);
  });
});
