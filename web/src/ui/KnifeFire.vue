<script setup lang="ts">
import { computed } from 'vue';
import { FIRE, firesFor, heatKept, KNIFE, PREPARATIONS, type Fire, type PodLot, type Preparation } from '@roskel/core';

/** What knife and fire do to a lot: two small choices side by side. */
const props = defineProps<{ lot: PodLot }>();
const prep = defineModel<Preparation>('prep', { required: true });
const fire = defineModel<Fire>('fire', { required: true });
const percent = (x: number) => `${Math.round(100 * x)} %`;
/** Each way with the share of the heat that it leaves; the group above them says so. */
const ways = computed(() =>
  PREPARATIONS.map((p) => {
    const { share } = heatKept(p, props.lot.capsaicinoidClass, props.lot.anatomy);
    return { p, text: share < 1 && props.lot.heat ? `${KNIFE[p].name}, ${percent(share)}` : KNIFE[p].name };
  }),
);
const fires = computed(() => firesFor(props.lot.form));
</script>

<template>
  <span class="knife">
    <select v-model="prep" class="small-entry" :aria-label="`${lot.name}, knife work`" :disabled="!lot.anatomy">
      <optgroup label="Heat it leaves">
        <option v-for="w in ways" :key="w.p" :value="w.p">{{ w.text }}</option>
      </optgroup>
    </select>
    <select v-if="fires.length > 1" v-model="fire" class="small-entry" :aria-label="`${lot.name}, fire or water`">
      <option v-for="f in fires" :key="f" :value="f">
        {{ FIRE[f].name }}{{ f === 'none' ? '' : `, ${percent(FIRE[f].heat.typical)}` }}
      </option>
    </select>
  </span>
</template>

<style scoped>
.knife {
  display: inline-flex;
  gap: 4px;
}
select {
  width: 62px;
  min-height: 32px;
  font-size: 13px;
}
select:first-child {
  width: 104px;
}
</style>
