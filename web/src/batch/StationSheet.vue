<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref, useSlots } from 'vue';
import { fieldsOf, graphOf, stationIn, stationKind, upstreamOf, type StationReport, type Tool } from '@roskel/core';
import { useOpenBatch } from '../stores/openBatch';
import { capital, day } from '../format';
import { keepHere, readHere } from '../ui/keepHere';
import StationForm from '../stations/StationForm.vue';
import KeepSide from './KeepSide.vue';
import KeepStuff from './KeepStuff.vue';
import LookFields from './LookFields.vue';
import PutIn from './PutIn.vue';
import RoundList from '../trim/RoundList.vue';
import StationDuties from './StationDuties.vue';
import ToolField from './ToolField.vue';

/**
 * A station as a worksheet, in the order of work: what goes in, what is done here with its picture, what is looked at,
 * weighed and read. A kind gives its picture, what is said of it, and what only it measures.
 */
const props = defineProps<{ station: StationReport; madeWords?: Readonly<Record<string, string>> }>();
const emit = defineEmits<{ go: [stationId: string]; tool: [tool: Tool] }>();
const batch = useOpenBatch();
const slots = useSlots();
const kind = computed(() => stationKind(props.station.kind));
/** What it leaves that can be kept, for another batch or as a lot. */
const leaves = computed(() => {
  const { gives = {}, asLot = [] } = kind.value;
  return props.station.sides
    .filter((s) => s.kept && gives[s.id])
    .map((s) => ({ id: s.id, name: capital(gives[s.id]!), asLot: asLot.includes(s.id) }));
});
/** Minutes by the clock and by hand, as round as they are sure. */
const minutes = computed(() => {
  const { minutes: m, done, bowlG } = props.station;
  if (done || !(bowlG > 0)) return '';
  const round = (x: number) => (x < 10 ? Math.max(1, Math.round(x)) : 5 * Math.round(x / 5));
  const by = `${round(m.hands)} min of work`;
  const time = m.clock >= 120 ? `${(m.clock / 60).toFixed(1).replace('.0', '')} h` : `${round(m.clock)} min`;
  return m.clock > 600 || round(m.clock) === round(m.hands) ? by : `${time}, ${by}`;
});
const state = computed(() => {
  const { done, active, to, plannedTo } = props.station;
  return done ? `done ${day(to)}` : active ? 'now' : `planned ${day(plannedTo)}`;
});
const graph = computed(() => (batch.file ? graphOf(batch.file) : null));
const named = (id: string) => ({ id, name: batch.report?.stations.find((s) => s.id === id)?.name ?? '' });
/** The station that its stuff goes to: the next of its strand, or the one that takes the strand's end. */
const next = computed(() => {
  const strand = batch.report?.strands.find((s) => s.id === props.station.strandId);
  const id = strand && (strand.stationIds[strand.stationIds.indexOf(props.station.id) + 1] ?? strand.into[0]?.stationId);
  return id === undefined ? null : named(id);
});
/** What must be done before one can work here. */
const first = computed(() => {
  const g = graph.value;
  if (!g || props.station.done || props.station.active || !batch.file) return null;
  const before = upstreamOf(g, props.station.id);
  const open = g.order.find((n) => before.has(n.id) && n.entry.log.doneOn === undefined);
  return open ? named(open.id) : null;
});
const MORE = 'roskel-station-more';
const more = ref(readHere<boolean>(MORE) === true);
function unfold() {
  more.value = !more.value;
  keepHere(MORE, more.value);
}
const rest = computed(() => {
  const entry = batch.file && stationIn(batch.file, props.station.id);
  return (
    slots.more !== undefined ||
    kind.value.tool !== undefined ||
    fieldsOf(kind.value.schema, (entry?.params ?? {}) as object).some((f) => f.main !== true)
  );
});
function tool(t: Tool) {
  const brings = kind.value.byTool?.(t) as object | undefined;
  const entry = batch.file && stationIn(batch.file, props.station.id);
  if (entry && brings && Object.keys(brings).length > 0) batch.setParams(props.station.id, { ...(entry.params as object), ...brings });
  emit('tool', t);
}
</script>

<template>
  <section class="sheet-of-station" :aria-label="`${station.name}: worksheet`">
    <p v-if="batch.lineTrouble?.stationId === station.id && batch.lineTrouble.field === ''" class="field-error" role="alert">
      {{ batch.lineTrouble.message }}
    </p>
    <div class="columns">
      <section class="plate" :aria-label="`What goes in at ${station.name}`">
        <h2>
          <i>1</i> Put in
          <NButton v-if="first" text class="link first" data-fact="first" @click="emit('go', first.id)"
            >{{ first.name }} comes first</NButton
          >
        </h2>
        <PutIn :station="station" :made-words="madeWords ?? {}" />
        <slot name="in" />
        <StationDuties v-if="batch.report" :report="batch.report" :station="station" @go="emit('go', $event)" />
        <RoundList v-if="station.log.rounds?.length && !kind.byTaste" :station-id="station.id" />
        <slot name="below" />
      </section>
      <section class="plate do" :aria-label="`What is done at ${station.name}`">
        <h2>
          <i>2</i> {{ station.name }}
          <span class="soft" :title="station.minutes.clock > 600 ? '' : 'by the clock, and by hand'">{{ minutes }}</span>
          <span class="soft">{{ state }}</span>
        </h2>
        <slot />
        <StationForm :station="station" />
        <slot name="says" />
        <template v-for="s in leaves" :key="s.id">
          <KeepSide v-if="s.asLot" :station="station" :side="s.id" :name="s.name" />
          <KeepStuff v-else :station="station" :side="s.id" :name="s.name" />
        </template>
        <NButton v-if="rest" text class="link unfold" :aria-expanded="more" @click="unfold">{{
          more ? 'fewer settings and figures' : 'other settings and figures'
        }}</NButton>
        <template v-if="more">
          <StationForm :station="station" rest />
          <ToolField v-if="kind.tool" :station="station" @tool="tool" />
          <slot name="more" />
        </template>
      </section>
      <section class="plate" :aria-label="`What is measured at ${station.name}`">
        <h2><i>3</i> Look, weigh, read</h2>
        <LookFields :station="station" :next="next" @go="emit('go', $event)">
          <slot name="look" />
          <template #more><slot name="read" /></template>
        </LookFields>
      </section>
    </div>
  </section>
</template>

<style scoped>
.sheet-of-station {
  flex: 1;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.columns {
  flex: 1;
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr) minmax(0, 1fr);
  gap: 12px;
}
.columns > .plate {
  min-width: 0;
  padding: 10px 14px 12px;
}
.do {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
h2 {
  display: flex;
  align-items: baseline;
  gap: 8px;
  margin-bottom: 6px;
}
h2 i {
  font-style: normal;
}
h2 .soft {
  font:
    400 13px 'Hanken Grotesk Variable',
    sans-serif;
}
h2 .soft:first-of-type {
  margin-left: auto;
}
.first {
  margin-left: auto;
}
.unfold {
  align-self: start;
}
.columns :deep(dl > div) {
  padding: 3px 0;
}
.columns :deep(p.soft) {
  margin: 2px 0;
  font-size: 13.5px;
  line-height: 1.3;
}
/* What an act is called may take two lines: it never pushes its column out of the plate. */
.columns :deep(.n-button:not(.link)) {
  max-width: 100%;
  height: auto;
  min-height: var(--n-height);
  white-space: normal;
}
@media (min-width: 1001px) {
  .do :deep(svg.curve) {
    max-width: 260px;
    margin: 0 auto;
  }
  .unfold {
    min-height: 24px;
  }
}
@media (max-width: 1000px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
