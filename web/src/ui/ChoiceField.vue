<script setup lang="ts" generic="T extends string">
import { useId } from 'vue';

defineProps<{ label: string; modelValue: T; options: { value: T; label: string }[]; hideLabel?: boolean }>();
const emit = defineEmits<{ 'update:modelValue': [value: T] }>();
const id = useId();
</script>

<template>
  <div class="choice">
    <label :for="id" :class="{ 'visually-hidden': hideLabel }">{{ label }}</label>
    <select :id="id" class="entry" :value="modelValue" @change="emit('update:modelValue', ($event.target as HTMLSelectElement).value as T)">
      <option v-for="o in options" :key="o.value" :value="o.value">{{ o.label }}</option>
    </select>
  </div>
</template>

<style scoped>
.choice {
  min-width: 0;
}
label {
  display: block;
  font-size: 13px;
  color: var(--soft);
}
select {
  font-weight: 600;
}
</style>
