import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { useNotices } from './notices';

interface Step {
  label: string;
  back(): Promise<void>;
}

/** Everything that changes data leaves a way back here. */
export const useUndo = defineStore('undo', () => {
  const steps = ref<Step[]>([]);
  const last = computed(() => steps.value.at(-1)?.label ?? null);

  function push(label: string, back: () => Promise<void>) {
    steps.value.push({ label, back });
    if (steps.value.length > 100) steps.value.shift();
  }
  async function undo() {
    const step = steps.value.pop();
    const notices = useNotices();
    if (!step) return notices.say('There is nothing to undo.');
    try {
      await step.back();
      notices.say(`Undone: ${step.label}.`);
    } catch (error) {
      steps.value.push(step);
      notices.fail(error);
    }
  }
  return { push, undo, last };
});
