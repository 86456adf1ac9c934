<script setup lang="ts">
import { computed } from 'vue';
import { NButton } from 'naive-ui';
import { IconGripVertical } from '@tabler/icons-vue';
import { stationOf, type LineReport, type LinePlace, type StationReport } from '@roskel/core';
import { day, grams, ph, shu } from '../format';
import { limbLabel } from './flows';

/** The line as a list, for a narrow screen: every strand with its stations, the same rings, and where each flows in. */
/** While the line is changed a row has a grip, and `aim` is where the one that is dragged would land. */
const props = defineProps<{ report: LineReport; chosen: string; trouble: string | null; changing: boolean; aim: LinePlace | null }>();
const emit = defineEmits<{ choose: [id: string] }>();
/** Strands in the order in which they are needed: what flows in stands before what takes it. */
const strands = computed(() => {
  const place = new Map(props.report.stations.map((s, i) => [s.id, i]));
  return [...props.report.strands].sort((a, b) => place.get(a.stationIds.at(-1)!)! - place.get(b.stationIds.at(-1)!)!);
});
const most = computed(() => Math.max(1, ...props.report.stations.map((s) => s.now.massG)));
/** Where an end goes: a bowl by its own name, else the station of the strand it joins. */
function placeOf(id: string): string {
  const strand = props.report.strands.find((s) => s.stationIds.includes(id))!;
  return strand.stationIds[0] === id ? strand.name : `${strand.name}, ${stationOf(props.report, id).name}`;
}
function says(s: StationReport): string {
  const parts = [grams(s.now.massG)];
  if (s.now.heatShu > 0) parts.push(`${shu(s.now.heatShu)} SHU`);
  if (s.now.pH !== null) parts.push(`pH ${ph(s.now.pH, s.phMeasured)}`);
  return parts.join(', ');
}
const flows = (s: StationReport) => s.additions.filter((a) => a.massG >= 0.5);
</script>

<template>
  <div class="list">
    <section v-for="strand in strands" :key="strand.id" :aria-label="strand.name">
      <h2 v-if="report.strands.length > 1">
        {{ strand.name }}
        <span v-for="t in strand.into" :key="t.stationId" class="soft">{{ grams(t.massG) }} into {{ placeOf(t.stationId) }}</span>
        <span v-if="strand.leftG >= 0.5" class="soft">{{ grams(strand.leftG) }} left over</span>
      </h2>
      <ol>
        <li
          v-for="s in strand.stationIds.map((id) => stationOf(report, id))"
          :key="s.id"
          :class="[{ on: s.id === chosen, bad: s.id === trouble }, aim?.stationId === s.id && `aim-${aim.where}`]"
          :data-row="s.id"
        >
          <span v-if="changing" class="grip" :data-handle="s.id" :title="`Drag ${s.name}`"><IconGripVertical :size="20" /></span>
          <NButton quaternary class="row" :aria-pressed="s.id === chosen" @click="emit('choose', s.id)">
            <i class="mark" :class="{ done: s.done, now: s.active }" />
            <span class="what">
              <b>{{ s.name }}</b> <span class="soft">{{ s.done ? '' : '~' }}{{ day(s.to) }}</span>
              <span class="soft says">{{ says(s) }}</span>
              <span v-if="flows(s).length" class="soft says">+ {{ limbLabel(flows(s), 250) }}</span>
            </span>
            <i class="bar" :style="{ width: `${(64 * s.now.massG) / most}px`, background: s.now.hex }" />
          </NButton>
        </li>
      </ol>
    </section>
  </div>
</template>

<style scoped>
.list {
  padding: 6px 8px;
}
h2 {
  margin: 6px 6px 2px;
  font-size: 15px;
}
h2 .soft {
  display: block;
  font:
    400 13px 'Hanken Grotesk Variable',
    sans-serif;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
li.on {
  background: var(--active);
  border-radius: 10px;
}
li {
  display: flex;
  border-block: 3px solid transparent;
}
li.aim-before {
  border-top-color: var(--heat);
}
li.aim-after {
  border-bottom-color: var(--heat);
}
.grip {
  flex: none;
  width: 44px;
  display: grid;
  place-items: center;
  color: var(--soft);
  cursor: grab;
  touch-action: none;
}
li.bad {
  background: var(--warn-plate);
}
.row {
  flex: 1;
  min-width: 0;
  height: auto;
  min-height: 44px;
  justify-content: start;
  padding: 4px 8px;
}
.row :deep(.n-button__content) {
  width: 100%;
  display: grid;
  grid-template-columns: 18px minmax(0, 1fr) 66px;
  gap: 8px;
  align-items: center;
  text-align: left;
  white-space: normal;
  line-height: 1.25;
}
.mark {
  width: 13px;
  height: 13px;
  border: 2px solid var(--rim);
  border-radius: 50%;
  background: var(--plate);
}
.mark.done {
  background: var(--rim);
}
.mark.now {
  border-color: var(--heat);
}
.says {
  display: block;
  font-size: 13px;
}
.bar {
  height: 14px;
  border-radius: 7px;
  justify-self: end;
}
</style>
