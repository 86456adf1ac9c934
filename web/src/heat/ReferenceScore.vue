<script setup lang="ts">
import { NButton, NForm } from 'naive-ui';
import { reactive, ref, watch } from 'vue';
import { Type } from '@sinclair/typebox';
import { useHeat } from '../stores/heat';
import { useNotices } from '../stores/notices';
import NumberField from '../ui/NumberField.vue';
import SheetCard from '../ui/SheetCard.vue';
import { NAutoComplete } from 'naive-ui';
import TextField from '../ui/TextField.vue';
import LabelledField from '../ui/LabelledField.vue';
import DraftBar from '../ui/DraftBar.vue';
import { useDraft } from '../ui/useDraft';

/** A score for a sauce with its heat on the label: it teaches the taster's scale, nothing else. */
const show = defineModel<boolean>('show', { required: true });
const heat = useHeat();
const notices = useNotices();
const Shu = Type.Number({ title: 'The heat on the label', minimum: 50, maximum: 3_000_000, unit: 'SHU' });
const Score = Type.Number({ title: 'The score', minimum: 0, maximum: 10 });
const blank = () => ({ name: '', labelShu: null as number | null, taster: 'You', score: null as number | null });
const form = reactive(blank());
const draft = useDraft(() => 'labelled', form, blank, show);
const problem = ref('');
watch(show, () => (problem.value = ''));
async function save() {
  const { labelShu, score } = form;
  if (labelShu === null || score === null) return void (problem.value = 'Give the heat on the label and a score.');
  try {
    const scores = [{ taster: form.taster.trim() || 'You', score }];
    await heat.add({ kind: 'reference', name: form.name.trim() || 'A labelled sauce', labelShu, scores }, 'score of a labelled sauce');
    await draft.done();
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
      <DraftBar :show="draft.takenUp.value" @anew="draft.anew" />
      <TextField v-model="form.name" class="wide" label="What you call it" :maxlength="60" placeholder="A mild bottled sauce" />
      <NumberField v-model="form.labelShu" label="Heat on the label" unit="SHU" :schema="Shu" :digits="0" optional />
      <NumberField v-model="form.score" label="Score, 0 to 10" :schema="Score" :digits="1" optional />
      <LabelledField class="wide" label="Taster" for-id="reference-taster">
        <NAutoComplete
          v-model:value="form.taster"
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
