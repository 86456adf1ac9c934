<script setup lang="ts">
import { NButton, NForm } from 'naive-ui';
import { computed, reactive, ref } from 'vue';
import { BARE_LOT, RIPENESS, type PodLotInput, type PodLotRecord, type Ripeness } from '@roskel/contract';
import {
  buildLot,
  FORM_NAMES,
  hasPods,
  lotOfVariety,
  LotSchema,
  MIXED_UNKNOWN,
  POD_FORMS,
  type HeatBasis,
  type PodForm,
  type PodLot,
  type Variety,
} from '@roskel/core';
import { shu, today } from '../format';
import { inputOf, usePods } from '../stores/pods';
import type { Begun } from '../stores/putRecord';
import { useVarieties } from '../stores/own';
import NumberField from '../ui/NumberField.vue';
import AmountField from '../ui/AmountField.vue';
import PickField from '../ui/PickField.vue';
import { Type } from '@sinclair/typebox';
import TextField from '../ui/TextField.vue';
import DateField from '../ui/DateField.vue';
import TickField from '../ui/TickField.vue';
import DraftBar from '../ui/DraftBar.vue';
import { commitTyping } from '../ui/typing';
import { useDraft } from '../ui/useDraft';

/** Add a lot of pods, or change what is said of one. */
const props = defineProps<{ item: PodLotRecord | null; from?: string | undefined }>();
const emit = defineEmits<{ done: [] }>();
const pods = usePods();
const varieties = useVarieties();
void varieties.load();
const P = LotSchema.properties;
const Price = Type.Number({ title: 'The price', minimum: 0, maximum: 100_000 });
type Source = 'packet' | 'label' | 'lab';
const fresh = () => ({
  varietyId: props.from ?? 'cayenne-red',
  name: '',
  form: 'fresh' as PodForm,
  stockG: 0,
  words: '',
  ...BARE_LOT,
  gotOn: today() as string | null,
  said: null as number | null,
  basis: 'dry' as HeatBasis,
  source: 'packet' as Source,
  saltPct: null as number | null,
  oilPct: null as number | null,
  pH: null as number | null,
  /** The lot as it was when the form was opened. */
  begun: null as Begun<PodLotInput> | null,
});
const form = reactive(fresh());
const problem = ref('');

const chosen = computed<Variety>(() => varieties.find(form.varietyId) ?? MIXED_UNKNOWN);
/** The form as it begins: empty, or as the lot stands. */
function blank(): ReturnType<typeof fresh> {
  const it = props.item;
  if (!it) return { ...fresh(), form: (varieties.find(props.from ?? 'cayenne-red') ?? MIXED_UNKNOWN).form };
  const { lot, gotOn, place, note, useFirst, ripeness, pricePerKg } = it;
  const stated = lot.heat?.said;
  const source = lot.heat?.source;
  return {
    ...fresh(),
    ...{ varietyId: lot.varietyId, name: lot.name, form: lot.form, gotOn, place, note, useFirst, ripeness, pricePerKg },
    ...{ saltPct: lot.saltPct ?? null, oilPct: lot.oilPct ?? null, pH: lot.pH ?? null },
    ...{ said: stated?.value ?? null, basis: stated?.basis ?? 'dry' },
    begun: { revision: it.revision, value: inputOf(it) },
    source: source === 'packet' || source === 'label' || source === 'lab' ? source : 'packet',
  };
}
const draft = useDraft(() => (props.item ? `lot.${props.item.id}` : `lot.new.${props.from ?? ''}`), form, blank);
const named = (v: Variety) => ({ value: v.id, label: v.name });
const groups = computed(() => {
  const own = varieties.items.map((o) => o.value);
  const table = varieties.rows.filter((v) => !own.includes(v) && v.id !== MIXED_UNKNOWN.id);
  return [
    { title: 'Not known', list: [named(MIXED_UNKNOWN)] },
    ...(own.length ? [{ title: 'Your own', list: own.map(named) }] : []),
    ...['fresh', 'dried', 'flakes', 'powder'].map((f) => ({
      title: f,
      list: table
        .filter((v) => v.form === f)
        .sort((a, b) => a.shuDry.typical - b.shuDry.typical)
        .map(named),
    })),
  ];
});
/** Forms that a variety can come in: a table row of dried pods is not fresh any more. */
const forms = computed(() => (chosen.value.form === 'fresh' ? POD_FORMS : POD_FORMS.filter((f) => f !== 'fresh' && f !== 'frozen')));
const preview = computed(() => lotOfVariety(chosen.value, { id: 'preview', form: form.form }));
const what = computed(() => {
  const g = preview.value.podMassG;
  return {
    key: 'pods',
    name: chosen.value.name,
    pieces: (g ? { pod: g, bowl: 15 * g } : {}) as Record<string, number>,
    measure: { cup: 95, tbsp: 6, tsp: 2 },
    density: 1,
  };
});
const says = computed(() => {
  const lot = build('preview');
  return lot.heat
    ? `${shu(lot.heat.dryShu)} SHU of the dry matter, about ${shu(lot.heat.dryShu * (1 - lot.waterPct / 100))} as it is, at ${lot.waterPct} % water`
    : 'no heat';
});

function build(id: string): PodLot {
  const { name, said, basis, source, saltPct, oilPct, pH } = form;
  const say = { name, form: form.form, said: said === null ? null : { value: said, basis, source }, saltPct, oilPct, pH };
  const kept = form.begun?.value.lot ?? null;
  // Of a variety that was archived the lot stays what it is.
  return buildLot(id, varieties.find(form.varietyId) ?? (kept ? null : MIXED_UNKNOWN), say, kept);
}
async function save() {
  commitTyping();
  try {
    const input = (id: string) => ({
      lot: build(id),
      gotOn: form.gotOn || null,
      place: form.place.trim(),
      note: form.note.trim(),
      useFirst: form.useFirst,
      ripeness: form.ripeness,
      pricePerKg: form.pricePerKg,
    });
    if (props.item) await pods.edit(props.item.id, form.begun!, input(props.item.id));
    else await pods.add(input(`lot-${Date.now().toString(36)}`), form.stockG, form.words);
    await draft.done();
    emit('done');
  } catch (e) {
    problem.value = (e as Error).message;
  }
}
const BASES: { value: HeatBasis; label: string }[] = [
  { value: 'dry', label: 'of the dry matter' },
  { value: 'asIs', label: 'of the pod as it is' },
  { value: 'freshConvention', label: 'quoted, taken for the fresh pod' },
];
const SOURCES: { value: Source; label: string; short?: string }[] = [
  { value: 'packet', label: 'a seed packet or a website', short: 'seed packet, website' },
  { value: 'label', label: 'a label' },
  { value: 'lab', label: 'a laboratory' },
];
const RIPE: Record<Ripeness, string> = { '': 'not said', green: 'green', turning: 'turning', ripe: 'ripe', overripe: 'overripe' };
</script>

<template>
  <NForm class="form" @submit.prevent="save">
    <DraftBar :show="draft.takenUp.value" @anew="draft.anew" />
    <PickField
      v-model="form.varietyId"
      class="wide"
      label="Variety"
      :options="groups"
      @update:model-value="form.form = (varieties.find($event) ?? MIXED_UNKNOWN).form"
    >
      <template #below
        ><span class="soft says">{{ says }}</span></template
      >
    </PickField>
    <TextField v-model="form.name" label="Your name for it" :maxlength="80" :placeholder="chosen.name" />
    <PickField v-model="form.form" label="Form" :options="forms.map((f) => ({ value: f, label: FORM_NAMES[f] }))" />
    <AmountField
      v-if="!item"
      label="How much"
      :mass-g="form.stockG"
      :words="form.words || undefined"
      :what="what"
      @change="(m, w) => ((form.stockG = m), (form.words = w))"
    />
    <PickField
      v-if="hasPods(form.form)"
      v-model="form.ripeness"
      label="Ripeness"
      :options="RIPENESS.map((r) => ({ value: r, label: RIPE[r] }))"
    />
    <DateField v-model="form.gotOn" label="Got on" optional />
    <TextField v-model="form.place" label="From" :maxlength="80" placeholder="bed 2, market" />
    <NumberField v-model="form.pricePerKg" label="Price a kg" :schema="Price" optional />
    <template v-if="form.form === 'paste' || form.form === 'ferment'">
      <NumberField
        v-model="form.saltPct"
        label="Salt in it"
        unit="%"
        :schema="P.saltPct"
        optional
        :placeholder="`left empty: ${preview.saltPct ?? 0}`"
      />
      <NumberField v-model="form.oilPct" label="Oil in it" unit="%" :schema="P.oilPct" optional placeholder="left empty: 0" />
      <NumberField v-model="form.pH" label="Its pH" :schema="P.pH" optional :placeholder="preview.pH ? `left empty: ${preview.pH}` : ''" />
    </template>
    <details v-if="chosen.shuDry.low > 0" class="wide" :open="form.said !== null">
      <summary>You know its heat better</summary>
      <div class="three">
        <NumberField
          label="Heat"
          unit="SHU"
          optional
          :digits="0"
          :model-value="form.said"
          :schema="P.heat.anyOf[0].properties.dryShu"
          :placeholder="`usual ${chosen.shuDry.typical}`"
          @update:model-value="form.said = $event"
        />
        <PickField v-model="form.basis" label="That is" :options="BASES" />
        <PickField v-model="form.source" label="Source" :options="SOURCES" />
      </div>
    </details>
    <TextField v-model="form.note" class="wide" label="Note" />
    <TickField v-model="form.useFirst" class="wide" label="Use this first" />
    <p v-if="problem" class="field-error wide" role="alert">{{ problem }}</p>
    <NButton type="primary" attr-type="submit" class="wide">{{ item ? 'Keep the changes' : 'Add the lot' }}</NButton>
  </NForm>
</template>

<style scoped>
.form {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 12px;
}
.wide {
  grid-column: 1 / -1;
}
.three {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 10px;
  padding-top: 6px;
}
summary {
  cursor: pointer;
  color: var(--rim);
  min-height: 30px;
}
p {
  margin: 0;
}
.says {
  display: block;
  font-size: 13px;
  line-height: 1.3;
}
@media (max-width: 560px) {
  .form,
  .three {
    grid-template-columns: 1fr;
  }
}
</style>
