<script setup lang="ts" generic="V extends string | number, O extends { value: V; title: string; says?: string }">
import { useId } from 'vue';
import { NRadio, NRadioGroup } from 'naive-ui';

/** One of a few, all in sight, each with what it means. */
const chosen = defineModel<V | null>({ required: true });
defineProps<{ label: string; options: readonly O[]; columns?: number }>();
/** Radios of one name are one stop of the Tab key; arrows go on among them. */
const name = useId();
</script>

<template>
  <NRadioGroup
    v-model:value="chosen"
    :name="name"
    class="cards"
    role="radiogroup"
    :aria-label="label"
    :style="{ gridTemplateColumns: `repeat(${columns ?? 1}, minmax(0, 1fr))` }"
  >
    <NRadio v-for="o in options" :key="o.value" :value="o.value" class="card" :class="{ on: chosen === o.value }">
      <slot :option="o" :on="chosen === o.value">
        <b>{{ o.title }}</b>
        <span v-if="o.says" class="soft says">{{ o.says }}</span>
      </slot>
    </NRadio>
  </NRadioGroup>
</template>

<style scoped>
.cards {
  display: grid;
  gap: 6px;
}
.card {
  min-height: 44px;
  padding: 4px 12px;
  border: 1.5px solid var(--line);
  border-radius: 10px;
  align-items: center;
  line-height: 1.25;
}
.card.on {
  border-color: var(--rim);
  background: var(--active);
}
.says {
  display: block;
  font-size: 13px;
}
</style>
