import { mainEnd } from '../src';
import { beforeAll, describe, expect, it } from 'vitest';
import {
  batchOfMix,
  bitterSeeds,
  blurOfMix,
  choosePods,
  DEFAULT_POD_WISH,
  dilutionCautions,
  heatOfRow,
  ingredient,
  INGREDIENTS,
  inSchool,
  lineGain,
  lotOfVariety,
  massOf,
  newBatch,
  NO_WISH,
  podUses,
  reportLine,
  runLine,
  solveBench,
  tastedSauce,
  tastingHot,
  TYPICAL,
  unmeasuredBowl,
  useMix,
  variety,
  weighBench,
  withOwnPh,
  type BenchStuff,
  type BlendWish,
  type LinearSolver,
  type PodChoice,
} from '../src';
import { highsSolver } from '@roskel/core/highs';

let highs: LinearSolver;
beforeAll(async () => {
  highs = await highsSolver();
});
const pods = (list: readonly [string, number][]): PodChoice[] =>
  list.map(([id, stockG]) => ({ lot: lotOfVariety(variety(id), { id }), stockG, prep: 'whole' as const, useFirst: false }));
const larder = (keys: string[]) => keys.map((key) => ({ row: ingredient(key), stockG: 2000, useFirst: false, perKg: 3 }));
const stuff: BenchStuff = {
  pods: pods([
    ['cayenne-red', 500],
    ['pointed-red', 900],
    ['habanero-orange', 95],
    ['jalapeno-green', 480],
    ['lemon-drop', 420],
    ['bell-yellow', 880],
  ]),
  larder: larder(['vinegar_cider', 'salt_fine', 'water', 'carrot', 'onion', 'garlic', 'mango_ripe', 'lime_juice']),
};
const WISH: BlendWish = {
  ...NO_WISH,
  massG: 500,
  heat: { lowShu: 1300, highShu: 3200 },
  saltPct: { low: 1.5, high: 2.5 },
  sugarPct: { low: 0, high: 12 },
  body: { low: 2.5 },
  pH: { max: 3.8, margin: 0.1 },
  varieties: 3,
};

describe('a mix in a bowl', () => {
  it('heat is the sum of loads over the mass, worked by hand', () => {
    const mix = weighBench(stuff, { 'cayenne-red': 100, vinegar_cider: 200 }, WISH.heat!);
    const cayenne = variety('cayenne-red');
    const stem = cayenne.pod!.massFraction.stem;
    // 100 g with stems: the stems go, the rest is 14 % dry matter of 42 000 SHU.
    const load = 100 * (1 - stem) * (1 - cayenne.waterPct / 100) * cayenne.shuDry.typical;
    expect(mix.props.massG).toBeCloseTo(300 - 100 * stem, 6);
    expect(mix.props.heatShu).toBeCloseTo(load / (300 - 100 * stem), 6);
    expect(mix.band!.p50 / mix.props.heatShu).toBeCloseTo(1, 2);
  });
  it('meets every wish in three distinct ways, and the full pH has the last word', () => {
    const answer = solveBench(highs, stuff, WISH);
    if (answer.status !== 'found') throw new Error(answer.gist);
    expect(answer.ways).toHaveLength(3);
    const odds = answer.ways.map((w) => w.band!.odds);
    expect(odds).toEqual([...odds].sort((a, b) => b - a));
    for (const way of answer.ways) {
      expect(way.props.massG).toBeCloseTo(500, 0);
      expect(way.props.heatShu).toBeGreaterThan(1300);
      expect(way.props.heatShu).toBeLessThan(3200);
      expect(way.props.pH!).toBeLessThanOrEqual(3.72);
      expect(way.props.saltPct).toBeGreaterThanOrEqual(1.49);
      expect(way.props.saltPct).toBeLessThanOrEqual(2.51);
      expect(stuff.pods.filter((c) => way.grams[c.lot.id]).length).toBeLessThanOrEqual(3);
      for (const c of stuff.pods) expect(way.grams[c.lot.id] ?? 0).toBeLessThanOrEqual(c.stockG + 1e-6);
    }
    const sets = answer.ways.map((w) =>
      Object.keys(w.grams)
        .filter((id) => stuff.pods.some((c) => c.lot.id === id))
        .sort()
        .join(),
    );
    expect(new Set(sets).size).toBe(3);
  });
  it('a higher pH of the own vinegar asks for more of it', () => {
    const weak = { ...stuff, larder: stuff.larder.map((l) => (l.row.key === 'vinegar_cider' ? { ...l, row: withOwnPh(l.row, 3.4) } : l)) };
    const acid = (s: BenchStuff) => {
      const answer = solveBench(highs, { ...s, larder: s.larder.filter((l) => l.row.key !== 'lime_juice') }, WISH, 1);
      if (answer.status !== 'found') throw new Error(answer.gist);
      return answer.ways[0]!.grams['vinegar_cider']!;
    };
    expect(acid(weak)).toBeGreaterThan(acid(stuff));
  });
  it('colour and taste are kept, and whole pods are whole', () => {
    const answer = solveBench(highs, stuff, {
      ...WISH,
      colour: { family: 'yellow', share: 0.6 },
      flavours: [{ flavour: 'citrus', share: 0.15 }],
      wholePods: true,
    });
    if (answer.status !== 'found') throw new Error(answer.gist);
    for (const way of answer.ways) {
      const yellow = (way.grams['lemon-drop'] ?? 0) + (way.grams['bell-yellow'] ?? 0);
      const others = ['cayenne-red', 'pointed-red', 'habanero-orange', 'jalapeno-green'].reduce((s, id) => s + (way.grams[id] ?? 0), 0);
      expect(yellow).toBeGreaterThan(others);
      for (const [id, n] of Object.entries(way.pods)) {
        expect(Number.isInteger(n)).toBe(true);
        expect(way.grams[id]! / stuff.pods.find((c) => c.lot.id === id)!.lot.podMassG!).toBeCloseTo(n, 6);
      }
    }
  });
  it('half a million SHU from mild pods: what can be reached, and why', () => {
    const mild = { ...stuff, pods: stuff.pods.filter((c) => !/habanero/.test(c.lot.id)) };
    const answer = solveBench(highs, mild, { ...WISH, heat: { lowShu: 500_000, highShu: 700_000 } });
    if (answer.status !== 'short') throw new Error('found');
    expect(answer.gist).toMatch(
      /Too mild: short of the heat you wish by .* SHU\. The hottest this stock reaches with your other wishes is/,
    );
    // No more than the hottest pod alone could bring.
    expect(answer.reach!.hottestShu).toBeLessThan(5900);
    expect(answer.reach!.hottestShu).toBeGreaterThan(1000);
    expect(answer.nearest!.props.pH!).toBeLessThan(3.9);
  });
  it('too sour and too thick at once: the pH that is told is the one reached by giving way', () => {
    const answer = solveBench(highs, stuff, { ...WISH, pH: { max: 3.1, margin: 0 }, body: { low: 5.6 } }, 1);
    if (answer.status !== 'short') throw new Error('found');
    const said = answer.lines.find((l) => /let the pH be up to/.test(l));
    const pH = said ? Number(/up to (\d\.\d) instead of 3\.1/.exec(said)![1]) : null;
    if (pH !== null) expect(pH).toBeLessThanOrEqual(4.0);
    expect(answer.lines.length).toBeGreaterThan(0);
    expect(answer.lines.join(' ')).toMatch(/thinner|sour enough|up to/);
  });
  it('a cost ceiling is kept', () => {
    const priced = { ...stuff, pods: stuff.pods.map((c, i) => ({ ...c, perKg: 4 + 3 * i })) };
    const cost = (max: number | null) => {
      const answer = solveBench(highs, priced, { ...WISH, perKg: max === null ? null : { max } }, 1);
      if (answer.status !== 'found') throw new Error(answer.gist);
      return answer.ways[0]!.perKg!;
    };
    expect(cost(4)).toBeLessThanOrEqual(4.001);
  });
});

describe('a mix becomes a batch', () => {
  it('pods to the board, larder to the jug, salt and water left to the jar', () => {
    const answer = solveBench(highs, stuff, WISH, 1);
    if (answer.status !== 'found') throw new Error(answer.gist);
    const file = batchOfMix(
      newBatch('Off the bench', '2026-11-01', { lowShu: 1300, highShu: 3200, bottles: 5, bottleMl: 100 }),
      stuff,
      answer.ways[0]!.grams,
    );
    expect(
      podUses(file)
        .map((p) => p.lotId)
        .sort(),
    ).toEqual(
      stuff.pods
        .map((c) => c.lot.id)
        .filter((id) => answer.ways[0]!.grams[id])
        .sort(),
    );
    const report = reportLine(file, { today: '2026-11-01' });
    expect(report.ends[0]!.finished.massG).toBeGreaterThan(100);
    const jug = report.stations.find((s) => s.kind === 'blend')!.additions.map((a) => a.id);
    const wanted = stuff.larder.map((l) => l.row.key).filter((k) => answer.ways[0]!.grams[k] && k !== 'water' && !k.startsWith('salt'));
    expect(jug.sort()).toEqual(wanted.sort());
  });
});

describe('choosing for a line, with wishes', () => {
  const batch = newBatch('Line', '2026-11-01', { lowShu: 1300, highShu: 3200, bottles: 8, bottleMl: 100 });
  it('at most two lots, proven by the program', () => {
    const answer = choosePods(highs, batch, stuff.pods, { ...DEFAULT_POD_WISH, varieties: 2 });
    if (answer.status !== 'found') throw new Error(answer.message);
    for (const m of answer.mixes) expect(Object.keys(m.gramsByLot).length).toBeLessThanOrEqual(2);
  });
  it('only whole pods: every lot is a count', () => {
    const answer = choosePods(highs, batch, stuff.pods, { ...DEFAULT_POD_WISH, wholePods: true });
    if (answer.status !== 'found') throw new Error(answer.message);
    for (const [id, g] of Object.entries(answer.mixes[0]!.gramsByLot)) {
      const n = g / stuff.pods.find((c) => c.lot.id === id)!.lot.podMassG!;
      expect(Math.abs(n - Math.round(n))).toBeLessThan(1e-6);
    }
    expect(answer.mixes[0]!.finishedG).toBeGreaterThan(790);
  });
  it('a lot with a least share is in, one with a most share stays under it', () => {
    const bounded = stuff.pods.map((c) =>
      c.lot.id === 'lemon-drop' ? { ...c, minPct: 20 } : c.lot.id === 'jalapeno-green' ? { ...c, maxPct: 5 } : c,
    );
    const answer = choosePods(highs, batch, bounded);
    if (answer.status !== 'found') throw new Error(answer.message);
    for (const m of answer.mixes) {
      const total = Object.values(m.gramsByLot).reduce((s, g) => s + g, 0);
      expect(m.gramsByLot['lemon-drop']! / total).toBeGreaterThan(0.18);
      expect((m.gramsByLot['jalapeno-green'] ?? 0) / total).toBeLessThan(0.07);
    }
  });
  it('forty bottles from 600 g say what is short and what can be made', () => {
    const few = stuff.pods.map((c) => ({ ...c, stockG: 100 }));
    const answer = choosePods(highs, newBatch('Many', '2026-11-01', { lowShu: 1300, highShu: 3200, bottles: 40, bottleMl: 100 }), few);
    if (answer.status !== 'short') throw new Error('found');
    expect(answer.message).toMatch(/^40 bottles need about [\d,]+ g of pods; 600 g are there\.$/);
    expect(answer.help[0]).toMatch(/^Fill the 40 bottles with/);
    expect(answer.help.join(' ')).toMatch(/make \d+ bottles/);
    expect(answer.help.join(' ')).toMatch(/add about [\d,]+ g/);
  });
  it('the school of counting changes what is offered, not what is stored', () => {
    const fresh = stuff.pods.map((c) => ({ ...c, lot: inSchool(c.lot, 'fresh') }));
    const gain = lineGain(useMix(batch, stuff.pods, { 'cayenne-red': 300, 'pointed-red': 400 }));
    const mid = (c: PodChoice[]) => Math.exp(blurOfMix(c, { 'cayenne-red': 300, 'pointed-red': 400 }, gain, mainEnd(batch).goal).blur!.mu);
    expect(mid(fresh)).toBeGreaterThan(4 * mid([...stuff.pods]));
    expect(stuff.pods[0]!.lot.heat!.source).toBe('table');
  });
});

describe('what a tasting is told of a batch', () => {
  const file = useMix(newBatch('T', '2026-11-01', { lowShu: 1300, highShu: 3200, bottles: 8, bottleMl: 100 }), stuff.pods, {
    'cayenne-red': 250,
    'habanero-orange': 20,
    'pointed-red': 400,
  });
  it('weights times heats add up to the heat of the finished sauce', () => {
    const { parts, forecast } = tastedSauce(file);
    expect(parts.map((p) => p.lotId).sort()).toEqual(['cayenne-red', 'habanero-orange']);
    const sum = parts.reduce((s, p) => s + p.weight * file.lots.find((l) => l.id === p.lotId)!.heat!.dryShu, 0);
    const end = runLine(file, TYPICAL, true).at(-1)!.out.stream;
    expect(sum / (end.heatShuG / massOf(end))).toBeCloseTo(1, 9);
    expect(Math.exp(forecast!.mu) / sum).toBeGreaterThan(0.85);
  });
  it('a batch without heat forecasts nothing', () => {
    const sweet = useMix(newBatch('S', '2026-11-01'), stuff.pods, { 'pointed-red': 400 });
    expect(tastedSauce(sweet)).toMatchObject({ parts: [], forecast: null });
  });
});

describe('cautions of the bench', () => {
  it('a predicted pH never unlocks anything', () => {
    const at = (pH: number) => unmeasuredBowl({ pH, hottestShu: 5000, seedShare: 0, underOil: false });
    expect(at(3.2).find((c) => c.id === 'bowl-unmeasured')!.text).toMatch(/worked out, not measured.*fridge/);
    expect(at(4.4).find((c) => c.id === 'bowl-unmeasured')!.severity).toBe('danger');
    for (const c of [...at(3.2), ...at(4.4)]) expect(c.text).not.toMatch(/shelf stable|safe to keep/i);
  });
  it('garlic or pods under oil are a danger', () => {
    const mix = weighBench({ ...stuff, larder: larder(['garlic', 'oil_olive']) }, { garlic: 30, oil_olive: 200 }, WISH.heat!);
    expect(mix.cautions.some((c) => c.id === 'garlic-oil' && c.severity === 'danger')).toBe(true);
  });
  it('many ground seeds are bitter, few are not', () => {
    expect(bitterSeeds(0.05)).toEqual([]);
    expect(bitterSeeds(0.12)[0]!.text).toMatch(/About 12 in 100/);
  });
  it('tasting hot things is for consenting adults', () => {
    for (const list of [tastingHot(), dilutionCautions()]) {
      expect(list[0]).toMatchObject({ severity: 'danger' });
      expect(list[0]!.text).toMatch(/Adults only/);
    }
  });
});

describe('chillies from the larder', () => {
  it('burn as the variety that stands for them, with its doubt', () => {
    const row = ingredient('chipotle_dry');
    const water = ingredient('water');
    const larder = [row, water].map((r) => ({ row: r, stockG: 1000, useFirst: false }));
    const bowl = weighBench({ pods: [], larder }, { chipotle_dry: 20, water: 180 }, { lowShu: 500, highShu: 2000 });
    // 14,000 SHU of the dry matter, 12 % water, a tenth of the bowl.
    const expected = (14_000 * (1 - (row.water + row.salt) / 100)) / 10;
    expect(bowl.props.heatShu).toBeCloseTo(expected, 0);
    expect(bowl.band!.p10).toBeLessThan(expected);
    expect(bowl.band!.p90).toBeGreaterThan(expected);
    expect(bowl.remedies.find((r) => r.what === 'dilution')!.says).toBe(
      'Enter Dried smoked jalapeno as a lot under Pods; then a dilution test of Dried smoked jalapeno by four people',
    );
    expect(bowl.doubts.some((d) => /smoked jalapeno/i.test(d.says))).toBe(true);
  });
  it('every row that is called a chilli burns, and nothing else does', () => {
    const called = INGREDIENTS.filter((i) => /chil|chipotle|paprika|hot sauce|jalapeno|cayenne/i.test(i.name)).map((i) => i.key);
    expect(INGREDIENTS.filter((i) => heatOfRow(i) !== null).map((i) => i.key)).toEqual(called);
  });
});
