import { afterAll, beforeAll, expect, it } from 'vitest';
import { LearntFileSchema, lotOfVariety, turned, variety, VARIETIES, type LearntFile, type Turn } from '@roskel/core';
import {
  BARE_LOT,
  type LearntPreview,
  type OwnLearnt,
  type OwnMaker,
  type OwnTool,
  type PodLotRecord,
  type Problem,
} from '@roskel/contract';
import { errorsOf } from '@roskel/contract/validate';
import { becomeKitchen } from '../src/store/identity';
import { DEMO_DAY } from './image';
import { readKitchen, startKitchen, type Running } from './kit';

let demo: Running;
let mine: Running;
let learnt: LearntFile;
beforeAll(async () => {
  [demo, mine] = await Promise.all([startKitchen(DEMO_DAY, undefined, 'demo'), startKitchen(DEMO_DAY)]);
  // Both are copies of one image.
  await becomeKitchen(mine.open.db, 'another-kitchen');
  await demo.call('POST', '/heat', {
    kind: 'tasting',
    subject: { batchId: 'slipway-red-2' },
    scores: [{ taster: 'You', score: 6 }],
  });
  learnt = (await demo.call<LearntFile>('GET', '/learnt/here')).value;
}, 60_000);
afterAll(() => Promise.all([demo.close(), mine.close()]));

const pods = async (k: Running) => (await k.call<PodLotRecord[]>('GET', '/pods')).value;
const tools = async (k: Running) => (await k.call<OwnTool[]>('GET', '/tools')).value;
const addLot = (id: string, of: string, k = mine) =>
  k.call<PodLotRecord>('POST', '/pods', { input: { ...BARE_LOT, lot: lotOfVariety(variety(of), { id }) }, stockG: 300, words: '' });
const body = (file: LearntFile, id = 'learnt-a') => ({ value: { id, name: 'Kitchen by the water', file } });

it('what the demo learnt is a file without names and without days', async () => {
  expect(errorsOf(LearntFileSchema, learnt)).toEqual([]);
  expect(learnt.pods.length).toBeGreaterThan(0);
  expect(learnt.tools.length).toBeGreaterThan(0);
  const text = JSON.stringify(learnt);
  expect(text).not.toMatch(/\d{4}-\d\d-\d\d/);
  const makers = (await demo.call<OwnMaker[]>('GET', '/makers')).value.map((m) => m.value.name);
  const own = [...(await pods(demo)).map((p) => p.lot.name), ...(await tools(demo)).map((t) => t.value.name), ...makers];
  expect(own.filter((name) => text.includes(name) && !VARIETIES.some((v) => v.id === name))).toEqual([]);
});

it('read in elsewhere it does what the preview said, to lots of before and of after, and left out it leaves nothing', async () => {
  const told = learnt.pods.map((p) => p.variety).find((v) => variety(v).form === 'fresh')!;
  await addLot('mine-a', told);
  await mine.call('POST', '/tools', { value: { id: 'my-sieve', kind: 'sieve', name: 'Sieve', seen: [] } });
  const before = await readKitchen(mine.open.db, '2026-01-01T00:00:00.000Z');
  const [lotBefore, toolsBefore] = [await pods(mine), await tools(mine)];

  const preview = (await mine.call<LearntPreview>('POST', '/learnt/preview', learnt)).value;
  expect(await readKitchen(mine.open.db, '2026-01-01T00:00:00.000Z')).toEqual(before);
  expect(preview).toMatchObject({ own: false, replaces: null, unknown: [] });
  expect(preview.lots.map((l) => l.id)).toEqual(['mine-a']);

  expect((await mine.call<OwnLearnt>('POST', '/learnt', body(learnt))).status).toBe(201);
  const [now] = await pods(mine);
  const dry = 1 - now!.lot.waterPct / 100;
  expect(now!.lot.heat!.source).toBe('kitchens');
  expect(now!.lot.heat!.dryShu * dry).toBeCloseTo(preview.lots[0]!.after.dryShu, 6);
  expect(now!.lot.heat!.sigma).toBeCloseTo(preview.lots[0]!.after.sigma, 9);
  expect(now!.lot.heat!.sigma).toBeLessThan(lotBefore[0]!.lot.heat!.sigma);
  expect(preview.tools.map((t) => t.id)).toEqual((await tools(mine)).flatMap((t) => (t.value.expected ? [t.id] : [])));
  // A lot that comes in now starts the same, and so does one that is dried of it.
  expect((await addLot('mine-b', told)).value.lot.heat).toEqual(now!.lot.heat);
  const dried = await mine.call<PodLotRecord>('POST', '/pods/mine-a/turn', { into: 'frozen', takeG: 100, gotG: null, words: '' });
  expect(dried.value.lot.heat!.dryShu).toBeCloseTo(now!.lot.heat!.dryShu, 6);
  // Dried, and then ground: each costs heat, and both are known when the file is left out.
  const turn = (id: string, into: Turn, takeG: number) =>
    mine.call<PodLotRecord>('POST', `/pods/${id}/turn`, { into, takeG, gotG: null, words: '' });
  const powder = (await turn((await turn('mine-b', 'dried', 100)).value.id, 'powder', 5)).value;
  // A tool that is saved as it was given out is kept without what others say.
  const sieve = (await tools(mine)).find((t) => t.id === 'my-sieve')!;
  await mine.call('PUT', '/tools/my-sieve', { revision: sieve.revision, value: { ...sieve.value, name: 'Fine sieve' } });

  await mine.call('DELETE', '/learnt/learnt-a');
  const [plain, ground] = [lotBefore[0]!.lot, (await pods(mine)).find((p) => p.id === powder.id)!.lot];
  expect(ground.heat).toEqual(turned(turned(plain, 'dried', 'd').lot, 'powder', 'p').lot.heat);
  for (const { lot } of await pods(mine)) if (lot.form !== 'dried' && lot.form !== 'powder') expect(lot.heat).toEqual(plain.heat);
  expect((await tools(mine)).map((t) => t.value)).toEqual(toolsBefore.map((t) => ({ ...t.value, name: 'Fine sieve' })));
  await mine.call('POST', '/learnt/learnt-a/restore', {});
  expect((await pods(mine))[0]!.lot.heat).toEqual(now!.lot.heat);
  // What was read in is not given out as one's own.
  const given = (await mine.call<LearntFile>('GET', '/learnt/here')).value;
  expect(given).toMatchObject({ pods: [], tools: [], taste: {} });
});

it('its own file and one that cannot be are refused, and nothing changes', async () => {
  expect((await demo.call<LearntPreview>('POST', '/learnt/preview', learnt)).value.own).toBe(true);
  const refused = await demo.call<Problem>('POST', '/learnt', body(learnt));
  expect(refused.status).toBe(422);
  expect(refused.value.detail).toMatch(/learnt itself/);
  const bad: unknown[] = [
    [],
    {},
    { ...learnt, version: 2 },
    { ...learnt, kitchen: '' },
    { ...learnt, pods: [{ ...learnt.pods[0], sd: 0 }] },
    { ...learnt, pods: [{ ...learnt.pods[0], dryShu: 1e9 }] },
    { ...learnt, tools: [{ ...learnt.tools[0], log: 99 }] },
    { ...learnt, taste: { bitter: { level: 1, said: 1 } } },
    { ...learnt, name: 'Ana' },
  ];
  for (const file of bad) expect((await mine.call('POST', '/learnt/preview', file)).status, JSON.stringify(file)).toBe(422);
  // A variety of a newer table is left out, and said.
  const newer = {
    ...learnt,
    kitchen: 'kitchen-newer',
    pods: [{ variety: 'not-yet-known', lots: 1, dryShu: 5000, sd: 0.3 }],
    tools: [],
    taste: {},
  };
  expect((await mine.call<LearntPreview>('POST', '/learnt/preview', newer)).value).toMatchObject({
    unknown: ['not-yet-known'],
    lots: [],
    tools: [],
  });
});

it('a backup holds what was read in', async () => {
  const file = await readKitchen(mine.open.db);
  expect(file.tables.own_rows!.find((r) => r.kind === 'learnt')).toMatchObject({ id: 'learnt-a' });
});
