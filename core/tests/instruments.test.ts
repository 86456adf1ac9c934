import { describe, expect, it } from 'vitest';
import { INSTRUMENT_SD, judgeJar, type JarJudgement, type JarReading } from '@roskel/core';
import { JAR, rounds } from './helpers';
import { dice, type Dice } from './random';

/*
 * The jar judged by what its instruments can tell, on a truth that is not the product's: a pH that falls as a logistic of
 * time from what vegetables have to where lactic ferments end, and instruments that scatter about it. Figures to hold or
 * better are those of handbook chapter 6, section 3 (a prototype of our own; strips differ by .4, measured there).
 */
const normal = (d: Dice) => Math.sqrt(-2 * Math.log(1 - d.next())) * Math.cos(2 * Math.PI * d.next());

interface Truth {
  pH(day: number): number;
}
/** A sound jar: half way down after 1 to 4 days, at its end of 3.3 to 3.8 within a fortnight. */
function soundJar(d: Dice): Truth {
  const [start, end, half, wide] = [d.between(4.9, 5.8), d.between(3.3, 3.8), d.between(1, 4), d.between(0.5, 1.3)];
  const at = (day: number) => 1 / (1 + Math.exp((day - half) / wide));
  return { pH: (day) => end + ((start - end) * at(day)) / at(0) };
}
const METER = 'meter' as const;
const STRIP = 'strip' as const;
type With = typeof METER | typeof STRIP;

/** A meter has an offset that it keeps, and scatters; strips each have their own, read to a fifth. */
function reader(d: Dice, instrument: With) {
  const offset = 0.035 * normal(d);
  return (truth: number): number =>
    instrument === METER ? Math.round((truth + offset + 0.035 * normal(d)) * 100) / 100 : Math.round((truth + 0.4 * normal(d)) * 5) / 5;
}
const reading = (day: number, pH: number, instrument: With): JarReading => ({ day, pH, instrument, sd: INSTRUMENT_SD[instrument] });

/** Days of `n` readings of the first `last` days, in their order. */
const daysOf = (d: Dice, n: number, last = 28) => Array.from({ length: n }, () => d.between(1, last)).sort((a, b) => a - b);

const N = rounds(5000);
/** Of so many jars, the share for which it is so, %. */
function share(seed: number, make: (d: Dice) => JarReading[], is: (j: JarJudgement) => boolean): number {
  const d = dice(seed);
  let n = 0;
  for (let i = 0; i < N; i++) if (is(judgeJar(make(d), JAR))) n++;
  return (100 * n) / N;
}
const condemned = (j: JarJudgement) => j.verdict === 'condemned';
const risen = (j: JarJudgement) => j.because === 'rising' || j.because === 'still rising';
/** Said to be risen, or to be thrown away or eaten within days for another reason. */
const flagged = (j: JarJudgement) => j.verdict === 'doubtful' || condemned(j);
/** "0 %" is to the whole percent; we hold a twentieth of one. */
const NONE = 0.05;

const good =
  (instrument: With, wrong = 0) =>
  (d: Dice) => {
    const jar = soundJar(d);
    const read = reader(d, instrument);
    const list = daysOf(d, d.whole(3, 7)).map((day) => reading(day, read(jar.pH(day)), instrument));
    const one = d.whole(0, list.length - 1);
    return list.map((r, i) => (i === one ? { ...r, pH: r.pH + (d.chance(0.5) ? wrong : -wrong) } : r));
  };
/** A jar that was down and rises by so much within two days; two to five readings before it, two after. */
const rises = (instrument: With, by: number) => (d: Dice) => {
  const jar = soundJar(d);
  const read = reader(d, instrument);
  const turn = d.between(12, 20);
  const before = daysOf(d, d.whole(2, 5), turn - 6).map((day) => day + 6);
  const after = [turn + d.between(2, 4), turn + d.between(5, 8)];
  const up = (day: number) => by * Math.min(1, Math.max(0, (day - turn) / 2));
  return [...before, ...after].map((day) => reading(day, read(jar.pH(day) + up(day)), instrument));
};

describe('jars as their instruments tell them', () => {
  it.each<[string, number, (d: Dice) => JarReading[], (j: JarJudgement) => boolean, number]>([
    ['good, by a meter: condemned', 1, good(METER), condemned, NONE],
    ['good, by a meter with one reading wrong by 0.6: condemned', 2, good(METER, 0.6), condemned, 1.4],
    ['good, by strips: condemned', 3, good(STRIP), condemned, NONE],
    ['good, by strips: in doubt', 4, good(STRIP), risen, 3.5],
  ])('%s, at most so many of a hundred', (_, seed, make, is, most) => expect(share(seed, make, is)).toBeLessThanOrEqual(most));
  it.each<[string, number, With, number, number]>([
    ['0.6 by a meter', 5, METER, 0.6, 87],
    ['1.0 by a meter', 6, METER, 1, 100],
    ['1.0 by strips', 7, STRIP, 1, 30],
    ['1.5 by strips', 8, STRIP, 1.5, 73],
  ])('a true rise of %s: flagged, at least so many of a hundred', (_, seed, instrument, by, least) =>
    expect(share(seed, rises(instrument, by), flagged)).toBeGreaterThanOrEqual(least),
  );
});

describe('what clears a rise, and what a bad sign asks', () => {
  const jar = (...list: [day: number, pH: number][]) => list.map(([day, pH]) => reading(day, pH, METER));
  it.each<[string, number, boolean]>([
    ['0.1 above the lowest: it came back', 3.65, false],
    ['0.2 above it: it has not', 3.75, true],
    ['0.28 above it: it has not', 3.83, true],
  ])('read again %s', (_, pH, up) => {
    const judged = judgeJar(jar([5, 3.55], [8, 3.6], [12, 4.1], [13, pH]), JAR);
    expect([judged.because === 'rising', judged.rise > 0]).toEqual([up, up]);
  });
  it.each<[string, [number, number][], boolean]>([
    [
      'above 4.6 two days after it',
      [
        [8, 4.75],
        [10, 4.3],
      ],
      true,
    ],
    [
      'above 4.6 the day before it',
      [
        [5.2, 4.75],
        [10, 4.3],
      ],
      true,
    ],
    [
      'above 4.6 three days before it, and sour since',
      [
        [3, 4.75],
        [10, 4.3],
      ],
      false,
    ],
    [
      'last read above 4.6 before it',
      [
        [3, 4.9],
        [4, 4.75],
      ],
      true,
    ],
    [
      'sour all the while',
      [
        [5, 4.2],
        [8, 4.0],
      ],
      false,
    ],
  ])('a bad sign on day 6 in a jar that is %s', (_, list, bin) =>
    expect(judgeJar(jar(...list), JAR, [{ sign: 'slimy', day: 6 }]).because === 'seen and not sour').toBe(bin),
  );
});
