import type { Request } from 'express';
import { Type, type TSchema } from '@sinclair/typebox';
import type { ChangeEvent } from '@roskel/contract';
import type { Db } from '../db/open';
import type { Announcer } from './events';

export interface Kitchen {
  db: Db;
  announcer: Announcer;
  today(): string;
}

/** One thing the API does. The list of these is the API: registered, checked and described from the same place. */
export interface Route {
  method: 'get' | 'post' | 'put' | 'delete';
  path: string;
  summary: string;
  body?: TSchema;
  status?: number;
  run(kitchen: Kitchen, req: Request): Promise<unknown>;
}

export const param = (req: Request, name: string) => String(req.params[name]);

/** A body that says nothing. */
export const Empty = Type.Object({}, { additionalProperties: false });

/** Tells every window that a record changed, and gives it back. */
export function announced<T extends { id: string }>(k: Kitchen, topic: ChangeEvent['topic'], record: T): T {
  k.announcer.say({ topic, id: record.id });
  return record;
}

/** Putting a thing away and bringing it back: nothing is ever deleted. */
export function awayAndBack(topic: ChangeEvent['topic'], archive: (db: Db, id: string, away: boolean) => Promise<{ id: string }>): Route[] {
  return [
    {
      method: 'delete',
      path: `/${topic}/:id`,
      summary: 'Put away; it can be restored',
      run: async (k, req) => announced(k, topic, await archive(k.db, param(req, 'id'), true)),
    },
    {
      method: 'post',
      path: `/${topic}/:id/restore`,
      summary: 'Bring back',
      body: Empty,
      run: async (k, req) => announced(k, topic, await archive(k.db, param(req, 'id'), false)),
    },
  ];
}
