// @vitest-environment happy-dom
import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { KEY_HEADER, KEY_KEPT_HOURS } from '@roskel/contract';
import { dice } from '../../core/tests/random';
import { written } from '../src/api/client';
import { useMoves } from '../src/stores/moves';
import { useUndo } from '../src/stores/undo';

/** A server with bottles, which does what it is told once for each key; `up`: it answers, `lost`: its answer is lost. */
let up: boolean;
let lost: boolean;
let locked: boolean;
let left: number;
let seen: Map<string, Response | null>;
beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal('EventSource', vi.fn());
  localStorage.clear();
  sessionStorage.clear();
  [up, lost, locked, left, seen] = [true, false, false, 5, new Map()];
  vi.stubGlobal('fetch', (_: string, init: { headers: Record<string, string>; body: string }) => {
    if (!up) return Promise.reject(new TypeError('Failed to fetch'));
    if (locked) return Promise.resolve(new Response(JSON.stringify({ status: 401, detail: 'Say the passphrase.' }), { status: 401 }));
    const key = init.headers[KEY_HEADER]!;
    const { delta } = JSON.parse(init.body) as { delta: number };
    if (!seen.has(key) && left + delta < 0)
      return Promise.resolve(new Response(JSON.stringify({ status: 422, detail: `Only ${left} are left.` }), { status: 422 }));
    if (!seen.has(key)) left += delta;
    seen.set(key, null);
    return lost ? Promise.reject(new TypeError('Failed to fetch')) : Promise.resolve(new Response('{}', { status: 200 }));
  });
  setActivePinia(createPinia());
});
afterEach(() => vi.useRealTimers());

const take = (n: number) => {
  const done = useMoves().act(`${n} opened`, { topic: 'shelf', id: 'a', by: -n, body: { delta: -n } }, { delta: n });
  // What is refused is refused before anybody waits for it.
  done.catch(() => undefined);
  return vi.advanceTimersByTimeAsync(3000).then(() => done);
};
const later = () => vi.advanceTimersByTimeAsync(20_000);
/** A window is closed between two requests, and what it was about to do is gone. */
async function closed(): Promise<void> {
  let idle = false;
  void written().then(() => (idle = true));
  for (let i = 0; i < 300 && !idle; i++) await vi.advanceTimersByTimeAsync(20);
  vi.clearAllTimers();
}
/** What a window that is opened now knows. */
const reopened = () => {
  setActivePinia(createPinia());
  return useMoves();
};

it('a move that is answered waits for nothing, one that is refused is said and leaves nothing behind', async () => {
  await take(2);
  expect([left, useMoves().all]).toEqual([3, []]);
  await expect(take(4)).rejects.toThrow('Only 3 are left.');
  expect([left, useMoves().all, useUndo().last]).toEqual([3, [], '2 opened']);
});

it('while the server is away moves count here, outlast the window, go in as they were said, once', async () => {
  up = false;
  await take(1);
  // The clock is put back meanwhile: they go in as they were said.
  vi.setSystemTime(Date.now() - 3_600_000);
  await take(2);
  expect([left, useMoves().pending('shelf', 'a'), useMoves().pending('shelf', 'b')]).toEqual([5, -3, 0]);
  const moves = reopened();
  expect(moves.waiting.map((m) => m.label)).toEqual(['1 opened', '2 opened']);
  // Taken back while it waits: both go in.
  await Promise.all([useUndo().undo(), later()]);
  expect(moves.pending('shelf', 'a')).toBe(-1);
  // Done, and its answer lost each time: the same keys, so that it counts once.
  [up, lost] = [true, true];
  await later();
  lost = false;
  await later();
  expect([left, moves.all, seen.size]).toEqual([4, [], 3]);
});

it('what the server does not take, or was said too long ago, is asked about and has no undo', async () => {
  up = false;
  await take(3);
  await take(4);
  up = true;
  await later();
  const moves = useMoves();
  expect([left, moves.refused.map((m) => [m.label, m.refused])]).toEqual([2, [['4 opened', 'Only 2 are left.']]]);
  expect([useUndo().last, moves.pending('shelf', 'a')]).toEqual(['3 opened', 0]);
  left = 9;
  await Promise.all([moves.retry(moves.refused[0]!), later()]);
  expect([left, moves.all]).toEqual([5, []]);

  up = false;
  await take(1);
  vi.setSystemTime(Date.now() + (KEY_KEPT_HOURS + 1) * 3_600_000);
  up = true;
  const after = reopened();
  await later();
  expect([left, after.refused.map((m) => m.label)]).toEqual([5, ['1 opened']]);
  after.letGo(after.refused[0]!.key);
  expect(reopened().all).toEqual([]);
});

it('a door that was shut meanwhile is no refusal: the move waits until somebody is let in', async () => {
  vi.stubGlobal('location', { ...location, pathname: '/enter', search: '' });
  locked = true;
  await take(2);
  expect([left, useMoves().waiting.length, useMoves().refused]).toEqual([5, 1, []]);
  locked = false;
  await later();
  expect([left, useMoves().all]).toEqual([3, []]);
});

it('a browser that is full keeps nothing: it is done at once or not, and said again it is the same', async () => {
  const there = localStorage;
  const setItem = () => {
    throw new DOMException('full', 'QuotaExceededError');
  };
  vi.stubGlobal('localStorage', { length: 0, key: () => null, getItem: () => null, removeItem: () => undefined, setItem });
  lost = true;
  await expect(take(1)).rejects.toThrow('does not answer');
  lost = false;
  await take(1);
  expect([left, seen.size, useMoves().all]).toEqual([4, 1, []]);
  vi.stubGlobal('localStorage', there);
});

it('whatever happens to the line and the window: what can be undone is what was done', async () => {
  for (let seed = 1; seed <= 150; seed++) {
    const d = dice(seed);
    localStorage.clear();
    sessionStorage.clear();
    [up, lost, locked, left, seen] = [true, false, false, 12, new Map()];
    setActivePinia(createPinia());
    let elsewhere = 0;
    for (let step = 0; step < 14; step++) {
      const what = d.whole(0, 9);
      if (what < 4) await take(d.whole(1, 4)).catch(() => undefined);
      else if (what === 4) await Promise.all([useUndo().undo(), later()]);
      else if (what === 5) await Promise.all([useUndo().redo(), later()]);
      else if (what === 6) [up, lost, locked] = [d.next() < 0.5, d.next() < 0.4, d.next() < 0.2];
      else if (what === 7) await closed().then(reopened);
      else if (what === 8 && left > 0) {
        left--;
        elsewhere++;
      } else await later();
    }
    [up, lost, locked] = [true, false, false];
    await closed();
    const moves = reopened();
    await later();
    await later();
    expect([seed, moves.waiting]).toEqual([seed, []]);
    // Each step that could be taken back counts, and no other.
    const kept = JSON.parse(sessionStorage.getItem('roskel.undo') ?? '{"done":[]}') as {
      done: { act: { redo: { body: { delta: number } }[] } }[];
    };
    const done = kept.done.reduce((sum, s) => sum + s.act.redo[0]!.body.delta, 0);
    expect([seed, left]).toEqual([seed, 12 - elsewhere + done]);
    expect(left).toBeGreaterThanOrEqual(0);
  }
});
