import { vi } from 'vitest';

/** A stand-in for the server: answers from a table of paths, keeps what was written. */
export interface FakeKitchen {
  writes: { method: string; path: string; body: unknown }[];
  /** What a GET of a path gives; what a write to it gives. */
  has: Record<string, unknown>;
  answers: Record<string, unknown>;
  refuse: { status: number; detail: string; errors?: { path: string; message: string }[] } | null;
}

export function fakeKitchen(has: Record<string, unknown>): FakeKitchen {
  const kitchen: FakeKitchen = { writes: [], has, answers: {}, refuse: null };
  vi.stubGlobal(
    'EventSource',
    class {
      quiet = true;
    },
  );
  vi.stubGlobal('fetch', (url: string, init: { method: string; body: string | null }) => {
    const path = url.replace('/api', '');
    const read = init.method === 'GET';
    if (!read) kitchen.writes.push({ method: init.method, path, body: init.body === null ? null : JSON.parse(init.body) });
    const { refuse } = kitchen;
    const value = !read && refuse ? { title: 'No', ...refuse } : read ? (kitchen.has[path] ?? []) : (kitchen.answers[path] ?? {});
    const status = !read && refuse ? refuse.status : 200;
    return Promise.resolve({
      ok: status < 400,
      status,
      headers: new Headers(),
      json: () => Promise.resolve(JSON.parse(JSON.stringify(value))),
    });
  });
  return kitchen;
}
