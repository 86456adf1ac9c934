import type { TObject, TSchema } from '@sinclair/typebox';
import {
  listAnswer,
  OwnIngredientAnswer,
  OwnIngredientSchema,
  OwnMakerAnswer,
  OwnMakerSchema,
  OwnToolAnswer,
  OwnToolSchema,
  OwnVarietyAnswer,
  OwnVarietySchema,
} from '@roskel/contract';
import { addOwn, archivedOwn, archiveOwn, editOwn, listOwn, type OwnKind } from '../../store/own';
import { announced, archiveRoutes, param, type Route } from '../route';

/** The maker's own rows of one table. */
function ownOf(kind: OwnKind, schema: TObject, answer: TSchema): Route[] {
  return [
    { method: 'get', path: `/${kind}`, summary: `Own ${kind}`, answer: listAnswer(answer), run: (k) => listOwn(k.db, kind) },
    {
      method: 'post',
      path: `/${kind}`,
      summary: `Add to the own ${kind}`,
      body: schema,
      answer,
      status: 201,
      run: async (k, req) => announced(k, kind, await addOwn(k.db, kind, req.body.value), { did: 'added' }),
    },
    {
      method: 'put',
      path: `/${kind}/:id`,
      summary: `Change one of the own ${kind}; 409 when it was changed elsewhere`,
      body: schema,
      answer,
      run: async (k, req) =>
        announced(k, kind, await editOwn(k.db, kind, param(req, 'id'), req.body.revision ?? 0, req.body.value), { did: 'changed' }),
    },
    ...archiveRoutes(kind, { put: (db, id, away) => archiveOwn(db, kind, id, away), list: (db) => archivedOwn(db, kind), answer }),
  ];
}

export const ownRoutes: readonly Route[] = [
  ...ownOf('varieties', OwnVarietySchema, OwnVarietyAnswer),
  ...ownOf('ingredients', OwnIngredientSchema, OwnIngredientAnswer),
  ...ownOf('tools', OwnToolSchema, OwnToolAnswer),
  ...ownOf('makers', OwnMakerSchema, OwnMakerAnswer),
];
