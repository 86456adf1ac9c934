<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed } from 'vue';
import type { Goal, LineReport, StationReport } from '@roskel/core';
import { useOpenBatch } from '../stores/openBatch';
import { TRACKS, trackPoints, type Track } from './tracks';

/** What comes out of a station, in its five properties: the middle, its band, a measurement as a dot, a wish as a bracket. */
const props = defineProps<{ report: LineReport; station: StationReport; goal: Goal | undefined }>();
const emit = defineEmits<{ why: [track: Track['key']] }>();
const batch = useOpenBatch();
const W = 52;
/** Px beside the least and the most of a band. */
const MARGIN = 5;
/** Only what is finished is held against the wish. */
const ends = computed(() => props.report.ends.find((e) => e.stationId === props.station.id));
const of = computed(() => (ends.value ? `${batch.id}/${ends.value.strandId}` : undefined));
const items = computed(() =>
  TRACKS.flatMap((track) => {
    const wish = track.key === 'heatShu' && props.goal ? [props.goal.lowShu, props.goal.highShu] : [];
    const { points, y } = trackPoints(
      track,
      props.report.stations,
      props.report.stations.map(() => 0),
      0,
      1,
      wish,
    );
    const p = points.find((x) => x.stationId === props.station.id);
    if (!p) return [];
    // Tracks run upwards in a strip of one; here they run to the right.
    const x = (level: number) => MARGIN + (W - 2 * MARGIN) * (1 - level);
    return [
      {
        track,
        value: track.show(p.value, p.measured),
        measured: p.measured,
        at: x(p.y),
        low: x(p.low),
        high: x(p.high),
        wish: ends.value && wish.length ? { low: x(y(wish[0]!)), high: x(y(wish[1]!)) } : null,
      },
    ];
  }),
);
</script>

<template>
  <div v-if="items.length" class="strip" role="group" :aria-label="`After ${station.name}`">
    <span class="soft after">After {{ station.name }}, 8 in 10</span>
    <NButton v-for="i in items" :key="i.track.key" quaternary class="prop" :data-prop="i.track.key" @click="emit('why', i.track.key)">
      <span class="word" :style="{ color: i.track.colour }">{{ i.track.name }}&nbsp;</span>
      <svg :width="W" height="20" :viewBox="`0 0 ${W} 20`" aria-hidden="true">
        <line x1="0" :x2="W" y1="10" y2="10" class="rail" />
        <rect
          :x="Math.min(i.low, i.high)"
          :width="Math.max(2, Math.abs(i.high - i.low))"
          y="5"
          height="10"
          rx="5"
          :fill="i.track.colour"
          opacity="0.28"
        />
        <path v-if="i.wish" class="wish" :d="`M ${i.wish.low + 3} 2 h -3 v 16 h 3 M ${i.wish.high - 3} 2 h 3 v 16 h -3`" />
        <circle :cx="i.at" cy="10" r="4.4" :fill="i.measured ? i.track.colour : 'var(--plate)'" :stroke="i.track.colour" stroke-width="2" />
      </svg>
      <b :data-fact="i.track.key" :data-of="of">{{ i.value }}</b><span v-if="i.track.unit !== 'pH' && i.track.key !== 'body'" class="soft"
        >&nbsp;{{ i.track.unit }}</span
      ><span class="visually-hidden">{{ i.measured ? ', measured' : '' }}: why?</span>
    </NButton>
    <slot />
  </div>
</template>

<style scoped>
.strip {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 0 4px;
  min-height: 46px;
  padding: 0 14px;
  border-top: 2px solid var(--rim);
}
.after,
.prop .soft {
  font-size: 13px;
}
.prop :deep(.n-button__content) {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}
.prop {
  padding: 0 4px;
}
.word {
  font-weight: 700;
  font-size: 13.5px;
}
.rail {
  stroke: var(--track);
  stroke-width: 4;
  stroke-linecap: round;
}
.wish {
  fill: none;
  stroke: var(--rim);
  stroke-width: 2;
}
@media (max-width: 760px) {
  .strip {
    flex-wrap: wrap;
    justify-content: flex-start;
    padding: 6px 10px;
  }
  .after {
    width: 100%;
  }
}
</style>
