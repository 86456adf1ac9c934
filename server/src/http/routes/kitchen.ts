import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { patiently } from '../../db/store';
import { DoneAnswer } from '@roskel/contract';
import { writeBackup } from '../../backup/file';
import { mustBeEmpty, writeKitchen } from '../../backup/kitchen';
import { unpackKitchen } from '../../backup/zip';
import { FileAnswer, type Route } from '../route';

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
];
