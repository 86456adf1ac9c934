import { beforeAll, describe, expect, it } from 'vitest';
import {
  compareBatches,
  goalOf,
  heatShu,
  LineProblem,
  ingredient,
  lessonsOf,
  mainEnd,
  makeAgain,
  mapStations,
  massOf,
  podUses,
  reportTypical,
  runLine,
  stationIn,
  stationsOf,
  TYPICAL,
  addStation,
  unmade,
  whyHotter,
  withGoal,
  withRound,
  type AgainWish,
  type Asked,
  type BatchFile,
  type LinearSolver,
  type TodaysLot,
} from '../src';
import { highsSolver } from '@roskel/core/highs';
import { checkBatchFile } from '../../contract/src/validate';
import { example, log, sauceOf, rounds } from './helpers';
import { randomGraph } from './graphs';
import { dice, randomBatch } from './random';

const TODAY = '2026-11-20';
const ROWS = ['salt_fine', 'vinegar_cider', 'garlic'].map((k) => ingredient(k));
let solver: LinearSolver;
beforeAll(async () => {
  solver = await highsSolver();
});

/** The brine ferment, made: every station weighed by hand as `share` of its plan where that says something. */
function made(shares: Record<string, number> = {}): BatchFile {
  let file = unmade(example('slipway-red'), new Set());
  for (const { entry } of stationsOf(file)) {
    const { planned } = reportTypical(file, TODAY).stations.find((s) => s.id === entry.id)!;
    const share = shares[entry.id];
    file = log(file, entry.id, {
      doneOn: ['prep', 'salt'].includes(entry.kind) ? file.startDate : '2026-11-10',
      ...(entry.kind === 'ferment' ? { pH: 3.6, instrument: 'meter' as const } : {}),
      ...(share === undefined ? {} : { massG: Math.round(planned.massG * share * 10) / 10 }),
    });
  }
  return file;
}
/** Any heat is right: the pods stay. */
const wide = (file: BatchFile): BatchFile =>
  withGoal(file, mainEnd(file).id, { ...goalOf(file, mainEnd(file).id), lowShu: 50, highShu: 50_000 });
const plenty = (file: BatchFile, hotter = 1): TodaysLot[] =>
  file.lots.map((lot) => ({
    lot: lot.heat ? { ...lot, heat: { ...lot.heat, dryShu: lot.heat.dryShu * hotter, sigma: 0.1 } } : lot,
    freeG: 5000,
  }));
const asked = (lots: TodaysLot[]): Asked => ({ lots, rows: ROWS, stored: [], school: 'dry', today: TODAY });
const wishOf = (file: BatchFile, more: Partial<AgainWish> = {}): AgainWish => ({
  name: 'Once more',
  startDate: '2026-11-21',
  goal: goalOf(file, mainEnd(file).id),
  without: [],
  ...more,
});

describe('make again', () => {
  it('a sieve that held back more and a jug that kept some: more goes in for the same bottles, and each reason stands there', () => {
    const file = wide(made({ blend: 0.93, strain: 0.8 }));
    const again = makeAgain(solver, file, 'b1', wishOf(file), asked(plenty(file)));
    expect(checkBatchFile(again.file)).toMatchObject({ ok: true });
    expect(again.lessons.map((l) => l.id.split('/')[0])).toEqual(expect.arrayContaining(['tool', 'own']));
    // The weighed batch came to less than planned; the next one is planned with that, and fills its bottles.
    expect(again.made.sauceG).toBeLessThan(again.planned.sauceG);
    const goal = goalOf(again.file, mainEnd(again.file).id);
    expect(again.next.bottles).toBe(goal.bottles);
    const perPod = (f: { sauceG: number; podsG: number }) => f.sauceG / f.podsG;
    expect(perPod(again.next)).toBeLessThan(perPod(again.planned) * 0.97);
    expect(again.reasons.join(' ')).toMatch(/more goes in for as much sauce/);
    // Left out, each lesson leaves the plan as it was.
    const plain = makeAgain(solver, file, 'b1', wishOf(file, { without: again.lessons.map((l) => l.id) }), asked(plenty(file)));
    expect(perPod(plain.next)).toBeGreaterThan(perPod(again.next));
  });
  it('tasted hotter than planned: milder pods or fewer of the hot ones bring the heat back, and it says so', () => {
    const plain = made();
    const plannedShu = makeAgain(solver, plain, 'b1', wishOf(plain), asked(plenty(plain))).planned.shu;
    const end = mainEnd(plain).id;
    const file = withGoal(plain, end, { ...goalOf(plain, end), lowShu: plannedShu / 1.6, highShu: plannedShu * 1.6 });
    const again = makeAgain(solver, file, 'b1', wishOf(file), asked(plenty(file, 1.6)));
    expect(again.reasons.join(' ')).toMatch(/60 % hotter/);
    const unsolved = again.planned.shu * 1.6;
    expect(again.next.shu).toBeLessThan(unsolved * 0.9);
    const { lowShu, highShu } = goalOf(file, mainEnd(file).id);
    expect(again.next.shu).toBeGreaterThan(lowShu);
    expect(again.next.shu).toBeLessThan(highShu);
    // The same again when nothing was learnt: the same pods, to the gram of rounding.
    const same = makeAgain(solver, file, 'b1', wishOf(file), asked(plenty(file)));
    const kinds = (f: BatchFile) =>
      podUses(f)
        .map((u) => u.lotId)
        .sort();
    expect(kinds(same.file)).toEqual(kinds(file));
    expect(same.next.shu / same.planned.shu).toBeCloseTo(1, 1);
  });
  it('another amount: everything in proportion, and no log of the first is in the second', () => {
    const file = made({ strain: 0.9 });
    const goal = goalOf(file, mainEnd(file).id);
    const twice = makeAgain(solver, file, 'b1', wishOf(file, { goal: { ...goal, bottles: goal.bottles * 2 } }), asked(plenty(file)));
    const once = makeAgain(solver, file, 'b1', wishOf(file), asked(plenty(file)));
    expect(twice.next.podsG / once.next.podsG).toBeCloseTo(2, 1);
    expect(twice.file.readings).toEqual([]);
    for (const { entry } of stationsOf(twice.file)) expect(entry.log).toEqual({});
  });
  it('what was put right by taste goes in again, in proportion; left out it does not', () => {
    const bare = unmade(example('overnight-red'), new Set());
    const base = addStation(bare, 'trim', { stationId: mainEnd(bare).stations.at(-1)!.id, where: 'before' });
    const at = stationsOf(base).find((s) => s.entry.kind === 'trim')!.entry.id;
    const row = ingredient('sugar_white');
    const round = {
      id: 'r1',
      at: '2026-11-10T10:00:00.000Z',
      says: { sweet: 'little' as const },
      was: { heat: 1000, sour: 3.5, salt: 2, sweet: 3, body: 3 },
      put: [{ from: 'larder' as const, of: 'sugar_white', g: 10 }],
    };
    const file = withRound(base, at, round, [row], []);
    const lots = plenty(file);
    const again = makeAgain(solver, file, 'b2', wishOf(file), asked(lots));
    const sugar = (f: BatchFile) =>
      (stationIn(f, at)?.intakes ?? []).reduce(
        (s, i) =>
          s +
          (i.origin.from === 'larder' && i.origin.key === 'sugar_white' && typeof i.amount === 'object' && 'g' in i.amount
            ? i.amount.g
            : 0),
        0,
      );
    expect(sugar(again.file)).toBeGreaterThan(5);
    expect(again.lessons.find((l) => l.id.startsWith('trim'))!.says).toMatch(/too little sweet.*10 g.*sugar/i);
    const without = makeAgain(solver, file, 'b2', wishOf(file, { without: [`trim/${at}`] }), asked(lots));
    expect(sugar(without.file)).toBe(0);
  });
  it('pods that are gone: others of today are chosen, or what is short is named', () => {
    const file = made();
    const none = makeAgain(solver, file, 'b1', wishOf(file), asked([]));
    expect(none.short.length).toBe(podUses(none.file).length);
    const others = example('harbour-dark')
      .lots.concat(example('jetty-vinegar').lots)
      .map((lot, n) => ({ lot: { ...lot, id: `n${n}` }, freeG: 4000 }));
    const chosen = makeAgain(solver, file, 'b1', wishOf(file), asked(others));
    if (chosen.short.length === 0) {
      expect(podUses(chosen.file).every((u) => u.lotId.startsWith('n'))).toBe(true);
      expect(chosen.reasons.join(' ')).toMatch(/chosen anew/);
    } else expect(chosen.reasons.join(' ')).toMatch(/could not be chosen/);
  });
  it('every example can be made again, however it was logged: a file that is whole, runs and has nothing of the first', () => {
    const d = dice(31);
    for (const name of [
      'galley-red',
      'harbour-dark',
      'net-loft',
      'quay-dip',
      'lantern-paste',
      'four-coves',
      'driftwood',
      'sandbar-sweet',
      'smokehouse-mango',
      'breakwater-mash',
      'rockpool-green',
      'lugger-sweet',
    ]) {
      const file = example(name);
      const logged = mapStations(file, (e) => ({
        ...e,
        log: { ...e.log, note: 'as told', ...(d.chance(0.5) ? { bottles: undefined } : {}) },
      })) as BatchFile;
      const clean = JSON.parse(JSON.stringify(logged)) as BatchFile;
      const again = makeAgain(solver, clean, name, wishOf(clean), asked(plenty(clean)));
      expect(checkBatchFile(JSON.parse(JSON.stringify(again.file))), name).toMatchObject({ ok: true });
      expect(again.next.sauceG, name).toBeGreaterThan(0);
      expect(Number.isFinite(again.next.shu), name).toBe(true);
    }
  });
  it('whatever was made, weighed, wished and left of the stock: a file that can be stored with nothing logged, or a sentence', () => {
    let made = 0;
    for (let n = 0; n < rounds(130); n++) {
      const d = dice(9000 + n);
      const runs = (f: BatchFile) => {
        try {
          return runLine(f, TYPICAL, true).length + runLine(f, TYPICAL, false).length > 0;
        } catch {
          return false;
        }
      };
      let file = d.chance(0.6) ? randomBatch(d) : randomGraph(d);
      if (!runs(file)) continue;
      const report = reportTypical(file, TODAY);
      const off = (g: number) => Math.max(1, Math.round(g * d.pick([0.5, 0.7, 0.9, 0.97, 1, 1.1])));
      file = mapStations(file, (s) => {
        const g = report.stations.find((x) => x.id === s.id)!.now.massG;
        return d.chance(0.3) && s.kind !== 'bottle' ? { ...s, log: { ...s.log, massG: off(g) } } : s;
      });
      if (!runs(file)) continue;
      const lots = file.lots
        .filter(() => d.chance(0.8))
        .map((lot) => ({
          lot: lot.heat ? { ...lot, heat: { ...lot.heat, dryShu: Math.min(16e6, lot.heat.dryShu * d.pick([0.3, 1, 1.02, 3])) } } : lot,
          freeG: d.pick([0, 1, 50, 500, 5000, 1e6]),
        }));
      const goal = { ...mainEnd(file).goal, bottles: d.pick([1, 3, 10, 500]), bottleMl: d.pick([10, 100, 5000]) };
      const without = lessonsOf(file, 'b')
        .map((l) => l.id)
        .filter(() => d.chance(0.3));
      const school = d.pick(['dry', 'fresh'] as const);
      try {
        const again = makeAgain(solver, file, 'b', wishOf(file, { goal, without }), { ...asked(lots), school });
        expect(checkBatchFile(JSON.parse(JSON.stringify(again.file))), String(n)).toMatchObject({ ok: true });
        for (const f of [again.planned, again.made, again.next])
          for (const v of Object.values(f)) expect(Number.isFinite(v) && v >= 0, String(n)).toBe(true);
        for (const { entry } of stationsOf(again.file)) expect(Object.keys(entry.log)).toEqual([]);
        compareBatches([file, again.file], TODAY);
        made++;
      } catch (e) {
        if (!(e instanceof LineProblem || e instanceof RangeError)) throw e;
        expect(e.message).toMatch(/\.$/);
      }
    }
    expect(made).toBeGreaterThan(rounds(40));
  });
  it('a batch that was never made taught nothing, and says so; what is left over is sauce as well', () => {
    for (const name of ['overnight-red', 'samphire-green', 'spring-tide', 'lugger-sweet']) {
      const file = unmade(example(name), new Set());
      const again = makeAgain(solver, file, 'b', wishOf(file), asked(plenty(file)));
      expect(again.lessons, name).toEqual([]);
      expect(again.reasons.join(' '), name).not.toMatch(/yielded/);
    }
  });
  it('what was said of the sauce stays with it; words about a step go along; a round left out leaves what was planned there', () => {
    const bare = unmade(example('overnight-red'), new Set());
    const end = mainEnd(bare).stations.at(-1)!.id;
    const at = 'trim';
    const trimmed = addStation(bare, 'trim', { stationId: end, where: 'before' });
    const row = ingredient('sugar_white');
    const sweet = { id: 'sugar_white', origin: { from: 'larder' as const, key: 'sugar_white' }, amount: { g: 20 } };
    const planned = mapStations(trimmed, (e) => (e.kind === 'trim' ? { ...e, intakes: [sweet] } : e));
    const id = stationsOf(planned).find((s) => s.entry.kind === at)!.entry.id;
    const put = [{ from: 'larder' as const, of: 'sugar_white', g: 10 }];
    const was = { heat: 1000, sour: 3.5, salt: 2, sweet: 3, body: 3 };
    const round = { id: 'r1', at: '2026-11-10T10:00:00.000Z', says: { sweet: 'little' as const }, was, put };
    const rounded = withRound(planned, id, round, [row], []);
    const told = log(log(rounded, end, { note: 'sharp after a week' }), id, { note: 'stir long' });
    const after = unmade(told, new Set([`trim/${id}`]));
    expect(stationIn(after, id)!.intakes[0]!.amount).toEqual({ g: 20 });
    expect(stationIn(after, id)!.log).toEqual({ note: 'stir long' });
    expect(stationIn(after, end)!.log).toEqual({});
  });
});

describe('side by side', () => {
  it('what made the difference multiplies to the whole difference, on any two examples', () => {
    const names = ['slipway-red', 'harbour-dark', 'jetty-vinegar', 'quay-dip', 'overnight-red', 'galley-red'];
    for (const a of names)
      for (const b of names) {
        const [fa, fb] = [example(a), example(b)];
        const shu = (f: BatchFile) => heatShu(sauceOf(f, runLine(f, TYPICAL, true)));
        const product = whyHotter(fa, fb).reduce((s, w) => s * w.factor, 1);
        // What moves it by less than 2 % is not named: four such are 8 %.
        expect(Math.abs(Math.log(product / (shu(fb) / shu(fa)))), `${a} ${b}`).toBeLessThan(4 * Math.log(1.02) + 1e-9);
      }
    expect(whyHotter(example('slipway-red'), example('slipway-red'))).toEqual([]);
  });
  it('stations beside each other by kind; planned and measured of each', () => {
    const [a, b] = [made({ strain: 0.8 }), unmade(example('slipway-red'), new Set())];
    const c = compareBatches([a, b], TODAY);
    const strain = c.rows.find((r) => r.kind === 'strain')!;
    expect(strain.of[0]).toMatchObject({ weighed: true, done: true });
    expect(strain.of[1]).toMatchObject({ weighed: false });
    expect(strain.of[0]!.now.massG).toBeLessThan(strain.of[0]!.planned.massG);
    expect(c.ends[0]!.now.massG).toBeLessThan(c.ends[1]!.now.massG);
    const mixed = compareBatches([example('harbour-dark'), example('slipway-red'), example('quay-dip')], TODAY);
    for (const r of mixed.rows) expect(r.of.some((x) => x !== null)).toBe(true);
    const kinds = (f: BatchFile) => stationsOf(f).length;
    expect(mixed.rows.filter((r) => r.of[1] !== null).length).toBe(kinds(example('slipway-red')));
  });
  it('lessons of a batch nobody weighed are none', () => {
    expect(lessonsOf(unmade(example('slipway-red'), new Set()), 'x')).toEqual([]);
    expect(massOf(sauceOf(example('slipway-red'), runLine(example('slipway-red'), TYPICAL, true)))).toBeGreaterThan(0);
  });
});
