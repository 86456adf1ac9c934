import { describe, expect, it } from 'vitest';
import {
  bodyOf,
  ingredient,
  ingredientStream,
  heatWord,
  readLine,
  retained,
  runUpTo,
  variety,
  TYPICAL,
  type BatchFile,
  type Eaten,
} from '../src';
import { end, grams, instead, ml, step, swapped, times, told } from './practice';
import { A, B, withoutSieve, C, D, E, F, G, less, H, I, J, K, L, M } from './practiceSauces';

/**
 * Measured facts of the trade, of thirteen sauces (common practice, no source), against what the product says of the same
 * sauce. A fact that hangs on an amount nobody gave, or on nothing that is worked out, is not asked.
 */
type Fact = [id: string, what: string, stated: string, predicted: () => string | number, inside: (p: never) => boolean];
const num = (id: string, what: string, stated: string, low: number, high: number, predicted: () => number): Fact => [
  id,
  what,
  `${stated} (${low} to ${high})`,
  predicted,
  ((p: number) => p >= low && p <= high) as (p: never) => boolean,
];
const word = (id: string, what: string, words: readonly string[], predicted: () => string): Fact => [
  id,
  what,
  words.join(' or '),
  predicted,
  ((p: string) => words.includes(p)) as (p: never) => boolean,
];
/** True for what holds; the reason it was asked stands in the text. */
const holds = (id: string, what: string, predicted: () => boolean): Fact => [
  id,
  what,
  'yes',
  () => (predicted() ? 'yes' : 'no'),
  ((p: string) => p === 'yes') as (p: never) => boolean,
];
const MEDIUM = ['medium', 'hot'];
const MILD = ['mild', 'medium'];
const TOP = ['fierce', 'extreme'];
const wordOf = (file: BatchFile, eaten: Eaten = end(file).eaten) => heatWord(end(file).finished.heatShu, eaten);
const body = (file: BatchFile) => end(file).finished.body ?? 0;
const heat = (file: BatchFile) => end(file).finished.heatShu;
const ph = (file: BatchFile) => end(file).finished.pH!;
const hands = (file: BatchFile) => told(file).stations.reduce((s, x) => s + (x.kind === 'bottle' ? 0 : x.minutes.hands), 0);
const clock = (file: BatchFile) => told(file).stations.reduce((s, x) => s + (x.kind === 'bottle' ? 0 : x.minutes.clock), 0);
const keeps = (file: BatchFile) => end(file).keeping!;
const cold = (file: BatchFile, low: number, high: number) =>
  keeps(file).place === 'fridge' && keeps(file).days >= low && keeps(file).days <= high;

const bodyAfter = (file: BatchFile, id: string, tempC: number) => bodyOf(runUpTo(file, id).out, 0, tempC) ?? 0;

const FACTS: Fact[] = [
  num('A1', '15 pods, g', 'about 15', 13 * 9, 17 * 9, () => grams('15 scotch bonnets')),
  num('A2', 'jug loads', '2', 1, 2, () => step(A, 'blend').facts!.loads),
  num('A3', 'bits, far from soup: body', 'coarse', 4.5, 7, () => body(A)),
  word('A4', 'heat, a little beside food', TOP, () => wordOf(A)),
  word('A6', 'habanero instead', [wordOf(A)], () => wordOf(swapped(A, instead('scotch-bonnet-red', 'habanero-orange')))),
  num('A7', 'scorpion type, times', 'far hotter', 2, 20, () => heat(swapped(A, instead('scotch-bonnet-red', 'scorpion-red'))) / heat(A)),
  num('A8', 'cilantro for culantro: heat', 'same', 0.97, 1.03, () => heat(swapped(A, instead('culantro', 'cilantro'))) / heat(A)),
  num('A9', 'jars boiled, min', 'not 20 s', 10, 20, () => step(A, 'bottle').facts!.sterilisingMin),
  holds('A10', 'not on the counter without a measured pH', () => keeps(A).place === 'fridge'),
  holds('A11', 'cold, and not without end', () => cold(A, 1, 190)),
  holds('A12', 'never for years in the sun', () => keeps(A).place === 'fridge' && keeps(A).days < 365),
  num(
    'A13',
    'rum: heat by its dilution alone',
    'accepted',
    0.9,
    1,
    () => heat(swapped(A, (i) => (i.id.startsWith('culantro') ? { ...i, origin: { from: 'larder', key: 'rum' } } : i))) / heat(A),
  ),
  holds('A14', 'more limes: sourer', () => ph(swapped(A, times(2, 'lime_juice'))) < ph(A)),
  num('A15', 'all of it, min', 'no minutes', 10, 25, () => hands(A)),
  num('B1', '1 cup vinegar, ml', '1 cup', 236, 250, () => ml('1 cup white vinegar', 'vinegar_distilled_5')),
  num('B3', 'boil-off of the liquid, %', 'hardly any', 0, 20, () => (100 * step(B, 'simmer').facts!.steamG) / grams('1 cup white vinegar')),
  word('B4', 'clearly hot, pleasant', ['medium', 'hot'], () => wordOf(B)),
  holds('B5', 'seeds left behind: not hotter', () => heat(B) <= heat(withoutSieve)),
  holds('B6', 'without the sieve a bit hotter', () => heat(withoutSieve) > heat(B) && heat(withoutSieve) < 1.6 * heat(B)),
  num('B7', 'sieve keeps, %', 'more comes', 5, 20, () => step(B, 'strain').facts!.lossPct),
  num('B8', '1 tbsp sugar, g', '1 tbsp', 12, 13, () => grams('1 tbsp sugar')),
  num('B10', 'salt, %', 'not noticed', 0.3, 2.5, () => end(B).finished.saltPct),
  holds('B11', 'small thin pods: thinner', () => body(swapped(B, instead('fresno-red', 'thai-bird'))) <= body(B) + 0.05),
  num('B14', 'a mix of kinds unknown: p90 over p10', 'a range', 1.5, 20, () => {
    const { p10, p90 } = end(swapped(B, instead('cayenne-red', 'jalapeno-red'))).heat;
    return p90 / p10;
  }),
  num('C1', "3 bird's-eye, g", '3', 2, 6, () => grams("3 bird's eye chillies")),
  num('C2', '2 stalks lemongrass, g', '2', 15, 40, () => grams('2 stalks lemongrass')),
  word('C4', 'heat as a dip', MEDIUM, () => wordOf(C)),
  num('C6', 'half the chillies, SHU', 'in step', 0.45, 0.55, () => heat(swapped(C, times(0.5, 'thai-bird'))) / heat(C)),
  holds('C7', 'sour by lime, cold, days', () => ph(C) < 4.5 && cold(C, 1, 14)),
  num('D1', '1 cup brown sugar, g', '200', 190, 220, () => grams('1 cup brown sugar')),
  num('D2', '1/2 cup vinegar, ml', '125', 118, 125, () => ml('1/2 cup rice vinegar', 'vinegar_rice')),
  num('D3', '3 tsp flakes, g', '5', 4.5, 6.5, () => grams('3 tsp red pepper flakes')),
  num('D4', 'all the work, min', '10', 10, 18, () => step(D, 'simmer').minutes.clock),
  num('D7', 'hot, off heat: body', 'a bit runny', 2, 4.5, () => step(D, 'simmer').facts!.bodyHot!),
  num('D8', 'cooled: steps thicker', 'dip', 0.5, 3, () => step(D, 'simmer').facts!.bodyCold! - step(D, 'simmer').facts!.bodyHot!),
  word('D9', 'heat as a dip', MILD, () => wordOf(D)),
  num('D10', '2 cloves garlic, g', '2', 6, 12, () => grams('2 cloves garlic')),
  num('D11', 'salt, %', 'near 0', 0, 0.3, () => end(D).finished.saltPct),
  num('E1', '1 shallot, g', '30', 22, 40, () => grams('1 shallot')),
  num('E2', '3 cloves, g', '12', 9, 15, () => grams('3 cloves garlic')),
  num('E3', '1 tbsp fish sauce, g', '9 is wrong', 15, 18.5, () => grams('1 tbsp fish sauce', 'metric')),
  num('E4', '3 tbsp fish sauce by the spoon, g', '30 by the scale', 49, 55, () => grams('3 tbsp fish sauce', 'metric')),
  num('E5', '120 g tamarind, tbsp', '13 is wrong', 6.5, 8.2, () => 120 / grams('1 tbsp tamarind paste', 'metric')),
  num('E6', '80 g + 1 cup, g', 'more than 120', 300, 330, () => 80 + grams('1 cup water')),
  word('E8', 'hardly hot', ['no heat', 'mild'], () => wordOf(E)),
  num('E9', 'half the chillies, SHU', 'milder', 0.45, 0.55, () => heat(swapped(E, times(0.5, 'guajillo'))) / heat(E)),
  num('E11', 'body before the water', 'sticky', 4.5, 7, () => bodyAfter(E, 'blend', 20)),
  holds('E12', 'a stick leaves bits', () => step(E, 'blend').facts !== null && runUpTo(E, 'blend').out.past.texture !== 'silky'),
  holds('E13', 'sweet, then sour, then salt', () => {
    const f = end(E).finished;
    return f.sweetPct > f.acidPct && f.acidPct > 0 && f.sweetPct > f.saltPct;
  }),
  holds('E14', 'fridge, 1 to 4 weeks', () => cold(E, 7, 30)),
  num('E16', 'salt in all, g of 2 put in', 'from both', 6, 12, () => (step(E, 'simmer').now.saltPct / 100) * step(E, 'simmer').now.massG),
  num('E17', 'to the boil, min', '3 to 8', 3, 8, () => step(E, 'simmer').facts!.heatUpMin + step(E, 'simmer').facts!.minutes),
  num('F1', '1 tsp kosher salt, g', '1 tsp', 2.8, 5, () => grams('1 tsp kosher salt')),
  num('F2', '2 tbsp palm sugar, g', '2 tbsp', 20, 30, () => grams('2 tbsp palm sugar')),
  num('F3', 'steep by the clock, min', 'overnight', 360, 900, () => step(F, 'steep').minutes.clock),
  num('F3b', 'steep by hand, min', '0', 0, 5, () => step(F, 'steep').minutes.hands),
  num('F4', 'boil, min', 'till the sugar is gone', 3, 8, () => step(F, 'simmer').facts!.heatUpMin + step(F, 'simmer').facts!.minutes),
  num('F5', 'jug, min', '5', 4, 6, () => step(F, 'blend').facts!.seconds / 60),
  num('F6', 'fine sieve keeps, %', 'passes easily', 3, 12, () => step(F, 'strain').facts!.lossPct),
  word('F7', 'on bread, with care', ['medium', 'hot', 'very hot'], () => wordOf(F)),
  holds('F8', 'the rib has the heat, seeds barely', () => {
    const { capsaicinoidClass: c, pod } = variety('fresno-red');
    return retained('seedsOut', c, pod!.massFraction).heat > 0.8 && retained('cored', c, pod!.massFraction).heat < 0.4;
  }),
  num('F9', 'sugar, %', 'a trace', 0, 12, () => end(F).finished.sweetPct),
  num('F11', '4 cloves, g', '4', 12, 20, () => grams('4 cloves garlic')),
  num('F12', 'pH', 'under 3.8', 2.8, 3.8, () => ph(F)),
  num('G1', '1 1/2 cups carrot, g', '1 1/2', 165, 210, () => grams('1 1/2 cups chopped carrots')),
  num('G2', '8 tiny cloves, g', '5 to 6 cloves', 15, 30, () => grams('8 small cloves garlic')),
  num('G3', '3 oz vinegar, ml', '3', 84, 90, () => ml('3 oz white vinegar', 'vinegar_distilled_5')),
  num('G3b', '3 oz lime juice, ml', '3', 82, 90, () => ml('3 oz lime juice', 'lime_juice')),
  num('G4', '1/4 cup honey, g', '1/4', 80, 88, () => grams('1/4 cup honey')),
  holds('G7', 'less reduced: runnier', () => body(less) < body(G)),
  word('G8', 'intense, even by the spoon', TOP, () => wordOf(G)),
  holds('G9', 'gloves', () => told(G).cautions.some((c) => /glove/i.test(`${c.text} ${c.why}`))),
  num('G10', 'twice of all: yield', 'x2 works', 1.9, 2.1, () => {
    const two = swapped(G, (i) => (typeof i.amount === 'object' && 'g' in i.amount ? { ...i, amount: { g: 2 * i.amount.g } } : i));
    two.strands[0]!.stations.find((s) => s.kind === 'simmer')!.params = { ...(G.strands[0]!.stations[1]!.params as object), leftG: 900 };
    return step(two, 'blend').now.massG / step(G, 'blend').now.massG;
  }),
  num('G11', 'jugs', '1', 1, 2, () => step(G, 'blend').facts!.loads),
  num('G13', '1 1/2 tsp kosher salt, g', '1 1/2', 4, 8, () => grams('1 1/2 tsp kosher salt')),
  num('G14', '1 medium sweet onion, g', '1', 130, 250, () => grams('1 medium sweet onion')),
  num('G15', '1 tbsp oil, g', '1 tbsp', 13, 15, () => grams('1 tbsp oil')),
  num('G16', 'pH', 'lime and vinegar clearly smelt', 2.8, 4, () => ph(G)),
  holds('H1', 'no amount: it asks', () => readLine('tamarind', 'us', []).every((i) => i.ask !== null || i.massG === null)),
  holds('H2', 'more tamarind: thicker', () => body(swapped(H, times(1.6, 'tamarind_paste'))) > body(H)),
  num('H3', 'reduced until thick: body', 'thick', 4.5, 7, () => body(H)),
  word('H4', 'with grilled sticks', MEDIUM, () => wordOf(H)),
  holds('H5', 'fewer chillies: milder', () => heat(swapped(H, times(0.5, 'arbol'))) < 0.7 * heat(H)),
  num('I2', '1 tbsp starch, g', '1', 7.5, 10, () => grams('1 tbsp cornstarch')),
  num('I3', 'after the starch, hot: body', 'slightly thick', 2.5, 5, () => bodyAfter(I, 'thicken', 90)),
  num('I4', 'cooled: steps thicker', 'thicker', 0.3, 1.6, () => bodyAfter(I, 'thicken', 20) - bodyAfter(I, 'thicken', 90)),
  word('I6', 'large pods', MILD, () => wordOf(I)),
  num('I6b', 'small ones, times', 'much hotter', 3, 40, () => heat(swapped(I, instead('thai-spur-large', 'thai-bird'))) / heat(I)),
  num('I8', 'rice for white vinegar: pH', 'milder', 0, 0.2, () => ph(swapped(I, instead('vinegar_distilled_5', 'vinegar_rice'))) - ph(I)),
  num(
    'I9',
    'soy for fish sauce: its salt',
    'fine',
    0.6,
    1.4,
    () =>
      ingredientStream(ingredient('soy_sauce'), 100, TYPICAL).grams.salt /
      ingredientStream(ingredient('fish_sauce'), 100, TYPICAL).grams.salt,
  ),
  num('I11', 'sugar, %', 'much', 20, 60, () => end(I).finished.sweetPct),
  num(
    'I12',
    'after the starch, min',
    'back to a simmer',
    1,
    3,
    () => (I.strands[0]!.stations.find((s) => s.kind === 'thicken')!.params as { minutes: number }).minutes,
  ),
  num('J1', '3/8 cup, ml', 'just under 90', 86, 94, () => ml('3/8 cup white vinegar', 'vinegar_distilled_5', 'metric')),
  num('J2', '1 1/2 cups passata, g', '410', 360, 430, () => grams('1 1/2 cups passata', 'metric')),
  num('J3', '3/4 tbsp salt, g', 'optional', 12, 15, () => grams('3/4 tbsp salt', 'metric')),
  num('J6', 'thick: body', 'thick', 4, 7, () => body(J)),
  holds('J7', 'cold, not on the counter', () => keeps(J).place === 'fridge'),
  word('J9', 'a dash of cayenne', ['no heat', 'mild', 'medium'], () => wordOf(J)),
  holds('J10', 'Australian tomato sauce asks which', () => {
    const [i] = readLine('1 1/2 cups tomato sauce', 'au', []);
    return i!.ask !== null || /passata|ketchup/i.test(i!.name);
  }),
  num('J11', '3 tbsp Worcestershire sauce, g', '3', 45, 60, () => grams('3 tbsp Worcestershire sauce', 'metric')),
  num('J12', '1 1/2 tbsp mustard, g', '1 1/2', 22, 26, () => grams('1 1/2 tbsp yellow mustard', 'metric')),
  num('J14', '3 tsp lemon, ml', '3', 14, 16, () => ml('3 tsp lemon juice', 'lemon_juice', 'metric')),
  num('J14b', '1 1/2 tsp liquid smoke, ml', '1 1/2', 7, 8, () => ml('1 1/2 tsp liquid smoke', 'liquid_smoke', 'metric')),
  num('J15', 'all of it, ml', '1 bottle', 450, 650, () => end(J).bottles.filledMl + end(J).bottles.overMl),
  holds('J16', 'fridge, 2 to 4 weeks', () => cold(J, 14, 30)),
  num('K4', 'in the pan: body', 'paste', 5, 7, () =>
    bodyAfter(
      swapped(K, (i, e) => (e.kind === 'blend' ? null : i)),
      'blend',
      60,
    ),
  ),
  holds(
    'K5',
    'vinegar and lemon: looser',
    () =>
      body(K) <
      bodyAfter(
        swapped(K, (i, e) => (e.kind === 'blend' && !i.id.startsWith('roasted') ? null : i)),
        'blend',
        20,
      ),
  ),
  word('K6', 'spooned in wraps', ['medium', 'hot'], () => wordOf(K)),
  holds('K8', 'under oil: cold', () => keeps(K).place === 'fridge'),
  num('K9', 'whole clock, min', '15 + 1 + 30', 55, 75, () => clock(K)),
  holds('K10', 'milder pods: milder', () => heat(swapped(K, instead('fresno-red', 'poblano'))) < heat(K)),
  num('L1', '1 avocado, g', 'as much as tomatillo', 120, 180, () => grams('1 avocado')),
  num('L2', '2/3 serrano, g', '2/3', 3, 8, () => (2 / 3) * variety('serrano-green').pod!.massG.typical),
  word('L2b', 'very hot; mild to medium may be said', ['mild', 'medium', 'hot', 'very hot'], () => wordOf(L)),
  num('L3', 'half a lime, ml', '1/2', 10, 20, () => ml('juice of 1/2 lime', 'lime_juice')),
  num('L4', 'all of it, min', '10', 8, 15, () => hands(L)),
  num('L5', 'as a dip: body', 'puree', 4.5, 7, () => body(L)),
  holds('L6', 'cold only', () => keeps(L).place === 'fridge' && end(L).heat.p50 > 0),
  holds(
    'L8',
    'rib and seeds kept: hotter',
    () => heat(L) > heat(swapped(L, (i) => (i.origin.from === 'pods' ? { ...i, origin: { ...i.origin, prep: 'cored' } } : i))),
  ),
  holds('L9', 'jalapeño: milder', () => heat(swapped(L, instead('serrano-green', 'jalapeno-green'))) < heat(L)),
  holds('M2', 'fridge, 7 to 14 days', () => cold(M, 7, 14)),
  holds('M3', 'with water: not longer', () => keeps(swapped(M, instead('sugar_white', 'water'))).days <= keeps(M).days),
  num('M4', 'wet mush: body', 'thick', 4.5, 7, () => body(M)),
  word('M5', 'hot, not too', ['medium', 'hot'], () => wordOf(M)),
  num('M6', 'salt, %', 'salty', 2, 6, () => end(M).finished.saltPct),
  holds('M7', 'more lime: sourer', () => ph(swapped(M, times(2, 'lime_juice'))) < ph(M)),
  num('M9', 'calamansi or lime: pH', 'taste only', -0.3, 0.3, () => ph(swapped(M, instead('lime_juice', 'calamansi_juice'))) - ph(M)),
  holds('M10', 'more lime: looser', () => body(swapped(M, times(2, 'lime_juice'))) < body(M)),
];

const FLOOR = 0.85;
/** Why a fact is outside: ours on purpose, or thinner than it should be. */
const OUTSIDE: Readonly<Record<string, string>> = {
  A3: 'how much lime and vinegar went in was not said',
  A4: 'as A3: a hundredth under the bound of the next word',
  A6: 'as A4: the two kinds stand on both sides of a bound',
  B3: 'a gentle boil in an open pot for a quarter of an hour gives off more than "hardly any"; this one barely moved',
  B6: 'wet pulp is hotter than the sauce: without the sieve it is more than a bit hotter',
  B7: 'much pod in little vinegar: thick, so that its cake stays wet',
  B11: 'small pods have more solids and seeds to the gram here; a cook counts pods, not grams',
  D7: 'flakes and grated garlic in a syrup count as pieces, which have no body',
  D8: 'as D7',
  D9: '5 g of flakes in 250 g: hot by the table of mouthfuls, mild to a cook who takes a dab',
  E14: 'ours on purpose: no pH was measured, so days, not weeks',
  G8: 'three cored superhots in 700 g are "hot" by the table of mouthfuls',
  G14: 'the onion of the table is a common one, a sweet one is larger',
  J16: 'ours on purpose: no pH was measured, so days, not weeks',
};

describe('measured facts of the trade', () => {
  const rows = FACTS.map(([id, what, stated, predicted, inside]) => {
    let p: string | number;
    try {
      p = predicted();
    } catch (e) {
      p = `does not run: ${(e as Error).message}`;
    }
    return { id, what, stated, predicted: typeof p === 'number' ? Number(p.toPrecision(3)) : p, inside: inside(p as never) };
  });
  it(`${FACTS.length} facts: at least ${100 * FLOOR} in 100 are inside`, () => {
    const out = rows.filter((r) => !r.inside);
    console.log(
      [
        `${rows.length - out.length} of ${rows.length} inside; outside:`,
        ...out.map((r) => `${r.id} ${r.what}: stated ${r.stated}, predicted ${r.predicted} (${OUTSIDE[r.id] ?? 'new: look'})`),
      ].join('\n'),
    );
    expect(1 - out.length / rows.length).toBeGreaterThanOrEqual(FLOOR);
  });
  it('no fact that must not be followed is', () => {
    const unsafe = ['A9', 'A10', 'A11', 'A12', 'J7', 'K8', 'L6'];
    expect(rows.filter((r) => unsafe.includes(r.id) && !r.inside)).toEqual([]);
  });
});
