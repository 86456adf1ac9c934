import { defineStore } from 'pinia';
import { computed } from 'vue';
import type { OwnIngredient, OwnLearnt, OwnSeason, OwnTool, OwnVariety } from '@roskel/contract';
import { palateWithKitchens, VARIETIES, type Palate, type Variety } from '@roskel/core';
import { ownRows } from './ownRows';

export const useOwnIngredients = defineStore('ownIngredients', () => ownRows<OwnIngredient>('ingredients'));

/** Pots, sieves, blenders, jars: the maker's own. */
export const useTools = defineStore('tools', () => ownRows<OwnTool>('tools'));

/** What ripens and what is wished: one row. */
export const useSeasonBook = defineStore('season', () => ownRows<OwnSeason>('season'));

/** What other kitchens learnt, as it was read in. */
export const useLearnt = defineStore('learnt', () => {
  const own = ownRows<OwnLearnt>('learnt');
  /** What is called right here, with what others call right beside it. */
  const palate = (here: Palate): Palate =>
    palateWithKitchens(
      own.items.value.map((o) => o.value.file),
      here,
    );
  return { ...own, palate };
});

export const useVarieties = defineStore('varieties', () => {
  const own = ownRows<OwnVariety>('varieties');
  /** The maker's own varieties, then the table. */
  const rows = computed<readonly Variety[]>(() => [...own.items.value.map((o) => o.value), ...VARIETIES]);
  const byId = computed(() => new Map(rows.value.map((v) => [v.id, v])));
  const find = (id: string): Variety | undefined => byId.value.get(id);
  return { ...own, rows, find };
});
