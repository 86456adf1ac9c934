<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import { Type } from '@sinclair/typebox';
import type { Answer, ReadItem } from '@roskel/core';
import NumberField from '../ui/NumberField.vue';

/** What only the maker can say of a line: answers that keep its amount, a field for grams, and leaving it out. */
const props = defineProps<{ item: ReadItem }>();
const emit = defineEmits<{ answer: [answer: Answer | 'out'] }>();
const Grams = Type.Number({ title: 'The amount', minimum: 0.1, maximum: 50_000, unit: 'g' });
const g = ref<number | null>(null);
/** Known, and only how much of it is not. */
const known = computed(() => props.item.store !== null && props.item.id !== null);
function weighed(massG: number | null) {
  g.value = massG;
  if (massG === null || !known.value) return;
  emit('answer', { say: props.item.name, store: props.item.store!, id: props.item.id!, massG });
}
</script>

<template>
  <div class="question">
    <span>{{ item.ask!.ask }}</span>
    <span class="options">
      <NButton v-for="a in item.ask!.answers" :key="`${a.id} ${a.say}`" size="small" @click="emit('answer', a)">{{ a.say }}</NButton>
      <NumberField
        v-if="known"
        class="grams"
        small
        hide-label
        :label="`Grams of ${item.text}`"
        :model-value="g"
        :schema="Grams"
        unit="g"
        optional
        @update:model-value="weighed"
      />
      <NButton size="small" quaternary :aria-label="`leave it out: ${item.text}`" @click="emit('answer', 'out')">leave it out</NButton>
    </span>
  </div>
</template>

<style scoped>
.question {
  display: grid;
  gap: 4px;
  line-height: 1.3;
}
.options {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.grams {
  width: 92px;
}
</style>
