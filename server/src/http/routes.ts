import { Type } from '@sinclair/typebox';
import { newBatch } from '@roskel/core';
import {
  EditBatchSchema,
  EditPodLotSchema,
  FileBodySchema,
  LarderInputSchema,
  MoveSchema,
  NewBatchSchema,
  NewPodLotSchema,
  SettingsSchema,
  ShelfMoveSchema,
} from '@roskel/contract';
import type { Db } from '../db/open';
import { addBatch, archiveBatch, getBatch, listBatches, saveBatch, type Saved } from '../store/batches';
import { addLarder, archiveLarder, listLarder, moveLarder } from '../store/larder';
import { addPod, archivePod, editPod, listPods, movePod } from '../store/pods';
import { getSettings, putSettings } from '../store/settings';
import { listShelf, moveShelf } from '../store/shelf';
import { param, type Kitchen, type Route } from './route';

const Empty = Type.Object({}, { additionalProperties: false });

function announceBatch(k: Kitchen, { record, touched }: Saved) {
  k.announcer.say({ topic: 'batches', id: record.id, revision: record.revision });
  for (const topic of touched) k.announcer.say({ topic, id: record.id });
  return record;
}

function announced<T extends { id: string }>(k: Kitchen, topic: 'pods' | 'larder' | 'shelf' | 'batches', record: T): T {
  k.announcer.say({ topic, id: record.id });
  return record;
}

/** Putting a thing away and bringing it back: nothing is ever deleted. */
function awayAndBack(
  topic: 'batches' | 'pods' | 'larder',
  archive: (db: Db, id: string, away: boolean) => Promise<{ id: string }>,
): Route[] {
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

export const ROUTES: readonly Route[] = [
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
  { method: 'get', path: '/pods', summary: 'Pod lots with their stock', run: (k) => listPods(k.db) },
  {
    method: 'post',
    path: '/pods',
    summary: 'Add a pod lot',
    body: NewPodLotSchema,
    status: 201,
    run: async (k, req) => announced(k, 'pods', await addPod(k.db, req.body.input, req.body.stockG, req.body.words)),
  },
  {
    method: 'put',
    path: '/pods/:id',
    summary: 'Change a pod lot; 409 when it was changed elsewhere',
    body: EditPodLotSchema,
    run: async (k, req) => announced(k, 'pods', await editPod(k.db, param(req, 'id'), req.body.revision, req.body.input)),
  },
  {
    method: 'post',
    path: '/pods/:id/moves',
    summary: 'Move stock in or out',
    body: MoveSchema,
    run: async (k, req) => announced(k, 'pods', await movePod(k.db, param(req, 'id'), req.body)),
  },
  ...awayAndBack('pods', archivePod),
  { method: 'get', path: '/larder', summary: 'The larder with its stock', run: (k) => listLarder(k.db) },
  {
    method: 'post',
    path: '/larder',
    summary: 'Put an ingredient into the larder',
    body: LarderInputSchema,
    status: 201,
    run: async (k, req) => {
      const { ingredientKey, stockG, note, words } = req.body;
      return announced(k, 'larder', await addLarder(k.db, ingredientKey, stockG, note, words));
    },
  },
  {
    method: 'post',
    path: '/larder/:id/moves',
    summary: 'Move stock in or out',
    body: MoveSchema,
    run: async (k, req) => announced(k, 'larder', await moveLarder(k.db, param(req, 'id'), req.body)),
  },
  ...awayAndBack('larder', archiveLarder),
  { method: 'get', path: '/shelf', summary: 'What is bottled', run: (k) => listShelf(k.db) },
  {
    method: 'post',
    path: '/shelf/:id/moves',
    summary: 'Take bottles from the shelf or put them back',
    body: ShelfMoveSchema,
    run: async (k, req) => announced(k, 'shelf', await moveShelf(k.db, param(req, 'id'), req.body.delta, req.body.reason)),
  },
  { method: 'get', path: '/settings', summary: 'Settings of this kitchen', run: (k) => getSettings(k.db) },
  {
    method: 'put',
    path: '/settings',
    summary: 'Change the settings',
    body: SettingsSchema,
    run: async (k, req) => {
      const value = await putSettings(k.db, req.body);
      k.announcer.say({ topic: 'settings', id: 'maker' });
      return value;
    },
  },
];
