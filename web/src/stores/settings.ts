import { defineStore } from 'pinia';
import { ref, watch } from 'vue';
import { DEFAULT_SETTINGS, type Settings } from '@roskel/contract';
import { changesBetween } from '@roskel/core';
import { api } from '../api/client';
import { concerns, onChange } from '../api/events';
import { setManner } from '../ui/manner';
import { useUndo } from './undo';

export const useSettings = defineStore('settings', () => {
  const value = ref<Settings>(DEFAULT_SETTINGS);
  const undo = useUndo();
  watch(value, (v) => setManner(v), { immediate: true, flush: 'sync' });

  async function load() {
    value.value = await api.get<Settings>('/settings');
  }
  async function save(next: Settings) {
    const before = value.value;
    value.value = await api.put<Settings>('/settings', next);
    const changes = changesBetween(before, next);
    undo.push('settings', 'settings', { kind: 'record', path: '/settings', of: '', put: '/settings', whole: true, changes });
  }
  onChange((e) => {
    if (concerns(e, 'settings')) void load();
  });
  return { value, load, save };
});
