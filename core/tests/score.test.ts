import { describe, expect, it } from 'vitest';
import {
  addDays,
  biasesOf,
  coverageOf,
  INSTRUMENT_SD,
  isInside,
  measuredValues,
  offOf,
  predictionsAfterwards,
  predictionsOf,
  reportLine,
  scoresBy,
  tastedHeat,
  tastedPrediction,
  type BatchFile,
  type HeatTasted,
  type Prediction,
  type ScoreRow,
  type StationLog,
} from '../src';
import { exampleFile, log, rounds } from './helpers';
import { dice, randomBatch } from './random';

const TODAY = '2026-11-24';
/** The example before anything of it was measured, and with what was then. */
const planned = (): BatchFile => {
  const file = exampleFile();
  return { ...file, readings: [], strands: file.strands.map((s) => ({ ...s, stations: s.stations.map((e) => ({ ...e, log: {} })) })) };
};
const jarId = (file: BatchFile) => file.strands[0]!.stations.find((s) => s.kind === 'ferment')!.id;

describe('what was foretold, as it stood', () => {
  it('is the band of the report before, and for what an instrument shows of it', () => {
    const before = planned();
    const after = log(log(before, 'strain', { doneOn: '2026-11-12', massG: 900 }), 'bottle', {
      ...{ doneOn: '2026-11-13', pH: 3.5, instrument: 'strip', bottles: 9 },
    });
    const report = reportLine(before, { today: TODAY });
    const band = (id: string) => report.stations.find((s) => s.id === id)!.band;
    const made = new Map(predictionsOf(before, after, TODAY).map((p) => [p.key, p]));
    expect([...made.keys()].sort()).toEqual(['bottle/bottles', 'bottle/pH', 'strain/mass']);
    const { p10, p50, p90 } = band('strain').massG!;
    expect(made.get('strain/mass')).toMatchObject({ p10, p50, p90, measured: 900, on: '2026-11-12', afterwards: false });
    // What a strip may be off by (handbook chapter 6) is added in quadrature.
    const pH = band('bottle').pH!;
    expect(made.get('bottle/pH')!.p90).toBeCloseTo(pH.p50 + Math.hypot(pH.p90 - pH.p50, 1.2816 * INSTRUMENT_SD.strip), 6);
    expect(made.get('bottle/bottles')).toMatchObject(report.ends[0]!.fills.bottles);
    // Nothing is foretold of what was known already, nor by a line that cannot run.
    expect(predictionsOf(after, after, TODAY)).toEqual([]);
  });
  it('a reading of a jar is foretold by the readings before it, and what it was taken over from is not counted twice', () => {
    const before = planned();
    const at = (n: number) => `${addDays(before.startDate, n)}T10:00:00.000Z`;
    const id = jarId(before);
    const read = (n: number, pH: number) => ({ id: `r${n}`, stationId: id, at: at(n), pH, instrument: 'meter' as const });
    const done = (f: BatchFile): BatchFile => log(log(f, 'prep', { doneOn: f.startDate }), 'salt', { doneOn: f.startDate });
    const first = { ...done(before), readings: [read(4, 4.4)] };
    const second = { ...first, readings: [...first.readings, read(6, 4.1)] };
    const [plain] = predictionsOf(done(before), first, addDays(before.startDate, 4));
    const [known] = predictionsOf(first, second, addDays(before.startDate, 6));
    const [blind] = predictionsOf(done(before), { ...second, readings: [read(6, 4.1)] }, addDays(before.startDate, 6));
    expect([plain!.of, plain!.measured]).toEqual(['jarPh', 4.4]);
    expect(known!.p90 - known!.p10).toBeLessThan(0.8 * (blind!.p90 - blind!.p10));
    const taken = log(second, id, { doneOn: addDays(before.startDate, 6), pH: 4.1, instrument: 'meter' });
    expect(measuredValues(taken).map((m) => m.key)).toEqual(['r4/jarPh', 'r6/jarPh']);
  });
  it('afterwards: what is measured on a day and later plays no part in what is foretold of it', () => {
    const bare = planned();
    const day = (n: number) => addDays(bare.startDate, n);
    const reading = (n: number, pH: number) => ({
      id: `r${n}`,
      stationId: jarId(bare),
      at: `${day(n)}T10:00:00.000Z`,
      pH,
      instrument: 'meter' as const,
    });
    const weighed = (strainG: number) =>
      [
        ['prep', { doneOn: day(0) }],
        ['salt', { doneOn: day(0) }],
        ['ferment', { doneOn: day(18), pH: 3.6, instrument: 'meter' }],
        ['drain', { doneOn: day(18), massG: 1000 }],
        ['strain', { doneOn: day(19), massG: strainG }],
        ['bottle', { doneOn: day(20), pH: 3.4, instrument: 'meter', bottles: 8 }],
      ].reduce((f, [id, entry]) => log(f, id as string, entry as StationLog), {
        ...bare,
        readings: [reading(5, 4.3), reading(12, 3.8)],
      } as BatchFile);
    const file = weighed(900);
    const made = predictionsAfterwards(file);
    expect(made.length).toBeGreaterThan(6);
    expect(made.every((p) => p.afterwards)).toBe(true);
    expect(made.map((p) => p.key).sort()).toEqual(
      measuredValues(file)
        .map((m) => m.key)
        .sort(),
    );
    const foretold = (all: Prediction[], until: string) =>
      all.filter((p) => p.on <= until).map(({ key, p10, p50, p90 }) => [key, p10, p50, p90]);
    const otherwise = predictionsAfterwards(weighed(650));
    expect(foretold(otherwise, day(19))).toEqual(foretold(made, day(19)));
    expect(foretold(otherwise, day(20))).not.toEqual(foretold(made, day(20)));
    // Nor what was read of the jar and taken over into its log: the first reading is foretold without it.
    const read = (pH: number) => ({ ...log(file, 'ferment', { pH }), readings: [...file.readings, reading(18, pH)] });
    const first = (f: BatchFile) => foretold(predictionsAfterwards(f), day(5));
    expect(first(read(3.7))).toEqual(first(read(3.5)));
    // What stands in the log of a step that is not done was measured last of all.
    const typed = log(weighed(900), 'strain', { doneOn: undefined as never });
    expect(predictionsAfterwards(JSON.parse(JSON.stringify(typed)) as BatchFile).find((p) => p.key === 'strain/mass')).toMatchObject({
      measured: 900,
    });
  });
  it('of a jar that was read every day for two months four days are worked out, and all that was weighed', () => {
    const bare = planned();
    const readings = Array.from({ length: 60 }, (_, i) => ({
      ...{ id: `r${i}`, stationId: jarId(bare), at: `${addDays(bare.startDate, i + 1)}T10:00:00.000Z`, pH: Math.max(3.6, 5 - 0.1 * i) },
      instrument: 'meter' as const,
    }));
    const file = log(log({ ...bare, readings }, 'prep', { doneOn: bare.startDate }), 'strain', {
      doneOn: addDays(bare.startDate, 62),
      massG: 900,
    });
    expect(predictionsAfterwards(file).map((p) => p.key)).toEqual(['r0/jarPh', 'r20/jarPh', 'r39/jarPh', 'r59/jarPh', 'strain/mass']);
  });
  it('any batch: finite, in order, and only of what is measured', () => {
    const d = dice(31);
    for (let i = 0; i < rounds(120, 0.05); i++) {
      const file = randomBatch(d);
      const keys = new Set(measuredValues(file).map((m) => m.key));
      for (const p of predictionsAfterwards(file)) {
        expect(keys.has(p.key)).toBe(true);
        expect([p.p10, p.p50, p.p90, p.measured].every(Number.isFinite)).toBe(true);
        expect(p.p10 <= p.p50 && p.p50 <= p.p90).toBe(true);
        expect(Number.isFinite(offOf(p))).toBe(true);
      }
    }
  });
  it('heat by taste: the forecast that the book kept, as wide as it and the tongues together', () => {
    const event: HeatTasted = {
      ...{ kind: 'tasting', name: 'Red', parts: [], processSd: 0 },
      ...{ forecast: { mu: Math.log(2000), sigma: 0.4 }, scores: [{ taster: 'A', score: 5 }] },
    };
    const p = tastedPrediction(event, 3, TODAY, new Map());
    const { mu, sd } = tastedHeat(event.scores, new Map());
    expect([p.p50, p.measured]).toEqual([expect.closeTo(2000, 6), Math.exp(mu)]);
    expect(Math.log(p.p90 / p.p50)).toBeCloseTo(1.2816 * Math.sqrt(0.16 + sd ** 2), 9);
  });
});

describe('how good it was', () => {
  const row = (of: Prediction['of'], measured: number, more: Partial<ScoreRow> = {}): ScoreRow => ({
    ...{ key: `k${Math.round(measured * 1e6)}`, of, stationId: 's', on: TODAY, p10: 90, p50: 100, p90: 110, measured, afterwards: false },
    ...{ batchId: 'b', batch: 'B', style: 'brine ferment', station: 'Strain', tool: null, lots: [] },
    ...more,
  });
  it('counts by itself what a sum by hand counts; the share in the long run by the interval where a test of it would not refuse', () => {
    const values = [80, 89.9, 90, 95, 100, 104, 110, 110.1, 130, 101];
    const c = coverageOf(values.map((v) => row('mass', v)));
    expect([c.n, c.inside, c.below, c.above]).toEqual([10, 6, 2, 2]);
    const mean = values.reduce((s, v) => s + (v - 100) / 100, 0) / 10;
    expect(c.off!.mean).toBeCloseTo(mean, 12);
    const sd = Math.sqrt(values.reduce((s, v) => s + ((v - 100) / 100 - mean) ** 2, 0) / 9);
    expect(c.off!.se).toBeCloseTo(sd / Math.sqrt(10), 12);
    // Wilson's bounds are where the score test just refuses: |0.6 - p| = z sqrt(p (1 - p) / n), found by halving.
    const bound = (from: number, to: number) => {
      let [a, b] = [from, to];
      for (let i = 0; i < 60; i++) {
        const p = (a + b) / 2;
        if (Math.abs(0.6 - p) > 1.6449 * Math.sqrt((p * (1 - p)) / 10)) a = p;
        else b = p;
      }
      return a;
    };
    expect([c.low, c.high]).toEqual([expect.closeTo(bound(0, 0.6), 6), expect.closeTo(bound(1, 0.6), 6)]);
    expect(isInside(row('mass', 90)) && !isInside(row('mass', 89.99))).toBe(true);
  });
  it('a sieve that keeps a fifth more is found by its name; one that is right, and two weighings, say nothing', () => {
    const d = dice(3);
    const noise = () => 1 + 0.05 * (d.next() + d.next() + d.next() - 1.5);
    const off = Array.from({ length: 4 }, () => row('mass', 80 * noise(), { tool: 'Fine sieve' }));
    const right = Array.from({ length: 6 }, () => row('mass', 100 * noise(), { tool: 'Mouli' }));
    const few = Array.from({ length: 2 }, () => row('mass', 70 * noise(), { station: 'Press' }));
    const [bias, ...others] = biasesOf([...off, ...right, ...few]);
    expect(bias).toMatchObject({ of: 'mass', group: 'tool', name: 'Fine sieve', n: 4 });
    expect(bias!.off).toBeGreaterThan(-0.25);
    expect(bias!.off).toBeLessThan(-0.15);
    expect(others).toEqual([]);
    // Where nothing is off, luck is hardly ever told as a fault: of 400 kitchens with eight weighings at most one in twenty.
    let told = 0;
    for (let i = 0; i < 400; i++)
      told += Number(
        biasesOf(Array.from({ length: 8 }, () => row('mass', 100 * (1 + 0.12 * (noise() - 1) * 20), { tool: 'T' }))).length > 0,
      );
    expect(told).toBeLessThan(20);
  });
  it('put together: every row once for each of its names', () => {
    const rows = [row('heat', 95, { lots: ['A', 'B'] }), row('heat', 120, { lots: ['A'] }), row('heat', 99, { lots: [] })];
    expect(scoresBy(rows, 'lot').map((g) => [g.name, g.coverage.n, g.coverage.inside])).toEqual([
      ['A', 2, 1],
      ['B', 1, 1],
    ]);
    expect(scoresBy(rows, 'tool')).toEqual([]);
  });
});
