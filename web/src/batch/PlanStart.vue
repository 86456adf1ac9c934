<script setup lang="ts">
import { computed, onMounted, reactive, ref } from 'vue';
import { RouterLink, useRouter } from 'vue-router';
import { NButton, NForm, NSpin } from 'naive-ui';
import { BOTTLE_SIZES, GoalSchema, STYLES, styleOf } from '@roskel/core';
import { plural, shu } from '../format';
import { useBatches } from '../stores/batches';
import { useLarder } from '../stores/larder';
import { useNotices } from '../stores/notices';
import { usePods } from '../stores/pods';
import { heatColour } from '../theme';
import DraftBar from '../ui/DraftBar.vue';
import NumberField from '../ui/NumberField.vue';
import PickField from '../ui/PickField.vue';
import RadioCards from '../ui/RadioCards.vue';
import TextField from '../ui/TextField.vue';
import TickField from '../ui/TickField.vue';
import { commitTyping } from '../ui/typing';
import { useDraft } from '../ui/useDraft';
import { beginPlan } from './beginPlan';
import BottledPick from './BottledPick.vue';
import PlanAnswer from './PlanAnswer.vue';
import { blankPlan, usePlan } from './usePlan';

/** From what is there, or from a recipe, and what is wished to a whole plan, answered while one types. */
const emit = defineEmits<{ done: [] }>();
const batches = useBatches();
const pods = usePods();
const larder = useLarder();
const notices = useNotices();
const router = useRouter();
const form = reactive(blankPlan());
const draft = useDraft(() => 'plan', form, blankPlan);
const bottled = ref<InstanceType<typeof BottledPick> | null>(null);
const { plan, trouble, working, sauce, have, words, word, offered, lots, wish, empty, now } = usePlan(form);
const busy = ref(false);
onMounted(() => void Promise.all([pods.load(), larder.load(), batches.load()]).catch((e: unknown) => notices.fail(e)));

const levels = computed(() =>
  words.value.map((w) => ({
    value: w.name as string,
    title: w.name,
    says: `${shu(w.lowShu)} to ${shu(w.highShu)} SHU`,
    mid: Math.sqrt(w.lowShu * w.highShu),
  })),
);
const styles = STYLES.map((s) => ({ value: s.id, label: s.name }));
const sizes = [
  ...BOTTLE_SIZES.map((s) => ({ value: s.ml as number, label: `${s.name}, ${s.ml} ml` })),
  ...[50, 200, 330, 750].map((ml) => ({ value: ml, label: `${ml} ml` })),
].sort((a, b) => a.value - b.value);
const Bottles = GoalSchema.properties.bottles;
const shortName = (key: string) => (larder.row(key)?.name ?? key).split(',')[0]!.toLowerCase();
const swap = (key: string, by: string) => (form.swaps = { ...form.swaps, [key]: by });
/** Those that this style takes. */
const swapped = computed(() => Object.entries(form.swaps).filter(([, by]) => plan.value?.file.ingredients.some((i) => i.key === by)));

/** What must be said before anything can begin; empty when all is. */
function missing(): string {
  if (!empty.value) return '';
  return pods.items.length ? 'Say which pods you have, or take them from your lots.' : 'Say which pods you have, such as "15 hot pods".';
}
async function start() {
  if (busy.value) return;
  commitTyping();
  trouble.value = missing();
  if (trouble.value) return;
  busy.value = true;
  try {
    const answer = await now();
    if (!answer) return;
    const record = await beginPlan(answer, wish.value.name, have.value.pods, async (g) => (await bottled.value?.open(g)) ?? null);
    if (form.toLarder) for (const t of have.value.things) if (t.massG !== null) await larder.add(t.id, t.name, t.massG, t.says);
    await draft.done();
    emit('done');
    await router.push({ name: 'batch', params: { id: record.id } });
  } catch (e) {
    trouble.value = (e as Error).message;
  } finally {
    busy.value = false;
  }
}
/** What somebody may have, to be clicked by one who has nothing to say yet. */
const EXAMPLES = [
  '15 hot pods, garlic, vinegar',
  '1 kg of ripe fresnos, salt, a 500 ml jar',
  '3 habaneros, a mango, 2 limes, medium',
] as const;
</script>

<template>
  <NForm class="plan" @submit.prevent="start">
    <div class="ask">
      <DraftBar :show="draft.takenUp.value" @anew="draft.anew" />
      <p class="soft or">
        Made by a recipe? <RouterLink class="link" to="/batches/from-a-recipe">Paste it</RouterLink>, and it becomes its own line. No idea
        yet? <RouterLink class="link" to="/batches/ideas">What could I make?</RouterLink>
      </p>
      <TextField
        v-model="form.text"
        label="What do you have? In your own words, or paste a list"
        :rows="3"
        :maxlength="20000"
        placeholder="15 hot pods, garlic, vinegar"
      />
      <p v-if="form.text.trim() === ''" class="examples">
        <span class="soft">Or try:</span>
        <NButton v-for="e in EXAMPLES" :key="e" size="small" @click="form.text = e">{{ e }}</NButton>
      </p>
      <PickField v-model="form.style" label="Which kind of sauce" :options="styles" />
      <p class="soft kind">{{ styleOf(form.style).says }}</p>
      <p v-if="offered" class="note offer">
        This reads like: {{ offered.name }}.
        <NButton size="small" @click="form.style = offered.id">Make it one</NButton>
      </p>
      <TickField
        v-if="have.things.some((t) => t.massG !== null)"
        v-model="form.toLarder"
        label="I have these: put them into my larder too"
      />
      <TickField v-if="lots.length" v-model="form.fromLots" :label="`Choose from my ${plural(lots.length, 'lot')} as well`" />
      <p v-if="swapped.length" class="soft kind">
        With
        <template v-for="([key, by], n) in swapped" :key="key"
          >{{ n ? ', ' : '' }}{{ shortName(by) }} in the place of {{ shortName(key) }}</template
        >. <NButton text class="link" @click="form.swaps = {}">Back to the style’s own</NButton>
      </p>
      <BottledPick v-if="styleOf(form.style).takesSauce" ref="bottled" v-model="form.bottled" @sauce="sauce = $event" />
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
      <PlanAnswer v-if="plan" :plan="plan" :working="working" :word="word" swappable @swap="swap" />
      <p v-else-if="!trouble" class="soft">
        Say what you have, and the plan stands here at once: pods, what fills the bottles, the odds, and what to buy.
      </p>
      <p v-if="have.wishes.length" class="soft">Wished as well, for the tasting: {{ have.wishes.join(', ') }}.</p>
      <p v-if="have.unknown.length" class="note">Not understood, and left out: {{ have.unknown.join(', ') }}.</p>
      <div class="go">
        <p v-if="trouble" class="field-error" role="alert">{{ trouble }}</p>
        <NButton type="primary" attr-type="submit" :loading="busy" block>Start this batch</NButton>
      </div>
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
  /* In sight beside a long list, and the button stays where it is, whatever the plan says. */
  position: sticky;
  top: 0;
  align-self: start;
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
  display: grid;
  gap: 8px;
  margin-top: auto;
}
.examples {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
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
  .answer {
    position: static;
  }
  .ask :deep(.cards) {
    grid-template-columns: 1fr 1fr !important;
  }
}
</style>
