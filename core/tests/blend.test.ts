import { beforeAll, describe, expect, it } from 'vitest';
import {
  answerInWords,
  bodyStep,
  missedRows,
  NO_THICKENING,
  NO_WISH,
  sauceMpas,
  solveBlend,
  variety,
  lotSigma,
  type BlendProblem,
  type BlendWish,
  type ColourFamily,
  type LinearSolver,
  type Material,
} from '../src';
import { highsSolver } from '@roskel/core/highs';

let highs: LinearSolver;
beforeAll(async () => {
  highs = await highsSolver();
});

// The worked case of the handbook, chapter 2, section 7.6, with its own simple acids: z = 1000([H+]-[OH-]) - sum C alpha,
// or beta (pH_i - p) for food, in mmol/kg; here eq/kg.
const ionised = (pKa: readonly number[], pH: number) => {
  let w = 1;
  let sum = 1;
  let charge = 0;
  pKa.forEach((pk, i) => {
    w *= 10 ** (pH - pk);
    sum += w;
    charge += (i + 1) * w;
  });
  return charge / sum;
};
const free = (pH: number) => 10 ** -pH - 10 ** (pH - 14);
const acid = (gPerKg: number, molarMass: number, pKa: readonly number[]) => (pH: number) =>
  free(pH) - (gPerKg / molarMass) * ionised(pKa, pH);
const buffer = (own: number, beta: number) => (pH: number) => (beta / 1000) * (own - pH);

/**
 * The worked case counts body as g of sieved pulp a g of mix. As insolubles of a mix that is a quarter of that strong and has
 * one gram of water a gram, the row of thickness is the same row: .5 stands at the step of 12.5 %.
 */
const QUARTER = 25;
const flesh = (body: number) => ({ ...NO_THICKENING, water: 1, strong: body / 4 });
const stepOf = (body: number) => bodyStep(sauceMpas({ brix: 0, insolublePct: QUARTER * body, starchPct: 0, gumPct: 0, oilShare: 0 }));

const base = (id: string, perKg: number, more: Partial<Material>): Material => ({
  id,
  name: id,
  choice: false,
  stockG: 1e6,
  minPct: 0,
  maxPct: 100,
  useUp: 0,
  perKg,
  shu: 0,
  sigma: 0,
  saltPct: 0,
  sugarPct: 0,
  thick: flesh(0),
  charge: null,
  flavours: {},
  colour: null,
  pigment: 0,
  podG: null,
  ...more,
});
const pepper = (id: string, varietyId: string, kShu: number, stockG: number, perKg: number, colour: ColourFamily, useUp = 0): Material => {
  const v = variety(varietyId);
  const hot = v.shuDry.low > 0;
  return base(id, perKg, {
    choice: true,
    shu: kShu * 1000,
    sigma: hot ? lotSigma(v.shuDry.low, v.shuDry.high) : 0,
    stockG,
    useUp,
    sugarPct: v.solubleSugarGPer100g,
    thick: flesh({ thin: 0.65, medium: 0.78, thick: 0.85 }[v.wall]),
    charge: buffer(5.2, 30),
    colour,
    pigment: 1,
    podG: v.pod!.massG.typical * (1 - v.pod!.massFraction.stem),
  });
};
const MATERIALS: Material[] = [
  pepper('habanero', 'habanero-orange', 23.1, 120, 18, 'orange'),
  pepper('fresno', 'fresno-red', 1.235, 400, 8, 'red', 1),
  pepper('cayenne', 'cayenne-red', 5.88, 150, 8, 'red'),
  pepper('bell', 'bell-red', 0, 500, 4, 'red'),
  pepper('jalapeno', 'jalapeno-red', 1.425, 300, 8, 'red'),
  base('vinegar', 1.5, { charge: acid(50, 60.05, [4.76]) }),
  base('water', 0, { charge: free }),
  base('salt', 1, { saltPct: 100, maxPct: 5 }),
  base('sugar', 1.2, { sugarPct: 100, maxPct: 15 }),
  base('carrot', 1.5, { sugarPct: 5, thick: flesh(0.9), charge: buffer(6, 18), stockG: 600, colour: 'orange', pigment: 0.8 }),
  base('onion', 1.5, { sugarPct: 5, thick: flesh(0.8), charge: buffer(5.6, 15), stockG: 400 }),
  base('garlic', 8, { sugarPct: 1, thick: flesh(0.7), charge: buffer(6, 30), minPct: 1, maxPct: 5, stockG: 60 }),
  base('mango', 5, { sugarPct: 14, thick: flesh(0.9), charge: buffer(4.2, 30), stockG: 300, colour: 'yellow', pigment: 0.6 }),
  base('lime', 6, { sugarPct: 1.7, thick: flesh(0.05), charge: acid(60, 192.12, [3.13, 4.76, 6.4]), stockG: 120 }),
];
const WISH: BlendWish = {
  ...NO_WISH,
  massG: 1000,
  heat: { lowShu: 2500, highShu: 4000, targetShu: 3200 },
  saltPct: { low: 1.8, high: 2.2 },
  sugarPct: { low: 0, high: 8 },
  body: { low: stepOf(0.5) },
  pH: { max: 3.9, margin: 0 },
  colour: { family: 'red', share: 0.5 },
};
const ask = (wish: Partial<BlendWish>, materials = MATERIALS): BlendProblem => ({ materials, wish: { ...WISH, ...wish }, leastPct: 1 });
function found(problem: BlendProblem, alternatives = 1) {
  const answer = solveBlend(highs, problem, { alternatives });
  if (answer.status !== 'found') throw new Error('not found');
  for (const mix of answer.mixes) expect(missedRows(problem, mix)).toEqual([]);
  return answer.mixes;
}

describe('the worked case (handbook chapter 2, section 7.6, regression)', () => {
  it('charges at pH 3.9 are those of section 7.1', () => {
    const z = (id: string) => 1000 * MATERIALS.find((m) => m.id === id)!.charge!(3.9, 0);
    expect(z('vinegar')).toBeCloseTo(-100.9, 1);
    expect(z('habanero')).toBeCloseTo(39, 1);
    expect(z('carrot')).toBeCloseTo(37.8, 1);
  });
  it('the best blend', () => {
    const [mix] = found(ask({}));
    expect(mix!.shu).toBeCloseTo(3200, 0);
    expect(mix!.body).toBeCloseTo(stepOf(0.5), 2);
    expect(mix!.perKg).toBeCloseTo(4.03, 1);
    expect(mix!.objective).toBeCloseTo(1.027, 2);
    const grams = (id: string) => mix!.grams.get(id) ?? 0;
    expect(grams('habanero')).toBeCloseTo(100.3, 0);
    expect(grams('cayenne')).toBeCloseTo(150, 0);
    expect(grams('salt')).toBeCloseTo(18, 1);
    expect(grams('garlic')).toBeCloseTo(10, 1);
  });
  it('whole pods of at most two varieties: 12 habanero and 19 cayenne', () => {
    const [mix] = found(ask({ wholePods: true, varieties: 2 }));
    expect([mix!.pods.get('habanero'), mix!.pods.get('cayenne')]).toEqual([12, 19]);
    expect(mix!.shu).toBeCloseTo(3185, -1);
    expect(mix!.objective).toBeCloseTo(1.033, 2);
    expect(mix!.objective).toBeGreaterThanOrEqual(found(ask({}))[0]!.objective - 1e-6);
  });
  it('a quarter of it in whole pods: 2 and 9', () => {
    const [mix] = found(ask({ wholePods: true, massG: 250 }));
    expect([mix!.pods.get('habanero'), mix!.pods.get('cayenne')]).toEqual([2, 9]);
    expect(mix!.shu).toBeCloseTo(3155, -1);
  });
  it('asked for 30 to 40 kSHU, it says how short it is', () => {
    const problem = ask({ heat: { lowShu: 30_000, highShu: 40_000 } });
    const answer = solveBlend(highs, problem);
    if (answer.status !== 'short') throw new Error('found');
    expect(answer.misses.map((m) => m.wish)).toEqual(['heat']);
    expect(answer.misses[0]!.by / 25_600).toBeCloseTo(1, 2);
    expect(answer.reach!.hottestShu / 4440).toBeCloseTo(1, 2);
    expect(answerInWords(answer, problem).gist).toBe(
      'Too mild: short of the heat you wish by 26,000 SHU. The hottest this stock reaches with your other wishes is 4,400.',
    );
  });
  it('5 kg from the same stock: heat and body short, no single change helps', () => {
    const problem = ask({ massG: 5000 });
    const answer = solveBlend(highs, problem);
    if (answer.status !== 'short') throw new Error('found');
    const by = (w: string) => answer.misses.find((m) => m.wish === w)?.by;
    expect(by('heat')! / 1585).toBeCloseTo(1, 2);
    expect(by('body')! / QUARTER).toBeCloseTo(0.031, 3);
    expect(answer.repairs).toEqual([]);
    // The reach is what the bracket lacks: 2 500 - 1 585.
    expect(answer.reach!.hottestShu / 915).toBeCloseTo(1, 2);
    expect(answer.largestG!).toBeGreaterThan(1000);
    expect(answer.largestG!).toBeLessThan(5000);
  });
  it('very sour and thick at once: one of the two gives way', () => {
    const answer = solveBlend(highs, ask({ pH: { max: 3.3, margin: 0 }, body: { low: stepOf(0.7) } }));
    if (answer.status !== 'short') throw new Error('found');
    const by = (w: string) => answer.repairs.find((m) => m.wish === w)?.by;
    expect(answer.repairs.map((r) => r.wish).sort()).toEqual(['acidity', 'body']);
    expect(by('body')! / QUARTER).toBeCloseTo(0.141, 2);
    expect(by('acidity')! / 10.9).toBeCloseTo(1, 1);
  });
  it('alternatives leave out the sets that were offered', () => {
    const mixes = found(ask({}), 4);
    const sets = mixes.map((m) => MATERIALS.filter((x) => x.choice && m.grams.has(x.id)).map((x) => x.id));
    expect(sets[0]).toEqual(['habanero', 'cayenne']);
    expect(new Set(sets.map((s) => s.join())).size).toBe(4);
    [1.027, 1.203, 1.245, 1.256].forEach((objective, i) => expect(mixes[i]!.objective).toBeCloseTo(objective, 2));
  });
});

describe('blends', () => {
  // Two ingredients, worked by hand: 20 000 SHU pepper and water, 1 kg at 4 000 SHU is 200 g and 800 g.
  it('pepper and water', () => {
    const two = [base('pepper', 0, { choice: true, shu: 20_000, podG: 8 }), base('water', 0, {})];
    const wish = { ...NO_WISH, massG: 1000, heat: { lowShu: 3000, highShu: 5000, targetShu: 4000 } };
    const [mix] = found({ materials: two, wish });
    expect(mix!.grams.get('pepper')).toBeCloseTo(200, 4);
    const whole = found({ materials: two, wish: { ...wish, heat: { ...wish.heat, targetShu: 4100 }, wholePods: true } })[0]!;
    expect(whole.pods.get('pepper')).toBe(26);
    expect(whole.shu).toBeCloseTo(4160, 6);
    const scarce = [{ ...two[0]!, stockG: 100 }, two[1]!];
    const answer = solveBlend(highs, { materials: scarce, wish });
    if (answer.status !== 'short') throw new Error('found');
    expect(answer.misses[0]!.by).toBeCloseTo(1000, 3);
    expect(answer.reach!.hottestShu).toBeCloseTo(2000, 3);
    // 100 g of 20 000 SHU make 667 g at 3 000 SHU.
    expect(answer.largestG! / 666.7).toBeCloseTo(1, 2);
  });
  it('keeps shares, colour and flavour as wished', () => {
    const materials = MATERIALS.map((m) =>
      m.id === 'bell' ? { ...m, minPct: 12 } : m.id === 'mango' ? { ...m, flavours: { fruity: 1 } } : m,
    );
    const [mix] = found(ask({ flavours: [{ flavour: 'fruity', share: 0.1 }] }, materials));
    expect(mix!.grams.get('bell')!).toBeGreaterThanOrEqual(120 - 1e-6);
    expect(mix!.grams.get('mango')!).toBeGreaterThanOrEqual(100 - 1e-6);
  });
  it('gives the same answer for the same question', () => {
    expect(solveBlend(highs, ask({ varieties: 2 }), { alternatives: 3 })).toEqual(
      solveBlend(highs, ask({ varieties: 2 }), { alternatives: 3 }),
    );
  });
  it('sixty lots are thinned out first, and the answer still holds', () => {
    const many = Array.from({ length: 60 }, (_, i) => ({
      ...MATERIALS[i % 5]!,
      id: `p${i}`,
      shu: MATERIALS[i % 5]!.shu * (0.8 + (i % 7) / 15),
      stockG: 60 + ((i * 37) % 200),
    }));
    const problem = ask({ varieties: 3 }, [...many, ...MATERIALS.slice(5)]);
    const [mix] = found(problem);
    expect([...mix!.grams.keys()].filter((id) => id.startsWith('p')).length).toBeLessThanOrEqual(3);
  });
  it('refuses a question without stuff or size', () => {
    const said = (p: BlendProblem) => answerInWords(solveBlend(highs, p), p).gist;
    expect(said(ask({}, []))).toMatch(/nothing to mix/);
    expect(said(ask({ massG: 0 }))).toMatch(/how much/);
  });
});
