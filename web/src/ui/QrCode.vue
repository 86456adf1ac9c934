<script setup lang="ts">
import { computed } from 'vue';
import { qrModules } from '../labels/qr';

/** A code that a phone's camera reads; black on white whatever the look is. */
const props = defineProps<{ text: string }>();
const cells = computed(() => {
  const rows = props.text ? qrModules(props.text) : [];
  return { size: rows.length, d: rows.flatMap((row, y) => row.flatMap((on, x) => (on ? [`M${x} ${y}h1v1h-1z`] : []))).join('') };
});
</script>

<template>
  <svg class="qr" :viewBox="`-2 -2 ${cells.size + 4} ${cells.size + 4}`" role="img" :aria-label="`QR code of ${text}`">
    <rect x="-2" y="-2" :width="cells.size + 4" :height="cells.size + 4" fill="#fff" />
    <path :d="cells.d" fill="#000" />
  </svg>
</template>

<style scoped>
.qr {
  display: block;
  border: 1px solid var(--line);
  border-radius: 8px;
  forced-color-adjust: none;
}
</style>
