<script setup lang="ts">
import type { Sign } from '@roskel/core';

/** The neck of a jar with what may be seen there, drawn small. */
defineProps<{ sign: Sign }>();
</script>

<template>
  <svg viewBox="0 0 44 44" width="44" height="44" aria-hidden="true">
    <rect x="12" y="3" width="20" height="5" rx="2" fill="var(--rim)" :transform="sign === 'bulging' ? 'rotate(-9 22 6)' : undefined" />
    <path v-if="sign === 'bulging'" d="M33 3 l4 -3 M35 8 l6 0 M9 3 l-4 -3" stroke="var(--warn)" stroke-width="2" />
    <clipPath :id="`glass-${sign}`"><rect x="6" y="10" width="32" height="32" rx="6" /></clipPath>
    <g :clip-path="`url(#glass-${sign})`">
      <rect x="6" :y="sign === 'low' ? 30 : 20" width="32" height="24" :fill="sign === 'cloudy' ? 'var(--track)' : 'var(--brine)'" />
      <g :fill="sign === 'soft' ? 'var(--pale)' : 'var(--heat)'" :opacity="sign === 'soft' ? 0.9 : 0.7">
        <rect x="10" y="29" width="9" height="6" rx="3" />
        <rect x="21" y="32" width="10" height="6" rx="3" />
        <rect v-if="sign === 'low'" x="15" y="24" width="9" height="6" rx="3" />
        <rect v-if="sign === 'floating'" x="14" y="14" width="11" height="7" rx="3" />
        <rect v-if="sign === 'floating'" x="26" y="16" width="8" height="6" rx="3" />
      </g>
      <path v-if="sign === 'film'" d="M6 20 q3 -3 6 0 t6 0 t6 0 t6 0 t6 0 t6 0" fill="none" stroke="var(--faint)" stroke-width="3" />
      <g v-if="sign === 'fuzz'" stroke="var(--pulp)" stroke-width="1.6">
        <circle cx="15" cy="18" r="5" fill="var(--pulp)" opacity="0.85" />
        <circle cx="27" cy="18" r="6" fill="var(--ink)" opacity="0.6" />
        <path d="M15 13 v-4 M11 15 l-3 -3 M19 15 l2 -4 M27 12 v-4 M22 14 l-2 -3 M32 14 l3 -3" />
      </g>
      <g v-if="sign === 'cloudy'" fill="var(--plate)" stroke="var(--faint)">
        <circle cx="14" cy="24" r="2" />
        <circle cx="30" cy="26" r="2.5" />
        <circle cx="22" cy="23" r="1.6" />
      </g>
      <path
        v-if="sign === 'slimy'"
        d="M12 20 v9 M19 20 v14 M26 20 v8 M32 20 v13"
        stroke="var(--faint)"
        stroke-width="2.4"
        stroke-linecap="round"
      />
    </g>
    <rect x="6" y="10" width="32" height="32" rx="6" fill="none" stroke="var(--rim)" stroke-width="2" />
    <g v-if="sign === 'rotten'" fill="none" stroke="var(--pulp)" stroke-width="2" stroke-linecap="round">
      <path d="M14 9 q-3 -3 0 -5 t0 -4" />
      <path d="M22 9 q-3 -3 0 -5 t0 -4" />
      <path d="M30 9 q-3 -3 0 -5 t0 -4" />
    </g>
    <path v-if="sign === 'clean'" d="M14 27 l6 7 l11 -14" fill="none" stroke="var(--acid)" stroke-width="3.5" />
    <text v-if="sign === 'quiet'" x="22" y="34" text-anchor="middle" fill="var(--soft)" font-size="20" font-weight="700">?</text>
  </svg>
</template>

<style scoped>
svg {
  flex: none;
}
</style>
