<script setup lang="ts">
import { NButton, NForm } from 'naive-ui';
import { ref, watch } from 'vue';
import { Type } from '@sinclair/typebox';
import { useHeat } from '../stores/heat';
import { useNotices } from '../stores/notices';
import NumberField from '../ui/NumberField.vue';
import SheetCard from '../ui/SheetCard.vue';
import { NAutoComplete } from 'naive-ui';
import TextField from '../ui/TextField.vue';
import LabelledField from '../ui/LabelledField.vue';

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
  <SheetCard v-model:show="show" title="Score a labelled sauce" :width="460">
    <NForm class="form" @submit.prevent="save">
      <TextField v-model="name" class="wide" label="What you call it" :maxlength="60" placeholder="A mild bottled sauce" />
      <NumberField v-model="labelShu" label="Heat on the label" unit="SHU" :schema="Shu" :digits="0" optional />
      <NumberField v-model="score" label="Score, 0 to 10" :schema="Score" :digits="1" optional />
      <LabelledField class="wide" label="Taster" for-id="reference-taster">
        <NAutoComplete
          v-model:value="taster"
          :options="heat.tasters"
          :get-show="() => true"
          :input-props="{ id: 'reference-taster', maxlength: 20, autocomplete: 'off' }"
        />
      </LabelledField>
      <p v-if="problem" class="field-error wide" role="alert">{{ problem }}</p>
      <NButton type="primary" attr-type="submit" class="wide">Keep it</NButton>
    </NForm>
  </SheetCard>
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
