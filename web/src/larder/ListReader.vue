<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref, watch } from 'vue';
import { KITCHENS, readLine, recipeIn, recipeLines, type Kitchen, type ReadItem } from '@roskel/core';
import { grams, inManner } from '../format';
import { useLarder } from '../stores/larder';
import { useSettings } from '../stores/settings';
import PickField from '../ui/PickField.vue';
import TextField from '../ui/TextField.vue';

/** Reads a pasted list line by line: grams and what was assumed, or a question with answers to choose from. */
const settings = useSettings();
const larder = useLarder();
const text = defineModel<string>({ default: '' });
/** The sauce from the shelf that stands for one which the list names; null where none can. */
const props = defineProps<{ sauce?: string | null }>();
/** A Recipe of the web (JSON-LD, or a page that holds one) becomes its list. */
const emit = defineEmits<{ named: [name: string] }>();
watch(
  text,
  (t) => {
    const found = recipeIn(t);
    if (!found) return;
    text.value = found.ingredients.join('\n');
    if (found.name) emit('named', found.name);
  },
  { flush: 'sync' },
);
const NAMES: Record<Kitchen, string> = { metric: 'metric', us: 'US', au: 'Australia', uk: 'UK' };
const kitchenChoices = KITCHENS.map((k) => ({ value: k, label: NAMES[k] }));
/** Another kitchen for one line, by its words. */
const kitchens = ref(new Map<string, Kitchen>());
const own = computed(() => larder.rows.filter((r) => r.key.startsWith('own')));
const kitchenOf = (line: string) => kitchens.value.get(line) ?? settings.value.kitchen;
const lines = computed(() => recipeLines(text.value).flatMap((l) => readLine(l, kitchenOf(l), own.value)));
const isSauce = (i: ReadItem) => i.sauceG !== undefined && !!props.sauce;
const open = computed(() => lines.value.filter((i) => i.ask && !isSauce(i)));
const read = computed(() => lines.value.filter((i) => isSauce(i) || (!i.ask && i.store !== null && i.massG !== null)));
defineExpose({ read, open });

function answer(item: ReadItem, line: string) {
  text.value = text.value
    .split(/\r?\n/)
    .map((l) => (l.trim() === item.text ? line : l))
    .join('\n');
}
function setKitchen(item: ReadItem, k: Kitchen) {
  kitchens.value = new Map([...kitchens.value, [item.text, k]]);
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
      <li v-for="(i, n) in lines" :key="n" :class="{ ask: i.ask && !isSauce(i) }" data-line>
        <template v-if="i.ask && !isSauce(i)">
          <b>{{ i.text }}</b>
          <span>{{ i.ask.ask }}</span>
          <span v-if="i.ask.options.length" class="options">
            <NButton v-for="o in i.ask.options" :key="o.line" @click="answer(i, o.line)">{{ o.say }}</NButton>
          </span>
        </template>
        <template v-else>
          <span class="top"
            ><b>{{ isSauce(i) ? sauce : i.name }}</b> <b class="g" data-fact="grams">{{ grams(i.sauceG ?? i.massG!) }}</b></span
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
.options {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  padding: 4px 0;
}
p {
  margin: 4px 0 0;
}
</style>
