import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { describe, expect, it } from 'vitest';
import {
  blockTemps,
  drawOf,
  forecastJar,
  JAR_UNKNOWNS,
  jarParameters,
  learnJar,
  learntOf,
  livelyOf,
  naturalOf,
  normalQuantile,
  phAt,
  simulateJar,
  type ForecastInput,
  type JarConditions,
  type JarReading,
  type Seen,
  NOTHING_SAID,
} from '../src';

const conditions: JarConditions = {
  ...{ saltPct: 3.5, brinePct: 6, cut: 'chopped', produceShare: 0.5, sugarMmol: 120 },
  ...{ pH0: 5.25, pH0Sd: 0.15, lactate0: 0, acetate0: 0 },
} as const;
const temps = blockTemps([], 21, 160);
/** A jar of a place whose jars are so lively (log, against the tables), all else as jars go; read by a meter. */
const rng = xoroshiro128plus(20261126);
const normal = () => normalQuantile(0.0005 + 0.999 * uniformFloat64(rng));
function jar(log: number): { days: number[]; pH: Float64Array; readings: JarReading[] } {
  const z = Float64Array.from(JAR_UNKNOWNS, normal);
  // From one jar to the next in the same place: a tenth.
  const run = simulateJar(jarParameters({ ...conditions, vigour: { log, sd: 0.1 } }, drawOf(z)), temps);
  const days = [2, 3.5, 5, 7, 10];
  return {
    days,
    pH: run.pH,
    readings: days.map((day) => ({ day, pH: phAt(run.pH, day) + 0.05 * normal(), sd: 0.05, instrument: 'meter' })),
  };
}
function taught(place: number, jars: number, log: number): Seen[] {
  return Array.from({ length: jars }, (_, i) => {
    const { readings } = jar(log);
    const lively = livelyOf(learnJar({ conditions, temps, readings, members: 300, seed: place * 77 + i }));
    return lively ? [{ on: '2026-10-01', where: `jar ${i}`, of: `jar ${i}`, log: lively.log, sd: lively.sd }] : [];
  }).flat();
}
const asked: ForecastInput = {
  ...{
    conditions,
    tempC: 21,
    temps: [],
    readings: [],
    horizonDays: 40,
    members: 300,
    seed: 3,
    targetPh: 3.8,
    leastDays: 7,
    now: 0,
    risk: NOTHING_SAID,
  },
};

describe('what one jar taught carries to the next in the same place', () => {
  it('a place is known better by every jar, and on the right side; a slow one is told from a quick one', () => {
    for (const log of [-0.45, 0.35]) {
      const seen = [1, 2, 3].flatMap((place) => taught(place + (log > 0 ? 10 : 0), 4, log));
      expect(seen.length).toBeGreaterThan(8);
      const mean = seen.reduce((a, s) => a + s.log, 0) / seen.length;
      expect(Math.sign(mean)).toBe(Math.sign(log));
      const tool = { kind: 'place' as const, seen: seen.slice(0, 4) };
      expect(learntOf(tool).sd).toBeLessThan(learntOf({ ...tool, seen: [] }).sd);
      expect(Math.sign(learntOf(tool).log)).toBe(Math.sign(log));
    }
  });

  it('the forecast of the next jar is nearer to it, before anything is read, and its band still holds', () => {
    let [nearer, held, all, wide, narrow] = [0, 0, 0, 0, 0];
    for (let place = 20; place < 28; place++) {
      const log = place % 2 ? -0.4 : 0.35;
      const vigour = learntOf({ kind: 'place', seen: taught(place, 4, log) });
      const plain = forecastJar(asked);
      const known = forecastJar({ ...asked, conditions: { ...conditions, vigour } });
      for (let i = 10; i < 18; i++) {
        const { pH } = jar(log);
        for (const day of [4, 6]) {
          const at = plain.days.indexOf(day);
          const [p, k] = [plain.pH[at]!, known.pH[at]!];
          all++;
          if (Math.abs(phAt(pH, day) - k.p50) < Math.abs(phAt(pH, day) - p.p50)) nearer++;
          if (phAt(pH, day) >= k.p10 && phAt(pH, day) <= k.p90) held++;
          wide += p.p90 - p.p10;
          narrow += k.p90 - k.p10;
        }
      }
    }
    expect(nearer / all).toBeGreaterThan(0.55);
    expect(held / all).toBeGreaterThan(0.7);
    expect(narrow).toBeLessThan(wide);
  });

  it('pods of a kitchen that begin sourer than the tables say are told by early readings, and the next jar expects them', () => {
    const begins = -0.2;
    const seen: Seen[] = Array.from({ length: 4 }, (_, i) => {
      const z = Float64Array.from(JAR_UNKNOWNS, normal);
      const own = { ...conditions, pH0: conditions.pH0 + begins, pH0Sd: 0.03 };
      const run = simulateJar(jarParameters(own, drawOf(z)), temps);
      const readings: JarReading[] = [0.2, 1, 4].map((day) => ({
        day,
        pH: phAt(run.pH, day) + 0.05 * normal(),
        sd: 0.05,
        instrument: 'meter',
      }));
      const natural = naturalOf(learnJar({ conditions, temps, readings, members: 300, seed: 900 + i }))!;
      expect(natural.off).toBeLessThan(0.1);
      return { on: '2026-10-01', where: `jar ${i}`, of: `jar ${i}`, log: 0, sd: 3, natural };
    });
    const { natural } = learntOf({ kind: 'place', seen });
    expect(natural!.off).toBeLessThan(-0.08);
    expect(natural!.off).toBeGreaterThan(-0.3);
    expect(natural!.sd).toBeLessThan(0.15);
    // Told again by a jar that expected it: against the tables, not against what was expected.
    const expecting = { ...conditions, pH0: conditions.pH0 + natural!.off, pH0Sd: natural!.sd, placeOff: natural!.off };
    const early: JarReading[] = [0.1, 0.4, 0.8].map((day) => ({ day, pH: conditions.pH0 + begins, sd: 0.05, instrument: 'meter' }));
    const again = naturalOf(learnJar({ conditions: expecting, temps, readings: early, members: 300, seed: 4 }));
    if (again) expect(Math.abs(again.off - begins)).toBeLessThan(0.12);
    expect(
      naturalOf(learnJar({ conditions: { ...conditions, measuredStart: true }, temps, readings: early, members: 300, seed: 4 })),
    ).toBeNull();
    expect(naturalOf(learnJar({ conditions, temps, readings: [], members: 300, seed: 4 }))).toBeNull();
  });

  it('says nothing where nothing was read, one strip was, or no jar does what was read', () => {
    const of = (readings: JarReading[]) => livelyOf(learnJar({ conditions, temps, readings, members: 300, seed: 5 }));
    expect(of([])).toBeNull();
    expect(of([{ day: 1, pH: 5.2, sd: 0.4, instrument: 'strip' }])).toBeNull();
    expect(of([2, 4, 6, 8].map((day) => ({ day, pH: 3 + day / 3, sd: 0.05, instrument: 'meter' })))).toBeNull();
  });
});
