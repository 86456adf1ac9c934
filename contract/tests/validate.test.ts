import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newBatch, salt, type BatchFile } from '@roskel/core';
import { numberProblem, schemaAt } from '../src';
import { checkBatchFile } from '../src/validate';

const good = () => newBatch('Good', '2026-10-01');
const example = (): unknown => JSON.parse(readFileSync(fileURLToPath(new URL('../../examples/slipway-red.json', import.meta.url)), 'utf8'));
const errors = (value: unknown) => {
  const checked = checkBatchFile(value);
  return checked.ok ? [] : checked.errors;
};
const withSalt = (change: object) => {
  const file = good();
  file.stations[1]!.params = { ...(file.stations[1]!.params as object), ...change };
  return file;
};

describe('a batch file', () => {
  it('the example and a new batch are good', () => {
    expect(errors(example())).toEqual([]);
    expect(errors(good())).toEqual([]);
  });

  it.each([
    ['null', null, '', /not a batch file/],
    ['text', 'hello', '', /not a batch file/],
    ['another format', { format: 'x' }, 'format', /not a Roskel batch file/],
    ['a newer version', { format: 'roskel-batch', version: 9 }, 'version', /version 9/],
    ['a jar of 0 ml', withSalt({ jarMl: 0 }), 'stations/1/params/jarMl', /jar size must be between 50 and 50,000 ml/],
    ['a negative percentage', withSalt({ pct: -3 }), 'stations/1/params/pct', /salt must be between 0 and 40 %/],
    ['text for a number', withSalt({ pct: 'much' }), 'stations/1/params/pct', /salt must be a number in %/],
    ['half a jar', withSalt({ jars: 1.5 }), 'stations/1/params/jars', /whole number/],
    ['an unknown field', withSalt({ magic: 1 }), 'stations/1/params/', /"magic" is not known/],
    [
      'pH 15',
      { ...good(), readings: [{ id: 'r', stationId: 'ferment', at: '2026-10-03T10:00:00Z', pH: 15, instrument: 'meter' }] },
      'readings/0/pH',
      /pH must be between 1.5 and 9/,
    ],
    ['an empty name', { ...good(), name: '' }, 'name', /name must not be empty/],
    [
      'an unknown station',
      { ...good(), stations: [{ id: 'a', kind: 'magic', params: {}, log: {} }] },
      'stations/0/kind',
      /no station called "magic"/,
    ],
    ['a missing part', { ...good(), goal: undefined }, 'goal', /missing/],
    [
      'a reading before the start',
      { ...good(), readings: [{ id: 'r', stationId: 'ferment', at: '2026-09-03T10:00:00Z', pH: 4, instrument: 'meter' }] },
      'readings/0/at',
      /older than the batch/,
    ],
  ])('%s is refused at its field', (_name, value, path, sentence) => {
    const found = errors(value).find((e) => e.path === path || (path === '' && e.path === ''));
    expect(found?.message).toMatch(sentence);
  });

  it('never throws, whatever comes', () => {
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        expect(checkBatchFile(value).ok).toBe(false);
      }),
      { numRuns: 200 },
    );
    fc.assert(
      fc.property(fc.constantFrom(...(Object.keys(good()) as (keyof BatchFile)[])), fc.jsonValue(), (key, value) => {
        expect(() => checkBatchFile({ ...good(), [key]: value })).not.toThrow();
      }),
      { numRuns: 300 },
    );
  });
});

it('the same sentence at the field and on the server', () => {
  const schema = schemaAt(salt.schema, 'jarMl')!;
  expect(numberProblem(schema, 0)).toBe('The jar size must be between 50 and 50,000 ml.');
  expect(numberProblem(schema, Number.NaN)).toBe('The jar size must be a number in ml.');
  expect(numberProblem(schema, 1500)).toBeNull();
  expect(errors(withSalt({ jarMl: 0 }))[0]!.message).toBe(numberProblem(schema, 0));
});
