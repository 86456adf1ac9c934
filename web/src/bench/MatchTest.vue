<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import { Type } from '@sinclair/typebox';
import { levelName, matchedShu, normalQuantile, tastingHot } from '@roskel/core';
import { ApiProblem } from '../api/client';
import { plural, shu } from '../format';
import { useHeat } from '../stores/heat';
import { useNotices } from '../stores/notices';
import CautionList from '../ui/CautionList.vue';
import NumberField from '../ui/NumberField.vue';
import TestSubject from './TestSubject.vue';
import { useSubject } from './useSubject';

/** A match against a labelled sauce: diluted until both taste the same, the thresholds cancel. Surer than a ladder. */
const heat = useHeat();
const notices = useNotices();
const subject = ref('');
const about = useSubject(subject);
const labelShu = ref<number | null>(null);
const labelAt = ref<number | null>(20);
const sampleAt = ref<number | null>(null);
const problem = ref('');
const askSure = ref(false);
/** What was kept last: the same result counts once, however often it is pressed. */
const keptAs = ref('');
const busy = ref(false);
const asNow = computed(() => JSON.stringify([subject.value, labelShu.value, labelAt.value, sampleAt.value]));
const Shu = Type.Number({ title: 'The heat on the label', minimum: 50, maximum: 3_000_000, unit: 'SHU' });
const Parts = Type.Number({ title: 'The dilution', minimum: 1, maximum: 10_000 });
const found = computed(() => {
  if (labelShu.value === null || labelAt.value === null || sampleAt.value === null) return null;
  const m = matchedShu(labelShu.value, labelAt.value, sampleAt.value);
  const reach = Math.exp(normalQuantile(0.9) * m.sigma);
  return { ...m, p10: m.shu / reach, p90: m.shu * reach };
});
async function keep(sure: boolean) {
  if (!found.value || !about.subject.value || busy.value || keptAs.value === asNow.value) return;
  problem.value = '';
  busy.value = true;
  try {
    const { shu: value, sigma } = found.value;
    const input = {
      kind: 'measured' as const,
      how: 'match' as const,
      subject: about.subject.value,
      shu: value,
      sigma,
      ...(sure ? { sure } : {}),
    };
    const learnt = await heat.add(input, `match of ${about.name.value}`);
    keptAs.value = asNow.value;
    notices.say(`Kept. ${plural(learnt.length, 'lot')} learnt from it.`);
  } catch (e) {
    problem.value = (e as Error).message;
    askSure.value = e instanceof ApiProblem && e.problem.errors?.[0]?.path === 'sure';
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <section class="plate body">
    <h2>Match it against a labelled sauce</h2>
    <p class="soft">
      Stir the labelled sauce into sugar water (5 %), 1 part in 20. Dilute yours in the same way, step by step, until both taste equally
      hot. Rest and rinse between sips. Two people are better than one.
      <template v-if="about.mashParts.value > 1"
        >Blend the pods with {{ about.mashParts.value - 1 }} parts of water first, stems off: that is 1 in
        {{ about.mashParts.value }} already.</template
      >
    </p>
    <CautionList :cautions="tastingHot()" />
    <TestSubject v-model="subject" :about="about" />
    <div class="three">
      <NumberField v-model="labelShu" label="Heat on the label" unit="SHU" :schema="Shu" :digits="0" optional />
      <NumberField v-model="labelAt" label="Labelled one, 1 part in" :schema="Parts" optional />
      <NumberField v-model="sampleAt" label="Yours tastes the same at 1 in" :schema="Parts" optional />
    </div>
    <p v-if="found" class="figure" data-fact="match">
      about <b>{{ shu(found.shu) }} SHU</b>, {{ levelName(found.shu) }}; 8 in 10 such tests land between {{ shu(found.p10) }} and
      {{ shu(found.p90) }}
    </p>
    <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
    <div class="acts">
      <NButton type="primary" data-keeps :disabled="!found || !about.subject.value || busy || keptAs === asNow" @click="keep(false)">
        {{ keptAs === asNow ? 'Used' : `Use this result for ${about.name.value}` }}
      </NButton>
      <NButton v-if="askSure" data-keeps @click="keep(true)">I am sure, use it</NButton>
    </div>
  </section>
</template>

<style scoped>
.body {
  max-width: 780px;
  padding: 14px 20px 18px;
  display: grid;
  gap: 11px;
}
.three {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 12px;
}
.figure {
  font-size: 20px;
}
p {
  margin: 0;
}
.acts {
  display: flex;
  gap: 12px;
}
</style>
