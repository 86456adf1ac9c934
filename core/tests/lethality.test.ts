import { describe, expect, it } from 'vitest';
import { creditMin, HEATED, heatTreatment, heldMin, lethalityMin, readTempLog, type HeatPoint } from '../src';
import { dice } from './random';

const log = (...pairs: [number, number][]): HeatPoint[] => pairs.map(([min, c]) => ({ min, c }));
/** The handbook's log (chapter 4, section 6): minutes and °C. */
const EXAMPLE = log([0, 25], [6, 70], [9, 82], [19, 82], [22, 74], [30, 60]);

describe('lethality (handbook chapter 4, section 6)', () => {
  it('the example: exact 133.1; trapezes would say 146.9, on the unsafe side', () => {
    expect(lethalityMin(EXAMPLE)).toBeCloseTo(133.1, 1);
    const rate = (c: number) => 10 ** ((c - 71.1) / 10.8);
    const trapezes = EXAMPLE.slice(1).reduce((s, q, i) => s + ((rate(EXAMPLE[i]!.c) + rate(q.c)) / 2) * (q.min - EXAMPLE[i]!.min), 0);
    expect(trapezes).toBeCloseTo(146.9, 1);
    expect(creditMin(EXAMPLE)).toBeLessThan(lethalityMin(EXAMPLE));
  });
  it('identities: at the reference a minute is a minute; times add up; ten times as fast at z above', () => {
    expect(lethalityMin(log([0, 71.1], [1.2, 71.1]))).toBeCloseTo(1.2, 12);
    expect(lethalityMin(log([0, 81.9], [1, 81.9]))).toBeCloseTo(10, 9);
    // Published 5-log times at pH 4.1 and below (Breidt et al. 2005, as the handbook has them from memory): 82 °C .12 min, 77 °C .34, 65 °C 4.4.
    for (const [c, min] of [
      [82, 0.12],
      [77, 0.34],
      [65, 4.4],
    ] as const)
      expect(1.2 / lethalityMin(log([0, c], [1, c])) / min).toBeCloseTo(1, 1);
  });
  it('the exact integral of straight pieces agrees with fine quadrature, on 200 random logs, and may be cut anywhere', () => {
    const d = dice(19);
    for (let n = 0; n < 200; n++) {
      let min = 0;
      const points = Array.from({ length: d.whole(2, 8) }, () => ({ min: (min += d.between(0.05, 9)), c: d.between(5, 105) }));
      let fine = 0;
      const STEPS = 1500;
      for (let i = 1; i < points.length; i++) {
        const [p, q] = [points[i - 1]!, points[i]!];
        const h = (q.min - p.min) / STEPS;
        for (let k = 0; k < STEPS; k++) fine += h * 10 ** ((p.c + ((q.c - p.c) * (k + 0.5)) / STEPS - 71.1) / 10.8);
      }
      expect(lethalityMin(points) / fine, `${n}`).toBeCloseTo(1, 4);
      expect(creditMin(points)).toBeLessThanOrEqual(lethalityMin(points) * (1 + 1e-12));
      const cut = d.whole(1, points.length - 1);
      expect(lethalityMin(points.slice(0, cut + 1)) + lethalityMin(points.slice(cut))).toBeCloseTo(lethalityMin(points), 6);
      // Held time by counting fine steps.
      let [run, best] = [0, 0];
      for (let i = 1; i < points.length; i++) {
        const [p, q] = [points[i - 1]!, points[i]!];
        for (let k = 0; k < STEPS; k++) {
          run = p.c + ((q.c - p.c) * (k + 0.5)) / STEPS >= 82 ? run + (q.min - p.min) / STEPS : 0;
          best = Math.max(best, run);
        }
      }
      expect(heldMin(points, 82), `${n}`).toBeCloseTo(best, 1);
    }
  });
  it('ten minutes at 82 °C are asked for, far more than the published values; what lacks is said', () => {
    expect(heatTreatment(EXAMPLE)).toMatchObject({ enough: true, peakC: 82, lacks: null });
    expect(heatTreatment(EXAMPLE).heldMin).toBeCloseTo(10, 9);
    expect(heatTreatment(log([0, 20], [10, 81.5], [40, 81.5]))).toMatchObject({ enough: false });
    expect(heatTreatment(log([0, 20], [10, 81.5], [40, 81.5])).lacks).toEqual({ c: expect.closeTo(0.5, 6) as number });
    expect(heatTreatment(log([0, 82], [4, 82])).lacks).toEqual({ min: 6 });
    // Twice five minutes with a break are not ten.
    expect(heatTreatment(log([0, 85], [5, 85], [6, 70], [7, 85], [12, 85])).enough).toBe(false);
    expect(() => heatTreatment(log([0, 82]))).toThrow(/Two temperatures/);
    expect(() => heatTreatment(log([0, 82], [Number.NaN, 82]))).toThrow(/not a number/);
    expect(HEATED).toEqual({ c: 82, min: 10 });
  });
});

describe('logs of a thermometer', () => {
  const points = (text: string) => readTempLog(text).points.map((p) => [Math.round(p.min * 100) / 100, Math.round(p.c * 10) / 10]);
  const SAME = [
    [0, 25],
    [6, 70],
    [9.5, 82],
  ];
  it.each([
    ['minutes and °C', 'Minutes,Temp (°C)\n0,25\n6,70\n9.5,82'],
    ['no heading', '0,25\n6,70\n9.5,82'],
    ['°F by its heading', 'time;Temperature °F\n0;77\n6;158\n9.5;179.6'],
    ['°F, because no sauce is that hot', '0,77\n6,158\n9.5,179.6'],
    ['a unit behind each figure', '0,77 F\n6,158 F\n9.5,179.6 F'],
    ['decimal commas', 'min;°C\n0;25,0\n6;70,0\n9,5;82,0'],
    ['by the clock', 'Time\tCelsius\n0:00:00\t25\n0:06:00\t70\n0:09:30\t82'],
    ['dates', 'No,Date Time,Temp °C,Humidity\n1,2026-11-20 18:00:00,25,40\n2,2026-11-20 18:06:00,70,41\n3,2026-11-20 18:09:30,82,40'],
    ['quotes and blank lines', '"Time","Probe °C"\n\n"0","25"\n"6","70"\n\n"9.5","82"\n'],
    ['a remark first', '# logger 7\nmin,°C\n0,25\n6,70\n9.5,82'],
  ])('%s', (_, text) => expect(points(text)).toEqual(SAME));
  it('bad lines are told, each with its number and why, and the rest is read', () => {
    const read = readTempLog('min,°C\n0,25\nsix,70\n6,hot\n6,70\n5,71\n6,72\n9.5,82\n12,900\n,\n');
    expect(read.points.map((p) => p.min)).toEqual([0, 6, 9.5]);
    expect(read.bad.map((b) => [b.row, b.why])).toEqual([
      [3, 'No time is in this line.'],
      [4, 'No temperature is in this line.'],
      [6, 'This time lies before the one above it.'],
      [7, 'Twice the same time.'],
      [9, '900 °C cannot be in a kitchen.'],
    ]);
  });
  it('anything at all is read without a stumble', () => {
    const d = dice(29);
    const bits = ['0', '12', '82', '-', ',', ';', '\t', '\n', '"', '°F', '°C', 'x', '99999999999', '1:2:3', '2026-01-01 10:00', 'NaN', '١'];
    for (let n = 0; n < 400; n++) {
      const read = readTempLog(Array.from({ length: d.whole(0, 40) }, () => d.pick(bits)).join(''));
      for (const p of read.points) expect(Number.isFinite(p.min + p.c)).toBe(true);
      for (let i = 1; i < read.points.length; i++) expect(read.points[i]!.min).toBeGreaterThan(read.points[i - 1]!.min);
    }
  });
});
