import type { Request } from 'express';
import { Type, type TSchema } from '@sinclair/typebox';
import { listAnswer, MOST_INTEGER, type ChangeEvent, type House, type LogEntry, type Move, type Topic } from '@roskel/contract';
import type { Db, Store } from '../db/store';
import type { DeviceRack } from '../devices';
import { NotFound } from '../store/errors';

export interface Kitchen {
  db: Db;
  store: Store;
  /** Tells every window of a change: at once, or with the commit of what is being done. */
  say(event: ChangeEvent): void;
  /** Puts a line into the log, with the change that is being made. */
  log(entry: LogEntry): void;
  devices: DeviceRack;
  house: House;
  /** The data folder, beside which copies lie; null where the kitchen is kept elsewhere. */
  folder: string | null;
  today(): string;
}

/** One thing the API does. The list of these is the API: registered, checked and described from the same place. */
export interface Route {
  method: 'get' | 'post' | 'put' | 'patch' | 'delete';
  path: string;
  summary: string;
  body?: TSchema;
  /** What it answers with; a file when it is of another type than JSON. */
  answer: TSchema | { file: string };
  /** Takes a file in place of a JSON body. */
  takes?: string;
  status?: number;
  /** What takes long and can be worked out before it is this change's turn. Throws as `run` does. */
  ready?(kitchen: Kitchen, req: Request): Promise<unknown>;
  /** Sees whether what was made ready still holds. */
  run(kitchen: Kitchen, req: Request, ready?: unknown): Promise<unknown>;
}

/** A change that is worked out before its turn. */
export const worked = <T>(
  ready: (kitchen: Kitchen, req: Request) => Promise<T>,
  run: (kitchen: Kitchen, req: Request, ready: T) => Promise<unknown>,
): Pick<Route, 'ready' | 'run'> => ({ ready, run: (kitchen, req, had) => run(kitchen, req, had as T) });

/** A file to be saved by the browser: its bytes, or one on the disk that goes once it is sent. */
export class FileAnswer {
  constructor(
    readonly name: string,
    readonly type: string,
    readonly content: Uint8Array | { folder: string; file: string },
  ) {}
}

export const param = (req: Request, name: string) => String(req.params[name]);

/** The number of a row, as an address says it; undefined for what is none. */
export function serialOf(said: unknown): number | undefined {
  const value = typeof said === 'string' && /^\d{1,10}$/.test(said) ? Number(said) : NaN;
  return value <= MOST_INTEGER ? value : undefined;
}
/** A number in an address; what is none names nothing. Throws NotFound. */
export function serial(req: Request, name: string): number {
  const value = serialOf(param(req, name));
  if (value === undefined) throw new NotFound('There is nothing with that number.');
  return value;
}

/** A body that says nothing. */
export const Empty = Type.Object({}, { additionalProperties: false });

/** What a record is called, wherever it says so. */
function nameOf(record: object): string {
  const r = record as Record<'name' | 'ingredientKey', string | undefined> &
    Record<'lot' | 'stuff' | 'value' | 'summary', { name: string } | undefined>;
  return r.name ?? (r.lot ?? r.stuff ?? r.value ?? r.summary)?.name ?? r.ingredientKey ?? '';
}
/** What was done to it, for the log. */
export type Done = Pick<LogEntry, 'did' | 'detail'>;
/** Puts into the log what was done to a record. */
export function logged<T extends { id: string }>(k: Kitchen, topic: Topic, record: T, done: Done): void {
  k.log({ topic, itemId: record.id, name: nameOf(record), ...done });
}

/** A move of stock, for the log. */
export const moved = ({ deltaG, reason, words }: Move): Done => ({
  did: 'moved',
  detail: { g: deltaG, reason, ...(words ? { words } : {}) },
});
export const turned = ({ into, takeG }: { into: string; takeG: number }): Done => ({ did: 'turned', detail: { g: takeG, reason: into } });

/** Tells every window, and the log, that a record changed and others of its list with it, and gives it back. */
export function announcedMore<T extends { id: string }>(k: Kitchen, topic: Topic, record: T, done: Done): T {
  k.say({ topic, id: record.id });
  logged(k, topic, record, done);
  return record;
}

/** Tells every window, and the log, that a record changed, and what it is now, and gives it back. */
export function announced<T extends { id: string }>(k: Kitchen, topic: Topic, record: T, done: Done): T {
  k.say({ topic, id: record.id, record });
  logged(k, topic, record, done);
  return record;
}

/** How things of a topic are archived, listed there and brought back. */
export interface Archive {
  put(db: Db, id: string, away: boolean): Promise<{ id: string }>;
  list(db: Db): Promise<readonly unknown[]>;
  answer: TSchema;
  /** What else changes with it. */
  also?: readonly Topic[];
}

/** Archiving a thing and bringing it back: nothing is ever deleted. */
export function archiveRoutes(topic: Topic, archive: Archive): Route[] {
  const put = async (k: Kitchen, req: Request, away: boolean) => {
    const record = await archive.put(k.db, param(req, 'id'), away);
    k.say({ topic, id: record.id, ...(away ? { gone: true } : {}) });
    for (const other of archive.also ?? []) k.say({ topic: other, id: record.id });
    logged(k, topic, record, { did: away ? 'archived' : 'restored' });
    return record;
  };
  return [
    {
      method: 'get',
      path: `/${topic}/archive`,
      summary: `What is archived of the ${topic}`,
      answer: listAnswer(archive.answer),
      run: (k) => archive.list(k.db),
    },
    {
      method: 'delete',
      path: `/${topic}/:id`,
      summary: `Archive one of the ${topic}; it can be restored`,
      answer: archive.answer,
      run: (k, req) => put(k, req, true),
    },
    {
      method: 'post',
      path: `/${topic}/:id/restore`,
      summary: `Bring one of the ${topic} back from the archive`,
      body: Empty,
      answer: archive.answer,
      run: (k, req) => put(k, req, false),
    },
  ];
}
