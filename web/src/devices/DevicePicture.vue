<script setup lang="ts">
import type { DeviceKind } from '@roskel/core';

/** A scale, a pen in a jar, a probe in a pot, with what its display shows. */
defineProps<{ kind: DeviceKind; display: string; on: boolean; steady: boolean }>();
</script>

<template>
  <svg viewBox="0 0 220 150" class="drawn" :class="{ on }" aria-hidden="true">
    <g v-if="kind === 'scale'" class="body">
      <path d="M70 62 q0 -34 22 -34 h36 q22 0 22 34 z" fill="var(--brine)" stroke="var(--rim)" stroke-width="2" />
      <rect x="30" y="62" width="160" height="10" rx="5" fill="var(--plate)" stroke="var(--rim)" stroke-width="2" />
      <path d="M44 72 h132 l12 58 q1 8 -8 8 h-140 q-9 0 -8 -8 z" fill="var(--ground)" stroke="var(--rim)" stroke-width="2" />
    </g>
    <g v-else-if="kind === 'pen'" class="body">
      <path d="M132 34 v98 q0 10 10 10 h50 q10 0 10 -10 v-98" fill="none" stroke="var(--rim)" stroke-width="2" />
      <path d="M133 66 h68 v66 q0 9 -9 9 h-50 q-9 0 -9 -9 z" fill="var(--brine)" />
      <g fill="var(--heat)" opacity="0.7">
        <rect x="140" y="118" width="18" height="12" rx="6" />
        <rect x="168" y="124" width="22" height="12" rx="6" />
      </g>
      <path
        d="M18 26 h98 q8 0 8 8 v6 l40 62 q5 10 -3 12 q-7 1 -12 -6 l-40 -54 h-91 q-8 0 -8 -8 v-12 q0 -8 8 -8 z"
        fill="var(--ground)"
        stroke="var(--rim)"
        stroke-width="2"
      />
    </g>
    <g v-else class="body">
      <path d="M126 74 h80 v56 q0 10 -10 10 h-60 q-10 0 -10 -10 z" fill="var(--brine)" stroke="var(--rim)" stroke-width="2" />
      <path d="M120 74 h92" stroke="var(--rim)" stroke-width="5" stroke-linecap="round" />
      <path d="M112 46 q56 -34 56 66" fill="none" stroke="var(--soft)" stroke-width="4" stroke-linecap="round" />
      <rect x="10" y="22" width="104" height="48" rx="12" fill="var(--ground)" stroke="var(--rim)" stroke-width="2" />
    </g>
    <template v-if="kind === 'scale'">
      <rect x="62" y="88" width="96" height="34" rx="8" class="glass" />
      <text x="110" y="112" text-anchor="middle" :class="{ steady }">{{ display }}</text>
    </template>
    <template v-else>
      <rect x="20" :y="kind === 'pen' ? 25 : 30" width="84" height="32" rx="8" class="glass" />
      <text x="62" :y="kind === 'pen' ? 48 : 53" text-anchor="middle" :class="{ steady }">{{ display }}</text>
    </template>
  </svg>
</template>

<style scoped>
.drawn {
  width: 100%;
  max-width: 260px;
  display: block;
  margin: 0 auto;
}
.drawn:not(.on) .body {
  opacity: 0.45;
}
.glass {
  fill: var(--plate);
  stroke: var(--line);
  stroke-width: 2;
}
text {
  font:
    600 19px 'Hanken Grotesk Variable',
    sans-serif;
  fill: var(--soft);
}
text.steady {
  fill: var(--ink);
}
</style>
