<script setup lang="ts">
import { onMounted, onUpdated, ref } from 'vue';
import { NSlider } from 'naive-ui';

/** An amount that is dragged: filled up to its value. Arrow keys move it by a step. */
const value = defineModel<number>({ required: true });
const props = defineProps<{ label: string; max: number; min?: number; step?: number; says: string }>();
/** A drag has ended. */
const emit = defineEmits<{ settle: [] }>();
const root = ref<HTMLElement>();
function tell() {
  const handle = root.value?.querySelector('[role="slider"]');
  handle?.setAttribute('aria-label', props.label);
  handle?.setAttribute('aria-valuetext', props.says);
}
onMounted(tell);
onUpdated(tell);
</script>

<template>
  <div ref="root" class="slide">
    <NSlider v-model:value="value" :min="min ?? 0" :max="max" :step="step ?? 1" :tooltip="false" @dragend="emit('settle')" />
  </div>
</template>

<style scoped>
.slide {
  padding: 4px 9px;
  min-height: 26px;
}
</style>
