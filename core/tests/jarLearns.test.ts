import { describe, expect, it } from 'vitest';
import {
  anyDrift,
  blockTemps,
  cholesky,
  drawOf,
  driftAt,
  driftCov,
  driftSd,
  forecastJar,
  jarParameters,
  learnJar,
  lookCov,
  normalQuantile,
  phAt,
  simulateJar,
  thinTemps,
  type ForecastInput,
  type JarReading,
  NOTHING_SAID,
  jarOdds,
  oneIn,
  type Cut,
  type Forecast,
  type JarAtRisk,
  type JarRisk,
  COVERS,
  SIGN_IDS,
  type Sign,
  wrongText,
} from '../src';
import { CHOPPED, hiddenJar, READ_ON, type TruthName } from './jarTruths';
import { dice } from './random';

const asked: ForecastInput = {
  ...{ conditions: CHOPPED, tempC: 21, temps: [], readings: [], horizonDays: 60, members: 300, seed: 3 },
  ...{ targetPh: 3.8, leastDays: 7, now: 0, risk: NOTHING_SAID },
};
const read = (day: number, pH: number, sd = 0.07): JarReading => ({ day, pH, sd, instrument: sd > 0.3 ? 'strip' : 'meter' });
const at = (readings: JarReading[], day = 14) => {
  const f = forecastJar({ ...asked, readings });
  const q = f.pH[f.days.indexOf(day)]!;
  return { ...f, q, width: q.p90 - q.p10 };
};

describe('readings steer the jar as handbook chapter 4, section 4.3 has it (its table, within seed noise)', () => {
  it('three readings of a jar as jars go', () => {
    const f = at([read(2, 5), read(4, 4.5), read(7, 4.05)]);
    expect(f.q.p10).toBeCloseTo(3.52, 1);
    expect(f.q.p50).toBeCloseTo(3.72, 1);
    expect(f.crossings.legal.p50!).toBeCloseTo(3.7, 0);
    expect(f.crossings.house.p50!).toBeGreaterThan(7);
    expect(f.crossings.house.p50!).toBeLessThan(9);
    expect(f.fit).toBe('fits');
  });
  it('a slow one read late', () => {
    const f = at([read(13, 4.5, 0.1)]);
    expect(Math.abs(f.q.p50 - 4.3)).toBeLessThan(0.08);
    expect(f.crossings.house.p50!).toBeGreaterThan(20);
    expect(f.fit).toBe('fits');
  });
  it('a strip, and ten by a meter', () => {
    expect(at([read(5, 4, 0.4)]).q.p50).toBeCloseTo(3.63, 1);
    const ten = [5.2, 5.05, 4.7, 4.45, 4.25, 4.12, 3.98, 3.88, 3.82, 3.78].map((p, i) =>
      read([1, 2, 3, 4, 5, 6, 8, 10, 12, 14][i]!, p, 0.05),
    );
    const f = at(ten);
    expect(f.q.p50).toBeCloseTo(3.74, 1);
    expect(f.width).toBeLessThan(0.4);
    expect(f.fit).toBe('fits');
  });
  it('an undeclared starter fits no jar that is known; a rise is told and never smoothed away', () => {
    expect(at([read(1, 3.8), read(2, 3.6), read(4, 3.5)]).fit).toBe('no known jar');
    const rising = at([read(5, 4), read(9, 4.8)]);
    expect(rising.fit).toBe('rises');
    // What came after the rise steers nothing.
    expect(rising.q).toEqual(at([read(5, 4)]).q);
  });
  it('a reading of 3.7 to 4.8 at day 6, well read, is met there', () => {
    let half = 0;
    for (const [pH, median] of [
      [3.7, 3.72],
      [4.0, 4.03],
      [4.3, 4.28],
      [4.8, 4.76],
    ] as const) {
      const f = at([read(6, pH, 0.02)], 6);
      expect(f.q.p50).toBeCloseTo(median, 1);
      half += f.width / 8;
    }
    // What is uneven in a jar, and how far it is from the model just then (handbook chapter 6b, section 5).
    expect(half).toBeGreaterThan(0.06);
    expect(half).toBeLessThan(0.11);
  });
});

describe('what readings are worth', () => {
  const clean = [read(2, 5), read(4, 4.5), read(7, 4.05)];
  it('a reading narrows, a strip less than a meter, one with no worth nothing; one taken away leaves no trace', () => {
    const [none, strips, meter] = [at([]), at(clean.map((r) => read(r.day, r.pH, 0.4))), at(clean)];
    expect(meter.width).toBeLessThan(strips.width);
    expect(strips.width).toBeLessThan(none.width);
    expect(Math.abs(at([read(6, 4.2, 10)]).q.p50 - none.q.p50)).toBeLessThan(0.03);
    expect(at([...clean].reverse()).q).toEqual(meter.q);
    expect(at([]).q).toEqual(none.q);
  });
  it('one that is plainly wrong among five is named, and takes the middle no further than half of what it asks', () => {
    const five = [read(2, 5.05, 0.05), read(4, 4.5, 0.05), read(6, 4.15, 0.05), read(9, 3.92, 0.05)];
    const right = at(five, 11);
    const wrong = at([...five, read(11, 3.2, 0.05)], 11);
    expect(wrong.fit).toBe('one is off');
    expect(wrong.seen.filter((s) => s.doubt > 0.5).map((s) => s.day)).toEqual([11]);
    expect(Math.abs(wrong.q.p50 - right.q.p50)).toBeLessThan(0.5 * (right.q.p50 - 3.2));
    expect(right.fit).toBe('fits');
    // One wrong low reading makes no rise (handbook chapter 6, section 3): it is named as the others are.
    expect(at([...five, read(5, 3.4, 0.05)]).fit).toBe('one is off');
  });
  it('the day that is named for the next reading narrows more than the others, read on jars that are left', () => {
    const f = forecastJar({ ...asked, readings: [read(2, 5)], now: 2 });
    expect(f.next!.leaves).toBeLessThan(0.93);
    // Held against the thing itself: jars the readings leave are read on that day and on the last one, and learnt anew.
    const learnt = learnJar({ ...asked, readings: [read(2, 5)], temps: new Float64Array(240).fill(21) });
    const left = (day: number) => {
      let sum = 0;
      for (let j = 0; j < 10; j++) {
        const path = simulateJar(jarParameters(CHOPPED, drawOf(learnt.members[j * 29]!)), new Float64Array(240).fill(21)).pH;
        const then = forecastJar({ ...asked, members: 120, readings: [read(2, 5), read(day, phAt(path, day), 0.05)] });
        const spread = (then.ready.to ?? 60) - (then.ready.from ?? 60);
        sum += spread;
      }
      return sum;
    };
    expect(left(f.next!.day)).toBeLessThan(left(3));
  });
});

/** How often the 80 % band of day 14 holds a hidden jar, its width, and that of the day of 3.8, read on those days. */
function asRead(kind: TruthName, days: readonly number[], wrong = 0, count = 24) {
  let [holds, width, days38] = [0, 0, 0];
  for (let i = 0; i < count; i++) {
    const { truth, read: readOn } = hiddenJar(kind, i, wrong);
    const f = forecastJar({ ...asked, members: 60, seed: i, readings: readOn(days), now: null });
    const q = f.pH[f.days.indexOf(14)]!;
    if (truth(14) >= q.p10 && truth(14) <= q.p90) holds++;
    width += (q.p90 - q.p10) / count;
    days38 += ((f.crossings.target.p90 ?? 60) - (f.crossings.target.p10 ?? 60)) / count;
  }
  return { holds: holds / count, width, days38, err: Math.sqrt((0.8 * 0.2) / count) };
}

it('hidden jars of models that are not the product’s: the band of day 14 holds and narrows (handbook chapter 6b, section 5)', () => {
  const [none, one, three, six] = READ_ON.map((days) => asRead('b', days)) as [Read, Read, Read, Read];
  for (const r of [none, one, three, six]) expect(r.holds).toBeGreaterThanOrEqual(0.76 - 3 * r.err);
  for (const r of [three, six]) expect(r.holds).toBeLessThanOrEqual(0.86 + 3 * r.err);
  expect(one.width).toBeLessThan(0.9 * none.width);
  expect(three.width).toBeLessThan(0.8 * one.width);
  expect(six.width).toBeLessThan(0.7 * three.width);
  expect(three.days38).toBeLessThan(19);
  // Eight readings in a hundred that are plainly wrong; and jars that fall as a logistic curve does.
  for (const r of [asRead('b', READ_ON[2]!, 0.08), asRead('b', READ_ON[3]!, 0.08)]) expect(r.holds).toBeGreaterThanOrEqual(0.7 - 3 * r.err);
  const p = asRead('p', READ_ON[3]!);
  expect(p.holds).toBeGreaterThanOrEqual(0.76 - 3 * p.err);
  expect(p.width).toBeLessThan(0.3);
});
type Read = ReturnType<typeof asRead>;

describe('how far a jar is from the model of it wanders (handbook chapter 6b, section 2)', () => {
  it('sd 0.115 at a knot and nothing at the start; one reading is as sure as its instrument, the jar and the path are', () => {
    for (const day of [2, 4, 16, 256]) expect(driftSd(day)).toBeCloseTo(0.115, 10);
    expect([driftSd(0), driftSd(1)]).toEqual([0, 0.0575]);
    // A knot keeps half of the one before it; between two knots the path is straight in log2 of the day.
    for (const [a, b, kept] of [
      [2, 4, 0.5],
      [2, 8, 0.25],
      [8, 64, 0.125],
    ] as const)
      expect(driftCov(a, b)).toBeCloseTo(kept * 0.115 ** 2, 12);
    expect(driftCov(2, 2 * Math.SQRT2)).toBeCloseTo(0.75 * 0.115 ** 2, 12);
    expect(cholesky(lookCov([{ day: 4, sd: 0.06 }]), 1)[0]).toBeCloseTo(Math.hypot(0.06, 0.04, 0.115), 10);
  });
  it('a thousand paths spread and hang together as their covariance says', () => {
    const d = dice(11);
    const paths = Array.from({ length: 1000 }, () => anyDrift(() => normalQuantile(1e-9 + d.next() * (1 - 2e-9))));
    for (const [a, b] of [
      [3, 3],
      [2, 4],
      [5, 21],
    ] as const) {
      const cov = paths.reduce((s, p) => s + driftAt(p, a) * driftAt(p, b), 0) / 1000;
      expect(Math.abs(cov - driftCov(a, b))).toBeLessThan(4 * (0.115 ** 2 / Math.sqrt(1000)));
    }
  });
});

describe('how warm it was', () => {
  it('a week of cold nights is later, and it is said by how much; warmer is earlier', () => {
    const nights = thinTemps(Array.from({ length: 7 * 48 }, (_, i) => ({ day: i / 48, c: i % 48 < 20 ? 13 : 19 })));
    expect(nights).toHaveLength(28);
    const [cold, even] = [forecastJar({ ...asked, temps: nights }), forecastJar(asked)];
    expect(cold.crossings.target.p50!).toBeGreaterThan(even.crossings.target.p50! + 1);
    expect(cold.warmth!.laterDays! - (cold.crossings.target.p50! - even.crossings.target.p50!)).toBeLessThan(0.5);
    expect(cold.warmth!.meanC).toBeLessThan(18);
    expect(even.warmth).toBeNull();
  });
  it('blocks: what was read stands, short gaps are bridged, long ones are the plan, nonsense is left out', () => {
    const t = blockTemps(
      [
        { day: 0.1, c: 15 },
        { day: 1.1, c: 19 },
        { day: 9, c: 25 },
        { day: Number.NaN, c: 3 },
      ],
      21,
      60,
    );
    expect(t[0]).toBeCloseTo(15.1, 1);
    expect(t[2]).toBeCloseTo(17.1, 1);
    expect(t[12]).toBe(21);
    expect(t[36]).toBe(25);
    expect(t[50]).toBe(21);
    expect(blockTemps([], 21, 3)).toEqual(new Float64Array(3).fill(21));
  });
});

describe('odds that a jar goes wrong (handbook chapter 6b, section 4: a judgement)', () => {
  const jar = (saltPct: number, tempC: number, more: Partial<JarAtRisk & JarRisk & { cut: Cut }> = {}) => ({
    conditions: { ...CHOPPED, saltPct, brinePct: saltPct, cut: more.cut ?? 'chopped' },
    ...{ tempC, temps: [], readings: more.readings ?? [] },
    risk: { ...NOTHING_SAID, lid: 'airlock' as const, cover: more.cover ?? 'under', looks: more.looks ?? [] },
  });
  const clean = { looks: [{ day: 7, sign: 'clean' as const }] };
  const at = (pH: number) => ({ ...clean, readings: [read(7, pH)] });
  it.each([
    ['3 %, 20 °C, under the brine', 3, 20, {}, [2, 1, 0.4, 5]],
    ['the same, but it floats', 3, 20, { cover: 'floats' }, [9, 5, 2, 20]],
    ['2 %, 24 °C, whole, pushed under', 2, 24, { cut: 'whole', cover: 'unsaid' }, [11, 4, 2, 17]],
    ['1 %, 27 °C', 1, 27, {}, [17, 5, 2, 20]],
    ['no salt, 21 °C', 0, 21, {}, [23, 13, 5, 42]],
    ['no salt, 30 °C, floats', 0, 30, { cover: 'floats' }, [82, 40, 21, 77]],
  ] as const)('%s', (_, saltPct, tempC, more, [packed, seen, low, high]) => {
    const pct = (extra: object) => 100 * jarOdds(jar(saltPct, tempC, { ...more, ...extra })).p;
    for (const [is, told] of [
      [pct({}), packed],
      [pct(clean), seen],
      [pct(at(4.3)), low],
      [pct(at(5)), high],
    ] as const)
      expect(Math.abs(is - told)).toBeLessThanOrEqual(1);
  });
  it('fall with salt up to 2.5 %, rise above 22 °C; a cloth, a float and no word raise them, lively brine lowers', () => {
    const p = (j: JarAtRisk) => jarOdds(j).p;
    for (const salt of [0, 0.4, 0.9, 1.4, 1.9]) expect(p(jar(salt + 0.5, 21))).toBeLessThan(p(jar(salt, 21)));
    for (const c of [22, 25, 28, 31]) expect(p(jar(3, c + 2))).toBeGreaterThan(p(jar(3, c)));
    const base = jar(3, 21);
    const other = (risk: Partial<JarRisk>) => p({ ...base, risk: { ...base.risk, ...risk } });
    expect([other({ lid: 'cloth' }), other({ lid: undefined }), other({ cover: 'unsaid' })].every((o) => o > p(base))).toBe(true);
    expect(other({ lively: true })).toBeLessThan(p(base));
    expect(jarOdds(base).worst).toBeNull();
    expect(jarOdds(jar(1, 27)).worst!.name).toBe('salt');
    // Cold or very salty jars are not late on day 7: a high pH says nothing yet.
    expect(p({ ...jar(9, 21), readings: [read(7, 5)] })).toBe(p(jar(9, 21)));
    expect(p({ ...jar(3, 14), readings: [read(7, 5)] })).toBe(p(jar(3, 14)));
    // A strip changes nothing, and nothing makes it more than nine in ten.
    expect(p({ ...base, readings: [read(7, 5, 0.4)] })).toBe(p(base));
    expect(p({ ...jar(0, 35, { cover: 'floats', cut: 'whole' }), readings: [read(9, 6)] })).toBe(0.9);
  });
  it('a look counts as clean only where nothing odd is noted that day or later', () => {
    const p = (...looks: [number, Sign][]) => jarOdds(jar(1, 24, { looks: looks.map(([day, sign]) => ({ day, sign })) })).p;
    expect(p([7, 'clean'])).toBeLessThan(p());
    expect(p([7, 'cloudy'], [7.2, 'film'])).toBe(p());
    expect(p([7, 'clean'], [9, 'slimy'])).toBe(p());
    expect(p([5, 'film'], [7, 'clean'])).toBe(p([7, 'clean']));
  });
  it('whatever is said of a jar: between nothing and nine in ten, and a sentence', () => {
    const d = dice(4);
    for (let i = 0; i < 400; i++) {
      const wild = () => d.pick([0, -5, 1e-9, 0.3, 2.5, 13, 40, 1e6]);
      const looks = Array.from({ length: d.whole(0, 5) }, () => ({ day: wild(), sign: d.pick(SIGN_IDS) }));
      const readings = Array.from({ length: d.whole(0, 4) }, () => read(Math.abs(wild()), d.between(1.5, 9), d.pick([0.05, 0.4])));
      const odds = jarOdds(
        jar(wild(), d.pick([-20, 0, 5, 21, 35, 90]), { looks, readings, cover: d.pick(COVERS), cut: d.pick(['mash', 'whole'] as const) }),
      );
      expect(odds.p).toBeGreaterThanOrEqual(0);
      expect(odds.p).toBeLessThanOrEqual(0.9);
      if (odds.worst) expect(odds.worst.without).toBeLessThanOrEqual(odds.p);
      expect(wrongText(odds)).toMatch(/^Odds that it goes wrong and is thrown away: [a-z0-9 ]+ \(a judgement, no measurement\)\./);
    }
  });
  it('change no pH and no day, and the odds of being ready by a day are those of a jar that sours', () => {
    const salt = { ...CHOPPED, saltPct: 1, brinePct: 1.5 };
    const [kept, floats] = (['under', 'floats'] as const).map((cover) =>
      forecastJar({ ...asked, conditions: salt, risk: { ...NOTHING_SAID, cover } }),
    ) as [Forecast, Forecast];
    expect(floats.pH).toEqual(kept.pH);
    expect(floats.ready).toEqual(kept.ready);
    const i = kept.days.indexOf(30);
    expect(floats.readyBy[i]! / kept.readyBy[i]!).toBeCloseTo((1 - floats.wrong.p) / (1 - kept.wrong.p), 10);
    expect(floats.readyBy.at(-1)).toBeLessThanOrEqual(1 - floats.wrong.p);
  });
  it.each([
    [0.005, 'less than 1 in 50'],
    [0.02, '1 in 50'],
    [0.045, '1 in 20'],
    [0.11, '1 in 10'],
    [0.23, '1 in 5'],
    [0.36, '1 in 3'],
    [0.5, '1 in 2'],
    [0.82, 'more likely than not'],
  ])('%f is told as %s', (p, says) => expect(oneIn(p)).toBe(says));
});
