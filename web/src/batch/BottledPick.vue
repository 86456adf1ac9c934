<script setup lang="ts">
import { computed, onMounted, shallowRef, watch } from 'vue';
import type { BatchRecord, StoredRecord } from '@roskel/contract';
import type { StoredStuff } from '@roskel/core';
import { api } from '../api/client';
import { grams, plural, today } from '../format';
import { useNotices } from '../stores/notices';
import { useShelf } from '../stores/shelf';
import { useStored } from '../stores/stored';
import PickField from '../ui/PickField.vue';
import { bench, stoppable } from '../worker/client';

/** A sauce that goes into this one: something kept, or bottles of the shelf, which are opened when the batch begins. */
const choice = defineModel<string>({ required: true });
const emit = defineEmits<{ sauce: [sauce: { stuff: StoredStuff; massG: number } | null] }>();
const shelf = useShelf();
const stored = useStored();
const notices = useNotices();
onMounted(() => void Promise.all([shelf.load(), stored.load()]).catch((e: unknown) => notices.fail(e)));
/** g in a bottle of so many ml, as the shelf opens it. */
const SAUCE_DENSITY = 1.03;
const options = computed(() => [
  { value: '', label: 'none yet' },
  ...stored.items.filter((s) => s.stockG > 1).map((s) => ({ value: `stored ${s.id}`, label: `${s.stuff.name}, ${grams(s.stockG)}` })),
  ...shelf.items
    .filter((b) => b.left > 0)
    .map((b) => ({ value: `shelf ${b.id}`, label: `${b.name}, ${plural(b.left, 'bottle')} on the shelf` })),
]);
const found = shallowRef<{ stuff: StoredStuff; massG: number } | null>(null);
watch(
  [choice, () => stored.items.length, () => shelf.items.length],
  async ([said]) => {
    const [from, id] = said.split(' ') as [string, string];
    let sauce: typeof found.value = null;
    try {
      if (from === 'stored') {
        const s = stored.items.find((x) => x.id === id);
        sauce = s ? { stuff: s.stuff, massG: s.stockG } : null;
      } else if (from === 'shelf') {
        const b = shelf.items.find((x) => x.id === id);
        const { file } = b ? await api.get<BatchRecord>(`/batches/${b.batchId}`) : { file: null };
        const answer = file
          ? await stoppable(bench().bottled(file, b!.strandId, { id: 'from-the-shelf', name: b!.name, keptOn: today() }))
          : null;
        if (answer && !answer.ok) throw new Error(answer.message);
        sauce = answer ? { stuff: answer.answer, massG: b!.left * b!.bottleMl * SAUCE_DENSITY } : null;
      }
    } catch (e) {
      notices.fail(e);
    }
    if (choice.value !== said) return;
    found.value = sauce;
    emit('sauce', sauce);
  },
  { immediate: true },
);
/** Opens as many bottles as it takes; what was kept already stays what it is. Gives the id to name. */
async function open(needG: number): Promise<string | null> {
  const [from, id] = choice.value.split(' ') as [string, string];
  if (from !== 'shelf') return found.value?.stuff.id ?? null;
  const b = shelf.items.find((x) => x.id === id)!;
  const bottles = Math.min(b.left, Math.ceil(needG / (b.bottleMl * SAUCE_DENSITY) - 1e-9));
  const record: StoredRecord = await stored.keep({
    what: { bottlingId: b.id, bottles },
    name: b.name.slice(0, 80),
    massG: null,
    words: plural(bottles, 'bottle'),
  });
  await shelf.load();
  // A second try takes what is open already.
  choice.value = `stored ${record.id}`;
  return record.id;
}
defineExpose({ open });
</script>

<template>
  <PickField v-model="choice" label="Which sauce goes into it" :options="options" />
</template>
