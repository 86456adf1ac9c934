import { readFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { changesBetween, lotOfVariety, mapStations, stationsOf, variety, type BatchFile, type StationEntry } from '@roskel/core';
import { inject } from 'vitest';
import { BARE_LOT, type BatchRecord, type BatchSaved, type KitchenFile } from '@roskel/contract';
import { errorsOf } from '@roskel/contract/validate';
import type { TSchema } from '@sinclair/typebox';
import pg from 'pg';
import { strToU8, zipSync } from 'fflate';
import { kitchenText } from '../src/backup/read';
import type { Access } from '../src/access/passphrase';
import { openDb } from '../src/db/open';
import { openServer } from '../src/db/server';
import type { Db, Store } from '../src/db/store';
import type { DeviceRack } from '../src/devices';
import { createApp } from '../src/http/app';
import { ROUTES } from '../src/http/routes';
import { getBatch } from '../src/store/batchReads';
import { changeBatch, type Saved } from '../src/store/batches';

/** Everything a kitchen holds, as its backup says it. */
export async function readKitchen(db: Db, made = new Date().toISOString()): Promise<KitchenFile> {
  let text = '';
  for await (const piece of kitchenText(db, made)) text += piece;
  return JSON.parse(text) as KitchenFile;
}
/** Any value as the file of a backup. */
export const zipOf = (value: unknown): Uint8Array => zipSync({ 'kitchen.json': strToU8(JSON.stringify(value)) });

export interface Answer<T> {
  status: number;
  type: string;
  value: T;
  headers: Headers;
}
type Call = <T>(method: string, path: string, body?: unknown, headers?: Record<string, string>) => Promise<Answer<T>>;

export interface Running {
  open: Store;
  devices: DeviceRack;
  base: string;
  port: number;
  call: Call;
  /** Changes a batch into `file`, as a window does that has it as `record`. */
  change<T = BatchSaved>(record: BatchRecord, file: BatchFile): Promise<Answer<T>>;
  close(): Promise<void>;
}

/** The description of the answer a route promises for this request, or null when none is. */
function promised(method: string, path: string): TSchema | null {
  const route = ROUTES.find(
    (r) => r.method === method.toLowerCase() && new RegExp(`^${r.path.replace(/:\w+/g, '[^/]+')}$`).test(path.split('?')[0]!),
  );
  return route && !('file' in route.answer) ? (route.answer as TSchema) : null;
}

let made = 0;
/** A kitchen of a test's own on the server, in a database copied from the one that was made once for all tests. */
export async function serverDb(address: string, of: 'image' | 'demo' = 'image'): Promise<Store> {
  const name = `t_${process.pid}_${++made}`;
  const admin = new pg.Client({ connectionString: `${address}/postgres` });
  await admin.connect();
  await admin.query(`create database ${name} template ${of}`);
  await admin.end();
  const again = () => openServer(`${address}/${name}`, 'home');
  const store = await again();
  openedAgain.set(store, again);
  return store;
}
const openedAgain = new WeakMap<Store, () => Promise<Store>>();
/** The same kitchen as another process has it; on the embedded database, of which there is one, the same again. */
export async function another(store: Store): Promise<Store> {
  return openedAgain.get(store)?.() ?? { ...store, close: async () => {} };
}
/** A kitchen, empty or with the demo of DEMO_DAY in it: in memory, or on the server where these tests run on one. */
export async function memoryDb(of: 'image' | 'demo' = 'image'): Promise<Store> {
  const address = inject('postgres');
  return address ? serverDb(address, of) : openDb(null, { image: new Blob([readFileSync(inject(of))]) });
}

/** Stores a batch as it stands in `file`: what differs from what is there. */
export async function saveFile(db: Store['db'], id: string, file: BatchFile, today: string): Promise<Saved> {
  const now = await getBatch(db, id);
  return changeBatch(db, id, now.revision, changesBetween(now.file, file), today);
}

/** A kitchen in memory behind a real port. Every good answer is held against what the API says of itself. */
export async function startKitchen(
  day: string | (() => string) = '2026-11-23',
  webRoot?: string,
  of: 'image' | 'demo' = 'image',
  standIns = false,
): Promise<Running> {
  return serveKitchen(await memoryDb(of), day, webRoot, standIns);
}

/** A kitchen that is open, behind a real port. */
export async function serveKitchen(
  open: Store,
  day: string | (() => string),
  webRoot?: string,
  standIns = false,
  door?: { access: Access; names: readonly string[] },
  folder?: string,
): Promise<Running> {
  const { app, announcer, devices } = createApp({
    store: open,
    standIns,
    today: typeof day === 'string' ? () => day : day,
    ...(webRoot ? { webRoot } : {}),
    ...(door ? { open: door } : {}),
    ...(folder ? { folder } : {}),
  });
  const server: Server = createServer(app).listen(0, '127.0.0.1');
  // Work of seconds in this very process: a connection kept meanwhile is not closed under the next request.
  server.keepAliveTimeout = 60_000;
  await new Promise((done) => server.once('listening', done));
  const port = (server.address() as AddressInfo).port;
  const base = `http://127.0.0.1:${port}/api`;
  const call: Call = async (method, path, body, headers = {}) => {
    const res = await fetch(base + path, {
      method,
      headers: { 'X-Roskel': '1', ...(body === undefined ? {} : { 'Content-Type': 'application/json' }), ...headers },
      body: body === undefined ? null : typeof body === 'string' ? body : JSON.stringify(body),
    });
    const value = method === 'HEAD' ? null : ((await res.json()) as unknown);
    const shape = res.ok && value !== null ? promised(method, path) : null;
    const odd = shape ? errorsOf(shape, value) : [];
    if (odd.length > 0) throw new Error(`${method} ${path} answers otherwise than it says: ${odd[0]!.path}: ${odd[0]!.message}`);
    return { status: res.status, type: res.headers.get('content-type') ?? '', value: value as never, headers: res.headers };
  };
  return {
    open,
    devices,
    base,
    port,
    call,
    change: (record, file) =>
      call('PATCH', `/batches/${record.id}`, { revision: record.revision, changes: changesBetween(record.file, file) }),
    close: async () => {
      announcer.close();
      devices.close();
      server.closeAllConnections();
      server.close();
      await open.close();
    },
  };
}

export const GOAL = { lowShu: 1000, highShu: 4000, bottles: 8, bottleMl: 100 };
export const lotInput = (id: string, v = 'cayenne-red') => ({
  lot: lotOfVariety(variety(v), { id }),
  ...BARE_LOT,
  gotOn: '2026-11-01',
  place: 'bed',
});
export const done = (file: BatchFile, id: string, day: string, log = {}): BatchFile =>
  mapStations(file, (s) => (s.id === id ? { ...s, log: { ...s.log, doneOn: day, ...log } } : s));

/** The stations of a batch in the order in which they are written. */
export const line = (file: BatchFile): StationEntry[] => stationsOf(file).map((s) => s.entry);
