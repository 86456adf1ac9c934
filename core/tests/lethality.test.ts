import { describe, expect, it } from 'vitest';
import { creditMin, HEATED, heatTreatment, heldMin, lethalityMin, readTempLog, TIME_UNITS, type HeatPoint } from '../src';
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
  const points = (text: string, said: Parameters<typeof readTempLog>[1] = {}) =>
    readTempLog(text, said).points.map((p) => [Math.round(p.min * 100) / 100, Math.round(p.c * 10) / 10]);
  const SAME = [
    [0, 25],
    [6, 70],
    [9.5, 82],
  ];
  it.each([
    ['minutes and °C', 'Minutes,Temp (°C)\n0,25\n6,70\n9.5,82'],
    ['°F by its heading', 'min;Temperature °F\n0;77\n6;158\n9.5;179.6'],
    ['a unit behind each figure', 'min,\n0,77 F\n6,158 F\n9.5,179.6 F'],
    ['decimal commas', 'min;°C\n0;25,0\n6;70,0\n9,5;82,0'],
    ['seconds', 'Time (s),Temp °C\n0,25\n360,70\n570,82'],
    ['seconds behind a running number', 'No,Elapsed sec,Temp °C\n1,0,25\n2,360,70\n3,570,82'],
    ['by the clock', 'Time\tCelsius\n0:00:00\t25\n0:06:00\t70\n0:09:30\t82'],
    ['over midnight', 'Time,°C\n23:55:00,25\n00:01:00,70\n00:04:30,82'],
    ['minutes and seconds', 'Elapsed mm:ss,°C\n0:00,25\n6:00,70\n9:30,82'],
    ['dates', 'No,Date Time,Temp °C,Humidity\n1,2026-11-20 18:00:00,25,40\n2,2026-11-20 18:06:00,70,41\n3,2026-11-20 18:09:30,82,40'],
    ['dates, day first, over midnight', 'When;°C\n05.11.2026 23:55:00;25\n06.11.2026 00:01:00;70\n06.11.2026 00:04:30;82'],
    ['dates, month first', 'Date,°F\n11/14/2026 11:55:00 PM,77\n11/15/2026 12:01:00 AM,158\n11/15/2026 12:04:30 AM,179.6'],
    [
      'a date and a clock in columns of their own',
      'Date,Time,Temp °C\n2026-11-20,18:00:00,25\n2026-11-20,18:06:00,70\n2026-11-20,18:09:30,82',
    ],
    ['the temperature first', 'Temp °C,Minutes\n25,0\n70,6\n82,9.5'],
    ['quotes and blank lines', '"min","Probe °C"\n\n"0","25"\n"6","70"\n\n"9.5","82"\n'],
    ['a remark first', '# logger 7\nSerial 12345,\nmin,°C\n0,25\n6,70\n9.5,82'],
  ])('%s', (_, text) => expect(points(text)).toEqual(SAME));
  it('what a log does not say is asked, never guessed', () => {
    const bare = '0,25\n6,70\n9.5,82';
    expect(readTempLog(bare)).toMatchObject({ points: [], asks: ['unit', 'time'] });
    expect(points(bare, { unit: 'C', time: 'min' })).toEqual(SAME);
    expect(points('0,77\n360,158\n570,179.6', { unit: 'F', time: 's' })).toEqual(SAME);
    // 120 °F is a lukewarm sauce: without a word of it, it is not called hot.
    expect(readTempLog('min\n0,120\n12,120').asks).toContain('unit');
    // "0:30" is half a minute or half an hour.
    expect(readTempLog('Time,°C\n0:00,25\n6:00,70\n9:30,82').asks).toEqual(['time']);
    expect(points('Time,°C\n0:00,25\n6:00,70\n9:30,82', { time: 'mm:ss' })).toEqual(SAME);
    expect(points('Time,°C\n0:00,25\n0:06,70', { time: 'hh:mm' })).toEqual(SAME.slice(0, 2));
  });
  it('what nobody saw counts for nothing: between two readings far apart', () => {
    expect(heatTreatment(log([0, 85], [30, 85]))).toMatchObject({ enough: false, heldMin: 0, gapMin: 30 });
    expect(creditMin(log([0, 85], [30, 85]))).toBe(0);
    // Ten minutes beside the gap are ten minutes.
    expect(heatTreatment(log([0, 85], [30, 85], [35, 85], [40, 85])).heldMin).toBe(10);
  });
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
  it('anything at all is read without a stumble, and nothing is called hot that was never at 82', () => {
    const d = dice(29);
    const bits = [
      '0',
      '12',
      '80',
      '-',
      ',',
      ';',
      '\t',
      '\n',
      '"',
      '°F',
      '°C',
      'min',
      's',
      '99999999999',
      '1:2:3',
      '1:30',
      '2026-01-01 10:00',
      '05/11/2026 23:59',
      'NaN',
      '١',
    ];
    for (let n = 0; n < 600; n++) {
      const text = Array.from({ length: d.whole(0, 40) }, () => d.pick(bits)).join('');
      const read = readTempLog(text, {
        unit: d.pick(['C', 'F', undefined] as const) as 'C',
        time: d.pick([...TIME_UNITS, undefined]) as 'min',
      });
      for (const p of read.points) expect(Number.isFinite(p.min + p.c)).toBe(true);
      for (let i = 1; i < read.points.length; i++) expect(read.points[i]!.min).toBeGreaterThan(read.points[i - 1]!.min);
      if (read.points.length > 1 && read.points.every((p) => p.c < 82)) expect(heatTreatment(read.points).enough).toBe(false);
    }
  });
  it('the same log written in any layout and unit says the same of the heat', () => {
    const d = dice(31);
    for (let n = 0; n < 200; n++) {
      let min = 0;
      const truth = Array.from({ length: d.whole(3, 30) }, () => ({ min: (min += d.whole(1, 6)), c: d.whole(60, 95) }));
      const began = d.whole(0, 1439);
      const two = (x: number) => String(x).padStart(2, '0');
      const clock = (m: number) => `${two(Math.floor((began + m) / 60) % 24)}:${two((began + m) % 60)}:00`;
      const day = (m: number) => (began + m >= 1440 ? '06' : '05');
      const F = (c: number) => ((c * 9) / 5 + 32).toFixed(1);
      const write = d.pick([
        () => `min,°C\n${truth.map((p) => `${p.min},${p.c}`).join('\n')}`,
        () => `No;Time (s);Temp °F\n${truth.map((p, i) => `${i + 1};${p.min * 60};${F(p.c)}`).join('\n')}`,
        () => `Time\t°C\n${truth.map((p) => `${clock(p.min)}\t${p.c}`).join('\n')}`,
        () => `Date Time;°F\n${truth.map((p) => `${day(p.min)}.11.2026 ${clock(p.min)};${F(p.c).replace('.', ',')}`).join('\n')}`,
      ]);
      const read = heatTreatment(readTempLog(write()).points);
      const want = heatTreatment(truth);
      expect(read.heldMin, `${n}`).toBeCloseTo(want.heldMin, 0);
      expect(read.peakC).toBeCloseTo(want.peakC, 0);
    }
  });
});
