import { describe, expect, it } from 'vitest';
import { addDays, readinessOf, reportLine } from '../src';
import { log, smallBatch } from './helpers';

const jar = { targetPh: 3.8, leastDays: 7, day: 14, verdict: 'acid' as const };
const meter = (day: number, pH: number) => ({ day, pH, instrument: 'meter' as const, sd: 0.05 });
const strip = (day: number, pH: number) => ({ day, pH, instrument: 'strip' as const, sd: 0.4 });
const quiet = [{ day: 13, perMin: 0 }];
const clean = [{ day: 13.5, sign: 'clean' as const }];
const missing = (r: ReturnType<typeof readinessOf>) => r.steps.filter((s) => !s.is).map((s) => s.step);

describe('done, by all of it (handbook chapter 4, section 5.1)', () => {
  it('twice at the target two days apart by a meter, a week, quiet, and a clean look', () => {
    expect(readinessOf(jar, [meter(10, 3.75), meter(13, 3.7)], quiet, clean).ready).toBe(true);
  });
  it.each([
    ['nothing was read', [], quiet, clean, ['first', 'second']],
    ['once', [meter(13, 3.7)], quiet, clean, ['second']],
    ['twice on one day', [meter(13, 3.7), meter(13.2, 3.72)], quiet, clean, ['second']],
    ['by strips', [strip(10, 3.5), strip(13, 3.4)], quiet, clean, ['first', 'second']],
    ['a strip since is far above it', [meter(9, 3.7), meter(12, 3.7), strip(13, 4.6)], quiet, clean, ['first', 'second']],
    ['its meter may be off by more', [10, 13].map((d) => ({ ...meter(d, 3.75), sd: 0.2 })), quiet, clean, ['first', 'second']],
    [
      'a film this morning, and a clean look at noon',
      [meter(10, 3.75), meter(13, 3.7)],
      quiet,
      [{ day: 13.2, sign: 'film' as const }, ...clean],
      ['looks'],
    ],
    ['above it in between', [meter(8, 3.7), meter(10, 3.95), meter(13, 3.7)], quiet, clean, ['second']],
    ['it still bubbles', [meter(10, 3.75), meter(13, 3.7)], [{ day: 13, perMin: 4 }], clean, ['quiet']],
    ['bubbles were counted long ago', [meter(10, 3.75), meter(13, 3.7)], [{ day: 5, perMin: 0 }], clean, ['quiet']],
    ['nobody looked', [meter(10, 3.75), meter(13, 3.7)], quiet, [], ['looks']],
    ['a film on it', [meter(10, 3.75), meter(13, 3.7)], quiet, [...clean, { day: 13.5, sign: 'film' as const }], ['looks']],
  ] as const)('not when %s', (_, readings, bubbles, signs, lacks) => {
    expect(missing(readinessOf(jar, readings, bubbles, signs))).toEqual(lacks);
  });
  it('a jar that was ever condemned is never done, whatever was read and seen since', () => {
    const readings = [meter(10, 3.75), meter(13, 3.7)];
    for (const verdict of ['condemned', 'doubtful', 'unread'] as const)
      expect(readinessOf({ ...jar, verdict }, readings, quiet, clean).ready).toBe(false);
    expect(readinessOf({ ...jar, verdict: 'condemned' }, readings, quiet, clean).steps.at(-1)).toMatchObject({
      is: false,
      says: expect.stringContaining('thrown away'),
    });
  });
  it('a whole pod waits two weeks, and says so', () => {
    const whole = readinessOf(
      { ...jar, leastDays: 14, day: 10 },
      [meter(6, 3.7), meter(9, 3.7)],
      [{ day: 9, perMin: 0 }],
      [{ day: 9, sign: 'clean' }],
    );
    expect(missing(whole)).toEqual(['days']);
    expect(whole.steps[0]!.says).toContain('14 days');
  });
});

describe('brine and bubbles of a reading', () => {
  it('pods that stand out of the brine are brine that does not cover, and the report says what is missing', () => {
    const started = log(log(smallBatch(), 'prep', { doneOn: '2026-10-01' }), 'salt', { doneOn: '2026-10-01' });
    const at = '2026-10-08T09:00:00.000Z';
    const reading = { id: 'r1', stationId: 'ferment', at, instrument: 'strip' as const, bubbles: 6, coverMm: -4 };
    const file = { ...started, readings: [reading] };
    const { readiness } = reportLine(file, { today: addDays('2026-10-01', 7) }).forecasts[0]!;
    expect(readiness.ready).toBe(false);
    expect(readiness.steps.find((s) => s.step === 'quiet')!.says).toContain('6 bubbles');
    expect(readiness.steps.find((s) => s.step === 'looks')!.says).toContain('Press down first');
  });
});
