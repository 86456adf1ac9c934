import type { Request } from 'express';
import { Type, type TSchema } from '@sinclair/typebox';
import { listAnswer, type ChangeEvent, type House } from '@roskel/contract';
import type { Db } from '../db/open';
import type { DeviceRack } from '../devices';
import { NotFound } from '../store/errors';

export interface Kitchen {
  db: Db;
  /** Tells every window of a change: at once, or with the commit of what is being done. */
  say(event: ChangeEvent): void;
  devices: DeviceRack;
  house: House;
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
  run(kitchen: Kitchen, req: Request): Promise<unknown>;
}

/** A file to be saved by the browser. */
export class FileAnswer {
  constructor(
    readonly name: string,
    readonly type: string,
    readonly bytes: Uint8Array,
  ) {}
}

export const param = (req: Request, name: string) => String(req.params[name]);

const MOST_SERIAL = 2_147_483_647;
/** A number in an address; what is none names nothing. Throws NotFound. */
export function serial(req: Request, name: string): number {
  const text = param(req, name);
  const value = /^\d{1,10}$/.test(text) ? Number(text) : NaN;
  if (!(value <= MOST_SERIAL)) throw new NotFound('There is nothing with that number.');
  return value;
}

/** A body that says nothing. */
export const Empty = Type.Object({}, { additionalProperties: false });

/** Tells every window that a record changed and others of its list with it, and gives it back. */
export function announcedMore<T extends { id: string }>(k: Kitchen, topic: ChangeEvent['topic'], record: T): T {
  k.say({ topic, id: record.id });
  return record;
}

/** Tells every window that a record changed, and what it is now, and gives it back. */
export function announced<T extends { id: string }>(k: Kitchen, topic: ChangeEvent['topic'], record: T): T {
  k.say({ topic, id: record.id, record });
  return record;
}

/** How things of a topic are archived, listed there and brought back. */
export interface Archive {
  put(db: Db, id: string, away: boolean): Promise<{ id: string }>;
  list(db: Db): Promise<readonly unknown[]>;
  answer: TSchema;
  /** What else changes with it. */
  also?: readonly ChangeEvent['topic'][];
}

/** Archiving a thing and bringing it back: nothing is ever deleted. */
export function archiveRoutes(topic: ChangeEvent['topic'], archive: Archive): Route[] {
  const put = async (k: Kitchen, req: Request, away: boolean) => {
    const record = await archive.put(k.db, param(req, 'id'), away);
    k.say({ topic, id: record.id, ...(away ? { gone: true } : {}) });
    for (const other of archive.also ?? []) k.say({ topic: other, id: record.id });
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
