<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, reactive, ref, toRef, watch } from 'vue';
import { RouterLink } from 'vue-router';
import { heatOfRow, isTapWater } from '@roskel/core';
import { LarderFactsSchema, NO_FACTS, type LarderFacts, type LarderRecord, type LedgerLine } from '@roskel/contract';
import { grams, money, one, shu } from '../format';
import { factsOf, perKg, useLarder } from '../stores/larder';
import type { Begun } from '../stores/putRecord';
import { useNotices } from '../stores/notices';
import AmountField from '../ui/AmountField.vue';
import LedgerList from '../ui/LedgerList.vue';
import NumberField from '../ui/NumberField.vue';
import SheetCard from '../ui/SheetCard.vue';
import SheetForm from '../ui/SheetForm.vue';
import PickField from '../ui/PickField.vue';
import DateField from '../ui/DateField.vue';
import TickField from '../ui/TickField.vue';
import DraftBar from '../ui/DraftBar.vue';
import { commitTyping } from '../ui/typing';
import { useDraft } from '../ui/useDraft';

/** Put an ingredient into the larder, move its stock, or say what it cost, when it was opened and how sour it is. */
const show = defineModel<boolean>('show', { required: true });
const props = defineProps<{ item: LarderRecord | null }>();
const larder = useLarder();
const notices = useNotices();
const P = LarderFactsSchema.properties;
const blank = () => ({
  key: props.item?.ingredientKey ?? null,
  move: { massG: 0, words: '' },
  facts: (props.item ? factsOf(props.item) : { ...NO_FACTS }) as LarderFacts,
  /** The row as it was when the sheet was opened. */
  begun: (props.item ? { revision: props.item.revision, value: factsOf(props.item) } : null) as Begun<LarderFacts> | null,
});
const form = reactive(blank());
const key = toRef(form, 'key');
const draft = useDraft(() => `larder.${props.item?.id ?? 'new'}`, form, blank, toRef(show));
const moves = ref<LedgerLine[]>([]);
const problem = ref('');
watch(
  show,
  async (open) => {
    if (!open) return;
    problem.value = '';
    moves.value = [];
    if (props.item) {
      moves.value = await larder.history(props.item.id).catch((e: unknown) => {
        notices.fail(e);
        return [];
      });
    }
  },
  { immediate: true },
);
const row = computed(() => (key.value ? (larder.row(key.value) ?? null) : null));
const free = computed(() => {
  const have = new Set(larder.items.map((l) => l.ingredientKey));
  return larder.rows
    .filter((i) => !have.has(i.key) && !isTapWater(i.key))
    .sort((a, b) => a.name.localeCompare(b.name))
    .map((i) => ({ value: i.key, label: i.name }));
});
const kiloPrice = computed(() => perKg(form.facts));
const changed = computed(() => props.item !== null && JSON.stringify(form.facts) !== JSON.stringify(factsOf(props.item)));
const says = computed(() => {
  const r = row.value;
  if (!r) return [];
  const pieces = Object.entries(r.pieces).map(([n, g]) => `${one(n.replaceAll('_', ' '))} ${grams(g)}`);
  return [
    r.pH ? `usually pH ${r.pH.lo.toFixed(1)} to ${r.pH.hi.toFixed(1)}` : 'no acid of its own',
    ...(heatOfRow(r) ? [`burns: about ${shu(heatOfRow(r)!.shu)} SHU as it is`] : []),
    `${r.water} % water, ${r.sugars} % sugar${r.salt > 0.3 ? `, ${r.salt} % salt` : ''}`,
    ...(pieces.length ? [pieces.join(', ')] : []),
    ...(r.allergens.length ? [`allergens: ${r.allergens.map((a) => a.replace('?', ' (read the label)')).join(', ')}`] : []),
    'common values, not measured',
  ];
});
async function act(sign: 1 | -1, reason: 'in' | 'used' | 'thrown') {
  commitTyping();
  const r = row.value;
  if (!r) return void (problem.value = 'Choose an ingredient first.');
  if (props.item && !(form.move.massG > 0)) return void (problem.value = 'Say how much first, such as 300 g or 2 cups.');
  if (props.item && sign < 0 && form.move.massG > props.item.stockG + 0.01)
    return void (problem.value = `There are only ${grams(props.item.stockG)}.`);
  try {
    if (props.item) await larder.move(props.item.id, r.name, { deltaG: sign * form.move.massG, reason, words: form.move.words });
    else await larder.add(r.key, r.name, form.move.massG, form.move.words, { ...form.facts });
    await draft.done();
    show.value = false;
  } catch (e) {
    problem.value = (e as Error).message;
  }
}
async function keep() {
  try {
    await larder.edit(props.item!.id, row.value!.name, form.begun!, { ...form.facts });
    await draft.done();
    show.value = false;
  } catch (e) {
    problem.value = (e as Error).message;
  }
}
async function off() {
  await larder.archive.put(props.item!.id, larder.archive.nameOf(props.item!)).catch((e: unknown) => notices.fail(e));
  show.value = false;
}
</script>

<template>
  <SheetCard v-model:show="show" :title="item && row ? row.name : 'Add to the larder'" :width="600">
    <SheetForm @submit="act(1, 'in')">
      <DraftBar :show="draft.takenUp.value" @anew="draft.anew" />
      <PickField v-if="!item" v-model="key" label="Ingredient" :options="free" />
      <p v-else>
        There are <b>{{ grams(Math.max(0, item.stockG)) }}</b><template v-if="item.promised.length"
          >; promised: {{ item.promised.map((p) => `${grams(p.g)} to ${p.batch}`).join(', ') }}</template
        >.
      </p>
      <ul v-if="row" class="soft">
        <li v-for="s in says" :key="s">{{ s }}</li>
      </ul>
      <AmountField
        v-if="row"
        label="How much"
        :mass-g="form.move.massG"
        :words="form.move.words || undefined"
        :what="row"
        @change="(m, w) => ((form.move.massG = m), (form.move.words = w))"
      />
      <div v-if="row" class="facts">
        <NumberField v-model="form.facts.packG" label="A package holds" unit="g" optional :schema="P.packG" :digits="0" />
        <NumberField v-model="form.facts.packPrice" label="It costs" optional :schema="P.packPrice" />
        <DateField v-model="form.facts.openedOn" label="Opened on" optional />
        <NumberField
          v-if="row.pH"
          v-model="form.facts.ownPh"
          label="pH you measured"
          optional
          :schema="P.ownPh"
          :placeholder="`usual ${row.pH.typ.toFixed(1)}`"
        />
        <TickField v-model="form.facts.useFirst" label="Use this first" />
        <p class="soft wide">
          <template v-if="kiloPrice !== null">{{ money(kiloPrice) }} a kg. </template>
          <template v-if="form.facts.ownPh !== null"
            >New batches and mixes reckon with your pH {{ form.facts.ownPh.toFixed(2) }}, not the table's.</template
          >
        </p>
      </div>
      <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
      <NButton v-if="item && changed" type="primary" data-keeps @click="keep">Keep the changes</NButton>
      <div class="acts">
        <NButton attr-type="submit" :type="!item ? 'primary' : 'default'">{{ item ? 'More came in' : 'Add' }}</NButton>
        <template v-if="item">
          <NButton data-keeps @click="act(-1, 'used')">Used</NButton>
          <NButton data-keeps @click="act(-1, 'thrown')">Thrown away</NButton>
          <NButton text class="link" @click="off">Archive it</NButton>
        </template>
      </div>
      <LedgerList v-if="item" :moves="moves" />
      <RouterLink v-if="item" :to="{ name: 'record', params: { kind: 'larder', id: item.id } }">Where did it go?</RouterLink>
    </SheetForm>
  </SheetCard>
</template>

<style scoped>
ul {
  margin: 0;
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
.acts {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
</style>
