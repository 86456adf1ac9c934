import { defineStore } from 'pinia';
import type { OwnSeason } from '@roskel/contract';
import { ownRows } from './ownRows';

/** What ripens and what is wished: one row. */
export const useSeasonBook = defineStore('season', () => ownRows<OwnSeason>('season'));
