import { onMounted, ref, shallowRef, watch } from 'vue';
import { Type } from '@sinclair/typebox';
import { HOUSE_PH, type AcidWork } from '@roskel/core';
import { useNotices } from '../stores/notices';
import { latest } from '../worker/client';
import type { Timed } from '../worker/worker';

/** The pH that cautious home sauces aim at (handbook chapter 3, section 9), and the bounds of such an aim. */
export const AIM = 3.5;
export const TargetPh = Type.Number({ title: 'The pH to reach', minimum: 2.5, maximum: 4.5 });

/** What it takes to reach a pH, asked anew whenever what it is about changes. */
export function useAcidWork(ask: (target: number, limit: number) => Promise<Timed<AcidWork>> | null, about: () => unknown) {
  const target = ref(AIM);
  const work = shallowRef<AcidWork | null>(null);
  const trouble = ref('');
  const notices = useNotices();
  const question = latest(async () => (await ask(target.value, HOUSE_PH)) ?? null);
  async function run() {
    try {
      const answer = await question();
      if (!answer) return;
      trouble.value = answer.ok ? '' : answer.message;
      work.value = answer.ok ? answer.answer : null;
    } catch (e) {
      notices.fail(e);
    }
  }
  watch([target, about], () => void run(), { deep: true });
  onMounted(() => void run());
  return { target, work, trouble };
}
