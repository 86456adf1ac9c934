import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import type { HeatBook, HeatInput, HeatRecord } from '@roskel/contract';
import { calibrateScale, type Scale } from '@roskel/core';
import { api } from '../api/client';
import { concerns, onChange } from '../api/events';
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
      if (concerns(e, 'heat')) void load();
    });
  }
  const scaleOf = (taster: string): Scale => book.value.scales.find((s) => s.taster === taster)?.scale ?? calibrateScale([]);
  const tasters = computed(() => [...new Set(['You', ...book.value.scales.map((s) => s.taster)])]);

  const out = (id: number) => ({ method: 'remove', path: `/heat/${id}` }) as const;
  const back = (id: number) => ({ method: 'post', path: `/heat/${id}/restore` }) as const;
  /** Enters what was tasted or measured; gives the lots that learnt from it. */
  async function add(input: HeatInput, label: string): Promise<string[]> {
    const made = await api.post<HeatRecord & { lots: string[] }>('/heat', input);
    undo.push(label, 'heat', { kind: 'calls', undo: [out(made.id)], redo: [back(made.id)] });
    await Promise.all([load(), pods.refresh()]);
    return made.lots;
  }
  async function withdraw(id: number, label: string) {
    await api.remove(`/heat/${id}`);
    undo.push(label, 'heat', { kind: 'calls', undo: [back(id)], redo: [out(id)] });
    await Promise.all([load(), pods.refresh()]);
  }
  return { book, load, add, withdraw, scaleOf, tasters };
});
