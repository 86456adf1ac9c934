import { defineStore } from 'pinia';
import { ref } from 'vue';
import { DEFAULT_SETTINGS, type Settings } from '@roskel/contract';
import { api } from '../api/client';
import { onChange } from '../api/events';
import { useUndo } from './undo';

export const useSettings = defineStore('settings', () => {
  const value = ref<Settings>(DEFAULT_SETTINGS);
  const undo = useUndo();

  async function load() {
    value.value = await api.get<Settings>('/settings');
  }
  async function save(next: Settings) {
    const before = value.value;
    value.value = await api.put<Settings>('/settings', next);
    undo.push('settings', async () => {
      value.value = await api.put<Settings>('/settings', before);
    });
  }
  onChange((e) => {
    if (e.topic === 'settings') void load();
  });
  return { value, load, save };
});
