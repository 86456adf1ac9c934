<script setup lang="ts">
import PillField from '../ui/PillField.vue';

/** Which of several jars; 0 is all of them, null: not said yet. Shown only where there are several. */
const jar = defineModel<number | null>({ required: true });
defineProps<{ jars: readonly number[]; label?: string; all?: string }>();
</script>

<template>
  <PillField
    v-if="jars.length > 1"
    v-model="jar"
    :label="label ?? 'Jar'"
    :options="[{ value: 0, label: all ?? 'all' }, ...jars.map((n) => ({ value: n, label: `jar ${n}` }))]"
  />
</template>
