<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import { questionKey, type Answer, type ReadItem } from '@roskel/core';
import { grams, inManner } from '../format';
import QuestionPlate from '../larder/QuestionPlate.vue';

/** A thing of a recipe: its words, the grams it became, what was assumed, and its question. */
const props = defineProps<{
  item: ReadItem;
  words: string;
  /** Colour of the station that it goes to. */
  tone: string;
  /** The bottled sauce that is used where the recipe names one. */
  sauce: string | null;
}>();
const emit = defineEmits<{ answer: [answer: Answer | 'out'] }>();

/** Its usual amount is being changed. */
const opened = ref(false);
const asks = computed(() => props.item.ask !== null && props.sauce === null);
const said = computed(() => {
  const i = props.item;
  if (props.sauce !== null) return `${grams(i.sauceG!)} of ${props.sauce}`;
  const how = [
    i.prep === 'cored' ? 'cored' : i.prep === 'seedsOut' ? 'seeds out' : i.prep === 'halfCored' ? 'half of them cored' : '',
    i.states?.includes('late') ? 'late' : '',
  ];
  return [grams(i.massG ?? 0), ...how.filter(Boolean)].join(', ');
});
/** What was assumed, told under the line. */
const assumed = computed(() => inManner(props.item.assumed.filter((a) => !/g per ml$/.test(a) && !props.item.usual).join('; ')));
</script>

<template>
  <div
    class="thing"
    :class="{ ask: asks }"
    data-line
    draggable="true"
    @dragstart="$event.dataTransfer?.setData('text/plain', questionKey(item))"
  >
    <span class="top">
      <span class="words" :style="{ '--tone': tone }">{{ words }}</span>
      <span v-if="!asks" class="g"
        ><NButton v-if="item.usual" text class="link how" :aria-label="`how much? ${item.name}`" @click="opened = true">how much?</NButton>
        <span data-fact="grams">{{ said }}</span></span
      >
    </span>
    <QuestionPlate v-if="asks" :item="item" @answer="emit('answer', $event)" />
    <QuestionPlate v-else-if="item.usual && opened" :item="{ ...item, ask: item.usual }" @answer="emit('answer', $event)" />
    <span v-else-if="assumed" class="soft small">{{ assumed }}</span>
  </div>
</template>

<style scoped>
.words {
  border-bottom: 3px solid var(--tone);
  min-width: 0;
  overflow-wrap: anywhere;
}
.thing {
  display: grid;
  gap: 2px;
  padding: 5px 6px 6px;
  border-bottom: 1px dashed var(--line);
  cursor: grab;
}
.thing.ask {
  background: var(--warn-plate);
  border-radius: 8px;
  cursor: auto;
}
.top {
  display: flex;
  gap: 12px;
  justify-content: space-between;
  align-items: baseline;
}
.g {
  flex: none;
  color: var(--soft);
  font-variant-numeric: tabular-nums;
}
.how {
  margin-right: 6px;
}
.small {
  font-size: 13px;
  line-height: 1.25;
}
</style>
