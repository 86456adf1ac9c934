import { defineStore } from 'pinia';
import { ref } from 'vue';

export interface Notice {
  text: string;
  kind: 'info' | 'error';
  ms: number;
}

/** Short messages that come and go at the foot of the window. */
export const useNotices = defineStore('notices', () => {
  const waiting = ref<Notice[]>([]);
  const say = (text: string, ms = 5000) => void waiting.value.push({ text, kind: 'info', ms });
  function fail(error: unknown) {
    // A fault of the program's own is told to whoever looks for it, too.
    if (error instanceof TypeError || error instanceof RangeError || error instanceof DOMException) console.error(error);
    waiting.value.push({ text: error instanceof Error ? error.message : String(error), kind: 'error', ms: 12_000 });
  }
  const take = () => waiting.value.splice(0);
  return { waiting, say, fail, take };
});
