<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import {
  ALONG,
  ingredient,
  isIn,
  isTapWater,
  KNIFE,
  ownThing,
  stationIn,
  stationKind,
  storeOf,
  withIn,
  withIntakes,
  WORTH_BUYING_G,
  type Ingredient,
  type Intake,
  type Preparation,
  type StationReport,
} from '@roskel/core';
import LiveTake from '../devices/LiveTake.vue';
import { grams } from '../format';
import { useLarder } from '../stores/larder';
import { useNeeds } from '../stores/needs';
import { useOpenBatch } from '../stores/openBatch';
import { usePods } from '../stores/pods';
import { useStored } from '../stores/stored';
import AmountField from '../ui/AmountField.vue';
import TickField from '../ui/TickField.vue';
import AddThing from './AddThing.vue';
import KnifeField from '../pods/KnifeField.vue';
import ShareField from './ShareField.vue';
import { gramsIn, intakeWords } from './intakes';

/**
 * What goes in at a station, the same at every one: what comes along, things of the larder, pods, kept things, what this
 * batch makes, and what the station puts in itself. Each has its grams large and a tick for when it is in.
 */
const props = defineProps<{ station: StationReport; madeWords: Readonly<Record<string, string>> }>();
const batch = useOpenBatch();
const larder = useLarder();
const pods = usePods();
const stored = useStored();
const needs = useNeeds();
void needs.load();
void larder.load();
void pods.load();
void stored.load();
/** Empty for a moment when the station was just taken out: the page follows. */
const entry = computed(() => stationIn(batch.file!, props.station.id) ?? { ...batch.file!.strands[0]!.stations[0]!, intakes: [] });
const lasts = computed(() => stationKind(props.station.kind).lasts === true);
const trouble = (i: number) =>
  batch.troubleAt(props.station.id, `intakes/${i}/amount`) ??
  batch.troubleAt(props.station.id, `intakes/${i}/amount/g`) ??
  batch.troubleAt(props.station.id, `intakes/${i}`);
const put = (intakes: Intake[]) => batch.setIntakes(props.station.id, intakes);
const change = (i: number, to: Partial<Intake>) => put(entry.value.intakes.map((x, k) => (k === i ? { ...x, ...to } : x)));
function late(i: number, on: boolean) {
  const { late: _, ...rest } = entry.value.intakes[i]!;
  put(entry.value.intakes.map((x, k) => (k === i ? { ...rest, ...(on ? { late: true as const } : {}) } : x)));
}
const drop = (i: number) => put(entry.value.intakes.filter((_, k) => k !== i));

const LIQUID = { pieces: {}, measure: { cup: 242, tbsp: 15.1, tsp: 5 }, density: 1.02 };
/** What a spoon of it weighs. */
function measure({ origin }: Intake): Pick<Ingredient, 'key' | 'name' | 'pieces' | 'measure' | 'density'> {
  if (origin.from === 'larder')
    return batch.file!.ingredients.find((r) => r.key === origin.key) ?? larder.row(origin.key) ?? ingredient(origin.key);
  const pod = origin.from === 'pods' ? batch.file!.lots.find((l) => l.id === origin.lotId) : undefined;
  const pieces: Ingredient['pieces'] = pod?.podMassG ? { pod: pod.podMassG, piece: pod.podMassG } : {};
  return { key: '', name: 'it', ...LIQUID, pieces };
}
const lotOf = ({ origin }: Intake) => (origin.from === 'pods' ? (batch.file!.lots.find((l) => l.id === origin.lotId) ?? null) : null);
const prepOf = ({ origin }: Intake): Preparation => (origin.from === 'pods' ? origin.prep : 'whole');
const isOutlet = ({ origin }: Intake) => origin.from === 'strand' || origin.from === 'side';

/** Ticked off once it is in the bowl; what is done has everything in it. */
const ticked = (thing: string) => props.station.done || isIn(batch.file!, props.station.id, thing);
const tick = (thing: string, on: boolean) => batch.change('a tick', withIn(batch.file!, props.station.id, thing, on));
/** What comes along the strand, and from where. */
const before = computed(() => {
  const strand = batch.report?.strands.find((s) => s.id === props.station.strandId);
  const id = strand?.stationIds[strand.stationIds.indexOf(props.station.id) - 1];
  const from = batch.report?.stations.find((s) => s.id === id);
  return from && props.station.inG > 0
    ? {
        name: `From ${from.name}`,
        massG: props.station.inG,
        says: from.log.massG === undefined ? (from.done ? 'worked out' : 'planned') : 'weighed',
      }
    : null;
});
/** Vessels it is shared out among. */
const vessels = computed(() => stationKind(props.station.kind).vessels?.(entry.value.params)?.count ?? 1);
const each = (g: number) => (vessels.value > 1 ? `${grams(g / vessels.value)} in each of ${vessels.value}` : '');
/** What the stores hold of something, g; null while that is not known yet. */
function thereG({ origin }: Intake): number | null {
  const sum = (items: readonly { stockG: number }[]) => items.reduce((g, i) => g + i.stockG, 0);
  if (origin.from === 'larder' && larder.state === 'ready') return sum(larder.items.filter((l) => l.ingredientKey === origin.key));
  if (origin.from === 'pods' && pods.state === 'ready') return sum(pods.items.filter((p) => p.lot.id === origin.lotId));
  if (origin.from === 'stored' && stored.state === 'ready') return sum(stored.items.filter((p) => p.id === origin.id));
  return null;
}
const idIn = ({ origin }: Intake): string => storeOf(origin)?.id ?? '';
const WHERE: Record<string, string> = { larder: 'in the larder', pods: 'there', stored: 'kept' };
/**
 * Whether there is enough of it: what this batch lacks by the list of all batches; never less than what is typed here and
 * not there, which that list may not know yet.
 */
function stock(x: Intake): { says: string; short: boolean } {
  const there = thereG(x);
  if (props.station.done || there === null || (x.origin.from === 'larder' && isTapWater(x.origin.key))) return { says: '', short: false };
  const said = needs.shorts.find((s) => s.batchId === batch.id && s.store === x.origin.from && s.id === idIn(x));
  const lacks = Math.max((gramsIn(x)?.g ?? 0) - there, said?.shortG ?? 0);
  return lacks >= WORTH_BUYING_G
    ? { says: `${grams(lacks)} to buy`, short: true }
    : { says: `enough ${WHERE[x.origin.from]}`, short: false };
}
/** The thing whose weighing, knife and time are open. */
const changing = ref<string | null>(null);
/** What the scale says goes in, and is in: one act. */
function weighed(i: number, id: string, g: number) {
  const intakes = entry.value.intakes.map((x, k) => (k === i ? { ...x, amount: { g } } : x));
  const file = batch.carried(withIntakes(batch.file!, props.station.id, intakes));
  batch.change(`${grams(g)} weighed in`, withIn(file, props.station.id, id, true));
  changing.value = null;
}
</script>

<template>
  <div class="put-in">
    <ul>
      <li v-if="before" data-intake="before">
        <TickField
          hide-label
          :disabled="station.done"
          :label="`${before.name}: is in`"
          :model-value="ticked(ALONG)"
          @update:model-value="tick(ALONG, $event)"
        />
        <span class="what"
          ><b>{{ before.name }}</b
          ><span class="soft">{{ before.says }}</span></span
        >
        <b class="grams">{{ grams(before.massG) }}</b>
      </li>
      <li v-for="(x, i) in entry.intakes" :key="x.id" :data-intake="x.id" :class="{ in: ticked(x.id) }">
        <TickField
          hide-label
          :disabled="station.done"
          :label="`${intakeWords(batch.file!, x).name}: is in`"
          :model-value="ticked(x.id)"
          @update:model-value="tick(x.id, $event)"
        />
        <span class="what">
          <b>{{ intakeWords(batch.file!, x).name }}</b>
          <span class="soft"
            ><span
              v-if="stock(x).says"
              :class="{ short: stock(x).short }"
              :data-fact="stock(x).short ? 'short' : undefined"
              :data-of="stock(x).short ? `${batch.id} ${x.origin.from} ${idIn(x)}` : undefined"
              >{{ stock(x).says }}</span
            >
            <span v-if="lotOf(x) && prepOf(x) !== 'whole'">{{ KNIFE[prepOf(x)].name }}</span>
            <span v-if="lasts && x.late">in the last minutes</span>
            <NButton
              text
              class="link"
              :aria-label="`Change ${intakeWords(batch.file!, x).name}`"
              :aria-expanded="changing === x.id"
              @click="changing = changing === x.id ? null : x.id"
              >change</NButton
            >
          </span>
        </span>
        <ShareField
          v-if="isOutlet(x)"
          :label="intakeWords(batch.file!, x).name"
          :amount="x.amount"
          :comes-to="station.enters.grams[x.id] ?? null"
          :trouble="trouble(i)"
          @change="change(i, { amount: $event })"
        />
        <AmountField
          v-else
          class="amount"
          :label="`${intakeWords(batch.file!, x).name}, amount`"
          hide-label
          :mass-g="gramsIn(x)?.g ?? 0"
          :words="gramsIn(x)?.words"
          :what="measure(x)"
          :trouble="trouble(i)"
          @change="(g, w) => change(i, { amount: { g, words: w } })"
        />
        <div v-if="changing === x.id" class="more">
          <LiveTake v-if="gramsIn(x)" quantity="mass" :field="intakeWords(batch.file!, x).name" @take="(g) => weighed(i, x.id, g)" />
          <KnifeField
            v-if="lotOf(x)"
            :prep="prepOf(x)"
            :lot="lotOf(x)!"
            @update:prep="x.origin.from === 'pods' && change(i, { origin: { ...x.origin, prep: $event } })"
          />
          <TickField
            v-if="lasts"
            :label="`${intakeWords(batch.file!, x).name} in the last minutes`"
            :model-value="x.late === true"
            @update:model-value="late(i, $event)"
            >in the last minutes</TickField
          >
          <NButton text class="link" :aria-label="`Leave out ${intakeWords(batch.file!, x).name}`" @click="drop(i)">leave out</NButton>
        </div>
      </li>
      <li v-for="m in station.made" :key="m.id" :data-intake="`own ${m.id}`">
        <TickField
          hide-label
          :disabled="station.done"
          :label="`${m.name}: is in`"
          :model-value="ticked(ownThing(m.id))"
          @update:model-value="tick(ownThing(m.id), $event)"
        />
        <span class="what"
          ><b>{{ m.name }}</b
          ><span class="soft">{{ [each(m.massG), madeWords[m.id]].filter(Boolean).join('; ') }}</span></span
        >
        <b class="grams" :data-fact="`${m.id}G`">{{ grams(m.massG) }}</b>
      </li>
    </ul>
    <AddThing :station="station" :entry="entry" @put="put" />
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0 0 6px;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) minmax(84px, auto);
  gap: 0 10px;
  align-items: center;
  padding: 3px 0;
  border-bottom: 1px dashed var(--line);
}
.what {
  display: grid;
  line-height: 1.2;
}
.what b {
  font-weight: 500;
}
.what b::first-letter {
  text-transform: uppercase;
}
.what .soft {
  display: flex;
  flex-wrap: wrap;
  gap: 0 10px;
  font-size: 13px;
  align-items: center;
}
.what .link {
  min-height: 24px;
  font-size: 13px;
}
.short {
  color: var(--warn);
  font-weight: 600;
}
.grams {
  font-size: 20px;
  text-align: right;
}
.amount {
  width: 118px;
}
.amount :deep(input) {
  font-size: 17px;
  text-align: right;
}
.in .what b {
  color: var(--soft);
}
.more {
  grid-column: 2 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  align-items: center;
}
@media (max-width: 760px) {
  .what .link {
    min-height: 44px;
  }
}
</style>
