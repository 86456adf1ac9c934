<script setup lang="ts">
import { computed } from 'vue';
import { GramsSchema, PercentSchema, type Intake } from '@roskel/core';
import { grams } from '../format';
import NumberField from '../ui/NumberField.vue';
import PickField from '../ui/PickField.vue';

/** How much of something made here: grams, a share of all of it, or what nobody else takes. */
type Amount = Intake['amount'];
const props = defineProps<{ label: string; amount: Amount; comesTo: number | null; trouble?: string | null }>();
const emit = defineEmits<{ change: [amount: Amount] }>();
const WAYS = [
  { value: 'rest', label: 'the rest', short: 'the rest' },
  { value: 'pct', label: 'a share, %', short: 'share' },
  { value: 'g', label: 'an amount', short: 'amount' },
] as const;
type Way = (typeof WAYS)[number]['value'];
const way = computed<Way>(() => (props.amount === 'rest' ? 'rest' : 'pct' in props.amount ? 'pct' : 'g'));
const value = computed(() => (props.amount === 'rest' ? null : 'pct' in props.amount ? props.amount.pct : props.amount.g));
/** What it comes to now is what another way of saying it begins with. */
function turn(to: Way) {
  if (to === 'rest') emit('change', 'rest');
  else if (to === 'pct') emit('change', { pct: 50 });
  else emit('change', { g: Math.max(1, Math.round(props.comesTo ?? 50)) });
}
const said = (v: number | null) => v !== null && emit('change', way.value === 'pct' ? { pct: v } : { g: v });
</script>

<template>
  <div class="share" :class="{ two: way !== 'rest' }">
    <PickField :label="`${label}, how much`" hide-label :model-value="way" :options="[...WAYS]" @update:model-value="turn" />
    <NumberField
      v-if="way !== 'rest'"
      :label="`${label}, ${way === 'pct' ? 'share' : 'amount'}`"
      hide-label
      :unit="way === 'pct' ? '%' : 'g'"
      :schema="way === 'pct' ? PercentSchema : GramsSchema"
      :model-value="value ?? undefined"
      :trouble="trouble ?? null"
      @update:model-value="said"
    />
    <span v-if="comesTo !== null && way !== 'g'" class="soft">{{ grams(comesTo) }}</span>
    <span v-if="trouble && way === 'rest'" class="field-error">{{ trouble }}</span>
  </div>
</template>

<style scoped>
.share {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 6px;
  align-items: center;
}
.share > :first-child {
  flex: 1 1 92px;
}
.two > :nth-child(2) {
  flex: 1 1 70px;
}
.soft {
  font-size: 13px;
}
</style>
