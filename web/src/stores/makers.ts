import { defineStore } from 'pinia';
import { computed } from 'vue';
import type { OwnMaker } from '@roskel/contract';
import { makerHere } from '../api/maker';
import { ownRows } from './ownRows';

/** Who works in this kitchen, and who of them is at this device. */
export const useMakers = defineStore('makers', () => {
  const own = ownRows<OwnMaker>('makers');
  /** Who is here, while they are still of this kitchen. */
  const here = computed(() => own.items.value.find((m) => m.id === makerHere.value) ?? null);
  const names = computed(() => own.items.value.map((m) => m.value.name));
  return { ...own, here, names };
});
