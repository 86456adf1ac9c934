import type { TObject, TSchema } from '@sinclair/typebox';
import { LearntFileSchema } from '@roskel/core';
import {
  listAnswer,
  OwnIngredientAnswer,
  LearntPreviewAnswer,
  OwnIngredientSchema,
  OwnLearntAnswer,
  OwnLearntSchema,
  OwnMakerAnswer,
  OwnSeasonAnswer,
  OwnSeasonSchema,
  OwnMakerSchema,
  OwnToolAnswer,
  OwnToolSchema,
  OwnVarietyAnswer,
  OwnVarietySchema,
  type OwnKind,
  type Topic,
} from '@roskel/contract';
import { learntOfKitchen, previewLearnt } from '../../store/learnt';
import { addOwn, archivedOwn, archiveOwn, editOwn, listOwn } from '../../store/own';
import { announced, archiveRoutes, param, type Kitchen, type Route } from '../route';

/** The maker's own rows of one table; what else changes with them. */
function ownOf(kind: OwnKind, schema: TObject, answer: TSchema, also: readonly Topic[] = []): Route[] {
  const said = <T extends { id: string }>(k: Kitchen, record: T, did: 'added' | 'changed') => {
    for (const topic of also) k.say({ topic, id: record.id });
    return announced(k, kind, record, { did });
  };
  return [
    { method: 'get', path: `/${kind}`, summary: `Own ${kind}`, answer: listAnswer(answer), run: (k) => listOwn(k.db, kind) },
    {
      method: 'post',
      path: `/${kind}`,
      summary: `Add to the own ${kind}`,
      body: schema,
      answer,
      status: 201,
      run: async (k, req) => said(k, await addOwn(k.db, kind, req.body.value), 'added'),
    },
    {
      method: 'put',
      path: `/${kind}/:id`,
      summary: `Change one of the own ${kind}; 409 when it was changed elsewhere`,
      body: schema,
      answer,
      run: async (k, req) => said(k, await editOwn(k.db, kind, param(req, 'id'), req.body.revision ?? 0, req.body.value), 'changed'),
    },
    ...archiveRoutes(kind, { put: (db, id, away) => archiveOwn(db, kind, id, away), list: (db) => archivedOwn(db, kind), answer, also }),
  ];
}

export const ownRoutes: readonly Route[] = [
  ...ownOf('varieties', OwnVarietySchema, OwnVarietyAnswer),
  ...ownOf('ingredients', OwnIngredientSchema, OwnIngredientAnswer),
  ...ownOf('tools', OwnToolSchema, OwnToolAnswer),
  ...ownOf('makers', OwnMakerSchema, OwnMakerAnswer),
  ...ownOf('season', OwnSeasonSchema, OwnSeasonAnswer),
  ...ownOf('learnt', OwnLearntSchema, OwnLearntAnswer, ['pods', 'tools']),
  {
    method: 'get',
    path: '/learnt/here',
    summary: 'What this kitchen learnt itself, as a file for others',
    answer: LearntFileSchema,
    run: (k) => learntOfKitchen(k.db),
  },
  {
    method: 'post',
    path: '/learnt/preview',
    summary: 'What a file of another kitchen would change here; changes nothing',
    body: LearntFileSchema,
    answer: LearntPreviewAnswer,
    run: (k, req) => previewLearnt(k.db, req.body),
  },
];
