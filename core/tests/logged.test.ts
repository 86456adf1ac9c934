import { describe, expect, it } from 'vitest';
import {
  addDays,
  aheadIssues,
  fillings,
  logRefusal,
  stationIn,
  StationLogSchema,
  withLogged,
  type BatchFile,
  type LogChange,
} from '@roskel/core';
import { Value } from '@sinclair/typebox/value';
import { exampleFile, log, smallBatch } from './helpers';
import { dice } from './random';

const logOf = (f: BatchFile, id: string) => stationIn(f, id)!.log;

describe('what is noted at a station', () => {
  const read = withLogged(smallBatch(), 'blend', { pH: 3.5, instrument: 'meter', phSure: true });
  it('a pH is tied to what was there; another figure or instrument is another reading, that nobody vouched for', () => {
    expect(logOf(read, 'blend')).toMatchObject({ pH: 3.5, instrument: 'meter', phOn: { heated: false } });
    for (const change of [{ pH: 3.6 }, { instrument: 'strip' }, { by: { name: 'M', sd: 0.1 } }] satisfies LogChange[])
      expect(logOf(withLogged({ ...read }, 'blend', change), 'blend').phSure).toBeUndefined();
    expect(logOf(withLogged(read, 'blend', { note: 'x' }), 'blend').phSure).toBe(true);
  });
  it('one with nothing said of its instrument is a strip; without its figure nothing of it stays', () => {
    expect(logOf(withLogged(smallBatch(), 'blend', { pH: 3.5 }), 'blend').instrument).toBe('strip');
    const gone = withLogged(withLogged(read, 'blend', { phBlended: true, by: { name: 'M', sd: 0.1 } }), 'blend', { pH: null });
    expect(logOf(gone, 'blend')).toEqual({});
  });
  it('what goes with a day goes with it, and a jar that was thrown away was done with on that day', () => {
    const thrown = log(smallBatch(), 'ferment', { doneOn: '2026-10-20', thrownOn: '2026-10-20', thrownWhy: 'fuzz' });
    expect(logOf(withLogged(thrown, 'ferment', { doneOn: '2026-10-21' }), 'ferment')).toMatchObject({
      doneOn: '2026-10-21',
      thrownOn: '2026-10-21',
    });
    expect(logOf(withLogged(thrown, 'ferment', { doneOn: null }), 'ferment')).toEqual({});
    const own = log(smallBatch(), 'bottle', { doneOn: '2026-10-20', ownUntil: '2026-11-20', ownWhy: 'colour' });
    expect(logOf(withLogged(own, 'bottle', { ownUntil: null }), 'bottle')).toEqual({ doneOn: '2026-10-20' });
  });
  it('hundreds of changes in any order leave a log that a file may have', () => {
    const d = dice(11);
    const values: [keyof LogChange, unknown[]][] = [
      ['pH', [3.4, null, 4.7]],
      ['instrument', ['meter', 'strip']],
      ['by', [{ name: 'M', sd: 0.1 }, null]],
      ['phBlended', [true, false]],
      ['phSure', [true, null]],
      ['fillC', [85, null]],
      ['hotByThermometer', [true, false]],
      [
        'heat',
        [
          [
            { min: 0, c: 20 },
            { min: 9, c: 90 },
          ],
          null,
          [],
        ],
      ],
      ['note', ['', 'thick']],
    ];
    let file = smallBatch();
    for (let i = 0; i < 300; i++) {
      const [key, of] = d.pick(values);
      file = withLogged(file, 'bottle', { [key]: d.pick(of) } as LogChange);
      const now = logOf(file, 'bottle');
      expect(Value.Check(StationLogSchema, now), JSON.stringify(now)).toBe(true);
      expect(now.pH === undefined).toBe(now.instrument === undefined);
      if (now.pH === undefined) expect([now.by, now.phSure, now.phBlended, now.phOn]).toEqual([undefined, undefined, undefined, undefined]);
    }
  });
});

describe('what cannot be noted', () => {
  const TODAY = '2026-11-20';
  const file = exampleFile();
  const why = (id: string, change: LogChange, f = file) => logRefusal(f, id, change, TODAY)?.message ?? null;
  it.each<[string, string, LogChange, RegExp | null]>([
    ['done tomorrow', 'prep', { doneOn: addDays(TODAY, 1) }, /not come yet/],
    ['done in a month', 'prep', { doneOn: addDays(TODAY, 30) }, /not come yet/],
    ['frozen tomorrow', 'bottle', { frozenOn: addDays(TODAY, 1) }, /not come yet/],
    ['done today, before what it stands on', 'blend', { doneOn: TODAY }, /comes before this and is not done yet/],
    ['done before the batch began', 'prep', { doneOn: '2020-01-01' }, /cannot be done on 2020-01-01: the batch was started/],
  ])('%s', (_, id, change, says) => expect(why(id, change, smallBatch())).toMatch(says!));
  it('taken back while something stands on it; a last day before the filling', () => {
    expect(
      why('prep', { doneOn: null }, log(log(smallBatch(), 'prep', { doneOn: '2026-10-02' }), 'salt', { doneOn: '2026-10-02' })),
    ).toMatch(/Salt & pack is done already/);
    expect(why('bottle', { ownUntil: '2026-10-01' }, log(smallBatch(), 'bottle', { doneOn: '2026-10-20' }))).toMatch(
      /filled on 2026-10-20/,
    );
    expect(why('prep', { doneOn: '2026-10-02' }, smallBatch())).toBeNull();
    expect(why('blend', { note: 'x' }, smallBatch())).toBeNull();
  });
  it.each([0, 1, 2, 30])('a file with a day %i days ahead of the last one that may be', (ahead) => {
    const day = addDays(TODAY, ahead);
    const bad = log(smallBatch(), 'prep', { doneOn: day });
    const readings = [{ id: 'r', stationId: 'ferment', at: `${day}T08:00:00.000Z`, pH: 4, instrument: 'meter' as const }];
    expect(aheadIssues({ ...bad, readings }, TODAY).map((i) => i.path)).toEqual(
      ahead === 0 ? [] : ['strands/0/stations/0/log/doneOn', 'readings/0/at'],
    );
  });
});

// Worked by hand: 1,000 ml, filled but for 5 %: 237.5, 142.5 and 95 ml to a bottle.
describe('what a sauce fills in each kind of bottle', () => {
  const kinds = [250, 150, 100].map((ml) => ({ id: `b${ml}`, name: `${ml}`, ml }));
  it('the one that leaves least stands first; a rest that fills another counts as none', () => {
    const rows = fillings(1000, 5, kinds);
    expect(rows.map((r) => [r.kind.ml, r.count, Math.round(r.leftMl * 10) / 10, r.rest?.kind.ml ?? null])).toEqual(
      [
        [250, 4, 50, null],
        [100, 10, 50, null],
        [150, 7, 2.5, null],
      ].sort((a, b) => a[2]! - b[2]!),
    );
    expect(fillings(1045, 5, kinds)[0]).toMatchObject({ kind: { ml: 250 }, count: 4, rest: { kind: { ml: 100 } } });
  });
  it('nothing fills nothing', () => expect(fillings(0, 5, kinds).every((f) => f.count === 0)).toBe(true));
});
