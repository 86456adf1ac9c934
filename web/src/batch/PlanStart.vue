<script setup lang="ts">
import { computed, onMounted, reactive, ref, shallowRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { NButton, NForm, NSpin } from 'naive-ui';
import { BARE_LOT } from '@roskel/contract';
import {
  endStrands,
  kindKey,
  mainEnd,
  BOTTLE_SIZES,
  GoalSchema,
  HEAT_WORDS,
  readHave,
  seedOf,
  STYLES,
  styleOf,
  vesselOf,
  styleOfList,
  type Have,
  type Needed,
  type Plan,
  type PodLot,
} from '@roskel/core';
import { grams, odds, plural, shu, today } from '../format';
import { useBatches } from '../stores/batches';
import { useLarder } from '../stores/larder';
import { useNotices } from '../stores/notices';
import { usePods } from '../stores/pods';
import { heatColour } from '../theme';
import DraftBar from '../ui/DraftBar.vue';
import { manner } from '../ui/manner';
import NumberField from '../ui/NumberField.vue';
import PickField from '../ui/PickField.vue';
import RadioCards from '../ui/RadioCards.vue';
import TextField from '../ui/TextField.vue';
import TickField from '../ui/TickField.vue';
import { commitTyping } from '../ui/typing';
import { useDraft } from '../ui/useDraft';
import { bench, latest, stoppable } from '../worker/client';

/** From what is there and what is wished to a whole plan, answered while one types. */
const emit = defineEmits<{ done: [] }>();
const batches = useBatches();
const pods = usePods();
const larder = useLarder();
const notices = useNotices();
const router = useRouter();
const blank = () => ({
  text: '',
  fromLots: false,
  heat: 'medium' as string | null,
  bottles: 6,
  bottleMl: 100,
  name: '',
  style: 'brine-ferment',
});
const form = reactive(blank());
const draft = useDraft(() => 'plan', form, blank);
const plan = shallowRef<Plan | null>(null);
const trouble = ref('');
const working = ref(false);
const busy = ref(false);
onMounted(() => void Promise.all([pods.load(), larder.load(), batches.load()]).catch((e: unknown) => notices.fail(e)));

const own = computed(() => larder.rows.filter((r) => r.key.startsWith('own')));
/** What is only named becomes a lot of the store when the batch starts: it has its number from the beginning. */
const stamp = Date.now().toString(36);
const lotId = (n: number | string) => `lot-${stamp}-${seedOf(form.text).toString(36)}-${n}`;
const have = computed<Have>(() => readHave(form.text, manner.kitchen, own.value, lotId));
/** What stands in the words themselves wins over the fields, and shows in them. */
watch(have, (h) => {
  if (h.bottles) form.bottles = h.bottles;
  if (h.bottleMl) form.bottleMl = h.bottleMl;
  const word = h.heat && HEAT_WORDS.find((w) => w.lowShu === h.heat!.lowShu);
  if (word) form.heat = word.name;
});
const levels = HEAT_WORDS.map((w) => ({
  value: w.name as string,
  title: w.name,
  says: `like ${w.like}`,
  mid: Math.sqrt(w.lowShu * w.highShu),
}));
const styles = STYLES.map((s) => ({ value: s.id, label: s.name }));
/** The style that the list reads like, while it is another one. */
const offered = computed(() => {
  const found = styleOfList(
    form.text,
    have.value.things.map((t) => kindKey(larder.row(t.id) ?? { key: t.id })),
  );
  return found && found.id !== form.style ? found : null;
});
const word = computed(() => HEAT_WORDS.find((w) => w.name === form.heat) ?? HEAT_WORDS[1]);
const sizes = [
  ...BOTTLE_SIZES.map((s) => ({ value: s.ml as number, label: `${s.name}, ${s.ml} ml` })),
  ...[50, 200, 330, 750].map((ml) => ({ value: ml, label: `${ml} ml` })),
].sort((a, b) => a.value - b.value);
const lots = computed(() => pods.items.filter((p) => p.stockG - p.promised.reduce((s, x) => s + x.g, 0) > 5));
const wish = computed(() => ({
  name: form.name.trim() || `Batch ${batches.items.length + 1}`,
  startDate: today(),
  style: form.style,
  goal: { lowShu: word.value.lowShu, highShu: word.value.highShu, bottles: form.bottles, bottleMl: form.bottleMl },
  pods: [
    ...have.value.pods,
    ...(form.fromLots
      ? lots.value.map((p) => ({ lot: p.lot, stockG: p.stockG - p.promised.reduce((s, x) => s + x.g, 0), useFirst: p.useFirst }))
      : []),
  ],
  things: have.value.things,
  rows: larder.rows,
  boughtId: lotId('bought'),
  larder: larder.items
    .filter((l) => l.stockG > 0)
    .map((l) => ({ id: l.ingredientKey, name: larder.row(l.ingredientKey)?.name ?? l.ingredientKey, massG: l.stockG, says: '' })),
}));
const planned = (w: typeof wish.value) => stoppable(bench().plan(JSON.parse(JSON.stringify(w)) as typeof w, today()));
const ask = latest(planned);
let timer: ReturnType<typeof setTimeout> | undefined;
watch(
  () => JSON.stringify({ ...wish.value, name: '', rows: own.value }),
  () => {
    clearTimeout(timer);
    trouble.value = '';
    if (wish.value.pods.length === 0) return void (plan.value = null);
    timer = setTimeout(() => void work(), 350);
  },
  { immediate: true },
);
async function work() {
  working.value = true;
  const answer = await ask(wish.value).catch((e: unknown) => {
    notices.fail(e);
    return null;
  });
  working.value = false;
  if (!answer) return;
  plan.value = answer.ok ? answer.answer : null;
  trouble.value = answer.ok ? '' : answer.message;
}
const list = (things: readonly Needed[]) => things.map((t) => `${grams(t.needG)} ${t.name.split(',')[0]!.toLowerCase()}`).join(', ');

/** A lot of the plan comes into the store, unless an attempt before this one brought it there. */
async function stock(lot: PodLot, stockG: number, says: string) {
  if (!pods.items.some((p) => p.lot.id === lot.id)) await pods.add({ ...BARE_LOT, lot, gotOn: today() }, stockG, says);
}

async function start() {
  if (busy.value) return;
  commitTyping();
  if (wish.value.pods.length === 0)
    return void (trouble.value = pods.items.length
      ? 'Say which pods you have, or take them from your lots.'
      : 'Say which pods you have, such as "15 hot pods".');
  busy.value = true;
  try {
    // The plan of what stands here now, not one that is still on its way.
    clearTimeout(timer);
    const answer = await planned(wish.value);
    if (!answer?.ok) return void (trouble.value = answer?.message ?? 'That was stopped. Try again.');
    const { file, bought } = answer.answer;
    for (const p of have.value.pods) await stock(p.lot, p.stockG, p.says.slice(0, 80));
    if (bought) await stock(bought, 0, 'to be bought');
    const record = await batches.startFile({ ...file, name: wish.value.name });
    await draft.done();
    emit('done');
    await router.push({ name: 'batch', params: { id: record.id } });
  } catch (e) {
    trouble.value = (e as Error).message;
  } finally {
    busy.value = false;
  }
}
const Bottles = GoalSchema.properties.bottles;
</script>

<template>
  <NForm class="plan" @submit.prevent="start">
    <div class="ask">
      <DraftBar :show="draft.takenUp.value" @anew="draft.anew" />
      <TextField
        v-model="form.text"
        label="What do you have? In your own words, or paste a list"
        :rows="3"
        :maxlength="20000"
        placeholder="15 hot pods, garlic, vinegar"
      />
      <TickField v-if="lots.length" v-model="form.fromLots" :label="`Choose from my ${plural(lots.length, 'lot')} as well`" />
      <PickField v-model="form.style" label="Which kind of sauce" :options="styles" />
      <p class="soft kind">{{ styleOf(form.style).says }}</p>
      <p v-if="offered" class="note offer">
        This reads like: {{ offered.name }}.
        <NButton size="small" @click="form.style = offered.id">Make it one</NButton>
      </p>
      <RadioCards v-model="form.heat" label="How hot" :columns="3" :options="levels">
        <template #default="{ option }">
          <span class="level">
            <i :style="{ background: heatColour(option.mid) }" />
            <span
              ><b>{{ option.title }}</b
              ><span class="soft says">{{ option.says }}</span></span
            >
          </span>
        </template>
      </RadioCards>
      <div class="three">
        <NumberField label="Bottles" :model-value="form.bottles" :schema="Bottles" @update:model-value="form.bottles = $event!" />
        <PickField v-model="form.bottleMl" label="Of which size" :options="sizes" />
        <TextField v-model="form.name" label="Name" :maxlength="60" :placeholder="`Batch ${batches.items.length + 1}`" />
      </div>
    </div>
    <div class="answer" role="status" aria-label="The plan">
      <h3>The plan <NSpin v-if="working" :size="16" /></h3>
      <template v-if="plan">
        <p class="figures">
          <b>{{
            plural(
              endStrands(plan.file).reduce((n, s) => n + s.goal.bottles, 0),
              vesselOf(plan.file),
            )
          }}</b>
          of {{ mainEnd(plan.file).goal.bottleMl }} ml,
          <b>{{ shu(plan.heat.p10) }} to {{ shu(plan.heat.p90) }} SHU</b>
        </p>
        <p>
          <b data-fact="odds">{{ odds(plan.odds) }}</b> batches like this come out {{ word.name }} ({{ shu(word.lowShu) }} to
          {{ shu(word.highShu) }}).
        </p>
        <p><b>Takes</b> {{ list(plan.uses) || 'nothing you have' }}.</p>
        <p v-if="plan.toBuy.length"><b>To buy</b> {{ list(plan.toBuy) }}.</p>
        <p v-for="n in plan.notes" :key="n" class="note">{{ n }}</p>
      </template>
      <p v-else-if="!trouble" class="soft">
        Say what you have, and the plan stands here at once: pods, what fills the bottles, the odds, and what to buy.
      </p>
      <p v-if="have.unknown.length" class="note">Not understood, and left out: {{ have.unknown.join(', ') }}.</p>
      <p v-if="trouble" class="field-error" role="alert">{{ trouble }}</p>
      <NButton type="primary" attr-type="submit" class="go" :loading="busy" block>Start this batch</NButton>
    </div>
  </NForm>
</template>

<style scoped>
.plan {
  display: grid;
  grid-template-columns: minmax(0, 1.55fr) minmax(0, 1fr);
  gap: 22px;
}
.ask,
.answer {
  display: grid;
  gap: 10px;
  align-content: start;
}
.answer {
  /* The button stays where it is, whatever the plan says. */
  display: flex;
  flex-direction: column;
  min-height: 396px;
  padding: 12px 16px;
  background: var(--active);
  border-radius: 12px;
}
h3 {
  font-size: 17px;
  display: flex;
  gap: 8px;
  align-items: center;
}
p {
  margin: 0;
  line-height: 1.35;
}
.kind {
  margin-top: -6px;
}
.offer {
  display: flex;
  gap: 10px;
  align-items: center;
  justify-content: space-between;
}
.figures {
  font-size: 17px;
}
.go {
  margin-top: auto;
}
.note {
  padding: 8px 10px;
  background: var(--warn-plate);
  border-radius: 10px;
}
.three {
  display: grid;
  grid-template-columns: 90px 1fr 1fr;
  gap: 10px;
}
.level {
  display: grid;
  grid-template-columns: 12px 1fr;
  gap: 8px;
  align-items: center;
}
.level i {
  height: 30px;
  border-radius: 5px 5px 8px 8px;
}
.says {
  display: block;
  font-size: 13px;
  line-height: 1.2;
}
@media (max-width: 760px) {
  .plan {
    grid-template-columns: 1fr;
  }
  .ask :deep(.cards) {
    grid-template-columns: 1fr 1fr !important;
  }
}
</style>
