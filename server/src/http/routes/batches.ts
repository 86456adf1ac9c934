import { newBatch } from '@roskel/core';
import { EditBatchSchema, FileBodySchema, NewBatchSchema } from '@roskel/contract';
import { addBatch, archiveBatch, getBatch, listBatches, saveBatch, type Saved } from '../../store/batches';
import { awayAndBack, param, type Kitchen, type Route } from '../route';

function announceBatch(k: Kitchen, { record, touched }: Saved) {
  k.announcer.say({ topic: 'batches', id: record.id, revision: record.revision });
  for (const topic of touched) k.announcer.say({ topic, id: record.id });
  return record;
}

export const batchRoutes: readonly Route[] = [
  { method: 'get', path: '/batches', summary: 'All batches, newest first', run: (k) => listBatches(k.db) },
  {
    method: 'post',
    path: '/batches',
    summary: 'Start a batch with the defaults of its style',
    body: NewBatchSchema,
    status: 201,
    run: async (k, req) => {
      const { name, startDate, goal } = req.body;
      return announceBatch(k, await addBatch(k.db, newBatch(name, startDate, goal), k.today()));
    },
  },
  {
    method: 'post',
    path: '/batches/import',
    summary: 'Add a batch from a batch file',
    body: FileBodySchema,
    status: 201,
    run: async (k, req) => announceBatch(k, await addBatch(k.db, req.body.file, k.today())),
  },
  { method: 'get', path: '/batches/:id', summary: 'One batch', run: (k, req) => getBatch(k.db, param(req, 'id')) },
  {
    method: 'put',
    path: '/batches/:id',
    summary: 'Save a batch whole; 409 when it was changed elsewhere',
    body: EditBatchSchema,
    run: async (k, req) => announceBatch(k, await saveBatch(k.db, param(req, 'id'), req.body.revision, req.body.file, k.today())),
  },
  ...awayAndBack('batches', archiveBatch),
];
