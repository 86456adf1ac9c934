<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed } from 'vue';
import { RouterLink } from 'vue-router';
import type { PodLotRecord } from '@roskel/contract';
import { blurQuantiles, inSchool, levelName, lotShu, type HeatStep } from '@roskel/core';
import { day, shu } from '../format';
import { heatColour } from '../theme';
import { heatAxis, hill } from '../charts/HeatAxis';
import { useSettings } from '../stores/settings';

/** How hot a lot may be, and how that came about: each step with the hill before and after it. */
const props = defineProps<{ item: PodLotRecord; steps: readonly HeatStep[] }>();
const emit = defineEmits<{ taste: [] }>();
const settings = useSettings();
const W = 520;
const axis = heatAxis(50, 1_500_000, 10, W - 14);
const dryShare = computed(() => 1 - props.item.lot.waterPct / 100);
const hidden = computed(() => settings.value.school === 'fresh' && inSchool(props.item.lot, 'fresh') !== props.item.lot);
const now = computed(() => {
  const { heat } = props.item.lot;
  return heat
    ? { median: lotShu(props.item.lot), sigma: heat.sigma, ...blurQuantiles({ mu: Math.log(lotShu(props.item.lot)), sigma: heat.sigma }) }
    : null;
});
const band = (s: { dryShu: number; sigma: number }) => {
  const q = blurQuantiles({ mu: Math.log(s.dryShu * dryShare.value), sigma: s.sigma });
  return `${shu(q.p10)} to ${shu(q.p90)}`;
};
/** The step before the last, for comparison. */
const was = computed(() => props.steps.find((s) => s.before && s.after)?.before ?? null);
</script>

<template>
  <section class="heat">
    <p v-if="!now">No heat: this lot is all body, and certain.</p>
    <template v-else>
      <svg :viewBox="`0 0 ${W} 96`" role="img" :aria-label="`8 in 10 lots like this: ${shu(now.p10)} to ${shu(now.p90)} SHU as it is`">
        <g v-for="t in axis.ticks" :key="t">
          <line :x1="axis.x(t)" :x2="axis.x(t)" y1="0" y2="78" stroke="var(--grid)" />
          <text :x="axis.x(t)" y="92" text-anchor="middle">{{ t.toLocaleString('en') }}</text>
        </g>
        <path
          v-if="was"
          :d="hill(Math.log(was.dryShu * dryShare), was.sigma, axis.x, 78, 62)"
          fill="none"
          stroke="var(--soft)"
          stroke-dasharray="4 4"
        />
        <path :d="hill(Math.log(now.median), now.sigma, axis.x, 78, 70)" :fill="heatColour(now.median)" opacity="0.85" />
        <line :x1="axis.x(now.median)" :x2="axis.x(now.median)" y1="6" y2="78" stroke="var(--ink)" stroke-width="1.4" />
      </svg>
      <p>
        <b data-fact="band">{{ shu(now.p10) }} to {{ shu(now.p90) }} SHU</b> as it is, {{ levelName(now.median) }}.
        <span v-if="was" class="soft">The dashed line is where it stood before the last step.</span>
      </p>
      <p v-if="hidden" class="stamp">What was learnt counts on dry matter; the mixes now use the quoted number instead.</p>
      <div class="acts">
        <NButton @click="emit('taste')">Score a taste of it</NButton>
        <RouterLink class="act small" :to="{ path: '/bench/dilution', query: { lot: item.id } }">Dilution test</RouterLink>
      </div>
    </template>
    <ol aria-label="How this heat came about">
      <li v-for="s in steps" :key="s.eventId">
        <span class="soft">{{ day(s.on) }}</span>
        <span>{{ s.says }}.</span>
        <b>{{ s.after ? `${band(s.after)}` : 'no heat' }}</b>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.heat {
  display: grid;
  gap: 8px;
}
svg {
  width: 100%;
}
svg text {
  font-size: 13px;
  fill: var(--soft);
}
p {
  margin: 0;
}
.acts {
  display: flex;
  gap: 8px;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  max-height: 210px;
  overflow: auto;
}
li {
  display: grid;
  grid-template-columns: 62px 1fr 130px;
  gap: 8px;
  padding: 5px 0;
  border-bottom: 1px dashed var(--line);
  font-size: 14px;
  line-height: 1.3;
}
li b {
  text-align: right;
}
</style>
