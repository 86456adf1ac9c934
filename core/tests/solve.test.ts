import { beforeAll, describe, expect, it } from 'vitest';
import {
  blurOfMix,
  choosePods,
  drawEnsemble,
  lineGain,
  lotOfVariety,
  ModelBuilder,
  newBatch,
  reportLine,
  toWholePods,
  useMix,
  variety,
  type LinearSolver,
  type PodChoice,
} from '../src';
import { highsSolver } from '@roskel/core/highs';
import { budgeted } from '../src/solve/budget';
import { solveOther, translate } from './secondSolver';

let highs: LinearSolver;
beforeAll(async () => {
  highs = await highsSolver();
});

type Whole = 'none' | 'few' | 'pods';

/** A random blend: shares of 100 %, a heat window, a body window, a price to pay; at most three of them, or in whole pods. */
function randomBlend(seed: number, whole: Whole = 'none'): ModelBuilder {
  const draw = drawEnsemble(seed, 2)[0]!;
  const uniform = (name: string) => 0.5 + draw.z(name) / 6.5;
  const n = whole === 'none' ? 4 + Math.floor(uniform('n') * 8) : 4 + Math.floor(uniform('n') * 3);
  const model = new ModelBuilder();
  const most = Array.from({ length: n }, (_, i) => 20 + 80 * uniform(`b${i}`));
  const u = most.map((x, i) => model.column(0.2 + 3 * uniform(`c${i}`), 0, x));
  model.row(
    u.map((x) => [x, 1] as const),
    100,
    whole === 'pods' ? 108 : 100,
  );
  const heat = u.map((x, i) => [x, i % 3 === 0 ? 0 : 4 * uniform(`h${i}`)] as const);
  model.row(heat, 60 + 60 * uniform('lo'), 140 + 60 * uniform('hi'));
  model.row(
    u.map((x, i) => [x, uniform(`w${i}`)] as const),
    100 * 0.45 * uniform('body'),
    Infinity,
  );
  if (whole === 'none') {
    const off = model.column(2);
    model.row([...heat, [off, 1]], 100, Infinity);
    model.row([...heat, [off, -1]], -Infinity, 100);
  }
  if (whole === 'few') {
    const yes = u.map((x, i) => {
      const b = model.column(1e-4, 0, 1, true);
      model.row(
        [
          [x, 1],
          [b, -most[i]!],
        ],
        -Infinity,
        0,
      );
      model.row(
        [
          [x, 1],
          [b, -1],
        ],
        0,
        Infinity,
      );
      return b;
    });
    model.row(
      yes.map((b) => [b, 1] as const),
      0,
      3,
    );
  }
  if (whole === 'pods') {
    u.slice(0, 2).forEach((x, i) => {
      const pods = model.column(0, 0, 30, true);
      model.row(
        [
          [x, 1],
          [pods, -(4 + 6 * uniform(`g${i}`))],
        ],
        0,
        0,
      );
    });
  }
  return model;
}

describe('linear programs', () => {
  it.each([
    ['continuous', 'none', 130, 60],
    ['at most three varieties', 'few', 50, 20],
    ['whole pods', 'pods', 50, 20],
  ] as const)('HiGHS and a second solver agree on random blends: %s', (_, whole, count, least) => {
    let solved = 0;
    for (let seed = 1; seed <= count; seed++) {
      const model = randomBlend(seed, whole);
      const ours = highs.solve(model);
      const theirs = solveOther(translate(model));
      expect(ours.status === 'optimal', `seed ${seed}`).toBe(theirs.feasible);
      if (ours.status !== 'optimal') continue;
      solved++;
      expect(Math.abs(ours.objective - theirs.result) / Math.max(1, Math.abs(theirs.result)), `seed ${seed}`).toBeLessThan(
        whole === 'none' ? 1e-5 : 1.1e-3,
      );
      for (const r of model.rows) {
        const sum = [...r.terms].reduce((s, [j, v]) => s + v * ours.values[j]!, 0);
        expect(sum).toBeGreaterThanOrEqual(r.lower - 1e-6);
        expect(sum).toBeLessThanOrEqual(r.upper + 1e-6);
      }
    }
    expect(solved).toBeGreaterThan(least);
  });
  it('refuses numbers that are none', () => {
    expect(() => new ModelBuilder().column(Number.NaN)).toThrow();
    expect(() => new ModelBuilder().row([[0, Infinity]], 0, 1)).toThrow();
  });
});

const STOCK: [string, number][] = [
  ['cayenne-red', 620],
  ['pointed-red', 900],
  ['fatalii', 130],
  ['fresno-red', 340],
  ['chipotle', 55],
  ['lemon-drop', 210],
];
const choices: PodChoice[] = STOCK.map(([id, stockG]) => ({
  lot: lotOfVariety(variety(id), { id }),
  stockG,
  prep: 'whole',
  useFirst: false,
}));
const batch = (lowShu: number, highShu: number, bottles = 10) =>
  newBatch('Solve', '2026-10-01', { lowShu, highShu, bottles, bottleMl: 100 });

describe('choosing pods', () => {
  it('the finished sauce hits the bracket, fills the bottles and stays within stock', () => {
    const answer = choosePods(highs, batch(1200, 3000), choices);
    if (answer.status !== 'found') throw new Error(answer.message);
    expect(answer.mixes.length).toBeGreaterThanOrEqual(2);
    for (const mix of answer.mixes) {
      for (const c of choices) expect(mix.gramsByLot[c.lot.id] ?? 0).toBeLessThanOrEqual(c.stockG + 1e-6);
      expect(Object.keys(mix.gramsByLot).length).toBeLessThanOrEqual(4);
      const report = reportLine(useMix(batch(1200, 3000), choices, mix.gramsByLot), { today: '2026-10-01' });
      expect(report.ends[0]!.finished.heatShu).toBeGreaterThan(1200);
      expect(report.ends[0]!.finished.heatShu).toBeLessThan(3000);
      expect(report.ends[0]!.bottles.filled).toBe(10);
    }
    // Centred: the typical sauce lies near the geometric middle of the bracket.
    const best = reportLine(useMix(batch(1200, 3000), choices, answer.mixes[0]!.gramsByLot), { today: '2026-10-01' });
    expect(Math.abs(best.ends[0]!.finished.heatShu / Math.sqrt(1200 * 3000) - 1)).toBeLessThan(0.05);
  });
  it('gives the same answer for the same question', () => {
    expect(choosePods(highs, batch(1200, 3000), choices)).toEqual(choosePods(highs, batch(1200, 3000), choices));
  });
  it('says what is reachable when it is too hot to ask', () => {
    const answer = choosePods(highs, batch(200_000, 500_000), choices);
    if (answer.status !== 'short') throw new Error('found');
    expect(answer.nearestShu!).toBeGreaterThan(2000);
    expect(answer.nearestShu!).toBeLessThan(40_000);
    expect(answer.help.join(' ')).toMatch(/hotter lot/);
  });
  it('says what is short when there are too few pods', () => {
    const answer = choosePods(highs, batch(2000, 5000, 60), choices);
    if (answer.status !== 'short') throw new Error('found');
    expect(answer.message).toMatch(/60 bottles need about \d+ g/);
    // What fills the bottles comes first, each in grams and with the heat it leaves; then what the pods alone do.
    expect(answer.help[0]).toMatch(/^Fill the 60 bottles with [\d,]+ g of sweet red pepper: at about [\d,]+ SHU/);
    expect(answer.help[1]).toMatch(/carrot.*water.*white vinegar in the jug.*pH about [23]\.\d/);
    expect(answer.help.join(' ')).toMatch(/make \d+ bottles/);
  });
  it('says how to get milder when only hot pods are there', () => {
    const hot = choices.filter((c) => c.lot.id === 'fatalii').map((c) => ({ ...c, stockG: 3000 }));
    const answer = choosePods(highs, batch(200, 500), hot);
    if (answer.status !== 'short') throw new Error('found');
    expect(answer.help.join(' ')).toMatch(/without heat/);
  });
  it('refuses an empty store', () => {
    expect(() => choosePods(highs, batch(1000, 3000), [])).toThrow(/no pods/);
  });
  it('the live blur moves with a share', () => {
    const grams = { 'cayenne-red': 400, 'pointed-red': 300 };
    const gain = lineGain(useMix(batch(1000, 3000), choices, grams));
    const mid = (g: number) => Math.exp(blurOfMix(choices, { ...grams, 'cayenne-red': g }, gain, { lowShu: 1000, highShu: 3000 }).blur!.mu);
    expect(mid(500)).toBeGreaterThan(mid(400));
  });
  // Handbook chapter 2, section 9: 100.3 g habanero of 8.46 g and 150 g cayenne of 7.52 g become 12 and 19 or 20 pods.
  it('rounds to whole pods with little heat error', () => {
    const counts = toWholePods(choices, { 'cayenne-red': 150, fatalii: 100 });
    const load = (g: Record<string, number>) =>
      choices.reduce((s, c) => s + (g[c.lot.id] ?? 0) * (c.lot.heat?.dryShu ?? 0) * (1 - c.lot.waterPct / 100), 0);
    const rounded = Object.fromEntries(counts.map((c) => [c.lotId, c.massG]));
    expect(Math.abs(load(rounded) / load({ 'cayenne-red': 150, fatalii: 100 }) - 1)).toBeLessThan(0.03);
  });
});

it('so many nodes are looked into and no more, however fast the machine is: the same answer again, then none', () => {
  // Forty things of odd weights and worths: a search that does not end at its root.
  const model = new ModelBuilder();
  const things = Array.from({ length: 40 }, (_, i) => model.column(-(31 + ((i * 37) % 29)), 0, 1, true));
  model.row(
    things.map((j, i) => [j, 30 + ((i * 53) % 31)] as const),
    -Infinity,
    613,
  );
  model.row(
    things.map((j, i) => [j, 25 + ((i * 71) % 37)] as const),
    -Infinity,
    587,
  );
  const asked: number[] = [];
  const spy: LinearSolver = { solve: (m, o) => (asked.push(o?.nodes ?? -1), highs.solve(m, { ...o, gap: 0 })) };
  const some = () => {
    const few = budgeted(spy, 30);
    return [few.solve(model), few.solve(model), few.solve(model), few.solve(model)].map((a) => ('objective' in a ? a.objective : a.status));
  };
  const first = some();
  expect(some()).toEqual(first);
  expect(first.at(-1)).toBe('out of nodes');
  // The first used them up: nobody was asked again.
  expect(asked).toEqual([30, 30]);
  expect(typeof first[0]).toBe('number');
  expect(highs.solve(model, { gap: 0 })).toMatchObject({ status: 'optimal' });
});
