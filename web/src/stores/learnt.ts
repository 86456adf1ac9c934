import { defineStore } from 'pinia';
import type { OwnLearnt } from '@roskel/contract';
import { palateWithKitchens, type Palate } from '@roskel/core';
import { ownRows } from './ownRows';

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
