<script setup lang="ts">
import { computed } from 'vue';
import { heatKept, KNIFE, PREPARATIONS, type PodLot, type Preparation } from '@roskel/core';
import PickField from '../ui/PickField.vue';

/** What the knife does to a lot, with the heat that leaves it in. */
const props = defineProps<{ lot: PodLot }>();
const prep = defineModel<Preparation>('prep', { required: true });
const percent = (x: number) => `${Math.round(100 * x)} %`;
/** Each way with the share of the heat that it leaves. */
const ways = computed(() =>
  PREPARATIONS.map((p) => {
    const { share } = heatKept(p, props.lot.capsaicinoidClass, props.lot.anatomy);
    return {
      value: p,
      short: KNIFE[p].name,
      label: share < 1 && props.lot.heat ? `${KNIFE[p].name}, keeps ${percent(share)} of the heat` : KNIFE[p].name,
    };
  }),
);
</script>

<template>
  <span class="knife">
    <PickField v-model="prep" class="cut" small hide-label :label="`${lot.name}, cutting`" :options="ways" :disabled="!lot.anatomy" />
  </span>
</template>

<style scoped>
.knife {
  display: inline-flex;
  gap: 4px;
}
.cut {
  width: 128px;
}
</style>
