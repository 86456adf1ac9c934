// @vitest-environment happy-dom
import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { nextTick } from 'vue';

const rings = { started: vi.fn(), stopped: vi.fn() };
vi.mock('../src/counter/alarm', () => ({
  readySound: () => Promise.resolve(),
  startRinging: (text: string) => rings.started(text),
  stopRinging: () => rings.stopped(),
}));
beforeEach(() => {
  vi.useFakeTimers();
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
