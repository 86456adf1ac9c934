import type { Request } from 'express';
import { newBatch, type Change } from '@roskel/core';
import {
  ShortAnswer,
  BatchAnswer,
  BatchRowAnswer,
  BatchSavedAnswer,
  EditBatchSchema,
  FileBodySchema,
  listAnswer,
  NewBatchSchema,
  TodayAnswer,
  type BatchSaved,
} from '@roskel/contract';
import { archivedBatches, getBatch, listBatches, listToday } from '../../store/batchReads';
import { addBatch, archiveBatch, changeBatch, type Saved } from '../../store/batches';
import { calendarOf } from '../../calendar';
import { listShort } from '../../store/promised';
import { batchEntries } from '../../store/log';
import { foreseeBatch, foreseeEdit } from '../../store/foreseen';
import { archiveRoutes, FileAnswer, param, worked, type Kitchen, type Route } from '../route';

/** Changes larger than this are fetched by those who want them. */
const MOST_SAID = 20_000;

function announceBatch(k: Kitchen, { record: { id, revision }, row, changes, touched, others }: Saved): void {
  const small = changes.length > 0 && JSON.stringify(changes).length <= MOST_SAID;
  k.say({ topic: 'batches', id, revision, record: row, ...(small ? { changes } : {}) });
  for (const topic of touched) k.say({ topic, id });
  for (const other of others) announceBatch(k, other);
}
/** A batch is added: the one that a request says. */
const adding = (said: (req: Request) => unknown, did: (req: Request) => 'added' | 'read-in') =>
  worked(
    (k, req) => foreseeBatch(k.db, said(req), k.today()),
    async (k, req, ready) => {
      const saved = await addBatch(k.db, ready.fit.given, k.today(), undefined, ready);
      announceBatch(k, saved);
      k.log({ topic: 'batches', itemId: saved.record.id, name: saved.record.file.name, did: did(req) });
      return saved.record;
    },
  );
interface EditBody {
  revision: number;
  changes: Change[];
}

export const batchRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/batches',
    summary: 'All batches, newest first, as lists show them',
    answer: listAnswer(BatchRowAnswer),
    run: (k) => listBatches(k.db),
  },
  {
    method: 'get',
    path: '/today',
    summary: 'What every batch asks for now, and the jars that stand on the side',
    answer: TodayAnswer,
    run: (k) => listToday(k.db),
  },
  {
    method: 'get',
    path: '/needs',
    summary: 'What batches on their way want and is not there for them, the soonest first',
    answer: ShortAnswer,
    run: (k) => listShort(k.db),
  },
  {
    method: 'get',
    path: '/calendar.ics',
    summary: 'The same duties as a calendar, to be opened or subscribed to',
    answer: { file: 'text/calendar' },
    run: async (k, req) => {
      const text = calendarOf(await listToday(k.db), k.today(), `${req.protocol}://${req.headers.host ?? 'localhost'}`);
      return new FileAnswer('roskel.ics', 'text/calendar; charset=utf-8', new TextEncoder().encode(text));
    },
  },
  {
    method: 'post',
    path: '/batches',
    summary: 'Start a batch with the defaults of its style',
    body: NewBatchSchema,
    answer: BatchAnswer,
    status: 201,
    ...adding(
      (req) => newBatch(req.body.name, req.body.startDate, req.body.goal),
      () => 'added',
    ),
  },
  {
    method: 'post',
    path: '/batches/import',
    summary: 'Add a batch from a batch file',
    body: FileBodySchema,
    answer: BatchAnswer,
    status: 201,
    // What a plan was made of here was begun, not read in.
    ...adding(
      (req) => req.body.file,
      (req) => (req.body.begun === true ? 'added' : 'read-in'),
    ),
  },
  ...archiveRoutes('batches', { put: archiveBatch, list: archivedBatches, answer: BatchRowAnswer, also: ['pods', 'larder', 'stored'] }),
  { method: 'get', path: '/batches/:id', summary: 'One batch', answer: BatchAnswer, run: (k, req) => getBatch(k.db, param(req, 'id')) },
  {
    method: 'patch',
    path: '/batches/:id',
    summary: 'Change a batch, on top of what others changed; 409 when the same field was changed otherwise',
    body: EditBatchSchema,
    answer: BatchSavedAnswer,
    ...worked(
      (k, req) => foreseeEdit(k.db, param(req, 'id'), (req.body as EditBody).changes, k.today()),
      async (k, req, ready): Promise<BatchSaved> => {
        const { revision, changes } = req.body as EditBody;
        const saved = await changeBatch(k.db, param(req, 'id'), revision, changes, k.today(), ready);
        if (saved.changes.length > 0) announceBatch(k, saved);
        for (const entry of batchEntries(saved.record.id, saved.record.file, saved.changes)) k.log(entry);
        const { record, merged, more } = saved;
        return { revision: record.revision, updatedAt: record.updatedAt, file: merged || more ? record.file : null };
      },
    ),
  },
];
