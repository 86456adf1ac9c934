import type { OwnIngredient, OwnKind, OwnLearnt, OwnMaker, OwnSeason, OwnTool, OwnVariety } from '@roskel/contract';
import { api } from '../api/client';
import { archiveOf } from './archive';
import { collection } from './collection';
import { putRecord, type Begun } from './putRecord';
import { useUndo } from './undo';

/** The maker's own rows of a table: add, change, archive, each with a way back. */
export function ownRows<T extends OwnVariety | OwnIngredient | OwnTool | OwnMaker | OwnLearnt | OwnSeason>(kind: OwnKind) {
  const list = collection<T>(`/${kind}`, kind);
  const undo = useUndo();
  const archive = archiveOf<T>(kind, (row) => row.value.name, list.refresh);
  type Value = T['value'];

  async function add(value: Value) {
    const made = await api.post<T>(`/${kind}`, { value });
    undo.push(`${value.name} added`, kind, {
      kind: 'calls',
      undo: [{ method: 'remove', path: `/${kind}/${made.id}` }],
      redo: [{ method: 'post', path: `/${kind}/${made.id}/restore` }],
    });
    await list.refresh();
  }
  async function edit(id: string, begun: Begun<Value>, mine: Value) {
    const path = `/${kind}/${id}`;
    const changes = await putRecord<Value, T>({ path, begun, mine, body: (value) => ({ value }), valueOf: (r) => r.value, kind });
    undo.push(`change to ${begun.value.name}`, kind, {
      kind: 'record',
      path: `/${kind}`,
      of: id,
      put: path,
      changes: changes.map((c) => ({ ...c, path: ['value', ...c.path] })),
    });
    await list.refresh();
  }
  return { ...list, add, edit, archive };
}
