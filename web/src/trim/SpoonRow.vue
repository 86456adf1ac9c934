<script setup lang="ts">
import { computed } from 'vue';
import type { TrimPut } from '@roskel/core';
import { grams } from '../format';

/** One thing of a way: its spoons or cups drawn, the words, the grams. */
const props = defineProps<{ put: TrimPut }>();
const W = 112;
const cup = computed(() => / cups?$/.test(props.put.words));
/** As many as the words say; more than fit are only told. */
const count = computed(() => {
  const [, whole, part] = /^(\d+)?(?: ?(\d\/\d))? /.exec(props.put.words) ?? [];
  return Math.max(1, Number(whole ?? 0) + (part ? 1 : 0));
});
const small = computed(() => /tsp$/.test(props.put.words));
const drawn = computed(() => Math.min(count.value, 6));
</script>

<template>
  <span class="row">
    <svg :viewBox="`0 0 ${W} 30`" aria-hidden="true">
      <template v-for="n in drawn" :key="n">
        <g v-if="cup" :transform="`translate(${(n - 1) * 18 + 2} 5)`"><path d="M0 2 h14 l-2 18 h-10z" class="full" /></g>
        <g v-else :transform="`translate(${(n - 1) * 18 + 8} 0)`">
          <ellipse :cx="0" cy="10" :rx="small ? 5 : 7" :ry="small ? 6.5 : 8.5" class="full" />
          <line x1="0" x2="0" y1="16" y2="29" class="stem" />
        </g>
      </template>
    </svg>
    <span
      ><b>{{ put.words }}</b> {{ put.name.split(',')[0] }}</span
    >
    <span class="soft g"
      >{{ grams(put.g) }}<b v-if="put.buyG > 0.005" class="buy" data-fact="buy">{{ grams(put.buyG) }} to buy</b></span
    >
  </span>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 112px minmax(0, 1fr) auto;
  gap: 10px;
  align-items: center;
  line-height: 1.25;
}
svg {
  width: 112px;
  height: 30px;
}
.full {
  fill: var(--rim);
}
.stem {
  stroke: var(--rim);
  stroke-width: 2.5;
}
.buy {
  display: block;
  color: var(--warn);
}
.g {
  text-align: right;
  white-space: nowrap;
  font-size: 13.5px;
}
</style>
