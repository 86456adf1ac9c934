import { defineStore } from 'pinia';
import { computed } from 'vue';
import type { OwnIngredient, OwnVariety } from '@roskel/contract';
import { VARIETIES, type Variety } from '@roskel/core';
import { api } from '../api/client';
import { collection } from './collection';
import { useUndo } from './undo';

/** The maker's own rows of a table: add, change, put away, each with a way back. */
function ownRows<T extends OwnVariety | OwnIngredient>(kind: 'varieties' | 'ingredients') {
  const list = collection<T>(`/${kind}`, kind);
  const undo = useUndo();
  type Value = T['value'];

  async function add(value: Value) {
    const made = await api.post<T>(`/${kind}`, { value });
    undo.push(`${value.name} added`, async () => {
      await api.remove(`/${kind}/${made.id}`);
      await list.load();
    });
    await list.load();
  }
  async function edit(before: T, value: Value) {
    await api.put(`/${kind}/${before.id}`, { revision: before.revision, value });
    undo.push(`change to ${before.value.name}`, async () => {
      await list.load();
      const now = list.items.value.find((o) => o.id === before.id);
      if (now) await api.put(`/${kind}/${before.id}`, { revision: now.revision, value: before.value });
      await list.load();
    });
    await list.load();
  }
  async function putAway(row: T) {
    await api.remove(`/${kind}/${row.id}`);
    undo.push(`${row.value.name} put away`, async () => {
      await api.post(`/${kind}/${row.id}/restore`, {});
      await list.load();
    });
    await list.load();
  }
  return { ...list, add, edit, putAway };
}

export const useOwnIngredients = defineStore('ownIngredients', () => ownRows<OwnIngredient>('ingredients'));

export const useVarieties = defineStore('varieties', () => {
  const own = ownRows<OwnVariety>('varieties');
  /** The maker's own varieties, then the table. */
  const rows = computed<readonly Variety[]>(() => [...own.items.value.map((o) => o.value), ...VARIETIES]);
  const byId = computed(() => new Map(rows.value.map((v) => [v.id, v])));
  const find = (id: string): Variety | undefined => byId.value.get(id);
  return { ...own, rows, find };
});
