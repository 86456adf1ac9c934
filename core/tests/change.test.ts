import { withGoal } from '../src';
import { mainEnd } from '@roskel/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyChanges, changesBetween, forceChange, mergeChanges, reversed, same, valueAt } from '@roskel/core';
import { dice, randomBatch } from './random';

/** Documents like ours: fields, entries with names, lists of words, plain lists. */
const leaf = fc.oneof(fc.integer({ min: 0, max: 3 }), fc.constantFrom('a', 'b', ''), fc.boolean(), fc.constant(null));
const entry = fc.record({
  id: fc.constantFrom('p', 'q', 'r', 's', 't'),
  g: leaf,
  inner: fc.option(fc.record({ x: leaf }), { nil: undefined }),
});
const doc = fc.record({
  name: leaf,
  goal: fc.record({ low: leaf, high: leaf }, { requiredKeys: [] }),
  rows: fc.uniqueArray(entry, { selector: (e) => e.id, maxLength: 5 }),
  words: fc.uniqueArray(fc.constantFrom('u', 'v', 'w', 'x'), { maxLength: 4 }),
  plain: fc.array(fc.integer({ min: 0, max: 3 }), { maxLength: 3 }),
});
const clean = <T>(v: T): T => JSON.parse(JSON.stringify(v)) as T;

describe('changes of a document', () => {
  it('made, they give the other document; taken back, the first', () => {
    fc.assert(
      fc.property(doc, doc, (x, y) => {
        const [a, b] = [clean(x), clean(y)];
        const changes = changesBetween(a, b);
        const there = applyChanges(a, changes);
        expect(there.clashes).toEqual([]);
        expect(same(there.value, b)).toBe(true);
        const back = applyChanges(b, reversed(changes));
        expect(back.clashes).toEqual([]);
        expect(same(back.value, a)).toBe(true);
      }),
      { numRuns: 2000 },
    );
  });

  it('merging with nothing changes nothing, and both sides of the same change agree', () => {
    fc.assert(
      fc.property(doc, doc, (x, y) => {
        const [a, b] = [clean(x), clean(y)];
        for (const [mine, theirs] of [
          [a, b],
          [b, a],
          [b, b],
        ]) {
          const merged = mergeChanges(a, mine, theirs);
          expect(merged.clashes).toEqual([]);
          expect(same(merged.value, b)).toBe(true);
        }
      }),
      { numRuns: 500 },
    );
  });

  it('whatever two sides do, every field is theirs, or mine, or named as a clash', () => {
    fc.assert(
      fc.property(doc, doc, doc, (x, y, z) => {
        const [base, mine, theirs] = [clean(x), clean(y), clean(z)];
        const { value, clashes } = mergeChanges(base, mine, theirs);
        for (const c of changesBetween(base, mine)) {
          if (c.path.at(-1) === '@order') continue;
          const made = same(valueAt(value, c.path), c.after);
          const named = clashes.some((k) => c.path.join().startsWith(k.path.join()));
          expect(made || named).toBe(true);
        }
        // Nothing of theirs is lost where mine changed nothing.
        if (same(base.goal, mine.goal)) expect(same(value.goal, theirs.goal)).toBe(true);
        if (same(base.name, mine.name)) expect(value.name).toEqual(theirs.name);
        // Settled for mine, whatever was asked about is as mine had it: neither side can be lost by a choice.
        const settled = clashes.reduce((v, c) => forceChange(v, c), value);
        for (const c of clashes) if (c.path.at(-1) !== '@order') expect(same(valueAt(settled, c.path), valueAt(mine, c.path))).toBe(true);
      }),
      { numRuns: 1500 },
    );
  });

  it('a pH never comes apart from what it was read on, nor an amount from its words', () => {
    const log = (pH: number, on: string, more = {}) => ({
      stations: [{ id: 's', log: { pH, instrument: 'meter', phOn: on, note: 'x', ...more } }],
    });
    const both = mergeChanges(log(4.8, 'A'), log(4.8, 'A', { phSure: true }), log(1.6, 'B'));
    // Theirs is another reading: what was vouched for mine does not vouch for it.
    expect(both.value).toEqual(log(1.6, 'B'));
    expect(both.clashes).toMatchObject([{ path: ['stations', '#s', 'log', '@pH'], after: { pH: 4.8, phOn: 'A', phSure: true } }]);
    expect(forceChange(both.value, both.clashes[0]!)).toEqual(log(4.8, 'A', { phSure: true }));
    const pot = (g: number, words: string) => ({ intakes: [{ id: 'garlic', amount: { g, words } }] });
    const said = mergeChanges(pot(12, '3 cloves'), pot(20, '5 cloves'), pot(200, '200 g'));
    expect(said.clashes).toHaveLength(1);
    expect(forceChange(said.value, said.clashes[0]!)).toEqual(pot(20, '5 cloves'));
  });

  it('what was changed in an entry that the other took away is asked about, and can be had back whole', () => {
    const doc = (rows: object[]) => ({ readings: rows });
    const base = doc([
      { id: 'a', pH: 4 },
      { id: 'b', pH: 5, note: 'n' },
    ]);
    const mine = doc([
      { id: 'a', pH: 4 },
      { id: 'b', pH: 4.4, note: 'm' },
    ]);
    const { value, clashes } = mergeChanges(base, mine, doc([{ id: 'a', pH: 4 }]));
    expect(clashes).toMatchObject([{ path: ['readings', '#b'], after: { id: 'b', pH: 4.4, note: 'm' }, now: undefined }]);
    expect(forceChange(value, clashes[0]!)).toEqual(mine);
  });

  it('two windows on one batch: other fields come together, the same one is named', () => {
    for (let seed = 1; seed <= 40; seed++) {
      const base = randomBatch(dice(seed));
      const goal = mainEnd(base).goal;
      const mine = withGoal({ ...base, name: 'Mine' }, 'main', { ...goal, bottles: goal.bottles + 1 });
      const theirs = withGoal({ ...base, startDate: '2026-01-01' }, 'main', { ...goal, lowShu: goal.lowShu + 1 });
      const { value, clashes } = mergeChanges(base, mine, theirs);
      expect(clashes).toEqual([]);
      expect(value).toMatchObject({
        name: 'Mine',
        startDate: '2026-01-01',
      });
      expect(mainEnd(value).goal).toMatchObject({ bottles: goal.bottles + 1, lowShu: goal.lowShu + 1 });
      const both = mergeChanges(base, mine, { ...base, name: 'Theirs' });
      expect(both.value.name).toBe('Theirs');
      expect(both.clashes).toMatchObject([{ path: ['name'], after: 'Mine', now: 'Theirs' }]);
    }
  });
});
