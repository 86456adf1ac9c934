<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue';
import {
  addStation,
  countedIn,
  differences,
  doubleStation,
  joinStrand,
  LineProblem,
  moveIntake,
  moveStation,
  prepareApart,
  putStation,
  reportTypical,
  ReshapeProblem,
  shareOut,
  STATION_KINDS,
  stationIn,
  stationKind,
  stationsOf,
  takeOutStation,
  type BatchFile,
  type KindName,
  type LinePlace,
} from '@roskel/core';
import { capital, today } from '../format';
import { useOpenBatch } from '../stores/openBatch';
import { useSettings } from '../stores/settings';
import { useUndo } from '../stores/undo';
import { useKeys } from '../ui/keys';
import PickField, { type ChoiceGroup } from '../ui/PickField.vue';
import { intakeWords } from './intakes';
import ApartSheet from './ApartSheet.vue';
import ShareSheet from './ShareSheet.vue';
import { useLineDrag } from './useLineDrag';

/** The line is changed here, at the station that is chosen: every act has a key and an undo, and says what it did. */
const props = defineProps<{ stationId: string }>();
const emit = defineEmits<{ choose: [id: string]; done: []; aim: [to: LinePlace | null] }>();
const batch = useOpenBatch();
const settings = useSettings();
const undo = useUndo();
const said = ref('');
const refused = ref('');
const apart = ref(false);
const sharing = ref(false);
const file = computed(() => batch.file!);
const entry = computed(() => stationIn(file.value, props.stationId) ?? file.value.strands[0]!.stations[0]!);
const strand = computed(() => file.value.strands.find((s) => s.stations.includes(entry.value))!);
watch(
  () => props.stationId,
  () => (refused.value = ''),
);

/** What an act moved, from the typical values before and after it. */
function told(before: BatchFile, after: BatchFile): string {
  const school = settings.value.school;
  try {
    const [a, b] = [before, after].map((f) => reportTypical(countedIn(f, school), today()));
    const moved = differences(a!, b!).map((d) => d.text);
    return moved.length > 0 ? `${moved.join(', ')}.` : 'No figure of the sauce moved.';
  } catch (error) {
    if (!(error instanceof LineProblem)) throw error;
    return `The line stops: ${error.message}`;
  }
}
/** Does an act, or says why it cannot be. */
function act(label: string, make: (f: BatchFile) => BatchFile, then?: (f: BatchFile) => string) {
  const before = file.value;
  try {
    const after = make(before);
    batch.change(label, batch.carried(after));
    refused.value = '';
    said.value = `${capital(label)}: ${told(before, after)}`;
    const to = then?.(after) ?? props.stationId;
    emit('choose', stationIn(after, to) ? to : after.strands[0]!.stations[0]!.id);
  } catch (error) {
    if (!(error instanceof ReshapeProblem)) throw error;
    refused.value = error.message;
    said.value = '';
  }
}
/** The station that came with an act. */
const newcomer = (before: BatchFile) => (after: BatchFile) => {
  const had = new Set(stationsOf(before).map((s) => s.entry.id));
  return stationsOf(after).find((s) => !had.has(s.entry.id))?.entry.id ?? props.stationId;
};
const KINDS = STATION_KINDS.filter((k) => !k.bottled);
const kinds = KINDS.map((k) => ({ value: k.kind, label: `${k.name}: ${k.verb.toLowerCase()}`, short: k.name }));
const title = computed(() => stationKind(entry.value.kind).name);
const name = computed(() => title.value.toLowerCase());
const add = (kind: KindName, where: 'before' | 'after') =>
  act(
    `${stationKind(kind).name.toLowerCase()} added`,
    (f) => addStation(f, kind, { stationId: props.stationId, where }),
    newcomer(file.value),
  );
const move = (by: 1 | -1) => act(`${name.value} moved`, (f) => moveStation(f, props.stationId, by));
/** A station that is dragged: of any strand, not only the one that is chosen. */
const put = (id: string, to: LinePlace) =>
  act(
    `${stationKind(stationIn(file.value, id)!.kind).name.toLowerCase()} moved`,
    (f) => putStation(f, id, to),
    () => id,
  );
const double = () => act(`${name.value} doubled`, (f) => doubleStation(f, props.stationId), newcomer(file.value));
/** Where one stands when a station is gone: at the next of its strand. */
function takeOut() {
  const { stations } = strand.value;
  const at = stations.findIndex((e) => e.id === props.stationId);
  const next = stations[at + 1] ?? stations[at - 1];
  act(
    `${name.value} taken out`,
    (f) => takeOutStation(f, props.stationId),
    (f) => next?.id ?? f.strands[0]!.stations[0]!.id,
  );
}
const putInto = (intakeId: string, to: string) =>
  act(
    'an ingredient moved',
    (f) => moveIntake(f, { stationId: props.stationId, intakeId }, to),
    () => to,
  );
function doApart(ids: string[], title: string, kind: KindName) {
  apart.value = false;
  act('prepared apart', (f) => prepareApart(f, props.stationId, ids, title, kind), newcomer(file.value));
}
/** Shared out where the strand ends in bottles; elsewhere the first strand that this one leads to. */
const endStrand = computed(() => (strand.value.goal ? strand.value : file.value.strands.find((s) => s.goal)!));
function doShare(bowls: number) {
  sharing.value = false;
  act('shared out', (f) => shareOut(f, endStrand.value.id, bowls), newcomer(file.value));
}
const others = computed<ChoiceGroup<string>[]>(() =>
  file.value.strands
    .filter((s) => s.id !== strand.value.id)
    .map((s) => ({ title: s.name, list: s.stations.map((e) => ({ value: e.id, label: stationKind(e.kind).name })) })),
);
const places = computed<ChoiceGroup<string>[]>(() =>
  file.value.strands.map((s) => ({
    title: s.name,
    list: s.stations.filter((e) => e.id !== props.stationId).map((e) => ({ value: e.id, label: stationKind(e.kind).name })),
  })),
);
const join = (to: string) =>
  act(
    'joined',
    (f) => joinStrand(f, strand.value.id, to),
    () => to,
  );
const things = computed(() => entry.value.intakes.map((x) => ({ id: x.id, name: intakeWords(file.value, x).name.split(',')[0]! })));
const moving = ref<string | null>(null);
/** Acts that ask for one thing: what is chosen is done at once. */
const lists = computed(() => [
  {
    key: 'before',
    label: 'Add a station before',
    placeholder: 'Add before',
    options: kinds,
    run: (k: string) => add(k as KindName, 'before'),
  },
  { key: 'after', label: 'Add a station after', placeholder: 'Add after', options: kinds, run: (k: string) => add(k as KindName, 'after') },
  {
    key: 'behind',
    label: 'Move behind',
    placeholder: 'Move behind',
    options: places.value,
    run: (to: string) => put(props.stationId, { stationId: to, where: 'after' }),
  },
  ...(others.value.length > 0
    ? [{ key: 'join', label: 'Join this strand to', placeholder: 'Join to', options: others.value, run: join }]
    : []),
]);

const bar = useTemplateRef<HTMLElement>('bar');
/** Puts the cursor into one of the lists of this bar. */
const focus = (which: string) => bar.value?.querySelector<HTMLElement>(`[data-pick="${which}"] [role="combobox"]`)?.focus();
/** Chosen what: where comes next. */
async function lift(id: string) {
  moving.value = id;
  await nextTick();
  focus('place');
}
useKeys('Steps', [
  { key: 'b', says: 'add a station before', run: () => focus('before') },
  { key: 'a', says: 'add a station after', run: () => focus('after') },
  { key: 'm', says: 'move on', run: () => move(1) },
  { key: 'n', says: 'move back', run: () => move(-1) },
  { key: 'v', says: 'move behind another station', run: () => focus('behind') },
  { key: 'd', says: 'double', run: double },
  { key: 'x', says: 'take out', run: takeOut },
  { key: 'p', says: 'prepare apart', run: () => (apart.value = true) },
  { key: 'o', says: 'share out', run: () => (sharing.value = true) },
  { key: 'j', says: 'join to another strand', run: () => focus('join') },
  { key: 'i', says: 'put an ingredient elsewhere', run: () => focus('thing') },
  { key: 'l', says: 'done changing', run: () => emit('done') },
]);

useLineDrag({
  thing: (intakeId, to) => to !== props.stationId && putInto(intakeId, to),
  station: (id, to) => id !== to.stationId && put(id, to),
  aim: (to) => emit('aim', to),
});
</script>

<template>
  <section ref="bar" class="plate change" aria-label="Steps">
    <div class="acts">
      <h2>
        Steps <span class="soft">at {{ title }}, {{ strand.name }}</span>
      </h2>
      <span v-for="p in lists" :key="p.key" class="pick" :data-pick="p.key">
        <PickField
          hide-label
          :label="p.label"
          :placeholder="p.placeholder"
          :model-value="null"
          :options="p.options"
          @update:model-value="p.run"
        />
      </span>
      <NButton @click="move(-1)">Move back</NButton>
      <NButton @click="move(1)">Move on</NButton>
      <NButton @click="double">Double</NButton>
      <NButton @click="takeOut">Take out</NButton>
      <NButton @click="apart = true">Prepare apart</NButton>
      <NButton @click="sharing = true">Share out</NButton>
      <NButton class="push" :disabled="!undo.last" @click="undo.undo()">Undo</NButton>
      <NButton type="primary" @click="emit('done')">Done changing</NButton>
    </div>
    <p class="soft">Drag a station by its name in the picture to where it shall stand.</p>
    <div v-if="things.length" class="things">
      <span class="soft">Drag onto a station:</span>
      <span v-for="t in things" :key="t.id" class="change-thing" :data-thing="t.id">{{ t.name }}</span>
      <span class="pick" data-pick="thing"
        ><PickField
          label="Put elsewhere, what"
          hide-label
          placeholder="Put"
          :model-value="moving"
          :options="things.map((t) => ({ value: t.id, label: t.name }))"
          @update:model-value="lift"
      /></span>
      <span v-if="moving" class="pick" data-pick="place"
        ><PickField
          label="Put elsewhere, where"
          hide-label
          placeholder="into"
          :model-value="null"
          :options="places"
          @update:model-value="(to) => (putInto(moving!, to), (moving = null))"
      /></span>
    </div>
    <p v-if="refused" class="field-error" role="alert">{{ refused }}</p>
    <p v-else-if="said" role="status" data-fact="change">{{ said }}</p>
    <ApartSheet v-model:show="apart" :station-id="stationId" :name="title" @apart="doApart" />
    <ShareSheet v-model:show="sharing" :name="endStrand.name" @share="doShare" />
  </section>
</template>

<style scoped>
.change {
  padding: 8px 14px 10px;
  flex: none;
}
.acts,
.things {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 8px;
  align-items: center;
}
.acts h2 {
  margin: 0 8px 0 0;
}
.acts h2 .soft {
  font:
    400 13.5px 'Hanken Grotesk Variable',
    sans-serif;
}
.pick {
  width: 132px;
}
.things {
  margin-top: 6px;
}
.change-thing {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
  padding: 0 14px;
  border: 1.5px solid var(--rim);
  border-radius: 22px;
  background: var(--plate);
  cursor: grab;
  touch-action: none;
  user-select: none;
}
.change-thing.dragged {
  cursor: grabbing;
  position: relative;
  z-index: 5;
}
p {
  margin: 6px 0 0;
}
</style>
