import { describe, expect, it } from 'vitest';
import {
  BLENDERS,
  drawEnsemble,
  LineProblem,
  lotOfVariety,
  massOf,
  paceOf,
  phOf,
  potC,
  runLine,
  runUpTo,
  SHAPES,
  softMinutes,
  TYPICAL,
  variety,
  type KindName,
  type StationRun,
} from '../src';
import { alone, pods, put } from './helpers';
import { dice } from './random';

const fresno = lotOfVariety(variety('fresno-red'), { id: 'fresno' });
const run = <K extends KindName>(kind: K, params: object, things: Parameters<typeof alone>[2], log = {}) =>
  runUpTo(alone(kind, params, things, [fresno], log), kind) as StationRun<K>;
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

describe('what cooks is never more than the pot surely did', () => {
  const cooked = (params: object, more: object = {}) => {
    const file = alone('simmer', params, [put('tomato_passata', 900)], [], { doneOn: '2026-10-01' });
    const [first, last] = file.strands[0]!.stations;
    return runUpTo(
      {
        ...file,
        strands: [{ ...file.strands[0]!, stations: [{ ...first!, ...more }, last!] }],
        ...('toolId' in more ? { tools: [SLOW] } : {}),
      },
      'simmer',
    ).out.past.cooked;
  };
  /** Taught with a slip of the pen: a hundred times slower than any pot. */
  const SLOW = {
    id: 'slow',
    kind: 'pot' as const,
    name: 'Slow',
    acrossCm: 24,
    seen: [{ on: '2026-10-01', where: 'x', of: 'x', log: -4.6, sd: 0.05 }],
  };
  it('a tool that was taught wrongly cooks nothing', () => {
    const little = { until: 'left', leftPct: 97, boil: 'rolling' };
    expect(cooked(little)).toBe('no');
    expect(cooked(little, { toolId: 'slow' })).toBe('no');
    expect(cooked({ until: 'left', leftPct: 50, boil: 'rolling' })).toBe('yes');
  });
  it('until soft may be short, and a high kitchen barely moving is not hot enough', () => {
    expect(cooked({ until: 'soft', soft: { what: 'apple', shape: 'slice', mm: 4 } })).toBe('no');
    expect(cooked({ until: 'soft', soft: { what: 'carrot', shape: 'stick', mm: 30 } })).toBe('yes');
    expect(cooked({ until: 'minutes', minutes: 30, boil: 'bare', altitudeM: 4000 })).toBe('no');
    expect(cooked({ until: 'minutes', minutes: 30, boil: 'gentle', altitudeM: 4000 })).toBe('yes');
    expect(cooked({ until: 'minutes', minutes: 9 })).toBe('no');
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
      expect((runLine(alone(kind, params, things, [fresno]), draw)[0]!.facts as { curve?: unknown[] } | null)?.curve ?? []).toEqual([]);
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
