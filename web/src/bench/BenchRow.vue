<script setup lang="ts">
import { computed } from 'vue';
import { heatOfRow, levelName, lotShu, type LarderChoice, type PodChoice } from '@roskel/core';
import { grams, shu } from '../format';
import type { BenchItem } from '../stores/benchMix';
import AmountField from '../ui/AmountField.vue';
import KnifeField from '../pods/KnifeField.vue';
import LeastMost from '../ui/LeastMost.vue';
import { NButton } from 'naive-ui';
import { IconX } from '@tabler/icons-vue';
import ShareSlider from '../ui/ShareSlider.vue';

/** One thing on the bench: how much of it, and for pods what the knife does. */
/** The store's own reactive item: changed in place. */
const item = defineModel<BenchItem>('item', { required: true });
const props = defineProps<{ pod: PodChoice | null; row: LarderChoice | null; most: number }>();
const emit = defineEmits<{ grams: [g: number]; drop: [] }>();
const lot = computed(() => props.pod?.lot ?? null);
const name = computed(() => lot.value?.name ?? props.row!.row.name);
const stock = computed(() => props.pod?.stockG ?? props.row!.stockG);
const plenty = computed(() => stock.value >= 20_000);
const what = computed(() => {
  const g = lot.value?.podMassG;
  return lot.value
    ? {
        key: 'pods',
        name: name.value,
        pieces: (g ? { pod: g } : {}) as Record<string, number>,
        measure: { cup: 95, tbsp: 6, tsp: 2 },
        density: 1,
      }
    : props.row!.row;
});
/** Sliders reach a little past the whole mix, and never past the stock. */
const reach = computed(() => Math.max(20, Math.min(stock.value, Math.max(props.most, item.value.g * 1.5, 100))));
const about = computed(() => {
  const l = lot.value;
  const pH = props.row?.row.pH;
  const heat = l ? (l.heat ? lotShu(l) : 0) : props.row ? (heatOfRow(props.row.row)?.shu ?? 0) : 0;
  const what = heat > 0 ? `${shu(heat)} SHU, ${levelName(heat)}` : l ? 'no heat' : pH ? `pH ${pH.typ.toFixed(1)}` : '';
  return [what, plenty.value ? '' : `${grams(stock.value)} there`].filter(Boolean).join('; ');
});
const tooMuch = computed(() => (item.value.g > stock.value + 0.5 ? `There are only ${grams(stock.value)}.` : null));
</script>

<template>
  <div class="row" :class="{ out: item.g <= 0 }">
    <i :style="{ background: lot?.hex ?? row!.row.hex }" />
    <span class="name">
      <b>{{ name }}</b>
      <span class="soft">{{ about }}</span>
    </span>
    <AmountField
      class="amount"
      :label="`${name}, amount`"
      hide-label
      small
      :mass-g="item.g"
      :what="what"
      :trouble="tooMuch"
      @change="(m) => emit('grams', m)"
    />
    <LeastMost v-model:least="item.leastPct" v-model:most="item.mostPct" :name="name" unit="%" />
    <NButton quaternary size="small" class="x" :aria-label="`Take ${name} off the bench`" @click="emit('drop')"
      ><IconX :size="18" stroke="1.7"
    /></NButton>
    <ShareSlider
      class="share"
      :label="`${name}, share`"
      :max="reach"
      :says="grams(item.g)"
      :model-value="item.g"
      @update:model-value="emit('grams', $event)"
    />
    <KnifeField v-if="lot" v-model:prep="item.prep" class="knife" :lot="lot" />
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 12px minmax(0, 1fr) 112px 34px 34px;
  gap: 0 10px;
  align-items: center;
  padding: 5px 0 4px;
  border-bottom: 1px dashed var(--line);
}
.row > i {
  grid-row: 1 / 3;
  height: 46px;
  border-radius: 5px 5px 8px 8px;
  border: 1px solid rgb(0 0 0 / 12%);
}
.out .name b {
  font-weight: 500;
}
.name {
  line-height: 1.2;
  min-width: 0;
}
.name .soft {
  font-size: 13px;
  margin-left: 6px;
}
.share {
  grid-column: 2;
}
.knife {
  grid-column: 3 / -1;
}
.x {
  padding: 0 8px;
  color: var(--soft);
}
</style>
