import { defineStore } from 'pinia';
import { computed } from 'vue';
import { MakerSchema, VarietySchema, type OwnIngredient, type OwnMaker, type OwnTool, type OwnVariety } from '@roskel/contract';
import { IngredientSchema, ToolSchema, VARIETIES, type Variety } from '@roskel/core';
import { api } from '../api/client';
import { archiveOf } from './archive';
import { collection } from './collection';
import { putRecord, type Begun } from './putRecord';
import { useUndo } from './undo';

/** The maker's own rows of a table: add, change, archive, each with a way back. */
const SCHEMAS = { varieties: VarietySchema, ingredients: IngredientSchema, tools: ToolSchema, makers: MakerSchema } as const;

export function ownRows<T extends OwnVariety | OwnIngredient | OwnTool | OwnMaker>(kind: keyof typeof SCHEMAS) {
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
    const schema = SCHEMAS[kind];
    const changes = await putRecord<Value, T>({ path, begun, mine, body: (value) => ({ value }), valueOf: (r) => r.value, schema });
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

export const useOwnIngredients = defineStore('ownIngredients', () => ownRows<OwnIngredient>('ingredients'));

/** Pots, sieves, blenders, jars: the maker's own. */
export const useTools = defineStore('tools', () => ownRows<OwnTool>('tools'));

export const useVarieties = defineStore('varieties', () => {
  const own = ownRows<OwnVariety>('varieties');
  /** The maker's own varieties, then the table. */
  const rows = computed<readonly Variety[]>(() => [...own.items.value.map((o) => o.value), ...VARIETIES]);
  const byId = computed(() => new Map(rows.value.map((v) => [v.id, v])));
  const find = (id: string): Variety | undefined => byId.value.get(id);
  return { ...own, rows, find };
});
