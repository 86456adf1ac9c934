<script setup lang="ts">
import { onMounted, ref, watch } from 'vue';
import { NButton } from 'naive-ui';
import type { KnownSauce, TrimOffer } from '@roskel/core';
import { grams } from '../format';
import { useNotices } from '../stores/notices';
import { keepHere, readHere } from '../ui/keepHere';
import { bench } from '../worker/client';
import KnownFields from './KnownFields.vue';
import { START_SAUCE } from './known';
import TrimBoard from './TrimBoard.vue';
import { useTrim } from './useTrim';

/** A sauce that was made or bought without a batch: its mass, pH and taste are enough to put it right. */
const KEEP = 'trim-bench';
interface Kept {
  known: KnownSauce;
  /** What it was before each thing that went in, last first taken back. */
  before: { known: KnownSauce; says: string }[];
}
const kept = readHere<Kept>(KEEP);
const known = ref<KnownSauce>(kept?.known ?? { ...START_SAUCE });
const before = ref<Kept['before']>(kept?.before ?? []);
watch([known, before], () => keepHere(KEEP, { known: known.value, before: before.value } satisfies Kept), { deep: true });
const set1 = (change: Partial<KnownSauce>) => (known.value = { ...known.value, ...change });
const trim = useTrim(
  (stocks, shop, ask) => bench().trimBowl({ ...known.value }, stocks, shop, ask),
  () => known.value,
);
const { says, set, told, trouble, working, chosen, offer } = trim;
const notices = useNotices();
onMounted(() => void trim.load());
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
      <KnownFields :known="known" @change="set1" />
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
