import type { TObject } from '@sinclair/typebox';
import { OwnIngredientSchema, OwnVarietySchema } from '@roskel/contract';
import { addOwn, archiveOwn, editOwn, listOwn, type OwnKind } from '../../store/own';
import { announced, awayAndBack, param, type Route } from '../route';

/** The maker's own rows of one table. */
function ownOf(kind: OwnKind, schema: TObject): Route[] {
  return [
    { method: 'get', path: `/${kind}`, summary: `Own ${kind}`, run: (k) => listOwn(k.db, kind) },
    {
      method: 'post',
      path: `/${kind}`,
      summary: `Add to the own ${kind}`,
      body: schema,
      status: 201,
      run: async (k, req) => announced(k, kind, await addOwn(k.db, kind, req.body.value)),
    },
    {
      method: 'put',
      path: `/${kind}/:id`,
      summary: `Change one of the own ${kind}; 409 when it was changed elsewhere`,
      body: schema,
      run: async (k, req) => announced(k, kind, await editOwn(k.db, kind, param(req, 'id'), req.body.revision ?? 0, req.body.value)),
    },
    ...awayAndBack(kind, archiveOwn),
  ];
}

export const ownRoutes: readonly Route[] = [...ownOf('varieties', OwnVarietySchema), ...ownOf('ingredients', OwnIngredientSchema)];
