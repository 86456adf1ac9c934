import { describe, expect, it } from 'vitest';
import {
  BLENDERS,
  bodyOf,
  carry,
  coolingMin,
  firstPortionG,
  heatFelt,
  heatShu,
  LineProblem,
  loadsOf,
  lotOfVariety,
  massOf,
  phOf,
  reportTypical,
  runUpTo,
  starchKept,
  stationKind,
  variety,
  warmsK,
  type KindName,
  type LiftParams,
  type PressParams,
  type StationRun,
  type ThickenParams,
} from '../src';
import { alone, pods, put } from './helpers';

const fresno = lotOfVariety(variety('fresno-red'), { id: 'fresno' });
const run = <K extends KindName>(kind: K, params: object, things: Parameters<typeof alone>[2], log = {}) =>
  runUpTo(alone(kind, params, things, [fresno], log), kind) as StationRun<K>;
const block = (params: Partial<PressParams>, log = {}) => run('press', params, [put('tamarind_pulp', 80)], log);

describe('soak and press a fruit block (handbook chapter 5, section 4, derived)', () => {
  it.each([
    [80, 119, 26.7, 5.79, 16.2, 2.95, 0.62],
    [160, 199, 16.9, 3.72, 10.4, 2.99, 0.67],
    [236.6, 275.8, 12.6, 2.77, 7.78, 3.02, 0.69],
    [320, 359, 9.8, 2.17, 6.09, 3.04, 0.7],
    [480, 519, 6.9, 1.53, 4.29, 3.06, 0.72],
  ])('%d g of water: %d g of %d Bx', (water, liquidG, brix, acids, sugars, pH, won) => {
    const { facts, out } = block({ waterPerG: water / 80 });
    expect(Math.abs(facts!.liquidG - liquidG)).toBeLessThan(0.5);
    expect(Math.abs(facts!.brix - brix)).toBeLessThan(0.06);
    expect(Math.abs(facts!.acidsPct - acids)).toBeLessThan(0.01);
    expect(Math.abs((100 * out.stream.grams.sugars) / massOf(out.stream) - sugars)).toBeLessThan(0.05);
    expect(Math.abs(phOf(out.stream)!.pH - pH)).toBeLessThan(0.05);
    expect(Math.abs(facts!.acidWonPct / 100 - won)).toBeLessThan(0.006);
  });
  it('seeds in the block hold more back, a second wash wins some of it', () => {
    const seeds = block({ waterPerG: 236.6 / 80, block: 'seeds' }).facts!;
    expect(seeds.liquidG).toBeCloseTo(233.7, 1);
    expect(seeds.residueG).toBeCloseTo(82.9, 1);
    const once = block({ waterPerG: 236.6 / 80 }).facts!;
    const twice = block({ waterPerG: 236.6 / 80, washPerG: 60 / 80 }).facts!;
    // 68.8 g more in the handbook, which lets the second residue drain a little drier.
    expect(Math.abs(twice.liquidG - once.liquidG - 68.8)).toBeLessThan(4);
    expect(twice.acidWonPct).toBeGreaterThan(once.acidWonPct);
    expect(twice.acidWonPct).toBeLessThan(100);
  });
  it('what was weighed is what passed; what cannot be is asked about', () => {
    expect(massOf(block({}, { massG: 270 }).out.stream)).toBeCloseTo(270, 6);
    expect(() => block({}, { massG: 400 })).toThrow(LineProblem);
    expect(() => block({}, { massG: 20 })).toThrow(/without the bowl/);
  });
});

describe('lift from the seeds (handbook chapter 5, section 10, derived)', () => {
  const lifted = (params: Partial<LiftParams>, log = {}) =>
    run('lift', params, [pods('fresno', 300 / 0.93), put('garlic', 16), put('vinegar_distilled_5', 260)], log);
  it('some 9 g of seeds and 11 g of liquid stay behind, with 6.5 % of the heat', () => {
    const { facts, bowl, out } = lifted({});
    expect(facts!.seedsG).toBeCloseTo(8.6, 0);
    expect(facts!.liquidLeftG).toBeCloseTo(11.2, 0);
    expect(facts!.heatLeftPct).toBeCloseTo(6.5, 6);
    expect(Math.abs(massOf(bowl.stream) - massOf(out.stream) - 19.8)).toBeLessThan(0.5);
    expect(phOf(out.stream)!.pH).toBeCloseTo(phOf(bowl.stream)!.pH, 3);
  });
  it('with 40 % of the liquid left it is hotter by more than half', () => {
    const { bowl, out } = lifted({ alongPct: 60 });
    // 1172 against 746 SHU, 342.4 of 575.3 g.
    expect(heatShu(out.stream) / heatShu(bowl.stream)).toBeCloseTo(1172 / 746, 1);
    expect(massOf(out.stream) / massOf(bowl.stream)).toBeCloseTo(342.4 / 575.3, 2);
  });
  it('a weighing says how much liquid was left; pods without seeds leave none', () => {
    expect(massOf(lifted({}, { massG: 400 }).out.stream)).toBeCloseTo(400, 6);
    expect(() => lifted({}, { massG: 700 })).toThrow(LineProblem);
    const none = run('lift', {}, [put('tomato', 300)]);
    expect(none.facts!.seedsG).toBe(0);
    expect(none.facts!.heatLeftPct).toBe(0);
  });
});

describe('thicken (handbook chapter 5, section 9.2)', () => {
  const sauce = [put('vinegar_rice', 120), put('water', 400), put('sugar_white', 80)];
  /** Ground already, so that it has a body. */
  const thick = (params: Partial<ThickenParams>, things = sauce) => {
    const file = alone('blend', { heldUpPct: 0, texture: 'smooth' }, things);
    const [strand] = file.strands;
    const kind = stationKind('thicken');
    const entry = { id: 'thick', kind: kind.kind, intakes: [], params: { ...(kind.defaults() as object), ...params }, log: {} };
    const stations = [strand!.stations[0]!, entry, strand!.stations[1]!];
    return runUpTo(carry({ ...file, strands: [{ ...strand!, stations }] }, [], []), 'thick') as StationRun<'thicken'>;
  };
  it('acid cuts starch as the chapter says', () => {
    for (const [pH, min, kept] of [
      [3, 10, 0.57],
      [3.5, 10, 0.84],
      [3.5, 30, 0.59],
      [4, 30, 0.85],
    ] as const)
      expect(starchKept(pH, 98, min)).toBeCloseTo(kept, 2);
  });
  it('the dose for a body gives that body, and one out of reach is told', () => {
    for (const step of [3, 3.5, 4, 4.5]) {
      const { out, facts } = thick({ until: 'body', step });
      expect(facts!.reached).toBe(true);
      expect(bodyOf(out)).toBeCloseTo(step, 3);
      expect(facts!.bodyHot!).toBeLessThan(facts!.bodyCold!);
    }
    expect(thick({ until: 'body', step: 7 }).facts!.reached).toBe(false);
    expect(thick({ until: 'body', step: 1 }).facts!.doseG).toBe(0);
  });
  it('a kitchen rule: a tablespoon of starch to a cup makes a sauce that coats a spoon', () => {
    // 8 g to 240 ml = 3.3 % of the water (common practice, no source).
    const made = thick({ dosePct: 3.3, minutes: 1 }, [put('water', 240)]);
    expect(made.facts!.bodyHot!).toBeGreaterThan(3.4);
    expect(made.facts!.bodyHot!).toBeLessThan(4.6);
  });
  it('gum needs no slurry and no boil', () => {
    const { made, facts } = thick({ with: 'gum', dosePct: 0.2 });
    expect(made.map((m) => m.id)).toEqual(['xanthan']);
    expect(facts!.keptPct).toBe(100);
    expect(facts!.bodyCold!).toBeGreaterThan(2);
  });
});

describe('cool, rest, temper, blend', () => {
  it.each([
    [0.15, 56, 123, 14, 78],
    [0.5, 84, 183, 21, 116],
    [1, 106, 231, 26, 146],
    [2, 134, 291, 33, 184],
  ])('%d litres cool as the table of section 13 says', (v, air40, air25, bath25, fridge7) => {
    expect(Math.abs(coolingMin('air', v, 85, 40) - air40)).toBeLessThan(1);
    expect(Math.abs(coolingMin('air', v, 85, 25) - air25)).toBeLessThan(1);
    expect(Math.abs(coolingMin('water', v, 85, 25) - bath25)).toBeLessThan(1);
    expect(Math.abs(coolingMin('fridge', v, 25, 7) - fridge7)).toBeLessThan(1);
    expect(coolingMin('air', v, 85, 19)).toBe(Infinity);
  });
  it('heat is felt as section 13 says: blended .80, .92 after 8 h, .99 after 24; powder .50, .56, .82, .98', () => {
    for (const [h, blended, powder] of [
      [0, 0.8, 0.5],
      [8, 0.92, 0.82],
      [24, 0.99, 0.98],
    ] as const) {
      expect(heatFelt(h, 0.8)).toBeCloseTo(blended, 1);
      expect(heatFelt(h, 0.5)).toBeCloseTo(powder, 1);
    }
  });
  it('a rest changes nothing but time, and keeps what was measured', () => {
    const rested = run('rest', { hours: 12 }, [put('vinegar_cider', 300), put('carrot', 200)]);
    expect(rested.out.stream).toEqual(rested.bowl.stream);
    expect(stationKind('rest').days({ ...(stationKind('rest').defaults() as object), hours: 12 })).toBe(1);
    expect(stationKind('rest').days({ ...(stationKind('rest').defaults() as object), hours: 2 })).toBe(0);
  });
  it('a litre left in the air is told to cool faster; what is acid by a meter is not', () => {
    const pot = (hours: number) => reportTypical(alone('rest', { hours, fromC: 90 }, [put('tomato_passata', 1000)]), '2026-10-01');
    const ids = (hours: number) =>
      pot(hours)
        .cautions.filter((c) => c.stationId === 'rest')
        .map((c) => `${c.id} ${c.severity}`);
    expect(ids(2)).toContain('cools-slowly caution');
    expect(ids(9)).toContain('cools-slowly danger');
    expect(pot(9).ends[0]!.keeping!.days).toBeLessThanOrEqual(3);
    /** Ground smooth, read, and left to cool. */
    const read = (pH: number, instrument: 'meter' | 'strip') => {
      const file = alone('blend', { texture: 'smooth' }, [put('vinegar_cider', 900), put('carrot', 100)], [], {
        pH,
        instrument,
        phSure: true,
      });
      const [strand] = file.strands;
      const rested = {
        id: 'rest',
        kind: 'rest',
        intakes: [],
        params: { ...(stationKind('rest').defaults() as object), fromC: 90 },
        log: {},
      };
      const stations = [strand!.stations[0]!, rested, strand!.stations[1]!];
      const { cautions } = reportTypical({ ...file, strands: [{ ...strand!, stations }] }, '2026-10-01');
      return cautions.filter((c) => c.stationId === 'rest').map((c) => c.id);
    };
    expect(read(3.2, 'meter')).toEqual([]);
    // A strip is believed down to 3.6 only.
    expect(read(3.9, 'strip')).toEqual(['cools-slowly']);
    expect(read(4.3, 'meter')).toEqual(['cools-slowly']);
  });
  it('30 g of mustard stand 22.5 g of sauce at 90 °C first (section 14)', () => {
    expect(firstPortionG(30, 20, 90, 50)).toBeCloseTo(22.5, 9);
    const { facts } = run('temper', {}, [put('mustard_yellow', 30), put('tomato_passata', 500)]);
    expect(facts!.things).toHaveLength(1);
    expect(facts!.things[0]!.firstG).toBeCloseTo((30 * 40) / 30, 9);
    // Both together no hotter than the mustard stands.
    const t = facts!.things[0]!;
    expect((t.coldG * 20 + t.firstG * 90) / (t.coldG + t.firstG)).toBeCloseTo(t.limitC, 9);
    expect(run('temper', {}, [put('honey', 30), put('tomato_passata', 500)]).facts!.things).toEqual([]);
  });
  it('a jug warms as section 11 says, and never gets more than fits', () => {
    expect(warmsK('jug', 'medium', 800)).toBeCloseTo(6, 0);
    expect(warmsK('jug', 'smooth', 800)).toBeCloseTo(15, 0);
    // A load of 51 g was said to warm by 700 K: blades that turn in air hand on little.
    for (const g of [5, 51, 200]) expect(warmsK('strong', 'silky', g)).toBeLessThanOrEqual(50);
    expect(warmsK('jug', 'medium', 51)).toBeLessThanOrEqual(warmsK('jug', 'medium', 400));
    for (const kind of Object.keys(BLENDERS) as (keyof typeof BLENDERS)[])
      for (const ml of [10, 400, 975, 976, 5000]) {
        const cold = loadsOf(kind, 1500, ml, false);
        expect(cold.eachMl).toBeLessThanOrEqual(1500 * BLENDERS[kind].fill + 1e-9);
        expect(cold.loads * cold.eachMl).toBeCloseTo(ml, 9);
        expect(loadsOf(kind, 1500, ml, true).loads).toBeGreaterThanOrEqual(cold.loads);
      }
    expect(loadsOf('jug', 1500, 100, false).tooLittle).toBe(true);
  });
});
