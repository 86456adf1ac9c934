import { defineStore } from 'pinia';
import { ref } from 'vue';

export interface Notice {
  id: number;
  text: string;
  kind: 'info' | 'error';
}

/** Short messages that come and go at the foot of the window. */
export const useNotices = defineStore('notices', () => {
  const list = ref<Notice[]>([]);
  let next = 1;
  function show(text: string, kind: Notice['kind'], ms: number) {
    const id = next++;
    list.value.push({ id, text, kind });
    setTimeout(() => drop(id), ms);
  }
  function drop(id: number) {
    list.value = list.value.filter((n) => n.id !== id);
  }
  const say = (text: string) => show(text, 'info', 4000);
  const fail = (error: unknown) => show(error instanceof Error ? error.message : String(error), 'error', 9000);
  return { list, say, fail, drop };
});
