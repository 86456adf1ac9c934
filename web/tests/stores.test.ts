// @vitest-environment happy-dom
import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { lotOfVariety, variety } from '@roskel/core';
import { BARE_LOT, type PodLotRecord } from '@roskel/contract';

interface Call {
  method: string;
  path: string;
  body: unknown;
}
let calls: Call[];
let pods: PodLotRecord[];
let broken: number | null;
/** What another window wrote meanwhile: the next write that does not know it is refused. */
let stale: PodLotRecord | null;

beforeEach(() => {
  sessionStorage.clear();
  setActivePinia(createPinia());
  calls = [];
  broken = null;
  stale = null;
  const base = { lot: lotOfVariety(variety('cayenne-red'), { id: 'a' }), ...BARE_LOT };
  pods = [{ id: 'a', revision: 3, stockG: 100, promised: [], ...base }];
  vi.stubGlobal(
    'EventSource',
    class {
      quiet = true;
    },
  );
  vi.stubGlobal('fetch', (url: string, init: { method: string; body: string | null }) => {
    const body = init.body === null ? null : (JSON.parse(init.body) as unknown);
    calls.push({ method: init.method, path: url.replace('/api', ''), body });
    const outdated = init.method === 'PUT' && stale && (body as { revision: number }).revision !== stale.revision;
    if (outdated) {
      const problem = { title: 'Changed', status: 409, detail: 'It was changed.', current: stale };
      return Promise.resolve({
        ok: false,
        status: 409,
        headers: new Headers(),
        json: () => Promise.resolve(JSON.parse(JSON.stringify(problem))),
      });
    }
    const status = broken ?? 200;
    const value = broken ? { title: 'No', status, detail: 'It was refused.' } : init.method === 'GET' ? pods : pods[0];
    return Promise.resolve({
      ok: status < 400,
      status,
      headers: new Headers(),
      json: () => Promise.resolve(JSON.parse(JSON.stringify(value))),
    });
  });
});
const stores = async () => {
  const { inputOf, usePods } = await import('../src/stores/pods');
  const { useUndo } = await import('../src/stores/undo');
  const { useNotices } = await import('../src/stores/notices');
  return { inputOf, pods: usePods(), undo: useUndo(), notices: useNotices() };
};
const writes = () => calls.filter((c) => c.method !== 'GET');

describe('pods in the window', () => {
  it('a hurried hand: undo asked before the answer takes back that very thing, and as often as it is asked', async () => {
    const { pods: store, undo } = await stores();
    await store.load();
    await store.move(store.items[0]!, { deltaG: -5, reason: 'used', words: '5 g' });
    const moved = store.move(store.items[0]!, { deltaG: -40, reason: 'used', words: '40 g' });
    await Promise.all([undo.undo(), undo.undo(), moved]);
    expect(writes().map((c) => (c.body as { deltaG: number }).deltaG)).toEqual([-5, -40, 40, 5]);
    expect(undo.last).toBeNull();
  });
  it('a move is undone by an opposite move, never by forgetting', async () => {
    const { pods: store, undo } = await stores();
    await store.load();
    await store.move(store.items[0]!, { deltaG: -40, reason: 'used', words: '40 g' });
    expect(undo.last).toBe('stock of Cayenne, red');
    await undo.undo();
    expect(writes().map((c) => [c.path, (c.body as { deltaG: number }).deltaG])).toEqual([
      ['/pods/a/moves', -40],
      ['/pods/a/moves', 40],
    ]);
  });
  it('an edit sends the revision it was based on, its undo the one of now', async () => {
    const { inputOf, pods: store, undo } = await stores();
    await store.load();
    const before = store.items[0]!;
    await store.edit(
      'a',
      { revision: before.revision, value: inputOf(before) },
      { lot: before.lot, ...BARE_LOT, place: 'bed 9', useFirst: true },
    );
    expect(writes()[0]!.body).toMatchObject({ revision: 3, input: { place: 'bed 9' } });
    pods = [{ ...pods[0]!, revision: 4 }];
    await undo.undo();
    expect(writes()[1]!.body).toMatchObject({ revision: 4, input: { place: '', useFirst: false } });
  });
  it('two windows: other fields come together, the same field is asked about, and neither is dropped unasked', async () => {
    const { inputOf, pods: store, undo } = await stores();
    const { useClash } = await import('../src/stores/clash');
    await store.load();
    const before = store.items[0]!;
    // The other window moved it and said use first.
    const theirs: PodLotRecord = { ...before, revision: 4, place: 'bed 2', useFirst: true };
    stale = theirs;
    const mine = { ...inputOf(before), place: 'bed 9', note: 'thin walls' };
    const done = store.edit('a', { revision: 3, value: inputOf(before) }, mine);
    await vi.waitFor(() => expect(useClash().asked).not.toBeNull(), 60_000);
    expect(useClash().asked!.clashes).toEqual([{ key: 'place', title: 'The place', mine: 'bed 9', theirs: 'bed 2' }]);
    pods = [theirs];
    useClash().asked!.settle(['place']);
    await done;
    expect(useClash().asked).toBeNull();
    expect(writes().at(-1)!.body).toEqual({ revision: 4, input: { ...mine, useFirst: true } });
    expect(undo.last).toBe('change to Cayenne, red');
    // Undo takes back what this window wrote: theirs comes back, and what only they changed stays.
    stale = null;
    pods = [{ ...theirs, ...mine, useFirst: true, revision: 5 }];
    await undo.undo();
    expect(writes().at(-1)!.body).toMatchObject({ revision: 5, input: { place: 'bed 2', note: '', useFirst: true } });
    stale = { ...theirs, revision: 6, ripeness: 'ripe' };
    await store.edit('a', { revision: 5, value: inputOf(theirs) }, { ...inputOf(theirs), note: 'other' });
    expect(useClash().asked).toBeNull();
    expect(writes().at(-1)!.body).toMatchObject({ revision: 6, input: { ripeness: 'ripe', note: 'other', place: 'bed 2' } });
  });
  it('archiving and back', async () => {
    const { pods: store, undo } = await stores();
    await store.load();
    await store.archive.put('a', 'A lot');
    await undo.undo();
    await undo.redo();
    expect(writes().map((c) => `${c.method} ${c.path}`)).toEqual(['DELETE /pods/a', 'POST /pods/a/restore', 'DELETE /pods/a']);
  });
  it('what the server refuses is thrown with its sentence and leaves nothing to undo', async () => {
    const { pods: store, undo } = await stores();
    await store.load();
    broken = 422;
    await expect(store.move(store.items[0]!, { deltaG: 1, reason: 'in', words: '' })).rejects.toThrow('It was refused.');
    expect(undo.last).toBeNull();
  });
  it('an undo of several requests that broke off goes on where it was, and never does the first twice', async () => {
    const { undo } = await stores();
    undo.screen = '/pods';
    const move = (g: number) => ({ method: 'post' as const, path: '/pods/a/moves', body: { deltaG: g } });
    undo.push('two moves', 'pods', { kind: 'calls', undo: [move(1), move(2)], redo: [move(-2), move(-1)] });
    const fetched = fetch as unknown as (url: string, init: { method: string; body: string }) => Promise<unknown>;
    vi.stubGlobal('fetch', (url: string, init: { method: string; body: string }) => {
      broken = init.body.includes('2') && writes().length === 1 ? 503 : null;
      return fetched(url, init);
    });
    await undo.undo();
    expect(undo.last).toBe('two moves');
    await undo.undo();
    await undo.redo();
    expect(writes().map((c) => (c.body as { deltaG: number }).deltaG)).toEqual([1, 2, 2, -2, -1]);
  });
  it('a failed undo says so and stays undoable', async () => {
    const { pods: store, undo, notices } = await stores();
    await store.load();
    await store.move(store.items[0]!, { deltaG: 5, reason: 'in', words: '' });
    broken = 500;
    await undo.undo();
    expect(notices.waiting.at(-1)).toMatchObject({ kind: 'error', text: 'It was refused.' });
    expect(undo.last).not.toBeNull();
    broken = null;
    stale = null;
    await undo.undo();
    expect(undo.last).toBeNull();
    await undo.undo();
    expect(notices.waiting.at(-1)?.text).toBe('There is nothing to undo here.');
  });
  it('a list that cannot be fetched says why, and comes when asked again', async () => {
    const { pods: store } = await stores();
    broken = 500;
    await store.load();
    expect(store.state).toBe('failed');
    expect(store.error).toBe('It was refused.');
    broken = null;
    stale = null;
    await store.load();
    expect(store.state).toBe('ready');
    expect(store.items).toHaveLength(1);
  });
});

describe('only the latest answer counts', () => {
  it('calls that were overtaken are not run or not used', async () => {
    vi.stubGlobal(
      'Worker',
      class {
        quiet = true;
      },
    );
    const { latest } = await import('../src/worker/client');
    const ran: number[] = [];
    const ask = latest(async (n: number) => {
      ran.push(n);
      await Promise.resolve();
      return n;
    });
    const answers = await Promise.all([ask(1), ask(2), ask(3)]);
    expect(answers).toEqual([null, null, 3]);
    expect(ran).not.toContain(2);
  });

  it('a job that is stopped gives null, and the next question starts a new worker', async () => {
    const made: { ended: boolean }[] = [];
    vi.stubGlobal(
      'Worker',
      class {
        ended = false;
        constructor() {
          made.push(this);
        }
        addEventListener() {}
        postMessage() {}
        terminate() {
          this.ended = true;
        }
      },
    );
    const { bench, stopBench, stoppable } = await import('../src/worker/client');
    stopBench();
    void bench();
    const job = stoppable(new Promise<number>(() => undefined));
    stopBench();
    expect(await job).toBeNull();
    expect(made[0]!.ended).toBe(true);
    void bench();
    expect(made).toHaveLength(2);
    expect(await stoppable(Promise.resolve(7))).toBe(7);
    await expect(stoppable(Promise.reject(new Error('no')))).rejects.toThrow('no');
  });
});
