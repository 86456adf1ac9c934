import { patiently } from '../../db/store';
import { DoneAnswer } from '@roskel/contract';
import { readKitchen, writeKitchen } from '../../backup/kitchen';
import { packKitchen, unpackKitchen } from '../../backup/zip';
import { FileAnswer, type Route } from '../route';

export const kitchenRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/kitchen',
    summary: 'Everything of this kitchen in one file',
    answer: { file: 'application/zip' },
    run: async (k) => new FileAnswer(`roskel-${k.today()}.zip`, 'application/zip', packKitchen(await readKitchen(k.db))),
  },
  {
    method: 'post',
    path: '/kitchen',
    summary: 'Read a whole kitchen into this one, which must be empty',
    takes: 'application/zip',
    answer: DoneAnswer,
    run: async (k, req) => {
      await patiently(k.db);
      await writeKitchen(k.db, unpackKitchen(Buffer.isBuffer(req.body) ? req.body : new Uint8Array()));
      k.say({ topic: 'all', id: '' });
      return { done: true };
    },
  },
];
