import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  addDays,
  clashesOf,
  daysBetween,
  FULL_DAY_MIN,
  freeStart,
  jarsShort,
  mapStations,
  newBatch,
  todayOf,
  type JarStock,
  type Occupant,
  type Occupies,
} from '../src';
import { exampleFile } from './helpers';

const TODAY = '2026-11-26';
const NONE: Occupies = { jars: [], pots: [], work: [] };
const of = (id: string, occupies: Partial<Occupies>, begun = false): Occupant => ({
  ...{ id, name: id.toUpperCase(), startDate: TODAY, begun, occupies: { ...NONE, ...occupies } },
});
const jar = (from: number, to: number, ml = 1500, count = 1) => ({ from: addDays(TODAY, from), to: addDays(TODAY, to), ml, count });

/** The fewest that go without, every way of giving jars out tried. */
function fewestShort(wanted: readonly number[], jars: readonly number[]): number {
  const [first, ...rest] = wanted;
  if (first === undefined) return 0;
  const ways = jars.flatMap((j, i) => (j >= first && j <= 2 * first ? [fewestShort(rest, jars.toSpliced(i, 1))] : []));
  return Math.min(1 + fewestShort(rest, jars), ...ways);
}

describe('jars, pots and days that clash', () => {
  it('as few jars are short as any way of giving them out leaves', () => {
    const ml = fc.constantFrom(350, 500, 700, 1000, 1200, 1500, 2000);
    fc.assert(
      fc.property(fc.array(ml, { maxLength: 5 }), fc.array(ml, { maxLength: 6 }), (wanted, jars) => {
        expect(
          jarsShort(
            wanted,
            jars.map((x) => ({ ml: x, count: 1 })),
          ),
        ).toBe(fewestShort(wanted, jars));
      }),
      { numRuns: 2000 },
    );
  });

  it('two jars where there is one: from the day both stand to the day before one is emptied; nothing is said where no jars are named', () => {
    expect(
      clashesOf([of('a', { jars: [jar(-3, 10)] }, true), of('b', { jars: [jar(-2, 9)] }, true)], [{ ml: 1500, count: 1 }], TODAY),
    ).toEqual([]);
    const both = [of('a', { jars: [jar(-3, 10)] }, true), of('b', { jars: [jar(4, 18)] })];
    const stock: JarStock[] = [{ ml: 1500, count: 1 }];
    expect(clashesOf(both, [], TODAY)).toEqual([]);
    const [clash, ...more] = clashesOf(both, stock, TODAY);
    expect(more).toEqual([]);
    expect(clash).toMatchObject({ kind: 'jars', from: addDays(TODAY, 4), to: addDays(TODAY, 9), batchIds: ['a', 'b'] });
    expect(clash!.says).toBe('A and B want jars at once: 2 of 1.5 l. There is 1 of 1.5 l.');
    expect(clashesOf(both, [{ ml: 1500, count: 2 }], TODAY)).toEqual([]);
    // A jar of twice the size still works; one of three times does not.
    expect(clashesOf(both, [...stock, { ml: 3000, count: 1 }], TODAY)).toEqual([]);
    expect(clashesOf(both, [...stock, { ml: 5000, count: 1 }], TODAY)).toHaveLength(1);
    expect(freeStart(both[1]!, both, stock, TODAY, TODAY)).toBe(addDays(TODAY, 6));
  });

  it('one pot on one day, and a day of too much work; one batch alone is its own affair', () => {
    const on = addDays(TODAY, 2);
    const pot = { pots: [{ toolId: 'p', name: 'Wide pot', on }], work: [{ on, minutes: FULL_DAY_MIN - 60 }] };
    const two = clashesOf([of('a', pot), of('b', pot)], [], TODAY);
    expect(two.map((c) => c.kind).sort()).toEqual(['day', 'pot']);
    expect(two.every((c) => c.from === on && c.to === on)).toBe(true);
    expect(clashesOf([of('a', { ...pot, work: [{ on, minutes: 2 * FULL_DAY_MIN }] })], [], TODAY)).toEqual([]);
    expect(clashesOf([of('a', pot), of('b', pot)], [], addDays(on, 1))).toEqual([]);
  });

  it('whatever is planned: every day is told as counted by hand, and the free day is the first that is free', () => {
    const span = fc.tuple(
      fc.integer({ min: -5, max: 30 }),
      fc.integer({ min: 1, max: 20 }),
      fc.constantFrom(700, 1500),
      fc.integer({ min: 1, max: 2 }),
    );
    const batch = fc.record({
      jars: fc.array(span, { maxLength: 2 }),
      works: fc.array(fc.tuple(fc.integer({ min: 0, max: 30 }), fc.integer({ min: 10, max: 200 })), { maxLength: 3 }),
    });
    fc.assert(
      fc.property(fc.array(batch, { minLength: 1, maxLength: 5 }), fc.integer({ min: 1, max: 3 }), (made, count) => {
        const stock: JarStock[] = [
          { ml: 700, count },
          { ml: 1500, count },
        ];
        const all = made.map((b, i) =>
          of(`b${i}`, {
            jars: b.jars.map(([f, n, ml, k]) => jar(f, f + n, ml, k)),
            work: b.works.map(([d, minutes]) => ({ on: addDays(TODAY, d), minutes })),
          }),
        );
        const told = clashesOf(all, stock, TODAY);
        for (let d = 0; d < 55; d++) {
          const day = addDays(TODAY, d);
          const jars = all.flatMap((b) =>
            b.occupies.jars.filter((j) => j.from <= day && j.to > day).flatMap((j) => Array<number>(j.count).fill(j.ml)),
          );
          expect(told.some((c) => c.kind === 'jars' && c.from <= day && day <= c.to)).toBe(jarsShort(jars, stock) > 0);
          const work = all.flatMap((b) => b.occupies.work.filter((w) => w.on === day).map((w) => ({ ...w, id: b.id })));
          const full = new Set(work.map((w) => w.id)).size > 1 && work.reduce((a, w) => a + w.minutes, 0) > FULL_DAY_MIN;
          expect(told.some((c) => c.kind === 'day' && c.from <= day && day <= c.to)).toBe(full);
        }
        const first = all[0]!;
        const start = freeStart(first, all, stock, TODAY, TODAY);
        const clashesAt = (day: string) => {
          const by = daysBetween(TODAY, day);
          const o = first.occupies;
          const there = {
            ...first,
            occupies: {
              jars: o.jars.map((j) => ({ ...j, from: addDays(j.from, by), to: addDays(j.to, by) })),
              pots: [],
              work: o.work.map((w) => ({ ...w, on: addDays(w.on, by) })),
            },
          };
          return clashesOf([...all.slice(1), there], stock, TODAY).some((c) => c.batchIds.includes(first.id));
        };
        if (start === null) return;
        expect(clashesAt(start)).toBe(false);
        for (let d = TODAY; d < start; d = addDays(d, 1)) expect(clashesAt(d)).toBe(true);
      }),
      { numRuns: 60 },
    );
  });

  it('what is overdue is today, and what has not begun begins today at the earliest', () => {
    const planned = mapStations({ ...exampleFile(), startDate: addDays(TODAY, -30) }, (s) => ({ ...s, log: {} }));
    const { occupies } = todayOf({ ...planned, readings: [], dutiesDone: [] }, TODAY);
    expect(occupies.jars).toEqual([{ from: TODAY, to: addDays(TODAY, 14), ml: 1500, count: 1 }]);
    expect(occupies.work.every((w) => w.on >= TODAY)).toBe(true);
    const at = addDays(TODAY, -30);
    const packed = mapStations(planned, (s) => (s.id === 'prep' || s.id === 'salt' ? { ...s, log: { doneOn: at } } : s));
    const stands = todayOf({ ...packed, readings: [], dutiesDone: [] }, TODAY).occupies;
    expect(stands.jars).toEqual([{ from: at, to: TODAY, ml: 1500, count: 1 }]);
    expect(stands.work.length).toBeGreaterThan(0);
    expect(stands.work.every((w) => w.on === TODAY)).toBe(true);
  });

  it('a batch says what it takes: its jar from packing to draining, its work on its days; nothing once it is done', () => {
    const file = { ...exampleFile(), startDate: TODAY };
    const planned = mapStations(file, (s) => ({ ...s, log: {} }));
    const { occupies, begun } = todayOf({ ...planned, readings: [], dutiesDone: [] }, TODAY);
    expect(begun).toBe(false);
    expect(occupies.jars).toEqual([{ from: TODAY, to: addDays(TODAY, 14), ml: 1500, count: 1 }]);
    expect(occupies.work.reduce((a, w) => a + w.minutes, 0)).toBeGreaterThan(30);
    const done = mapStations(planned, (s) => ({ ...s, log: { doneOn: TODAY } }));
    expect(todayOf(done, TODAY)).toMatchObject({ begun: true, occupies: NONE });
    expect(todayOf(newBatch('Empty', TODAY), TODAY).occupies.jars).toEqual([]);
  });
});
