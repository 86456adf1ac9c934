<script setup lang="ts">
import { onUnmounted, ref, shallowRef, watch } from 'vue';
import { NButton } from 'naive-ui';
import { RouterLink } from 'vue-router';
import {
  bandKnowing,
  ONLY_MEASURED,
  countedIn,
  oddsText,
  thingName,
  twoFigures,
  type Banded,
  type BatchFile,
  type Hang,
  type Quantiles,
  type Sensitivity,
  type SourceDoor,
} from '@roskel/core';
import { grams, inManner, percent, shu } from '../format';
import { useSettings } from '../stores/settings';
import { bench, stoppable } from '../worker/client';

/** What a number after a station hangs on, worked out; each leads to where it is known better. */
const props = defineProps<{ file: BatchFile; stationId: string; what: Banded; /** As it is shown elsewhere. */ band: Quantiles | null }>();
const emit = defineEmits<{ station: [id: string] }>();
const settings = useSettings();
const found = shallowRef<Sensitivity | null>(null);
const state = ref<'working' | 'there' | 'nothing'>('working');
const trouble = ref('');
let asked = 0;
watch(
  () => [props.file, props.stationId, props.what] as const,
  async ([file, stationId, what]) => {
    const mine = ++asked;
    state.value = 'working';
    trouble.value = '';
    try {
      const counted = countedIn(file, settings.value.school);
      let answer = await stoppable(bench().sensitivity(counted, stationId, what));
      // Stopped for something else: asked again. A newer question has a turn of its own.
      while (!answer && mine === asked) answer = await stoppable(bench().sensitivity(counted, stationId, what));
      if (mine !== asked || !answer) return;
      if (!answer.ok) trouble.value = answer.message;
      found.value = answer.ok ? answer.answer : null;
    } catch (e) {
      if (mine !== asked) return;
      trouble.value = (e as Error).message;
      found.value = null;
    }
    state.value = found.value?.hangs.length ? 'there' : 'nothing';
  },
  { immediate: true },
);
onUnmounted(() => void asked++);

const SHOWN: Record<Banded, (x: number) => string> = {
  massG: (x) => grams(x),
  heatShu: (x) => shu(twoFigures(x)),
  pH: (x) => x.toFixed(1),
  saltPct: (x) => percent(x),
  sweetPct: (x) => percent(x),
  body: (x) => x.toFixed(1),
};
const range = ({ p10, p90 }: { p10: number; p90: number }) => {
  const [from, to] = [p10, p90].map(SHOWN[props.what]) as [string, string];
  return from === to ? `about ${from}` : `${from} to ${to}`;
};
/** Of all that brings less than this one need not read. */
const SMALL = 0.04;
const most = (hangs: readonly Hang[]) => hangs.filter((h, i) => i === 0 || h.share >= SMALL);
/** A share in tenths: more is not known of it. */
function share({ share }: Hang): string {
  if (share >= 0.9) return 'nearly all of the doubt';
  return share < MUCH ? 'a little of the doubt' : `${oddsText(share)} of the doubt`;
}
/** From this share on it changes the band so that one sees it; no sum of acids is known that well. */
const MUCH = 0.15;
const knowing = (h: Hang) =>
  props.band && props.what !== 'pH' && h.share >= MUCH ? range(bandKnowing(props.band, props.what, h.share)) : '';
const routeOf = (door: SourceDoor) => {
  if (!door || 'stationId' in door) return null;
  if ('lotId' in door) return { name: 'pods', query: { lot: door.lotId } };
  if ('larderKey' in door) return { name: 'larder', query: { find: thingName(props.file, { from: 'larder', key: door.larderKey }) } };
  return `/guide/${door.topic}`;
};
</script>

<template>
  <section class="hangs" aria-label="What it hangs on">
    <h3>What it hangs on</h3>
    <p v-if="state === 'working'" class="soft" role="status">
      Every possible batch is run again with one thing changed in it. This takes some seconds.
    </p>
    <p v-else-if="trouble" class="field-error" role="alert">{{ inManner(trouble) }}</p>
    <p v-else-if="state === 'nothing' || !found" class="soft">On nothing that is not known.</p>
    <template v-else>
      <p v-if="band" class="soft">8 in 10 possible batches: {{ range(band) }}.</p>
      <ol>
        <li v-for="h in most(found.hangs)" :key="`${h.source.kind}/${h.source.id}`" data-hang>
          <span class="bar" aria-hidden="true"><i :style="{ width: `${100 * h.share}%` }" /></span>
          <span class="what"
            ><b>{{ inManner(h.what) }}</b
            >: {{ share(h) }}</span
          >
          <span class="soft">
            <template v-if="knowing(h)">Known for certain it would be {{ knowing(h) }} at best. </template>{{ inManner(h.better) }}.
            <NButton v-if="h.door && 'stationId' in h.door" text class="link" @click="emit('station', h.door.stationId)">Go there</NButton>
            <RouterLink v-else-if="routeOf(h.door)" :to="routeOf(h.door)!">{{
              'topic' in h.door! ? 'More in the guide' : 'Go there'
            }}</RouterLink>
          </span>
        </li>
      </ol>
      <p v-if="ONLY_MEASURED[what]" class="soft">{{ ONLY_MEASURED[what] }}</p>
    </template>
  </section>
</template>

<style scoped>
.hangs {
  margin: 14px 0;
  padding-top: 10px;
  border-top: 1px dashed var(--line);
}
h3 {
  margin: 0 0 4px;
  font-size: 17px;
}
p {
  margin: 0 0 8px;
}
ol {
  display: grid;
  gap: 10px;
  margin: 0 0 8px;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: 90px minmax(0, 1fr);
  gap: 2px 12px;
  align-items: baseline;
}
.bar {
  height: 12px;
  border: 1.5px solid var(--rim);
  border-radius: 6px;
  overflow: hidden;
}
.bar i {
  display: block;
  height: 100%;
  background: var(--heat);
}
li > .soft {
  grid-column: 2;
}
</style>
