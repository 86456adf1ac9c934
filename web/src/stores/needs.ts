import { defineStore } from 'pinia';
import { shallowRef } from 'vue';
import type { Short } from '@roskel/contract';
import { api } from '../api/client';
import { inStep } from './inStep';

/** What the batches on their way want and is not there for them: one list for every page. */
export const useNeeds = defineStore('needs', () => {
  const shorts = shallowRef<readonly Short[]>([]);
  const fetch = async () => void (shorts.value = await api.get<Short[]>('/needs'));
  return { shorts, ...inStep(fetch, ['batches', 'pods', 'larder', 'stored']) };
});
