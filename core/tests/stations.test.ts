import { podUses, resize, stationIn } from '../src';
import { withGoal } from '../src';
import { setup } from './helpers';
import { line } from './helpers';
import { additionsOf } from '../src';
import { mainEnd } from '../src';
import { describe, expect, it } from 'vitest';
import {
  carry,
  heatShu,
  massOf,
  METHODS,
  TEXTURES,
  type Method,
  runLine,
  shareInPulp,
  STATION_KINDS,
  stationKind,
  TYPICAL,
  drawEnsemble,
  waterPhaseSaltPct,
  withIntakes,
  reportLine,
  type BatchFile,
  runOfKind,
  type KindName,
  type StationRun,
} from '../src';
import { log, put, smallBatch, withoutKinds, withPods } from './helpers';

const run = <K extends KindName>(file: BatchFile, kind: K, measured = true): StationRun<K> =>
  runOfKind(runLine(file, TYPICAL, measured), kind)!;
const change = (file: BatchFile, id: string, params: object): BatchFile =>
  carry(setup(file, id, { ...(line(file).find((s) => s.id === id)!.params as object), ...params }), [], []);

describe('every kind', () => {
  it('stands alone: its defaults fit its own schema and it passes an empty stream on', () => {
    for (const kind of STATION_KINDS) {
      const properties = Object.keys(kind.schema.properties);
      const given = Object.keys(kind.defaults() as object);
      expect(properties, kind.kind).toEqual(expect.arrayContaining(given));
      expect(given, kind.kind).toEqual(expect.arrayContaining((kind.schema.required ?? []) as string[]));
      expect(kind.name.length).toBeGreaterThan(2);
    }
    expect(() => stationKind('magic')).toThrow(/no station called/);
  });
  it('resizes by a factor what follows the size of the batch', () => {
    const file = smallBatch();
    const twice = resize(file, 2);
    // "3 cloves" would be a lie about 24 g.
    expect(stationIn(twice, 'blend')!.intakes.map((i) => i.amount)).toEqual([{ g: 600 }, { g: 24 }]);
    expect(podUses(twice).map((p) => p.massG)).toEqual([800, 600]);
    // Vessels follow what comes in, not a factor: jars that fit stay, small lots get small jars.
    const jars = (inG: number) => stationKind('salt').fits!(line(file)[1]!.params, inG) as { jars: number; jarMl: number };
    expect(jars(655)).toMatchObject({ jars: 1, jarMl: 1500 });
    expect(jars(112)).toMatchObject({ jars: 1, jarMl: 250 });
    expect(jars(2100).jars * jars(2100).jarMl).toBeGreaterThan(4000);
  });
});

describe('prep', () => {
  it('stems go without heat, cores take theirs along', () => {
    const whole = run(smallBatch(), 'prep');
    const cored = run(
      change(smallBatch(), 'prep', {
        pods: [
          { lotId: 'hot', massG: 400, prep: 'cored' },
          { lotId: 'mild', massG: 300, prep: 'whole' },
        ],
      }),
      'prep',
    );
    expect(whole.sides[0]!.stream.heatShuG).toBe(0);
    expect(massOf(cored.out.stream)).toBeLessThan(massOf(whole.out.stream));
    // Handbook chapter 2, section 3.2: a cored cayenne keeps about a fifth of its heat.
    expect(cored.out.stream.heatShuG / whole.out.stream.heatShuG).toBeCloseTo(0.202, 2);
    expect(cored.out.stream.heatShuG + cored.sides[0]!.stream.heatShuG).toBeCloseTo(whole.out.stream.heatShuG, 6);
  });
  it('cannot be done without pods', () => {
    const empty = log(change(smallBatch(), 'prep', { pods: [] }), 'prep', { doneOn: '2026-10-01' });
    expect(() => run(empty, 'prep')).toThrow(/Choose the pods first/);
  });
  it('a lot listed twice is refused at its line', () => {
    const twice = [
      { lotId: 'hot', massG: 10, prep: 'whole' },
      { lotId: 'hot', massG: 20, prep: 'cored' },
    ];
    expect(() => run(change(smallBatch(), 'prep', { pods: twice }), 'prep')).toThrow(/listed twice/);
  });
});

describe('salt and pack', () => {
  it('three schools, same jar: the percentages called by each are the ones asked for', () => {
    for (const [school, fact] of [
      ['wholeJar', 'wholeJarPct'],
      ['waterOnly', 'waterOnlyPct'],
      ['mash', 'ofProducePct'],
    ] as const) {
      const r = run(change(smallBatch(), 'salt', { school, pct: 4 }), 'salt');
      expect(r.facts![fact], school).toBeCloseTo(4, 6);
    }
  });
  it('a mash takes no water, and its salt is larger in its own water', () => {
    const r = run(change(smallBatch(), 'salt', { school: 'mash', pct: 8 }), 'salt');
    expect(additionsOf(r).map((a) => a.id)).toEqual(['salt']);
    expect(waterPhaseSaltPct(r.out.stream)).toBeGreaterThan(8);
  });
  it('whole pods hold air and take less brine', () => {
    const chopped = run(smallBatch(), 'salt').facts!.brineMl;
    const whole = run(change(smallBatch(), 'salt', { cut: 'whole' }), 'salt').facts!.brineMl;
    expect(whole).toBeLessThan(chopped);
  });
  it('left-over brine is what was mixed beyond what the jar takes; too little is negative', () => {
    const r = (mixedMl: number) => run(change(smallBatch(), 'salt', { mixedMl }), 'salt').facts!.leftoverMl!;
    expect(r(1000) - r(900)).toBeCloseTo(100, 9);
    expect(r(10)).toBeLessThan(0);
  });
  it('two jars of half the size take almost the same brine', () => {
    const one = run(change(smallBatch(), 'salt', { jarMl: 1600, headspaceMl: 100, displacementMl: 0 }), 'salt');
    const two = run(change(smallBatch(), 'salt', { jarMl: 800, jars: 2, headspaceMl: 50, displacementMl: 0 }), 'salt');
    expect(massOf(two.out.stream)).toBeCloseTo(massOf(one.out.stream), 6);
  });
});

describe('ferment', () => {
  it('longer and warmer is sourer; colder is not', () => {
    const pH = (p: object) => run(change(smallBatch(), 'ferment', p), 'ferment').facts!.jarPh;
    expect(pH({ days: 21 })).toBeLessThan(pH({ days: 5 }));
    expect(pH({ days: 7, tempC: 24 })).toBeLessThan(pH({ days: 7, tempC: 16 }));
    const start = run(smallBatch(), 'ferment').facts!.startPh;
    expect(pH({ days: 7, tempC: 4 })).toBeCloseTo(start, 1);
  });
  it('sugar becomes acid, gas and alcohol, gram for gram', () => {
    const r = run(smallBatch(), 'ferment');
    const lost = r.bowl.stream.grams.sugars - r.out.stream.grams.sugars;
    expect(r.out.stream.grams.lactic + r.out.stream.grams.ethanol + massOf(r.sides[0]!.stream)).toBeCloseTo(lost, 9);
    expect(r.out.stream.grams.carbonDioxide).toBe(0);
  });
  it('a measured start replaces the prior', () => {
    expect(run(log(smallBatch(), 'salt', { pH: 4.95, instrument: 'meter' }), 'ferment').facts!.startPh).toBe(4.95);
  });
});

describe('drain', () => {
  it('the brine has the salt of the water it was in, the pods have nearly all heat', () => {
    const r = run(smallBatch(), 'drain');
    const brine = r.sides[0]!.stream;
    expect(waterPhaseSaltPct(brine)).toBeCloseTo(waterPhaseSaltPct(r.out.stream), 6);
    expect(r.out.stream.heatShuG / r.bowl.stream.heatShuG).toBeGreaterThan(0.99);
    expect(brine.grams.pulp).toBe(0);
  });
  it('more cling leaves more on the pods; a weighed mass decides', () => {
    expect(massOf(run(change(smallBatch(), 'drain', { clingPct: 20 }), 'drain').out.stream)).toBeGreaterThan(
      massOf(run(smallBatch(), 'drain').out.stream),
    );
    expect(massOf(run(log(smallBatch(), 'drain', { massG: 690 }), 'drain').out.stream)).toBeCloseTo(690, 6);
    expect(() => run(log(smallBatch(), 'drain', { massG: 5 }), 'drain')).toThrow(/can weigh between/);
  });
});

describe('blend', () => {
  it('brine that is added comes off what was kept', () => {
    const file = change(smallBatch(), 'blend', { additions: [{ id: 'brine', massG: 100 }] });
    const r = run(file, 'blend');
    expect(massOf(additionsOf(r)[0]!.stream)).toBeCloseTo(100, 9);
    // What is taken is taken, whatever becomes of the rest.
    expect(massOf(additionsOf(run(change(file, 'drain', { keepBrine: false }), 'blend'))[0]!.stream)).toBeCloseTo(100, 9);
  });
  it('slips of the finger are caught', () => {
    expect(() => run(change(smallBatch(), 'blend', { additions: [{ id: 'garlic', massG: 40_000 }] }), 'blend')).toThrow(/times the rest/);
    expect(() => run(change(smallBatch(), 'blend', { additions: [{ id: 'salt_fine', massG: 1000 }] }), 'blend')).toThrow(/% salt/);
  });
  it('a little hot stuff in much that carries it is no slip: flakes in a syrup, a few pods in vinegar, oil or honey', () => {
    const little = (things: [string, number][]) =>
      withPods(
        withIntakes(
          smallBatch(),
          'blend',
          things.map(([k, g]) => put(k, g)),
        ),
        [{ lotId: 'hot', massG: 25, prep: 'whole' }],
      );
    const bowl = (things: [string, number][]) => () =>
      runLine(carry(withoutKinds(little(things), ['salt', 'ferment', 'drain']), [], []), TYPICAL);
    expect(
      bowl([
        ['sugar_white', 250],
        ['vinegar_rice', 240],
      ]),
    ).not.toThrow();
    expect(bowl([['vinegar_cider', 500]])).not.toThrow();
    expect(bowl([['oil_neutral', 300]])).not.toThrow();
    expect(bowl([['honey', 500]])).not.toThrow();
    expect(bowl([['garlic', 800]])).toThrow(/So much garlic is \d+ times the rest/);
    expect(bowl([['vinegar_cider', 9000]])).toThrow(/times the rest/);
  });
  it("a very salty mash is not the blend's fault", () => {
    const mash = change(change(smallBatch(), 'salt', { school: 'mash', pct: 25 }), 'blend', { additions: [] });
    expect(() => run(mash, 'blend')).not.toThrow();
  });
  it('vinegar makes it sourer, carrot less so; acid is counted', () => {
    const pH = (additions: object[]) =>
      reportLine(change(smallBatch(), 'blend', { additions }), { today: '2026-10-01', forecast: false }).stations[4]!.now.pH!;
    const plain = pH([]);
    expect(pH([{ id: 'vinegar_cider', massG: 300 }])).toBeLessThan(plain);
    expect(pH([{ id: 'carrot', massG: 300 }])).toBeGreaterThan(plain);
  });
});

describe('strain', () => {
  // Handbook chapter 2, section 3.4, table.
  it.each([
    [0.06, 3, 0.839],
    [0.15, 3, 0.654],
    [0.25, 3, 0.5],
    [0.15, 8, 0.415],
  ])('loss %f at K %d keeps %f of the heat', (s, k, kept) => expect(1 - shareInPulp(s, k)).toBeCloseTo(kept, 3));
  it('every method but none keeps hot pulp, and finer grinding lets more of it pass', () => {
    for (const method of Object.keys(METHODS) as Method[]) {
      const loss = TEXTURES.map((texture) => {
        const r = run(change(change(smallBatch(), 'blend', { texture }), 'strain', { method }), 'strain');
        if (method !== 'none') expect(heatShu(r.sides[0]!.stream), method).toBeGreaterThan(heatShu(r.out.stream));
        return 1 - massOf(r.out.stream) / massOf(r.bowl.stream);
      });
      if (method === 'none') expect(loss.every((s) => s === 0)).toBe(true);
      else for (const s of loss) expect(s).toBeGreaterThan(0.02);
      expect([...loss].sort((a, b) => b - a)).toEqual(loss);
    }
  });
});

describe('bottle', () => {
  it('fills no more than there is and no more than were wanted', () => {
    const goal6 = { ...mainEnd(smallBatch()).goal, bottles: 6 };
    expect(run(withGoal(smallBatch(), 'main', goal6), 'bottle').facts!.bottles).toBe(6);
    const goal = { ...mainEnd(smallBatch()).goal, bottles: 40 };
    const many = run(withGoal(smallBatch(), 'main', goal), 'bottle');
    expect(many.facts!.bottles).toBe(many.facts!.possible);
    expect(many.facts!.bottles).toBeLessThan(40);
  });
  it('a count that cannot be is refused; a plausible one stands', () => {
    expect(() => run(log(smallBatch(), 'bottle', { bottles: 30 }), 'bottle')).toThrow(/fills about/);
    expect(run(log(smallBatch(), 'bottle', { bottles: 7 }), 'bottle').facts!.bottles).toBe(7);
  });
  it('bottles of the same sauce differ between draws, never the mass balance', () => {
    for (const draw of drawEnsemble(4, 10)) expect(() => runLine(smallBatch(), draw)).not.toThrow();
  });
});
