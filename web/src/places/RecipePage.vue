<script setup lang="ts">
import { NButton, NSpin } from 'naive-ui';
import { computed, onMounted, reactive, ref } from 'vue';
import { RouterLink, useRouter } from 'vue-router';
import { KITCHENS, STYLES, type Answer, type Kitchen, type ReadItem } from '@roskel/core';
import { beginPlan } from '../batch/beginPlan';
import BottledPick from '../batch/BottledPick.vue';
import { fullDay } from '../format';
import QuestionBox from '../recipe/QuestionBox.vue';
import RecipeFigures from '../recipe/RecipeFigures.vue';
import RecipeLine from '../recipe/RecipeLine.vue';
import RecipeText from '../recipe/RecipeText.vue';
import { EXAMPLES } from '../recipe/examples';
import { blankRecipe, useRecipe } from '../recipe/useRecipe';
import { useBatches } from '../stores/batches';
import { useLarder } from '../stores/larder';
import { useNotices } from '../stores/notices';
import { usePods } from '../stores/pods';
import DraftBar from '../ui/DraftBar.vue';
import PickField from '../ui/PickField.vue';
import TextField from '../ui/TextField.vue';
import { commitTyping } from '../ui/typing';
import { useDraft } from '../ui/useDraft';

/** Any recipe, as it is written, becomes a line: text, line and what comes of it side by side. */
const batches = useBatches();
const larder = useLarder();
const pods = usePods();
const notices = useNotices();
const router = useRouter();
const form = reactive(blankRecipe());
const draft = useDraft(() => 'recipe', form, blankRecipe);
const { answer, read, plan, working, open, asksHot, asksStands, eaten, word, kitchen, sauce, wish, say, move, now } = useRecipe(form);
const bottled = ref<InstanceType<typeof BottledPick> | null>(null);
const editing = ref(true);
const busy = ref(false);
const trouble = ref('');
onMounted(() => void Promise.all([pods.load(), larder.load(), batches.load()]).catch((e: unknown) => notices.fail(e)));

const SPOONS: Record<Kitchen, string> = {
  metric: 'Metric spoons and cups',
  us: 'US spoons and cups',
  au: 'Australian spoons and cups',
  uk: 'UK spoons and pints',
};
const kitchens = KITCHENS.map((k) => ({ value: k, label: SPOONS[k] }));
const sizes = [50, 100, 150, 200, 250, 330, 500, 750].map((ml) => ({ value: ml, label: `${ml} ml` }));
const styles = STYLES.map((s) => ({ value: s.id, label: s.name }));
const namesSauce = computed(() => read.value?.items.some((i) => i.sauceG !== undefined) ?? false);
const lines = computed(() => read.value?.items ?? []);
const done = computed(() => lines.value.length - open.value.length);
const out = computed(() => Object.values(form.answers).filter((a) => a === 'out').length);
const shown = computed(() => (read.value && read.value.lines.some((l) => l.kind !== 'empty') ? read.value : null));

const readingsSaid = computed(() => {
  const n = answer.value?.stood?.readings.length ?? 0;
  return n === 0 ? '' : n === 1 ? ', with a reading' : `, with ${n} readings`;
});
/** What a pH was read with decides what it is worth. */
const standAnswers = computed((): [string, string][] =>
  readingsSaid.value
    ? [
        ['meter', 'Yes, read by a meter'],
        ['strip', 'Yes, by strips'],
        ['no', 'No, it is still to be packed'],
      ]
    : [
        ['strip', 'Yes'],
        ['no', 'No, it is still to be packed'],
      ],
);

function other() {
  Object.assign(form, blankRecipe(), { bottleMl: form.bottleMl, kitchen: form.kitchen });
  editing.value = true;
}
function put(item: ReadItem, said: Answer | 'out') {
  say(item, said);
}
/** What is to be answered before a batch can begin; empty when all is. */
function unanswered(): string {
  const lines = open.value.length === 1 ? 'One line has' : `${open.value.length} lines have`;
  if (open.value.length > 0) return `${lines} a question still. Answer it, or leave the thing out.`;
  return asksStands.value ? 'Say first whether its jar stands already.' : '';
}
async function start() {
  if (busy.value) return;
  commitTyping();
  trouble.value = '';
  busy.value = true;
  try {
    const made = await now();
    // Asked of what was just read: a text pasted a moment ago has questions of its own.
    trouble.value = unanswered();
    if (trouble.value) return;
    if (!made) return void (trouble.value = answer.value?.trouble || 'Paste a recipe first: its things, and what is done with them.');
    const file = { ...made.file, recipe: form.text.trim().slice(0, 20_000) };
    const record = await beginPlan(
      { ...made, file },
      wish.value.name.slice(0, 60),
      [],
      async (g) => (await bottled.value?.open(g)) ?? null,
    );
    await draft.done();
    await router.push({ name: 'batch', params: { id: record.id } });
  } catch (e) {
    trouble.value = (e as Error).message;
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <div class="page">
    <header class="head">
      <div>
        <RouterLink class="crumb" to="/batches">Batches</RouterLink>
        <h1>Start from a recipe</h1>
      </div>
      <PickField
        class="kitchen"
        label="Whose spoons"
        hide-label
        small
        :model-value="kitchen"
        :options="kitchens"
        @update:model-value="form.kitchen = $event"
      />
      <p v-if="lines.length" class="soft status" role="status" data-fact="read">
        {{ done }} of {{ lines.length }} things read<template v-if="open.length">, {{ open.length }} to answer</template
        ><template v-if="out">, {{ out }} left out</template>
      </p>
      <NSpin v-if="working" :size="16" />
      <span class="push" />
      <NButton v-if="form.text" @click="other">Other text</NButton>
      <NButton type="primary" :loading="busy" :disabled="!form.text.trim()" @click="start">Start this batch</NButton>
    </header>
    <DraftBar :show="draft.takenUp.value" @anew="draft.anew" />
    <p v-if="trouble" class="field-error" role="alert">{{ trouble }}</p>
    <div class="three">
      <section class="plate" aria-label="As it was written">
        <div class="title">
          <h2>As it was written</h2>
          <NButton v-if="shown" text class="link" @click="editing = !editing">{{
            editing ? 'Hide the text field' : 'Edit the text'
          }}</NButton>
        </div>
        <TextField
          v-if="editing || !shown"
          v-model="form.text"
          label="The recipe: text, a list, or a page"
          :rows="shown ? 5 : 14"
          :maxlength="200000"
          placeholder="ten red jalapeños, seeds out&#10;a cup of white sugar, about 200 g&#10;half a cup of rice vinegar or 125 ml&#10;Char the peppers 8 minutes, add the rest and simmer ten minutes. Blend, strain and bottle hot."
        />
        <div v-if="!shown" class="examples">
          <span class="soft">Or look at one:</span>
          <NButton v-for="e in EXAMPLES" :key="e.name" size="small" @click="form.text = e.text">{{ e.name }}</NButton>
        </div>
        <QuestionBox
          v-if="asksHot"
          :ask="'&quot;Hot&quot;: 82 °C or more by a thermometer makes a cupboard of it; warm does not.'"
          :answers="[
            ['measured', 'I will measure'],
            ['warm', 'It will be warm'],
          ]"
          @say="form.hot = $event as 'measured' | 'warm'"
        />
        <QuestionBox
          v-if="asksStands"
          :ask="`“${asksStands.says}”: does its jar stand already, since ${fullDay(asksStands.since)}${readingsSaid}?`"
          :answers="standAnswers"
          @say="form.stands = $event as 'meter' | 'strip' | 'no'"
        />
        <p v-else-if="answer?.stood && form.stands !== 'no'" class="soft note">
          It began on {{ fullDay(answer.stood.since) }}{{ readingsSaid }}.
          <NButton text class="link" @click="form.stands = null">Ask again</NButton>
        </p>
        <BottledPick v-if="namesSauce" ref="bottled" v-model="form.bottled" @sauce="sauce = $event" />
        <RecipeText v-if="shown" :read="shown" :plan="plan" :kitchen="kitchen" :stands="sauce?.stuff.name ?? null" @answer="put" />
      </section>
      <section class="plate" aria-label="The line">
        <h2>The line it makes</h2>
        <p v-if="shown && plan && !shown.recipe" class="soft">
          Nothing is said of what is done, so it is made as
          <PickField
            label="Which kind of sauce"
            hide-label
            small
            :model-value="plan.file.style"
            :options="styles"
            @update:model-value="form.style = $event"
          />
        </p>
        <RecipeLine v-if="plan && shown" :plan="plan" :read="shown" @move="move" />
        <p v-if="plan?.steps" class="soft small">
          Order and times are the recipe’s. Click a thing to put it at another step, or drag its line there.
        </p>
        <p v-if="!plan" class="soft">
          {{
            answer?.trouble ||
            'Its stations stand here as soon as there is a recipe: in its order, with its times, everything where it goes.'
          }}
        </p>
      </section>
      <section class="plate answer" aria-label="What comes of it">
        <h2>What comes of it</h2>
        <RecipeFigures v-if="plan" :plan="plan" :eaten="eaten" :word="word" />
        <p v-else class="soft">Heat, pH, salt, body, yield, time and keeping, before anything is cooked.</p>
        <div class="fields">
          <TextField v-model="form.name" label="Name" :maxlength="60" :placeholder="wish.name" />
          <PickField v-model="form.bottleMl" label="Filled into" :options="sizes" />
        </div>
      </section>
    </div>
  </div>
</template>

<style scoped>
.kitchen {
  width: 210px;
}
.status {
  margin: 0;
}
.three {
  display: grid;
  grid-template-columns: minmax(0, 1.32fr) minmax(0, 1.2fr) minmax(0, 0.98fr);
  gap: 12px;
  align-items: start;
}
.plate {
  display: grid;
  gap: 8px;
  padding: 12px 16px 14px;
  align-content: start;
}
.title {
  display: flex;
  justify-content: space-between;
  align-items: center;
  height: 28px;
}
h2 {
  font-size: 17px;
  line-height: 28px;
  margin: 0;
}
p {
  margin: 0;
}
.examples {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.small {
  font-size: 13px;
}
.note {
  padding: 7px 9px;
  background: var(--warn-plate);
  border-radius: 10px;
}
.answer {
  background: var(--active);
}
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
@media (max-width: 1000px) {
  .three {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
