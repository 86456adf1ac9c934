import { line } from '../../core/tests/helpers';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newBatch, salt, upgradeBatch, type BatchFile, type BatchFile1 } from '@roskel/core';
import { batch1 } from '../../server/tests/old';
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
  line(file)[1]!.params = { ...(line(file)[1]!.params as object), ...change };
  return file;
};

const withAmount = (amount: object) => {
  const file = good();
  Object.assign(line(file)[4]!.intakes[0]!, { amount });
  return file;
};
const with41 = () => {
  const file = good();
  const one = line(file)[4]!.intakes[0]!;
  line(file)[4]!.intakes = Array.from({ length: 41 }, (_, i) => ({ ...one, id: `x${i}` }));
  return file;
};
const old1 = (change: (f: BatchFile1) => void) => {
  const file = batch1();
  change(file);
  return file;
};

describe('a batch file', () => {
  it('the example and a new batch are good', () => {
    expect(errors(example())).toEqual([]);
    expect(errors(good())).toEqual([]);
  });
  it('of version 1 is read as one of today', () => {
    expect(checkBatchFile(batch1())).toEqual({ ok: true, file: upgradeBatch(batch1()) });
  });

  it.each([
    ['null', null, '', /not a batch file/],
    ['text', 'hello', '', /not a batch file/],
    ['another format', { format: 'x' }, 'format', /not a Roskel batch file/],
    ['a newer version', { format: 'roskel-batch', version: 9 }, 'version', /version 9/],
    ['a jar of 0 ml', withSalt({ jarMl: 0 }), 'strands/0/stations/1/params/jarMl', /jar size must be between 50 and 50,000 ml/],
    ['a negative percentage', withSalt({ pct: -3 }), 'strands/0/stations/1/params/pct', /salt must be between 0 and 40 %/],
    ['text for a number', withSalt({ pct: 'much' }), 'strands/0/stations/1/params/pct', /salt must be a number in %/],
    ['half a jar', withSalt({ jars: 1.5 }), 'strands/0/stations/1/params/jars', /whole number/],
    ['an unknown field', withSalt({ magic: 1 }), 'strands/0/stations/1/params', /"magic" is not known/],
    [
      'pH 15',
      { ...good(), readings: [{ id: 'r', stationId: 'ferment', at: '2026-10-03T10:00:00Z', pH: 15, instrument: 'meter' }] },
      'readings/0/pH',
      /pH must be between 1.5 and 9/,
    ],
    ['an empty name', { ...good(), name: '' }, 'name', /name must not be empty/],
    [
      'an unknown station',
      {
        ...good(),
        strands: [{ id: 'm', name: 'M', goal: null, stations: [{ id: 'a', kind: 'magic', intakes: [], params: {}, log: {} }] }],
      },
      'strands/0/stations/0/kind',
      /no station called "magic"/,
    ],
    ['a missing part', { ...good(), strands: undefined }, 'strands', /missing/],
    ['a share of nothing', withAmount({ pct: 0 }), 'strands/0/stations/4/intakes/0/amount/pct', /The share must be between 0 and 100 %/],
    ['a share of 120 %', withAmount({ pct: 120 }), 'strands/0/stations/4/intakes/0/amount/pct', /The share must be between 0 and 100 %/],
    ['41 things at one station', with41(), 'strands/0/stations/4/intakes', /has 41 entries; at most 40 are read/],
    ['13 strands', { ...good(), strands: Array.from({ length: 13 }, () => good().strands[0]) }, 'strands', /has 13 entries; at most 12/],
    [
      'a file of version 1 with a jar of 0 ml',
      old1((f) => Object.assign(f.stations[1]!.params as object, { jarMl: 0 })),
      'stations/1/params/jarMl',
      /jar size must be between/,
    ],
    ['a file of version 1 with a station of today', old1((f) => Object.assign(f.stations[1]!, { kind: 'char' })), 'stations/1/kind', /./],
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
    // An object that says it cannot be said.
    expect(() => checkBatchFile({ ...good(), version: { toString: '' } })).not.toThrow();
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

it('what is no list, too short a list, or no word that is known is said in words', () => {
  const bottled = (log: unknown) => {
    const file = good() as unknown as { strands: { stations: { kind: string; log: unknown }[] }[] };
    file.strands[0]!.stations.find((s) => s.kind === 'bottle')!.log = log;
    const checked = checkBatchFile(file);
    return checked.ok ? [] : checked.errors.map((e) => e.message);
  };
  expect(bottled({ heat: 'x' })).toEqual(['The temperature log must be a list.']);
  expect(bottled({ heat: [{ min: 0, c: 1 }] })).toEqual(['The temperature log needs at least 2 entries.']);
  expect(bottled({ ownWhy: 5 })).toEqual(['Why that day must be in words.']);
  expect(bottled({ pH: 3.4, instrument: 'nose' }).join()).toMatch(/none of those that are known/);
});

it('the same sentence at the field and on the server', () => {
  const schema = schemaAt(salt.schema, 'jarMl')!;
  expect(numberProblem(schema, 0)).toBe('The jar size must be between 50 and 50,000 ml.');
  expect(numberProblem(schema, Number.NaN)).toBe('The jar size must be a number in ml.');
  expect(numberProblem(schema, 1500)).toBeNull();
  expect(errors(withSalt({ jarMl: 0 }))[0]!.message).toBe(numberProblem(schema, 0));
});
