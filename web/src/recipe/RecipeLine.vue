<script setup lang="ts">
import { NButton, NDropdown } from 'naive-ui';
import { computed, ref } from 'vue';
import { questionKey, type Plan, type ReadText, type Step } from '@roskel/core';
import { grams, inManner, plural } from '../format';
import { TONES } from './tones';

/** The line that a recipe makes, station by station; a thing can be dropped or sent to another one. */
const props = defineProps<{ plan: Plan; read: ReadText }>();
const emit = defineEmits<{ move: [key: string, stationId: string] }>();
const over = ref('');
const name = (n: string) => n.split(',')[0]!.toLowerCase();
/** Strands that end in a sauce, with their names where there are several. */
const ends = computed(() => props.plan.file.strands.filter((s) => s.goal !== null));
const where = (strandId: string) => {
  const end = ends.value.find((s) => s.id === strandId);
  return !end ? ', apart' : ends.value.length > 1 ? `, ${end.name.toLowerCase()}` : '';
};
/** The step of the recipe that a station was read from; undefined for a board, which comes before the first. */
function stepOf(stationId: string): Step | undefined {
  const [strand, step] = (props.plan.steps?.[stationId] ?? '').split('.').map(Number);
  return props.read.recipe?.strands[strand ?? -1]?.[step ?? -1];
}
/** Nobody said where this thing goes: it stands where such things do. */
const isOurs = (stationId: string, key: string): boolean =>
  stepOf(stationId)?.puts.some((p) => p.ours && questionKey(props.read.recipe!.things[p.thing]!.item) === key) ?? false;
const steps = computed(() =>
  props.plan.line.map((s) => ({
    ...s,
    when: s.days > 0 ? plural(s.days, 'day') : s.minutes >= 1 ? `${Math.round(s.minutes)} min` : '',
    where: where(s.strandId) + (stepOf(s.id)?.ours ? ', added by us' : ''),
    apart: !ends.value.some((e) => e.id === s.strandId),
  })),
);
/** The thing of the recipe that a thing at a station is; null for what a station brings itself. */
function keyOf(words: string | null, thing: string): string | null {
  const found = props.read.items.find((i) => i.text.slice(0, 80) === words) ?? props.read.items.find((i) => i.name === thing);
  return found ? questionKey(found) : null;
}
const targets = computed(() => steps.value.filter((s) => props.plan.steps?.[s.id]).map((s) => ({ key: s.id, label: s.name })));
const others = (id: string): { key: string; label: string }[] => targets.value.filter((x) => x.key !== id);
function dropped(event: DragEvent, id: string) {
  over.value = '';
  const key = event.dataTransfer?.getData('text/plain');
  if (key && props.plan.steps?.[id]) emit('move', key, id);
}
</script>

<template>
  <ol class="steps" aria-label="The line it makes">
    <li
      v-for="s in steps"
      :key="s.id"
      :class="{ over: over === s.id, apart: s.apart }"
      :style="{ '--tone': TONES[s.kind] }"
      :data-step="s.kind"
      @dragover.prevent="over = s.id"
      @dragleave="over = ''"
      @drop.prevent="dropped($event, s.id)"
    >
      <i class="bar" />
      <span class="what">
        <span
          ><b>{{ s.name }}</b> <span class="soft">{{ s.when }}{{ s.where }}</span></span
        >
        <span v-if="s.things.length" class="things">
          <span v-for="(t, n) in s.things" :key="n" class="one"
            ><NDropdown
              v-if="plan.steps && keyOf(t.words, t.name)"
              trigger="click"
              :options="others(s.id)"
              @select="(to: string) => emit('move', keyOf(t.words, t.name)!, to)"
              ><NButton text class="thing" :title="`Put ${name(t.name)} at another step`"
                >{{ name(t.name) }} {{ grams(t.g) }}</NButton
              ></NDropdown
            ><span v-else>{{ name(t.name) }} {{ grams(t.g) }}</span
            ><template v-if="t.late"> late</template
            ><span v-if="isOurs(s.id, keyOf(t.words, t.name) ?? '')" class="soft"> (not said where)</span
            ><template v-if="n < s.things.length - 1">,</template></span
          >
        </span>
        <span class="soft small">{{ inManner(s.step) }}</span>
      </span>
      <b class="g">{{ grams(s.massG) }}</b>
    </li>
  </ol>
</template>

<style scoped>
.steps {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 8px minmax(0, 1fr) auto;
  gap: 12px;
  align-items: start;
  padding: 8px 4px;
  border-bottom: 1px dashed var(--line);
}
li.apart {
  margin-left: 16px;
}
li.over {
  background: var(--active);
  border-radius: 8px;
}
.bar {
  align-self: stretch;
  border-radius: 4px;
  background: var(--tone);
}
.what {
  display: grid;
  gap: 1px;
  line-height: 1.3;
}
.one {
  display: inline-block;
  margin-right: 0.3em;
}
.things :deep(.thing) {
  font-size: inherit;
  text-decoration: underline dotted;
  text-underline-offset: 3px;
}
.small {
  font-size: 13px;
}
.g {
  white-space: nowrap;
  font-variant-numeric: tabular-nums;
}
</style>
