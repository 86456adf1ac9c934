import { line, withJug, withoutKinds } from './helpers';
import { setup } from './helpers';
import { mapStations } from '../src';
import { describe, expect, it } from 'vitest';
import {
  addDays,
  carry,
  ingredient,
  lotOfVariety,
  reportTypical,
  runLine,
  tieReadings,
  TYPICAL,
  variety,
  withExtras,
  type BatchFile,
  type Ingredient,
  type TypicalReport,
  type Reading,
  type StationLog,
} from '../src';
import { smallBatch } from './helpers';

/*
 * The table of keeping is handbook chapter 5, section 17; the line at 4.6 is US 21 CFR 114.3. Each case is a way in which a
 * sauce that must stay cold was, or could have been, said to keep in a cupboard.
 */
const START = '2026-10-01';
const meter = (pH: number): StationLog => ({ pH, instrument: 'meter' });
const jarRead = (...list: [day: number, pH: number][]): Reading[] =>
  list.map(([day, pH], i) => ({ id: `r${i}`, stationId: 'ferment', at: `${addDays(START, day)}T12:00:00.000Z`, pH, instrument: 'meter' }));

/** A batch with every step done, filled hot, its jar read by `readings`, its logs as given. */
function finished(logs: Record<string, StationLog> = {}, readings = jarRead([7, 4.1], [14, 3.6]), base = smallBatch()): BatchFile {
  const hot = setup(base, 'bottle', { fill: 'hot', headspacePct: 5, altitudeM: 0 });
  const day = (id: string) => (['prep', 'salt'].includes(id) ? START : addDays(START, 15));
  return {
    ...mapStations(hot, (s) => ({ ...s, log: { doneOn: day(s.id), ...(s.id === 'bottle' ? { fillC: 85 } : {}), ...logs[s.id] } })),
    readings,
  };
}
const said = (file: BatchFile): TypicalReport => reportTypical(file, addDays(START, 20));
const keep = (file: BatchFile) => said(file).ends[0]!.keeping!;
/** The only way into a cupboard: a sound jar, blended, cooked, and a meter at 4.0 or below on the heated sauce. */
const GOOD = { bottle: { ...meter(3.4), fillC: 85 } };

describe('what may stand in a cupboard', () => {
  it('a read jar, blended, filled hot, and measured after that with a meter at 4.0 or below', () => {
    expect(keep(finished(GOOD))).toMatchObject({ place: 'cupboard', days: 180 });
    expect(keep(finished(GOOD)).text).toMatch(/tested recipe.*fridge once open/);
  });

  const mashed = (pct: number) => setup(smallBatch(), 'salt', { ...(line(smallBatch())[1]!.params as object), school: 'mash', pct });
  const lowSalt = setup(smallBatch(), 'salt', { ...(line(smallBatch())[1]!.params as object), pct: 1.2 });
  it.each<[string, BatchFile, number]>([
    ['a jar above 4.6 after two weeks', finished(GOOD, jarRead([7, 4.9], [14, 4.8])), 0],
    ['the same, with a better reading later: what was condemned stays condemned', finished(GOOD, jarRead([14, 4.8], [15, 4.3])), 0],
    ['a jar whose pH rose', finished(GOOD, jarRead([5, 3.9], [12, 4.4])), 7],
    ['a jar whose pH rose and stayed up', finished(GOOD, jarRead([5, 3.9], [7, 3.85], [12, 4.4], [13, 4.4])), 0],
    ['a mash that never soured, held by salt', finished(GOOD, jarRead([14, 5.0]), mashed(12)), 7],
    ['too little salt in an unread jar', finished(GOOD, [], lowSalt), 7],
    ['an unread jar', finished(GOOD, []), 14],
    ['measured before heating only', finished({ blend: meter(3.4), strain: meter(3.4) }), 14],
    ['measured in the jar only', finished({ ferment: meter(3.4), drain: meter(3.4) }), 14],
    ['drained pods read above 4.6, whatever the brine said', finished({ drain: meter(5.2), ...GOOD }), 7],
    ['a strip at 3.61', finished({ bottle: { pH: 3.61, instrument: 'strip' } }), 30],
    ['a strip at 3.5', finished({ bottle: { pH: 3.5, instrument: 'strip' } }), 180],
    ['nothing said about the instrument', finished({ bottle: { pH: 3.4 } }), 180],
    ['4.01 by a meter', finished({ bottle: meter(4.01) }), 30],
    ['4.61 by a meter', finished({ bottle: { ...meter(4.61), phSure: true } }), 4],
    ['a pH that cannot be', finished({ bottle: meter(1.5) }), 14],
  ])('not: %s', (_, file, days) => {
    const k = keep(file);
    expect(k.place).toBe(days === 0 ? 'bin' : 'fridge');
    expect(k.days).toBeLessThanOrEqual(days);
  });

  it('hot only planned is not hot', () => {
    const file = finished(GOOD);
    const k = keep(mapStations(file, (s) => (s.kind === 'bottle' ? { ...s, log: { pH: 3.4, instrument: 'meter' as const } } : s)));
    expect(k.place).toBe('fridge');
  });
  it('an own ferment out of a jar that nobody knows', () => {
    const own = lotOfVariety(variety('cayenne-red'), { id: 'own', form: 'ferment' });
    const base = carry(setup(smallBatch(), 'prep', { pods: [{ lotId: 'own', massG: 500, prep: 'whole' }] }), [own], []);
    const raw = finished({ ...GOOD, prep: { doneOn: addDays(START, 15) } }, undefined, base);
    const blendOnly = { ...withoutKinds(raw, ['salt', 'ferment', 'drain']), readings: [] };
    expect(keep(blendOnly)).toMatchObject({ place: 'fridge' });
    expect(keep(blendOnly).days).toBeLessThanOrEqual(14);
  });
  it('an imported line that never blended', () => {
    const file = finished(GOOD);
    for (const kinds of [['blend'], ['blend', 'strain'], ['blend', 'strain', 'drain']]) {
      const k = keep(withoutKinds(file, kinds));
      expect(k.place).toBe('fridge');
      expect(k.days).toBeLessThanOrEqual(14);
    }
  });
  it('a pH far from what went in is asked about once, and stays cold until it is confirmed', () => {
    const sharp = withExtras(
      smallBatch(),
      [
        { id: 'garlic', massG: 400 },
        { id: 'carrot', massG: 400 },
      ],
      [],
    );
    const file = finished({ bottle: meter(3.2) }, undefined, sharp);
    const report = said(file);
    expect(report.stations.at(-1)!.ph.status).toBe('unlikely');
    expect(report.cautions.map((c) => c.id)).toContain('ph-unlikely');
    expect(report.ends[0]!.keeping!.place).toBe('fridge');
    expect(said(finished({ bottle: { ...meter(3.2), phSure: true } }, undefined, sharp)).stations.at(-1)!.ph.status).toBe('measured');
  });
});

describe('a measured pH belongs to what it was measured on', () => {
  const measured = tieReadings(null, finished(GOOD));
  it('is tied to the amounts of then, and holds while they are the same', () => {
    expect(line(measured).at(-1)!.log.phOn!.parts).toMatchObject({ hot: expect.any(Number), garlic: expect.any(Number) });
    expect(keep(measured).place).toBe('cupboard');
    expect(keep({ ...measured, name: 'Another name' }).place).toBe('cupboard');
  });
  it.each<[string, (f: BatchFile) => BatchFile]>([
    [
      '2 kg of water in the same blend',
      (f) =>
        withExtras(
          f,
          [
            { id: 'vinegar_cider', massG: 300 },
            { id: 'garlic', massG: 12 },
            { id: 'water', massG: 2000 },
          ],
          [],
        ),
    ],
    [
      'a little more garlic',
      (f) =>
        withExtras(
          f,
          [
            { id: 'vinegar_cider', massG: 300 },
            { id: 'garlic', massG: 40 },
          ],
          [],
        ),
    ],
    [
      'less vinegar',
      (f) =>
        withExtras(
          f,
          [
            { id: 'vinegar_cider', massG: 150 },
            { id: 'garlic', massG: 12 },
          ],
          [],
        ),
    ],
    [
      'other pods',
      (f) =>
        setup(f, 'prep', {
          pods: [
            { lotId: 'hot', massG: 100, prep: 'whole' },
            { lotId: 'mild', massG: 600, prep: 'whole' },
          ],
        }),
    ],
  ])('%s makes it old, and the page says so', (_, change) => {
    const report = said(change(measured));
    const end = report.stations.at(-1)!;
    expect(end.ph.status).toBe('old');
    expect(end.ph.note).toMatch(/does not count any more/);
    expect(end.phMeasured).toBe(false);
    expect(report.ends[0]!.keeping!.place).toBe('fridge');
    // Taking the change back brings it back; measuring anew ties it to what is there now.
    expect(keep(measured).place).toBe('cupboard');
  });
  it('own brine added, or the drained pods weighed anew: old', () => {
    const acid = [
      { id: 'vinegar_cider', massG: 300 },
      { id: 'garlic', massG: 12 },
    ];
    expect(said(withJug(measured, [...acid, { id: 'brine', massG: 15 }])).stations.at(-1)!.ph.status).toBe('old');
    const heavier = mapStations(measured, (s) => (s.kind === 'drain' ? { ...s, log: { ...s.log, massG: 900 } } : s));
    expect(said(heavier).stations.at(-1)!.ph.status).toBe('old');
  });
  it('measured cold, then heated: old', () => {
    const cold = tieReadings(null, setup(finished(GOOD), 'bottle', { fill: 'cold', headspacePct: 5, altitudeM: 0 }));
    const heated = setup(cold, 'bottle', { fill: 'hot', headspacePct: 5, altitudeM: 0 });
    expect(said(heated).stations.at(-1)!.ph.status).toBe('old');
    expect(keep(heated).place).toBe('fridge');
  });
  it('written down as it is done: the heat first, the pH of what cooled, then done, and it counts; the pH before the heat does not', () => {
    const log = (f: BatchFile, more: StationLog) => {
      const next = mapStations(f, (x) => (x.id === 'bottle' ? { ...x, log: { ...x.log, ...more } } : x));
      return tieReadings(f, next);
    };
    const GAUGE = { ...meter(3.4), phBlended: true } satisfies StationLog;
    const open = mapStations(finished({ ...GOOD, bottle: {} }), (s) => (s.id === 'bottle' ? { ...s, log: {} } : s));
    const done = { doneOn: addDays(START, 15) };
    const told = (...logs: StationLog[]) => said(logs.reduce(log, open));
    const all = told({ fillC: 85 }, GAUGE, done);
    expect(all.stations.at(-1)!.ph.status).toBe('measured');
    expect(all.ends[0]!.keeping!.place).toBe('cupboard');
    // Not done yet nothing is asked about, and nothing is heated: it keeps as what lives.
    const ahead = told({ fillC: 85 }, GAUGE);
    expect(ahead.stations.at(-1)!.ph).toMatchObject({ status: 'measured', note: null });
    expect(ahead.ends[0]!).toMatchObject({ state: 'live', keeping: told(GAUGE).ends[0]!.keeping });
    expect(told({ fillC: 85 }, GAUGE, done, { fillC: 60 }).stations.at(-1)!.ph.note).toMatch(/heated then/);
    for (const order of [
      [GAUGE, { fillC: 85 }, done],
      [GAUGE, done, { fillC: 85 }],
    ])
      expect(told(...order).stations.at(-1)!.ph.note).toMatch(/heated since/);
    expect(told(GAUGE, { fillC: 60 }, done).stations.at(-1)!.ph.status).toBe('measured');
  });
  it('a later and higher reading is the one that counts', () => {
    const file = finished({ blend: meter(3.9), bottle: { ...meter(5.0), phSure: true } });
    expect(keep(file).days).toBeLessThanOrEqual(4);
    const read: Reading = { id: 'late', stationId: 'bottle', at: `${addDays(START, 18)}T09:00:00.000Z`, pH: 4.9, instrument: 'meter' };
    const later = finished(GOOD);
    expect(keep({ ...later, readings: [...later.readings, read] }).place).toBe('fridge');
  });
  it('a loose reading at the bottle is tied to nothing: it can condemn and lengthens nothing', () => {
    const at = (pH: number): Reading => ({
      id: 'x',
      stationId: 'bottle',
      at: `${addDays(START, 16)}T09:00:00.000Z`,
      pH,
      instrument: 'meter',
    });
    const file = finished();
    expect(keep({ ...file, readings: [...file.readings, at(3.4)] }).days).toBeLessThanOrEqual(14);
    expect(keep({ ...file, readings: [...file.readings, at(4.9)] }).days).toBeLessThanOrEqual(4);
  });
  it('the same value saved again without its tie keeps the tie it had', () => {
    const stripped = mapStations(measured, (s) => ({ ...s, log: { ...s.log, phOn: undefined } })) as BatchFile;
    const diluted = withExtras(stripped, [{ id: 'water', massG: 900 }], []);
    expect(said(tieReadings(measured, diluted)).stations.at(-1)!.ph.status).toBe('old');
  });
});

describe('oil', () => {
  const bottled = (row: Ingredient, massG = 40) => {
    const acid = { id: 'vinegar_cider', massG: 300 };
    const file = finished(GOOD, undefined, withExtras(smallBatch(), [acid, { id: row.key, massG }], [row]));
    return said(file);
  };
  it.each<[string, Ingredient]>([
    ['olive oil', ingredient('oil_olive')],
    ['a row of 45 % fat', { ...ingredient('tomato'), key: 'own-mayo', name: 'House dressing', fat: 45, water: 48, tss: 4 }],
    ['an own row like oil', { ...ingredient('oil_olive'), key: 'own-press', name: 'Cold pressed', like: 'oil_olive', fat: 10, water: 88 }],
    ['an oil row with its fat forged to 0', { ...ingredient('oil_neutral'), fat: 0, water: 100 }],
    ['an own row that is called oil', { ...ingredient('water'), key: 'own-x', name: 'Chilli oil', fat: 0 }],
  ])('%s: cold, a fortnight at the very most, and named', (_, row) => {
    const report = bottled(row);
    expect(report.ends[0]!.keeping!.place).toBe('fridge');
    // Row 4: at most a fortnight, and that only for a film.
    expect(report.ends[0]!.keeping!.days).toBeLessThanOrEqual(14);
    expect(report.cautions.find((c) => c.id === 'garlic-oil')?.severity).toBe('danger');
  });
  it('a paste lot in oil, by what is said of it or by its name', () => {
    for (const own of [{ oilPct: 30 }, { name: 'Red paste in oil' }]) {
      const paste = { ...lotOfVariety(variety('cayenne-red'), { id: 'paste', form: 'paste' }), ...own };
      const base = carry(setup(smallBatch(), 'prep', { pods: [{ lotId: 'paste', massG: 500, prep: 'whole' }] }), [paste], []);
      expect(keep(finished(GOOD, undefined, base)).days).toBeLessThanOrEqual(7);
    }
  });
  it('unmeasured with garlic: four days, as the caution says', () => {
    const file = withExtras(
      smallBatch(),
      [
        { id: 'oil_olive', massG: 60 },
        { id: 'garlic', massG: 20 },
      ],
      [],
    );
    const report = said(file);
    const { keeping } = report.ends[0]!;
    expect(keeping).toMatchObject({ place: 'fridge', days: 4 });
    expect(report.cautions.find((c) => c.id === 'garlic-oil')!.text).toContain('gone within 4 days');
  });
});

describe('the whole batch', () => {
  it('unmeasured and worked out above 4.6: a week at most', () => {
    const mild = withExtras(smallBatch(), [{ id: 'carrot', massG: 600 }], []);
    const file = setup(mild, 'ferment', { tempC: 4, days: 3, targetPh: 3.8 });
    expect(runLine(file, TYPICAL).at(-1)!.out.past.ph).toBeNull();
    expect(keep(file).days).toBeLessThanOrEqual(7);
  });
  it('every sentence says the place first and what would lengthen it last', () => {
    const k = keep(finished({}, undefined, smallBatch()));
    expect(k.text).toMatch(/^Fridge, .*would lengthen it\.$/);
  });
});
