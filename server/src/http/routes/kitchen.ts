import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { patiently } from '../../db/store';
import type { Request } from 'express';
import { DoneAnswer, KitchenCopiesAnswer, ReadBackAnswer } from '@roskel/contract';
import { writeBackup } from '../../backup/file';
import { mustBeEmpty, writeKitchen } from '../../backup/kitchen';
import { copyNamed, goBack, listCopies, readyBack } from '../../backup/readBack';
import { unpackKitchen } from '../../backup/zip';
import { Empty, FileAnswer, param, worked, type Kitchen, type Route } from '../route';

/** What is there is replaced by a backup. */
const back = (bytesOf: (k: Kitchen, req: Request) => Uint8Array) =>
  worked(
    (k, req) => readyBack(k.store, k.folder, bytesOf(k, req)),
    async (k, _req, ready) => {
      await goBack(k.db, k.folder!, ready);
      k.log({ topic: 'settings', itemId: 'kitchen', name: '', did: 'went-back', detail: { words: ready.before } });
      k.say({ topic: 'all', id: '' });
      return { before: ready.before };
    },
  );

export const kitchenRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/kitchen',
    summary: 'Everything of this kitchen in one file',
    answer: { file: 'application/zip' },
    run: async (k) => {
      const folder = mkdtempSync(join(tmpdir(), 'roskel-backup-'));
      try {
        await writeBackup(k.store, join(folder, 'kitchen.zip'));
      } catch (error) {
        rmSync(folder, { recursive: true, force: true });
        throw error;
      }
      return new FileAnswer(`roskel-${k.today()}.zip`, 'application/zip', { folder, file: 'kitchen.zip' });
    },
  },
  {
    method: 'post',
    path: '/kitchen',
    summary: 'Read a whole kitchen into this one, which must be empty',
    takes: 'application/zip',
    answer: DoneAnswer,
    run: async (k, req) => {
      // Before anything is unpacked.
      await mustBeEmpty(k.db);
      await patiently(k.db);
      await writeKitchen(k.db, unpackKitchen(Buffer.isBuffer(req.body) ? req.body : new Uint8Array()));
      k.say({ topic: 'all', id: '' });
      return { done: true };
    },
  },
  {
    method: 'get',
    path: '/kitchen/copies',
    summary: 'The copies that lie beside the data folder, and how much is in each',
    answer: KitchenCopiesAnswer,
    run: (k) => listCopies(k.db, k.folder, k.today()),
  },
  {
    method: 'put',
    path: '/kitchen',
    summary: 'Read a whole kitchen in place of this one, of which a copy is kept first',
    takes: 'application/zip',
    answer: ReadBackAnswer,
    ...back((_, req) => (Buffer.isBuffer(req.body) ? req.body : new Uint8Array())),
  },
  {
    method: 'post',
    path: '/kitchen/copies/:name/back',
    summary: 'Go back to one of the copies; of what is there now one is kept first',
    body: Empty,
    answer: ReadBackAnswer,
    ...back((k, req) => copyNamed(k.folder, param(req, 'name'), k.today())),
  },
];
