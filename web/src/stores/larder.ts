import { defineStore } from 'pinia';
import { computed } from 'vue';
import type { LarderFacts, LarderRecord, LedgerLine, Move } from '@roskel/contract';
import { INGREDIENTS, withOwnPh, type Ingredient } from '@roskel/core';
import { api } from '../api/client';
import { collection } from './collection';
import { useOwnIngredients } from './own';
import { useUndo } from './undo';

/** What a maker says of a larder row, out of its record. */
export function factsOf({ note, packG, packPrice, openedOn, ownPh, useFirst }: LarderRecord): LarderFacts {
  return { note, packG, packPrice, openedOn, ownPh, useFirst };
}

/** Money per kg; null when no price is known. */
export const perKg = (l: LarderFacts): number | null => (l.packG && l.packPrice !== null ? (1000 * l.packPrice) / l.packG : null);

export const useLarder = defineStore('larder', () => {
  const list = collection<LarderRecord>('/larder', 'larder');
  const own = useOwnIngredients();
  const undo = useUndo();

  /** Every ingredient there is: the maker's own, then the table, with pH as measured here where it was. */
  const rows = computed<readonly Ingredient[]>(() => {
    const measured = new Map(list.items.value.map((l) => [l.ingredientKey, l.ownPh]));
    return [...own.items.map((o) => o.value), ...INGREDIENTS].map((r) => withOwnPh(r, measured.get(r.key) ?? null));
  });
  const byKey = computed(() => new Map(rows.value.map((r) => [r.key, r])));
  /** The row of a key; an own one that was put away falls back to its bare key. */
  const row = (key: string): Ingredient | undefined => byKey.value.get(key);

  async function loadAll() {
    await Promise.all([list.load(), own.load()]);
  }
  async function add(ingredientKey: string, name: string, stockG: number, words: string, facts?: LarderFacts) {
    await api.post('/larder', { ingredientKey, stockG, words, ...(facts ? { facts } : {}) });
    const had = list.items.value.some((l) => l.id === ingredientKey);
    undo.push(`${name} added`, async () => {
      if (stockG > 0) await api.post(`/larder/${ingredientKey}/moves`, { deltaG: -stockG, reason: 'undo', words: '' });
      if (!had) await api.remove(`/larder/${ingredientKey}`);
      await list.load();
    });
    await list.load();
  }
  async function edit(before: LarderRecord, name: string, facts: LarderFacts) {
    await api.put(`/larder/${before.id}`, { revision: before.revision, facts });
    undo.push(`change to ${name}`, async () => {
      await list.load();
      const now = list.items.value.find((l) => l.id === before.id);
      if (now) await api.put(`/larder/${before.id}`, { revision: now.revision, facts: factsOf(before) });
      await list.load();
    });
    await list.load();
  }
  async function move(id: string, name: string, m: Move) {
    await api.post(`/larder/${id}/moves`, m);
    undo.push(`stock of ${name}`, async () => {
      await api.post(`/larder/${id}/moves`, { deltaG: -m.deltaG, reason: 'undo', words: '' });
      await list.load();
    });
    await list.load();
  }
  async function takeOff(id: string, name: string) {
    await api.remove(`/larder/${id}`);
    undo.push(`${name} taken off`, async () => {
      await api.post(`/larder/${id}/restore`, {});
      await list.load();
    });
    await list.load();
  }
  const history = (id: string) => api.get<LedgerLine[]>(`/larder/${id}/history`);
  return { ...list, load: loadAll, rows, row, add, edit, move, takeOff, history };
});
