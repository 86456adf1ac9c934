<script setup lang="ts">
import { computed } from 'vue';
import { questionKey, type Answer, type Kitchen, type Plan, type ReadItem, type ReadText, type Step } from '@roskel/core';
import ThingRow from './ThingRow.vue';
import { TONES } from './tones';

/** A recipe as it was written: each thing underlined in the colour of the station it goes to, grams beside it, questions in place. */
const props = defineProps<{ read: ReadText; plan: Plan | null; kitchen: Kitchen; stands: string | null }>();
const emit = defineEmits<{ answer: [item: ReadItem, answer: Answer | 'out'] }>();

const things = computed(() => props.read.recipe?.things ?? []);
/** The step that a thing first goes in at. */
function stepOf(item: ReadItem): Step | null {
  const i = things.value.findIndex((t) => questionKey(t.item) === questionKey(item));
  return props.read.recipe?.strands.flat().find((s) => s.puts.some((p) => p.thing === i)) ?? null;
}
const tone = (step: Step | null) => (step ? TONES[step.kind] : 'transparent');
/** A bottled sauce stands for one that the recipe names. */
const sauceOf = (i: ReadItem) => (i.sauceG !== undefined ? props.stands : null);
/** Things that only the method names. */
const inMethod = computed(() => things.value.filter((t) => t.inMethod).map((t) => t.item));
const keptAsNote = { title: 'title', note: 'kept as a note', heading: '' } as const;
/** Lines of a method are told in their pieces, in their order. */
const methodOf = computed(() => {
  let n = 0;
  return props.read.lines.map((l) => (l.kind === 'method' ? (props.read.recipe?.method[n++] ?? [{ text: l.text, step: null }]) : []));
});
</script>

<template>
  <div class="written">
    <template v-for="(l, n) in read.lines" :key="n">
      <p v-if="l.kind === 'title' || l.kind === 'note'" class="soft aside">
        {{ l.text }} <i>({{ keptAsNote[l.kind] }})</i>
      </p>
      <h3 v-else-if="l.kind === 'heading'">{{ l.text.replace(/:$/, '') }}</h3>
      <p v-else-if="l.kind === 'method'" class="method">
        <template v-for="(p, k) in methodOf[n]" :key="k"
          ><span v-if="p.step" class="piece" :style="{ '--tone': tone(p.step) }">{{ p.text.trim() }}</span
          ><span v-else class="unread">{{ p.text.trim() }}</span> {{ ' ' }}</template
        >
      </p>
      <template v-else-if="l.kind === 'thing'">
        <ThingRow
          v-for="i in l.items"
          :key="questionKey(i)"
          :item="i"
          :words="l.items.length > 1 ? i.name.split(',')[0]! : l.text"
          :tone="tone(stepOf(i))"
          :sauce="sauceOf(i)"
          @answer="emit('answer', i, $event)"
        />
      </template>
    </template>
    <template v-if="inMethod.length">
      <h3>In the method</h3>
      <ThingRow
        v-for="i in inMethod"
        :key="questionKey(i)"
        :item="i"
        :words="i.name.split(',')[0]!"
        :tone="tone(stepOf(i))"
        :sauce="sauceOf(i)"
        @answer="emit('answer', i, $event)"
      />
    </template>
  </div>
</template>

<style scoped>
.written {
  display: grid;
  gap: 2px;
  align-content: start;
}
h3 {
  font-size: 14px;
  margin: 8px 0 0;
}
p {
  margin: 0;
}
.aside {
  font-size: 14px;
}
.method {
  line-height: 1.75;
  padding-top: 6px;
}
.piece {
  border-bottom: 3px solid var(--tone);
}
.unread {
  color: var(--soft);
}
</style>
