<script setup lang="ts">
import { ref, watch } from 'vue';
import { NButton } from 'naive-ui';
import { MOST_HEAT_POINTS, thinLog, type HeatPoint } from '@roskel/core';
import HeatEntry from '../bench/HeatEntry.vue';
import HeatPicture from '../bench/HeatPicture.vue';
import { HEAT_LIMITS, useHeatLog } from '../bench/useHeatLog';
import LiveLog from '../devices/LiveLog.vue';
import SheetCard from '../ui/SheetCard.vue';
import { commitTyping } from '../ui/typing';

/** The thermometer's log of this very batch: what it shows decides whether it was heated through. */
const show = defineModel<boolean>('show', { required: true });
const props = defineProps<{ kept: readonly HeatPoint[] | undefined }>();
const emit = defineEmits<{ keep: [points: HeatPoint[] | null] }>();
const heat = useHeatLog();
const { text, points, found } = heat;
const refusal = ref('');
watch(show, (open) => {
  if (!open) return;
  refusal.value = '';
  text.value = props.kept ? ['min, °C', ...props.kept.map((p) => `${Number(p.min.toFixed(2))}, ${Number(p.c.toFixed(1))}`)].join('\n') : '';
});
const begin = () => (text.value = 'min, °C');
const row = (min: number, c: number) => (text.value += `\n${min.toFixed(2)}, ${c.toFixed(1)}`);
function keep() {
  commitTyping();
  if (!found.value) {
    refusal.value = 'A log is two temperatures at least, with their times. Type them, or open the logger\u2019s file.';
    return;
  }
  const first = Math.min(...points.value.map((p) => p.min));
  emit(
    'keep',
    thinLog(points.value, MOST_HEAT_POINTS).map((p) => ({ min: Math.round((p.min - first) * 100) / 100, c: Math.round(p.c * 10) / 10 })),
  );
  show.value = false;
}
</script>

<template>
  <SheetCard v-model:show="show" title="How hot it was, and for how long" :width="860">
    <div class="two">
      <div class="entry">
        <HeatEntry :heat="heat" />
        <LiveLog :free="text.trim() === ''" @begin="begin" @row="row" />
      </div>
      <div class="found">
        <HeatPicture v-if="found" :points="points" />
        <p class="soft">{{ HEAT_LIMITS }}</p>
        <p v-if="refusal" class="field-error" role="alert">{{ refusal }}</p>
        <div class="acts">
          <NButton type="primary" @click="keep">Keep it with this batch</NButton>
          <NButton v-if="kept" text class="link" @click="(emit('keep', null), (show = false))">Take it away</NButton>
        </div>
      </div>
    </div>
  </SheetCard>
</template>

<style scoped>
.entry {
  display: grid;
  gap: 10px;
  align-content: start;
}
.two {
  display: grid;
  grid-template-columns: 300px minmax(0, 1fr);
  gap: 18px;
}
.found {
  display: grid;
  gap: 8px;
  align-content: start;
}
p {
  margin: 0;
}
.acts {
  display: flex;
  gap: 16px;
  align-items: center;
}
@media (max-width: 760px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
