<script setup lang="ts">
import type { Drawing } from '@roskel/core';

/** A small drawing beside a topic; what it shows stands in words as well. */
defineProps<{ of: Drawing }>();
</script>

<template>
  <svg
    viewBox="0 0 200 130"
    aria-hidden="true"
    fill="none"
    stroke="var(--rim)"
    stroke-width="2.5"
    stroke-linejoin="round"
    stroke-linecap="round"
  >
    <g v-if="of === 'gloves'">
      <path
        d="M62 120 v-30 q-2 -8 -10 -16 l-12 -14 q-4 -9 5 -10 q5 0 9 5 l10 12 v-41 q1 -7 7 -7 t7 7 v-10 q1 -7 7 -7 t7 7 v10 q1 -7 7 -7 t7 7 v14 q1 -6 6 -6 t6 6 v40 q0 14 -8 22 v18 z"
        fill="var(--track)"
      />
      <path d="M78 26 v26 M92 26 v26 M106 40 v14 M62 106 h50" />
      <path d="M150 34 q24 6 20 32 q-5 24 -30 30 q10 -28 10 -62 z" fill="var(--heat)" fill-opacity="0.85" />
      <path d="M150 34 q-2 -12 8 -18" stroke="var(--pulp)" stroke-width="5" />
    </g>
    <g v-else-if="of === 'jug'">
      <path d="M62 30 h76 l-8 84 h-60 z" fill="var(--plate)" />
      <path d="M65 62 h70 l-5 50 h-60 z" fill="var(--heat)" stroke="none" opacity="0.75" />
      <path d="M54 26 h92 M86 20 h28 M138 44 q26 4 22 30 q-3 16 -26 14" />
      <path d="M92 12 q-6 -6 0 -10 M108 12 q6 -6 0 -10" stroke="var(--warn)" />
      <path d="M84 104 l32 -8 M116 104 l-32 -8" />
      <path d="M60 62 h-12" stroke="var(--warn)" stroke-dasharray="4 5" />
    </g>
    <g v-else-if="of === 'gas' || of === 'bottle'">
      <path d="M86 14 h28 v24 q20 10 20 30 v42 q0 10 -10 10 h-48 q-10 0 -10 -10 v-42 q0 -20 20 -30 z" fill="var(--plate)" />
      <path d="M67 66 h66 v44 q0 9 -9 9 h-48 q-9 0 -9 -9 z" fill="var(--heat)" stroke="none" opacity="0.7" />
      <path d="M84 8 h32 v8 h-32 z" fill="var(--rim)" />
      <template v-if="of === 'gas'">
        <circle
          v-for="[x, y, r] in [
            [84, 96, 4],
            [100, 84, 5],
            [116, 98, 3.5],
            [92, 58, 4],
            [106, 50, 3],
          ]"
          :key="`${x}`"
          :cx="x"
          :cy="y"
          :r="r"
          fill="var(--plate)"
        />
        <path d="M58 44 l-14 -8 M142 44 l14 -8 M54 88 h-16 M146 88 h16" stroke="var(--warn)" />
      </template>
      <template v-else>
        <path d="M158 112 v-72 q0 -6 6 -6 t6 6 v72" fill="var(--track)" />
        <path d="M164 112 v-46" stroke="var(--heat)" stroke-width="5" />
        <circle cx="164" cy="114" r="7" fill="var(--heat)" />
      </template>
    </g>
    <g v-else-if="of === 'line46'">
      <path d="M20 14 v100 h164" />
      <path d="M20 54 h164" stroke="var(--warn)" stroke-dasharray="7 5" />
      <path d="M22 26 q40 2 66 30 t92 42" stroke="var(--acid)" />
      <path d="M22 22 q54 0 90 14 t72 8" stroke="var(--heat)" stroke-dasharray="2 6" />
      <text x="168" y="48">4.6</text>
    </g>
    <g v-else-if="of === 'oil'">
      <path d="M58 18 v88 q0 12 12 12 h60 q12 0 12 -12 v-88" fill="var(--plate)" />
      <path d="M59 44 h82 v16 h-82 z" fill="var(--sweet)" stroke="none" opacity="0.75" />
      <path d="M59 60 h82 v46 q0 11 -11 11 h-60 q-11 0 -11 -11 z" fill="var(--heat)" stroke="none" opacity="0.65" />
      <ellipse cx="82" cy="92" rx="12" ry="8" fill="var(--plate)" />
      <ellipse cx="112" cy="100" rx="12" ry="8" fill="var(--plate)" />
      <path d="M52 14 h96" />
    </g>
    <g v-else-if="of === 'pod'">
      <path d="M34 40 q20 -22 62 -14 q60 12 74 74 q-46 18 -92 -4 q-42 -20 -44 -56 z" fill="var(--heat)" fill-opacity="0.8" />
      <path d="M48 44 q34 -8 66 14 q26 18 40 36 q-40 4 -74 -14 q-26 -14 -32 -36 z" fill="var(--plate)" />
      <path d="M54 48 q30 2 54 22 q20 16 36 22" stroke="var(--sweet)" stroke-width="9" />
      <circle
        v-for="[x, y] in [
          [76, 66],
          [94, 76],
          [112, 86],
          [90, 54],
          [110, 66],
        ]"
        :key="`${x}${y}`"
        :cx="x"
        :cy="y"
        r="4"
        fill="var(--pale)"
        stroke-width="1.5"
      />
      <path d="M36 40 q-10 -16 2 -26" stroke="var(--pulp)" stroke-width="6" />
    </g>
    <g v-else-if="of === 'dilute'">
      <g v-for="(o, i) in [0.9, 0.5, 0.22, 0.07]" :key="o" :transform="`translate(${14 + i * 46} 0)`">
        <path d="M2 40 h34 l-5 70 h-24 z" fill="var(--plate)" />
        <path d="M4 62 h30 l-4 46 h-22 z" fill="var(--heat)" stroke="none" :opacity="o" />
        <path v-if="i < 3" d="M24 28 q14 -16 28 -2 l-2 -8 M52 26 l-9 1" stroke-width="2" />
      </g>
    </g>
    <g v-else-if="of === 'salt'">
      <path d="M18 96 q0 -20 20 -20 t20 20 z M18 98 h40" fill="var(--plate)" />
      <path d="M58 92 q26 -2 40 -10" stroke-width="5" />
      <path d="M118 96 q0 -9 20 -9 t20 9 z M118 98 h40" fill="var(--plate)" />
      <path d="M158 92 q20 -2 30 -8" stroke-width="5" />
      <text x="30" y="120">18 g</text>
      <text x="126" y="120">10 g</text>
      <path d="M26 30 l8 8 m0 -8 l-8 8 M44 22 l7 7 m0 -7 l-7 7 M58 40 l6 6 m0 -6 l-6 6" stroke="var(--salt)" stroke-width="2" />
      <path d="M124 24 h18 l-4 14 h-18 z M146 44 h16 l-4 10 h-15 z" stroke="var(--salt)" stroke-width="2" />
    </g>
    <g v-else-if="of === 'jar'">
      <path d="M62 24 h76 v10 q8 6 8 16 v56 q0 12 -12 12 h-68 q-12 0 -12 -12 v-56 q0 -10 8 -16 z" fill="var(--plate)" />
      <path d="M55 54 h90 v52 q0 11 -11 11 h-68 q-11 0 -11 -11 z" fill="var(--brine)" stroke="none" />
      <g fill="var(--heat)" opacity="0.8" stroke="none">
        <rect x="64" y="92" width="24" height="14" rx="7" />
        <rect x="94" y="84" width="28" height="14" rx="7" />
        <rect x="104" y="100" width="26" height="13" rx="6" />
        <rect x="70" y="74" width="22" height="13" rx="6" />
      </g>
      <path d="M64 66 h72" stroke-width="6" />
      <path d="M58 16 h84 v8 h-84 z" fill="var(--rim)" />
      <circle cx="78" cy="46" r="3" />
      <circle cx="116" cy="42" r="2.4" />
    </g>
    <g v-else-if="of === 'lid'">
      <path d="M40 70 h84 v40 q0 8 -8 8 h-68 q-8 0 -8 -8 z" fill="var(--brine)" />
      <path d="M34 58 h96 v12 h-96 z" fill="var(--plate)" />
      <path d="M76 58 v-22 h16 v-16 h30 v26 h16 v-18" />
      <path d="M94 34 h26 v8 h-26 z" fill="var(--acid)" stroke="none" opacity="0.4" />
      <path d="M140 22 l6 -10 M150 26 l12 -5" stroke="var(--warn)" />
    </g>
    <g v-else-if="of === 'pot'">
      <path d="M42 52 h104 v46 q0 16 -16 16 h-72 q-16 0 -16 -16 z" fill="var(--plate)" />
      <path d="M44 78 h100 v20 q0 15 -15 15 h-70 q-15 0 -15 -15 z" fill="var(--heat)" stroke="none" opacity="0.7" />
      <path d="M44 62 h100" stroke="var(--heat)" stroke-dasharray="3 6" />
      <path d="M36 52 h116 M30 66 h12 M146 66 h14" />
      <path
        d="M72 42 q-8 -10 0 -18 t0 -18 M96 42 q-8 -10 0 -18 t0 -18 M120 42 q-8 -10 0 -18 t0 -18"
        stroke="var(--soft)"
        stroke-width="2"
      />
    </g>
    <g v-else-if="of === 'plate'">
      <ellipse cx="100" cy="86" rx="80" ry="26" fill="var(--plate)" />
      <ellipse cx="100" cy="84" rx="54" ry="15" />
      <path d="M84 80 q14 -10 30 0 q8 8 -6 10 q-18 3 -24 -10 z" fill="var(--heat)" />
      <path d="M100 60 v-16 q-6 -12 0 -18 q6 6 0 18" fill="var(--heat)" />
      <path d="M64 18 l34 10" stroke-width="6" />
    </g>
    <g v-else-if="of === 'sieve'">
      <path d="M44 34 h96 q-4 44 -48 44 t-48 -44 z" fill="var(--track)" />
      <path d="M58 36 q16 28 34 40 M82 34 v43 M126 36 q-16 28 -34 40 M106 34 v43 M50 54 h84" stroke-width="1.4" />
      <path d="M140 34 h44" stroke-width="6" />
      <path d="M60 46 q34 16 64 0 l-8 16 q-22 12 -48 0 z" fill="var(--pulp)" stroke="none" opacity="0.8" />
      <path d="M92 84 v18 M80 82 v10 M104 82 v12" stroke="var(--heat)" stroke-width="4" />
      <path d="M52 112 q40 14 82 0" stroke="var(--heat)" stroke-width="6" />
    </g>
    <g v-else>
      <rect x="20" y="26" width="160" height="22" rx="11" fill="var(--heat)" fill-opacity="0.25" stroke="none" />
      <path d="M20 37 h160" stroke="var(--heat)" />
      <circle cx="100" cy="74" r="9" fill="var(--acid)" stroke="none" />
      <path d="M70 96 v22 M64 96 h12 M64 118 h12 M140 96 v22 M134 96 h12 M134 118 h12" transform="rotate(90 104 107)" />
    </g>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  max-width: 220px;
  display: block;
}
text {
  font:
    600 16px 'Hanken Grotesk Variable',
    sans-serif;
  fill: var(--soft);
  stroke: none;
}
</style>
