// @vitest-environment happy-dom
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { KEY_HEADER } from '@roskel/contract';
import { api, Offline } from '../src/api/client';

/** What each request is answered with: nothing (the line breaks), silence, or a status. */
let line: ('broken' | 'silent' | number)[];
let keys: (string | null)[];
beforeEach(() => {
  vi.useFakeTimers();
  keys = [];
  vi.stubGlobal('fetch', (_: string, init: { headers: Record<string, string> }) => {
    keys.push(init.headers[KEY_HEADER] ?? null);
    const now = line.shift() ?? 200;
    if (now === 'broken') return Promise.reject(new TypeError('Failed to fetch'));
    if (now === 'silent') return Promise.reject(new DOMException('timed out', 'TimeoutError'));
    return Promise.resolve(new Response('{}', { status: now }));
  });
});
afterEach(() => vi.useRealTimers());
const move = (g = -1, of = 'shelf') => {
  const done = api.post(`/${of}/a/moves`, { delta: g }).then(
    () => true,
    (e: unknown) => !(e instanceof Offline),
  );
  return vi.runAllTimersAsync().then(() => done);
};
const sent = () => keys.splice(0);

it('what was not answered is asked again with its key, by itself and by its maker; what was, is another each time', async () => {
  line = ['broken', 200];
  expect(await move()).toBe(true);
  const [a, again] = sent();
  expect(again).toBe(a);
  // Away altogether: three times by itself, and the maker's own try at once goes on with the same.
  line = ['broken', 'broken', 'broken'];
  expect(await move()).toBe(false);
  const lost = sent();
  expect([lost.length, new Set(lost).size, lost.includes(a!)]).toEqual([3, 1, false]);
  expect(await move(-2)).toBe(true);
  expect(sent()).not.toContain(lost[0]);
  expect(await move()).toBe(true);
  expect(sent()).toEqual([lost[0]]);
  expect(await move()).toBe(true);
  expect(sent()).not.toContain(lost[0]);
});
it('silence is not waited for three times; a database that is away keeps the key as well', async () => {
  line = ['silent'];
  expect(await move()).toBe(false);
  const [silent, ...more] = sent();
  expect(more).toEqual([]);
  line = [503];
  expect(await move()).toBe(false);
  expect(sent()).toEqual([silent]);
  // A refusal is an answer.
  line = [422];
  expect(await move()).toBe(true);
  expect(sent()).toEqual([silent]);
  expect(await move()).toBe(true);
  expect(sent()).not.toContain(silent);
});
it('later, or once its list was read anew, the same said again is another; two on their way are two', async () => {
  for (const between of [() => vi.advanceTimersByTimeAsync(21_000), () => api.get('/shelf'), () => api.get('/shelf?archived=1')]) {
    line = ['broken', 'broken', 'broken'];
    await move();
    const [lost] = sent();
    await between();
    sent();
    await move();
    expect(sent()).not.toContain(lost);
  }
  line = ['broken', 'broken', 'broken'];
  await move();
  const [lost] = sent();
  await api.get('/pods');
  sent();
  await Promise.all([move(), move()]);
  const both = sent();
  expect([both.length, new Set(both).size, both.includes(lost!)]).toEqual([2, 2, true]);
});
it('what only reads has no key', async () => {
  line = [];
  await api.get('/shelf');
  expect(sent()).toEqual([null]);
});
