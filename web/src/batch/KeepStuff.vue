<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import { RouterLink } from 'vue-router';
import { same, type StationReport } from '@roskel/core';
import { grams } from '../format';
import { useNotices } from '../stores/notices';
import { useOpenBatch } from '../stores/openBatch';
import { useStored } from '../stores/stored';

/** Keeps what a finished station left and nobody took, for another batch. */
const props = defineProps<{ station: StationReport; side: string; name: string }>();
const batch = useOpenBatch();
const stored = useStored();
const notices = useNotices();
void stored.load();
const busy = ref(false);
const left = computed(() => {
  const side = props.station.sides.find((s) => s.id === props.side);
  return side ? side.massG - side.takenG : 0;
});
const title = computed(() => `${props.name} of ${batch.file?.name ?? ''}`.slice(0, 80));
const what = computed(() => ({ stationId: props.station.id, side: props.side }));
const kept = computed(() => stored.items.find((s) => s.batchId === batch.id && same(s.what, what.value)));
async function keep() {
  busy.value = true;
  try {
    await batch.save();
    await stored.keep({ what: { batchId: batch.id!, ...what.value }, name: title.value, massG: Math.round(left.value), words: '' });
    notices.say(`${title.value}: ${grams(left.value)} in the larder, for another batch. Keep it cold. Undo takes it back.`);
  } catch (e) {
    notices.fail(e);
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <p v-if="kept" class="soft">
    <RouterLink to="/larder">{{ kept.stuff.name }}</RouterLink>: {{ grams(kept.stockG) }} kept.
  </p>
  <p v-else-if="left >= 0.5 && station.done">
    <NButton :disabled="busy" @click="keep">Keep {{ grams(left) }} for another batch</NButton>
  </p>
</template>

<style scoped>
p {
  margin: 4px 0 0;
}
</style>
