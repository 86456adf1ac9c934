<script setup lang="ts">
import { computed, useTemplateRef } from 'vue';
import { useSlide } from './useSlide';

/** A drawing in which one figure is dragged, by mouse, finger or keys; what is drawn stands in the slot. */
const props = withDefaults(
  defineProps<{
    /** Width and height of the view box. */
    box: readonly [number, number];
    label: string;
    low: number;
    high: number;
    now: number;
    says: string;
    /** Reads the figure off a place in the view box. */
    at: (x: number, y: number) => number;
    step?: number;
    /** Dragged up and down: a finger on it does not scroll the page. */
    upright?: boolean;
    fixed?: boolean;
  }>(),
  { step: 1, upright: false, fixed: false },
);
const emit = defineEmits<{ put: [value: number] }>();
const svg = useTemplateRef<SVGSVGElement>('svg');
const digits = computed(() => Math.max(0, -Math.floor(Math.log10(props.step))));
/** On a step, within its ends. */
const put = (to: number) =>
  emit('put', Number(Math.min(props.high, Math.max(props.low, Math.round(to / props.step) * props.step)).toFixed(digits.value)));
const { drag, key } = useSlide(svg, {
  box: () => props.box,
  at: props.at,
  now: () => props.now,
  put,
  step: () => props.step,
  fixed: () => props.fixed,
});
</script>

<template>
  <svg
    ref="svg"
    :viewBox="`0 0 ${box[0]} ${box[1]}`"
    :class="{ fixed, upright }"
    role="slider"
    :tabindex="fixed ? -1 : 0"
    :aria-label="label"
    :aria-valuemin="low"
    :aria-valuemax="high"
    :aria-valuenow="now"
    :aria-valuetext="says"
    :aria-disabled="fixed"
    @pointerdown="drag"
    @pointermove="drag"
    @keydown="key"
  >
    <slot />
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  max-width: 420px;
  display: block;
  touch-action: pan-y;
  cursor: ew-resize;
  margin-bottom: 4px;
}
svg.upright {
  touch-action: none;
  cursor: ns-resize;
}
svg.fixed {
  touch-action: auto;
  cursor: default;
}
svg :slotted(text) {
  font-size: 17px;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--plate);
  stroke-width: 4px;
}
svg :slotted(.b) {
  font-weight: 700;
}
svg :slotted(.soft) {
  fill: var(--soft);
}
</style>
