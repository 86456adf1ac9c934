<script setup lang="ts">
/** A bottle drawn in this house's hand: cobalt outline, cream glass, sauce to its level; rust cap when live. */
withDefaults(defineProps<{ hex: string; fill: number; live: boolean; size?: number; ghost?: boolean; small?: boolean }>(), {
  size: 118,
  ghost: false,
  small: false,
});
</script>

<template>
  <svg :width="size * 0.31" :height="size" viewBox="0 0 37 118" :opacity="ghost ? 0.6 : 1" aria-hidden="true">
    <rect x="11" y="1" width="15" height="11" rx="2.5" :fill="live ? 'var(--warn)' : 'var(--rim)'" />
    <path
      d="M13 12 h11 v18 c0 6 10 8 10 20 v60 a6 6 0 0 1 -6 6 h-19 a6 6 0 0 1 -6 -6 v-60 c0 -12 10 -14 10 -20 z"
      fill="var(--plate)"
      stroke="var(--rim)"
      stroke-width="2"
      :stroke-dasharray="ghost ? '4 3' : undefined"
    />
    <clipPath :id="`b${fill}`">
      <path d="M14.5 13 h8 v18 c0 6 10 8 10 20 v58 a5 5 0 0 1 -5 5 h-18 a5 5 0 0 1 -5 -5 v-58 c0 -12 10 -14 10 -20 z" />
    </clipPath>
    <rect :clip-path="`url(#b${fill})`" x="3" :y="114 - 72 * fill" width="31" :height="72 * fill" :fill="hex" />
  </svg>
</template>
