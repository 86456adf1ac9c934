<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue';
import { NButton } from 'naive-ui';
import { Type } from '@sinclair/typebox';
import type { KnownSauce, TrimOffer } from '@roskel/core';
import { grams } from '../format';
import { LEAST_BODY } from '../stations/bodyWords';
import { useNotices } from '../stores/notices';
import { keepHere, readHere } from '../ui/keepHere';
import NumberField from '../ui/NumberField.vue';
import PickField from '../ui/PickField.vue';
import { bench } from '../worker/client';
import TrimBoard from './TrimBoard.vue';
import { useTrim } from './useTrim';

/** A sauce that was made or bought without a batch: its mass, pH and taste are enough to put it right. */
const KEEP = 'trim-bench';
interface Kept {
  known: KnownSauce;
  /** What it was before each thing that went in, last first taken back. */
  before: { known: KnownSauce; says: string }[];
}
const START: KnownSauce = { massG: 500, pH: 3.6, shu: 3000, saltPct: 2, sugarPct: 4, body: 4, aceticPct: 1.2 };
const kept = readHere<Kept>(KEEP);
const known = ref<KnownSauce>(kept?.known ?? { ...START });
const before = ref<Kept['before']>(kept?.before ?? []);
watch([known, before], () => keepHere(KEEP, { known: known.value, before: before.value } satisfies Kept), { deep: true });
const P = {
  massG: Type.Number({ title: 'How much there is', minimum: 20, maximum: 50_000, unit: 'g' }),
  pH: Type.Number({ title: 'pH', minimum: 2.5, maximum: 7 }),
  shu: Type.Number({ title: 'Heat in SHU', minimum: 0, maximum: 3_000_000 }),
  saltPct: Type.Number({ title: 'Salt', minimum: 0, maximum: 25 }),
  sugarPct: Type.Number({ title: 'Sugar', minimum: 0, maximum: 60 }),
  aceticPct: Type.Number({ title: 'Vinegar in it, as acetic acid', minimum: 0, maximum: 10 }),
};
const set1 = (change: Partial<KnownSauce>) => (known.value = { ...known.value, ...change });
const trim = useTrim(
  (stocks, ask) => bench().trimBowl({ ...known.value }, stocks, ask),
  () => known.value,
);
const { says, set, told, trouble, working, chosen, offer } = trim;
const notices = useNotices();
onMounted(() => void trim.load());
const bodies = [...LEAST_BODY.filter((b) => b.value > 0).map((b) => ({ value: b.value + 0.5, label: b.label.replace('at least ', '') }))];
const pours = computed(() => [{ value: 1.5, label: 'like water or milk' }, ...bodies]);
const nearestBody = computed(
  () => [...pours.value].sort((a, b) => Math.abs(a.value - known.value.body) - Math.abs(b.value - known.value.body))[0]!.value,
);

/** It is in: the sauce is now what it was worked out to be, until it is tasted and read again. */
function weighIn() {
  const o: TrimOffer | null = offer.value;
  const t = told.value;
  if (!o || !t) return;
  before.value = [...before.value, { known: known.value, says: o.puts.map((p) => `${p.words} ${p.name.split(',')[0]!}`).join(', ') }];
  const tidy = (x: number | null, digits: number) => Number((x ?? 0).toFixed(digits));
  known.value = {
    massG: tidy(t.massG + o.addedG, 1),
    pH: tidy(o.after.sour, 2),
    shu: tidy(o.after.heat, 0),
    saltPct: tidy(o.after.salt, 2),
    sugarPct: tidy(o.after.sweet, 2),
    body: tidy(o.after.body, 2),
    aceticPct: tidy(Math.max(0, known.value.aceticPct + (o.acidPct - t.acidPct)), 2),
  };
  trim.clear();
  notices.say('Weighed in. Taste it again, and read its pH: what stands here is worked out.');
}
function takeBack() {
  const last = before.value.at(-1);
  if (!last) return;
  known.value = last.known;
  before.value = before.value.slice(0, -1);
  trim.clear();
}
</script>

<template>
  <div class="bench">
    <Teleport defer to="#bench-acts">
      <NButton v-if="before.length" @click="takeBack">Take back the last</NButton>
      <NButton type="primary" :disabled="!offer || working" @click="weighIn">Weigh this in</NButton>
    </Teleport>
    <section class="plate known" aria-label="The sauce">
      <NumberField label="There is" unit="g" :model-value="known.massG" :schema="P.massG" @update:model-value="set1({ massG: $event! })" />
      <NumberField label="Measured pH" :model-value="known.pH" :schema="P.pH" @update:model-value="set1({ pH: $event! })" />
      <NumberField label="Heat, about, SHU" :model-value="known.shu" :schema="P.shu" @update:model-value="set1({ shu: $event! })" />
      <NumberField
        label="Salt"
        unit="%"
        :model-value="known.saltPct"
        :schema="P.saltPct"
        @update:model-value="set1({ saltPct: $event! })"
      />
      <NumberField
        label="Sugar"
        unit="%"
        :model-value="known.sugarPct"
        :schema="P.sugarPct"
        @update:model-value="set1({ sugarPct: $event! })"
      />
      <NumberField
        label="Acetic acid"
        unit="%"
        :model-value="known.aceticPct"
        :schema="P.aceticPct"
        @update:model-value="set1({ aceticPct: $event! })"
      />
      <PickField label="How it pours" :model-value="nearestBody" :options="pours" @update:model-value="set1({ body: $event })" />
      <p class="soft full">
        Off the label of a bottle, or a guess: only the pH must be measured.
        {{ before.length ? `In it so far: ${before.map((b) => b.says).join('; ')}.` : '' }} {{ grams(known.massG) }} as it stands.
      </p>
    </section>
    <p v-if="trouble" class="plate note field-error" role="alert">{{ trouble }}</p>
    <TrimBoard
      v-else
      v-model:chosen="chosen"
      :told="told"
      :says="says"
      :set="set"
      :working="working"
      :ph-measured="before.length === 0"
      @say="trim.say"
      @set="trim.place"
    />
  </div>
</template>

<style scoped>
.bench {
  display: grid;
  gap: 12px;
}
.known {
  display: grid;
  grid-template-columns: repeat(7, minmax(0, 1fr));
  gap: 6px 10px;
  padding: 10px 16px;
}
.full {
  grid-column: 1 / -1;
  margin: 0;
  font-size: 13.5px;
}
@media (max-width: 900px) {
  .known {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
