import { describe, expect, it } from 'vitest';
import {
  BLENDERS,
  bodyOf,
  carry,
  coolingMin,
  drawEnsemble,
  firstPortionG,
  heatFelt,
  heatShu,
  LineProblem,
  loadsOf,
  lotOfVariety,
  massOf,
  paceOf,
  phOf,
  potC,
  reportTypical,
  runLine,
  runUpTo,
  SHAPES,
  softMinutes,
  starchKept,
  stationKind,
  TYPICAL,
  variety,
  warmsK,
  type KindName,
  type LiftParams,
  type PressParams,
  type StationRun,
  type ThickenParams,
} from '../src';
import { alone, pods, put } from './helpers';
import { dice } from './random';

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

describe('soft (handbook chapter 5, 7.5)', () => {
  it.each([
    ['carrot', 'dice', 10, 6, 100, 14.9],
    ['carrot', 'dice', 10, 6, 92, 39.9],
    ['carrot', 'slice', 8, 6, 100, 16],
    ['carrot', 'slice', 8, 6, 94.7, 29.5],
    ['carrot', 'stick', 24, 6, 100, 22.2],
    ['garlic', 'slice', 4, 6, 100, 9.5],
  ] as const)('%s in a %s of %d mm at pH %d and %d °C: %d min', (what, shape, mm, pH, t, min) => {
    expect(softMinutes(what, shape, mm, pH, t)).toBeCloseTo(min, 1);
  });
  it('the Fourier numbers are those at which conduction has brought the middle nine tenths of the way', () => {
    // Carslaw and Jaeger, Conduction of Heat in Solids: centre of a slab, a cylinder and a sphere (series, from memory).
    const series = (term: (n: number) => number) => Array.from({ length: 30 }, (_, n) => term(n)).reduce((a, b) => a + b, 0);
    const slab = (fo: number) => series((n) => ((4 / Math.PI) * (-1) ** n * Math.exp(-(((n + 0.5) * Math.PI) ** 2) * fo)) / (2 * n + 1));
    const sphere = (fo: number) => series((n) => 2 * (-1) ** n * Math.exp(-(((n + 1) * Math.PI) ** 2) * fo));
    // The first three zeros of J0, and 2 / (z J1(z)) at each (Abramowitz and Stegun, table 9.5, from memory).
    const bessel: [number, number][] = [
      [2.404826, 0.519147],
      [5.520078, -0.340265],
      [8.653728, 0.271452],
    ];
    const cylinder = (fo: number) => bessel.reduce((s, [z, j1]) => s + (2 / (z * j1)) * Math.exp(-z * z * fo), 0);
    expect(slab(SHAPES.slice)).toBeCloseTo(0.1, 2);
    expect(cylinder(SHAPES.stick)).toBeCloseTo(0.1, 2);
    expect(sphere(SHAPES.dice)).toBeCloseTo(0.1, 2);
  });
  it('a pot at a height or barely moving takes longer, a sour one too', () => {
    expect(softMinutes('onion', 'slice', 6, 6, potC(false, 1609))).toBeGreaterThan(softMinutes('onion', 'slice', 6, 6, potC(false)));
    expect(softMinutes('onion', 'slice', 6, 6, potC(true))).toBeGreaterThan(2 * softMinutes('onion', 'slice', 6, 6, potC(false)));
    expect(softMinutes('onion', 'slice', 6, 3.5, 100)).toBeGreaterThan(softMinutes('onion', 'slice', 6, 6, 100));
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
    const acid = reportTypical(
      alone('rest', { hours: 2, fromC: 90 }, [put('vinegar_cider', 1000)], [], { pH: 3.2, instrument: 'meter', phSure: true }),
      '2026-10-01',
    );
    expect(acid.cautions.filter((c) => c.stationId === 'rest')).toEqual([]);
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

describe('a weighed pot', () => {
  it('2.000 to 1.880 kg in 20 minutes, 24 cm: 7.96 kg/(m² h), sd .153 (handbook chapter 4, section 7, derived)', () => {
    const gentle = (8 * Math.PI * 0.24 ** 2) / 4 / 60;
    const pace = paceOf({ log: 0, sd: 0.5 }, 2000, 1000 * gentle, [{ min: 20, massG: 1880 }]);
    expect(8 * Math.exp(pace.log)).toBeCloseTo(7.96, 2);
    expect(pace.sd).toBeCloseTo(0.153, 3);
  });
  const pot = (weighings: [number, number][], params = {}) =>
    run(
      'simmer',
      { until: 'left', leftPct: 50, potCm: 26, ...params },
      [put('vinegar_distilled_5', 1400), put('onion', 600), put('sugar_brown', 100)],
      {
        pot: weighings.map(([min, massG], i) => ({ id: `w${i}`, min, massG })),
      },
    ).facts!;
  it('tells the minutes that are left, in a narrower band; an early weighing says less than two', () => {
    const [none, one, two] = [
      pot([]),
      pot([[30, 1950]]),
      pot([
        [30, 1950],
        [60, 1810],
      ]),
    ];
    const width = (f: typeof none) => Math.log((f.minutesHigh - (f.weighedMin ?? 0)) / (f.minutesLow - (f.weighedMin ?? 0)));
    expect(width(one)).toBeLessThan(width(none) / 2);
    expect(width(two)).toBeLessThan(width(one) + 1e-9);
    expect(two.stopG).toBeCloseTo(1050, 0);
    // 140 to 150 g in half an hour: 760 g more take about 2.7 h.
    expect(two.minutes - 60).toBeGreaterThan(130);
    expect(two.minutes - 60).toBeLessThan(190);
  });
  it('moves where a pot by the clock stops, and its pH', () => {
    const at = (w: [number, number][]) =>
      run('simmer', { until: 'minutes', minutes: 90, potCm: 26 }, [put('vinegar_distilled_5', 1400), put('onion', 600)], {
        pot: w.map(([min, massG], i) => ({ id: `w${i}`, min, massG })),
      });
    const [slow, fast] = [at([[30, 1960]]), at([[30, 1700]])];
    expect(massOf(slow.out.stream)).toBeGreaterThan(massOf(fast.out.stream) + 300);
    expect(phOf(fast.out.stream)!.pH).toBeGreaterThan(phOf(slow.out.stream)!.pH);
  });
  it('asks about a weight that cannot be, wherever it stands', () => {
    expect(() => pot([[30, 2500]])).toThrow(/empty pot/);
    expect(() => pot([[30, 40]])).toThrow(/dry/);
    expect(() =>
      pot([
        [30, 1800],
        [60, 1950],
      ]),
    ).toThrow(/cannot grow/);
    // Typed in any order they are read by their minutes.
    expect(
      pot([
        [60, 1810],
        [30, 1950],
      ]),
    ).toEqual(
      pot([
        [30, 1950],
        [60, 1810],
      ]),
    );
  });
  it('the pot of the kitchen knows its pace before', () => {
    const seen = [1, 2, 3].map((n) => ({ on: '2026-10-01', where: 'x', of: `${n}`, log: Math.log(1.5), sd: 0.1 }));
    const file = alone('simmer', { until: 'left', leftPct: 50 }, [put('vinegar_distilled_5', 1000)]);
    const entry = { ...file.strands[0]!.stations[0]!, toolId: 'wide' };
    const own = {
      ...file,
      strands: [{ ...file.strands[0]!, stations: [entry, file.strands[0]!.stations[1]!] }],
      tools: [{ id: 'wide', kind: 'pot' as const, name: 'Wide pot', acrossCm: 24, seen }],
    };
    const facts = (runUpTo(own, 'simmer') as StationRun<'simmer'>).facts!;
    const plain = (runUpTo(file, 'simmer') as StationRun<'simmer'>).facts!;
    expect(plain.minutes / facts.minutes).toBeGreaterThan(1.35);
    expect(plain.minutes / facts.minutes).toBeLessThan(1.5);
    expect(facts.pace.sd).toBeLessThan(plain.pace.sd / 2);
  });
});

describe('the curves that are dragged', () => {
  const cases: readonly [KindName, string, object, Parameters<typeof alone>[2], (r: StationRun) => number][] = [
    ['toast', 'minutes', { minutes: 1.5 }, [pods('fresno', 60)], (r) => massOf(r.out.stream)],
    ['fry', 'minutes', { minutes: 10 }, [pods('fresno', 300), put('oil_neutral', 60)], (r) => massOf(r.out.stream)],
    [
      'steep',
      'hours',
      { hours: 9 },
      [pods('fresno', 300), put('vinegar_cider', 200)],
      (r) => (r.facts as unknown as { evenPct: number }).evenPct,
    ],
    ['press', 'waterPerG', { waterPerG: 2.5 }, [put('tamarind_pulp', 80)], (r) => (r.facts as unknown as { acidsPct: number }).acidsPct],
    ['strain', 'minPerLitre', { method: 'pressed', minPerLitre: 6 }, [pods('fresno', 300), put('water', 300)], (r) => massOf(r.out.stream)],
    ['char', 'minutes', { way: 'oven', minutes: 25 }, [pods('fresno', 300)], (r) => massOf(r.out.stream)],
  ];
  it.each(cases)('%s: passes through what the station says, and never turns back', (kind, name, params, things, value) => {
    const r = run(kind, params, things) as StationRun;
    const { curve } = r.facts as unknown as { curve: readonly (readonly [number, number])[] };
    const x = (params as Record<string, number>)[name]!;
    const at = curve.findIndex((p) => p[0] >= x);
    const [[x0, y0], [x1, y1]] = [curve[at - 1]!, curve[at]!];
    const here = y0 + ((y1 - y0) * (x - x0)) / (x1 - x0);
    expect(Math.abs(here - value(r))).toBeLessThan(0.02 * Math.max(1, Math.abs(value(r))));
    const steps = curve.slice(1).map((p, i) => Math.sign(Math.round(1e6 * (p[1] - curve[i]![1]))));
    expect(new Set(steps.filter((s) => s !== 0)).size).toBeLessThanOrEqual(1);
    // Worlds behind the bands draw nothing.
    for (const draw of drawEnsemble(1, 2))
      expect((runLine(alone(kind, params, things, [fresno]), draw)[0]!.facts as unknown as { curve: unknown[] }).curve).toEqual([]);
  });
});

it('300 random bowls through every one of them balance in every world, and say no only in words', () => {
  const d = dice(20261126);
  const KINDS: KindName[] = ['press', 'lift', 'thicken', 'rest', 'temper', 'bowl', 'blend', 'strain', 'simmer'];
  const THINGS = [
    'vinegar_cider',
    'onion',
    'mango_ripe',
    'tamarind_pulp',
    'oil_olive',
    'sugar_white',
    'water',
    'mustard_yellow',
    'cornstarch',
    'xanthan',
    'salt_fine',
    'rum',
  ];
  const PARAMS: Partial<Record<KindName, () => object>> = {
    press: () => ({ block: d.pick(['seedless', 'seeds']), waterPerG: d.pick([0.5, 3, 12]), washPerG: d.pick([0, 1]) }),
    lift: () => ({ pieces: d.pick(['whole', 'halved', 'soft']), alongPct: d.pick([0, 50, 100]) }),
    thicken: () => ({
      with: d.pick(['cornstarch', 'tapioca', 'gum']),
      until: d.pick(['dose', 'body']),
      dosePct: d.pick([0, 2, 8]),
      step: d.pick([1, 4, 7]),
      minutes: d.pick([0, 2, 60]),
    }),
    simmer: () => ({
      until: d.pick(['soft', 'temperature', 'minutes']),
      stopC: d.pick([95, 104.5, 115]),
      soft: { what: 'carrot', shape: 'dice', mm: d.pick([1, 60]) },
    }),
    blend: () => ({
      blender: d.pick(Object.keys(BLENDERS)),
      jugMl: d.pick([100, 1500]),
      hot: d.chance(0.5),
      texture: d.pick(['rustic', 'silky']),
    }),
    strain: () => ({ method: d.pick(['pressed', 'cloth', 'none']), minPerLitre: d.pick([0, 9, 60]) }),
  };
  let ran = 0;
  for (let n = 0; n < 300; n++) {
    const kind = d.pick(KINDS);
    const things = [...new Set(Array.from({ length: d.whole(1, 4) }, () => d.pick(THINGS)))].map((k) => put(k, d.pick([0.1, 3, 80, 900])));
    const file = alone(
      kind,
      PARAMS[kind]?.() ?? {},
      [pods('fresno', d.pick([0.5, 40, 700])), ...things],
      [fresno],
      d.chance(0.3) ? { massG: d.pick([1, 60, 500, 3000]) } : {},
    );
    try {
      runLine(file, TYPICAL);
      for (const draw of drawEnsemble(n, 4)) {
        const [first] = runLine(file, draw);
        for (const g of Object.values(first!.out.stream.grams)) expect(g).toBeGreaterThanOrEqual(-1e-9);
        expect(Number.isFinite(massOf(first!.out.stream))).toBe(true);
      }
      ran++;
    } catch (error) {
      // Balance is checked inside every run: its error is another one.
      expect(error, `${kind} ${JSON.stringify(file.strands[0]!.stations[0])}`).toBeInstanceOf(LineProblem);
      expect((error as LineProblem).message).toMatch(/[.?]$/);
    }
  }
  expect(ran).toBeGreaterThan(150);
});
