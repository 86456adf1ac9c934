<script setup lang="ts">
import { computed } from 'vue';
import { blurQuantiles, heatWord, oddsWithin, type Blur, type Eaten, type Goal, oddsText } from '@roskel/core';
import { shu } from '../format';
import { heatColour } from '../theme';
import { heatAxis, hill } from './HeatAxis';

/** The blur in the bottle against the bracket that was wished for. */
const props = defineProps<{
  blur: Blur | null;
  goal: Pick<Goal, 'lowShu' | 'highShu'>;
  bottles: number | null;
  /** How it is eaten; a mix in a bowl by the drop. */
  eaten?: Eaten | undefined;
  oddsNow?: number | undefined;
  /** A mix in a bowl, not a batch. */
  bowl?: boolean;
}>();
const W = 470;
const axis = computed(() => heatAxis(100, Math.max(100_000, 10 ** Math.ceil(Math.log10(props.goal.highShu))), 12, W - 12));
const quant = computed(() => (props.blur ? blurQuantiles(props.blur) : null));
const left = computed(() => axis.value.x(Math.max(100, props.goal.lowShu)));
const right = computed(() => axis.value.x(props.goal.highShu));
const chance = computed(() => props.oddsNow ?? (props.blur ? oddsWithin(props.blur, props.goal.lowShu, props.goal.highShu) : 0));
</script>

<template>
  <section class="plate bottle" :class="{ bowl }" :aria-label="bowl ? 'Heat in the bowl' : 'Heat in the bottle'">
    <h2>
      {{ bowl ? 'Heat in the bowl' : 'Heat in the bottle' }}
      <span v-if="quant" class="soft" data-fact="middle">about {{ shu(quant.p50) }} SHU, {{ heatWord(quant.p50, eaten ?? 'drop') }}</span>
    </h2>
    <svg
      :viewBox="`0 0 ${W} 124`"
      role="img"
      :aria-label="quant ? `10 to 90 %: ${shu(quant.p10)} to ${shu(quant.p90)} SHU` : 'no heat yet'"
    >
      <g v-for="t in axis.ticks" :key="t">
        <line :x1="axis.x(t)" :x2="axis.x(t)" y1="6" y2="104" stroke="var(--grid)" />
        <text :x="axis.x(t)" y="120" :text-anchor="t === axis.ticks.at(-1) ? 'end' : 'middle'">{{ t.toLocaleString('en') }}</text>
      </g>
      <rect :x="left" y="10" :width="Math.max(2, right - left)" height="94" fill="var(--active)" />
      <path v-if="blur" data-fact="blur" :d="hill(blur.mu, blur.sigma, axis.x, 104, 84)" :fill="heatColour(quant!.p50)" opacity="0.85" />
      <line v-if="quant" :x1="axis.x(quant.p50)" :x2="axis.x(quant.p50)" y1="18" y2="104" stroke="var(--ink)" stroke-width="1.5" />
      <path :d="`M ${left + 8} 10 h -8 v 94 h 8 M ${right - 8} 10 h 8 v 94 h -8`" class="bracket" />
    </svg>
    <p v-if="blur">
      <b class="big" data-fact="odds">{{ oddsText(chance) }}</b> of such {{ bowl ? 'mixes' : 'batches' }} land in the wished heat.
      <template v-if="bottles !== null"
        >Fills about <b data-fact="bottles">{{ bottles.toFixed(1) }}</b> bottles.</template
      >
    </p>
    <p v-else class="soft">Put something hot into the mix.</p>
  </section>
</template>

<style scoped>
.bottle {
  padding: 10px 16px;
}
h2 {
  display: flex;
  flex-wrap: wrap;
  gap: 0 12px;
  justify-content: space-between;
}
h2 .soft {
  font:
    400 14px 'Hanken Grotesk Variable',
    sans-serif;
}
svg {
  width: 100%;
  height: auto;
  display: block;
}
/* The picture is drawn wider than it stands, in a bowl and on a phone more so. */
svg text {
  font-size: 15.5px;
  fill: var(--soft);
}
@media (max-width: 1000px) {
  svg text {
    font-size: 21px;
  }
}
.bowl svg text {
  font-size: 21px;
}
.bracket {
  fill: none;
  stroke: var(--rim);
  stroke-width: 3;
}
.big {
  font:
    700 22px 'Bricolage Grotesque Variable',
    sans-serif;
}
p {
  margin: 4px 0 0;
}
</style>
