// @vitest-environment happy-dom
import fc from 'fast-check';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { DIDS, fieldWords, TOPICS, type LogLine } from '@roskel/contract';
import { newBatch } from '@roskel/core';
import { makerHere, setMakerHere } from '../src/api/maker';
import { didWords, placeOf } from '../src/log/words';
import { freshAfterBuild } from '../src/ui/freshAfterBuild';
import { readHere } from '../src/ui/keepHere';

const line = (more: Partial<LogLine>): LogLine => ({
  ...{ id: 1, at: '2026-11-27T10:00:00.000Z', maker: 'Ebba', topic: 'batches', itemId: 'x', name: 'X', did: 'set', path: '', detail: {} },
  ...more,
});

describe('a line of the log', () => {
  it('says what was done in a cook’s words', () => {
    const says = (more: Partial<LogLine>) => didWords(line(more));
    expect(says({ detail: { what: 'Ferment, the days in the jar', before: 16, after: 12 } })).toBe(
      'Ferment, the days in the jar: 12, before 16',
    );
    const reading = { id: 'r7', stationId: 'ferment', at: '2026-11-26T18:05:00.000Z', pH: 4.31, tempC: 20.4, instrument: 'meter' };
    expect(says({ path: 'readings/#r7', detail: { what: 'a reading', after: reading } })).toBe('a reading: pH 4.31, meter, 20.4 °C');
    expect(says({ detail: { what: 'a reading', before: reading } })).toBe('a reading: taken out (pH 4.31, meter, 20.4 °C)');
    expect(says({ detail: { what: 'the note', before: { long: 'ab' }, after: { long: 'cd' } } })).toBe('the note: changed');
    expect(says({ topic: 'shelf', did: 'moved', detail: { bottles: -2, reason: 'given' } })).toBe('−2 bottles, given away');
    expect(says({ topic: 'pods', did: 'moved', detail: { g: 150, reason: 'in', words: 'three handfuls' } })).toBe(
      '+150 g, came in, three handfuls',
    );
    expect(says({ topic: 'pods', did: 'turned', detail: { g: 80, reason: 'powder' } })).toBe('80 g dried and ground');
    expect(says({ did: 'added' })).toBe('begun');
  });
  it('names things, never the ids they go by', () => {
    const file = newBatch('Named', '2026-11-01');
    const [strand] = file.strands;
    const put = { id: 'sugar_white', origin: { from: 'larder', key: 'sugar_white' }, amount: { g: 30 } };
    const path = ['strands', `#${strand!.id}`, 'stations', `#${strand!.stations[0]!.id}`, 'intakes', '#sugar_white'];
    const what = fieldWords(file, path, put);
    const said = didWords(line({ detail: { what, before: { ...put, amount: { g: 20 } }, after: put } }));
    expect(said).toBe('Prep, sugar: 30 g, before 20 g');
    const weighing = { id: 'tmx2nm4bp', min: 20, massG: 640 };
    expect(didWords(line({ detail: { what: 'Simmer, the weight', after: weighing } }))).toBe('Simmer, the weight: 640 g, after 20 min');
    const station = { id: 'tmx2nm4bp', kind: 'blend', intakes: [], params: {}, log: {} };
    expect(didWords(line({ detail: { what: 'a step of the line', before: station } }))).toBe('a step of the line: taken out (Blend)');
  });
  it('whatever stands in it: a sentence without holes', () => {
    const value = fc.oneof(
      fc.string(),
      fc.double(),
      fc.boolean(),
      fc.constant(null),
      fc.array(fc.integer()),
      fc.dictionary(fc.string(), fc.integer()),
      fc.constant(undefined),
    );
    const detail = fc.record(
      {
        what: fc.string(),
        before: value,
        after: value,
        g: fc.double({ noNaN: true }),
        bottles: fc.integer(),
        reason: fc.string(),
        words: fc.string(),
      },
      { requiredKeys: [] },
    );
    fc.assert(
      fc.property(fc.constantFrom(...DIDS), fc.constantFrom(...TOPICS), detail, (did, topic, d) => {
        const l = line({ did, topic, detail: d });
        const stuff = JSON.stringify(d);
        for (const hole of ['undefined', '[object'] as const) if (!stuff.includes(hole)) expect(didWords(l)).not.toContain(hole);
        expect(placeOf(l) ?? '/').toMatch(/^\//);
      }),
      {
        numRuns: 300,
        examples: [
          ['added', 'heat', { reason: '__proto__' }],
          ['moved', 'pods', { reason: 'constructor' }],
        ],
      },
    );
  });
});

describe('who is at this device', () => {
  afterEach(() => setMakerHere(null));
  it('is remembered by the browser, and told by another window of it', () => {
    setMakerHere('maker-a');
    expect([makerHere.value, readHere('roskel-maker')]).toEqual(['maker-a', 'maker-a']);
    window.dispatchEvent(new StorageEvent('storage', { key: 'roskel-maker', newValue: '"maker-b"' }));
    expect(makerHere.value).toBe('maker-b');
    setMakerHere(null);
    expect([makerHere.value, readHere('roskel-maker')]).toEqual([null, null]);
  });
});

it('a page that misses a part of a program that was built anew is begun anew once, not for ever', () => {
  sessionStorage.clear();
  const again = vi.fn();
  freshAfterBuild(again);
  const miss = () => {
    const event = new Event('vite:preloadError', { cancelable: true });
    window.dispatchEvent(event);
    return event.defaultPrevented;
  };
  expect([miss(), miss()]).toEqual([true, false]);
  expect(again).toHaveBeenCalledOnce();
  vi.spyOn(Date, 'now').mockReturnValue(Date.now() + 60_000);
  expect(miss()).toBe(true);
  vi.restoreAllMocks();
});
