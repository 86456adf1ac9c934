import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import type { HeatBook, HeatInput, HeatRecord } from '@roskel/contract';
import { calibrateScale, type Scale } from '@roskel/core';
import { api } from '../api/client';
import { onChange } from '../api/events';
import { usePods } from './pods';
import { useUndo } from './undo';

/** What was tasted and measured, and how each taster's scale stands. */
export const useHeat = defineStore('heat', () => {
  const book = ref<HeatBook>({ events: [], scales: [] });
  const undo = useUndo();
  const pods = usePods();
  let stop: (() => void) | null = null;

  async function load() {
    book.value = await api.get<HeatBook>('/heat');
    stop ??= onChange((e) => {
      if (e.topic === 'heat') void load();
    });
  }
  const scaleOf = (taster: string): Scale => book.value.scales.find((s) => s.taster === taster)?.scale ?? calibrateScale([]);
  const tasters = computed(() => [...new Set(['You', ...book.value.scales.map((s) => s.taster)])]);

  /** Enters what was tasted or measured; gives the lots that learnt from it. */
  async function add(input: HeatInput, label: string): Promise<string[]> {
    const made = await api.post<HeatRecord & { lots: string[] }>('/heat', input);
    undo.push(label, async () => {
      await api.remove(`/heat/${made.id}`);
      await Promise.all([load(), pods.load()]);
    });
    await Promise.all([load(), pods.load()]);
    return made.lots;
  }
  async function withdraw(id: number, label: string) {
    await api.remove(`/heat/${id}`);
    undo.push(label, async () => {
      await api.post(`/heat/${id}/restore`, {});
      await Promise.all([load(), pods.load()]);
    });
    await Promise.all([load(), pods.load()]);
  }
  return { book, load, add, withdraw, scaleOf, tasters };
});
