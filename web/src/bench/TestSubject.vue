<script setup lang="ts">
import { computed, onMounted } from 'vue';
import { FORM_NAMES } from '@roskel/core';
import type { Subject } from './useSubject';
import PickField from '../ui/PickField.vue';

/** Chooses what is tested: a sauce on the shelf, a lot of pods, or something else. */
const props = defineProps<{ about: Subject; label?: boolean }>();
const chosen = defineModel<string | null>({ required: true });
onMounted(() => void props.about.load());
const options = computed(() =>
  [
    { title: 'On the shelf', list: props.about.bottlings.value.map((b) => ({ value: `batch:${b.batchId}`, label: b.name })) },
    {
      title: 'A lot of pods',
      list: props.about.lots.value.map((p) => ({ value: `lot:${p.id}`, label: `${p.lot.name}, ${FORM_NAMES[p.lot.form]}` })),
    },
    {
      title: 'Else',
      list: [
        { value: 'other', label: 'Something else' },
        ...(props.label ? [{ value: 'label', label: 'A sauce with its heat on the label, to learn our threshold' }] : []),
      ],
    },
  ].filter((g) => g.list.length > 0),
);
</script>

<template>
  <PickField data-first label="Test" :model-value="chosen || null" :options="options" @update:model-value="chosen = $event" />
</template>
