<script setup lang="ts">
import { ref, watch } from 'vue';
import { NModal } from 'naive-ui';
import { Type } from '@sinclair/typebox';
import { useHeat } from '../stores/heat';
import { useNotices } from '../stores/notices';
import NumberField from './NumberField.vue';

/** A score for a sauce with its heat on the label: it teaches the taster's scale, nothing else. */
const show = defineModel<boolean>('show', { required: true });
const heat = useHeat();
const notices = useNotices();
const Shu = Type.Number({ title: 'The heat on the label', minimum: 50, maximum: 3_000_000, unit: 'SHU' });
const Score = Type.Number({ title: 'The score', minimum: 0, maximum: 10 });
const name = ref('');
const labelShu = ref<number | null>(null);
const taster = ref('You');
const score = ref<number | null>(null);
const problem = ref('');
watch(show, (open) => {
  if (!open) return;
  name.value = '';
  labelShu.value = score.value = null;
  taster.value = 'You';
  problem.value = '';
});
async function save() {
  if (labelShu.value === null || score.value === null) return void (problem.value = 'Give the heat on the label and a score.');
  try {
    const scores = [{ taster: taster.value.trim() || 'You', score: score.value }];
    await heat.add(
      { kind: 'reference', name: name.value.trim() || 'A labelled sauce', labelShu: labelShu.value, scores },
      'score of a labelled sauce',
    );
    notices.say('Kept. The scale moved a little.');
    show.value = false;
  } catch (e) {
    problem.value = (e as Error).message;
  }
}
</script>

<template>
  <NModal v-model:show="show" preset="card" title="Score a labelled sauce" style="width: 460px; max-width: 94vw">
    <form class="form" @submit.prevent="save">
      <label class="field wide"
        ><span>What you call it</span><input v-model="name" class="entry" maxlength="60" placeholder="A mild bottled sauce"
      /></label>
      <NumberField v-model="labelShu" label="Heat on the label" unit="SHU" :schema="Shu" :digits="0" optional />
      <NumberField v-model="score" label="Score, 0 to 10" :schema="Score" :digits="1" optional />
      <label class="field wide"><span>Taster</span><input v-model="taster" class="entry" maxlength="20" list="tasters" /></label>
      <datalist id="tasters"><option v-for="t in heat.tasters" :key="t" :value="t" /></datalist>
      <p v-if="problem" class="field-error wide" role="alert">{{ problem }}</p>
      <button type="submit" class="act main wide">Keep it</button>
    </form>
  </NModal>
</template>

<style scoped>
.form {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 12px;
}
.wide {
  grid-column: 1 / -1;
}
p {
  margin: 0;
}
</style>
