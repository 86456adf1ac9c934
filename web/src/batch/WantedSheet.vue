<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import { NButton } from 'naive-ui';
import { RouterLink } from 'vue-router';
import {
  addDays,
  clashesOf,
  occupiesOf,
  planBack,
  STARTERS,
  SURE,
  withBackPlan,
  type BackPlan,
  type KitchenClash,
  type Forecast,
  type ForecastInput,
  oddsText,
} from '@roskel/core';
import { day, degrees, plural, today, weekday } from '../format';
import { useNotices } from '../stores/notices';
import { useOpenBatch } from '../stores/openBatch';
import { useToday } from '../stores/today';
import { useJarStock } from '../today/useJarStock';
import DateField from '../ui/DateField.vue';
import SheetCard from '../ui/SheetCard.vue';
import { bench } from '../worker/client';

/** From the day a sauce is wanted back to the day it must begin, with the odds of making it, and what could give. */
const show = defineModel<boolean>('show', { required: true });
const batch = useOpenBatch();
const wanted = ref<string>(addDays(today(), 21));
/** A warmer place, the upper end of what suits a jar (handbook chapter 4, section 1.7). */
const WARMER_C = 23;
/** A free day with worse odds is no advice (our judgement). */
const SLIM = 0.1;
/** As far as a plan looks, days. */
const FAR = 120;
interface Way {
  name: string;
  forecast: Forecast;
  tempC: number;
}
const ways = shallowRef<readonly Way[]>([]);
const jar = computed(() => batch.report?.forecasts[0] ?? null);
watch(
  [show, jar],
  async () => {
    if (!show.value || !jar.value) return;
    const { asked } = jar.value;
    const plain: ForecastInput = { ...asked, readings: [], temps: [], now: null, horizonDays: FAR };
    const asks: [string, ForecastInput][] = [
      [`as planned, ${degrees(asked.tempC)}`, plain],
      ...(asked.tempC < WARMER_C ? [[`at ${degrees(WARMER_C)}`, { ...plain, tempC: WARMER_C }] as [string, ForecastInput]] : []),
      ['with a twentieth of lively brine', { ...plain, conditions: { ...asked.conditions, starter: STARTERS.brine } }],
    ];
    const found: Way[] = [];
    for (const [name, input] of asks) {
      const answer = await bench().jar(input);
      if (answer.ok) found.push({ name, forecast: answer.answer, tempC: input.tempC });
    }
    ways.value = found;
  },
  { immediate: true },
);
const todays = useToday();
const stock = useJarStock();
onMounted(() => void todays.refresh().catch((e: unknown) => useNotices().fail(e)));
/** What this batch, begun by a plan, would want at once with the others. */
function clashing(plan: BackPlan, tempC: number): KitchenClash[] {
  const { file, report } = batch;
  if (!file || !report || !(plan.days > 0)) return [];
  const planned = withBackPlan(file, jar.value!.stationId, plan, tempC);
  const own = { id: batch.id, name: file.name, startDate: plan.start, begun: false, occupies: occupiesOf(planned, report, today()) };
  const others = todays.occupants.filter((o) => o.id !== batch.id);
  // Over by the day it is wanted: later days are others' affair.
  const since = plan.start > today() ? plan.start : today();
  return clashesOf([...others, own], stock.value, since, wanted.value).filter((c) => c.batchIds.includes(batch.id));
}
const told = computed(() => {
  const file = batch.file;
  if (!file || !jar.value) return { why: 'This batch has no jar: it is ready on the day its last step is done.' };
  try {
    return {
      ways: ways.value.map((w) => {
        const taken = (p: BackPlan) => clashing(p, w.tempC).length > 0;
        const back = planBack(file, jar.value!.stationId, w.forecast, wanted.value, today(), taken);
        return { ...w, back, clashes: clashing(back.latest ?? back.now, w.tempC) };
      }),
    };
  } catch (e) {
    if (e instanceof RangeError) return { why: `${e.message}.` };
    throw e;
  }
});
function begin(plan: BackPlan, tempC: number) {
  batch.change('wanted by', withBackPlan(batch.file!, jar.value!.stationId, plan, tempC));
  show.value = false;
}
const says = (p: BackPlan) => `${plural(p.days, 'day')} in the jar; ${oddsText(p.odds)} are ready in time`;
</script>

<template>
  <SheetCard v-model:show="show" title="Wanted by a day" :width="640">
    <DateField :model-value="wanted" label="Wanted by" @update:model-value="wanted = $event ?? wanted" />
    <p v-if="'why' in told" class="field-error" role="alert">{{ told.why }}</p>
    <template v-else>
      <p v-if="told.ways.length === 0" class="soft">Working it out.</p>
      <section v-for="w in told.ways" :key="w.name" class="way" :data-back="w.name">
        <h3>Jar {{ w.name }}</h3>
        <p v-if="w.back.latest">
          Begin by <b>{{ weekday(w.back.latest.start) }}</b>: {{ says(w.back.latest) }}.
          <NButton size="small" @click="begin(w.back.latest, w.tempC)">Begin then</NButton>
        </p>
        <p v-else>No start from today on leaves {{ Math.round(SURE * 10) }} in 10 ready in time.</p>
        <template v-if="w.clashes.length">
          <p v-for="c in w.clashes" :key="`${c.kind}${c.from}`" class="field-error" :data-clash="c.kind">
            {{ day(c.from) }}{{ c.to === c.from ? '' : ` to ${day(c.to)}` }}: {{ c.says }}
          </p>
          <p v-if="w.back.free && w.back.free.odds >= SLIM" data-free>
            Free: begin on <b>{{ weekday(w.back.free.start) }}</b>: {{ says(w.back.free) }}.
            <NButton size="small" @click="begin(w.back.free, w.tempC)">Begin on the free day</NButton>
          </p>
          <p v-else class="soft">
            The days that are free of it leave too little time. Another batch may give way: <RouterLink to="/today">Today</RouterLink> says
            how.
          </p>
        </template>
        <p v-if="w.back.now.days > 0" class="soft">
          Begun today: {{ says(w.back.now) }}. <NButton text class="link" @click="begin(w.back.now, w.tempC)">begin today</NButton>
        </p>
        <p v-else class="soft">Its other steps alone take longer than that.</p>
      </section>
      <p class="soft">
        A forecast is no promise: the jar is ready when two readings say so. Lively brine goes in by your hand; the line does not count it.
      </p>
    </template>
  </SheetCard>
</template>

<style scoped>
.way {
  padding: 6px 0;
  border-bottom: 1px dashed var(--line);
}
p {
  margin: 4px 0;
}
</style>
