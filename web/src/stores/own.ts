import { defineStore } from 'pinia';
import { computed } from 'vue';
import type { OwnIngredient, OwnTool, OwnVariety } from '@roskel/contract';
import { VARIETIES, type Variety } from '@roskel/core';
import { ownRows } from './ownRows';

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
