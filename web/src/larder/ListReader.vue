<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import {
  answered,
  asText,
  KITCHENS,
  questionKey,
  recipeIn,
  textLines,
  type Answer,
  type Kitchen,
  type ReaderAnswers,
  type ReadItem,
} from '@roskel/core';
import { grams, inManner } from '../format';
import { useLarder } from '../stores/larder';
import { useSettings } from '../stores/settings';
import PickField from '../ui/PickField.vue';
import TextField from '../ui/TextField.vue';
import QuestionPlate from './QuestionPlate.vue';

/** Reads a pasted list line by line: grams and what was assumed, or a question with answers to choose from. */
const settings = useSettings();
const larder = useLarder();
const text = defineModel<string>({ default: '' });
const answers = defineModel<ReaderAnswers>('answers', { default: () => ({}) });
/** A Recipe of the web (JSON-LD, or a page that holds one) becomes its list. */
watch(
  text,
  (t) => {
    const found = recipeIn(t);
    if (found) text.value = asText({ ...found, name: '', steps: [] });
  },
  { flush: 'sync' },
);
const NAMES: Record<Kitchen, string> = { metric: 'metric', us: 'US', au: 'Australia', uk: 'UK' };
const kitchenChoices = KITCHENS.map((k) => ({ value: k, label: NAMES[k] }));
/** Another kitchen for one line, by its words. */
const kitchens = ref<Record<string, Kitchen>>({});
const own = computed(() => larder.rows.filter((r) => r.key.startsWith('own')));
const kitchenOf = (line: string) => kitchens.value[line] ?? settings.value.kitchen;
const lines = computed(() =>
  textLines(text.value, settings.value.kitchen, own.value, kitchens.value).flatMap((l) =>
    l.items.flatMap((i) => answered(i, answers.value) ?? []),
  ),
);
const open = computed(() => lines.value.filter((i) => i.ask));
const read = computed(() => lines.value.filter((i) => !i.ask && i.store !== null && i.massG !== null));
defineExpose({ read, open });

function answer(item: ReadItem, said: Answer | 'out') {
  answers.value = { ...answers.value, [questionKey(item)]: said };
}
function setKitchen(item: ReadItem, k: Kitchen) {
  kitchens.value = { ...kitchens.value, [item.text]: k };
}
</script>

<template>
  <div class="reader">
    <TextField
      v-model="text"
      label="Ingredient list, one thing to a line, as it is written"
      :rows="7"
      :maxlength="200000"
      placeholder="3 cloves garlic, crushed&#10;1 1/2 cups diced carrot&#10;juice of 2 limes&#10;1 x 410 g tin tomatoes"
    />
    <p v-if="lines.length" class="soft" role="status" data-fact="read">
      {{ read.length }} read<template v-if="open.length">, {{ open.length }} to answer</template>
    </p>
    <ul>
      <li v-for="(i, n) in lines" :key="n" :class="{ ask: i.ask }" data-line>
        <template v-if="i.ask">
          <b>{{ i.text }}</b>
          <QuestionPlate :item="i" @answer="answer(i, $event)" />
        </template>
        <template v-else>
          <span class="top"
            ><b>{{ i.name }}</b> <b class="g" data-fact="grams">{{ grams(i.massG!) }}</b></span
          >
          <span class="soft"
            >{{ i.text }}<template v-if="i.assumed.length">: {{ inManner(i.assumed.join('; ')) }}</template></span
          >
        </template>
        <PickField
          class="which"
          small
          hide-label
          :label="`Kitchen of ${i.text}`"
          :model-value="kitchenOf(i.text)"
          :options="kitchenChoices"
          @update:model-value="setKitchen(i, $event)"
        />
      </li>
    </ul>
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
  max-height: 44vh;
  overflow: auto;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(92px, 112px);
  gap: 1px 12px;
  padding: 5px 8px;
  border-bottom: 1px dashed var(--line);
  line-height: 1.25;
}
li > * {
  grid-column: 1;
}
li > .which {
  grid-column: 2;
  grid-row: 1 / span 2;
  align-self: center;
}
li.ask {
  background: var(--warn-plate);
  border-radius: 8px;
}
.g {
  flex: none;
  white-space: nowrap;
}
.top {
  display: flex;
  justify-content: space-between;
  gap: 10px;
}
.soft {
  font-size: 13px;
}
p {
  margin: 4px 0 0;
}
</style>
