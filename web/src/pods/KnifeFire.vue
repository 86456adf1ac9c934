<script setup lang="ts">
import { computed } from 'vue';
import { FIRE, firesFor, heatKept, KNIFE, PREPARATIONS, type Fire, type PodLot, type Preparation } from '@roskel/core';
import PickField from '../ui/PickField.vue';

/** Cutting and cooking of a lot: two small choices side by side. */
const props = defineProps<{ lot: PodLot }>();
const prep = defineModel<Preparation>('prep', { required: true });
const fire = defineModel<Fire>('fire', { required: true });
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
const fires = computed(() =>
  firesFor(props.lot.form).map((f) => ({
    value: f,
    short: FIRE[f].name,
    label: f === 'none' ? FIRE[f].name : `${FIRE[f].name}, keeps ${percent(FIRE[f].heat.typical)} of the heat`,
  })),
);
</script>

<template>
  <span class="knife">
    <PickField v-model="prep" class="cut" small hide-label :label="`${lot.name}, cutting`" :options="ways" :disabled="!lot.anatomy" />
    <PickField v-if="fires.length > 1" v-model="fire" class="fire" small hide-label :label="`${lot.name}, cooking`" :options="fires" />
  </span>
</template>

<style scoped>
.knife {
  display: inline-flex;
  gap: 4px;
}
.cut {
  width: 92px;
}
.fire {
  width: 84px;
}
</style>
