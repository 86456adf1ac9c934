<script setup lang="ts" generic="V extends string | number">
import { useId } from 'vue';
import { NRadio, NRadioGroup } from 'naive-ui';

/** One of a few short words, all in sight. */
const chosen = defineModel<V | null>({ required: true });
defineProps<{ label: string; options: readonly { value: V; label: string }[] }>();
/** Radios of one name are one stop of the Tab key; arrows go on among them. */
const name = useId();
</script>

<template>
  <div class="pill-field">
    <span class="name" aria-hidden="true">{{ label }}</span>
    <NRadioGroup v-model:value="chosen" :name="name" class="pills" role="radiogroup" :aria-label="label">
      <NRadio v-for="o in options" :key="o.value" :value="o.value" class="pill" :class="{ on: chosen === o.value }">{{ o.label }}</NRadio>
    </NRadioGroup>
  </div>
</template>

<style scoped>
.name {
  font-size: 13px;
  line-height: 1.4;
  color: var(--soft);
}
.pills {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.pill {
  position: relative;
  min-height: 44px;
  padding: 0 8px;
  border: 1.5px solid var(--line);
  border-radius: 10px;
  align-items: center;
  font-weight: 600;
  font-size: 14px;
}
.pill :deep(.n-radio__dot-wrapper) {
  position: absolute;
  width: 0;
  opacity: 0;
}
.pill :deep(.n-radio__label) {
  padding: 0;
}
.pill.on {
  border-color: var(--rim);
  background: var(--rim);
}
.pill.on :deep(.n-radio__label) {
  color: var(--white);
}
.pill:focus-within {
  outline: 3px solid var(--acid);
  outline-offset: 2px;
}
</style>
