// @vitest-environment happy-dom
import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import {
  stationIn,
  newBatch,
  reportLine,
  withParams,
  type BatchFile,
  type FermentParams,
  applyChanges,
  changesBetween,
  type Change,
} from '@roskel/core';
import type { BatchRecord, ChangeEvent } from '@roskel/contract';

// The worker is asked for real reports, only without a worker.
vi.mock('../src/worker/client', () => ({
  reportOf: async (file: BatchFile, o: { today: string }) => ({
    ok: true,
    // Handed over as to a worker: what cannot be copied is refused.
    report: reportLine(structuredClone(file), { ...o, members: 60, forecast: false }),
  }),
  latest: <A extends unknown[], R>(run: (...args: A) => R) => run,
}));

/** A server in memory with revisions, that can be switched off. */
class FakeServer {
  record: BatchRecord = { id: 'b', revision: 1, updatedAt: '', file: newBatch('Fake', '2026-10-01') };
  up = true;
  puts = 0;
  refuse: { path: string; message: string }[] | null = null;

  fetch = (_url: string, init?: { method?: string; body?: string | null }): Promise<unknown> => {
    if (!this.up) return Promise.reject(new TypeError('connection refused'));
    const answer = (status: number, value: unknown) =>
      Promise.resolve({ ok: status < 400, status, headers: new Headers(), json: () => Promise.resolve(JSON.parse(JSON.stringify(value))) });
    if (init?.method !== 'PATCH') return answer(200, this.record);
    this.puts++;
    const body = JSON.parse(init.body!) as { revision: number; changes: Change[] };
    if (this.refuse) return answer(422, { title: '', status: 422, detail: 'no', errors: this.refuse });
    const merged = body.revision !== this.record.revision;
    const { value, clashes } = applyChanges(this.record.file, body.changes);
    if (clashes.length > 0) return answer(409, { title: '', status: 409, detail: 'stale', current: this.record });
    this.record = { ...this.record, revision: this.record.revision + 1, file: value };
    return answer(200, { revision: this.record.revision, updatedAt: '', file: merged ? value : null });
  };
  /** Another window saves. */
  elsewhere(days: number) {
    this.record = { ...this.record, revision: this.record.revision + 1, file: withDays(this.record.file, days) };
  }
}
const withDays = (file: BatchFile, days: number) => withParams(file, 'ferment', { tempC: 21, days, targetPh: 3.8 });
const daysOf = (file: BatchFile | null) => ((file && stationIn(file, 'ferment'))?.params as FermentParams | undefined)?.days;

let server: FakeServer;
let kept: Map<string, string>;
let listener: ((m: { data: string }) => void) | undefined;

beforeEach(() => {
  sessionStorage.clear();
  vi.useFakeTimers();
  setActivePinia(createPinia());
  server = new FakeServer();
  kept = new Map();
  vi.stubGlobal('fetch', server.fetch);
  vi.stubGlobal('localStorage', {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => kept.set(k, v),
    removeItem: (k: string) => kept.delete(k),
  });
  vi.stubGlobal(
    'EventSource',
    class {
      set onmessage(l: (m: { data: string }) => void) {
        listener = l;
      }
    },
  );
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

async function opened() {
  const { useOpenBatch } = await import('../src/stores/openBatch');
  const batch = useOpenBatch();
  await batch.open('b');
  return batch;
}
const settle = () => vi.advanceTimersByTimeAsync(700);

describe('a batch on the page', () => {
  it('saves shortly after a change, once for several, and works the line out anew', async () => {
    const batch = await opened();
    for (const days of [10, 11, 12]) batch.setParams('ferment', { tempC: 21, days, targetPh: 3.8 });
    expect(batch.state).toBe('waiting');
    expect(kept.size).toBe(1);
    await settle();
    expect(batch.state).toBe('saved');
    expect(server.puts).toBe(1);
    expect(daysOf(server.record.file)).toBe(12);
    expect(kept.size).toBe(0);
    expect(batch.report?.stations[2]?.to).toBe('2026-10-13');
  });

  it('keeps the work when the server is away and stores it when it is back', async () => {
    const batch = await opened();
    server.up = false;
    batch.setParams('ferment', { tempC: 21, days: 9, targetPh: 3.8 });
    await settle();
    expect(batch.state).toBe('offline');
    expect(JSON.parse(kept.get('roskel.draft.b')!)).toMatchObject({ revision: 1 });
    server.up = true;
    await vi.advanceTimersByTimeAsync(3500);
    expect(batch.state).toBe('saved');
    expect(daysOf(server.record.file)).toBe(9);
  });

  it('coming back to the batch while it is being stored neither saves twice nor asks', async () => {
    const batch = await opened();
    batch.setParams('ferment', { tempC: 21, days: 16, targetPh: 3.8 });
    await batch.open('b');
    void batch.save();
    void batch.save();
    await settle();
    await settle();
    expect(batch.state).toBe('saved');
    expect(server.record.revision).toBe(2);
    expect(daysOf(server.record.file)).toBe(16);
  });

  it('takes up what was typed and never stored, after the window was closed', async () => {
    kept.set('roskel.draft.b', JSON.stringify({ revision: 1, file: withDays(server.record.file, 33) }));
    const batch = await opened();
    expect(daysOf(batch.file)).toBe(33);
    expect(daysOf(server.record.file)).toBe(33);
    expect(batch.state).toBe('saved');
  });

  it('what another window changed comes together by itself; the same field is a question that drops neither', async () => {
    const batch = await opened();
    server.record = { ...server.record, revision: 2, file: { ...server.record.file, name: 'Renamed elsewhere' } };
    batch.setParams('ferment', { tempC: 21, days: 8, targetPh: 3.8 });
    await settle();
    await settle();
    expect(batch.state).toBe('saved');
    expect([server.record.file.name, daysOf(server.record.file)]).toEqual(['Renamed elsewhere', 8]);

    for (const mine of [true, false]) {
      server.elsewhere(mine ? 20 : 25);
      batch.setParams('ferment', { tempC: 19, days: 7, targetPh: 3.8 });
      await settle();
      await settle();
      expect(batch.state).toBe('stale');
      expect(batch.clashes).toMatchObject([
        { path: ['strands', '#main', 'stations', '#ferment', 'params', 'days'], after: 7, now: mine ? 20 : 25 },
      ]);
      batch.settle(mine ? batch.clashes : []);
      await settle();
      expect(batch.state).toBe('saved');
      expect(daysOf(server.record.file)).toBe(mine ? 7 : 25);
      // What only one window changed is there either way.
      expect((stationIn(server.record.file, 'ferment')!.params as FermentParams).tempC).toBe(19);
      batch.setParams('ferment', { tempC: 21, days: 9, targetPh: 3.8 });
      await settle();
    }
  });

  it('a reload while two windows are asked about loses neither: the question comes again', async () => {
    let batch = await opened();
    server.elsewhere(20);
    batch.setParams('ferment', { tempC: 19, days: 7, targetPh: 3.8 });
    await settle();
    expect(batch.state).toBe('stale');
    // An undo by key works under the question as well.
    batch.change('the name', { ...batch.file!, name: 'Typed under the question' });
    for (let reload = 0; reload < 3; reload++) {
      setActivePinia(createPinia());
      batch = await opened();
      await settle();
      expect(batch.state).toBe('stale');
      expect(batch.clashes).toMatchObject([
        { path: ['strands', '#main', 'stations', '#ferment', 'params', 'days'], before: 14, after: 7, now: 20 },
      ]);
      expect(server.puts).toBe(1);
    }
    batch.settle(batch.clashes);
    await settle();
    expect(batch.state).toBe('saved');
    expect([server.record.file.name, daysOf(server.record.file)]).toEqual(['Typed under the question', 7]);
    expect(kept.size).toBe(0);
  });

  it('a browser that keeps nothing says so once, and every change still reaches the server', async () => {
    const { useNotices } = await import('../src/stores/notices');
    const said = vi.spyOn(useNotices(), 'fail');
    vi.stubGlobal('localStorage', {
      getItem: () => null,
      setItem: () => {
        throw new DOMException('full', 'QuotaExceededError');
      },
      removeItem: () => undefined,
    });
    const batch = await opened();
    for (const days of [8, 9]) batch.setParams('ferment', { tempC: 21, days, targetPh: 3.8 });
    await settle();
    expect(daysOf(server.record.file)).toBe(9);
    expect(said).toHaveBeenCalledOnce();
  });

  it('follows a change that is announced while nothing is typed here', async () => {
    const batch = await opened();
    server.elsewhere(20);
    listener?.({ data: JSON.stringify({ topic: 'batches', id: 'b', revision: 2 } satisfies ChangeEvent) });
    await settle();
    expect(daysOf(batch.file)).toBe(20);
  });

  it('takes over what is announced without asking for it, and asks where it missed something', async () => {
    const batch = await opened();
    const asked = vi.spyOn(server, 'fetch');
    vi.stubGlobal('fetch', server.fetch);
    const hear = (event: Omit<ChangeEvent, 'topic' | 'id'>) =>
      listener?.({ data: JSON.stringify({ topic: 'batches', id: 'b', ...event } satisfies ChangeEvent) });
    const before = server.record.file;
    server.elsewhere(20);
    hear({ revision: 2, changes: changesBetween(before, server.record.file) });
    await settle();
    expect([daysOf(batch.file), batch.revision, asked.mock.calls.length]).toEqual([20, 2, 0]);
    // What is typed next goes on from there.
    batch.setParams('ferment', { tempC: 21, days: 22, targetPh: 3.8 });
    await settle();
    expect([daysOf(server.record.file), server.record.revision, batch.state]).toEqual([22, 3, 'saved']);
    const missed = server.record.file;
    server.elsewhere(23);
    server.elsewhere(24);
    hear({ revision: 5, changes: changesBetween(missed, server.record.file) });
    await settle();
    expect([daysOf(batch.file), batch.revision]).toEqual([24, 5]);
  });

  it('what the server refuses stays here with its sentence at the field', async () => {
    const batch = await opened();
    server.refuse = [{ path: 'strands/0/stations/2/params/days', message: 'The days are too many.' }];
    batch.setParams('ferment', { tempC: 21, days: 300, targetPh: 3.8 });
    await settle();
    expect(batch.state).toBe('refused');
    expect(batch.troubleAt('ferment', 'days')).toBe('The days are too many.');
    expect(batch.troubleAt('ferment', 'tempC')).toBeNull();
    expect(daysOf(batch.file)).toBe(300);
    server.refuse = null;
    batch.setParams('ferment', { tempC: 21, days: 30, targetPh: 3.8 });
    await settle();
    expect(batch.state).toBe('saved');
    expect(batch.troubleAt('ferment', 'days')).toBeNull();
  });

  it('undo goes back step by step, and redo forward again', async () => {
    const { useUndo } = await import('../src/stores/undo');
    const batch = await opened();
    const undo = useUndo();
    undo.screen = '/batches/b';
    batch.setParams('ferment', { tempC: 21, days: 10, targetPh: 3.8 });
    batch.setLog('prep', { doneOn: '2026-10-01' });
    await settle();
    await undo.undo();
    expect(stationIn(batch.file!, 'prep')!.log).toEqual({});
    expect(daysOf(batch.file)).toBe(10);
    await undo.undo();
    await settle();
    expect(daysOf(server.record.file)).toBe(14);
    expect(undo.last).toBeNull();
    await undo.redo();
    await undo.redo();
    await settle();
    expect(daysOf(server.record.file)).toBe(10);
    expect(stationIn(server.record.file, 'prep')!.log.doneOn).toBe('2026-10-01');
    expect(undo.next).toBeNull();
  });

  it('an undone and redone reading is worked out like any other; what cannot be worked out shows nothing of before', async () => {
    const { useUndo } = await import('../src/stores/undo');
    const batch = await opened();
    const undo = useUndo();
    undo.screen = '/batches/b';
    const reading = { id: 'r1', stationId: 'ferment', at: '2026-10-08T10:00:00.000Z', pH: 4.9, instrument: 'meter' as const };
    batch.change('reading', { ...batch.file!, readings: [reading] });
    await settle();
    for (const step of ['undo', 'redo', 'undo', 'redo'] as const) {
      await undo[step]();
      await settle();
      expect([batch.failed, batch.report !== null]).toEqual(['', true]);
      expect(structuredClone(batch.file)!.readings).toEqual(step === 'redo' ? [reading] : []);
    }
    // After a reload, too.
    setActivePinia(createPinia());
    const again = await opened();
    const { useUndo: anew } = await import('../src/stores/undo');
    anew().screen = '/batches/b';
    await anew().undo();
    await settle();
    expect([again.failed, structuredClone(again.file)!.readings]).toEqual(['', []]);
    again.change('odd', { ...again.file!, name: (() => 'a function cannot be handed over') as never });
    await settle();
    expect([again.report, again.failed]).toEqual([null, expect.stringContaining('could not be cloned')]);
  });

  it('undo takes back only what it did: a rename in another window stays, and what was changed since is left alone', async () => {
    const { useUndo } = await import('../src/stores/undo');
    const batch = await opened();
    const undo = useUndo();
    undo.screen = '/batches/b';
    batch.setParams('ferment', { tempC: 21, days: 10, targetPh: 3.8 });
    await settle();
    server.record = { ...server.record, revision: 3, file: { ...server.record.file, name: 'Renamed elsewhere' } };
    listener?.({ data: JSON.stringify({ topic: 'batches', id: 'b', revision: 3 } satisfies ChangeEvent) });
    await settle();
    await undo.undo();
    await settle();
    expect([server.record.file.name, daysOf(server.record.file)]).toEqual(['Renamed elsewhere', 14]);
    batch.setParams('ferment', { tempC: 21, days: 12, targetPh: 3.8 });
    await settle();
    server.elsewhere(20);
    listener?.({ data: JSON.stringify({ topic: 'batches', id: 'b', revision: server.record.revision } satisfies ChangeEvent) });
    await settle();
    await undo.undo();
    await settle();
    expect(daysOf(server.record.file)).toBe(20);
  });

  it('undo survives a reload, and acts only on what is on screen', async () => {
    const { useUndo } = await import('../src/stores/undo');
    const batch = await opened();
    useUndo().screen = '/batches/b';
    batch.setParams('ferment', { tempC: 21, days: 10, targetPh: 3.8 });
    await settle();
    // The same window anew: stores are gone, what was kept in it is not.
    setActivePinia(createPinia());
    const again = await opened();
    const undo = useUndo();
    undo.screen = '/pods';
    expect(undo.last).toBeNull();
    undo.screen = '/batches/b';
    expect(undo.last).toBe('Ferment');
    await undo.undo();
    await settle();
    expect(again.state).toBe('saved');
    expect(daysOf(server.record.file)).toBe(14);
  });

  it('says when it is not there', async () => {
    vi.stubGlobal('fetch', () =>
      Promise.resolve({
        ok: false,
        status: 404,
        headers: new Headers(),
        json: () => Promise.resolve({ status: 404, detail: 'gone', title: '' }),
      }),
    );
    const batch = await opened();
    expect(batch.state).toBe('missing');
  });
});
