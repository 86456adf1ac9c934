<script setup lang="ts">
import { NModal } from 'naive-ui';
import { ref, watch } from 'vue';
import { HEAT_SCHOOLS, KITCHENS, scoreOf, shuOfScore, VOLUMES_ML, type HeatSchool, type Kitchen } from '@roskel/core';
import { plural, shu } from '../format';
import { useHeat } from '../stores/heat';
import SchoolWhy from './SchoolWhy.vue';
import ReferenceScore from './ReferenceScore.vue';
import { useSettings } from '../stores/settings';
import { useNotices } from '../stores/notices';

const show = defineModel<boolean>('show', { required: true });
const settings = useSettings();
const notices = useNotices();
const heat = useHeat();
const why = ref(false);
const scoring = ref(false);
watch(show, (open) => open && void heat.load().catch((e: unknown) => notices.fail(e)));
const NAMES: Record<Kitchen, string> = { metric: 'Metric', us: 'United States', au: 'Australia', uk: 'United Kingdom' };

const SCHOOL: Record<HeatSchool, { name: string; says: string }> = {
  dry: { name: 'On dry matter', says: 'the pod’s own water taken off; fits bottle labels' },
  fresh: { name: 'As quoted', says: 'the number quoted for the variety, taken for the fresh pod' },
};

async function change(next: Partial<typeof settings.value>) {
  try {
    await settings.save({ ...settings.value, ...next });
  } catch (e) {
    notices.fail(e);
  }
}
</script>

<template>
  <NModal v-model:show="show" preset="card" title="Your kitchen" style="width: 560px; max-width: 94vw">
    <p class="soft">Which spoons and cups do you mean? Everything typed in spoons or cups is read this way.</p>
    <fieldset>
      <legend class="visually-hidden">Spoons and cups</legend>
      <label v-for="k in KITCHENS" :key="k" :class="{ on: settings.value.kitchen === k }">
        <input type="radio" name="kitchen" :checked="settings.value.kitchen === k" @change="change({ kitchen: k })" />
        <b>{{ NAMES[k] }}</b>
        <span class="soft">tablespoon {{ VOLUMES_ML[k].tbsp.toFixed(1) }} ml, cup {{ VOLUMES_ML[k].cup.toFixed(0) }} ml</span>
      </label>
    </fieldset>
    <h2>How heat is counted <button type="button" class="link" @click="why = true">why?</button></h2>
    <fieldset>
      <legend class="visually-hidden">How heat is counted</legend>
      <label v-for="k in HEAT_SCHOOLS" :key="k" :class="{ on: settings.value.school === k }">
        <input type="radio" name="school" :checked="settings.value.school === k" @change="change({ school: k })" />
        <b>{{ SCHOOL[k].name }}</b>
        <span class="soft">{{ SCHOOL[k].says }}</span>
      </label>
    </fieldset>
    <h2>Tongues</h2>
    <p v-if="heat.book.scales.length === 0" class="soft">
      Nobody has scored a sauce yet. Scores of labelled sauces tell how your 5 compares.
    </p>
    <ul>
      <li v-for="s in heat.book.scales" :key="s.taster" data-scale>
        <b>{{ s.taster }}</b>, {{ plural(s.scale.scores, 'score') }}: a 5 is about {{ shu(shuOfScore(s.scale, 5)) }} SHU; 2,000 SHU feels
        like
        {{ Math.round(2 * scoreOf(s.scale, 2000)) / 2 }}
      </li>
    </ul>
    <p class="acts">
      <button type="button" class="act small" @click="scoring = true">Score a labelled sauce</button>
      <button v-if="settings.value.threshold" type="button" class="link" @click="change({ threshold: null })">
        Forget our dilution threshold of {{ settings.value.threshold.shu.toFixed(1) }} SHU
      </button>
    </p>
  </NModal>
  <SchoolWhy v-model:show="why" />
  <ReferenceScore v-model:show="scoring" />
</template>

<style scoped>
h2 {
  margin: 14px 0 6px;
}
ul {
  margin: 0 0 8px;
  padding-left: 18px;
}
.acts {
  display: flex;
  gap: 14px;
  align-items: center;
  margin: 0;
}
fieldset {
  border: 0;
  padding: 0;
  display: grid;
  gap: 8px;
}
label {
  display: grid;
  grid-template-columns: 24px 130px 1fr;
  align-items: center;
  min-height: 48px;
  padding: 0 12px;
  border: 1.5px solid var(--line);
  border-radius: 10px;
  cursor: pointer;
}
label.on {
  border-color: var(--rim);
  background: var(--active);
}
</style>
