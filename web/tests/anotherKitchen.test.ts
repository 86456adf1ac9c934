// @vitest-environment happy-dom
import { ANOTHER_KITCHEN, KITCHEN_HEADER } from '@roskel/contract';
import { beforeEach, expect, it, vi } from 'vitest';

/** A page as it is begun: what it knows of its kitchen is what this browser keeps. */
async function page() {
  vi.resetModules();
  const [{ api }, keep, kitchen] = await Promise.all([
    import('../src/api/client'),
    import('../src/ui/keepHere'),
    import('../src/api/kitchen'),
  ]);
  return { api, ...keep, ...kitchen };
}
/** The kitchen that answers at this address, and what it was asked. */
let here = 'home';
let asked: { method: string; meant: string | undefined; status: number }[];
const reload = vi.fn();

beforeEach(() => {
  vi.unstubAllGlobals();
  localStorage.clear();
  sessionStorage.clear();
  here = 'home';
  asked = [];
  reload.mockClear();
  vi.stubGlobal('location', { ...window.location, reload });
  vi.stubGlobal('fetch', (_url: string, { method, headers }: { method: string; headers: Record<string, string> }) => {
    const meant = headers[KITCHEN_HEADER];
    const status = (meant ?? here) === here ? 200 : ANOTHER_KITCHEN;
    asked.push({ method, meant, status });
    const said = new Headers({ [KITCHEN_HEADER]: here });
    return Promise.resolve({ ok: status === 200, status, headers: said, json: () => Promise.resolve({ of: here }) });
  });
});

it('a page says which kitchen it means as soon as it knows, and what it kept before that is of that kitchen', async () => {
  const first = await page();
  first.keepHere('roskel.draft.a', 1);
  first.keepHere('roskel.mix', 2, sessionStorage);
  expect(first.keysHere('roskel.draft.')).toEqual(['roskel.draft.a']);
  await first.api.get('/batches');
  await first.api.patch('/batches/a', {});
  expect(asked.map((a) => a.meant)).toEqual([undefined, 'home']);
  expect([first.readHere('roskel.draft.a'), first.readHere('roskel.mix', sessionStorage)]).toEqual([1, 2]);
  expect(first.keysHere('roskel.draft.')).toEqual(['roskel.draft.a']);
  const next = await page();
  await next.api.get('/batches');
  expect(asked.at(-1)!.meant).toBe('home');
  expect(next.readHere('roskel.draft.a')).toBe(1);
});

it('where another kitchen answers nothing is sent to it, the page is begun anew, and each finds its own again', async () => {
  const home = await page();
  await home.api.get('/batches');
  home.keepHere('roskel.draft.a', 'typed at home');
  here = 'stall';
  const answered = vi.fn();
  void home.api.patch('/batches/a', {}).then(answered, answered);
  await vi.waitFor(() => expect(reload).toHaveBeenCalledOnce(), 60_000);
  expect(asked.at(-1)).toEqual({ method: 'PATCH', meant: 'home', status: ANOTHER_KITCHEN });
  expect(answered).not.toHaveBeenCalled();
  // Until it is gone the page is of its own kitchen still.
  home.keepHere('roskel.draft.a', 'typed on');
  const stall = await page();
  expect([stall.cameToKitchen(), stall.cameToKitchen()]).toEqual([true, false]);
  await stall.api.get('/batches');
  expect(asked.at(-1)).toEqual({ method: 'GET', meant: 'stall', status: 200 });
  expect([stall.readHere('roskel.draft.a'), stall.keysHere('roskel.draft.')]).toEqual([null, []]);
  stall.keepHere('roskel.draft.a', 'typed at the stall');
  here = 'home';
  void stall.api.get('/batches');
  await vi.waitFor(() => expect(reload).toHaveBeenCalledTimes(2), 60_000);
  expect((await page()).readHere('roskel.draft.a')).toBe('typed on');
});

it('a browser that keeps nothing goes on', async () => {
  const refuses = () => {
    throw new DOMException('no', 'SecurityError');
  };
  vi.stubGlobal('localStorage', { getItem: refuses, setItem: refuses, removeItem: refuses, key: refuses, length: 1 });
  const closed = await page();
  await closed.api.get('/batches');
  here = 'stall';
  void closed.api.get('/batches');
  await vi.waitFor(() => expect(reload).toHaveBeenCalledOnce(), 60_000);
  await expect((await page()).api.get('/batches')).resolves.toEqual({ of: 'stall' });
});

it('a browser that is full to the last letter loses nothing of what was kept before its kitchen was known', async () => {
  const room = 62;
  const held = new Map([
    ['roskel.draft.a', '"a reading"'],
    ['roskel.draft.b', '"another"'],
  ]);
  const size = () => [...held].reduce((sum, [k, v]) => sum + k.length + v.length, 0);
  vi.stubGlobal('localStorage', {
    getItem: (k: string) => held.get(k) ?? null,
    removeItem: (k: string) => void held.delete(k),
    setItem: (k: string, v: string) => {
      const before = held.get(k);
      held.set(k, v);
      if (size() <= room) return;
      if (before === undefined) held.delete(k);
      else held.set(k, before);
      throw new DOMException('full', 'QuotaExceededError');
    },
    key: (i: number) => [...held.keys()][i] ?? null,
    get length() {
      return held.size;
    },
  });
  here = 'a-kitchen-with-a-long-name';
  const full = await page();
  await full.api.get('/batches');
  expect(['a', 'b'].map((id) => full.readHere(`roskel.draft.${id}`))).toEqual(['a reading', 'another']);
  expect(full.keysHere('roskel.draft.')).toHaveLength(2);
  // Once there is room it is filed.
  full.keepHere('roskel.draft.a', null);
  await full.api.get('/batches');
  expect([full.kitchenHere(), full.readHere('roskel.draft.b')]).toEqual([here, 'another']);
});
