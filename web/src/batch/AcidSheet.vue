<script setup lang="ts">
import type { AcidWork, StationReport } from '@roskel/core';
import { useOpenBatch } from '../stores/openBatch';
import NumberField from '../ui/NumberField.vue';
import SheetCard from '../ui/SheetCard.vue';
import { bench } from '../worker/client';
import type { Timed } from '../worker/worker';
import AcidBoard from '../bench/AcidBoard.vue';
import { TargetPh, useAcidWork } from '../bench/useAcidWork';

/** The same for what leaves a station of a batch: with the pH that counts there. */
const show = defineModel<boolean>('show', { required: true });
const props = defineProps<{ station: StationReport }>();
const batch = useOpenBatch();
const plain = <T,>(x: T): T => JSON.parse(JSON.stringify(x)) as T;
const { target, work, trouble } = useAcidWork(
  (to, limit) =>
    batch.file && show.value ? (bench().acidAt(plain(batch.file), props.station.id, to, limit) as Promise<Timed<AcidWork>>) : null,
  () => [show.value, batch.report],
);
</script>

<template>
  <SheetCard v-model:show="show" title="Make it sourer or thinner" :width="920">
    <div class="ask">
      <NumberField label="To reach pH" :model-value="target" :schema="TargetPh" @update:model-value="target = $event!" />
      <p class="soft">
        After {{ station.name.toLowerCase() }}:
        {{ station.phMeasured ? 'by the pH that was read' : 'by the pH that is worked out; read it before you rely on it' }}. What you put
        in goes into the line under Steps, or by Taste and put right.
      </p>
    </div>
    <p v-if="trouble" class="field-error" role="alert">{{ trouble }}</p>
    <div v-else-if="work" class="two"><AcidBoard :work="work" :target="target" /></div>
  </SheetCard>
</template>

<style scoped>
.ask {
  display: grid;
  grid-template-columns: 150px 1fr;
  gap: 16px;
  align-items: end;
  margin-bottom: 10px;
}
.ask p {
  margin: 0;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 12px;
  align-items: start;
}
@media (max-width: 760px) {
  .ask,
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
