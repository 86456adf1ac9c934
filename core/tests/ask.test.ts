import { describe, expect, it } from 'vitest';
import { fieldsOf, STATION_KINDS, stationKind, type Field } from '../src';

const asked = (kind: string, params: object = {}) => {
  const k = stationKind(kind);
  return fieldsOf(k.schema, { ...(k.defaults() as object), ...params });
};
const labels = (fields: readonly Field[]) => fields.map((f) => f.label);

describe('what is asked at a station', () => {
  it('asks for every parameter of every kind, under some values of the others, by a name of its own', () => {
    for (const kind of STATION_KINDS) {
      const all = Object.keys(kind.schema.properties as object);
      const told = Object.entries(kind.schema.properties as Record<string, { when?: object; anyOf?: { when?: object }[] }>);
      // With what each asks for given, each is asked.
      const seen = new Set(
        told.flatMap(([name, s]) => {
          const when = (s.when ?? s.anyOf?.[0]?.when ?? {}) as Record<string, unknown[]>;
          const given = Object.fromEntries(Object.entries(when).map(([other, any]) => [other, any[0]]));
          return asked(kind.kind, given).flatMap((f) => (f.name === name ? [f.name] : []));
        }),
      );
      expect([...seen].sort(), kind.kind).toEqual(all.sort());
      const now = labels(asked(kind.kind));
      expect(new Set(now).size, kind.kind).toBe(now.length);
      // What a field asks for hangs on fields that are there.
      for (const [, s] of told) for (const other of Object.keys(s.when ?? {})) expect(all).toContain(other);
    }
  });

  it.each([
    ['char', {}, ['Fire', 'How far', 'Time', 'Peel them'], []],
    ['char', { way: 'oven' }, ['Fire', 'Time', 'Oven', 'Peel them'], []],
    ['simmer', { until: 'left' }, ['Until', 'What stays', 'Fire'], ['Lid', 'Pot, across']],
    ['simmer', { until: 'soft' }, ['Until', 'What is to be soft', 'Fire'], ['Lid', 'Pot, across', 'Altitude']],
    [
      'salt',
      { school: 'mash' },
      ['How salt is counted', 'Salt', 'Jar', 'Jars'],
      ['Cut', 'Kind of salt', 'Headspace', 'Room the weight takes'],
    ],
    ['thicken', { with: 'xanthan', until: 'dose' }, ['With', 'How much', 'For 100 g of water'], []],
    ['prep', {}, [], []],
  ] as const)('%s %o: what matters first, the rest behind a link', (kind, params, main, rest) => {
    const fields = asked(kind, params);
    expect(labels(fields.filter((f) => f.main))).toEqual(main);
    expect(labels(fields.filter((f) => !f.main))).toEqual(rest);
  });

  it('knows what may be left out, what may be nothing, and what is a choice', () => {
    const of = (kind: string, name: string, params = {}) => asked(kind, params).find((f) => f.name === name)!;
    expect(of('ferment', 'lid')).toMatchObject({ type: 'choice', optional: true, nullable: false });
    expect(Object.values(of('ferment', 'lid').names!)).toEqual(['airlock', 'closed', 'a cloth']);
    expect(of('salt', 'mixedMl')).toMatchObject({ type: 'number', optional: true, nullable: true, unit: 'ml' });
    expect(of('salt', 'jars')).toMatchObject({ type: 'number', optional: false });
    expect(of('char', 'peel').type).toBe('tick');
    expect(of('simmer', 'soft', { until: 'soft' }).type).toBe('form');
    // Seven steps of body, by their words.
    expect(Object.entries(of('simmer', 'step', { until: 'body' }).names!)[3]).toEqual(['4', 'coats a spoon']);
  });

  it('salt counted in another way keeps its grams, or says why it cannot be', () => {
    const salt = stationKind('salt');
    const before = { ...(salt.defaults() as object), school: 'wholeJar', pct: 3 };
    // 30 g rubbed into 600 g of pods are 5 %; 50 g into 60 g are more than any jar (worked out by hand).
    const facts = { produceG: 600, saltG: 30 } as never;
    const after = salt.turned!(before, { ...before, school: 'mash' }, facts) as { pct: number };
    expect(after.pct).toBeCloseTo(5, 6);
    expect(salt.turned!(before, { ...before, pct: 4 }, facts)).toMatchObject({ pct: 4 });
    expect(salt.turned!(before, { ...before, school: 'mash' }, { produceG: 60, saltG: 50 } as never)).toMatch(
      /50 g of salt cannot be counted/,
    );
  });
});
