<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { NButton } from 'naive-ui';
import { addDays, jarDays, thinTemps, type JarTemp } from '@roskel/core';
import { day as dayText, degrees, plural } from '../format';
import HeatEntry from '../bench/HeatEntry.vue';
import { useHeatLog } from '../bench/useHeatLog';
import SheetCard from '../ui/SheetCard.vue';
import { commitTyping } from '../ui/typing';

/** How warm a jar stood, by a logger: kept as means of six hours, and the forecast goes by it. */
const show = defineModel<boolean>('show', { required: true });
const props = defineProps<{ from: string; kept: readonly JarTemp[] | undefined }>();
const emit = defineEmits<{ keep: [temps: JarTemp[] | null] }>();
const heat = useHeatLog();
const refusal = ref('');
/** Two nights and days, from the day it was packed. */
const example = computed(() =>
  [
    'time, °C',
    ...[0, 12, 24, 36].map(
      (h) => `${addDays(props.from, Math.floor(h / 24))} ${String(h % 24).padStart(2, '0')}:00, ${h % 24 === 0 ? 16 : 20}`,
    ),
  ].join('\n'),
);
watch(show, (open) => {
  if (!open) return;
  refusal.value = '';
  heat.text.value = props.kept ? ['h, °C', ...props.kept.map((t) => `${Number((t.day * 24).toFixed(1))}, ${t.c}`)].join('\n') : '';
});
/** More than this is no room with a jar in it, °C. */
const ROOM = { low: -30, high: 60 } as const;
const temps = computed(() =>
  thinTemps(jarDays(heat.points.value, heat.log.value.startMin, props.from)).filter((t) => t.c >= ROOM.low && t.c <= ROOM.high),
);
const says = computed(() => {
  const all = temps.value;
  if (heat.points.value.length === 0) return '';
  if (all.length === 0) return `Nothing of this is from after ${dayText(props.from)}, when the jar was packed.`;
  const [low, high] = [Math.min(...all.map((t) => t.c)), Math.max(...all.map((t) => t.c))];
  const mean = all.reduce((s, t) => s + t.c, 0) / all.length;
  const days = Math.ceil(all.at(-1)!.day) - Math.floor(all[0]!.day);
  return `${plural(days, 'day')}: ${degrees(low)} to ${degrees(high)}, ${degrees(mean, 1)} on average.`;
});
function keep() {
  commitTyping();
  if (temps.value.length === 0) {
    refusal.value = says.value || 'A log is temperatures with their times. Paste them, or open the logger\u2019s file.';
    return;
  }
  emit('keep', temps.value.slice(0, 1500));
  show.value = false;
}
</script>

<template>
  <SheetCard v-model:show="show" title="How warm the jar stood" :width="460">
    <HeatEntry :heat="heat" :example="example" :rows="7" />
    <p class="soft">
      Times with dates stand where they belong; others are counted from {{ dayText(from) }}, when the jar was packed. Where there is no log,
      the readings count, and then the temperature of the plan.
    </p>
    <p v-if="says" data-fact="temps" role="status">{{ says }}</p>
    <p v-if="refusal" class="field-error" role="alert">{{ refusal }}</p>
    <div class="acts">
      <NButton type="primary" @click="keep">Keep it with this jar</NButton>
      <NButton v-if="kept" text class="link" @click="(emit('keep', null), (show = false))">Take it away</NButton>
    </div>
  </SheetCard>
</template>

<style scoped>
p {
  margin: 8px 0;
}
.acts {
  display: flex;
  gap: 16px;
  align-items: center;
}
</style>
