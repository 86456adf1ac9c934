<script setup lang="ts">
import type { Mark } from './layout';

/** The label as it will be printed: the same marks, drawn on the page. */
defineProps<{ marks: readonly Mark[]; size: readonly [number, number]; says: string }>();
const FACES = {
  head: "700 1px 'Bricolage Grotesque Variable'",
  text: "400 1px 'Hanken Grotesk Variable'",
  bold: "700 1px 'Hanken Grotesk Variable'",
};
</script>

<template>
  <svg :viewBox="`0 0 ${size[0]} ${size[1]}`" role="img" :aria-label="says">
    <g aria-hidden="true">
      <rect x="0" y="0" :width="size[0]" :height="size[1]" rx="1.5" class="paper" />
      <template v-for="(m, n) in marks" :key="n">
        <text
          v-if="m.kind === 'text'"
          :x="m.x"
          :y="m.y"
          :fill="m.hex"
          :style="{ font: FACES[m.face].replace('1px', `${m.size}px`), whiteSpace: 'pre' }"
        >
          {{ m.text }}
        </text>
        <rect v-else-if="m.kind === 'rect'" :x="m.x" :y="m.y" :width="m.w" :height="m.h" :fill="m.hex" />
        <circle v-else-if="m.kind === 'dot'" :cx="m.x" :cy="m.y" :r="m.r" :fill="m.hex" />
        <line v-else :x1="m.x" :x2="m.x + m.w" :y1="m.y" :y2="m.y" :stroke="m.hex" stroke-width="0.28" />
      </template>
    </g>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  display: block;
}
.paper {
  fill: var(--white);
  stroke: var(--line);
  stroke-width: 0.3;
}
</style>
