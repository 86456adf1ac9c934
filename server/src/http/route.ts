import type { Request } from 'express';
import type { TSchema } from '@sinclair/typebox';
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
