<script setup lang="ts">
import { NButton } from 'naive-ui';
import { ref, watch } from 'vue';
import { Type } from '@sinclair/typebox';
import type { BottlingRecord } from '@roskel/contract';
import { plural } from '../format';
import { useNotices } from '../stores/notices';
import { useShelf } from '../stores/shelf';
import { useStored } from '../stores/stored';
import NumberField from '../ui/NumberField.vue';
import SheetCard from '../ui/SheetCard.vue';
import SheetForm from '../ui/SheetForm.vue';
import { commitTyping } from '../ui/typing';

/** Opens bottles of the shelf for another sauce: they are kept as what they hold. */
const show = defineModel<boolean>('show', { required: true });
const props = defineProps<{ bottling: BottlingRecord }>();
const stored = useStored();
const shelf = useShelf();
const notices = useNotices();
const bottles = ref<number | null>(1);
const massG = ref<number | null>(null);
watch(show, () => ((bottles.value = 1), (massG.value = null)));
const COUNT = Type.Integer({ title: 'The bottles', minimum: 1, maximum: 500 });
const WEIGHT = Type.Number({ title: 'The weight', minimum: 1, maximum: 200_000, unit: 'g' });
async function save() {
  commitTyping();
  if (!bottles.value) return;
  try {
    const { id, name } = props.bottling;
    await stored.keep({
      what: { bottlingId: id, bottles: bottles.value },
      name: name.slice(0, 80),
      massG: massG.value,
      words: plural(bottles.value, 'bottle'),
    });
    await shelf.load();
    show.value = false;
    notices.say(`${name} can go into another batch now: it is under Larder, kept of batches.`);
  } catch (e) {
    notices.fail(e);
  }
}
</script>

<template>
  <SheetCard v-model:show="show" :title="`${bottling.name}, into another sauce`" :width="420">
    <SheetForm @submit="save">
      <p>Opened bottles leave the shelf. What is in them stands among the kept things, with its heat and its past.</p>
      <NumberField v-model="bottles" label="Bottles" :schema="COUNT" />
      <NumberField
        v-model="massG"
        label="What came out, weighed"
        unit="g"
        :schema="WEIGHT"
        optional
        :placeholder="`about ${Math.round((bottles ?? 1) * bottling.bottleMl * 1.03)}`"
      />
      <NButton type="primary" attr-type="submit">Open them</NButton>
    </SheetForm>
  </SheetCard>
</template>
