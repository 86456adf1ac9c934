// @vitest-environment happy-dom
import { applyChanges, newBatch, withParams, type BatchFile, type Change } from '@roskel/core';
import { beforeEach, expect, it, vi } from 'vitest';
import { draftKey, draftOf, sendDrafts } from '../src/stores/drafts';
import { keepHere } from '../src/ui/keepHere';

const withDays = (file: BatchFile, days: number) => withParams(file, 'ferment', { tempC: 21, days, targetPh: 3.8 });
const base = newBatch('Fake', '2026-10-01');
let there: Record<string, BatchFile>;
let up: boolean;
let meanwhile: (id: string) => void;

beforeEach(() => {
  localStorage.clear();
  there = Object.fromEntries(['a', 'b', 'c'].map((id) => [id, base]));
  up = true;
  meanwhile = () => {};
  vi.stubGlobal('fetch', (url: string, init: { body: string }) => {
    if (!up) return Promise.reject(new TypeError('refused'));
    const id = url.split('/').pop()!;
    const answer = (status: number, value: unknown) =>
      Promise.resolve({ ok: status < 400, status, headers: new Headers(), json: () => Promise.resolve(value) });
    if (!there[id]) return answer(404, { status: 404, title: '', detail: 'gone' });
    const { value, clashes } = applyChanges(there[id], (JSON.parse(init.body) as { changes: Change[] }).changes);
    meanwhile(id);
    if (clashes.length > 0) return answer(409, { status: 409, title: '', detail: 'stale' });
    there[id] = value;
    return answer(200, { revision: 2, updatedAt: '', file: null });
  });
});
const typed = (id: string, file: BatchFile) => keepHere(draftKey(id), { revision: 1, base, file });

it('what was typed into batches that are not open is sent; what cannot be stored as it is, and what is open, stays', async () => {
  typed('a', withDays(base, 20));
  typed('b', withDays(base, 21));
  typed('c', withDays(base, 22));
  typed('gone', withDays(base, 23));
  there.b = withDays(base, 9);
  const { sent } = await sendDrafts(new Set(['c']));
  expect(sent.map((s) => [s.id, s.stored]).sort()).toEqual([
    ['a', true],
    ['b', false],
    ['gone', false],
  ]);
  expect(there).toMatchObject({ a: withDays(base, 20), b: withDays(base, 9), c: base });
  expect(['a', 'b', 'c', 'gone'].map((id) => draftOf(id) !== null)).toEqual([false, true, true, true]);
  expect(await sendDrafts(new Set(['b', 'c', 'gone']))).toEqual({ sent: [], answered: true });
});

it('nothing is lost while the server is away, nor what another window typed on meanwhile', async () => {
  typed('a', withDays(base, 20));
  up = false;
  expect(await sendDrafts(new Set())).toEqual({ sent: [], answered: false });
  expect(draftOf('a')!.file).toEqual(withDays(base, 20));
  up = true;
  meanwhile = (id) => typed(id, withDays(base, 25));
  await sendDrafts(new Set());
  expect(draftOf('a')!.file).toEqual(withDays(base, 25));
});

it('a draft that is no draft is passed over', async () => {
  for (const odd of ['"x"', '{', '[]', '{"file":1}', 'null', '7']) localStorage.setItem(draftKey('a'), odd);
  keepHere(draftKey('old'), { revision: 1, file: base });
  await expect(sendDrafts(new Set())).resolves.toEqual({ sent: [], answered: true });
});
