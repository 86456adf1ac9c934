import { newBatch } from '@roskel/core';
import { BatchAnswer, EditBatchSchema, FileBodySchema, listAnswer, NewBatchSchema } from '@roskel/contract';
import { addBatch, archiveBatch, archivedBatches, getBatch, listBatches, saveBatch, type Saved } from '../../store/batches';
import { archiveRoutes, param, type Kitchen, type Route } from '../route';

function announceBatch(k: Kitchen, { record, touched }: Saved) {
  k.announcer.say({ topic: 'batches', id: record.id, revision: record.revision });
  for (const topic of touched) k.announcer.say({ topic, id: record.id });
  return record;
}

export const batchRoutes: readonly Route[] = [
  { method: 'get', path: '/batches', summary: 'All batches, newest first', answer: listAnswer(BatchAnswer), run: (k) => listBatches(k.db) },
  {
    method: 'post',
    path: '/batches',
    summary: 'Start a batch with the defaults of its style',
    body: NewBatchSchema,
    answer: BatchAnswer,
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
    answer: BatchAnswer,
    status: 201,
    run: async (k, req) => announceBatch(k, await addBatch(k.db, req.body.file, k.today())),
  },
  ...archiveRoutes('batches', { put: archiveBatch, list: archivedBatches, answer: BatchAnswer, also: ['pods', 'larder'] }),
  { method: 'get', path: '/batches/:id', summary: 'One batch', answer: BatchAnswer, run: (k, req) => getBatch(k.db, param(req, 'id')) },
  {
    method: 'put',
    path: '/batches/:id',
    summary: 'Save a batch whole; 409 when it was changed elsewhere',
    body: EditBatchSchema,
    answer: BatchAnswer,
    run: async (k, req) => announceBatch(k, await saveBatch(k.db, param(req, 'id'), req.body.revision, req.body.file, k.today())),
  },
];
