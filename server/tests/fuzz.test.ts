import { afterAll, beforeAll, expect, it } from 'vitest';
import { Type, type TSchema } from '@sinclair/typebox';
import type { BatchRecord, PodLotRecord, Problem } from '@roskel/contract';
import { checkBatchFile } from '@roskel/contract/validate';
import { stationsOf } from '@roskel/core';
import { rounds } from '../../core/tests/helpers';
import { dice, type Dice } from '../../core/tests/random';
import { ROUTES } from '../src/http/routes';
import type { Route } from '../src/http/route';
import { DEMO_DAY } from './image';
import { startKitchen, type Running } from './kit';

let k: Running;
beforeAll(async () => {
  k = await startKitchen(DEMO_DAY, undefined, 'demo');
});
afterAll(() => k.close());

/** What a program with a fault, or somebody who tries, puts where something else is meant. */
const NASTY: readonly unknown[] = [
  ...[null, true, '', ' ', 'x', '0', '-1', 'NaN', '\u0000', '\ud800', '2026-02-30', '9999-12-31', '%', "'; drop table batches; --"],
  ...[0, -0, -1, 1e-9, 1e9, 1e308, -1e308, 2 ** 53, 2147483648],
  ...[[], {}, [[]], [null], { id: null }, { constructor: 1 }, JSON.parse('{"__proto__": {"x": 1}}') as unknown, 'a'.repeat(3000)],
];

/** A value of a schema, and now and then one that is none. */
function valueOf(d: Dice, s: TSchema, odd: number): unknown {
  if (d.chance(odd)) return d.pick(NASTY);
  if (s.anyOf) return valueOf(d, d.pick(s.anyOf as TSchema[]), odd);
  if (s.allOf) return Object.assign({}, ...(s.allOf as TSchema[]).map((part) => valueOf(d, part, odd)));
  if (s.const !== undefined) return s.const;
  if (s.enum) return d.pick(s.enum as unknown[]);
  const [low, high] = [(s.minimum as number) ?? 0, (s.maximum as number) ?? 5000];
  if (s.type === 'integer') return d.whole(low, high);
  if (s.type === 'number') return d.pick([low, high, d.between(low, high)]);
  if (s.type === 'boolean') return d.chance(0.5);
  if (s.type === 'string') return d.pick([DEMO_DAY, '2026-11-20', 'undo', 'salt', 'given', 'Slipway', d.next().toString(36).slice(2)]);
  if (s.type === 'array') return Array.from({ length: d.whole(0, 3) }, () => valueOf(d, s.items as TSchema, odd));
  if (s.type !== 'object') return null;
  const of = Object.entries((s.properties ?? {}) as Record<string, TSchema>);
  const required = (s.required ?? []) as string[];
  return Object.fromEntries(of.filter(([key]) => required.includes(key) || d.chance(0.4)).map(([key, v]) => [key, valueOf(d, v, odd)]));
}
/** The same value with one thing in it that does not belong there. */
function bent(d: Dice, value: unknown): unknown {
  if (typeof value !== 'object' || value === null || d.chance(0.1)) return d.pick(NASTY);
  const keys = Object.keys(value);
  if (keys.length === 0 || d.chance(0.05)) return { ...value, [d.pick(['__proto__', 'constructor', 'more', ''])]: d.pick(NASTY) };
  const key = d.pick(keys);
  if (Array.isArray(value)) return value.map((v: unknown, i) => (String(i) === key ? bent(d, v) : v));
  return Object.fromEntries(Object.entries(value).map(([name, v]) => [name, name === key ? bent(d, v) : v]));
}

type Ledger = { deltaG: number }[];

/** What is there to be asked about, by the first word of an address. */
async function idsThere(): Promise<Map<string, string[]>> {
  const ids = new Map<string, string[]>();
  for (const of of ['batches', 'pods', 'larder', 'shelf', 'stored', 'heat', 'varieties', 'ingredients', 'devices']) {
    const { value } = await k.call<object>('GET', `/${of}`);
    const list = (Array.isArray(value) ? value : Object.values(value).flat()) as ({ id?: string | number } | null)[];
    ids.set(
      of,
      list.slice(0, 40).flatMap((v) => (v?.id === undefined ? [] : [String(v.id)])),
    );
  }
  return ids;
}
const batchOf = async (id: string) => (await k.call<BatchRecord>('GET', `/batches/${id}`)).value;

/** What a window would send there, by its way: a batch as it is, a change of what stands in it, a lot as it is. */
async function likely(d: Dice, r: Route, ids: Map<string, string[]>, id: string): Promise<unknown> {
  const made = () => valueOf(d, r.body ?? Type.Object({}), 0);
  if (r.path === '/batches/import') return { file: (await batchOf(d.pick(ids.get('batches')!))).file };
  if (r.method === 'patch') {
    const { file, revision } = await batchOf(ids.get('batches')!.includes(id) ? id : d.pick(ids.get('batches')!));
    if (file === undefined) return made();
    const s = d.pick(stationsOf(file)).entry;
    const params = Object.entries(s.params as object);
    const [key, before] = params.length > 0 ? d.pick(params) : ['pct', undefined];
    const change = d.pick([
      { path: ['strands', '@order'], before: null, after: [] },
      { path: ['stations', `#${s.id}`, 'params', key], before, after: d.pick([before, ...NASTY]) },
      { path: ['stations', `#${s.id}`, 'log', 'doneOn'], before: s.log.doneOn, after: d.pick([DEMO_DAY, undefined, '2020-01-01']) },
      { path: ['name'], before: file.name, after: d.pick(['Another', ...NASTY]) },
    ]);
    return { revision: d.chance(0.8) ? revision : d.whole(0, 5), changes: [change] };
  }
  if (r.method === 'put' && r.path === '/pods/:id') {
    const lot = (await k.call<PodLotRecord[]>('GET', '/pods')).value.find((p) => p.id === id);
    if (lot) return { input: valueOf(d, r.body!, 0.02), of: lot.id };
  }
  return made();
}

it('whatever is asked of any address, it is answered: done, refused with a sentence, or not there; and the books still add up', async () => {
  const d = dice(29);
  let ids = await idsThere();
  const counts: Record<number, number> = {};
  // A backup that is read in would begin another kitchen; its own tests attack it.
  const routes = ROUTES.filter((r) => !(r.path === '/kitchen' && r.method === 'post'));
  for (let i = 0; i < rounds(10_000, 0.06); i++) {
    if (i % 500 === 499) ids = await idsThere();
    const r = d.pick(routes);
    const known = ids.get(r.path.split('/')[1]!) ?? [];
    const id =
      d.chance(0.8) && known.length > 0 ? d.pick(known) : d.pick(['none', '-1', '%00', '..%2f', '99999999999', '%F0%9F%8C%B6', 'null']);
    const path =
      r.path.replace(/:kind/, d.pick(['batch', 'lot', 'bottles', 'none'])).replace(/:\w+/g, id) +
      (d.chance(0.1) ? `?${d.pick(['before', 'kitchen', 'of', 'zone'])}=${d.pick(['1', '', '%00', 'x'.repeat(50)])}` : '');
    const plain = await likely(d, r, ids, id);
    const body =
      r.method === 'get' ? undefined : d.chance(0.05) ? d.pick(['{', '[', 'null', '"', '']) : d.chance(0.5) ? bent(d, plain) : plain;
    const key: Record<string, string> = d.chance(0.2) ? { 'Idempotency-Key': d.pick(['again', 'again-2', 'x'.repeat(300)]) } : {};
    const answer = await k.call<Problem>(r.method.toUpperCase(), path, body, key).catch((e: Error) => {
      // Files and lists of another type are no JSON.
      if (!('file' in r.answer)) throw e;
      return null;
    });
    if (!answer) continue;
    counts[answer.status] = (counts[answer.status] ?? 0) + 1;
    const said = `${r.method} ${path} ${JSON.stringify(body)?.slice(0, 400)}: ${JSON.stringify(answer.value).slice(0, 300)}`;
    expect(answer.status, said).toBeLessThan(500);
    if (answer.status >= 400) expect(answer.value.detail, said).toMatch(/\S/);
  }
  for (const status of [200, 201, 404, 409, 422]) expect(counts[status], JSON.stringify(counts)).toBeGreaterThan(0);
  // Every batch is sound, and of nothing is less there than went out.
  for (const { id } of (await k.call<{ id: string }[]>('GET', '/batches')).value) {
    const { file } = await batchOf(id);
    expect(checkBatchFile(file).ok, id).toBe(true);
  }
  for (const of of ['pods', 'larder'])
    for (const item of (await k.call<{ id: string; stockG: number }[]>('GET', `/${of}`)).value) {
      const { value } = await k.call<Ledger | { moves: Ledger }>('GET', `/${of}/${item.id}/history`);
      expect((Array.isArray(value) ? value : value.moves).reduce((sum, m) => sum + m.deltaG, 0)).toBeCloseTo(item.stockG, 3);
    }
});
