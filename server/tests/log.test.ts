import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { mapStations, VARIETIES, variety, type BatchFile } from '@roskel/core';
import { DEFAULT_SETTINGS, type BatchRecord, type BottlingRecord, type LogLine, type PodLotRecord } from '@roskel/contract';
import { exampleFile, setup } from '../../core/tests/helpers';
import { writeKitchen } from '../src/backup/kitchen';
import { log, stockMoves } from '../src/db/schema';
import { ROUTES } from '../src/http/routes';
import { DEMO_TOOLS } from '../src/seed/styles';
import { signed } from '../src/store/log';
import { DEMO_DAY } from './image';
import { done, GOAL, lotInput, memoryDb, readKitchen, startKitchen, zipOf, type Running } from './kit';

const [EBBA, IVO] = ['maker-ebba', 'maker-ivo'] as const;
let k: Running;
const by = (maker: string) => ({ 'X-Roskel-Maker': maker });
/** What `maker` asks for. */
const as =
  (maker: string) =>
  <T>(method: string, path: string, body?: unknown) =>
    k.call<T>(method, path, body, by(maker));
const lines = async (query = '') => (await k.call<LogLine[]>('GET', `/log?${query}`)).value;
const newest = async () => (await lines('most=1'))[0]!;
/** Changes a batch into `file`, as a maker's window does. */
async function edit(maker: string, record: BatchRecord, file: BatchFile): Promise<BatchRecord> {
  const { changesBetween } = await import('@roskel/core');
  const body = { revision: record.revision, changes: changesBetween(record.file, file) };
  expect((await as(maker)('PATCH', `/batches/${record.id}`, body)).status).toBe(200);
  return (await k.call<BatchRecord>('GET', `/batches/${record.id}`)).value;
}
const begun = async (name: string) => (await k.call<BatchRecord>('POST', '/batches', { name, startDate: '2026-11-01', goal: GOAL })).value;
const days = (file: BatchFile, n: number) => setup(file, 'ferment', { tempC: 21, days: n, targetPh: 3.8 });

beforeAll(async () => {
  // The demo's kitchen has two.
  k = await startKitchen(DEMO_DAY, undefined, 'demo');
});
afterAll(() => k.close());

const LEARNT = { format: 'roskel-learnt', version: 1, kitchen: 'kitchen-elsewhere', pods: [], tools: [], taste: {} };
const SEASON = {
  ...{
    name: 'Season',
    ripens: '',
    wishes: '',
    perMonth: 0,
    bottleMl: 100,
    weekday: 6,
    freezerG: 0,
    styles: [],
    pins: [],
    begun: [],
    kept: null,
  },
};

describe('who did it', () => {
  it('is the maker that the device names; nobody where it names none, or one who is none', async () => {
    await as(EBBA)('POST', '/pods', { input: lotInput('a'), stockG: 1000, words: '1 kg' });
    expect(await newest()).toMatchObject({ maker: 'Ebba', topic: 'pods', itemId: 'a', did: 'added' });
    for (const nobody of ['', 'maker-who', "x' or '1'='1", 'a'.repeat(5000)]) {
      await as(nobody)('POST', '/pods/a/moves', { deltaG: -10, reason: 'used', words: '' });
      expect(await newest()).toMatchObject({ maker: null, did: 'moved', detail: { g: -10, reason: 'used' } });
    }
  });
  it('stands in the ledgers too, also where ticking a station takes stock; and does not stick to the next change', async () => {
    const batch = await begun('Signed');
    const pods = await edit(EBBA, batch, setup(batch.file, 'prep', { pods: [{ lotId: 'a', massG: 200, prep: 'whole' }] }));
    await edit(IVO, pods, done(pods.file, 'prep', '2026-11-01'));
    await k.call('POST', '/pods/a/moves', { deltaG: -5, reason: 'thrown', words: 'soft' });
    const { value } = await k.call<{ moves: { reason: string; maker: string | null }[] }>('GET', '/pods/a/history');
    expect(value.moves.slice(0, 2).map((m) => [m.reason, m.maker])).toEqual([
      ['thrown', null],
      ['batch', 'Ivo'],
    ]);
  });
  it('keeps their name when they are renamed or archived', async () => {
    await as(IVO)('POST', '/pods/a/moves', { deltaG: -1, reason: 'used', words: '' });
    await k.call('PUT', `/makers/${IVO}`, { revision: 1, value: { id: IVO, name: 'Ivo B.' } });
    await k.call('DELETE', `/makers/${IVO}`);
    expect((await lines(`maker=${IVO}&most=1`))[0]!.maker).toBe('Ivo B.');
    await k.call('POST', `/makers/${IVO}/restore`, {});
    expect((await k.call('POST', '/makers', { value: { id: 'maker-x', name: '   ' } })).status).toBe(422);
  });
});

describe('what was done', () => {
  it('a field that one maker writes again and again is one line, from what it was to what it is; set back, none', async () => {
    const batch = await begun('Slider');
    let now = batch;
    for (const n of [15, 16, 17]) now = await edit(EBBA, now, days(now.file, n));
    const of = () => lines(`topic=batches&item=${batch.id}`);
    const was = 14;
    const { params } = batch.file.strands[0]!.stations.find((s) => s.id === 'ferment')!;
    const set = (await of()).filter((l) => l.did === 'set' && l.path.endsWith('/days'));
    expect(set).toHaveLength(1);
    expect(set[0]!.detail).toMatchObject({ before: (params as { days: number }).days, after: 17 });
    expect(set[0]!.detail.what).toMatch(/^Ferment, /);
    // Another one in between: theirs is a line of its own, and so is what follows.
    now = await edit(IVO, now, days(now.file, 9));
    now = await edit(EBBA, now, days(now.file, was));
    expect((await of()).filter((l) => l.path.endsWith('/days')).map((l) => [l.maker, l.detail.after])).toEqual([
      ['Ebba', was],
      ['Ivo B.', 9],
      ['Ebba', 17],
    ]);
    await edit(EBBA, now, days(now.file, 9));
    expect((await of()).filter((l) => l.path.endsWith('/days')).map((l) => l.detail.after)).toEqual([9, 17]);
  });
  it('a reading that is logged, put right and taken back leaves every line; a long note is told to have changed', async () => {
    let now = await begun('Readings');
    const read = (pH: number) => ({
      ...now.file,
      readings: [{ id: 'r1', stationId: 'ferment', at: '2026-11-02T10:00:00.000Z', pH, instrument: 'meter' as const }],
    });
    const of = async (path: RegExp) => (await lines(`topic=batches&item=${now.id}`)).filter((l) => path.test(l.path));
    now = await edit(EBBA, now, read(4.9));
    now = await edit(EBBA, now, read(3.9));
    now = await edit(EBBA, now, { ...now.file, readings: [] });
    const pH = (v: unknown) => (v as { pH?: number } | undefined)?.pH;
    expect((await of(/^readings/)).map((l) => [pH(l.detail.before), pH(l.detail.after)])).toEqual([
      [3.9, undefined],
      [4.9, 3.9],
      [undefined, 4.9],
    ]);
    for (const note of ['a'.repeat(400), 'b'.repeat(400), 'b'.repeat(401)])
      now = await edit(
        EBBA,
        now,
        mapStations(now.file, (s) => (s.id === 'salt' ? { ...s, log: { note } } : s)),
      );
    const notes = await of(/note$|log$/);
    expect(notes).toHaveLength(3);
    expect(new Set(notes.map((l) => JSON.stringify(l.detail.after))).size).toBe(3);
    expect(JSON.stringify(notes)).not.toContain('aaaa');
  });
  it('a refused change leaves no line', async () => {
    const batch = await begun('Refused');
    const before = await newest();
    const stations = mapStations(batch.file, (s) => (s.id === 'ferment' ? { ...s, params: { ...(s.params as object), days: -3 } } : s));
    expect((await k.change(batch, stations)).status).toBe(422);
    expect((await as(EBBA)('POST', '/pods/nothing/moves', { deltaG: -1, reason: 'used', words: '' })).status).toBe(404);
    expect(await newest()).toEqual(before);
  });
  it('a batch of a plan was begun, one of a file was read in', async () => {
    for (const [begun, did] of [
      [{ begun: true }, 'added'],
      [{}, 'read-in'],
    ] as const) {
      expect((await as(EBBA)('POST', '/batches/import', { file: exampleFile(), ...begun })).status).toBe(201);
      expect(await newest()).toMatchObject({ did });
    }
  });
  it('every way of changing the kitchen has a line', async () => {
    const batch = (await k.call<BatchRecord>('POST', '/batches/import', { file: exampleFile() })).value;
    const [bottling] = (await k.call<BottlingRecord[]>('GET', '/shelf')).value;
    const copy = { ...variety(VARIETIES[0]!.id), id: 'own-one', name: 'Own one' };
    const settings = { ...DEFAULT_SETTINGS, temperature: 'F' };
    const reference = { kind: 'reference', name: 'Red', labelShu: 2000, scores: [{ taster: 'Ebba', score: 4 }] };
    const lots = new Set((await k.call<PodLotRecord[]>('GET', '/pods')).value.map((p) => p.id));
    const podInput = lotInput('b');
    const own = (kind: string, value: object, id: string): [string, string, unknown][] => [
      [`post /${kind}`, `/${kind}`, { value }],
      [`put /${kind}/:id`, `/${kind}/${id}`, { revision: 1, value: { ...value, name: 'Another name' } }],
      [`delete /${kind}/:id`, `/${kind}/${id}`, undefined],
      [`post /${kind}/:id/restore`, `/${kind}/${id}/restore`, {}],
    ];
    const ingredient = {
      ...(await import('@roskel/core')).INGREDIENTS[0]!,
      key: 'own_thing',
      name: 'Own thing',
      like: 'garlic',
      allergens: ['none'],
    };
    const tool = { ...DEMO_TOOLS[0]!, id: 'tool-one' };
    const asks: [string, string, unknown][] = [
      ['post /batches', '/batches', { name: 'New', startDate: '2026-11-01', goal: GOAL }],
      ['post /batches/import', '/batches/import', { file: exampleFile() }],
      [
        'patch /batches/:id',
        `/batches/${batch.id}`,
        { revision: batch.revision, changes: [{ path: ['name'], before: batch.file.name, after: 'Else' }] },
      ],
      ['delete /batches/:id', `/batches/${batch.id}`, undefined],
      ['post /batches/:id/restore', `/batches/${batch.id}/restore`, {}],
      ['post /pods', '/pods', { input: podInput, stockG: 100, words: '' }],
      ['put /pods/:id', '/pods/b', { revision: 1, input: { ...podInput, place: 'shed' } }],
      ['post /pods/:id/moves', '/pods/b/moves', { deltaG: 50, reason: 'in', words: '' }],
      ['post /pods/:id/turn', '/pods/b/turn', { into: 'dried', takeG: 80, gotG: 9, words: '' }],
      ['delete /pods/:id', '/pods/b', undefined],
      ['post /pods/:id/restore', '/pods/b/restore', {}],
      ['post /larder', '/larder', { ingredientKey: 'garlic', stockG: 300, words: '', facts: undefined }],
      ['post /larder/:id/moves', '/larder/garlic/moves', { deltaG: -20, reason: 'used', words: 'soup' }],
      [
        'put /larder/:id',
        '/larder/garlic',
        { revision: 1, facts: { note: 'x', packG: null, packPrice: null, openedOn: null, ownPh: null, useFirst: false } },
      ],
      ['delete /larder/:id', '/larder/garlic', undefined],
      ['post /larder/:id/restore', '/larder/garlic/restore', {}],
      ['post /stored', '/stored', { what: { bottlingId: bottling!.id, bottles: 1 }, name: 'Opened', massG: null, words: '' }],
      ['post /shelf/:id/moves', `/shelf/${bottling!.id}/moves`, { delta: -1, reason: 'opened' }],
      ['post /heat', '/heat', reference],
      ['put /settings', '/settings', settings],
      ...own('varieties', copy, 'own-one'),
      ...own('ingredients', ingredient, 'own_thing'),
      ...own('tools', tool, 'tool-one'),
      ...own('makers', { id: 'maker-third', name: 'Third' }, 'maker-third'),
      ...own('learnt', { id: 'learnt-one', name: 'Elsewhere', file: LEARNT }, 'learnt-one'),
      // The demo has one.
      ...own('season', { ...SEASON, id: 'season-two' }, 'season-two'),
    ];
    const later = async (): Promise<[string, string, unknown][]> => {
      const [heat] = (await k.call<{ events: { id: number }[] }>('GET', '/heat')).value.events;
      const [kept] = (await k.call<{ id: string }[]>('GET', '/stored')).value;
      const dried = (await k.call<PodLotRecord[]>('GET', '/pods')).value.find((p) => p.id !== 'b' && !lots.has(p.id))!;
      return [
        ['post /pods/:id/unturn', `/pods/${dried.id}/unturn`, {}],
        ['post /stored/:id/moves', `/stored/${kept!.id}/moves`, { deltaG: -5, reason: 'used', words: '' }],
        ['delete /stored/:id', `/stored/${kept!.id}`, undefined],
        ['post /stored/:id/restore', `/stored/${kept!.id}/restore`, {}],
        ['delete /heat/:id', `/heat/${heat!.id}`, undefined],
        ['post /heat/:id/restore', `/heat/${heat!.id}/restore`, {}],
      ];
    };
    const tried = new Set<string>();
    const all = async (list: [string, string, unknown][]) => {
      for (const [name, path, body] of list) {
        const before = (await newest()).id;
        const answer = await as(EBBA)<{ detail?: string }>(name.split(' ')[0]!.toUpperCase(), path, body);
        expect([name, answer.status < 300 ? '' : answer.value.detail]).toEqual([name, '']);
        const line = await newest();
        expect([name, line.id > before, line.maker]).toEqual([name, true, 'Ebba']);
        tried.add(name);
      }
    };
    await all(asks);
    await all(await later());
    // Nothing of the kitchen changes with these; a backup is read in below, and gone back to in the tests of backups.
    const still = ['post /learnt/preview', 'post /batches/:id/photos', 'post /devices/:id/tare', 'put /stand-ins/:id', 'put /timers/:id'];
    const without = [...still, 'post /kitchen', 'put /kitchen', 'post /kitchen/copies/:name/back'];
    const ways = ROUTES.filter((r) => r.method !== 'get').map((r) => `${r.method} ${r.path}`);
    expect([...tried, ...without].sort()).toEqual(ways.sort());
  });
  it('whoever changes whatever: the last line of each field says what stands there', async () => {
    let now = await begun('Many hands');
    const touch = fc.record({
      maker: fc.constantFrom(EBBA, IVO, ''),
      field: fc.constantFrom('days', 'name', 'start', 'bottles'),
      n: fc.integer({ min: 3, max: 9 }),
    });
    await fc.assert(
      fc.asyncProperty(fc.array(touch, { minLength: 1, maxLength: 4 }), async (touches) => {
        for (const { maker, field, n } of touches) {
          const f = now.file;
          const [end] = f.strands;
          const next =
            field === 'days'
              ? days(f, n)
              : field === 'name'
                ? { ...f, name: `Name ${n}` }
                : field === 'start'
                  ? { ...f, startDate: `2026-11-0${n}` }
                  : { ...f, strands: [{ ...end!, goal: { ...end!.goal!, bottles: n } }, ...f.strands.slice(1)] };
          now = await edit(maker, now, next);
        }
        const of = (await lines(`topic=batches&item=${now.id}`)).filter((l) => l.did === 'set');
        const stands: Record<string, unknown> = {
          name: now.file.name,
          startDate: now.file.startDate,
          days: (now.file.strands[0]!.stations.find((s) => s.id === 'ferment')!.params as { days: number }).days,
          bottles: now.file.strands[0]!.goal!.bottles,
        };
        for (const [field, value] of Object.entries(stands)) {
          const last = of.find((l) => l.path.split('/').at(-1) === field);
          if (last) expect([field, last.detail.after]).toEqual([field, value]);
        }
      }),
      { numRuns: 12 },
    );
  });
});

/** A small kitchen with a log: some stock, a move of it, a batch that one of them began. */
async function smallKitchen(): Promise<Running> {
  const small = await startKitchen();
  await small.call('POST', '/makers', { value: { id: EBBA, name: 'Ebba' } });
  await small.call('POST', '/pods', { input: lotInput('a'), stockG: 1000, words: '1 kg' }, by(EBBA));
  await small.call('POST', '/pods/a/moves', { deltaG: -10, reason: 'used', words: '' }, by(EBBA));
  const { value } = await small.call<BatchRecord>('POST', '/batches', { name: 'Small', startDate: '2026-11-01', goal: GOAL }, by(EBBA));
  await small.change(value, days(value.file, 15));
  return small;
}

describe('read again', () => {
  it('the newest first, page by page, whatever is asked', async () => {
    const all = await lines();
    expect(all.map((l) => l.id)).toEqual([...all.map((l) => l.id)].sort((a, b) => b - a));
    const [first, second] = [await lines('most=5'), await lines(`most=5&before=${(await lines('most=5')).at(-1)!.id}`)];
    expect([...first, ...second]).toEqual(all.slice(0, 10));
    for (const odd of ['most=0', 'most=-1', 'most=x', 'most=99999999999', 'before=soup', 'topic=soup', 'maker=', 'most=1&most=2'])
      expect([odd, Array.isArray(await lines(odd))]).toEqual([odd, true]);
    expect((await k.call('GET', '/log?item=%00')).status).toBe(422);
    expect((await k.call('GET', '/log?item=%00')).status).toBe(422);
    expect(await lines('maker=nobody')).toEqual([]);
    expect((await lines(`maker=${EBBA}`)).every((l) => l.maker === 'Ebba')).toBe(true);
  });
  it('goes into the backup and comes back; who reads an older one in did not do what is in it', async () => {
    const small = await smallKitchen();
    const file = await readKitchen(small.open.db, '2026-11-27T10:00:00.000Z');
    await small.close();
    expect(file.tables.log!.map((l) => [l.did, l.maker])).toEqual([
      ['added', null],
      ['added', EBBA],
      ['moved', EBBA],
      ['added', EBBA],
      ['set', null],
    ]);
    const back = await memoryDb();
    await writeKitchen(back.db, JSON.parse(JSON.stringify(file)), DEMO_DAY);
    expect((await readKitchen(back.db, file.made)).tables).toEqual(file.tables);
    await back.close();
    const { log: _, ...tables } = file.tables;
    const bare = (rows: readonly Record<string, unknown>[] = []) => rows.map(({ maker: __, ...row }) => row);
    const older = {
      ...file,
      version: 3 as const,
      tables: { ...tables, stock_moves: bare(tables.stock_moves), shelf_moves: bare(tables.shelf_moves) },
    };
    const old = await memoryDb();
    await old.write(async (db) => {
      await signed(db, EBBA);
      await writeKitchen(db, older, DEMO_DAY);
    });
    expect((await old.db.select().from(stockMoves)).every((m) => m.maker === null)).toBe(true);
    expect(await old.db.select().from(log)).toEqual([]);
    await old.close();
  });
  it('a backup with a line that cannot be is refused', async () => {
    const small = await smallKitchen();
    const file = JSON.parse(JSON.stringify(await readKitchen(small.open.db))) as Awaited<ReturnType<typeof readKitchen>>;
    await small.close();
    const odd = { ...file.tables.log![0]!, did: 'burnt' };
    const empty = await startKitchen();
    const send = async (value: typeof file) => {
      const headers = { 'X-Roskel': '1', 'Content-Type': 'application/zip', ...by(EBBA) };
      return (await fetch(`${empty.base}/kitchen`, { method: 'POST', headers, body: new Uint8Array(zipOf(value)) })).status;
    };
    expect(await send({ ...file, tables: { ...file.tables, log: [odd] } })).toBe(422);
    expect(await send(file)).toBe(200);
    expect((await empty.call<LogLine[]>('GET', '/log')).value).toHaveLength(file.tables.log!.length);
    await empty.close();
  });
});
