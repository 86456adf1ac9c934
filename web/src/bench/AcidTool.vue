<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import dayjs from 'dayjs';
import { EVEN_HOURS, type AcidWork, type KnownSauce, type Pieces } from '@roskel/core';
import { plural } from '../format';
import { START_SAUCE } from '../trim/known';
import KnownFields from '../trim/KnownFields.vue';
import { keepHere, readHere } from '../ui/keepHere';
import NumberField from '../ui/NumberField.vue';
import PickField from '../ui/PickField.vue';
import { bench } from '../worker/client';
import type { Timed } from '../worker/worker';
import AcidBoard from './AcidBoard.vue';
import { TargetPh, useAcidWork } from './useAcidWork';

/** pH work for a sauce without a batch: what makes it sour enough, what water does, when a reading counts. */
const KEEP = 'acid-bench';
const known = ref<KnownSauce>(readHere<KnownSauce>(KEEP) ?? { ...START_SAUCE, pH: 4.1, aceticPct: 0.6 });
watch(known, (k) => keepHere(KEEP, k));
const { target, work, trouble } = useAcidWork(
  (to, limit) => bench().acidOf({ ...known.value }, to, limit) as Promise<Timed<AcidWork>>,
  () => known.value,
);
const pieces = ref<Pieces>('smooth');
const PIECES = [
  { value: 'smooth' as const, label: 'blended smooth' },
  { value: 'coarse' as const, label: 'with grit in it' },
  { value: 'pieces' as const, label: 'pieces in liquid' },
];
const even = computed(() => {
  const h = EVEN_HOURS[pieces.value];
  const at = dayjs().add(h, 'hour');
  return `A reading counts after ${plural(h, 'hour')}: from ${at.format('HH:mm')}${at.isSame(dayjs(), 'day') ? '' : ' tomorrow'} if it was stirred now.`;
});
</script>

<template>
  <div class="grid">
    <section class="plate known" aria-label="The sauce">
      <KnownFields :known="known" @change="known = { ...known, ...$event }" />
      <NumberField label="To reach pH" :model-value="target" :schema="TargetPh" @update:model-value="target = $event!" />
      <PickField v-model="pieces" label="It is" :options="PIECES" />
      <p class="soft full" data-fact="even">{{ even }}</p>
    </section>
    <p v-if="trouble" class="plate note field-error" role="alert">{{ trouble }}</p>
    <div v-else-if="work" class="two"><AcidBoard :work="work" :target="target" /></div>
    <p v-else class="soft">Working it out.</p>
  </div>
</template>

<style scoped>
.grid {
  display: grid;
  gap: 12px;
}
.known {
  display: grid;
  grid-template-columns: repeat(5, minmax(0, 1fr));
  gap: 6px 10px;
  padding: 10px 16px;
  align-items: end;
}
.full {
  grid-column: 1 / -1;
  margin: 0;
  font-size: 13.5px;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 12px;
  align-items: start;
}
@media (max-width: 1000px) {
  .known {
    grid-template-columns: 1fr 1fr;
  }
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
