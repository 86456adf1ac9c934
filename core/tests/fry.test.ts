import { describe, expect, it } from 'vitest';
import {
  drawEnsemble,
  heatInOil,
  heatShu,
  LineProblem,
  lotOfVariety,
  massOf,
  oilHeldG,
  percent,
  runLine,
  runOf,
  runUpTo,
  TYPICAL,
  variety,
  type FryParams,
  type StationRun,
  type ToastParams,
} from '../src';
import { alone, pods, put } from './helpers';
import { dice } from './random';

const fresno = lotOfVariety(variety('fresno-red'), { id: 'fresno' });
/** Dried pods with 12 % of water, as the examples of the chapter have them. */
const dried = { ...lotOfVariety(variety('guajillo'), { id: 'dried' }), waterPct: 12 };
const inPan = (params: Partial<FryParams>, log = {}) =>
  runUpTo(
    alone(
      'fry',
      params,
      // 300 g of pods on the board: stems come off.
      [pods('fresno', 300 / 0.93), put('tomato_paste', 150), put('oil_neutral', 60)],
      [fresno],
      log,
    ),
    'fry',
  ) as StationRun<'fry'>;
const toasted = (params: Partial<ToastParams>, log = {}) =>
  runUpTo(alone('toast', params, [pods('dried', 30)], [dried], log), 'toast') as StationRun<'toast'>;

describe('fry (handbook chapter 5, section 6, example 6 e, derived)', () => {
  it('a paste of 510 g, 15 min in a 26 cm pan, loses about a fifth as steam', () => {
    const run = inPan({ way: 'paste', minutes: 15, panCm: 26 });
    expect(Math.abs(massOf(run.bowl.stream) - 510)).toBeLessThan(4);
    // 407.8 g in the handbook, whose tomato paste is a little wetter than our row.
    expect(Math.abs(massOf(run.out.stream) - 407.8)).toBeLessThan(8);
    expect(run.out.stream.grams.fat).toBeCloseTo(run.bowl.stream.grams.fat, 9);
    expect(run.out.stream.heatShuG / run.bowl.stream.heatShuG).toBeCloseTo(0.93, 9);
    expect(run.out.stream.grams.sugars / run.bowl.stream.grams.sugars).toBeCloseTo(0.94, 9);
    // .465 of the heat in the oil, by chopped pods; as paste .626 on another mass: between the two.
    expect(run.facts!.heatInOilPct).toBeGreaterThan(45);
    expect(run.facts!.heatInOilPct).toBeLessThan(65);
  });
  it('heat in the oil and oil in the food are those of the chapter', () => {
    // 60 g oil on 333 g chopped: .470; as paste .626.
    expect(heatInOil(60, 333, 'sweat')).toBeCloseTo(0.47, 2);
    expect(heatInOil(60, 333, 'paste')).toBeCloseTo(0.626, 2);
    expect(heatInOil(0, 333, 'paste')).toBe(0);
    // 100 g of shallots: golden (48 g of water off) holds 8.6 g, crisp (78.7 g) 10.7 g.
    expect(Math.abs(oilHeldG(52, 48) - 8.6)).toBeLessThan(0.2);
    expect(Math.abs(oilHeldG(21.3, 78.7) - 10.7)).toBeLessThan(0.2);
  });
  it('drained, the oil takes its share of the heat along, and all of it is there', () => {
    const [kept, drained] = [false, true].map((d) => inPan({ way: 'crisp', minutes: 14, drained: d }));
    const oil = drained!.sides.find((s) => s.id === 'chili-oil')!;
    expect(oil.kept).toBe(true);
    expect(massOf(oil.stream)).toBeCloseTo(drained!.facts!.oilBackG, 9);
    expect(massOf(oil.stream) + massOf(drained!.out.stream)).toBeCloseTo(massOf(kept!.out.stream), 6);
    expect(oil.stream.heatShuG + drained!.out.stream.heatShuG).toBeCloseTo(kept!.out.stream.heatShuG, 3);
    expect(heatShu(oil.stream)).toBeGreaterThan(heatShu(drained!.out.stream));
    expect(drained!.out.past.freeOilG).toBeCloseTo(60 - massOf(oil.stream), 6);
  });
  it('a weighing is read as water, and one that cannot be is asked about', () => {
    const run = inPan({ way: 'paste', minutes: 15 }, { massG: 440 });
    expect(massOf(run.out.stream)).toBeCloseTo(440, 6);
    expect(run.out.stream.grams.salt).toBeCloseTo(run.bowl.stream.grams.salt, 9);
    for (const massG of [60, 900]) expect(() => inPan({}, { massG })).toThrow(LineProblem);
  });
  it('hundreds of pans: mass, heat and fat are all there; longer never leaves more', () => {
    const d = dice(606);
    for (let i = 0; i < 200; i++) {
      const params: Partial<FryParams> = {
        way: d.pick(['sweat', 'paste', 'crisp']),
        minutes: d.between(0, 120),
        panCm: d.between(12, 50),
        drained: d.chance(0.5),
      };
      const file = alone(
        'fry',
        params,
        [pods('fresno', d.between(20, 900)), put('oil_olive', d.between(1, 200)), put('onion', 80)],
        [fresno],
      );
      for (const world of [TYPICAL, drawEnsemble(i, 2)[0]!]) {
        const run = runOf(runLine(file, world), 'fry') as StationRun<'fry'>;
        const parts = [run.out, ...run.sides.filter((s) => s.id !== 'trimmings')].map((p) => p.stream);
        const sum = (of: (s: (typeof parts)[number]) => number) => parts.reduce((s, x) => s + of(x), 0);
        expect(sum(massOf)).toBeCloseTo(massOf(run.bowl.stream), 5);
        expect(sum((s) => s.grams.fat)).toBeCloseTo(run.bowl.stream.grams.fat, 6);
        expect(sum((s) => s.sidEq)).toBeCloseTo(run.bowl.stream.sidEq, 9);
        expect(run.out.past.freeOilG).toBeGreaterThanOrEqual(-1e-9);
        expect(run.out.stream.grams.water).toBeGreaterThan(0);
      }
    }
    const left = (minutes: number) => massOf(inPan({ way: 'paste', minutes }).out.stream);
    for (let m = 0; m < 60; m += 5) expect(left(m + 5)).toBeLessThanOrEqual(left(m) + 1e-9);
  });
});

describe('toast (handbook chapter 5, section 2, example 2, derived)', () => {
  it.each([
    [0.5, 9.2],
    [1, 7.3],
    [2, 5.1],
    [3, 4.2],
  ])('dried pods of 12 %%, %d min: %d %% of water are left', (minutes, pct) => {
    // The example's water is that of the whole pod; stems come off here first.
    expect(Math.abs(percent(toasted({ minutes }).out.stream, 'water') - pct)).toBeLessThan(0.25);
  });
  it('dry matter stays, the heat falls by a twentieth, and no toasting dries it out', () => {
    const run = toasted({ minutes: 30 });
    const dry = (s: typeof run.out.stream) => massOf(s) - s.grams.water;
    expect(dry(run.out.stream)).toBeCloseTo(dry(run.bowl.stream), 9);
    expect(run.out.stream.heatShuG / run.bowl.stream.heatShuG).toBeCloseTo(0.95, 9);
    expect(run.out.stream.grams.water / dry(run.out.stream)).toBeGreaterThanOrEqual(0.035 - 1e-9);
    expect(() => toasted({}, { massG: 5 })).toThrow(/It can weigh between/);
  });
});
