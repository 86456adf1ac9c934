import { spawn } from 'node:child_process';
import { Agent, request } from 'node:http';
import pg from 'pg';
import { getTableName, isTable } from 'drizzle-orm';
import { addDays, lotOfVariety, summaryOf, todayOf, variety, type BatchFile } from '@roskel/core';
import { BARE_LOT, KEY_HEADER, type BatchRecord, type BatchSaved, type BottlingRecord, type PodLotRecord } from '@roskel/contract';
import { DemoServer } from '../e2e/server';
import { startPostgres } from '../scripts/lib/postgres.mjs';
import * as schema from '../server/src/db/schema';
import { openServer, schemaOf } from '../server/src/db/server';
import { everyBatch, listBatches, listToday } from '../server/src/store/batchReads';
import { addBatch } from '../server/src/store/batches';

/** What a PostgreSQL server must hold: `npm run bench -- --server [--minutes 10] [--only load|restarts]`. Debian's, on loopback, two processes. */
const TODAY = new Date().toISOString().slice(0, 10);
const minutesAt = process.argv.indexOf('--minutes');
const MINUTES = minutesAt > 0 ? Number(process.argv[minutesAt + 1]) : 1;
const onlyAt = process.argv.indexOf('--only');
const ONLY = onlyAt > 0 ? process.argv[onlyAt + 1] : null;
const PER_SECOND = 20;
const EDIT = 'a batch edited';
const KITCHENS = 50;
/** Ten years of a maker who begins one every other week. */
const BATCHES = 260;

const started = await startPostgres({ durable: true });
if (!started) process.exit(1);
const servers = [new DemoServer(4840, true, undefined, started.url()), new DemoServer(4850, true, undefined, started.url())] as const;
const [a, b] = (await Promise.all(servers.map((s) => s.start()))) as [string, string];

/** Connections are kept, as a browser keeps them: what is measured is the server, not how it is reached. */
const agent = new Agent({ keepAlive: true });
function call<T>(base: string, method: string, path: string, body?: unknown, key?: string): Promise<{ status: number; value: T }> {
  return new Promise((done, fail) => {
    const headers = {
      'X-Roskel': '1',
      ...(key ? { [KEY_HEADER]: key } : {}),
      ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
    };
    const asked = request(`${base}/api${path}`, { method, agent, headers }, (res) => {
      const parts: Buffer[] = [];
      res.on('data', (part: Buffer) => parts.push(part));
      res.on('end', () => {
        const value = JSON.parse(Buffer.concat(parts).toString() || 'null') as T;
        done({ status: res.statusCode!, value });
      });
      res.on('error', fail);
    });
    asked.on('error', fail);
    asked.end(body === undefined ? undefined : JSON.stringify(body));
  });
}
/** A server that does nothing, in a process of its own: what an answer over HTTP costs here, whatever stands behind it. */
async function emptyServer(): Promise<{ at: string; end(): void }> {
  const says = `require('node:http').createServer((q, r) => r.end('x'.repeat(600))).listen(0, '127.0.0.1', function () { console.log(this.address().port) })`;
  const child = spawn(process.execPath, ['-e', says], { stdio: ['ignore', 'pipe', 'inherit'] });
  const port = await new Promise<string>((up) => child.stdout.once('data', (text: Buffer) => up(text.toString().trim())));
  return { at: `http://127.0.0.1:${port}`, end: () => void child.kill() };
}
const hop = (at: string) =>
  new Promise<void>((done, fail) => {
    const asked = request(at, { agent }, (res) => res.resume().on('end', done));
    asked.on('error', fail).end();
  });
const yes = (ok: boolean) => (ok ? 'yes' : 'NO');
const percentile = (ms: number[], p: number) => ms.sort((x, y) => x - y)[Math.min(ms.length - 1, Math.floor(ms.length * p))] ?? NaN;
const podInput = (id: string) => ({ ...BARE_LOT, lot: lotOfVariety(variety('cayenne-red'), { id }), gotOn: TODAY });

async function races(): Promise<void> {
  const [bottling] = (await call<BottlingRecord[]>(a, 'GET', '/shelf')).value;
  const move = (base: string, delta: number) => call(base, 'POST', `/shelf/${bottling!.id}/moves`, { delta, reason: 'opened' });
  await move(a, 1 - bottling!.left);
  let wrong = 0;
  const bottles = 1000;
  for (let round = 0; round < bottles; round++) {
    const both = await Promise.all([move(a, -1), move(b, -1)]);
    if (both.filter((x) => x.status === 200).length !== 1) wrong++;
    await move(round % 2 ? a : b, 1);
  }
  console.log(
    `The last bottle, asked for on both processes at once: taken twice or not at all in ${wrong} of ${bottles}, wanted 0: ${yes(wrong === 0)}`,
  );
  wrong = 0;
  const dryings = 300;
  await call(a, 'POST', '/pods', { input: podInput('race'), stockG: 100, words: '' });
  for (let round = 0; round < dryings; round++) {
    const dry = (base: string) => call<PodLotRecord>(base, 'POST', '/pods/race/turn', { into: 'dried', takeG: 80, gotG: null, words: '' });
    const both = await Promise.all([dry(a), dry(b)]);
    const made = both.filter((x) => x.status < 300);
    if (made.length !== 1) wrong++;
    for (const m of made) await call(a, 'POST', `/pods/${m.value.id}/unturn`, {});
  }
  console.log(`The same pods dried on both: twice or not at all in ${wrong} of ${dryings}, wanted 0: ${yes(wrong === 0)}`);
}

/** Requests of a household, so many a second on both processes, against the statements they stand on. */
async function load(): Promise<void> {
  const pool = new pg.Pool({ connectionString: started!.url(), options: `-c search_path=${schemaOf('demo')}`, max: 8 });
  const shelf = (await call<BottlingRecord[]>(a, 'GET', '/shelf')).value[0]!;
  const raw = async (text: string, values: unknown[] = []) => void (await pool.query(text, values));
  const inOne = async (...texts: [string, unknown[]?][]) => {
    const client = await pool.connect();
    try {
      await client.query('begin');
      for (const [text, values] of texts) await client.query(text, values ?? []);
      await client.query('commit');
    } finally {
      client.release();
    }
  };
  const kinds: { what: string; share: number; ask(base: string, i: number): Promise<{ status: number }>; raw(): Promise<void> }[] = [
    {
      what: 'list of batches',
      share: 0.3,
      ask: (base) => call(base, 'GET', '/batches'),
      raw: () => raw('select id, revision, updated_at, summary from batches where not archived order by start_date desc, id'),
    },
    {
      what: 'today',
      share: 0.2,
      ask: (base) => call(base, 'GET', '/today'),
      raw: () =>
        raw(
          `select id, revision, name, start_date, needs, today from batches where not archived and (json_array_length(today -> 'duties') > 0 or json_array_length(today -> 'jars') > 0) order by start_date desc, id`,
        ),
    },
    {
      what: 'shelf',
      share: 0.2,
      ask: (base) => call(base, 'GET', '/shelf'),
      raw: () =>
        raw(
          'select b.*, m.sum from bottlings b left join (select bottling_id, sum(delta) from shelf_moves group by bottling_id) m on m.bottling_id = b.id where not archived order by bottled_on desc',
        ),
    },
    {
      what: 'a bottle taken or put back',
      share: 0.15,
      ask: (base, i) =>
        call(base, 'POST', `/shelf/${shelf.id}/moves`, { delta: i % 2 ? 1 : -1, reason: 'opened' }).then((x) => ({
          status: x.status === 422 ? 200 : x.status,
        })),
      raw: () =>
        inOne(
          ['select pg_advisory_xact_lock(1, 2)'],
          ['select * from bottlings where id = $1 and not archived', [shelf.id]],
          ['select sum(delta) from shelf_moves where bottling_id = $1', [shelf.id]],
          ['insert into shelf_moves (bottling_id, delta, reason) values ($1, 0, $2)', [shelf.id, 'bench']],
          [`insert into log (topic, item_id, name, did, detail) values ('shelf', $1, 'bench', 'moved', '{}')`, [shelf.id]],
          [`select pg_notify('bench', 'x')`],
        ),
    },
    {
      what: 'the log',
      share: 0.05,
      ask: (base) => call(base, 'GET', '/log?most=60'),
      raw: () =>
        raw(
          `select l.*, m.value ->> 'name' as who from log l left join own_rows m on m.kind = 'makers' and m.id = l.maker order by l.id desc limit 60`,
        ),
    },
    {
      // It works the batch out anew: its reference is its statements and that computing.
      what: EDIT,
      share: 0.1,
      ask: (base) => edit(base),
      raw: async () => {
        // As the server has it: fresh from the database, with nothing known of it yet.
        const file = structuredClone(edited.get(a)!.file);
        summaryOf(file, TODAY);
        todayOf(file, TODAY);
        await inOne(
          ['select pg_advisory_xact_lock(1, 2)'],
          ['select * from batches where id = $1', ['bench-raw']],
          ['select * from readings where batch_id = $1', ['bench-raw']],
          ['update batches set document = document, summary = summary, needs = needs, today = today where id = $1', ['spring-tide']],
          ['select id from pod_lots'],
          ['select id from larder_lots'],
          ['select * from stock_moves where batch_id = $1', ['bench-raw']],
          [`select pg_notify('bench', 'x')`],
        );
      },
    },
  ];
  // A window sends its edits one after the other: a batch of its own on each process.
  const edited = new Map<string, BatchRecord>();
  for (const base of [a, b]) {
    const { file } = (await call<BatchRecord>(base, 'GET', '/batches/slipway-red-2')).value;
    edited.set(base, (await call<BatchRecord>(base, 'POST', '/batches/import', { file: { ...file, name: `Edited at ${base}` } })).value);
  }
  const last = new Map<string, Promise<{ status: number }>>();
  function edit(base: string): Promise<{ status: number }> {
    const next = (last.get(base) ?? Promise.resolve({ status: 200 })).then(async () => {
      const { id, revision, file } = edited.get(base)!;
      const after = file.name.endsWith('!') ? file.name.slice(0, -1) : `${file.name}!`;
      const changes = [{ path: ['name'], before: file.name, after }];
      const saved = await call<BatchSaved>(base, 'PATCH', `/batches/${id}`, { revision, changes });
      if (saved.status === 200) edited.set(base, { id, updatedAt: '', revision: saved.value.revision, file: { ...file, name: after } });
      return saved;
    });
    last.set(base, next);
    return next;
  }
  const queue = Array.from({ length: 100 }, (_, i) =>
    kinds.find((_k, j) => (i * 37) % 100 < 100 * kinds.slice(0, j + 1).reduce((s, k) => s + k.share, 0))!,
  );
  const run = async (seconds: number, one: (k: (typeof kinds)[number], i: number) => Promise<void>) => {
    const open: Promise<void>[] = [];
    const begin = performance.now();
    for (let i = 0; i < seconds * PER_SECOND; i++) {
      const wait = begin + (i * 1000) / PER_SECOND - performance.now();
      if (wait > 0) await new Promise((t) => setTimeout(t, wait));
      open.push(one(queue[i % queue.length]!, i));
    }
    await Promise.all(open);
  };
  const times = new Map<string, { ours: number[]; raw: number[] }>(kinds.map((k) => [k.what, { ours: [], raw: [] }]));
  let errors = 0;
  // An edit's reference computes here: on its own, so that it holds up none of the others.
  const [edits] = kinds.filter((k) => k.what === EDIT);
  const bare = async (k: (typeof kinds)[number]) => {
    const start = performance.now();
    await k.raw();
    times.get(k.what)!.raw.push(performance.now() - start);
  };
  for (let i = 0; i < 160; i++) {
    if (i === 60) times.get(EDIT)!.raw.length = 0;
    await bare(edits!);
  }
  // Both ways are warm before they are measured: programs that have just begun say more of the compiler than of the way.
  for (let i = 0; i < 40; i++)
    for (const k of kinds) {
      for (const base of [a, b]) await k.ask(base, i);
      if (k !== edits) await k.raw();
    }
  const empty = await emptyServer();
  for (let i = 0; i < 200; i++) await hop(empty.at);
  const hops: number[] = [];
  // The statements of a request between two requests: in the same minutes, beside the same edits and whatever else this
  // machine is at, so that what is compared is the way to them.
  await run(60 * MINUTES, async (k, i) => {
    const start = performance.now();
    const { status } = await k.ask(i % 2 ? a : b, i).catch(() => ({ status: 0 }));
    if (status < 200 || status >= 300) errors++;
    else times.get(k.what)!.ours.push(performance.now() - start);
    await new Promise((t) => setTimeout(t, 500 / PER_SECOND));
    if (k !== edits) await bare(k);
    if (i % 5 > 0) return;
    const begin = performance.now();
    await hop(empty.at);
    hops.push(performance.now() - begin);
  });
  console.log(`${PER_SECOND} requests a second on two processes for ${MINUTES} min: ${errors} errors, wanted 0: ${yes(errors === 0)}`);
  for (const [what, t] of times) {
    const [ours, bare] = [percentile(t.ours, 0.99), percentile(t.raw, 0.99)];
    console.log(
      `    ${what}: p50 ${percentile(t.ours, 0.5).toFixed(1)}, p99 ${ours.toFixed(1)} ms; its statements p99 ${bare.toFixed(1)}, ratio ${(ours / bare).toFixed(1)}, wanted at most 3: ${yes(ours / bare <= 3)}`,
    );
  }
  console.log(
    `    of which an empty answer over HTTP: p50 ${percentile(hops, 0.5).toFixed(1)}, p99 ${percentile(hops, 0.99).toFixed(1)} ms`,
  );
  empty.end();
  await pool.end();
}

/** Everything that was acknowledged is there after the database and a process died in the middle. */
async function killed(): Promise<void> {
  const kept: string[] = [];
  let at = 0;
  const add = async (base: string) => {
    const id = `killed-${at++}`;
    const { status } = await call(base, 'POST', '/pods', { input: podInput(id), stockG: 1, words: '' }).catch(() => ({ status: 0 }));
    if (status === 201) kept.push(id);
  };
  for (let i = 0; i < 60; i++) await add(i % 2 ? a : b);
  const writing = Promise.all(Array.from({ length: 80 }, (_, i) => add(i % 2 ? a : b)));
  await new Promise((t) => setTimeout(t, 60));
  started!.kill();
  await writing;
  started!.begin();
  const more = Promise.all(Array.from({ length: 40 }, (_, i) => add(i % 2 ? a : b)));
  await new Promise((t) => setTimeout(t, 40));
  await servers[0].stop('SIGKILL');
  await more;
  await servers[0].start();
  const there = new Set((await call<PodLotRecord[]>(b, 'GET', '/pods')).value.map((p) => p.id));
  const lost = kept.filter((id) => !there.has(id)).length;
  console.log(
    `The database killed and a process killed while 180 lots were added: ${kept.length} acknowledged, ${lost} of them lost, wanted 0: ${yes(lost === 0)}`,
  );
}

/** The database goes down and comes back again and again under requests that are said again until they are answered. */
async function restarts(): Promise<void> {
  const RESTARTS = 20;
  await call(a, 'POST', '/pods', { input: podInput('restarts'), stockG: 1, words: '' });
  const move = { deltaG: 1, reason: 'in', words: '' };
  let [answered, again, unanswered, ended] = [0, 0, 0, false];
  /** With the same key each time, as the page does; every other try at the other process. */
  async function insist(key: string, n: number): Promise<void> {
    for (let tried = 0; tried < 200; tried++) {
      const base = (n + tried) % 2 ? a : b;
      const { status } = await call(base, 'POST', '/pods/restarts/moves', move, key).catch(() => ({ status: 0 }));
      if (status >= 200 && status < 300) return void answered++;
      again++;
      await new Promise((t) => setTimeout(t, 100));
    }
    unanswered++;
  }
  const all: Promise<void>[] = [];
  const asking = (async () => {
    const begin = performance.now();
    for (let i = 0; !ended; i++) {
      all.push(insist(`restart-${i}`, i));
      await new Promise((t) => setTimeout(t, Math.max(0, begin + ((i + 1) * 1000) / PER_SECOND - performance.now())));
    }
  })();
  for (let i = 0; i < RESTARTS; i++) {
    await new Promise((t) => setTimeout(t, (60_000 * MINUTES) / RESTARTS));
    await started!.restart();
  }
  await new Promise((t) => setTimeout(t, 2000));
  ended = true;
  await asking;
  await Promise.all(all);
  const { stockG } = (await call<PodLotRecord[]>(a, 'GET', '/pods')).value.find((p) => p.id === 'restarts')!;
  const [lost, doubled] = [Math.max(0, 1 + answered - stockG), Math.max(0, stockG - 1 - answered)];
  console.log(
    `The database restarted ${RESTARTS} times in ${MINUTES} min under ${PER_SECOND} changes a second: ${answered} done (${again} tries went into the void), ${unanswered} never, ${lost} lost, ${doubled} done twice, wanted 0: ${yes(unanswered + lost + doubled === 0)}`,
  );
  const admin = new pg.Client({ connectionString: started!.url() });
  await admin.connect();
  const { rows } = await admin.query<{ n: number }>(
    `select count(*)::int as n from pg_stat_activity where backend_type = 'client backend' and pid <> pg_backend_pid()`,
  );
  await admin.end();
  // Each process has a pool of eight, and one more that listens.
  console.log(`    connections afterwards: ${rows[0]!.n}, wanted at most 18: ${yes(rows[0]!.n <= 18)}`);
  const begin = performance.now();
  await servers[0].stop();
  const ms = performance.now() - begin;
  console.log(`    one of them ends in ${(ms / 1000).toFixed(1)} s, wanted at most 5: ${yes(ms <= 5000)}`);
  await servers[0].start();
}

const median = async (run: () => Promise<unknown>) => {
  const ms: number[] = [];
  for (let i = 0; i < 25; i++) {
    const start = performance.now();
    await run();
    ms.push(performance.now() - start);
  }
  return percentile(ms.slice(5), 0.5);
};

/** Ten years in fifty kitchens: what is in the others costs a kitchen nothing. */
async function manyKitchens(): Promise<void> {
  const first = await openServer(started!.url(), 'k0');
  const demo = await openServer(started!.url(), 'demo');
  const bare = (await everyBatch(demo.db)).find((x) => x.id === 'slipway-red-3')!.file;
  await demo.close();
  await first.write(async (db) => {
    for (let n = 0; n < BATCHES; n++) await addBatch(db, { ...old(bare, n), name: `Batch ${n}` }, TODAY);
  });
  const lists = [() => listBatches(first.db), () => listToday(first.db)] as const;
  const alone = [await median(lists[0]), await median(lists[1])];
  const admin = new pg.Client({ connectionString: started!.url() });
  await admin.connect();
  const tables = Object.values(schema)
    .filter((t) => isTable(t))
    .map((t) => getTableName(t));
  await admin.query(`set session_replication_role = replica`);
  for (let k = 1; k < KITCHENS; k++) {
    await (await openServer(started!.url(), `k${k}`)).close();
    for (const t of tables)
      await admin.query(`insert into ${schemaOf(`k${k}`)}.${t} select * from ${schemaOf('k0')}.${t} on conflict do nothing`);
  }
  await admin.query('analyze');
  await admin.end();
  const among = [await median(lists[0]), await median(lists[1])];
  await first.close();
  for (const [i, what] of ['list of batches', 'today'].entries()) {
    const ratio = among[i]! / alone[i]!;
    console.log(
      `${what} of ${BATCHES} batches: one kitchen ${alone[i]!.toFixed(1)} ms, among ${KITCHENS} ${among[i]!.toFixed(1)} ms, ratio ${ratio.toFixed(2)}, wanted at most 2: ${yes(ratio <= 2)}`,
    );
  }
}
/** Begun `n` times two weeks ago. */
function old(file: BatchFile, n: number): BatchFile {
  const by = -14 * n;
  return {
    ...file,
    startDate: addDays(TODAY, by - 30),
    readings: [],
    strands: file.strands.map((s) => ({ ...s, stations: s.stations.map((e) => ({ ...e, log: {} })) })),
    dutiesDone: [],
  };
}

try {
  for (const part of [races, load, killed, restarts, manyKitchens]) if (ONLY === null || ONLY === part.name) await part();
} finally {
  await Promise.all(servers.map((s) => s.end()));
  started.end();
}
