import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BadLine, holdAll, holdReading, QUANTITIES, QUANTITY, readDeviceLine, SILENT_MS, type Quantity, type Sample } from '../src';

describe('the line protocol', () => {
  it('says what its description says', () => {
    expect(readDeviceLine('hello 1 scale bench-scale Bench scale\r')).toEqual({
      ...{ says: 'hello', kind: 'scale', id: 'bench-scale', name: 'Bench scale' },
    });
    expect(readDeviceLine('read pH 3.82 temp 21.4 C')).toEqual({
      says: 'read',
      readings: [
        { quantity: 'pH', value: 3.82 },
        { quantity: 'temp', value: 21.4 },
      ],
    });
    expect(readDeviceLine('fault battery low')).toEqual({ says: 'fault', words: 'battery low' });
    expect(readDeviceLine('colour red')).toEqual({ says: 'else' });
  });

  it('counts in the units of the trade', () => {
    const value = (line: string) => (readDeviceLine(line) as { readings: { value: number }[] }).readings[0]!.value;
    // NIST Handbook 44, appendix C: 1 oz avdp = 28.349 523 125 g, 1 lb = 453.592 37 g, exactly (from memory).
    expect(value('read mass 1 oz')).toBeCloseTo(28.349523125, 9);
    expect(value('read mass 1 lb')).toBeCloseTo(453.59237, 9);
    expect(value('read mass -.25 kg')).toBe(-250);
    // BIPM, SI brochure, and NIST SP 811: t/°C = (t/°F - 32)/1.8 (from memory).
    expect(value('read temp 212 F')).toBeCloseTo(100, 9);
    expect(value('read temp 32 F')).toBeCloseTo(0, 9);
    expect(value('read temp 273.15 K')).toBeCloseTo(0, 9);
  });

  it.each([
    'hello',
    'hello 2 scale a b',
    'hello 1 fridge a b',
    'hello 1 scale Big_Id b',
    'read',
    'read weight 3 g',
    'read mass heavy g',
    'read mass 1e9 g',
    'read mass 1,5 g',
    'read mass 3',
    'read mass 3 stone',
    'read pH 3.1 pH 3.2',
    `read mass ${'9'.repeat(400)} g`,
  ])('%s: a sentence for the device', (line) => {
    expect(() => readDeviceLine(line)).toThrow(BadLine);
  });

  it('whatever a socket brings, it is a line, or a sentence about one', () => {
    const words = fc.constantFrom(
      'hello',
      'read',
      'mass',
      'pH',
      'temp',
      '1',
      'scale',
      'pen',
      'g',
      'C',
      '3.82',
      '-1',
      'NaN',
      'bye',
      '\u0000',
      'ü',
    );
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string({ maxLength: 500 }),
          fc.array(words, { maxLength: 12 }).map((w) => w.join(' ')),
        ),
        (line) => {
          try {
            const said = readDeviceLine(line);
            if (said.says === 'read') for (const r of said.readings) expect(Number.isFinite(r.value)).toBe(true);
          } catch (e) {
            expect(e).toBeInstanceOf(BadLine);
          }
        },
      ),
      { numRuns: 2000 },
    );
  });
});

const series = (f: (ms: number) => number, forMs: number, everyMs = 200): Sample[] =>
  Array.from({ length: Math.floor(forMs / everyMs) + 1 }, (_, i) => ({ at: i * everyMs, value: f(i * everyMs) }));

describe('what may be taken', () => {
  it('only what stands: not what is laid on just now, not what creeps, not what is not heard', () => {
    const still = series(() => 412.4, 5000);
    expect(holdReading('mass', still, 5000)).toEqual({ state: 'steady', value: 412.4, says: '' });
    expect(holdReading('mass', still, 5000 + SILENT_MS + 1).state).toBe('silent');
    expect(holdReading('mass', [], 0).state).toBe('silent');
    expect(holdReading('mass', still.slice(0, 5), 800).state).toBe('moving');
    expect(
      holdReading(
        'mass',
        series((t) => (t < 4200 ? 0 : 412), 5000),
        5000,
      ).state,
    ).toBe('moving');
    expect(
      holdReading(
        'pH',
        series((t) => 4 - t / 100_000, 6000),
        6000,
      ).state,
    ).toBe('moving');
    // An empty scale that drifts by less than its display shows nothing, not less than nothing.
    expect(
      holdReading(
        'mass',
        series(() => -0.02, 5000),
        5000,
      ).value,
    ).toBe(0);
  });

  it('what cannot be is said to, and what to do; a loose plug is no hand', () => {
    expect(
      holdReading(
        'temp',
        series(() => -127, 5000),
        5000,
      ),
    ).toMatchObject({ state: 'wrong', value: -127 });
    expect(
      holdReading(
        'mass',
        series(() => -870, 5000),
        5000,
      ).says,
    ).toContain('set it to zero');
    expect(
      holdReading(
        'pH',
        series(() => 14, 5000),
        5000,
      ).says,
    ).toContain('Rinse');
    expect(
      holdReading(
        'temp',
        series((t) => ((t / 200) % 2 ? 21 : 45), 6000),
        6000,
      ).state,
    ).toBe('jumping');
    // On, off, and on again: a hand.
    expect(
      holdReading(
        'mass',
        series((t) => (t < 2000 || t > 4000 ? 300 : 0), 8000),
        8000,
      ).state,
    ).toBe('steady');
    // One stray look among good ones does not stay for longer than the window.
    expect(
      holdReading(
        'mass',
        series((t) => (t === 3000 ? 900 : 300), 6000),
        6000,
      ),
    ).toMatchObject({ state: 'steady', value: 300 });
  });

  it('a pH of a hot sample is not to be taken; where nothing is known of its warmth, it may', () => {
    const pen = (c: number | null) =>
      new Map<Quantity, Sample[]>([
        ['pH', series(() => 3.8, 6000)],
        ...(c === null ? [] : [['temp', series(() => c, 6000)] as [Quantity, Sample[]]]),
      ]);
    const pH = (c: number | null) => holdAll(pen(c), 6000).find((r) => r.quantity === 'pH')!;
    expect(pH(null).state).toBe('steady');
    expect(pH(21).state).toBe('steady');
    expect(pH(61)).toMatchObject({ state: 'wrong', says: expect.stringContaining('61 °C') });
    expect(pH(2).state).toBe('wrong');
  });

  it('however slow a probe, noisy or coarse: what is first taken is near what it is held to', () => {
    // What may still be to come when a window seems still: its spread and the noise that hides it, over what a window takes off.
    const near: Record<Quantity, number> = { mass: 2.5, pH: 0.11, temp: 1.5 };
    const range: Record<Quantity, [number, number]> = { mass: [0, 2000], pH: [2.5, 7], temp: [2, 100] };
    // How slowly each may follow, ms (time constant; common practice, no source).
    const slowest: Record<Quantity, number> = { mass: 800, pH: 6000, temp: 4000 };
    let taken = 0;
    fc.assert(
      fc.property(
        fc.constantFrom(...QUANTITIES),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0.02, max: 1, noNaN: true }),
        fc.integer({ min: 100, max: 500 }),
        fc.infiniteStream(fc.double({ min: -1, max: 1, noNaN: true })),
        (quantity, from, to, slow, everyMs, noise) => {
          const followMs = slow * slowest[quantity];
          const [low, high] = range[quantity];
          const [start, truth] = [low + from * (high - low), low + to * (high - low)];
          const q = QUANTITY[quantity];
          const all: Sample[] = [];
          for (let t = 0; t < 60_000; t += everyMs) {
            const shown = truth + (start - truth) * Math.exp(-t / followMs) + (noise.next().value * q.still) / 4;
            all.push({ at: t, value: Number(shown.toFixed(q.digits)) });
            const held = holdReading(quantity, all.slice(-100), t);
            if (held.state === 'steady') {
              taken++;
              expect(Math.abs(held.value! - truth)).toBeLessThan(near[quantity] + 0.002 * Math.abs(truth) * (quantity === 'mass' ? 1 : 0));
              return;
            }
          }
          throw new Error('never steady');
        },
      ),
      { numRuns: 400 },
    );
    expect(taken).toBe(400);
  });
});
