<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import {
  couldKeepText,
  fillings,
  fillsText,
  HEATED,
  MOST_ATM,
  stationIn,
  StationLogSchema,
  withGoal,
  type BottleKind,
  type LogChange,
  type StationReport,
  type Tool,
} from '@roskel/core';
import { degrees, fullDay, grams, inManner, plural } from '../format';
import { useTools } from '../stores/own';
import { usePanel } from './panel';
import StationSheet from '../batch/StationSheet.vue';
import { CAP_NAMES } from '../house/tools';
import BoilClock from './BoilClock.vue';
import BottleShape from '../ui/BottleShape.vue';
import DateField from '../ui/DateField.vue';
import FactRows from '../ui/FactRows.vue';
import NumberField from '../ui/NumberField.vue';
import TextField from '../ui/TextField.vue';
import TickField from '../ui/TickField.vue';

const props = defineProps<{ station: StationReport<'bottle'> }>();
const { batch, params, facts } = usePanel<'bottle'>(props);
const tools = useTools();
onMounted(() => void tools.load().catch(() => undefined));
const P = StationLogSchema.properties;
const log = computed(() => stationIn(batch.file!, props.station.id)?.log ?? props.station.log);
const refused = ref<ReturnType<typeof batch.setLog>>(null);
const setLog = (change: LogChange) => void (refused.value = batch.setLog(props.station.id, change));
const refusedAt = (field: string) => (refused.value?.field === field ? inManner(refused.value.message) : null);
const filled = computed(() => facts.value?.bottles ?? 0);
const over = computed(() => Math.round(facts.value?.overMl ?? 0));
const part = computed(() => Math.min(1, over.value / (facts.value?.bottleMl ?? 1)));
const end = computed(() => batch.report?.ends.find((e) => e.stationId === props.station.id) ?? null);
const fewer = computed(() => (facts.value ? facts.value.wanted - filled.value : 0));
const shapes = computed(() => Math.min(filled.value, 10));
/** A kind of bottle brings its size along. */
function chosen(tool: Tool) {
  const e = end.value;
  if (e && tool.volumeMl && tool.volumeMl !== e.goal.bottleMl)
    batch.change(`bottles of ${tool.volumeMl} ml`, withGoal(batch.file!, e.strandId, { ...e.goal, bottleMl: tool.volumeMl }));
}
const kinds = computed<BottleKind[]>(() => {
  const mine = tools.items
    .filter((o) => o.value.kind === 'bottle' && o.value.volumeMl)
    .map((o) => ({ id: o.id, name: o.value.name, ml: o.value.volumeMl! }));
  const now = facts.value?.bottleMl ?? 0;
  return now > 0 && !mine.some((k) => k.ml === now) ? [{ id: 'now', name: 'as planned', ml: now }, ...mine] : mine;
});
const kindsOfBottle = computed(() => {
  const f = facts.value;
  if (!f || kinds.value.length < 2) return [];
  return fillings(f.filledMl + f.overMl, params.value.headspacePct, kinds.value).slice(0, 4);
});
const atm = (x: number) => (x < 10 ? x.toFixed(1) : String(Math.round(x)));
const rows = computed<[string, string][]>(() => {
  const f = facts.value;
  if (!f) return [];
  return [
    ...(filled.value > 0 ? [['Fill each with', `${grams(f.perBottleG)}, ${Math.round(f.perBottleMl)} ml`] as [string, string]] : []),
    ...(f.onScaleG === null || filled.value === 0
      ? []
      : [['The scale then shows', `${grams(f.onScaleG)} with the glass`] as [string, string]]),
  ];
});
const others = computed<[string, string][]>(() => {
  const f = facts.value;
  if (!f || filled.value === 0) return [];
  const p = f.pressure;
  return [
    ['Boil the empty bottles for', `${f.sterilisingMin} min`],
    ...(p
      ? [
          ['Sugar left for yeast', `about ${p.sugarGPerL.toFixed(0)} g a litre`] as [string, string],
          ['It could press', `${atm(p.fridge)} atm cold, ${atm(p.warm)} warm; ${MOST_ATM} is the most`] as [string, string],
        ]
      : []),
    ...(f.cap ? [['Closed with', CAP_NAMES[f.cap]] as [string, string]] : []),
  ];
});
const of = computed(() => `${batch.id}/${end.value?.strandId}`);
const live = computed(() => end.value?.state === 'live');
/** What the table allows, once it is filled. */
const table = computed(() => (log.value.doneOn ? (end.value?.keeping?.useBy ?? null) : null));
</script>

<template>
  <StationSheet :station="station" @tool="chosen">
    <template #in>
      <p v-if="filled > 0 && !station.done" class="clock">
        <BoilClock :batch-id="batch.id" :station-id="station.id" :minutes="facts!.sterilisingMin" />
      </p>
      <p v-if="end?.keeping" class="keep" data-fact="keep" :data-of="of"><b>Keep:</b> {{ inManner(end.keeping.text) }}</p>
      <p v-if="end?.couldKeep" class="keep soft" data-fact="could-keep">{{ inManner(couldKeepText(end.couldKeep)) }}</p>
    </template>
    <div class="row">
      <BottleShape v-for="n in shapes" :key="n" :hex="station.now.hex" :fill="1" :live="live" :size="66" />
      <span v-if="filled > shapes" class="soft">and {{ filled - shapes }} more</span>
      <BottleShape v-if="over > 0 && filled < 10" :hex="station.now.hex" :fill="part" :live="live" :size="66" ghost />
    </div>
    <p>
      <b data-fact="bottles" :data-of="of">{{ plural(filled, 'bottle') }}</b> of {{ end?.goal.bottleMl }} ml<template v-if="fewer > 0"
        >, {{ fewer }} fewer than wanted</template
      >; {{ over }} ml left over.
    </p>
    <p v-if="end && log.bottles === undefined && filled > 0" class="keep" data-fact="fills" :data-of="of">{{ fillsText(end) }}</p>
    <FactRows :rows="rows" />
    <template #read>
      <template v-if="params.fill === 'hot'">
        <NumberField
          label="Hot when filled"
          unit="°C"
          :model-value="log.fillC"
          :schema="P.fillC"
          optional
          :digits="0"
          live="temp"
          :likely="{ word: 'at least', value: HEATED.c }"
          @update:model-value="setLog({ fillC: $event })"
        />
        <TickField
          v-if="log.fillC === undefined"
          :label="inManner(`${degrees(HEATED.c)} or more, by a thermometer`)"
          :model-value="log.hotByThermometer === true"
          data-fact="hot"
          @update:model-value="setLog({ hotByThermometer: $event })"
        />
      </template>
    </template>
    <template #more>
      <template v-if="log.doneOn">
        <DateField
          label="Your own last day"
          :model-value="log.ownUntil ?? null"
          optional
          :trouble="refusedAt('ownUntil')"
          @update:model-value="setLog({ ownUntil: $event })"
        />
        <DateField
          label="In the freezer since"
          :model-value="log.frozenOn ?? null"
          optional
          :trouble="refusedAt('frozenOn') ?? batch.troubleAt(station.id, 'log/frozenOn')"
          @update:model-value="setLog({ frozenOn: $event })"
        />
        <TextField
          v-if="log.ownUntil"
          label="Why"
          :model-value="log.ownWhy ?? ''"
          :maxlength="200"
          placeholder="colour fades by then"
          @update:model-value="setLog({ ownWhy: $event })"
        />
        <p v-if="log.ownUntil && table" class="soft said" data-fact="own">
          {{
            log.ownUntil <= table
              ? `Shelf and label go by your day; the table would allow ${fullDay(table)}.`
              : `Kept as yours. The table allows ${fullDay(table)}: shelf and label say that.`
          }}
        </p>
      </template>
      <FactRows :rows="others" />
      <ul v-if="kindsOfBottle.length" class="kinds" aria-label="In your kinds of bottle">
        <li v-for="f in kindsOfBottle" :key="f.kind.id" data-filling>
          <b>{{ f.count }} × {{ f.kind.ml }} ml</b>
          <span class="soft"
            >{{ f.kind.name }}:
            {{
              f.rest ? `the rest fills one ${f.rest.kind.name} to ${Math.round(100 * f.rest.share)} %` : `${Math.round(f.leftMl)} ml left`
            }}</span
          >
        </li>
      </ul>
      <p v-if="params.fill === 'hot'" class="keep">
        {{ inManner(`Hot-filled: the whole sauce held at 82 °C for 10 min, and filled at ${degrees(HEATED.c)} or more.`) }}
      </p>
    </template>
  </StationSheet>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  align-items: end;
  border-bottom: 5px solid var(--rim);
  padding: 4px 4px 0;
}
.clock {
  margin: 8px 0 0;
}
.keep {
  margin: 4px 0 0;
  font-size: 14px;
  line-height: 1.35;
}
.said {
  margin: 0;
  font-size: 13px;
  line-height: 1.3;
}
.kinds {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
  font-size: 14px;
}
.kinds b {
  white-space: nowrap;
}
.kinds li {
  display: flex;
  gap: 10px;
  padding: 2px 0;
}
</style>
