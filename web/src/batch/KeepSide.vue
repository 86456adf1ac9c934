<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import { RouterLink } from 'vue-router';
import { BARE_LOT } from '@roskel/contract';
import type { StationReport } from '@roskel/core';
import { grams } from '../format';
import { useNotices } from '../stores/notices';
import { useOpenBatch } from '../stores/openBatch';
import { usePods } from '../stores/pods';
import { bench, stoppable } from '../worker/client';

/** Keeps what a finished station left as a lot among the pods, once. */
const props = defineProps<{ station: StationReport; side: string; name: string }>();
const batch = useOpenBatch();
const pods = usePods();
const notices = useNotices();
void pods.load();
const busy = ref(false);
/** How the ids of such lots begin: an archived lot keeps its id, so each has its time behind. */
const stem = computed(() => `${props.side}-${batch.id}`.slice(0, 50) + '-');
const kept = computed(() => pods.items.find((p) => p.id.startsWith(stem.value)));

async function keep() {
  const file = batch.file!;
  const id = stem.value + Date.now().toString(36);
  busy.value = true;
  try {
    const answer = await stoppable(
      bench().leftover(file, props.station.id, props.side, { id, name: `${props.name} of ${file.name}`.slice(0, 80) }),
    );
    if (!answer) return;
    if (!answer.ok) return notices.fail(new Error(answer.message));
    if (!answer.answer) return notices.fail(new Error('There is nothing left to keep.'));
    const { lot, massG, keep: stored } = answer.answer;
    const lots = new Set(file.lots.map((l) => l.id));
    const also = file.ingredients.filter((i) =>
      batch.report?.stations.some((s) => s.additions.some((a) => a.id === i.key && !lots.has(a.id))),
    );
    const holds = also.length > 0 ? `With ${also.map((i) => i.name.toLowerCase()).join('; ')}. ` : '';
    const note = (holds + stored).slice(0, 2000);
    const input = { ...BARE_LOT, lot, gotOn: props.station.to, note };
    const leftBy = { batchId: batch.id!, what: { stationId: props.station.id, side: props.side } };
    await pods.add(input, Math.round(massG), `left by ${file.name}`.slice(0, 80), leftBy);
    notices.say(`${lot.name}: ${grams(massG)} in Pods. ${stored} Undo takes it back.`);
  } catch (e) {
    notices.fail(e);
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <p v-if="kept" class="soft">
    <RouterLink to="/pods">{{ kept.lot.name }}</RouterLink>: {{ grams(kept.stockG) }} in Pods.
  </p>
  <NButton v-else-if="station.done" :disabled="busy" @click="keep">Keep it as a lot</NButton>
</template>
