<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue';
import { NModal } from 'naive-ui';
import { heatOfRow } from '@roskel/core';
import { LarderFactsSchema, NO_FACTS, type LarderFacts, type LarderRecord, type LedgerLine } from '@roskel/contract';
import { grams, shu } from '../format';
import { factsOf, perKg, useLarder } from '../stores/larder';
import { useNotices } from '../stores/notices';
import AmountField from './AmountField.vue';
import LedgerList from './LedgerList.vue';
import NumberField from './NumberField.vue';

/** Put an ingredient into the larder, move its stock, or say what it cost, when it was opened and how sour it is. */
const show = defineModel<boolean>('show', { required: true });
const props = defineProps<{ item: LarderRecord | null }>();
const larder = useLarder();
const notices = useNotices();
const P = LarderFactsSchema.properties;
const key = ref('');
const move = reactive({ massG: 0, words: '' });
const facts = reactive<LarderFacts>({ ...NO_FACTS });
const moves = ref<LedgerLine[]>([]);
const problem = ref('');
watch(show, async (open) => {
  if (!open) return;
  key.value = props.item?.ingredientKey ?? '';
  Object.assign(move, { massG: 0, words: '' });
  Object.assign(facts, props.item ? factsOf(props.item) : NO_FACTS);
  problem.value = '';
  moves.value = [];
  if (props.item) {
    moves.value = await larder.history(props.item.id).catch((e: unknown) => {
      notices.fail(e);
      return [];
    });
  }
});
const row = computed(() => (key.value ? (larder.row(key.value) ?? null) : null));
const free = computed(() => {
  const have = new Set(larder.items.map((l) => l.ingredientKey));
  return larder.rows.filter((i) => !have.has(i.key) && i.key !== 'water').sort((a, b) => a.name.localeCompare(b.name));
});
const kiloPrice = computed(() => perKg(facts));
const changed = computed(() => props.item !== null && JSON.stringify(facts) !== JSON.stringify(factsOf(props.item)));
const says = computed(() => {
  const r = row.value;
  if (!r) return [];
  const pieces = Object.entries(r.pieces).map(([n, g]) => `a ${n.replaceAll('_', ' ')} ${g} g`);
  return [
    r.pH ? `usually pH ${r.pH.lo.toFixed(1)} to ${r.pH.hi.toFixed(1)}` : 'no acid of its own',
    ...(heatOfRow(r) ? [`burns: about ${shu(heatOfRow(r)!.shu)} SHU as it is`] : []),
    `${r.water} % water, ${r.sugars} % sugar${r.salt > 0.3 ? `, ${r.salt} % salt` : ''}`,
    ...(pieces.length ? [pieces.join(', ')] : []),
    ...(r.allergens.length ? [`allergens: ${r.allergens.map((a) => a.replace('?', ' (read the label)')).join(', ')}`] : []),
    `table values from memory, confidence ${r.confidence}`,
  ];
});
async function act(sign: 1 | -1, reason: 'in' | 'used' | 'thrown') {
  const r = row.value;
  if (!r) return void (problem.value = 'Choose an ingredient first.');
  if (props.item && !(move.massG > 0)) return void (problem.value = 'Say how much first, such as 300 g or 2 cups.');
  if (props.item && sign < 0 && move.massG > props.item.stockG + 0.01)
    return void (problem.value = `There are only ${grams(props.item.stockG)}.`);
  try {
    if (props.item) await larder.move(props.item.id, r.name, { deltaG: sign * move.massG, reason, words: move.words });
    else await larder.add(r.key, r.name, move.massG, move.words, { ...facts });
    show.value = false;
  } catch (e) {
    problem.value = (e as Error).message;
  }
}
async function keep() {
  try {
    await larder.edit(props.item!, row.value!.name, { ...facts });
    show.value = false;
  } catch (e) {
    problem.value = (e as Error).message;
  }
}
async function off() {
  await larder.takeOff(props.item!.id, row.value!.name).catch((e: unknown) => notices.fail(e));
  show.value = false;
}
</script>

<template>
  <NModal
    v-model:show="show"
    preset="card"
    :title="item && row ? row.name : 'Put something in the larder'"
    style="width: 600px; max-width: 96vw"
  >
    <form class="form" @submit.prevent="act(1, 'in')">
      <label v-if="!item" class="field">
        <span>Ingredient</span>
        <select v-model="key" class="entry">
          <option value="">Choose</option>
          <option v-for="i in free" :key="i.key" :value="i.key">{{ i.name }}</option>
        </select>
      </label>
      <p v-else>
        There are <b>{{ grams(item.stockG) }}</b>.
      </p>
      <ul v-if="row" class="soft">
        <li v-for="s in says" :key="s">{{ s }}</li>
      </ul>
      <AmountField
        v-if="row"
        label="How much"
        :mass-g="move.massG"
        :words="move.words || undefined"
        :what="row"
        @change="(m, w) => ((move.massG = m), (move.words = w))"
      />
      <div v-if="row" class="facts">
        <NumberField v-model="facts.packG" label="A package holds" unit="g" optional :schema="P.packG" :digits="0" />
        <NumberField v-model="facts.packPrice" label="It costs" optional :schema="P.packPrice" />
        <label class="field">
          <span>Opened on</span>
          <input
            class="entry"
            type="date"
            :value="facts.openedOn ?? ''"
            @change="facts.openedOn = ($event.target as HTMLInputElement).value || null"
          />
        </label>
        <NumberField
          v-if="row.pH"
          v-model="facts.ownPh"
          label="pH you measured"
          optional
          :schema="P.ownPh"
          :placeholder="row.pH.typ.toFixed(1)"
        />
        <label class="tick"><input v-model="facts.useFirst" type="checkbox" /> Use this first</label>
        <p class="soft wide">
          <template v-if="kiloPrice !== null">{{ kiloPrice.toFixed(2) }} a kg. </template>
          <template v-if="facts.ownPh !== null"
            >New batches and mixes reckon with your pH {{ facts.ownPh.toFixed(2) }}, not the table's.</template
          >
        </p>
      </div>
      <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
      <button v-if="item && changed" type="button" class="act main" data-keeps @click="keep">Keep the changes</button>
      <div class="acts">
        <button type="submit" class="act" :class="{ main: !item }">{{ item ? 'More came in' : 'Put it in' }}</button>
        <template v-if="item">
          <button type="button" class="act" data-keeps @click="act(-1, 'used')">Used</button>
          <button type="button" class="act" data-keeps @click="act(-1, 'thrown')">Thrown away</button>
          <button type="button" class="link" @click="off">Take it off the larder</button>
        </template>
      </div>
      <LedgerList v-if="item" :moves="moves" />
    </form>
  </NModal>
</template>

<style scoped>
.form {
  display: grid;
  gap: 10px;
}
.form p,
ul {
  margin: 0;
}
ul {
  padding-left: 18px;
  font-size: 14px;
}
.facts {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 12px;
}
.wide {
  grid-column: 1 / -1;
}
.tick {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 40px;
}
.acts {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
</style>
