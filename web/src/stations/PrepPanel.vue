<script setup lang="ts">
import { computed } from 'vue';
import { RouterLink } from 'vue-router';
import { FIRE, KNIFE, levelName, type StationReport } from '@roskel/core';
import { grams, shu } from '../format';
import { usePanel } from './panel';
import StationFrame from '../batch/StationFrame.vue';
import LogFields from '../batch/LogFields.vue';
import FactRows from '../ui/FactRows.vue';

const props = defineProps<{ station: StationReport<'prep'> }>();
const { batch, params } = usePanel<'prep'>(props);
const lots = computed(() =>
  params.value.pods.map((p) => ({ ...p, lot: batch.file!.lots.find((l) => l.id === p.lotId)! })).filter((p) => p.lot && p.massG > 0),
);
const total = computed(() => lots.value.reduce((s, p) => s + p.massG, 0));
const rows = computed(
  () =>
    [
      ['Pods', grams(total.value)],
      ['Stems and cores', grams(props.station.sides.reduce((s, x) => s + x.massG, 0))],
      ['Heat on the board', `${shu(props.station.now.heatShu)} SHU, ${levelName(props.station.now.heatShu)}`],
    ] as const,
);
</script>

<template>
  <StationFrame :station="station" picture="In the bowl">
    <template #set>
      <FactRows :rows="rows" />
      <RouterLink class="act main" :to="{ name: 'choose', params: { id: batch.id } }">{{
        lots.length ? 'Change the pods' : 'Choose the pods'
      }}</RouterLink>
    </template>
    <template #measured><LogFields :station="station" mass-label="Cut pods, weighed" /></template>
    <template #picture>
      <p v-if="!lots.length" class="soft">No pods yet. Choose them and the whole line fills in.</p>
      <div v-else class="bar" aria-hidden="true">
        <i v-for="p in lots" :key="p.lotId" :style="{ width: `${(100 * p.massG) / total}%`, background: p.lot.hex }" />
      </div>
      <ul>
        <li v-for="p in lots" :key="p.lotId">
          <i :style="{ background: p.lot.hex }" />
          <b>{{ p.lot.name }}</b>
          <span class="soft">{{ KNIFE[p.prep].name }}{{ p.fire && p.fire !== 'none' ? `, ${FIRE[p.fire].name}` : '' }}</span>
          <span class="g">{{ grams(p.massG) }}</span>
        </li>
      </ul>
    </template>
  </StationFrame>
</template>

<style scoped>
.bar {
  display: flex;
  height: 26px;
  border-radius: 13px;
  overflow: hidden;
  border: 2px solid var(--rim);
  margin-bottom: 8px;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0;
}
li {
  display: grid;
  grid-template-columns: 14px 1fr auto 70px;
  gap: 8px;
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px dashed var(--line);
}
li i {
  height: 20px;
  border-radius: 5px 5px 8px 8px;
}
.g {
  text-align: right;
  font-weight: 700;
}
</style>
