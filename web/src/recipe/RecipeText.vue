<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import { questionKey, type Answer, type Kitchen, type Plan, type ReadItem, type ReadText, type Step } from '@roskel/core';
import { grams, inManner } from '../format';
import QuestionPlate from '../larder/QuestionPlate.vue';
import { TONES } from './tones';

/** A recipe as it was written: each thing underlined in the colour of the station it goes to, grams beside it, questions in place. */
const props = defineProps<{ read: ReadText; plan: Plan | null; kitchen: Kitchen; stands: string | null }>();
const emit = defineEmits<{ answer: [item: ReadItem, answer: Answer | 'out'] }>();

/** The thing whose usual amount is being changed. */
const opened = ref('');
const things = computed(() => props.read.recipe?.things ?? []);
/** The step that a thing first goes in at. */
function stepOf(item: ReadItem): Step | null {
  const i = things.value.findIndex((t) => questionKey(t.item) === questionKey(item));
  return props.read.recipe?.strands.flat().find((s) => s.puts.some((p) => p.thing === i)) ?? null;
}
const tone = (step: Step | null) => (step ? TONES[step.kind] : 'transparent');
const isSauce = (i: ReadItem) => i.sauceG !== undefined && props.stands !== null;
const asks = (i: ReadItem) => i.ask !== null && !isSauce(i);
function said(i: ReadItem): string {
  if (isSauce(i)) return `${grams(i.sauceG!)} of ${props.stands}`;
  const how = [
    i.prep === 'cored' ? 'cored' : i.prep === 'seedsOut' ? 'seeds out' : i.prep === 'halfCored' ? 'half of them cored' : '',
    i.states?.includes('late') ? 'late' : '',
  ];
  return [grams(i.massG ?? 0), ...how.filter(Boolean)].join(', ');
}
/** What was assumed, told under the line. */
const assumed = (i: ReadItem) => inManner(i.assumed.filter((a) => !/g per ml$/.test(a) && !i.usual).join('; '));
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
        <div
          v-for="i in l.items"
          :key="questionKey(i)"
          class="thing"
          :class="{ ask: asks(i) }"
          data-line
          draggable="true"
          @dragstart="$event.dataTransfer?.setData('text/plain', questionKey(i))"
        >
          <span class="top">
            <span class="words" :style="{ '--tone': tone(stepOf(i)) }">{{ l.items.length > 1 ? i.name.split(',')[0] : l.text }}</span>
            <span v-if="!asks(i)" class="g"
              ><NButton v-if="i.usual" text class="link how" :aria-label="`how much? ${i.name}`" @click="opened = questionKey(i)"
                >how much?</NButton
              >
              <span data-fact="grams">{{ said(i) }}</span></span
            >
          </span>
          <QuestionPlate v-if="asks(i)" :item="i" @answer="emit('answer', i, $event)" />
          <QuestionPlate
            v-else-if="i.usual && opened === questionKey(i)"
            :item="{ ...i, ask: i.usual }"
            @answer="emit('answer', i, $event)"
          />
          <span v-else-if="assumed(i)" class="soft small">{{ assumed(i) }}</span>
        </div>
      </template>
    </template>
    <template v-if="inMethod.length">
      <h3>In the method</h3>
      <div
        v-for="i in inMethod"
        :key="questionKey(i)"
        class="thing"
        :class="{ ask: asks(i) }"
        data-line
        draggable="true"
        @dragstart="$event.dataTransfer?.setData('text/plain', questionKey(i))"
      >
        <span class="top">
          <span class="words" :style="{ '--tone': tone(stepOf(i)) }">{{ i.name.split(',')[0] }}</span>
          <span v-if="!asks(i)" class="g" data-fact="grams">{{ said(i) }}</span>
        </span>
        <QuestionPlate v-if="asks(i)" :item="i" @answer="emit('answer', i, $event)" />
        <span v-else-if="assumed(i)" class="soft small">{{ assumed(i) }}</span>
      </div>
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
.piece,
.words {
  border-bottom: 3px solid var(--tone);
}
.unread {
  color: var(--soft);
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
.words {
  min-width: 0;
  overflow-wrap: anywhere;
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
