import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  addDays,
  calibrate,
  co2Atm,
  co2Volumes,
  henryCo2,
  heatTreatment,
  INSTRUMENT_SD,
  labelOf,
  mainEnd,
  mapStations,
  METER_SD,
  meterAt,
  meterCounts,
  nernstMv,
  phAtBuffer,
  phOfMv,
  reportTypical,
  toolProblems,
  standingOf,
  type BatchFile,
  type Keeping,
  type Tool,
} from '../src';
import { acidityOf } from '../src/keep';
import { NO_PAST } from '../src/parcel';
import { checkBatchFile } from '../../contract/src/validate';
import { example, log, rounds } from './helpers';

/** The brine ferment, made from pods to bottles and read on the way. */
const FILLED = '2026-10-30';
function made(): BatchFile {
  const file = example('slipway-red');
  const logged = mapStations(file, (e) => ({
    ...e,
    log: {
      doneOn: ['prep', 'salt'].includes(e.kind) ? file.startDate : FILLED,
      ...(e.kind === 'ferment' ? { pH: 3.6, instrument: 'meter' as const } : {}),
    },
  }));
  return log(logged, 'bottle', { pH: 3.4, instrument: 'meter' });
}

describe('a pH meter and its buffers (handbook chapter 3, section 10.3)', () => {
  it('Nernst’s slope at seven temperatures (2.303 RT/F)', () => {
    for (const [t, mv] of [
      [0, 54.2],
      [10, 56.18],
      [20, 58.17],
      [25, 59.16],
      [30, 60.15],
      [37, 61.54],
    ] as const) {
      expect(nernstMv(t)).toBeCloseTo(mv, 1);
      expect(nernstMv(t)).toBeCloseTo((2.302585 * 8.314462 * (t + 273.15)) / 96_485.33 / 1e-3, 2);
    }
  });
  it('the worked example: slope 58.53 mV, 98.9 %, a sample of 210 mV is pH 3.361 and, read at 20 °C, 3.299', () => {
    const buffers = { tempC: 25, mv7: -3, mv4: 172 };
    const c = calibrate(buffers);
    expect(c.slopeMv).toBeCloseTo(58.53, 2);
    expect(c.slopePct).toBeCloseTo(98.9, 1);
    expect(c.verdict).toBe('good');
    expect(phOfMv(buffers, 210, 25)).toBeCloseTo(3.361, 3);
    expect(phOfMv(buffers, 210, 20)).toBeCloseTo(3.299, 3);
  });
  it('a worn electrode, a far offset, buffers mixed up', () => {
    expect(calibrate({ tempC: 25, mv7: 0, mv4: 165 }).verdict).toBe('clean');
    expect(calibrate({ tempC: 25, mv7: 0, mv4: 150 }).verdict).toBe('reject');
    expect(calibrate({ tempC: 25, mv7: 45, mv4: 220 }).verdict).toBe('reject');
    expect(() => calibrate({ tempC: 25, mv7: 172, mv4: -3 })).toThrow(/which buffer is which/);
    // A meter without mV: what it shows in the buffers says the same.
    const shown = calibrate({ tempC: 25, shows7: 7, shows4: 7 - 0.95 * 2.99 });
    expect(shown.slopePct).toBeCloseTo(95, 6);
    expect(phAtBuffer(7, 10)).toBe(7.06);
    expect(phAtBuffer(4, 25)).toBe(4.01);
  });
  it('on any electrode: the buffers come back as themselves, at any temperature', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 45, noNaN: true }),
        fc.double({ min: -30, max: 30, noNaN: true }),
        fc.double({ min: 0.8, max: 1.05, noNaN: true }),
        (t, off, share) => {
          const slope = share * nernstMv(t);
          const buffers = { tempC: t, mv7: off, mv4: off + slope * (phAtBuffer(7, t) - phAtBuffer(4, t)) };
          expect(phOfMv(buffers, buffers.mv7, t)).toBeCloseTo(phAtBuffer(7, t), 9);
          expect(phOfMv(buffers, buffers.mv4, t)).toBeCloseTo(phAtBuffer(4, t), 9);
          expect(calibrate(buffers).slopePct).toBeCloseTo(100 * share, 6);
        },
      ),
    );
  });
  it('counts by its age and its state: never calibrated or worn out it is a strip', () => {
    const good = calibrate({ tempC: 25, mv7: 0, mv4: 176 });
    expect(meterCounts(good, 1)).toMatchObject({ as: 'meter', sd: METER_SD.fresh });
    expect(meterCounts(good, 30)).toMatchObject({ as: 'meter', sd: METER_SD.week });
    expect(meterCounts(good, 24 * 29)).toMatchObject({ as: 'meter', sd: METER_SD.old });
    // Handbook chapter 6, section 3: more than thirty days, or a slope outside 85 to 105 %, and it is a strip.
    expect(meterCounts(good, 24 * 31).as).toBe('strip');
    expect(meterCounts(good, 24 * 365 * 5).as).toBe('strip');
    const slope = (pct: number) => calibrate({ tempC: 25, mv7: 0, mv4: (59.16 * 3 * pct) / 100 });
    expect([84, 86, 104, 106].map((pct) => meterCounts(slope(pct), 1).as)).toEqual(['strip', 'meter', 'meter', 'strip']);
    expect(meterCounts(null, 0).as).toBe('strip');
    expect(meterCounts(calibrate({ tempC: 25, mv7: 0, mv4: 145 }), 0).as).toBe('strip');
    const tool: Tool = {
      ...{ id: 'm', kind: 'meter', name: 'Pen', seen: [] },
      calibrations: [
        { at: '2026-10-01T10:00:00Z', tempC: 25, unit: 'mV', in7: 0, in4: 176 },
        { at: '2026-10-05T10:00:00Z', tempC: 25, unit: 'mV', in7: 0, in4: 145 },
      ],
    };
    // By the calibration before the reading, not the newest there is.
    expect(meterAt(tool, '2026-10-01T12:00:00Z').as).toBe('meter');
    expect(meterAt(tool, '2026-10-05T12:00:00Z').as).toBe('strip');
    expect(meterAt(tool, '2026-09-30T12:00:00Z').as).toBe('strip');
    expect(toolProblems({ ...tool, calibrations: [{ ...tool.calibrations![0]!, in7: 176, in4: 0 }] })[0]!.message).toMatch(/buffer/);
  });
  it('an old calibration is kept clear of a limit, and widens the band of what was read', () => {
    const acidity = (value: number, sd: number) => acidityOf({ ...NO_PAST, blended: true, ph: { value, instrument: 'meter', sd } });
    expect(acidity(3.9, INSTRUMENT_SD.meter)).toBe('acid');
    expect(acidity(3.9, METER_SD.old)).toBe('near');
    expect(acidity(3.6, METER_SD.old)).toBe('acid');
    expect(acidity(4.5, METER_SD.old)).toBe('low');
    // No sd that a file may claim makes a meter better than one calibrated today.
    const file = log(made(), 'bottle', { pH: 3.9, by: { name: 'Pen', sd: 0.01 } });
    expect(checkBatchFile(file).ok).toBe(true);
    const keep = (f: typeof file) => reportTypical(f, '2026-10-31').ends[0]!.keeping!;
    const old = log(file, 'bottle', { by: { name: 'Pen', sd: 0.2 } });
    expect(keep(old).days).toBeLessThan(keep(file).days);
    expect(keep(file).days).toBe(keep(log(made(), 'bottle', { pH: 3.9 })).days);
  });
});

describe('pressure in a live bottle (handbook chapter 4, section 5.3)', () => {
  it('Henry’s constant at five temperatures, and in salt against sea water (Weiss 1974, as the handbook has it)', () => {
    for (const [t, k] of [
      [5, 0.0605],
      [10, 0.0519],
      [20, 0.0389],
      [25, 0.0339],
      [30, 0.0297],
    ] as const)
      expect(henryCo2(t)).toBeCloseTo(k, 4);
    expect(Math.abs(henryCo2(25, 0.72) / 0.0284 - 1)).toBeLessThan(0.01);
  });
  it('the table of sugar left, 5 % headspace', () => {
    const table: [number, number, number, number, number, number][] = [
      [1, 0.25, 0.27, 0.31, 0.35, 0.17],
      [5, 1.24, 1.35, 1.54, 1.75, 0.86],
      [10, 2.49, 2.7, 3.08, 3.49, 1.72],
      [20, 4.98, 5.41, 6.16, 6.98, 3.43],
    ];
    for (const [g, volumes, at20, at25, at30, at4] of table) {
      expect(co2Volumes(g)).toBeCloseTo(volumes, 1);
      const press = (t: number) => co2Atm(g, 0.0526, t);
      for (const [t, p] of [
        [20, at20],
        [25, at25],
        [30, at30],
        [4, at4],
      ] as const)
        expect(Math.abs(press(t) / p - 1)).toBeLessThan(0.02);
    }
  });
  it('common carbonation tables: 2.5 volumes at 20 °C are 27 to 28 psi', () => {
    const psi = (2.5 / 22.414 / henryCo2(20) - 1) * 14.696;
    expect(psi).toBeGreaterThan(27);
    expect(psi).toBeLessThan(28.5);
  });
  it('the limit: half an atmosphere at 30 °C is 1.43 g of sugar a litre in water, 1.24 at 3.5 % salt', () => {
    expect(0.5 / co2Atm(1, 0.0526, 30)).toBeCloseTo(1.43, 1);
    expect(0.5 / co2Atm(1, 0.0526, 30, 0.62)).toBeCloseTo(1.24, 1);
  });
});

describe('the bottling run', () => {
  const live = made();
  it('a live sauce: what its sugar may press, said as long as no vented cap is named, and let out by the clock', () => {
    const at = (file: typeof live, day: string) => reportTypical(file, day);
    const station = (r: ReturnType<typeof at>) => r.stations.find((s) => s.kind === 'bottle')!;
    const s = station(at(live, '2026-11-01'));
    if (s.kind !== 'bottle') throw new Error('no bottle');
    const p = s.facts!.pressure!;
    expect(p.warm).toBeCloseTo(co2Atm(p.sugarGPerL, 5 / 95, 30, ((s.now.saltPct / 100) * 1000 * 1.02) / 58.44), 1);
    expect(p.fridge).toBeLessThan(p.room);
    expect(s.cautions.map((c) => c.id)).toContain('pressure');
    const vented = {
      ...live,
      tools: [{ id: 'v', kind: 'bottle' as const, name: 'Vented', cap: 'vented' as const, volumeMl: 100, tareG: 130, seen: [] }],
      strands: live.strands.map((x) => ({ ...x, stations: x.stations.map((e) => (e.kind === 'bottle' ? { ...e, toolId: 'v' } : e)) })),
    };
    const v = station(at(vented, '2026-11-01'));
    if (v.kind !== 'bottle') throw new Error('no bottle');
    expect(v.cautions.map((c) => c.id)).not.toContain('pressure');
    expect(v.facts!.onScaleG).toBeCloseTo(130 + v.facts!.perBottleG, 9);
    const burps = at(live, '2027-11-01').duties.filter((d) => d.key.startsWith('burp'));
    expect(burps).toEqual([]);
  });
  it('opens by the clock once it is filled, and no more after eight weeks', () => {
    const burps = (day: string) => reportTypical(live, day).duties.filter((d) => d.key.startsWith('burp'));
    expect(burps(FILLED)).toHaveLength(1);
    expect(burps(FILLED)[0]!.due > FILLED).toBe(true);
    const [last, next] = burps(addDays(FILLED, 20));
    expect(last!.due <= addDays(FILLED, 20)).toBe(true);
    expect(next!.due > addDays(FILLED, 20)).toBe(true);
    expect(burps(addDays(FILLED, 80))).toEqual([]);
  });
  it('a log that was kept decides: too short, and it is not heated through, whatever the maker ticked', () => {
    const hot = (points: [number, number][] | null, fillC?: number) => {
      const file = made();
      const set = {
        ...file,
        strands: file.strands.map((s) => ({
          ...s,
          stations: s.stations.map((e) =>
            e.kind === 'bottle'
              ? {
                  ...e,
                  params: { ...(e.params as object), fill: 'hot' },
                  log: {
                    ...e.log,
                    ...(points ? { heat: points.map(([min, c]) => ({ min, c })) } : {}),
                    ...(fillC === undefined ? {} : { fillC }),
                    phOn: undefined,
                    pH: 3.4,
                    instrument: 'meter' as const,
                  },
                }
              : e,
          ),
        })),
      };
      return reportTypical(JSON.parse(JSON.stringify(set)), '2026-11-20').ends[0]!.keeping!;
    };
    const good: [number, number][] = [
      [0, 25],
      [6, 83],
      [17, 84],
    ];
    // Nothing said: planned, and as filled cold.
    expect(hot(null).place).toBe('fridge');
    expect(hot(good).place).toBe('cupboard');
    expect(hot([...good.slice(0, 2), [9, 83]]).place).toBe('fridge');
    expect(hot(good, 70).place).toBe('fridge');
    expect(hot(good, 85).place).toBe('cupboard');
  });

  it('whatever was logged of heat, filling, days and meters: a cupboard only after ten minutes at 82 °C and hot filling, no date beyond the table or the own day', () => {
    const base = made();
    const hot = mapStations(base, (e) => (e.kind === 'bottle' ? { ...e, params: { ...(e.params as object), fill: 'hot' } } : e));
    const end = hot.strands[0]!.id;
    let cupboards = 0;
    fc.assert(
      fc.property(
        fc.option(
          fc.array(fc.record({ min: fc.integer({ min: 0, max: 60 }), c: fc.integer({ min: 10, max: 95 }) }), {
            minLength: 2,
            maxLength: 9,
          }),
        ),
        fc.option(fc.integer({ min: 40, max: 99 })),
        fc.option(fc.integer({ min: -30, max: 400 })),
        fc.constantFrom(undefined, 0.01, 0.05, 0.1, 0.2, 1),
        fc.double({ min: 3, max: 4.8, noNaN: true }),
        (heat, fillC, own, sd, pH) => {
          const file = log(hot, 'bottle', {
            pH: Math.round(pH * 100) / 100,
            instrument: 'meter',
            ...(heat ? { heat } : {}),
            ...(fillC === null ? {} : { fillC }),
            ...(own === null ? {} : { ownUntil: addDays(FILLED, own) }),
            ...(sd === undefined ? {} : { by: { name: 'Pen', sd } }),
          });
          const { keeping } = reportTypical(file, FILLED).ends[0]!;
          if (keeping!.place === 'cupboard') {
            cupboards++;
            if (heat) expect(heatTreatment(heat).enough).toBe(true);
            if (fillC !== null) expect(fillC).toBeGreaterThanOrEqual(82);
            expect(pH).toBeLessThanOrEqual(4.005);
          }
          const label = labelOf(file, end, FILLED);
          expect(label.date.on <= addDays(FILLED, keeping!.days)).toBe(true);
          expect(label.date.on >= FILLED).toBe(true);
          if (own !== null && own >= 0) expect(label.date.on <= addDays(FILLED, own)).toBe(true);
        },
      ),
      { numRuns: rounds(200, 0.4), seed: 11 },
    );
    expect(cupboards).toBeGreaterThan(rounds(5, 0.4));
  });

  it('a log at the pot decides there as well: long boiled by the clock, too short by the thermometer', () => {
    const file = example('harbour-dark');
    const done = mapStations(file, (e) => ({
      ...e,
      log: { doneOn: FILLED },
      params: e.kind === 'bottle' ? { ...(e.params as object), fill: 'cold' } : e.params,
    }));
    const read = log(done, mainEnd(done).stations.at(-1)!.id, { pH: 3.6, instrument: 'meter' });
    const simmer = mainEnd(done).stations.find((s) => s.kind === 'simmer')!.id;
    const cooked = (f: BatchFile) => reportTypical(f, FILLED).ends[0]!.keeping!.rows;
    const short = log(read, simmer, {
      heat: [
        { min: 0, c: 30 },
        { min: 5, c: 84 },
        { min: 9, c: 84 },
      ],
    });
    const long = log(read, simmer, {
      heat: [
        { min: 0, c: 30 },
        { min: 5, c: 92 },
        { min: 15, c: 92 },
        { min: 25, c: 92 },
      ],
    });
    expect(cooked(long)).toEqual(cooked(read));
    // What was not cooked through is as raw as what goes in after it.
    expect(cooked(short)).not.toEqual(cooked(read));
    expect(reportTypical(short, FILLED).ends[0]!.keeping!.days).toBeLessThan(reportTypical(read, FILLED).ends[0]!.keeping!.days);
  });

  it('the freezer mends nothing: past its day or to be thrown away it stays so; a later day only where the table sends it there', () => {
    const keep = (place: 'bin' | 'fridge' | 'cupboard', days: number, rows: number[] = [1]): Keeping => ({
      place,
      days,
      useBy: addDays(FILLED, days),
      rows,
      text: 'as the table says',
      reason: 'Because.',
      openedDays: days,
    });
    const at = (k: Keeping, frozen: number | null, own?: number) =>
      standingOf(k, FILLED, own === undefined ? undefined : addDays(FILLED, own), frozen === null ? undefined : addDays(FILLED, frozen));
    expect(at(keep('fridge', 4), 1)).toMatchObject({ place: 'freezer', useBy: addDays(FILLED, 91) });
    expect(at(keep('fridge', 4), 1).text).toMatch(/thawed: fridge, 3 days/);
    expect(at(keep('fridge', 4), 5)).toMatchObject({ place: 'fridge', useBy: addDays(FILLED, 4) });
    expect(at(keep('bin', 0), 0).place).toBe('bin');
    expect(at(keep('fridge', 180, [8]), 3)).toMatchObject({ place: 'freezer', useBy: addDays(FILLED, 180) });
    expect(at(keep('fridge', 4), 1, 20).useBy).toBe(addDays(FILLED, 20));
    expect(at(keep('fridge', 4), -1).place).toBe('fridge');
    // The label goes by the table, frozen or not.
    const file = log(made(), 'bottle', { frozenOn: addDays(FILLED, 1) });
    expect(labelOf(file, file.strands[0]!.id, FILLED).date.on).toBe(labelOf(made(), file.strands[0]!.id, FILLED).date.on);
  });
});
