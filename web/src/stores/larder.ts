import { defineStore } from 'pinia';
import type { LarderRecord, Move } from '@roskel/contract';
import { api } from '../api/client';
import { collection } from './collection';
import { useUndo } from './undo';

export const useLarder = defineStore('larder', () => {
  const list = collection<LarderRecord>('/larder', 'larder');
  const undo = useUndo();

  async function add(ingredientKey: string, name: string, stockG: number, words: string) {
    await api.post('/larder', { ingredientKey, stockG, note: '', words });
    undo.push(`${name} added`, async () => {
      if (stockG > 0) await api.post(`/larder/${ingredientKey}/moves`, { deltaG: -stockG, reason: 'undo', words: '' });
      await api.remove(`/larder/${ingredientKey}`);
      await list.load();
    });
    await list.load();
  }
  async function move(id: string, name: string, m: Move) {
    await api.post(`/larder/${id}/moves`, m);
    undo.push(`stock of ${name}`, async () => {
      await api.post(`/larder/${id}/moves`, { deltaG: -m.deltaG, reason: 'undo', words: '' });
      await list.load();
    });
    await list.load();
  }
  async function takeOff(id: string, name: string) {
    await api.remove(`/larder/${id}`);
    undo.push(`${name} taken off`, async () => {
      await api.post(`/larder/${id}/restore`, {});
      await list.load();
    });
    await list.load();
  }
  return { ...list, add, move, takeOff };
});
