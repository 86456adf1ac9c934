// @vitest-environment happy-dom
import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { nextTick } from 'vue';
import type { Timer, Timers } from '@roskel/contract';

const rings = { started: vi.fn(), stopped: vi.fn() };
vi.mock('../src/counter/alarm', () => ({
  askToNotify: () => undefined,
  readySound: () => Promise.resolve(),
  startRinging: (text: string) => rings.started(text),
  stopRinging: () => rings.stopped(),
}));
/** The server: what it keeps, its clock beside this machine's, and whether it answers. */
const server = { kept: new Map<string, Timer>(), aheadMs: 0, there: true, hears: [] as ((e: unknown) => void)[] };
const answer = (...timers: Timer[]): Timers => ({ now: Date.now() + server.aheadMs, timers });
vi.mock('../src/api/client', () => ({
  api: {
    get: () => (server.there ? Promise.resolve(answer(...server.kept.values())) : Promise.reject(new Error('away'))),
    put: (_: string, t: Timer) => {
      if (!server.there) return Promise.reject(new Error('away'));
      if (t.changedAt > (server.kept.get(t.id)?.changedAt ?? -1)) server.kept.set(t.id, t);
      const told = answer(server.kept.get(t.id)!);
      for (const hear of server.hears) hear({ topic: 'timers', id: t.id, record: { timers: told.timers } });
      return Promise.resolve(told);
    },
  },
}));
vi.mock('../src/api/events', () => ({
  concerns: (e: { topic: string }, topic: string) => e.topic === topic || e.topic === 'all',
  onChange: (hear: (e: unknown) => void) => server.hears.push(hear),
}));
beforeEach(() => {
  vi.useFakeTimers();
  Object.assign(server, { kept: new Map(), aheadMs: 0, there: true, hears: [] });
  localStorage.clear();
  // What is kept carries its kitchen before its key.
  localStorage.setItem('roskel-kitchen', 'home');
  rings.started.mockClear();
});
afterEach(() => vi.useRealTimers());

/** A window of this browser: modules and stores of its own, the same storage. */
async function window_() {
  vi.resetModules();
  setActivePinia(createPinia());
  return (await import('../src/stores/timers')).useTimers();
}
/** A browser tells the other windows what was kept. */
const tell = () => {
  const key = 'home:timers';
  window.dispatchEvent(new StorageEvent('storage', { key, newValue: localStorage.getItem(key) }));
};
const of = (stationId: string, name: string) => ({ batchId: 'b', stationId, name });

it('two windows, two timers: neither wipes those of the other, and both show all', async () => {
  const a = await window_();
  const b = await window_();
  a.start(of('simmer', 'Simmer'), 20);
  // Told late: the other begins one before it has heard.
  b.start(of('soak', 'Soak'), 10);
  tell();
  expect([a, b].map((w) => w.all.map((t) => t.name))).toEqual([
    ['Simmer', 'Soak'],
    ['Simmer', 'Soak'],
  ]);
  b.hold(b.at('b', 'simmer')!.id);
  tell();
  expect(a.at('b', 'simmer')!.endsAt).toBeNull();
  expect((await window_()).all).toHaveLength(2);
});

it.each(['{"a":1}', '[null, 3, {"id":"x"}]', 'soup', '[{"id":"a","name":"A","endsAt":1e999,"leftMs":1,"totalMs":1}]'])(
  'whatever stands there, %s, a timer can be started',
  async (kept) => {
    localStorage.setItem('home:timers', kept);
    const w = await window_();
    expect(w.all).toEqual([]);
    w.start(of('simmer', 'Simmer'), 1);
    expect(w.all.map((t) => t.name)).toEqual(['Simmer']);
  },
);

/** Another device: it keeps nothing of what is kept here. */
async function device() {
  const here = { ...localStorage };
  localStorage.clear();
  localStorage.setItem('roskel-kitchen', 'home');
  const timers = await window_();
  await vi.advanceTimersByTimeAsync(1);
  return { timers, here };
}
it('a timer begun on one device is on the other, by one clock, and taken off there is off here', async () => {
  server.aheadMs = 90_000;
  const phone = (await device()).timers;
  phone.start(of('simmer', 'Simmer'), 20);
  await vi.advanceTimersByTimeAsync(1);
  const { timers: screen } = await device();
  expect(screen.all.map((t) => t.name)).toEqual(['Simmer']);
  expect(Math.abs(screen.leftMs(screen.all[0]!) - 20 * 60_000)).toBeLessThan(1000);
  screen.hold(screen.all[0]!.id);
  await vi.advanceTimersByTimeAsync(1);
  expect(phone.all[0]!.endsAt).toBeNull();
  phone.drop(phone.all[0]!.id);
  await vi.advanceTimersByTimeAsync(1);
  expect([phone.all, screen.all]).toEqual([[], []]);
});
it('without its server a device goes on; what it set is told when the server is back, and an older change does not win', async () => {
  const phone = (await device()).timers;
  phone.start(of('simmer', 'Simmer'), 20);
  await vi.advanceTimersByTimeAsync(1);
  server.there = false;
  phone.more(phone.all[0]!.id, 5);
  phone.start(of('soak', 'Soak'), 3);
  await vi.advanceTimersByTimeAsync(1000);
  expect([...server.kept.values()].map((t) => t.totalMs)).toEqual([20 * 60_000]);
  server.there = true;
  for (const hear of server.hears) hear({ topic: 'all', id: '' });
  await vi.advanceTimersByTimeAsync(1);
  expect([...server.kept.values()].map((t) => [t.name, t.totalMs / 60_000])).toEqual([
    ['Simmer', 25],
    ['Soak', 3],
  ]);
  const stale = { ...[...server.kept.values()][0]!, totalMs: 1, changedAt: 1 };
  for (const hear of server.hears) hear({ topic: 'timers', id: stale.id, record: answer(stale) });
  expect(phone.all[0]!.totalMs).toBe(25 * 60_000);
  // What is announced again to one who was away says nothing of what time it is.
  const left = phone.leftMs(phone.all[0]!);
  const old = { ...answer({ ...stale, changedAt: 2 }), now: Date.now() - 600_000 };
  for (const hear of server.hears) hear({ topic: 'timers', id: stale.id, record: old });
  expect(Math.abs(phone.leftMs(phone.all[0]!) - left)).toBeLessThan(2000);
});

it('what is up rings, after a reload too, until somebody ends it, in whichever window', async () => {
  const first = await window_();
  first.start(of('simmer', 'Simmer'), 1);
  first.start(of('soak', 'Soak'), 30);
  vi.advanceTimersByTime(59_000);
  await nextTick();
  expect(rings.started).not.toHaveBeenCalled();
  vi.advanceTimersByTime(2000);
  await nextTick();
  expect(rings.started).toHaveBeenLastCalledWith('Simmer: time is up.');
  vi.advanceTimersByTime(600_000);
  rings.started.mockClear();
  const again = await window_();
  expect(rings.started).toHaveBeenCalledWith('Simmer: time is up.');
  expect(again.next!.name).toBe('Soak');
  rings.stopped.mockClear();
  again.end(again.ringing[0]!.id);
  tell();
  await nextTick();
  expect(first.ringing).toEqual([]);
  expect(rings.stopped).toHaveBeenCalled();
  // Ended is not gone: it can be begun again, or be given five minutes more.
  again.more(again.at('b', 'simmer')!.id, 5);
  expect(again.leftMs(again.at('b', 'simmer')!)).toBe(300_000);
});
