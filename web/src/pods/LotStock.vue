<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, reactive, ref } from 'vue';
import type { LedgerLine, PodLotRecord } from '@roskel/contract';
import { turned, TURNS, turnsFor, type Turn } from '@roskel/core';
import { RouterLink } from 'vue-router';
import { day, grams, inManner } from '../format';
import { usePods } from '../stores/pods';
import { useNotices } from '../stores/notices';
import AmountField from '../ui/AmountField.vue';
import LedgerList from '../ui/LedgerList.vue';
import NumberField from '../ui/NumberField.vue';
import { TurnSchema } from '@roskel/contract';

/** Stock of a lot: in, out, dried, frozen or ground into another, and the ledger of it all. */
const props = defineProps<{ item: PodLotRecord; moves: readonly LedgerLine[] }>();
const emit = defineEmits<{ done: [] }>();
const pods = usePods();
const notices = useNotices();
const move = reactive({ massG: 0, words: '' });
const into = ref<Turn | null>(null);
const gotG = ref<number | null>(null);
const problem = ref('');
const turns = computed(() => turnsFor(props.item.lot));
const expected = computed(() => (into.value ? move.massG * turned(props.item.lot, into.value, 'x').yieldPerG : 0));
const what = computed(() => {
  const g = props.item.lot.podMassG;
  return {
    key: 'pods',
    name: props.item.lot.name,
    pieces: (g ? { pod: g, bowl: 15 * g } : {}) as Record<string, number>,
    measure: { cup: 95, tbsp: 6, tsp: 2 },
    density: 1,
  };
});
function enough(out: boolean): boolean {
  if (!(move.massG > 0)) problem.value = 'Say how much first, such as 300 g or 12 pods.';
  else if (out && move.massG > props.item.stockG + 0.01) problem.value = `There are only ${grams(props.item.stockG)}.`;
  else return true;
  return false;
}
async function stock(sign: 1 | -1, reason: 'in' | 'used' | 'thrown') {
  if (!enough(sign < 0)) return;
  try {
    await pods.move(props.item, { deltaG: sign * move.massG, reason, words: move.words });
    emit('done');
  } catch (e) {
    problem.value = (e as Error).message;
  }
}
async function turn() {
  if (!into.value || !enough(true)) return;
  try {
    const made = await pods.turn(props.item, into.value, move.massG, gotG.value, move.words);
    notices.say(`${made.lot.name}: ${grams(made.stockG)}. Undo takes it back.`);
    emit('done');
  } catch (e) {
    problem.value = (e as Error).message;
  }
}
async function away() {
  try {
    await pods.archive.put(props.item.id, props.item.lot.name);
    notices.say('Archived. Undo brings it back, and so does the archive.');
    emit('done');
  } catch (e) {
    notices.fail(e);
  }
}
</script>

<template>
  <section class="stock">
    <h2>Stock {{ grams(Math.max(0, item.stockG)) }}</h2>
    <p v-if="item.stockG < -0.5" class="owing">
      {{ grams(-item.stockG) }} more was taken than came in. Enter what you bought, and it is even again.
    </p>
    <ul v-if="item.promised.length" aria-label="Promised">
      <li v-for="p in item.promised" :key="p.batchId">
        {{ grams(p.g) }} promised to <RouterLink :to="{ name: 'batch', params: { id: p.batchId } }">{{ p.batch }}</RouterLink>, by
        {{ day(p.by) }}<b v-if="p.shortG > 0.5" class="short">, {{ grams(p.shortG) }} short</b>
      </li>
    </ul>
    <div class="moves">
      <AmountField
        label="Amount"
        :mass-g="move.massG"
        :words="move.words || undefined"
        :what="what"
        @change="(m, w) => ((move.massG = m), (move.words = w), (problem = ''))"
      />
      <NButton data-keeps @click="stock(1, 'in')">More came in</NButton>
      <NButton data-keeps @click="stock(-1, 'used')">Used</NButton>
      <NButton data-keeps @click="stock(-1, 'thrown')">Thrown away</NButton>
    </div>
    <div v-if="turns.length" class="turns" role="group" aria-label="Turn it into">
      <NButton v-for="t in turns" :key="t" :aria-pressed="into === t" @click="into = into === t ? null : t">
        {{ TURNS[t].name }}
      </NButton>
    </div>
    <div v-if="into" class="turning">
      <p class="soft">{{ inManner(TURNS[into].note) }}</p>
      <p>
        {{ move.massG > 0 ? grams(move.massG) : 'The amount above' }} should come to
        <b>{{ move.massG > 0 ? `about ${grams(expected)}` : 'a new lot' }}</b>{{
          TURNS[into].heat < 1 ? `, with ${Math.round(100 * TURNS[into].heat)} in 100 of its heat` : ', with all its heat'
        }}.
      </p>
      <div class="moves">
        <NumberField
          v-model="gotG"
          label="Weighed afterwards"
          unit="g"
          optional
          :schema="TurnSchema.properties.gotG"
          :likely="expected ? { word: '', value: Math.round(expected) } : null"
        />
        <NButton type="primary" data-keeps @click="turn">{{ TURNS[into].name }} it</NButton>
      </div>
    </div>
    <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
    <LedgerList :moves="moves" />
    <RouterLink :to="{ name: 'record', params: { kind: 'pods', id: item.id } }">Where did these pods go?</RouterLink>
    <NButton text class="link" @click="away">Archive the lot</NButton>
  </section>
</template>

<style scoped>
.stock {
  display: grid;
  gap: 8px;
}
.moves,
.turns {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: end;
}
.turns button[aria-pressed='true'] {
  background: var(--active);
}
.turning {
  padding: 8px 12px;
  background: var(--active);
  border-radius: 12px;
}
p {
  margin: 0 0 4px;
}
ul {
  margin: 0;
  padding-left: 18px;
}
.short {
  color: var(--warn);
}
</style>
